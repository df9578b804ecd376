import * as z from 'zod';
import { id, name } from '../loads/schema';
import { MAX_READINGS, Provenance, quantity, rangedNumber as number } from '../units/quantity';
import { RANGES } from './ranges';
import { ZoneSkin } from './skin';

/** What was found on the job: patterns, as-built dimensions, shims, and what is under the plate. */
export const SIDES = ['left', 'right'] as const;
export type Side = (typeof SIDES)[number];

const place = { x: number(RANGES.position), y: number(RANGES.position) };

/** The way a slot runs. */
export type Along = 'x' | 'y';

/** How a reading was taken: over the outsides of two holes, between their insides, or centre to centre. */
export const OVER = ['centres', 'inside', 'outside'] as const;

/** One caliper or tape reading between two holes, or from the datum (empty `from`): along x, along y or straight across. */
export const Reading = z.strictObject({
  id,
  from: z.union([id, z.literal('')]),
  to: id,
  way: z.enum(['x', 'y', 'direct']),
  over: z.enum(OVER),
  reading: quantity(RANGES.reading),
});
export type Reading = z.infer<typeof Reading>;

/** When a coordinate was read, with what, and every reading of it; mm. */
export const Taken = z.strictObject({
  at: z.iso.datetime(),
  with: z.string().max(60).optional(),
  readings: z.array(number(RANGES.position)).max(MAX_READINGS, `allowed: up to ${MAX_READINGS} readings`).optional(),
});
export type Taken = z.infer<typeof Taken>;

/** One measured hole pattern: the fitting's or the structure's, on one side. Slots run along x or y. */
export const Pattern = z.strictObject({
  id,
  of: z.enum(['fitting', 'structure']),
  side: z.enum(SIDES),
  hole: quantity(RANGES.surveyHole),
  slot: quantity(RANGES.surveySlot),
  along: z.enum(['x', 'y']),
  holes: z
    .array(
      z.strictObject({
        id,
        ...place,
        taken: z.strictObject({ x: Taken.optional(), y: Taken.optional() }).optional(),
      }),
    )
    .max(60, 'allowed: up to 60 holes'),
  from: Provenance,
  readings: z.array(Reading).max(200, 'allowed: up to 200 readings'),
});
export type Pattern = z.infer<typeof Pattern>;

const measured = quantity(RANGES.critical).optional();

/** A critical dimension of the as-built log. */
export const Critical = z.strictObject({
  id,
  name,
  nominal: quantity(RANGES.critical),
  tolerance: quantity(RANGES.tolerance),
  left: measured,
  right: measured,
  fore: measured,
  aft: measured,
});
export type Critical = z.infer<typeof Critical>;

/** Gap under a level straightedge (or shim height to level) at a point of the plan. */
export const Shim = z.strictObject({ id, ...place, gap: quantity(RANGES.gap) });
export type Shim = z.infer<typeof Shim>;

export const HIDDEN = ['cable', 'pipe', 'tank', 'cavity of unknown depth', 'crack', 'old repair', 'other'] as const;
export const CROSSINGS = ['sleeve', 'plug', 'hatch'] as const;
/** Something under or behind the skin that the drill must not meet. */
export const Hidden = z.strictObject({
  id,
  what: z.enum(HIDDEN),
  note: z.string().max(200, 'allowed: up to 200 characters'),
  x0: number(RANGES.position),
  x1: number(RANGES.position),
  y0: number(RANGES.position),
  y1: number(RANGES.position),
  clear: quantity(RANGES.clearance),
  /** How bolts get across a cavity all the same: each in a sleeve or a solid plug, or after a hatch was cut and it was looked into. */
  crossed: z.enum(CROSSINGS).optional(),
});
export type Hidden = z.infer<typeof Hidden>;

/** A part of the panel whose skin is another: its corners in plate axes. */
export const Zone = z.strictObject({
  id,
  note: z.string().max(80, 'allowed: up to 80 characters'),
  x0: number(RANGES.position),
  x1: number(RANGES.position),
  y0: number(RANGES.position),
  y1: number(RANGES.position),
  skin: ZoneSkin,
});
export type Zone = z.infer<typeof Zone>;

export const ACCESS = ['unknown', 'head room', 'socket', 'spanner', 'hand only', 'none'] as const;
export const CONNECTIONS = ['unknown', 'welded', 'bolted', 'riveted', 'bonded', 'screwed'] as const;

export const Survey = z.strictObject({
  /** One plate, or a left and right pair. */
  sides: z.enum(['one', 'pair']),
  patterns: z.array(Pattern).max(4, 'allowed: fitting and structure, left and right'),
  log: z.array(Critical).max(60, 'allowed: up to 60 dimensions'),
  diagonals: z.strictObject({ rising: quantity(RANGES.diagonal).optional(), falling: quantity(RANGES.diagonal).optional() }),
  shims: z.array(Shim).max(60, 'allowed: up to 60 points'),
  hidden: z.array(Hidden).max(30, 'allowed: up to 30'),
  zones: z.array(Zone).max(8, 'allowed: up to 8 zones').optional(),
  existing: z
    .array(z.strictObject({ id, ...place, d: quantity(RANGES.existingHole), use: z.enum(['re-use', 'fill', 'stay clear']) }))
    .max(60, 'allowed: up to 60 holes'),
  access: z.strictObject({ near: z.enum(ACCESS), far: z.enum(ACCESS) }),
  bearers: z
    .array(
      z.strictObject({
        id,
        edge: z.enum(['fore', 'aft', 'port', 'starboard']),
        section: z.string().max(60, 'allowed: up to 60 characters'),
        connection: z.enum(CONNECTIONS),
      }),
    )
    .max(4, 'allowed: one at each side'),
});
export type Survey = z.infer<typeof Survey>;

/** Nothing looked at yet. */
export const emptySurvey = (): Survey => ({
  sides: 'one',
  patterns: [],
  log: [],
  diagonals: {},
  shims: [],
  hidden: [],
  existing: [],
  access: { near: 'unknown', far: 'unknown' },
  bearers: [],
});
