import { ringSeen, seenAlong } from './cross-cuts';
import type { Point } from './points';
import type { Region } from './region';

/** How far a strip along a line stays on metal to its left and to its right, mm; 0 both where an edge stands across the line itself. */
export interface Clear {
  readonly left: number;
  readonly right: number;
}

/** Ends of a strip do not count: an edge may begin where it begins. mm. */
const ENDS = 1e-6;

/** From a point on the metal along unit direction u, so far: nearest edge of the part, of an opening or a hole beside that line. */
export function clearBeside(r: Region, p: Point, u: Point, length: number): Clear {
  const see = seenAlong(p, u);
  let [left, right] = [Infinity, Infinity];
  for (const loop of [r.outer, ...r.openings]) {
    const ring = ringSeen(loop, see);
    ring.forEach((a, k) => {
      const b = ring[(k + 1) % ring.length]!;
      // The part of the edge that stands beside the strip, between its ends.
      const [lo, hi] = a.s < b.s ? [a, b] : [b, a];
      if (hi.s <= ENDS || lo.s >= length - ENDS) return;
      const at = (s: number) => (hi.s - lo.s < 1e-12 ? lo.y : lo.y + ((s - lo.s) / (hi.s - lo.s)) * (hi.y - lo.y));
      const upright = hi.s - lo.s < 1e-12;
      const [y0, y1] = upright ? [lo.y, hi.y] : [at(Math.max(lo.s, ENDS)), at(Math.min(hi.s, length - ENDS))];
      if (Math.min(y0, y1) <= 0 && Math.max(y0, y1) >= 0) [left, right] = [0, 0];
      else if (y0 > 0) left = Math.min(left, y0, y1);
      else right = Math.min(right, -y0, -y1);
    });
  }
  return { left, right };
}
