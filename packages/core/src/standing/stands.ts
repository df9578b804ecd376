import type { Rect } from '../geometry/points';
import type { Place } from '../geometry/vector';

/** How a fitting's load comes to its feet. */
export const STANDING_RULES = ['force only', 'moments', 'legs', 'some count', 'given'] as const;
export type StandingRule = (typeof STANDING_RULES)[number];

/** What the feet stand on: each on a panel or member of its own, or all on one, which then bends under all of them at once. */
export const STANDS_ON = ['own panels', 'one panel'] as const;
export type StandsOn = (typeof STANDS_ON)[number];

/** One foot as the fitting sees it: where it stands, how it is turned, and what it can hold. */
export interface FootPlace extends Place {
  readonly id: string;
  readonly name: string;
  /** About z from the fitting's x, rad. */
  readonly turn: number;
  /** It has no hold-down: it presses, and neither pulls nor, lifted, holds anything. */
  readonly restsOnly: boolean;
  /** About which of its own axes it takes a moment, where the rule lets feet take one. */
  readonly takes: { readonly mx: boolean; readonly my: boolean; readonly mz: boolean };
  /** Against the other feet, along its own axes; alike where all are 1. */
  readonly stiffness: { readonly x: number; readonly y: number; readonly z: number };
  /** Its part of the force, where shares are given. */
  readonly part: number;
  /** Size of its base along its own axes, mm: a foot that takes a moment is as an evenly sprung pad of that size. */
  readonly length: number;
  readonly width: number;
  /** Its plate in its own axes, and how high the plate's face stands over the structure, at most, mm. */
  readonly plate: Rect;
  /** What is clear between the bearers it stands between, in its own axes, mm; nothing where its structure has none. */
  readonly panel?: Rect;
  readonly height: number;
  /** Bolts it has: a rule pack counts them over the whole fitting. */
  readonly bolts: number;
}

/** How a fitting stands, and which of its feet is asked about. */
export interface Stands {
  readonly rule: StandingRule;
  /** Foot to stiff top, mm: legs bend between, with no moment at half of it. */
  readonly legHeight: number;
  /** How many of the feet carry at once, where only so many count. */
  readonly count: number;
  /** Panels of their own where left out. */
  readonly on?: StandsOn | undefined;
  readonly feet: readonly FootPlace[];
  readonly foot: string;
}
