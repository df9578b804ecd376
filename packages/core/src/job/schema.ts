import * as z from 'zod';
import { FAMILIES } from '../loads/registry';
import { Combination, id, Load, name } from '../loads/schema';
import { Provenance, quantity, rangedNumber as number } from '../units/quantity';
import { PACK_IDS } from '../stock/packs';
import type { Stands } from '../standing/stands';
import { OwnStock } from './own-stock';
import { DrawnOutline } from './drawn-outline';
import { FreePart } from './free-part';
import { FastenerKind, Fold, Joint, Limits, Lug, OwnHoles, Welds } from './joint';
import { MadeHole } from './made-hole';
import { Making } from './making';
import { RANGES } from './ranges';
import { Rated } from './rated';
import { Skin } from './skin';
import { SpreadRules } from './spread-rules';
import { Survey } from './survey';

export type { Family } from '../loads/registry';
export type { Load } from '../loads/schema';
export { CORES, Skin } from './skin';
export { FAMILIES, Combination };
export { Provenance, type Quantity } from '../units/quantity';

/**
 * The parts of a job document: plain data in inside units (mm, N, N·mm, rad, MPa), with the text as typed. The schema here and in
 * `whole-job` is the one definition; types, the JSON Schema in docs/ and every edge come from it.
 */
export const FORMAT = 'mast-shoe/job';
export const VERSION = 4;
export const MAX_BOLTS = 60;
const MAX_PARTS_MADE = 40;

const Place = z.strictObject({ id, x: number(RANGES.position), y: number(RANGES.position) });

/** A bolt of the layout: where it stands, of which kind, and what is packed under it where that is not the joint's own. */
const PlacedBolt = Place.extend({
  kind: id.optional(),
  /** Packer or spacer under the plate at this bolt. */
  packed: quantity(RANGES.boltPacked).optional(),
  /** Its own holes, where they are not the clearance hole of its fit. */
  holes: OwnHoles.optional(),
});

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

/** What is said of the fitting as a whole, wherever it stands. */
export const OF_FITTING = {
  id,
  name,
  family: z.enum(FAMILIES),
  note: z.string().max(2000, 'allowed: up to 2000 characters'),
  /** Whose job it is, and the vessel or vehicle it goes on, in the shop's words. */
  customer: z.string().max(80, 'allowed: up to 80 characters').optional(),
  aboard: z.string().max(80, 'allowed: up to 80 characters').optional(),
  units: z.enum(['mm', 'inch']),
  practice: Practice,
  loads: z.array(Load).max(20, 'allowed: up to 20 loads'),
  combinations: z.array(Combination).max(12, 'allowed: up to 12 combinations'),
  limits: Limits,
  /** Rule packs the job is held to. */
  packs: z.array(z.enum(PACK_IDS)).max(PACK_IDS.length, 'allowed: each pack once'),
  /** Rows of the shop's own stock that this job uses, so that its file is whole by itself. */
  ownStock: OwnStock,
  /** How, when and for how much it is made. */
  making: Making.optional(),
};

/** How a foot is made: feet may be made alike. */
export const DESIGN = {
  base: z.strictObject({
    length: quantity(RANGES.baseLength),
    width: quantity(RANGES.baseWidth),
    thickness: quantity(RANGES.baseThickness),
    hole: quantity(RANGES.baseHole),
    slot: quantity(RANGES.baseSlot),
    slotAlong: z.enum(['x', 'y']),
    /** Of the stock list; taken as S235, and said to be assumed, where left out. */
    metal: z.string().max(40).optional(),
    /** Why a base much longer than wide is stiff all the same, and over which length of it its load comes in. */
    stiff: z.string().max(160, 'allowed: up to 160 characters').optional(),
    entry: quantity(RANGES.baseEntry).optional(),
    /** `d`: its own diameter, where that is not the common one. */
    holes: z.array(Place.extend({ d: quantity(RANGES.baseHole).optional() })).max(MAX_BOLTS, `allowed: up to ${MAX_BOLTS} holes`),
    holesFrom: Provenance,
  }),
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
    /** Its outline where it is no rectangle; x0 to y1 are then what it reaches to. */
    outline: DrawnOutline.optional(),
    /** Its holes besides those of bolts and base: for locating, access, drain and the like. */
    holes: z.array(MadeHole).max(MAX_BOLTS, `allowed: up to ${MAX_BOLTS} holes`).optional(),
  }),
  bolts: z.strictObject({
    size: z.string().max(20),
    class: z.string().max(20),
    nut: z.string().max(20),
    fit: z.enum(['fine', 'medium', 'coarse']),
    items: z.array(PlacedBolt).max(MAX_BOLTS, `allowed: up to ${MAX_BOLTS} bolts`),
    /** Other fasteners of the same joint; what is said above is of those that name none. */
    kinds: z.array(FastenerKind).max(6, 'allowed: up to 6 other kinds').optional(),
  }),
  far: Far,
  joint: Joint,
  welds: Welds,
  lug: Lug.optional(),
  /** What the shop makes besides: links, tabs, gussets, rails. */
  parts: z.array(FreePart).max(MAX_PARTS_MADE, `allowed: up to ${MAX_PARTS_MADE} parts`).optional(),
  /** Bought eye bolts, shackles and the like, held to their rating. */
  rated: z.array(Rated).max(10, 'allowed: up to 10 rated fittings').optional(),
  /** As `USUAL_SPREAD` where left out. */
  spread: SpreadRules.optional(),
};

/** What each foot has of its own, however it is made: the structure it stands on, and what was measured there. */
export const OF_PLACE = { skin: Skin, survey: Survey };

const AtOneFoot = z.strictObject({
  format: z.literal(FORMAT, `is not "${FORMAT}"`),
  version: z.literal(VERSION, `unknown format version; allowed: ${VERSION}`),
  ...OF_FITTING,
  ...DESIGN,
  ...OF_PLACE,
});

/**
 * The job as it stands at one foot: what resolve, checks, solver, drawings and sheets read. What is kept is the whole, with all its
 * feet (`whole-job`); `at-foot` goes from one to the other.
 */
export const Job = AtOneFoot;
export type Job = z.infer<typeof AtOneFoot> & {
  /** How the fitting stands, where it stands on several feet, and which of them this is. */
  readonly stands?: Stands | undefined;
};

export type Bolt = Job['bolts']['items'][number];
