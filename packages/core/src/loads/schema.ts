import * as z from 'zod';
import { quantity, type Quantity } from '../units/quantity';
import type { Builder } from './builder';
import { DURATIONS, type Duration } from '../stock/load-duration';
import { BUILDERS } from './registry';
import { PART_KINDS, PART_RANGES, type Part } from './take-off';

export const id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'allowed: 1 to 40 letters, digits, - or _');
export const name = z.string().trim().min(1, 'allowed: 1 to 80 characters').max(80, 'allowed: 1 to 80 characters');

export const MAX_PARTS = 60;

/** A load as a job keeps it: what the builder of its kind asked for. */
export interface Load {
  readonly kind: string;
  readonly id: string;
  readonly name: string;
  readonly values: Readonly<Record<string, Quantity>>;
  readonly factors: Readonly<Record<string, number>>;
  readonly picks: Readonly<Record<string, string>>;
  /** Port and starboard swapped in all its cases. */
  readonly mirrored: boolean;
  /** Judged by itself, not only in combinations. */
  readonly alone: boolean;
  /** How long it lasts, where somebody says; as its action usually does where left out. Wood, plastics and glue ask. */
  readonly duration?: Duration | undefined;
  /** Weight take-off; where there are lines their total and centroid stand in for the builder's own fields. */
  readonly parts: readonly Part[];
}

const Part = z.strictObject({
  id,
  name,
  kind: z.enum(PART_KINDS),
  mass: quantity(PART_RANGES.mass),
  x: quantity(PART_RANGES.x),
  y: quantity(PART_RANGES.y),
  z: quantity(PART_RANGES.z),
}) satisfies z.ZodType<Part>;

const mapped = <A, B>(of: Readonly<Record<string, A>>, f: (a: A) => B): Record<string, B> =>
  Object.fromEntries(Object.entries(of).map(([k, a]) => [k, f(a)]));

const schemaOf = (b: Builder) =>
  z.strictObject({
    kind: z.literal(b.kind),
    id,
    name,
    values: z.strictObject(mapped(b.fields, (f) => quantity(f.range))),
    factors: z.strictObject(
      mapped(b.factors, (f) => {
        const message = `${f.label}: allowed ${f.low} to ${f.high}`;
        return z.number({ error: message }).gte(f.low, message).lte(f.high, message);
      }),
    ),
    picks: z.strictObject(
      mapped(b.picks, (p) => {
        const picked = z.enum(p.options.map((o) => o.value));
        return p.before ? picked.default(p.before) : picked;
      }),
    ),
    mirrored: z.boolean(),
    alone: z.boolean(),
    duration: z.enum(DURATIONS).optional(),
    parts: z.array(Part).max(MAX_PARTS, `allowed: up to ${MAX_PARTS} lines`),
  });

const [first, ...rest] = BUILDERS.map(schemaOf);
export const Load: z.ZodType<Load> = z.discriminatedUnion('kind', [first!, ...rest]) as unknown as z.ZodType<Load>;

/** Loads acting together. `factor` null: the job's own, by how the load counts. */
export const Combination = z.strictObject({
  id,
  name,
  parts: z
    .array(
      z.strictObject({
        load: id,
        factor: z.number().gte(-3, 'allowed: −3 to 3').lte(3, 'allowed: −3 to 3').nullable(),
      }),
    )
    .max(8, 'allowed: up to 8 loads together'),
});
export type Combination = z.infer<typeof Combination>;
