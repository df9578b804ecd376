import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';

/** What a bolt stretches or leans over besides what is packed there, mm. */
const plies = (r: Resolved, i: number): number =>
  r.plateThickness * r.plateLayers + r.skinThickness + atBolt(r, i).far.height + 0.9 * atBolt(r, i).d;

const alike = (all: readonly number[]): boolean => Math.max(...all) - Math.min(...all) < 1e-9 * Math.max(...all);

const heightsDiffer = (r: Resolved): boolean => r.joint.packing === 'spacers' && !alike(r.bolts.map((b) => 1 + b.packed));

/** E over G of steel. */
const E_OVER_G = 2.6;

/**
 * Stiffness of each bolt along the plate against the others, where they are not alike: by area in plates that lie on each other
 * (elastic, bolts of one material in shear); where bolts stand free in spacers of different height, as posts held upright at both
 * ends, h³/12·E·I, and the shear of what they are clamped in. A short post takes most. Statics; nothing where all are alike.
 */
export function alongStiffness(r: Resolved): readonly number[] | undefined {
  if (heightsDiffer(r))
    return r.bolts.map(({ packed: h }, i) => {
      const { As, grade } = atBolt(r, i);
      const I = As ** 2 / (4 * Math.PI);
      return grade.E / (h ** 3 / (12 * I) + (E_OVER_G * plies(r, i)) / As);
    });
  if (r.kinds.length === 1) return undefined;
  return r.bolts.map((_, i) => atBolt(r, i).As);
}

/**
 * Stiffness of each bolt along its axis as a part of the stiffest, where they are not alike: E·A_s, over its own length where
 * spacers of different height make lengths differ. Nothing where all are alike.
 */
export function axialParts(r: Resolved): readonly number[] | undefined {
  const lengths = heightsDiffer(r);
  if (r.kinds.length === 1 && !lengths) return undefined;
  const k = r.bolts.map((b, i) => {
    const { As, grade } = atBolt(r, i);
    return (grade.E * As) / (lengths ? plies(r, i) + b.packed : 1);
  });
  const most = Math.max(...k);
  return k.map((v) => v / most);
}
