import type { Point, Rect } from './points';

export const widthOf = (r: Rect): number => r.x1 - r.x0;
export const heightOf = (r: Rect): number => r.y1 - r.y0;
export const areaOf = (r: Rect): number => widthOf(r) * heightOf(r);
export const centreOf = (r: Rect): Point => ({ x: (r.x0 + r.x1) / 2, y: (r.y0 + r.y1) / 2 });
export const contains = (r: Rect, p: Point, margin = 0): boolean =>
  p.x >= r.x0 + margin && p.x <= r.x1 - margin && p.y >= r.y0 + margin && p.y <= r.y1 - margin;

export const sameRect = (a: Rect, b: Rect): boolean => a.x0 === b.x0 && a.x1 === b.x1 && a.y0 === b.y0 && a.y1 === b.y1;

export function rectAbout(c: Point, length: number, width: number): Rect {
  return { x0: c.x - length / 2, x1: c.x + length / 2, y0: c.y - width / 2, y1: c.y + width / 2 };
}

/** The rectangle with its corners in order, whichever way it was drawn. */
export const upright = (r: Rect): Rect => ({
  x0: Math.min(r.x0, r.x1),
  x1: Math.max(r.x0, r.x1),
  y0: Math.min(r.y0, r.y1),
  y1: Math.max(r.y0, r.y1),
});

/** What lies in both; `a` itself where it lies wholly in `b`, undefined where they do not meet. */
export function overlap(a: Rect, b: Rect): Rect | undefined {
  if (a.x0 >= b.x0 && a.x1 <= b.x1 && a.y0 >= b.y0 && a.y1 <= b.y1) return a;
  const r = { x0: Math.max(a.x0, b.x0), x1: Math.min(a.x1, b.x1), y0: Math.max(a.y0, b.y0), y1: Math.min(a.y1, b.y1) };
  return r.x1 > r.x0 && r.y1 > r.y0 ? r : undefined;
}

/** Smallest rectangle round points, grown by `margin` mm. */
export function boundsOf(points: readonly Point[], margin = 0): Rect {
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  return {
    x0: Math.min(...xs) - margin,
    x1: Math.max(...xs) + margin,
    y0: Math.min(...ys) - margin,
    y1: Math.max(...ys) + margin,
  };
}

/** Least distance from an inside point to an edge; negative outside. */
export function nearestEdge(r: Rect, p: Point): number {
  return Math.min(p.x - r.x0, r.x1 - p.x, p.y - r.y0, r.y1 - p.y);
}

/** Distance from p to the outline along unit direction u, p inside. */
export function alongTo(r: Rect, p: Point, u: Point): number {
  const tx = u.x > 1e-12 ? (r.x1 - p.x) / u.x : u.x < -1e-12 ? (r.x0 - p.x) / u.x : Infinity;
  const ty = u.y > 1e-12 ? (r.y1 - p.y) / u.y : u.y < -1e-12 ? (r.y0 - p.y) / u.y : Infinity;
  return Math.min(tx, ty);
}

/** The point of the rectangle nearest to p, and how far it is (0 inside). */
export function nearestPoint(r: Rect, p: Point): { point: Point; gap: number } {
  const point = { x: Math.min(r.x1, Math.max(r.x0, p.x)), y: Math.min(r.y1, Math.max(r.y0, p.y)) };
  return { point, gap: Math.hypot(p.x - point.x, p.y - point.y) };
}
