import * as z from 'zod';
import { USUAL_SAW } from './bar-lengths';
import { RATES } from './rates';
import { USUAL_SHEET_CUT } from './sheet-sizes';

/** What a shop says of itself once, for all its jobs: hours, hands, rates, saw, printers and the offcuts on its rack. */
const figure = (label: string, low: number, high: number) =>
  z
    .number({ error: `${label}: allowed ${low} to ${high}` })
    .gte(low, `${label}: allowed ${low} to ${high}`)
    .lte(high, `${label}: allowed ${low} to ${high}`);

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day: allowed 00:00 to 23:59');
const Hours = z
  .strictObject({ from: clock, to: clock })
  .refine((h) => h.from < h.to, 'opening hours: allowed: from before to')
  .nullable();

/** Names, ranges and usual values of the shop's rates: money in its currency, minutes at the bench (common practice, invented round figures). */
export const RATE_ROWS = {
  perHour: { label: 'An hour of work', low: 0, high: 10_000, usual: 45, unit: 'money' },
  steel: { label: 'Steel, a kilogram', low: 0, high: 10_000, usual: RATES.perKg.steel, unit: 'money' },
  stainless: { label: 'Stainless, a kilogram', low: 0, high: 10_000, usual: RATES.perKg.stainless, unit: 'money' },
  aluminium: { label: 'Aluminium, a kilogram', low: 0, high: 10_000, usual: RATES.perKg.aluminium, unit: 'money' },
  titanium: { label: 'Titanium, a kilogram', low: 0, high: 10_000, usual: RATES.perKg.titanium, unit: 'money' },
  bronze: { label: 'Bronze, a kilogram', low: 0, high: 10_000, usual: RATES.perKg.bronze, unit: 'money' },
  laminate: { label: 'Laminate, a kilogram', low: 0, high: 10_000, usual: RATES.perKg.laminate, unit: 'money' },
  bolt: { label: 'An M10 8.8 bolt, nut and washers', low: 0, high: 1000, usual: RATES.perBolt, unit: 'money' },
  pack: { label: 'Bolts in a pack', low: 1, high: 1000, usual: 10, unit: 'pieces' },
  cutExtra: { label: 'Cut to length at the merchant’s, dearer by', low: 0, high: 1000, usual: 60, unit: '%' },
  cartridge: { label: 'A cartridge of sealant', low: 0, high: 1000, usual: 9, unit: 'money' },
  resin: { label: 'Resin and hardener, a kilogram', low: 0, high: 1000, usual: 22, unit: 'money' },
  weld: { label: 'Gas and wire, a metre of 4 mm throat', low: 0, high: 1000, usual: RATES.perMetreWeld, unit: 'money' },
  coat: { label: 'Paint, a square metre of a coat', low: 0, high: 1000, usual: 4, unit: 'money' },
  markMinutes: { label: 'Marking out a part', low: 0, high: 600, usual: 8, unit: 'min' },
  cutMinutes: { label: 'A metre of cut edge in 6 mm', low: 0, high: 600, usual: RATES.minutesPerMetreCut, unit: 'min' },
  sawMinutes: { label: 'A cut with the saw', low: 0, high: 600, usual: 4, unit: 'min' },
  holeMinutes: { label: 'A hole: punch, clamp, deburr', low: 0, high: 600, usual: RATES.minutesPerHole, unit: 'min' },
  bendMinutes: { label: 'A bend', low: 0, high: 600, usual: 12, unit: 'min' },
  weldMinutes: { label: 'A metre of 4 mm throat', low: 0, high: 600, usual: RATES.minutesPerMetreWeld, unit: 'min' },
  boltMinutes: { label: 'A bolt set and tightened', low: 0, high: 600, usual: RATES.minutesPerBolt * 2, unit: 'min' },
  coatMinutes: { label: 'A square metre of a coat', low: 0, high: 600, usual: 25, unit: 'min' },
  measureMinutes: { label: 'Measuring one value', low: 0, high: 600, usual: 5, unit: 'min' },
} as const;
export type RateName = keyof typeof RATE_ROWS;
export const RATE_NAMES = Object.keys(RATE_ROWS) as RateName[];

const Rates = z.strictObject(
  Object.fromEntries(RATE_NAMES.map((k) => [k, figure(RATE_ROWS[k].label, RATE_ROWS[k].low, RATE_ROWS[k].high)])) as Record<
    RateName,
    z.ZodNumber
  >,
);

const name = z.string().trim().min(1, 'allowed: a name').max(80, 'allowed: up to 80 characters');
const piece = figure('Length', 1, 20_000);
/** The calibration square as it came out, both ways; mm. Further off it was printed to fit the page. */
const side = figure('Side of the calibration square', 49, 51);

export const Printer = z.strictObject({ name, across: side, up: side });
export type Printer = z.infer<typeof Printer>;

export const ShopSettings = z.strictObject({
  /** ISO 4217. */
  currency: z.string().regex(/^[A-Z]{3}$/, 'currency: allowed: three capitals, as EUR'),
  /** IANA. */
  zone: z.string().max(60).refine(isZone, 'time zone: allowed: as Europe/London'),
  /** Who signs: initials and the name behind them. */
  hands: z
    .array(z.strictObject({ initials: z.string().regex(/^[A-Z]{1,4}$/, 'initials: allowed: one to four capitals'), name }))
    .max(40, 'hands: allowed: up to 40 people')
    .refine((all) => new Set(all.map((h) => h.initials)).size === all.length, 'hands: allowed: initials of one person each'),
  people: z.number().int().gte(1, 'people: allowed 1 to 20').lte(20, 'people: allowed 1 to 20'),
  week: z.array(Hours).length(7, 'week: allowed: seven days, Monday first'),
  closed: z.array(z.iso.date('closed: allowed: days as 2026-03-04')).max(200, 'closed: allowed: up to 200 days'),
  rates: Rates,
  saw: z.strictObject({ kerf: figure('Width of the saw’s cut', 0, 20), endWaste: figure('Cut off each end first', 0, 500) }),
  sheetCut: z.strictObject({
    kerf: figure('Between parts', 0, 20),
    margin: figure('Along the sheet’s edges', 0, 100),
    along: z.boolean(),
  }),
  printers: z.array(Printer).max(20, 'printers: allowed: up to 20'),
  /** Left over on the rack, by the stock’s words. */
  offcuts: z
    .array(z.strictObject({ stock: name, length: piece, width: piece.optional(), count: z.number().int().gte(1).lte(200) }))
    .max(500, 'offcuts: allowed: up to 500'),
});
export type ShopSettings = z.infer<typeof ShopSettings>;

function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

const WORKDAY = { from: '08:00', to: '16:30' };
export const USUAL_SHOP: ShopSettings = {
  currency: 'EUR',
  zone: 'Europe/London',
  hands: [],
  people: 2,
  week: [WORKDAY, WORKDAY, WORKDAY, WORKDAY, WORKDAY, null, null],
  closed: [],
  rates: Object.fromEntries(RATE_NAMES.map((k) => [k, RATE_ROWS[k].usual])) as ShopSettings['rates'],
  saw: USUAL_SAW,
  sheetCut: { ...USUAL_SHEET_CUT, along: false },
  printers: [],
  offcuts: [],
};
