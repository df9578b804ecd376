import type { Resolved } from './resolved';

/** Packers no more unlike than this are evened out by the bedding, mm (common practice). */
const EVEN = 0.5;

/**
 * Whether the plate stands on what is round its bolts and on nothing between them: on spacer tubes, or on packers of different height as
 * they level it, unless glue fills what is left under it. Pressed it bends from one to the next, and nothing pries at its edges.
 */
export function standsAtBolts({ joint, bolts }: Pick<Resolved, 'joint' | 'bolts'>): boolean {
  if (onSpacers({ joint })) return true;
  if (joint.bedding === 'bonded') return false;
  const heights = bolts.map((b) => b.packed);
  return Math.max(...heights) - Math.min(...heights) > EVEN;
}

/**
 * Nothing but spacers is under it. Packers that level a plate are thin: where it gives it may come down on what is between them, so that
 * either way of standing is asked and the worse counts.
 */
export const onSpacers = ({ joint }: Pick<Resolved, 'joint'>): boolean => joint.packing === 'spacers';

/** Outside of what stands round a bolt of the kind in hand, mm: its spacer tube, else a packer as wide as its washer (common practice). */
export const postOutside = (r: Pick<Resolved, 'joint' | 'washerOutside'>): number =>
  onSpacers(r) ? r.joint.tubeOutside : r.washerOutside;

/** Metal of it that presses, mm²: a tube's ring, a packer less its hole. */
export function postArea(r: Pick<Resolved, 'joint' | 'washerOutside' | 'd0'>): number {
  const outside = postOutside(r);
  const inside = onSpacers(r) ? Math.max(0, outside - 2 * r.joint.tubeWall) : r.d0;
  return (Math.PI / 4) * Math.max(0, outside ** 2 - inside ** 2);
}
