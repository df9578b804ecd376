import type { Resolved } from '../job/resolve';
import type { InPlane } from './in-plane';

/** Friction under the pressed plate against what slides. Forces N. */
export interface Friction {
  /** Slip factor of the faying faces, and the divisor on it. */
  readonly mu: number;
  readonly gamma: number;
  /** How hard the plate presses on the skin in all. */
  readonly press: number;
  /** Σ of the bolts' in-plane forces before friction. */
  readonly slides: number;
  /** Part of those forces that is left to the bolts, 0 to 1. */
  readonly left: number;
}

/**
 * Friction by choice: μ·N/γ is taken off Σ|V_i|, in the same proportion at every bolt. Two schools: bolts in bearing are sized as if
 * greased, as clamping fades and paint creeps (EN 1993-1-8 §3.4.1, category A); or friction is counted where the press is sure
 * (common practice for a footing that is always pressed down). Nothing where the job leaves it out, where faces are bonded or
 * welded, and where slip is judged by its own check.
 */
export function heldByFriction(r: Resolved, press: number, { shears }: InPlane): Friction | undefined {
  const { joint, welds } = r;
  if (!r.countsFriction) return undefined;
  if (joint.bedding === 'bonded' || joint.tightening === 'slip resistant' || welds.doubler !== 'none') return undefined;
  const slides = shears.reduce((sum, v) => sum + v.total, 0);
  if (slides < 1e-9) return undefined;
  const [mu, gamma] = [joint.friction, r.factors.onBreak];
  return { mu, gamma, press, slides, left: Math.max(0, 1 - (mu * press) / (gamma * slides)) };
}

/** What is left to the bolts. */
export const lessFriction = (all: InPlane, { left }: Friction): InPlane => ({
  ...all,
  shears: all.shears.map((v) => ({ x: v.x * left, y: v.y * left, total: v.total * left })),
});
