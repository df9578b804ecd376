import { allowanceOf, kFactor } from '../stock/bends';

/** A leg bent square: thickness, inside radius and outside height of the leg, mm. */
export interface Leg {
  readonly t: number;
  readonly r: number;
  readonly leg: number;
}

/** The arc of the neutral line round a square bend, mm: θ·(r + K·t), θ = π/2. */
export const bendAllowance = (r: number, t: number, K: number): number => allowanceOf(Math.PI / 2, r, t, K);

/**
 * Bend allowance π/2·(r + K·t) of a square bend, and what the blank needs past the bend's start: the allowance and the flat
 * part of the leg. K by r/t (common practice).
 */
export function blankOf(x: Leg): { readonly K: number; readonly allowance: number; readonly added: number } {
  const K = kFactor(x.r, x.t);
  const allowance = bendAllowance(x.r, x.t, K);
  return { K, allowance, added: allowance + Math.max(0, x.leg - x.r - x.t) };
}
