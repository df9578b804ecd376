import type { WholeJob } from '../job/whole-job';
import { SHEET_SIZES } from '../stock/sheet-sizes';
import type { Refusal } from '../units/refusal';
import { partList, type ListedPart } from './part-list';
import { nestOn, type FlatPiece, type SheetCut, type SheetPlan } from './sheet-nesting';

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
      plan: nestOn(parts.flatMap(piecesOf), SHEET_SIZES[whole.units], cut),
    })),
  };
}

/** Added to the mark of a piece of the other hand. */
export const OTHER_HAND = '′';

const piecesOf = (p: ListedPart): FlatPiece[] => {
  const one = { name: `${p.mark} ${p.name}`, length: p.length, width: p.width, area: p.area };
  const other = { ...one, id: `${p.mark}${OTHER_HAND}`, count: p.mirrored };
  return [{ ...one, id: p.mark, count: p.count }, other].filter((x) => x.count > 0);
};
