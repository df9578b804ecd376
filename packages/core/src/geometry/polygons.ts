import type { Point, Rect } from './points';

/** A half-plane a·x + b·y + c > 0. */
export interface HalfPlane {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

export function cornersOf(r: Rect): Point[] {
  return [
    { x: r.x0, y: r.y0 },
    { x: r.x1, y: r.y0 },
    { x: r.x1, y: r.y1 },
    { x: r.x0, y: r.y1 },
  ];
}

/** Convex polygon cut by a half-plane (Sutherland & Hodgman 1974), anticlockwise in, anticlockwise out. */
export function clip(polygon: readonly Point[], h: HalfPlane): Point[] {
  const out: Point[] = [];
  const side = (p: Point) => h.a * p.x + h.b * p.y + h.c;
  for (let i = 0; i < polygon.length; i++) {
    const p = polygon[i]!;
    const q = polygon[(i + 1) % polygon.length]!;
    const sp = side(p);
    const sq = side(q);
    if (sp > 0) out.push(p);
    if (sp > 0 !== sq > 0) {
      const t = sp / (sp - sq);
      out.push({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) });
    }
  }
  return out;
}

/** Exact area integrals of 1, x, y, x², xy, y² over a simple polygon (Green's theorem, edge sums). */
export interface AreaMoments {
  readonly A: number;
  readonly Sx: number;
  readonly Sy: number;
  readonly Ixx: number;
  readonly Ixy: number;
  readonly Iyy: number;
}

export function areaMoments(polygon: readonly Point[]): AreaMoments {
  let A = 0;
  let Sx = 0;
  let Sy = 0;
  let Ixx = 0;
  let Ixy = 0;
  let Iyy = 0;
  for (let i = 0; i < polygon.length; i++) {
    const p = polygon[i]!;
    const q = polygon[(i + 1) % polygon.length]!;
    const k = p.x * q.y - q.x * p.y;
    A += k / 2;
    Sx += (k * (p.x + q.x)) / 6;
    Sy += (k * (p.y + q.y)) / 6;
    Ixx += (k * (p.x * p.x + p.x * q.x + q.x * q.x)) / 12;
    Iyy += (k * (p.y * p.y + p.y * q.y + q.y * q.y)) / 12;
    Ixy += (k * (p.x * q.y + 2 * p.x * p.y + 2 * q.x * q.y + q.x * p.y)) / 24;
  }
  return { A, Sx, Sy, Ixx, Ixy, Iyy };
}
