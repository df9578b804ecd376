import { edgeDistance } from '../geometry/region';
import type { FastenerClass } from '../stock/fastener-classes';
import type { Metal } from '../stock/metals';
import type { Plain } from '../units/quantity';
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
  /** Between its outermost holes, or its own length where it has one. */
  readonly long: number;
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
  const xs = blank.holes.map((h) => h.x);
  const apart = Math.max(...xs) - Math.min(...xs);
  const { x0, x1, y0, y1 } = blank.bounds;
  const thickness = blank.thickness;
  return {
    name: part.name,
    use: part.use,
    metal,
    pinGrade,
    carries,
    long: apart > 0 ? apart : Math.max(x1 - x0, y1 - y0),
    width: 2 * e,
    thickness,
    lug: { ...pin, along: 'x', metal: part.metal, thickness, width: 2 * e, hole: hole.d, end: e - hole.d / 2, cheek: 0 },
    foot: height !== undefined && throat !== undefined ? { height, throat, along } : undefined,
  };
}
