import type { FastenerSize } from './fasteners';

/**
 * Kinds of clearance holes. Normal up to ISO 273 medium or ASME B18.2.8 normal (EN 1090-2 Tab. 11 is 0.5 mm tighter at M12 and M14),
 * oversize past it; a slot is short up to EN 1090-2 Tab. 11 (d + 4 to 14 mm, + 6 to 22, + 8 to 24, + 10 over), long past it.
 */
export const HOLE_KINDS = ['normal', 'oversize', 'short slot', 'long slot'] as const;
export type HoleKind = (typeof HOLE_KINDS)[number];

/** Most that an oversize hole is wider than its bolt, EN 1090-2 Tab. 11 (memory), mm; under M12 as at M12 (common practice). */
export const MOST_OVER = (d: number): number => (d <= 14.5 ? 3 : d <= 22.5 ? 4 : d <= 24.5 ? 6 : 8);

const shortSlot = (d: number): number => d + (d <= 14.5 ? 4 : d <= 22.5 ? 6 : d <= 24.5 ? 8 : 10);

/** What a hole of a width is for a bolt; `long` is its whole length where it is a slot. */
export function holeKind(size: Pick<FastenerSize, 'd' | 'hole'>, width: number, long = width): HoleKind {
  if (long > width + 1e-6) return long <= shortSlot(size.d) + 1e-6 ? 'short slot' : 'long slot';
  return width > size.hole.medium + 1e-6 ? 'oversize' : 'normal';
}

/** k_s of EN 1993-1-8 Tab. 3.6: slots with their length across or along the force. */
export const slipFactor = (kind: HoleKind, along: boolean): number =>
  ({ normal: 1, oversize: 0.85, 'short slot': along ? 0.76 : 0.85, 'long slot': along ? 0.63 : 0.7 })[kind];

/** On bearing (EN 1993-1-8 Tab. 3.4 note 1): oversize 0.8, a slot across its length 0.6; along a slot there is none. */
export const bearingOf = (kind: HoleKind): number => ({ normal: 1, oversize: 0.8, 'short slot': 0.6, 'long slot': 0.6 })[kind];
