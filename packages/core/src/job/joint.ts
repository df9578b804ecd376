import * as z from 'zod';
import { id } from '../loads/schema';
import { HEAD_IDS } from '../stock/heads';
import { NUT_KIND_IDS } from '../stock/nut-kinds';
import { quantity, rangedNumber } from '../units/quantity';
import { RANGES } from './ranges';

/** How the joint is held together, apart from its layout: what holds the bolt, how it is tightened, what stands between the parts. */
export const HOLDINGS = [
  'nut',
  'captive nut',
  'weld nut',
  'nut plate',
  'rivet nut',
  'tapped',
  'stud',
  'U-bolt',
  'lag screw',
] as const;
export type Holding = (typeof HOLDINGS)[number];

/** Where the joint lives: decides what two metals may differ by. */
export const PLACES = ['not said', 'dry inside', 'weather', 'salt'] as const;

export const Joint = z.strictObject({
  holding: z.enum(HOLDINGS),
  /** Thread in what holds it: tapped plate, weld or rivet nut, or lag screw in its timber, point and all. */
  engagement: quantity(RANGES.engagement),
  /** Pull-out of a rivet nut by its maker. */
  insert: quantity(RANGES.insert),
  /** What stands where the parts slide on each other. */
  inPlane: z.enum(['thread', 'shank']),
  head: z.enum(HEAD_IDS),
  nutKind: z.enum(NUT_KIND_IDS),
  tightening: z.enum(['snug', 'to torque', 'slip resistant']),
  /** Target preload as a part of the proof load. */
  preload: quantity(RANGES.preload),
  /** Slip factor μ of the faying faces. */
  friction: quantity(RANGES.friction),
  bedding: z.enum(['dry', 'bedded', 'bonded']),
  bondShear: quantity(RANGES.bondStrength),
  bondPeel: quantity(RANGES.bondStrength),
  /** Outside of the disc that glues a bolt's head (or its big-head plate) against turning, of the bond's shear strength. */
  gluedHead: quantity(RANGES.tubeOutside).optional(),
  /** Thickness of the glue line and shear modulus of the glue; as usual, and assumed, where left out. */
  bondLine: quantity(RANGES.bondLine).optional(),
  bondModulus: quantity(RANGES.bondModulus).optional(),
  /** Height made up between plate and skin: a solid packer, or a spacer tube round each bolt. */
  packing: z.enum(['none', 'packer', 'spacers']),
  packer: quantity(RANGES.packer),
  /** Round the bolt through a hollow section or a core. */
  sleeve: z.enum(['none', 'sleeve', 'plug']),
  /** Outside of sleeve, spacer or plug, and the wall of a tube. */
  tubeOutside: quantity(RANGES.tubeOutside),
  tubeWall: quantity(RANGES.wall),
  place: z.enum(PLACES),
  isolated: z.boolean(),
});
export type Joint = z.infer<typeof Joint>;

/** Holes of one bolt that are not the usual clearance hole, layer by layer; `slot` is the whole length in the plate, turned from fore. */
export const OwnHoles = z.strictObject({
  plate: quantity(RANGES.ownHole).optional(),
  slot: quantity(RANGES.slotLong).optional(),
  turn: rangedNumber(RANGES.slotTurn).optional(),
  skin: quantity(RANGES.ownHole).optional(),
  backing: quantity(RANGES.ownHole).optional(),
});
export type OwnHoles = z.infer<typeof OwnHoles>;

/** One more kind of fastener in a joint: what it does not say is as the joint says it. */
export const FastenerKind = z.strictObject({
  id,
  size: z.string().max(20),
  class: z.string().max(20),
  nut: z.string().max(20),
  fit: z.enum(['fine', 'medium', 'coarse']),
  holding: z.enum(HOLDINGS).optional(),
  engagement: quantity(RANGES.engagement).optional(),
  insert: quantity(RANGES.insert).optional(),
  inPlane: z.enum(['thread', 'shank']).optional(),
  head: z.enum(HEAD_IDS).optional(),
  nutKind: z.enum(NUT_KIND_IDS).optional(),
});
export type FastenerKind = z.infer<typeof FastenerKind>;

/** Held by a thread cut or set into the structure, without a nut of its own. */
export const isHeldByThreadOf = (j: Pick<Joint, 'holding'>): boolean => j.holding === 'tapped' || j.holding === 'rivet nut';

/** A fillet along an edge of the plate: edges are counted from 0, a rectangle's are starboard, fore, port and aft; mm left bare at either end. */
export const WeldLine = z.strictObject({
  edge: z.number().int().gte(0, 'allowed: 0 to 199').lte(199, 'allowed: 0 to 199'),
  start: rangedNumber(RANGES.bare),
  end: rangedNumber(RANGES.bare),
});
export type WeldLine = z.infer<typeof WeldLine>;

/** Welds of the fitting to the plate, and of the plate as a doubler to a metal skin. */
export const Welds = z.strictObject({
  fitting: z.enum(['none', 'all round', 'fore and aft edges', 'side edges']),
  fittingThroat: quantity(RANGES.throat),
  /** `lines`: along the edges that `lines` names. */
  doubler: z.enum(['none', 'all round', 'stitched', 'plugs', 'lines']),
  lines: z.array(WeldLine).max(60, 'allowed: up to 60 weld lines').optional(),
  doublerThroat: quantity(RANGES.throat),
  /** A stitch's length and the clear gap to the next; a plug's diameter stands in `plug`. */
  stitch: quantity(RANGES.stitch),
  gap: quantity(RANGES.stitch),
  plug: quantity(RANGES.plug),
  /** Tensile strength of the filler, F_EXX. */
  filler: quantity(RANGES.filler),
});
export type Welds = z.infer<typeof Welds>;

export const SHEARS = ['double', 'single', 'single with support tab'] as const;

/** A lug, padeye or tab on the fitting, with its pin. */
export const Lug = z.strictObject({
  rules: z.enum(['BTH-1', 'EN']),
  /** The way the lug's face runs on the plan. */
  along: z.enum(['x', 'y']),
  metal: z.string().max(40),
  thickness: quantity(RANGES.lug),
  width: quantity(RANGES.lugWidth),
  hole: quantity(RANGES.surveyHole),
  /** From the edge of the hole to the edge of the lug, in line with the load. */
  end: quantity(RANGES.lugWidth),
  /** One cheek plate on each side; 0 for none. */
  cheek: quantity(RANGES.cheek),
  pin: quantity(RANGES.surveyHole),
  pinClass: z.string().max(20),
  shear: z.enum(SHEARS),
  /** Thickness of the link or fork leg on the pin, and the clear gap beside the lug. */
  fork: quantity(RANGES.lug),
  gap: quantity(RANGES.gap),
  /** Design factor of BTH-1: A 2, B 3. */
  Nd: z.union([z.literal(2), z.literal(3)]),
});
export type Lug = z.infer<typeof Lug>;

/** What of a lug's pin a part with an eye says itself: its thickness, width and end come from how it is drawn. */
export const Eye = Lug.pick({ rules: true, pin: true, pinClass: true, shear: true, fork: true, gap: true, Nd: true }).extend({
  /** Hole of the part that the pin goes through. */
  hole: id,
  /** Part of the fitting's load that one piece takes. */
  carries: quantity(RANGES.part),
  /** Of a tab that stands on its weld: height of the hole over it, and the throat of the fillets on both its faces. */
  height: quantity(RANGES.lugWidth).optional(),
  throat: quantity(RANGES.throat).optional(),
  /** Of such a tab: the way its face runs on the plan; all that pushes it is taken across its face where left out. */
  along: z.enum(['x', 'y']).optional(),
});
export type Eye = z.infer<typeof Eye>;

export const EDGES = ['fore', 'aft', 'port', 'starboard'] as const;

/** One edge of the plate bent up or down. */
export const Fold = z.strictObject({
  edge: z.enum(EDGES),
  /** Inside radius and outside height of the leg. */
  radius: quantity(RANGES.foldRadius),
  height: quantity(RANGES.foldHeight),
});
export type Fold = z.infer<typeof Fold>;

/** Limits the job sets itself; 0 where there is none. */
export const Limits = z.strictObject({
  /** Most the panel may deflect, and the span over deflection it must keep. */
  deflection: quantity(RANGES.deflectionLimit),
  ratio: quantity(RANGES.deflectionRatio),
  /** Most that may stand above the plate and below the skin. */
  above: quantity(RANGES.stackLimit),
  below: quantity(RANGES.stackLimit),
});
export type Limits = z.infer<typeof Limits>;
