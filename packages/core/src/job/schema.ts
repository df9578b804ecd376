import { z } from 'zod';
import { RANGES, type FieldRange } from './ranges';

/**
 * The job document: plain data, the whole of a job. Inside units (mm, N, N·mm, rad, MPa), with the text as typed.
 * The schema here is the one definition; types, the JSON Schema in docs/ and every edge come from it.
 */
export const FORMAT = 'mast-shoe/job';
export const VERSION = 1;
export const MAX_BOLTS = 60;

/** Where a value came from. `assumed` stays marked everywhere until someone measures it. */
export const Provenance = z.enum(['assumed', 'measured', 'sheet']);
export type Provenance = z.infer<typeof Provenance>;

const number = (r: FieldRange) => {
  const n = z.number({ error: `must be a number, allowed: ${r.allowed}` });
  const low =
    r.above !== undefined ? n.gt(r.above, `${r.label}: allowed ${r.allowed}`) : n.gte(r.min!, `${r.label}: allowed ${r.allowed}`);
  return low.lte(r.max, `${r.label}: allowed ${r.allowed}`);
};

const quantity = (r: FieldRange) =>
  z.strictObject({ v: number(r), text: z.string().max(60), from: Provenance, at: z.iso.datetime().optional() });

export type Quantity = z.infer<ReturnType<typeof quantity>>;

const id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'allowed: 1 to 40 letters, digits, - or _');
const name = z.string().trim().min(1, 'allowed: 1 to 80 characters').max(80, 'allowed: 1 to 80 characters');

const Place = z.strictObject({ id, x: number(RANGES.position), y: number(RANGES.position) });

export const WinchLoad = z.strictObject({
  kind: z.literal('winch'),
  id,
  name,
  pull: quantity(RANGES.pull),
  drumHeight: quantity(RANGES.drumHeight),
  sideAngle: quantity(RANGES.sideAngle),
  upAngle: quantity(RANGES.upAngle),
  fan: z.int('allowed: 1 to 15 whole').min(1, 'allowed: 1 to 15').max(15, 'allowed: 1 to 15'),
});

export const FreeLoad = z.strictObject({
  kind: z.literal('free'),
  id,
  name,
  fx: quantity(RANGES.force),
  fy: quantity(RANGES.force),
  fz: quantity(RANGES.force),
  mx: quantity(RANGES.moment),
  my: quantity(RANGES.moment),
  mz: quantity(RANGES.moment),
  x: quantity(RANGES.point),
  y: quantity(RANGES.point),
  z: quantity(RANGES.point),
});

export const Load = z.discriminatedUnion('kind', [WinchLoad, FreeLoad]);
export type WinchLoad = z.infer<typeof WinchLoad>;
export type FreeLoad = z.infer<typeof FreeLoad>;
export type Load = z.infer<typeof Load>;

const skinCommon = {
  thickness: quantity(RANGES.skinThickness),
  spanX: quantity(RANGES.spanX),
  spanY: quantity(RANGES.spanY),
  aft: quantity(RANGES.aft),
  starboard: quantity(RANGES.starboard),
  bedModulus: quantity(RANGES.bedModulus),
};

export const Skin = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('sheet'), metal: z.string().max(40), ...skinCommon }),
  z.strictObject({ kind: z.literal('laminate'), glass: quantity(RANGES.glass), ...skinCommon }),
  z.strictObject({ kind: z.literal('plywood'), grade: z.string().max(40), ...skinCommon }),
]);
export type Skin = z.infer<typeof Skin>;

export const Far = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('washer') }),
  z.strictObject({ kind: z.literal('large washer') }),
  z.strictObject({ kind: z.literal('plate'), metal: z.string().max(40), thickness: quantity(RANGES.backingThickness) }),
]);
export type Far = z.infer<typeof Far>;

const factor = (low: number, high: number) =>
  z.number().gte(low, `allowed: ${low} to ${high}`).lte(high, `allowed: ${low} to ${high}`);

export const Practice = z.strictObject({
  /** (a) working load × safety factor, (b) limit states. */
  school: z.enum(['working', 'limit']),
  onYield: factor(1, 10),
  onBreak: factor(1, 20),
  gammaF: factor(1, 3),
  gammaM0: factor(1, 2),
  gammaM2: factor(1, 2),
  /** Rules for bearing, tear-out, prying and edge distance. */
  rules: z.enum(['EN', 'AISC']),
});
export type Practice = z.infer<typeof Practice>;

export const FAMILIES = ['winch', 'seat', 'mast', 'towing', 'suspension', 'lifting', 'ladder', 'general'] as const;
export type Family = (typeof FAMILIES)[number];

export const Job = z.strictObject({
  format: z.literal(FORMAT, `is not "${FORMAT}"`),
  version: z.literal(VERSION, `unknown format version; allowed: ${VERSION}`),
  id,
  name,
  family: z.enum(FAMILIES),
  note: z.string().max(2000, 'allowed: up to 2000 characters'),
  units: z.enum(['mm', 'inch']),
  practice: Practice,
  loads: z.array(Load).max(20, 'allowed: up to 20 loads'),
  base: z.strictObject({
    length: quantity(RANGES.baseLength),
    width: quantity(RANGES.baseWidth),
    thickness: quantity(RANGES.baseThickness),
    hole: quantity(RANGES.baseHole),
    slot: quantity(RANGES.baseSlot),
    holes: z.array(Place).max(MAX_BOLTS, `allowed: up to ${MAX_BOLTS} holes`),
    holesFrom: Provenance,
  }),
  skin: Skin,
  plate: z.strictObject({
    x0: number(RANGES.position),
    x1: number(RANGES.position),
    y0: number(RANGES.position),
    y1: number(RANGES.position),
    corner: number(RANGES.corner),
    metal: z.string().max(40),
    thickness: quantity(RANGES.plateThickness),
  }),
  bolts: z.strictObject({
    size: z.string().max(20),
    class: z.string().max(20),
    fit: z.enum(['fine', 'medium', 'coarse']),
    items: z.array(Place).max(MAX_BOLTS, `allowed: up to ${MAX_BOLTS} bolts`),
  }),
  far: Far,
});
export type Job = z.infer<typeof Job>;

export type Bolt = Job['bolts']['items'][number];
