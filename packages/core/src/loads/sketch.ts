import type { Place } from '../geometry/vector';

/**
 * A builder's own simple diagram, to scale, mm. `side` looks from starboard (u forward, w up), `aft` looks forward
 * (u to starboard, w up), `plan` from above (u forward, w to port). `wall` is a plate on a wall seen from its side
 * (u out from the wall, w up the wall) and `wall plan` the same from above (u out, w to port).
 */
export type ViewFrom = 'side' | 'aft' | 'plan' | 'wall' | 'wall plan';

export type Spot = readonly [u: number, w: number];

export type Tone = 'fitting' | 'part' | 'person' | 'rope' | 'ground';

export type Shape =
  | { readonly kind: 'outline'; readonly tone: Tone; readonly points: readonly Spot[] }
  | { readonly kind: 'line'; readonly tone: Tone; readonly points: readonly Spot[] }
  | { readonly kind: 'circle'; readonly tone: Tone; readonly at: Spot; readonly r: number };

/** Something to take hold of: dragging it sets fields of the builder. */
export interface Handle<F extends string = string> {
  readonly label: string;
  readonly at: Spot;
  drag(u: number, w: number): Partial<Record<F, number>>;
}

export interface View<F extends string = string> {
  readonly from: ViewFrom;
  readonly shapes: readonly Shape[];
  readonly handles: readonly Handle<F>[];
}

export const VIEW_NAMES: Readonly<Record<ViewFrom, string>> = {
  side: 'from starboard',
  aft: 'from aft',
  plan: 'from above',
  wall: 'wall, from its side',
  'wall plan': 'wall, from above',
};

/** A place or a direction in a view. */
export function seen(from: ViewFrom, p: Place): Spot {
  switch (from) {
    case 'side':
      return [p.x, p.z];
    case 'aft':
      return [-p.y, p.z];
    case 'plan':
      return [p.x, p.y];
    case 'wall':
      return [p.z, p.x];
    case 'wall plan':
      return [p.z, p.y];
  }
}

export const outline = (tone: Tone, ...points: Spot[]): Shape => ({ kind: 'outline', tone, points });
export const line = (tone: Tone, ...points: Spot[]): Shape => ({ kind: 'line', tone, points });
export const circle = (tone: Tone, at: Spot, r: number): Shape => ({ kind: 'circle', tone, at, r });
export const box = (tone: Tone, u0: number, w0: number, u1: number, w1: number): Shape =>
  outline(tone, [u0, w0], [u1, w0], [u1, w1], [u0, w1]);

/** A person standing at a spot, as tall as stated. */
export function person([u, w]: Spot, tall = 1750): Shape[] {
  const head = tall * 0.065;
  return [
    circle('person', [u, w + tall - head], head),
    outline(
      'person',
      [u - tall * 0.11, w + tall * 0.84],
      [u + tall * 0.11, w + tall * 0.84],
      [u + tall * 0.07, w],
      [u - tall * 0.07, w],
    ),
  ];
}

const within = (v: number, low: number, high: number) => Math.min(high, Math.max(low, v));
/** Angle of a handle about a spot, from the u axis, kept between the two ends of its field. */
export const angleAt = (u: number, w: number, [u0, w0]: Spot, low: number, high: number): number =>
  within(Math.atan2(w - w0, u - u0), low, high);
/** A dragged length stops at the ends of its field. */
export const lengthAt = (v: number, low: number, high: number): number => within(v, low, high);
