import type { Point } from './points';

/** Bolts that stand in one line across an axis. */
export interface RowOf {
  /** Mean place along the axis, mm. */
  readonly at: number;
  /** Places in the list given, in its order. */
  readonly bolts: readonly number[];
}

/**
 * The rows of a pattern, from low to high along an axis: neighbours no further apart along it than `tolerance` are in one row.
 * By gaps and not by a raster, so that moving, mirroring or turning the pattern makes no other rows.
 */
export function rowsOf(points: readonly Point[], axis: 'x' | 'y', tolerance: number): RowOf[] {
  const order = points.map((_, i) => i).sort((a, b) => points[a]![axis] - points[b]![axis]);
  const rows: number[][] = [];
  order.forEach((i, k) => {
    const before = order[k - 1];
    if (before !== undefined && points[i]![axis] - points[before]![axis] <= tolerance) rows.at(-1)!.push(i);
    else rows.push([i]);
  });
  return rows.map((r) => ({
    at: r.reduce((sum, i) => sum + points[i]![axis], 0) / r.length,
    bolts: [...r].sort((a, b) => a - b),
  }));
}
