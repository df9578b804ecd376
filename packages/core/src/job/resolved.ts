import type { Point, Rect } from '../geometry/points';
import type { Region } from '../geometry/region';
import type { FastenerClass } from '../stock/fastener-classes';
import type { FastenerSize } from '../stock/fasteners';
import type { ServiceClass } from '../stock/load-duration';
import type { Metal } from '../stock/metals';
import type { NutClass } from '../stock/nuts';
import type { PackId } from '../stock/packs';
import type { SkinStrength } from '../stock/skins';
import type { TimberRow } from '../stock/timber';
import type { Plain } from '../units/quantity';
import type { Refusal } from '../units/refusal';
import type { PinnedPart } from './eyes';
import type { FreePart } from './free-part';
import type { Fold, Joint, Limits, Lug, Welds } from './joint';
import type { HoleCut } from './made-hole';
import type { Job, Skin } from './schema';
import type { Rated } from './rated';
import type { EdgeName } from './spread-rules';
import type { WorkingPart } from './working-part';

/** One bolt as the checks see it. `throughBase`: it clamps the base itself, so the plate is not bent by it. */
export interface PlacedBolt extends Point {
  readonly id: string;
  readonly throughBase: boolean;
  /** Height made up under the plate there, mm: the joint's packing and what was measured. */
  readonly packed: number;
  /** Diameter of the base's hole it goes through, or width of its slot, mm. */
  readonly baseHole: number;
  /** Which of the joint's kinds of fastener it is. */
  readonly kind: number;
}

/** The skin under a bolt: the panel's own, or that of the zone it stands in. */
export interface SkinThere {
  readonly substrate: Plain<Skin>;
  readonly skin: SkinStrength;
  readonly skinKind: Job['skin']['kind'];
  readonly skinThickness: number;
  /** Of a sheet or a section. */
  readonly skinMetal: Metal | undefined;
  readonly timber: TimberRow | undefined;
  readonly factors: Factors;
}

/** One kind of fastener of the joint: what checks read of a bolt, with the joint as that kind holds it, on the skin it goes through. */
export interface KindOfFastener extends SkinThere {
  /** Its name; empty for the joint's own. */
  readonly kindName: string;
  readonly size: FastenerSize;
  readonly grade: FastenerClass;
  readonly nut: NutClass;
  readonly d: number;
  /** Hole in the plate, or width of its slot there. */
  readonly d0: number;
  /** Whole length of that slot, and its turn from fore to port, rad. */
  readonly slot?: { readonly long: number; readonly turn: number };
  readonly skinHole: number;
  readonly backingHole: number;
  readonly As: number;
  readonly joint: Plain<Joint>;
  readonly washerOutside: number;
  readonly far: FarSide;
}

/** Divisors and the load factor of the school the job names. */
export interface Factors {
  readonly school: Job['practice']['school'];
  /** On yield of metal. */
  readonly onYield: number;
  /** On break of metal and of fasteners. */
  readonly onBreak: number;
  /** On break of the skin material. */
  readonly onSkin: number;
  /** On break of glue. */
  readonly onGlue: number;
  /** Plastic over elastic section modulus of a flat plate: 1.5 where plastic bending is allowed (a crash as the last load), else 1. */
  readonly plastic: number;
}

/** What is under the nuts: a washer each, or plates; mm, MPa. */
export type FarSide =
  | {
      readonly kind: 'washer';
      readonly outside: number;
      readonly thickness: number;
      readonly height: number;
      /** Yield of the washer. */
      readonly fy: number;
      /** Of a washer cut from plate. */
      readonly metal?: Metal;
    }
  | {
      readonly kind: 'plate';
      readonly thickness: number;
      /** Loose plates of that thickness on each other, and their height together. */
      readonly layers: number;
      readonly height: number;
      /** What it reaches to, apart from strips. */
      readonly outline: Rect;
      /** As it is cut: as the mounting plate where that is drawn and it reaches no further, else a rectangle. */
      readonly region: Region;
      readonly metal: Metal;
      /** One plate under all nuts where undefined. */
      readonly strips?: { readonly width: number; readonly along: 'x' | 'y' };
    };

/** The job with every name looked up and every cross-check passed: all the checks read. Numbers in inside units. */
export interface Resolved extends KindOfFastener {
  /** Every kind of fastener of the joint, and which of them this is seen as: `of-kind` goes from one to the other. */
  readonly kinds: readonly KindOfFastener[];
  readonly kind: number;
  readonly rules: Job['practice']['rules'];
  readonly bolts: readonly PlacedBolt[];
  readonly base: Rect;
  readonly baseThickness: number;
  /** The base's own metal; S235 until somebody says. */
  readonly baseMetal: Metal;
  readonly baseMetalSaid: boolean;
  /** What a slot of the base is longer than it is wide, and which way it runs. */
  readonly baseHole: { readonly slot: number; readonly along: 'x' | 'y' };
  readonly plate: Rect;
  /** The plate's metal: its outline less its openings and its own holes. */
  readonly region: Region;
  /** The outline as it is cut, before any hole. */
  readonly outline: Region;
  /** Holes of the plate besides those of bolts and base. */
  readonly plateHoles: readonly HoleCut[];
  /** It is no rectangle; `plate` is then what it reaches to. */
  readonly shaped: boolean;
  readonly plateThickness: number;
  readonly plateMetal: Metal;
  /** Loose plates of that thickness on each other. */
  readonly plateLayers: number;
  readonly fold: Plain<Fold> | undefined;
  readonly welds: Plain<Welds>;
  /** Weld lines along the plate's edges, where it is welded along some. */
  readonly weldLines: readonly (readonly Point[])[];
  /** Glue line: thickness, mm, and shear modulus of the glue, MPa. */
  readonly bond: { readonly line: number; readonly modulus: number };
  /** Solved with the glue holding, and the bolts idle; else as if it had let go. */
  readonly glueHolds?: true;
  readonly lug: Plain<Lug> | undefined;
  /** The pinned part this is seen as, in place of the fitting's own lug. */
  readonly eye?: PinnedPart;
  /** What the shop makes besides, and those of it that take a pin. */
  readonly freeParts: readonly { readonly part: Plain<FreePart>; readonly metal: Metal }[];
  readonly eyes: readonly PinnedPart[];
  /** Those of it that are bent, pushed or pressed. */
  readonly working: readonly WorkingPart[];
  /** Bought fittings held to their rating. */
  readonly rated: readonly Plain<Rated>[];
  readonly lugMetal: Metal | undefined;
  readonly pinGrade: FastenerClass | undefined;
  readonly limits: Plain<Limits>;
  /** Friction under the pressed plate is counted before the bolts, by choice of the job. */
  readonly countsFriction: boolean;
  readonly packs: readonly PackId[];
  readonly access: Job['survey']['access'];
  /** Part of a whole seat that stands on this plate; 1 where the job carries no seat. */
  readonly seatShare: number;
  readonly serviceClass: ServiceClass;
  /** Sides of the panel where no bearer is. */
  readonly unheld: readonly EdgeName[];
  readonly panel: Rect;
  readonly bedModulus: number;
  readonly allInLine: boolean;
  /** The document, for drawings, sheets and the solver's own rules; no check reads it. */
  readonly job: Job;
}

/** The plate is welded to the skin along edges of its own, and may be held by that alone. */
export const weldedAlongEdges = (r: Pick<Resolved, 'welds'>): boolean =>
  r.welds.doubler !== 'none' && r.welds.doubler !== 'plugs';

/** Held by its welds alone. */
export const weldedOnly = (r: Pick<Resolved, 'bolts'>): boolean => r.bolts.length === 0;

export const isResolved = (r: Resolved | readonly Refusal[]): r is Resolved => !Array.isArray(r);
