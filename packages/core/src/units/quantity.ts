import * as z from 'zod';
import { disagreement } from './agreement';
import type { FieldRange } from './field-range';
import type { Dimension } from './unit-table';

/** Where a value came from. `assumed` stays marked everywhere until someone measures it. */
export const Provenance = z.enum(['assumed', 'measured', 'sheet']);
export type Provenance = z.infer<typeof Provenance>;

/** Most readings of one value kept. */
export const MAX_READINGS = 9;

export const rangedNumber = (r: FieldRange) => {
  const n = z.number({ error: `must be a number, allowed: ${r.allowed}` });
  const message = `${r.label}: allowed ${r.allowed}`;
  const low = r.above !== undefined ? n.gt(r.above, message) : n.gte(r.min!, message);
  const high = low.lte(r.max, message);
  return (r.dimension === 'count' ? high.int(message) : high).describe(inWords(r));
};

/** "Plate thickness, mm; over 0 up to 100 mm": what a field is, for whoever reads the schema. */
const inWords = (r: FieldRange): string => `${r.label}${INSIDE[r.dimension]}; ${r.allowed}`;
/** Units of the document. */
const INSIDE: Readonly<Record<Dimension, string>> = {
  length: ', mm',
  force: ', N',
  moment: ', N·mm',
  stress: ', MPa',
  mass: ', kg',
  angle: ', rad',
  speed: ', m/s',
  area: ', mm²',
  ratio: '',
  count: '',
};

/**
 * A value with its text as typed and where it came from: when, with what, and every reading taken.
 * `v` is in inside units; where there are several readings it is their median.
 */
export const quantity = (r: FieldRange) =>
  z
    .strictObject({
      v: rangedNumber(r),
      text: z.string().max(60).describe('as it was typed, with its unit'),
      from: Provenance.describe('where it came from: assumed stays marked until measured'),
      at: z.iso.datetime().optional().describe('when it was measured'),
      with: z.string().max(60).optional().describe('what it was measured with'),
      readings: z
        .array(rangedNumber(r))
        .max(MAX_READINGS, `allowed: up to ${MAX_READINGS} readings`)
        .optional()
        .describe('every reading taken; v is their median'),
    })
    .superRefine((q, context) => {
      // A value out of range is said as that alone.
      const no = rangedNumber(r).safeParse(q.v).success ? disagreement(q, r) : undefined;
      if (no)
        context.addIssue({
          code: 'custom',
          path: [no.part],
          message: `${r.label}: ${no.because}; allowed: text, readings and v that agree`,
        });
    })
    .describe(inWords(r));

export type Quantity = z.infer<ReturnType<typeof quantity>>;

/** A value nobody has measured yet. */
export const assumed = (v: number, text: string): Quantity => ({ v, text, from: 'assumed' });
/** A value from a drawing, a maker's sheet or the stock list. */
export const fromSheet = (v: number, text: string): Quantity => ({ v, text, from: 'sheet' });

/** A part of the document with the number alone in place of each quantity: what checks and the solver compute with. */
export type Plain<T> = T extends Quantity
  ? number
  : T extends readonly (infer U)[]
    ? readonly Plain<U>[]
    : T extends object
      ? { readonly [K in keyof T]: Plain<T[K]> }
      : T;

const isQuantity = (x: object): x is Quantity => 'v' in x && 'from' in x;

export function plain<T>(x: T): Plain<T> {
  if (Array.isArray(x)) return x.map(plain) as Plain<T>;
  if (typeof x !== 'object' || x === null) return x as Plain<T>;
  if (isQuantity(x)) return x.v as Plain<T>;
  return Object.fromEntries(Object.entries(x).map(([k, v]) => [k, plain(v)])) as Plain<T>;
}
