import { centroid, type Point } from '../geometry/points';
import type { Resolved } from '../job/resolve';

export interface GroupSums {
  readonly centre: Point;
  /** Σ(x − x̄)² and Σ(y − ȳ)², mm². */
  readonly xx: number;
  readonly yy: number;
}

/** Second moments of the bolt group about its centroid; statics. */
export function principalSums(r: Pick<Resolved, 'bolts'>): GroupSums {
  const c = centroid(r.bolts);
  return {
    centre: c,
    xx: r.bolts.reduce((a, b) => a + (b.x - c.x) ** 2, 0),
    yy: r.bolts.reduce((a, b) => a + (b.y - c.y) ** 2, 0),
  };
}
