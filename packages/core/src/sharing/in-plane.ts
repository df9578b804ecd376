import { centroid, type Point } from '../geometry/points';
import { refuse, type Refusal } from '../units/refusal';

/** In-plane force on one bolt, N. */
export interface BoltShear {
  readonly x: number;
  readonly y: number;
  readonly total: number;
}

export interface InPlane {
  readonly shears: readonly BoltShear[];
  readonly centre: Point;
  /** Σa·r², mm²; a is 1 where bolts are alike. */
  readonly polar: number;
  /** How much of the load each takes against the others, where they are not alike; their mean is 1. */
  readonly parts?: readonly number[] | undefined;
  /** Torsion about the group's centroid, N·mm. */
  readonly torsion: number;
}

/**
 * Elastic in-plane sharing: R_i = F·a_i/Σa + M·a_i·r_i/Σa·r², moment about the centroid of the group; a_i is 1 where bolts are alike.
 * Source: AISC Manual Part 7, elastic method; rigid plate.
 * Refuses a single bolt under torsion (a pivot).
 */
export function shareInPlane(
  bolts: readonly Point[],
  fx: number,
  fy: number,
  mz: number,
  stiffness?: readonly number[],
): InPlane | Refusal {
  const n = bolts.length;
  const mean = stiffness ? stiffness.reduce((s, k) => s + k, 0) / n : 1;
  const parts = stiffness?.map((k) => k / mean);
  const a = (i: number) => parts?.[i] ?? 1;
  const c = parts ? heaviest(bolts, parts) : centroid(bolts);
  const polar = bolts.reduce((s, b, i) => s + a(i) * ((b.x - c.x) ** 2 + (b.y - c.y) ** 2), 0);
  const torsion = mz - (c.x * fy - c.y * fx);
  const arm = Math.hypot(fx, fy);
  if (polar < 1e-6 && Math.abs(torsion) > 1e-6 * Math.max(1, arm)) {
    return refuse(
      'bolts.items',
      'one bolt is a pivot: it cannot hold the twist of this case',
      'two bolts or more, apart from each other',
    );
  }
  const turn = polar < 1e-6 ? 0 : torsion / polar;
  const shears = bolts.map((b, i) => {
    const x = a(i) * (fx / n - turn * (b.y - c.y));
    const y = a(i) * (fy / n + turn * (b.x - c.x));
    return { x, y, total: Math.hypot(x, y) };
  });
  return { shears, centre: c, polar, torsion, parts };
}

/** Centre of a group of which each counts for its part; the parts' mean is 1. */
const heaviest = (bolts: readonly Point[], parts: readonly number[]): Point => ({
  x: bolts.reduce((s, b, i) => s + parts[i]! * b.x, 0) / bolts.length,
  y: bolts.reduce((s, b, i) => s + parts[i]! * b.y, 0) / bolts.length,
});
