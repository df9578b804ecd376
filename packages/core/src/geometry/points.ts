/** Plan geometry in mm: x forward, y to port. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Rect {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

export const add = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const sub = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const scale = (a: Point, k: number): Point => ({ x: a.x * k, y: a.y * k });
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
export const length = (a: Point): number => Math.hypot(a.x, a.y);
export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
export const left = (a: Point): Point => ({ x: -a.y, y: a.x });

export function centroid(points: readonly Point[]): Point {
  const n = points.length;
  return { x: points.reduce((s, p) => s + p.x, 0) / n, y: points.reduce((s, p) => s + p.y, 0) / n };
}

/**
 * True where all points lie within `tolerance` mm of one line; one point or none always does.
 * Uses the smaller principal second moment, so no pair of points is special.
 */
export function collinear(points: readonly Point[], tolerance = 0.5): boolean {
  if (points.length < 3) return true;
  const { smaller } = principalSpread(points);
  return Math.sqrt(smaller / points.length) < tolerance;
}

/** Principal sums of squares about the centroid, and the unit direction of the larger (the line's own direction). */
export function principalSpread(points: readonly Point[]): { larger: number; smaller: number; direction: Point } {
  const c = centroid(points);
  let xx = 0;
  let yy = 0;
  let xy = 0;
  for (const p of points) {
    xx += (p.x - c.x) ** 2;
    yy += (p.y - c.y) ** 2;
    xy += (p.x - c.x) * (p.y - c.y);
  }
  const mean = (xx + yy) / 2;
  const r = Math.hypot((xx - yy) / 2, xy);
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  return { larger: mean + r, smaller: Math.max(0, mean - r), direction: { x: Math.cos(angle), y: Math.sin(angle) } };
}
