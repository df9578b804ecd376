import type { WholeJob } from '../job/whole-job';
import { SHEET_SIZES } from '../stock/sheet-sizes';
import type { ShopSettings } from '../stock/shop-settings';
import type { Refusal } from '../units/refusal';
import { partList, type ListedPart } from './part-list';
import { laidRegion, type Laid } from '../geometry/place-region';
import type { Rect } from '../geometry/points';
import { rectangleIn } from './nest-in-openings';
import {
  nestOn,
  type FlatPiece,
  type NestedSheet,
  type Offcut,
  type PlacedPiece,
  type SheetCut,
  type SheetPlan,
} from './sheet-nesting';

/** What is cut from one sheet metal of one thickness, and on which sheets. */
export interface SheetsWanted {
  /** "Steel S355, 8 mm". */
  readonly stock: string;
  readonly parts: readonly ListedPart[];
  readonly plan: SheetPlan | Refusal;
}

/** Every flat part of a job over all feet, by metal and thickness, nested on the sheets the shop buys. */
export function sheetsWanted(
  whole: WholeJob,
  cut: SheetCut,
  offcuts: ShopSettings['offcuts'] = [],
): { readonly wanted: readonly SheetsWanted[] } | { readonly refusals: readonly Refusal[] } {
  const list = partList(whole);
  if ('refusals' in list) return list;
  const by = new Map<string, ListedPart[]>();
  for (const p of list.parts)
    if (!p.part.sawn) {
      const stock = `${p.part.metal.name}, ${p.part.thickness} mm`;
      by.set(stock, [...(by.get(stock) ?? []), p]);
    }
  return {
    wanted: [...by].map(([stock, parts]) => ({
      stock,
      parts,
      plan: nestOn(parts.flatMap(piecesOf), SHEET_SIZES[whole.units], cut, flatOffcuts(offcuts, stock)),
    })),
  };
}

/** Offcuts of one sheet metal, each by itself. */
const flatOffcuts = (offcuts: ShopSettings['offcuts'], stock: string): Offcut[] =>
  offcuts.flatMap((o) =>
    o.stock === stock && o.width !== undefined
      ? Array.from({ length: o.count }, () => ({ long: Math.max(o.length, o.width!), wide: Math.min(o.length, o.width!) }))
      : [],
  );

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

/** Added to the mark of a piece of the other hand. */
export const OTHER_HAND = '′';

const piecesOf = (p: ListedPart): FlatPiece[] => {
  const one = { name: `${p.mark} ${p.name}`, length: p.length, width: p.width, area: p.area };
  const drawn = { ...one, id: p.mark, count: p.count, openings: openingsOf(p, false) };
  const other = { ...one, id: `${p.mark}${OTHER_HAND}`, count: p.mirrored, openings: openingsOf(p, true) };
  return [drawn, other].filter((x) => x.count > 0);
};

/** Rectangles in a part’s openings as the packer sees it: from its far edge down, in either hand. */
function openingsOf({ part }: ListedPart, mirrored: boolean): Rect[] {
  const { x0, y0, y1 } = part.bounds;
  const clear = part.region.openings.flatMap((o) => rectangleIn(o) ?? []);
  return clear.map((r) => {
    const [near, far] = mirrored ? [r.y0 - y0, r.y1 - y0] : [y1 - r.y1, y1 - r.y0];
    return { x0: r.x0 - x0, x1: r.x1 - x0, y0: near, y1: far };
  });
}
