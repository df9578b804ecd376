import { atEachFoot } from '../job/at-foot';
import { atBolt } from '../job/of-kind';
import { isResolved, resolve } from '../job/resolve';
import type { WholeJob } from '../job/whole-job';
import { BAR_LENGTHS } from '../stock/bar-lengths';
import type { ShopSettings } from '../stock/shop-settings';
import type { Refusal } from '../units/refusal';
import type { Piece, StockBar } from './bar-cutting';
import { boltRows } from './bolt-length';
import { handsOf, partList } from './part-list';

/** What is sawn from one kind of bar. */
export interface BarsWanted {
  /** "flat bar 60 × 10 mm, Steel S355", "M10 studding, A4-70". */
  readonly stock: string;
  readonly pieces: readonly Piece[];
  /** Offcuts on hand, then as it is sold. */
  readonly bars: readonly StockBar[];
}

/** Every length that the parts and the studding of a job take, over all feet, by what it is sawn from. */
export function barsWanted(
  whole: WholeJob,
  offcuts: ShopSettings['offcuts'] = [],
): { readonly wanted: readonly BarsWanted[] } | { readonly refusals: readonly Refusal[] } {
  const list = partList(whole);
  if ('refusals' in list) return list;
  const by = new Map<string, { pieces: Piece[]; sold: keyof typeof BAR_LENGTHS }>();
  const add = (stock: string, sold: keyof typeof BAR_LENGTHS, piece: Piece) => {
    const row = by.get(stock) ?? { pieces: [], sold };
    by.set(stock, row);
    row.pieces.push(piece);
  };
  for (const p of list.parts)
    if (p.part.sawn)
      add(`${p.part.stock}, ${p.part.metal.name}`, 'bar', {
        mark: `${p.mark} ${p.name}`,
        length: round(p.length),
        count: p.count + p.mirrored,
      });
  for (const { foot, job } of atEachFoot(whole)) {
    const r = resolve(job);
    if (!isResolved(r)) continue;
    for (const { length, ids } of boltRows(r)) {
      if (!length.cut) continue;
      const { size, grade } = atBolt(
        r,
        r.bolts.findIndex((b) => b.id === ids[0]),
      );
      const at = whole.feet.length > 1 ? `${foot.name} ` : '';
      add(`${size.id} studding, ${grade.id}`, 'studding', {
        mark: `${at}${ids.join(' ')}`,
        length: round(length.needed),
        count: handsOf(whole, job) * ids.length,
      });
    }
  }
  return {
    wanted: [...by].map(([stock, { pieces, sold }]) => {
      const length = BAR_LENGTHS[sold][whole.units];
      return { stock, pieces, bars: [...barOffcuts(offcuts, stock), { name: `${length} mm`, length }] };
    }),
  };
}

const barOffcuts = (offcuts: ShopSettings['offcuts'], stock: string): StockBar[] =>
  offcuts.flatMap((o) =>
    o.stock === stock && o.width === undefined ? [{ name: `offcut ${o.length} mm`, length: o.length, onHand: o.count }] : [],
  );

/** To a tenth of a millimetre, up: no saw is set closer. */
const round = (mm: number): number => Math.ceil(mm * 10 - 1e-6) / 10;
