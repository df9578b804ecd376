import * as z from 'zod';

/** A row the shop wrote itself, with where its values come from. */
const between = (low: number, high: number, unit: string) =>
  z
    .number({ error: `must be a number, allowed: ${low} to ${high} ${unit}` })
    .gte(low, `allowed: ${low} to ${high} ${unit}`)
    .lte(high, `allowed: ${low} to ${high} ${unit}`);

export const OwnMetal = z.strictObject({
  /** Starts with "own-", so that no built-in row can ever take its place. */
  id: z.string().regex(/^own-[a-z0-9-]{1,36}$/, 'allowed: own- and up to 36 small letters, digits or -'),
  name: z.string().trim().min(1, 'allowed: 1 to 60 characters').max(60, 'allowed: 1 to 60 characters'),
  group: z.enum(['steel', 'stainless', 'aluminium', 'titanium', 'bronze', 'laminate']),
  fy: between(10, 2000, 'MPa'),
  fu: between(10, 2500, 'MPa'),
  E: between(1000, 400_000, 'MPa'),
  density: between(500, 12_000, 'kg/m³'),
  /** Where the values come from: a mill sheet, a test, a handbook. */
  source: z
    .string()
    .trim()
    .min(1, 'allowed: 1 to 120 characters, where the values come from')
    .max(120, 'allowed: up to 120 characters'),
});
export type OwnMetal = z.infer<typeof OwnMetal>;

export const OwnStock = z.strictObject({
  metals: z.array(OwnMetal).max(40, 'allowed: up to 40 metals'),
});
export type OwnStock = z.infer<typeof OwnStock>;

/** A built-in row and the shop's own never share an id. */
export const ownId = (name: string): string =>
  `own-${
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 30) || 'metal'
  }`;
