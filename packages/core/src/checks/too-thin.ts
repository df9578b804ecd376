import { refuse, type Refusal } from '../units/refusal';

/** Small-deflection theory holds to about half the thickness (Timoshenko & Woinowsky-Krieger §13, §97). */
export const MOST_DEFLECTION = 0.5;

/** Why a panel that gives this much, over its thickness, cannot be judged by bending alone; nothing where it can. */
export const tooThin = (overThickness: number): Refusal | undefined =>
  overThickness > MOST_DEFLECTION
    ? refuse(
        'skin.thickness',
        `the panel would deflect ${overThickness.toFixed(1)} × its thickness, where thin-plate bending no longer holds`,
        `deflection up to ${MOST_DEFLECTION} × the thickness: judged as solved with membrane action, nearer bearers, a larger backing plate or a thicker skin`,
      )
    : undefined;
