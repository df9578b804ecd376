import { distance } from '../geometry/points';
import { edgeDistance } from '../geometry/region';
import type { FastenerClass } from '../stock/fastener-classes';
import type { Metal } from '../stock/metals';
import type { Plain } from '../units/quantity';
import { alongFlat, flatStrut, type Strut } from './along-flat';
import type { FreePart } from './free-part';
import type { Lug } from './joint';
import type { PartBlank } from './part-blank';

/** A link or a tab as the lug checks see it, with the part of the load that one piece takes. mm. */
export interface PinnedPart {
  readonly name: string;
  readonly use: FreePart['use'];
  readonly lug: Plain<Lug>;
  readonly metal: Metal;
  readonly pinGrade: FastenerClass | undefined;
  readonly carries: number;
  /** Between its own pin and the hole farthest from it; undefined where the straight line between them leaves the part. */
  readonly strut: Strut | undefined;
  /** Of the plain metal: as wide and as thick as it is at its hole. */
  readonly width: number;
  readonly thickness: number;
  /** Of a tab: hole over its weld, throat of the fillets on both its faces, and which way its face runs where that is said; undefined for a link. */
  readonly foot: { readonly height: number; readonly throat: number; readonly along: 'x' | 'y' | undefined } | undefined;
}

/**
 * A pinned part by its hole. The nearest edge counts on all sides of the hole: exact for round-ended straps, safe where there is more
 * metal on one side.
 */
export function eyeOf(
  part: Plain<FreePart>,
  blank: PartBlank,
  hole: PartBlank['holes'][number],
  { metal, pinGrade }: Pick<PinnedPart, 'metal' | 'pinGrade'>,
): PinnedPart {
  const { hole: _h, carries, height, throat, along, ...pin } = part.eye!;
  const e = edgeDistance(blank.region, hole);
  const thickness = blank.thickness;
  return {
    name: part.name,
    use: part.use,
    metal,
    pinGrade,
    carries,
    strut: strutFrom(blank, hole, 2 * e),
    width: 2 * e,
    thickness,
    lug: { ...pin, along: 'x', metal: part.metal, thickness, width: 2 * e, hole: hole.d, end: e - hole.d / 2, cheek: 0 },
    foot: height !== undefined && throat !== undefined ? { height, throat, along } : undefined,
  };
}

/** A link from its own pin to its far one; where it has but one hole, as long as it is and as wide as at its hole. */
function strutFrom(blank: PartBlank, hole: PartBlank['holes'][number], width: number): Strut | undefined {
  const { x0, x1, y0, y1 } = blank.bounds;
  const others = blank.holes.filter((h) => h.id !== hole.id && distance(h, hole) > 1e-6);
  const t = blank.thickness;
  if (others.length === 0) {
    const A = width * t;
    const L = Math.max(x1 - x0, y1 - y0);
    return { L, i: Math.min(width, t) / Math.sqrt(12), A, net: A, lopsided: { e: 0, A, W: (t * width ** 2) / 6 } };
  }
  const far = others.reduce((a, b) => (distance(b, hole) > distance(a, hole) ? b : a));
  const found = alongFlat(blank, hole.id, far.id);
  return found && flatStrut(found);
}
