import type { Making } from '../job/making';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import type { Metal } from '../stock/metals';
import { RATES } from '../stock/rates';
import type { ShopSettings } from '../stock/shop-settings';
import { isRefusal, type Refusal } from '../units/refusal';
import type { BarPlan } from './bar-cutting';
import { beddingOf } from './bedding';
import { boltRows } from './bolt-length';
import type { MadeOf } from './made-of';
import type { ListedPart } from './part-list';
import { routeOf, workOf } from './route';
import { sizeOf, type SheetsWanted } from './on-sheet';

export const BUY_GROUPS = ['metal', 'fasteners', 'consumables', 'hire', 'labour'] as const;

/** One line of what a job costs. Money in the shop’s currency. */
export interface BuyLine {
  readonly group: (typeof BUY_GROUPS)[number];
  readonly what: string;
  readonly count: number;
  readonly unit: string;
  readonly sum: number;
  readonly note: string;
}

/** What is cut from one kind of bar. */
export interface BarsCut {
  readonly stock: string;
  readonly plan: BarPlan | Refusal;
}

export interface BuyList {
  readonly lines: readonly BuyLine[];
  /** Everything, and by group. */
  readonly total: number;
  readonly groups: Readonly<Record<BuyLine['group'], number>>;
  /** What could not be counted, with its reason: the total is then too low. */
  readonly missing: readonly Refusal[];
}

/** What is planned of a job: sheets, bars, shop. */
export interface Planned {
  readonly of: MadeOf;
  readonly sheets: readonly SheetsWanted[];
  readonly bars: readonly BarsCut[];
  readonly shop: ShopSettings;
}

/** Whole sheets and bars, packs, consumables by the work, hire and hours. What a plan refuses is said to be missing, never left out unseen. */
export function buyList(p: Planned): BuyList {
  const missing = [...p.sheets, ...p.bars].flatMap(({ plan }) => (isRefusal(plan) ? [plan] : []));
  const lines = [...sheetLines(p), ...barLines(p), ...fastenerLines(p), ...consumables(p), ...hire(p), ...labour(p)];
  const groups = Object.fromEntries(
    BUY_GROUPS.map((g) => [g, lines.reduce((sum, l) => sum + (l.group === g ? l.sum : 0), 0)]),
  ) as BuyList['groups'];
  return { lines, total: lines.reduce((sum, l) => sum + l.sum, 0), groups, missing };
}

const kilo = (shop: ShopSettings, m: Pick<Metal, 'group'>): number => shop.rates[m.group];

function sheetLines({ sheets, shop }: Planned): BuyLine[] {
  return sheets.flatMap(({ stock, plan, parts }): BuyLine[] => {
    if (isRefusal(plan)) return [];
    const { metal, thickness } = parts[0]!.part;
    const one = plan.long * plan.wide * thickness * metal.density * 1e-9;
    const off = plan.sheets.length - plan.bought;
    const left = plan.sheets.reduce((sum, s) => sum + s.remnant * sizeOf(plan, s).wide, 0);
    const back = `${(left * thickness * metal.density * 1e-9).toFixed(1)} kg of it left over`;
    return [
      ...(off > 0 ? [line('metal', `${stock}: offcuts on hand`, off, 'pieces', 0, 'from the rack')] : []),
      ...(plan.bought > 0
        ? [
            line(
              'metal',
              `${stock}: sheet ${Math.round(plan.long)} × ${Math.round(plan.wide)} mm`,
              plan.bought,
              plan.bought === 1 ? 'sheet' : 'sheets',
              plan.bought * one * kilo(shop, metal),
              back,
            ),
          ]
        : []),
    ];
  });
}

const line = (group: BuyLine['group'], what: string, count: number, unit: string, sum: number, note = ''): BuyLine => ({
  group,
  what,
  count,
  unit,
  sum,
  note,
});

/** kg of a metre of what a bar is, from the parts cut of it. */
function perMetre(parts: readonly ListedPart[], stock: string): { readonly kg: number; readonly metal: Metal } | undefined {
  const p = parts.find((x) => `${x.part.stock}, ${x.part.metal.name}` === stock);
  if (!p?.part.volume) return undefined;
  return { kg: (p.part.volume / p.length) * 1000 * p.part.metal.density * 1e-9, metal: p.part.metal };
}

/** Long stock beside pieces cut to length at the merchant’s, whichever is cheaper bought. */
function barLines({ bars, of, shop }: Planned): BuyLine[] {
  return bars.flatMap(({ stock, plan }): BuyLine[] => {
    if (isRefusal(plan)) return [];
    const bought = plan.bars.filter((b) => b.bar.onHand === undefined);
    const off = plan.bars.length - bought.length;
    const hand = off > 0 ? [line('metal', `${stock}: offcuts on hand`, off, 'pieces', 0, 'from the rack')] : [];
    if (bought.length === 0) return hand;
    const kind = perMetre(of.parts, stock);
    const length = Math.round(bought[0]!.bar.length);
    const what = `${stock}: ${length} mm`;
    if (!kind) return [...hand, line('fasteners', what, bought.length, 'lengths', bought.length * studding(stock, length, shop))];
    const rate = kilo(shop, kind.metal);
    const whole = (plan.boughtLength / 1000) * kind.kg * rate;
    const pieces = bought.flatMap((b) => b.pieces);
    const cut = (pieces.reduce((sum, x) => sum + x.length, 0) / 1000) * kind.kg * rate * (1 + shop.rates.cutExtra / 100);
    return [
      ...hand,
      cut < whole
        ? line(
            'metal',
            `${stock}: cut to length`,
            pieces.length,
            'pieces',
            cut,
            `whole bars would be ${whole.toFixed(2)}, and the rest on the rack`,
          )
        : line('metal', what, bought.length, bought.length === 1 ? 'bar' : 'bars', whole, `cut to length ${cut.toFixed(2)}`),
    ];
  });
}

/** A length of studding by its diameter, priced as bolts of that length. */
function studding(stock: string, length: number, shop: ShopSettings): number {
  const d = Number(/^M(\d+)/.exec(stock)?.[1] ?? 10);
  return (shop.rates.bolt * (d ** 2 / 100) * length) / 100;
}

/** Bolts of one size, class and length, in whole packs. */
function fastenerLines({ of, shop }: Planned): BuyLine[] {
  const by = new Map<string, { n: number; each: number; note: string }>();
  for (const { r, hands } of of.feet)
    for (const { length, ids } of boltRows(r)) {
      const at = atBolt(
        r,
        r.bolts.findIndex((b) => b.id === ids[0]),
      );
      const what = `${at.size.id} ${at.grade.id} ${length.cut ? 'nuts for studding' : length.stock ? `× ${length.stock.text}` : 'longer than any stock'}`;
      const row = by.get(what) ?? { n: 0, each: boltPrice(at, shop) * (length.cut ? 0.5 : 1), note: noteFor(at) };
      row.n += hands * ids.length * (length.cut ? 2 : 1);
      by.set(what, row);
    }
  return [...by].map(([what, { n, each, note }]) => {
    const packs = Math.ceil(n / shop.rates.pack);
    return line('fasteners', what, packs, packs === 1 ? 'pack' : 'packs', packs * shop.rates.pack * each, `${n} needed${note}`);
  });
}

const noteFor = (r: Resolved): string =>
  r.joint.holding === 'nut'
    ? ', with nuts and washers'
    : r.joint.holding === 'lag screw'
      ? ', with washers'
      : `, ${r.joint.holding}`;

function boltPrice({ grade, d }: Resolved, shop: ShopSettings): number {
  const dear = grade.stainless ? RATES.stainlessBolt : grade.fub > 850 ? RATES.strongBolt : 1;
  return shop.rates.bolt * (d ** 2 / 100) * dear;
}

function consumables({ of, shop }: Planned): BuyLine[] {
  const work = workOf(of, shop);
  const beds = of.feet.flatMap(({ r, hands }) => beddingOf(r, of.whole.making).map((b) => ({ ...b, hands })));
  const out: BuyLine[] = [];
  const byName = new Map<string, { grams: number; volume: number; cartridge: number }>();
  for (const { product, batch, hands } of beds) {
    if (isRefusal(batch)) continue;
    const row = byName.get(product.name) ?? { grams: 0, volume: 0, cartridge: product.cartridge ?? 0 };
    row.grams += hands * (batch.resin + batch.hardener);
    row.volume += hands * batch.mixed;
    byName.set(product.name, row);
  }
  for (const [name, { grams, volume, cartridge }] of byName)
    if (cartridge > 0) {
      const n = Math.ceil(volume / cartridge - 1e-9);
      out.push(
        line('consumables', `${name}, ${cartridge} ml`, n, n === 1 ? 'cartridge' : 'cartridges', n * shop.rates.cartridge),
      );
    } else
      out.push(
        line('consumables', name, Math.ceil(grams), 'g', (grams / 1000) * shop.rates.resin, 'resin and hardener together'),
      );
  if (work.welded > 0)
    out.push(
      line('consumables', 'gas and wire', Number(work.welded.toFixed(2)), 'm of 4 mm throat', work.welded * shop.rates.weld),
    );
  return out;
}

/** Hours that a machine is paid for: those it works, begun ones whole, and no fewer than its least. */
export function hireOf(h: NonNullable<Making['hired']>, minutes: number): { readonly hours: number; readonly sum: number } {
  const hours = Math.max(h.leastHours, Math.ceil(minutes / 60 - 1e-9));
  return { hours, sum: hours * h.perHour };
}

function hire({ of, shop }: Planned): BuyLine[] {
  const h = of.whole.making?.hired;
  if (!h) return [];
  const o = routeOf(of, shop).find((x) => x.id === h.for);
  const { hours, sum } = hireOf(h, o?.minutes ?? 0);
  return [line('hire', h.what, hours, 'h', sum, o ? `for ${o.name.toLowerCase()}` : 'its operation is not in the route')];
}

function labour({ of, shop }: Planned): BuyLine[] {
  const minutes = routeOf(of, shop).reduce((sum, o) => sum + o.minutes * o.hands, 0);
  const hours = Math.ceil((minutes / 60) * 4 - 1e-9) / 4;
  return [line('labour', 'work by hand', hours, 'h', hours * shop.rates.perHour, 'all operations of the route')];
}

/** "€ 1,234.50" by the currency’s own rules. */
export const money = (v: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' }).format(v);
