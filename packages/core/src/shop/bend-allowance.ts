import { kFactor } from '../stock/bends';

/** A leg bent square: thickness, inside radius and outside height of the leg, mm. */
export interface Leg {
  readonly t: number;
  readonly r: number;
  readonly leg: number;
}

/**
 * Bend allowance π/2·(r + K·t) of a square bend, and what the blank needs past the bend's start: the allowance and the flat
 * part of the leg. K by r/t (common practice).
 */
export function blankOf(x: Leg): { readonly K: number; readonly allowance: number; readonly added: number } {
  const K = kFactor(x.r, x.t);
  const allowance = (Math.PI / 2) * (x.r + K * x.t);
  return { K, allowance, added: allowance + Math.max(0, x.leg - x.r - x.t) };
}
