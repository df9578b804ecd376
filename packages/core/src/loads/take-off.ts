import { lengthRange, massRange } from '../units/field-range';
import type { Quantity } from '../units/quantity';
import type { Place } from '../geometry/vector';

/** What a load is made of, kept apart because people argue about each by itself. */
export const PART_KINDS = ['structure', 'equipment', 'people', 'water', 'snow'] as const;
export type PartKind = (typeof PART_KINDS)[number];

export const PART_RANGES = {
  mass: massRange('Mass'),
  x: lengthRange('Forward of the plate', 20_000, 'minus'),
  y: lengthRange('To port of the plate', 20_000, 'minus'),
  z: lengthRange('Above the plate', 20_000, 'minus'),
} as const;

/** One line of a weight take-off: a mass and where its centre is from the plate datum. */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly kind: PartKind;
  readonly mass: Quantity;
  readonly x: Quantity;
  readonly y: Quantity;
  readonly z: Quantity;
}

export interface TakeOff {
  /** kg. */
  readonly mass: number;
  /** mm from the plate datum. */
  readonly centroid: Place;
  /** Each line's part of the whole, in line order. */
  readonly shares: readonly number[];
}

/** Total, centroid (Σmr/Σm, statics) and each line's share; undefined without lines. */
export function takeOff(parts: readonly Part[]): TakeOff | undefined {
  const mass = parts.reduce((m, p) => m + p.mass.v, 0);
  if (mass <= 0) return undefined;
  const mean = (k: 'x' | 'y' | 'z') => parts.reduce((m, p) => m + p.mass.v * p[k].v, 0) / mass;
  return { mass, centroid: { x: mean('x'), y: mean('y'), z: mean('z') }, shares: parts.map((p) => p.mass.v / mass) };
}
