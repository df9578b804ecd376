import { collinear, distance, type Point, type Rect } from '../geometry/points';
import type { Shim } from './survey';
import { refuse, type Refusal } from '../units/refusal';

/** The faying surface from gaps under a level straightedge: gap = g0 + gx·x + gy·y, mm. */
export interface Surface {
  readonly g0: number;
  /** Slope of the gap forward and to port: how far the surface falls away, mm per mm. */
  readonly gx: number;
  readonly gy: number;
  /** Heel about the fore-and-aft axis and trim about the athwart one; rad, positive where port and fore lie lower. */
  readonly heel: number;
  readonly trim: number;
  /** Each point off the plane: reading less plane, mm; and the largest less the smallest: out of flat. */
  readonly off: readonly { readonly id: string; readonly off: number }[];
  readonly outOfFlat: number;
}

/** Packer under one bolt so that the base sits level on it. mm. */
export interface Packer {
  readonly id: string;
  readonly thickness: number;
  /** True where a gap was read at the bolt; otherwise the plane is taken there. */
  readonly read: boolean;
}

/** What is packed level: bolts, the plate over them, and where gaps were read. */
export interface Packed {
  readonly bolts: { readonly items: readonly (Point & { readonly id: string })[] };
  readonly plate: Rect;
  readonly survey: { readonly shims: readonly Shim[] };
}

/** Gap readings nearer to a bolt than this count as taken at it, mm. */
const AT_BOLT = 8;

/**
 * Least-squares plane through gaps at three or more points (normal equations; through three points it is exact).
 * Refuses fewer than three, or points in one line.
 */
export function surfaceOf(shims: readonly Shim[]): Surface | Refusal {
  if (shims.length < 3)
    return refuse(
      'shims',
      `${shims.length} ${shims.length === 1 ? 'point' : 'points'} cannot show heel and trim`,
      'at least 3 points, not in one line',
    );
  if (collinear(shims, 1)) return refuse('shims', 'the points lie in one line', 'at least 3 points, not in one line');
  const n = shims.length;
  const mean = (f: (s: Shim) => number) => shims.reduce((a, s) => a + f(s), 0) / n;
  const [mx, my, mg] = [mean((s) => s.x), mean((s) => s.y), mean((s) => s.gap.v)];
  const sum = (f: (x: number, y: number, g: number) => number) =>
    shims.reduce((a, s) => a + f(s.x - mx, s.y - my, s.gap.v - mg), 0);
  const [xx, xy, yy] = [sum((x) => x * x), sum((x, y) => x * y), sum((_x, y) => y * y)];
  const [xg, yg] = [sum((x, _y, g) => x * g), sum((_x, y, g) => y * g)];
  const det = xx * yy - xy * xy;
  const gx = (xg * yy - yg * xy) / det;
  const gy = (yg * xx - xg * xy) / det;
  const g0 = mg - gx * mx - gy * my;
  const off = shims.map((s) => ({ id: s.id, off: s.gap.v - (g0 + gx * s.x + gy * s.y) }));
  const offs = off.map((o) => o.off);
  return { g0, gx, gy, heel: Math.atan(gy), trim: Math.atan(gx), off, outOfFlat: Math.max(...offs) - Math.min(...offs) };
}

/**
 * Packer under each bolt, level over all of them: the gap there less the least gap under the plate, so that one bolt needs none, and
 * where the structure stands highest between them all do: a plate drawn down over a high spot rocks on it, or bends.
 */
export function packersFor({ bolts: { items: bolts }, plate, survey: { shims } }: Packed, surface: Surface): Packer[] {
  if (bolts.length === 0) return [];
  const gaps = bolts.map((b) => {
    const nearest = shims.reduce((n, s) => (distance(s, b) < distance(n, b) ? s : n));
    const near = distance(nearest, b) <= AT_BOLT ? nearest : undefined;
    return { id: b.id, gap: near ? near.gap.v : gapAt(surface, b), read: near !== undefined };
  });
  const under = shims.filter((s) => s.x >= plate.x0 && s.x <= plate.x1 && s.y >= plate.y0 && s.y <= plate.y1);
  const least = Math.min(...gaps.map((g) => g.gap), ...under.map((s) => s.gap.v));
  return gaps.map(({ id, gap, read }) => ({ id, thickness: gap - least, read }));
}

export const gapAt = (s: Surface, p: Point): number => s.g0 + s.gx * p.x + s.gy * p.y;
