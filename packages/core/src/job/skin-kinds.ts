import { coreValues } from '../stock/cores';
import { BED_MODULUS } from './new-job';
import type { Job, Skin } from './schema';
import { assumed } from './values';

/** Kinds of skin as they are picked: a round tube is a hollow section of another form. */
export type SkinChoice = Skin['kind'] | 'round';

/** Thickness assumed of a skin of which nothing is known yet, mm: common practice. */
const USUAL_THICKNESS: Readonly<Record<SkinChoice, number>> = {
  sheet: 3,
  laminate: 8,
  plywood: 18,
  sandwich: 25,
  timber: 45,
  hollow: 60,
  round: 60.3,
  flange: 8,
  bed: 150,
};

/** Another skin keeps what was measured of the panel; its thickness, what only the new kind has, and its bed modulus are assumed. */
export function withSkinKind(job: Job, kind: SkinChoice): Job {
  const { spanX, spanY, aft, starboard } = job.skin;
  // What is under one's hand now is another thing: its thickness is not the old one's.
  const same = job.skin.kind === kind && !('form' in job.skin && job.skin.form === 'round');
  const thickness = same ? job.skin.thickness : assumed(USUAL_THICKNESS[kind], `${USUAL_THICKNESS[kind]} mm`);
  const modulus = BED_MODULUS[kind === 'round' ? 'hollow' : kind];
  const common = { thickness, spanX, spanY, aft, starboard, bedModulus: assumed(modulus, `${modulus} MPa`) };
  const made: Record<SkinChoice, () => Skin> = {
    sheet: () => ({ kind: 'sheet', metal: 'S235', ...common }),
    laminate: () => ({ kind: 'laminate', glass: assumed(0.35, '35 %'), ...common }),
    plywood: () => ({ kind: 'plywood', grade: 'birch', ...common }),
    sandwich: () => ({
      kind: 'sandwich',
      nearFace: assumed(3, '3 mm'),
      farFace: assumed(2, '2 mm'),
      glass: assumed(0.35, '35 %'),
      core: 'unknown',
      ...coreValues('unknown'),
      ...common,
    }),
    timber: () => ({ kind: 'timber', grade: 'C24', grain: 'x', endGrain: assumed(200, '200 mm'), ...common }),
    hollow: () => ({
      kind: 'hollow',
      metal: 'S235',
      wall: assumed(4, '4 mm'),
      width: assumed(100, '100 mm'),
      through: 'both walls',
      ...common,
    }),
    round: () => ({
      kind: 'hollow',
      form: 'round',
      metal: 'S235',
      wall: assumed(4, '4 mm'),
      through: 'both walls',
      ...common,
      width: thickness,
    }),
    flange: () => ({
      kind: 'flange',
      of: 'beam',
      metal: 'S235',
      width: assumed(100, '100 mm'),
      web: assumed(5.6, '5.6 mm'),
      depth: assumed(200, '200 mm'),
      webAt: 'port',
      ...common,
    }),
    bed: () => ({ kind: 'bed', strength: assumed(20, '20 MPa'), ...common }),
  };
  return { ...job, skin: made[kind]() };
}
