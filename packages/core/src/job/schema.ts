import { z } from 'zod';
import { FAMILIES } from '../loads/registry';
import { Combination, id, Load, name } from '../loads/schema';
import { Provenance, quantity, rangedNumber as number } from '../units/quantity';
import { PACK_IDS } from '../stock/packs';
import { OwnStock } from './own-stock';
import { Fold, Joint, Limits, Lug, Welds } from './joint';
import { RANGES } from './ranges';
import { SpreadRules } from './spread-rules';
import { Survey } from './survey';

export type { Family } from '../loads/registry';
export type { Load } from '../loads/schema';
export { FAMILIES, Combination };
export { Provenance, type Quantity } from '../units/quantity';

/**
 * The job document: plain data, the whole of a job. Inside units (mm, N, N·mm, rad, MPa), with the text as typed.
 * The schema here is the one definition; types, the JSON Schema in docs/ and every edge come from it.
 */
export const FORMAT = 'mast-shoe/job';
export const VERSION = 3;
export const MAX_BOLTS = 60;

const Place = z.strictObject({ id, x: number(RANGES.position), y: number(RANGES.position) });

/** What a sandwich's core is made of. */
export const CORES = ['PVC foam', 'PVC foam, dense', 'SAN foam', 'PET foam', 'balsa', 'plywood', 'honeycomb', 'unknown'] as const;

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
  z.strictObject({
    kind: z.literal('sandwich'),
    nearFace: quantity(RANGES.nearFace),
    farFace: quantity(RANGES.farFace),
    glass: quantity(RANGES.glass),
    core: z.enum(CORES),
    coreCrush: quantity(RANGES.coreCrush),
    coreShear: quantity(RANGES.coreShear),
    coreModulus: quantity(RANGES.coreModulus),
    ...skinCommon,
  }),
  z.strictObject({
    kind: z.literal('timber'),
    grade: z.string().max(40),
    grain: z.enum(['x', 'y']),
    endGrain: quantity(RANGES.endGrain),
    ...skinCommon,
  }),
  z.strictObject({
    kind: z.literal('hollow'),
    metal: z.string().max(40),
    wall: quantity(RANGES.wall),
    width: quantity(RANGES.sectionWidth),
    through: z.enum(['one wall', 'both walls']),
    ...skinCommon,
  }),
  z.strictObject({ kind: z.literal('bed'), strength: quantity(RANGES.bedStrength), ...skinCommon }),
]);
export type Skin = z.infer<typeof Skin>;

/** Loose plates on each other. */
const plates = z.number().int().gte(1, 'allowed: 1 to 4').lte(4, 'allowed: 1 to 4');

export const Far = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('washer') }),
  z.strictObject({ kind: z.literal('large washer') }),
  z.strictObject({
    kind: z.literal('plate'),
    metal: z.string().max(40),
    thickness: quantity(RANGES.backingThickness),
    /** Loose plates of that thickness on each other; one where left out. */
    layers: plates.optional(),
    /** How far it reaches past the mounting plate on every side, mm; as large as that where left out. */
    past: number(RANGES.past).optional(),
  }),
  /** A square of plate under each nut; counted as a round one of its side (safe). */
  z.strictObject({
    kind: z.literal('plate washer'),
    metal: z.string().max(40),
    thickness: quantity(RANGES.backingThickness),
    outside: quantity(RANGES.plateWasher),
  }),
  /** Loose strips under the rows of nuts, side by side, along one way. */
  z.strictObject({
    kind: z.literal('strips'),
    metal: z.string().max(40),
    thickness: quantity(RANGES.backingThickness),
    width: quantity(RANGES.plateWasher),
    along: z.enum(['x', 'y']),
  }),
]);
export type Far = z.infer<typeof Far>;

const factor = (low: number, high: number) =>
  z.number().gte(low, `allowed: ${low} to ${high}`).lte(high, `allowed: ${low} to ${high}`);

export const Practice = z.strictObject({
  /** (a) working load × safety factor, (b) limit states, (c) ultimate: a crash taken as the last load. */
  school: z.enum(['working', 'limit', 'ultimate']),
  onYield: factor(1, 10),
  onBreak: factor(1, 20),
  /** On loads that last and on loads that come and go, limit states. */
  gammaG: factor(0.5, 3),
  gammaQ: factor(0.5, 3),
  /** On what lasts where it helps, limit states; 0.9 where left out. */
  gammaGInf: factor(0, 1.5).optional(),
  gammaM0: factor(1, 2),
  gammaM2: factor(1, 2),
  /** Rules for bearing, tear-out, prying and edge distance. */
  rules: z.enum(['EN', 'AISC']),
});
export type Practice = z.infer<typeof Practice>;

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
  combinations: z.array(Combination).max(12, 'allowed: up to 12 combinations'),
  base: z.strictObject({
    length: quantity(RANGES.baseLength),
    width: quantity(RANGES.baseWidth),
    thickness: quantity(RANGES.baseThickness),
    hole: quantity(RANGES.baseHole),
    slot: quantity(RANGES.baseSlot),
    slotAlong: z.enum(['x', 'y']),
    /** Of the stock list; taken as S235, and said to be assumed, where left out. */
    metal: z.string().max(40).optional(),
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
    /** Loose plates of this thickness on each other. */
    layers: plates,
    fold: Fold.optional(),
  }),
  bolts: z.strictObject({
    size: z.string().max(20),
    class: z.string().max(20),
    nut: z.string().max(20),
    fit: z.enum(['fine', 'medium', 'coarse']),
    items: z.array(Place).max(MAX_BOLTS, `allowed: up to ${MAX_BOLTS} bolts`),
  }),
  far: Far,
  joint: Joint,
  welds: Welds,
  lug: Lug.optional(),
  limits: Limits,
  /** Rule packs the job is held to. */
  packs: z.array(z.enum(PACK_IDS)).max(PACK_IDS.length, 'allowed: each pack once'),
  /** Rows of the shop's own stock that this job uses, so that its file is whole by itself. */
  ownStock: OwnStock,
  survey: Survey,
  /** As `USUAL_SPREAD` where left out. */
  spread: SpreadRules.optional(),
});
export type Job = z.infer<typeof Job>;

export type Bolt = Job['bolts']['items'][number];
