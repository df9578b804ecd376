import { compensated, laidShape, otherHand } from '@core/shop/cut-shape';
import type { CutPart } from '@core/shop/cut-parts';
import { partDxf, sheetDxf } from '@core/shop/dxf';
import { ofOtherHand, type SheetWords } from '@core/shop/sheet-words';
import { laidOn, sizeOf, type SheetsWanted } from '@core/shop/on-sheet';
import { cutSvg } from '@core/shop/svg';
import type { Rect } from '@core/geometry/points';
import { isRefusal, refuse, type Refusal } from '@core/units/refusal';

/** How a file for the cutter is wanted. */
export interface CutAs {
  readonly ending: 'dxf' | 'svg';
  /** Seen from the other face. */
  readonly mirrored: boolean;
  /** Width of the cut that is taken out of the file, mm; 0 where the cutter does that itself. */
  readonly kerf: number;
  /** Outline, openings and holes alone. */
  readonly cutOnly: boolean;
}

const kerfLine = (kerf: number): string =>
  kerf > 0
    ? `COMPENSATED for a cut of ${kerf} mm: set the cutter’s own compensation to none.`
    : 'As drawn: the cutter takes its own cut into account. Lead in from the waste.';

/** What a file says of its part, each on a line of its own. */
const wordsOf = (s: SheetWords, { kerf }: Pick<CutAs, 'kerf'>): string[] =>
  [
    `${s.job}, ${s.issue}`,
    s.part,
    s.holes,
    s.bolts,
    'Millimetres.',
    kerfLine(kerf),
    s.verdict,
    s.kept,
    s.assumed,
    s.notJudged,
    ...s.cautions,
  ].filter(Boolean);

/** One part for the cutter, in either hand; refuses a cut wider than what is cut. */
export function partFile(drawn: CutPart, said: SheetWords, as: CutAs, base?: Rect): string | Refusal {
  const part = as.mirrored ? otherHand(drawn) : drawn;
  const shape = compensated(part, as.kerf);
  if (isRefusal(shape)) return shape;
  const cut: CutPart = { ...part, ...shape, holes: part.holes.map((h, i) => ({ ...h, ...shape.holes[i]! })) };
  const lines = wordsOf(as.mirrored ? ofOtherHand(said) : said, as);
  if (as.ending === 'svg') return cutSvg([cut], { lines, ...(as.cutOnly ? {} : { bends: cut.bends }) });
  return partDxf(cut, { lines, ...(base && !as.mirrored ? { base } : {}), cutOnly: as.cutOnly });
}

/** A whole nested sheet as one file; `which` from 1. */
export function sheetFile(
  wanted: SheetsWanted,
  which: number,
  says: readonly string[],
  { ending, kerf, cutOnly }: Omit<CutAs, 'mirrored'>,
): string | Refusal {
  const { plan } = wanted;
  if (isRefusal(plan)) return plan;
  const sheet = plan.sheets[which - 1];
  if (!sheet) return refuse('sheet', `there is no sheet ${which}`, `1 to ${plan.sheets.length}`);
  const size = sizeOf(plan, sheet);
  const shapes: (ReturnType<typeof laidShape> & { readonly mark: string })[] = [];
  for (const p of sheet.pieces) {
    const { of, laid } = laidOn(wanted, p, size.wide);
    const shape = compensated(laidShape(of.part, laid), kerf);
    if (isRefusal(shape)) return shape;
    shapes.push({ ...shape, mark: p.id });
  }
  const lines = [
    ...says,
    `${wanted.stock}, ${sheet.offcut ? 'offcut' : 'sheet'} ${which} of ${plan.sheets.length}`,
    kerfLine(kerf),
  ];
  if (ending === 'dxf') return sheetDxf(size, shapes, lines, cutOnly);
  const middle = (s: (typeof shapes)[number]) => {
    const xs = s.region.outer.map((v) => v.x);
    const ys = s.region.outer.map((v) => v.y);
    return { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2, text: s.mark };
  };
  const box = { x0: 0, y0: 0, x1: size.long, y1: size.wide };
  return cutSvg(shapes, { lines, size: box, ...(cutOnly ? {} : { marks: shapes.map(middle) }) });
}
