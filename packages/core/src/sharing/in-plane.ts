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
  /** Σr², mm². */
  readonly polar: number;
  /** Torsion about the group's centroid, N·mm. */
  readonly torsion: number;
}

/**
 * Elastic in-plane sharing: R_i = F/n + M·r_i/Σr², moment about the centroid of the group.
 * Source: AISC Manual Part 7, elastic method; equal bolts, rigid plate.
 * Refuses a single bolt under torsion (a pivot).
 */
export function shareInPlane(bolts: readonly Point[], fx: number, fy: number, mz: number): InPlane | Refusal {
  const n = bolts.length;
  const c = centroid(bolts);
  const polar = bolts.reduce((s, b) => s + (b.x - c.x) ** 2 + (b.y - c.y) ** 2, 0);
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
  const shears = bolts.map((b) => {
    const x = fx / n - turn * (b.y - c.y);
    const y = fy / n + turn * (b.x - c.x);
    return { x, y, total: Math.hypot(x, y) };
  });
  return { shears, centre: c, polar, torsion };
}
