import { laidRegion, type Laid } from '../geometry/place-region';
import type { Refusal } from '../units/refusal';
import { OTHER_HAND, type ListedPart } from './part-list';

export { OTHER_HAND };
import type { NestedSheet, Offcut, PlacedPiece, SheetPlan } from './sheet-nesting';

/** What is cut from one sheet metal of one thickness, and on which sheets. */
export interface SheetsWanted {
  /** "Steel S355, 8 mm". */
  readonly stock: string;
  readonly parts: readonly ListedPart[];
  readonly plan: SheetPlan | Refusal;
}

/** Size of a sheet of a plan: its own, or that of what is bought. */
export const sizeOf = (plan: Pick<SheetPlan, 'long' | 'wide'>, sheet: NestedSheet): Offcut => sheet.offcut ?? plan;

/** Which part a piece is of, and where it lies on a sheet so wide: x along it, y up from its near edge. */
export function laidOn(
  s: Pick<SheetsWanted, 'parts'>,
  piece: PlacedPiece,
  wide: number,
): { readonly of: ListedPart; readonly laid: Laid } {
  const of = s.parts.find((p) => p.mark === piece.id.replace(OTHER_HAND, ''))!;
  const { x0, x1, y0, y1 } = of.part.bounds;
  const mirrored = piece.id.endsWith(OTHER_HAND);
  const [low, high] = mirrored ? [-y1, -y0] : [y0, y1];
  const { turned } = piece;
  // The packer counts down from the far edge.
  const y = wide - piece.y - (turned ? x1 - x0 : y1 - y0);
  return { of, laid: { mirrored, turned, dx: turned ? piece.x + high : piece.x - x0, dy: turned ? y - x0 : y - low } };
}

/** Outline of a piece where it lies. */
export const outlineOn = (s: Pick<SheetsWanted, 'parts'>, piece: PlacedPiece, wide: number) => {
  const { of, laid } = laidOn(s, piece, wide);
  return laidRegion(of.part.region, laid);
};
