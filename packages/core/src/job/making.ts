import * as z from 'zod';
import { CURE_STEPS, PRODUCT_USES, USUAL_PRODUCTS, type Product, type ProductUse } from '../stock/products';

/** A plain figure of the shop floor: no unit to mix up, so no text beside it. */
const figure = (name: string, low: number, high: number, unit = '') => {
  const words = `${name}: allowed ${String(low).replace('-', '−')} to ${high}${unit ? ` ${unit}` : ''}`;
  return z.number({ error: words }).gte(low, words).lte(high, words).describe(words.replace(': allowed', ','));
};
const more = (name: string, high: number, unit = '') => {
  const words = `${name}: allowed over 0 up to ${high}${unit ? ` ${unit}` : ''}`;
  return z.number({ error: words }).gt(0, words).lte(high, words).describe(words.replace(': allowed', ','));
};

const MOST_MONEY = 1e7;

const celsius = (name: string) => figure(name, -40, 60, '°C');
const day = z.iso.date('a day: allowed: as 2026-03-04');
export const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;
const clock = z.string().regex(CLOCK, 'a time of day: allowed 00:00 to 23:59');

/** What the maker's sheet says of a product. */
export const ProductSheet = z
  .strictObject({
    name: z.string().trim().min(1, 'allowed: a name').max(80, 'allowed: up to 80 characters'),
    mix: z
      .strictObject({
        resin: more('Parts of resin', 1000),
        hardener: more('Parts of hardener', 1000),
        by: z.enum(['weight', 'volume']),
        resinDensity: figure('Density of resin', 0.2, 4, 'g/cm³'),
        hardenerDensity: figure('Density of hardener', 0.2, 4, 'g/cm³'),
      })
      .optional(),
    cartridge: more('Cartridge', 5000, 'ml').optional(),
    potLife: z.strictObject({ at: celsius('Pot life at'), minutes: more('Pot life', 10_000, 'min') }),
    from: celsius('Lowest temperature of use'),
    to: celsius('Highest temperature of use'),
    cure: z
      .array(
        z.strictObject({
          step: z.enum(CURE_STEPS),
          points: z
            .array(z.strictObject({ at: celsius('Temperature'), hours: more('Hours', 2000, 'h') }))
            .min(1, 'allowed: one or two temperatures')
            .max(2, 'allowed: one or two temperatures'),
        }),
      )
      .max(CURE_STEPS.length, 'allowed: each step once'),
  })
  .superRefine((p, context) => {
    if (p.from >= p.to) context.addIssue({ code: 'custom', path: ['from'], message: 'allowed: under the highest temperature' });
    p.cure.forEach(({ points: [a, b] }, i) => {
      if (a && b && a.at === b.at)
        context.addIssue({ code: 'custom', path: ['cure', i, 'points', 1, 'at'], message: 'allowed: another temperature' });
    });
  });

/** A piece that was put elsewhere on its sheet by hand: the nth of its mark there, its near corner from the far left one, mm. */
export const LaidByHand = z.strictObject({
  stock: z.string().max(120),
  sheet: z.number().int().gte(0, 'allowed: 0 to 199').lte(199, 'allowed: 0 to 199'),
  piece: z.string().max(20),
  nth: z.number().int().gte(0, 'allowed: 0 to 999').lte(999, 'allowed: 0 to 999'),
  x: figure('x', 0, 20_000, 'mm'),
  y: figure('y', 0, 20_000, 'mm'),
  turned: z.boolean(),
});
export type LaidByHand = z.infer<typeof LaidByHand>;

/** What is said of how, when and for how much a job is made; everything may be left out. */
export const Making = z.strictObject({
  /** Products by what they do; the usual one of its kind, and assumed, where left out. */
  products: z.partialRecord(z.enum(PRODUCT_USES), ProductSheet).optional(),
  /** A piece made first to try on. */
  trial: z.enum(['none', 'card', 'thin stock']).optional(),
  /** First day of work; today where left out. */
  start: day.optional(),
  /** Where it is fitted: out of doors only by daylight. */
  outdoors: z.boolean().optional(),
  daylight: z.strictObject({ from: clock, to: clock }).optional(),
  /** °C where nothing else is said of a day, and of single days. */
  temperature: celsius('Temperature').optional(),
  days: z.partialRecord(day, celsius('Temperature')).optional(),
  /** Operations put off to a day, by their name in the route. */
  notBefore: z.record(z.string().max(60), day).optional(),
  /** A machine that is hired by the hour for one operation. */
  hired: z
    .strictObject({
      what: z.string().trim().min(1, 'allowed: what is hired').max(60, 'allowed: up to 60 characters'),
      for: z.string().max(60),
      perHour: figure('Hire by the hour', 0, MOST_MONEY),
      leastHours: figure('Least hours', 0, 200, 'h'),
    })
    .optional(),
  /** Slings of the lift: hook over the centre of mass, and what the piece weighs. */
  lift: z
    .strictObject({
      mass: more('Mass lifted', 100_000, 'kg'),
      /** Centre of mass in the fitting's datum, mm. */
      x: figure('Centre of mass, x', -50_000, 50_000, 'mm'),
      y: figure('Centre of mass, y', -50_000, 50_000, 'mm'),
      z: figure('Centre of mass, z', -50_000, 50_000, 'mm'),
      hook: more('Hook above the centre of mass', 50_000, 'mm'),
      /** Where slings take hold; at the feet where left out. */
      points: z
        .array(
          z.strictObject({
            x: figure('x', -50_000, 50_000, 'mm'),
            y: figure('y', -50_000, 50_000, 'mm'),
            z: figure('z', -50_000, 50_000, 'mm'),
          }),
        )
        .min(1, 'allowed: 1 to 4 points')
        .max(4, 'allowed: 1 to 4 points')
        .optional(),
    })
    .optional(),
  /** Pieces put elsewhere on their sheets by hand. */
  laid: z.array(LaidByHand).max(200, 'allowed: up to 200 pieces').optional(),
  /** To set the shop’s own price beside. */
  boughtIn: figure('Bought-in price', 0, MOST_MONEY).optional(),
  budget: figure('Budget', 0, MOST_MONEY).optional(),
});
export type Making = z.infer<typeof Making>;

/** °C where nobody says. */
export const USUAL_TEMPERATURE = 18;

/** The product a job uses for something, and whether that is only the usual one. */
export function productFor(
  making: Making | undefined,
  use: ProductUse,
): { readonly product: Product; readonly assumed: boolean } {
  const own = making?.products?.[use];
  // Zod gives optional keys as possibly undefined; what is kept never has them so.
  return own ? { product: own as Product, assumed: false } : { product: USUAL_PRODUCTS[use], assumed: true };
}
