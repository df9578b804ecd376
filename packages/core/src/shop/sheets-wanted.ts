import type { WholeJob } from '../job/whole-job';
import { SHEET_SIZES } from '../stock/sheet-sizes';
import type { ShopSettings } from '../stock/shop-settings';
import type { Refusal } from '../units/refusal';
import { partList, plateStock, type ListedPart } from './part-list';
import type { Rect } from '../geometry/points';
import { withHand } from './laid-by-hand';
import { rectangleIn } from './nest-in-openings';
import { OTHER_HAND, type SheetsWanted } from './on-sheet';
import { nestOn, type FlatPiece, type Offcut, type SheetCut } from './sheet-nesting';

/** Every flat part of a job over all feet, by metal and thickness, nested on the sheets the shop buys; `dropped`: pieces put by hand where they no longer go. */
export function sheetsWanted(
  whole: WholeJob,
  cut: SheetCut,
  offcuts: ShopSettings['offcuts'] = [],
): { readonly wanted: readonly SheetsWanted[]; readonly dropped: number } | { readonly refusals: readonly Refusal[] } {
  const list = partList(whole);
  if ('refusals' in list) return list;
  const by = new Map<string, ListedPart[]>();
  for (const p of list.parts)
    if (!p.part.sawn) {
      const stock = plateStock(p.part, whole.units);
      by.set(stock, [...(by.get(stock) ?? []), p]);
    }
  const planned = [...by].map(([stock, parts]): SheetsWanted => ({
    stock,
    parts,
    plan: nestOn(parts.flatMap(piecesOf), SHEET_SIZES[whole.units], cut, flatOffcuts(offcuts, stock)),
  }));
  const laid = planned.map((w) => withHand(w, whole.making?.laid ?? [], cut));
  return { wanted: laid.map((l) => l.wanted), dropped: laid.reduce((n, l) => n + l.dropped, 0) };
}

/** Offcuts of one sheet metal, each by itself. */
const flatOffcuts = (offcuts: ShopSettings['offcuts'], stock: string): Offcut[] =>
  offcuts.flatMap((o) =>
    o.stock === stock && o.width !== undefined
      ? Array.from({ length: o.count }, () => ({ long: Math.max(o.length, o.width!), wide: Math.min(o.length, o.width!) }))
      : [],
  );

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
