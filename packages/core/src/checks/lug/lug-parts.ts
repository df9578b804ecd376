import type { Resolved } from '../../job/resolve';
import type { Lug } from '../../job/joint';
import type { Plain } from '../../units/quantity';
import type { Loaded } from '../demand/demand';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';

/** A lug as ASME BTH-1 §3-3.3 names it. */
export interface LugParts {
  readonly lug: Plain<Lug>;
  readonly t: number;
  readonly w: number;
  readonly Dh: number;
  readonly Dp: number;
  /** Hole edge to lug edge, in line with the load. */
  readonly a: number;
  readonly Fy: number;
  readonly Fu: number;
}

export function lugOf(r: Resolved): LugParts | undefined {
  const { lug } = r;
  if (!lug || !r.lugMetal) return undefined;
  return {
    lug,
    t: lug.thickness + 2 * lug.cheek,
    w: lug.width,
    Dh: lug.hole,
    Dp: lug.pin,
    a: lug.end,
    Fy: r.lugMetal.fy,
    Fu: r.lugMetal.fu,
  };
}

const P = formula('P', 'sqrt(F_x² + F_y² + F_z²)', 'N');

/** All of the case's force on the pin, whatever its direction, N (safe). */
export const onPin = (s: Loaded, w: Working): number => {
  const { fx, fy, fz } = s.loadCase;
  return w.of(P, { F_x: fx, F_y: fy, F_z: fz }, 'the whole force of the case on the pin (safe)');
};

export const C_R = formula('C_r', '1 − 0.275·sqrt(1 − D_p²/D_h²)', '–');
