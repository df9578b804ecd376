import type { Metal } from './metals';

/** What is drilled: plate and sheet by their metal, and what a skin may be of. */
export type Drilled = Metal['group'] | 'wood' | 'core';

export interface Cutting {
  /** Cutting speed of a plain drill, m/min, at the lower end of what the handbooks give. */
  readonly v: number;
  /** Of what the drill is. */
  readonly tool: 'HSS' | 'cobalt HSS' | 'carbide' | 'wood bit';
  readonly coolant: string;
}

/**
 * Cutting speeds of drills in the small shop’s machines (Machinery’s Handbook, drilling speeds, from memory; lower ends: mild steel
 * 25 to 30, stainless 8 to 12, aluminium 60 to 90, bronze 30, laminate 30 with carbide). Timber and core: common practice.
 */
export const CUTTING: Readonly<Record<Drilled, Cutting>> = {
  steel: { v: 25, tool: 'HSS', coolant: 'cutting oil' },
  stainless: { v: 8, tool: 'cobalt HSS', coolant: 'cutting oil, and never let it rub' },
  aluminium: { v: 60, tool: 'HSS', coolant: 'paraffin or spirit' },
  titanium: { v: 6, tool: 'cobalt HSS', coolant: 'cutting oil, plenty' },
  bronze: { v: 30, tool: 'HSS', coolant: 'dry' },
  laminate: { v: 30, tool: 'carbide', coolant: 'dry, with a mask and suction' },
  wood: { v: 60, tool: 'wood bit', coolant: 'dry' },
  core: { v: 60, tool: 'wood bit', coolant: 'dry' },
};

/** A hole saw’s rim is many teeth that hardly clear: half the speed (common practice). */
export const HOLE_SAW_PART = 0.5;

/** Feed of a twist drill by diameter up to so many mm, mm/rev, lower ends (Machinery’s Handbook, from memory: 0.001, 0.002, 0.004, 0.007 in/rev). */
export const FEEDS: readonly (readonly [upTo: number, feed: number])[] = [
  [3.2, 0.025],
  [6.4, 0.05],
  [12.7, 0.1],
  [25.4, 0.18],
  [Infinity, 0.25],
];

/** Letter drills, inches (ASME B94.11M, from memory). */
export const LETTER_DRILLS: Readonly<Record<string, number>> = {
  A: 0.234,
  B: 0.238,
  C: 0.242,
  D: 0.246,
  E: 0.25,
  F: 0.257,
  G: 0.261,
  H: 0.266,
  I: 0.272,
  J: 0.277,
  K: 0.281,
  L: 0.29,
  M: 0.295,
  N: 0.302,
  O: 0.316,
  P: 0.323,
  Q: 0.332,
  R: 0.339,
  S: 0.348,
  T: 0.358,
  U: 0.368,
  V: 0.377,
  W: 0.386,
  X: 0.397,
  Y: 0.404,
  Z: 0.413,
};
