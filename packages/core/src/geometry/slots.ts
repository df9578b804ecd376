import { add, distance, dot, scale, sub, type Point } from './points';
import type { Loop } from './region';

/** The middle line of a hole: from the centre of one round end to that of the other; a point twice where it is round. */
export type MiddleLine = readonly [Point, Point];

function toSegment(p: Point, [a, b]: MiddleLine): number {
  const v = sub(b, a);
  const l = dot(v, v);
  const t = l === 0 ? 0 : Math.max(0, Math.min(1, dot(sub(p, a), v) / l));
  return distance(p, add(a, scale(v, t)));
}

const side = (p: Point, [a, b]: MiddleLine): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Whether two lines cross, each between its ends; touching is no crossing. */
export const crosses = (a: MiddleLine, b: MiddleLine): boolean =>
  side(a[0], b) * side(a[1], b) < 0 && side(b[0], a) * side(b[1], a) < 0;

/** Between two middle lines, mm; 0 where they cross. */
export function between(a: MiddleLine, b: MiddleLine): number {
  return crosses(a, b) ? 0 : Math.min(toSegment(a[0], b), toSegment(a[1], b), toSegment(b[0], a), toSegment(b[1], a));
}

/** The outline of a hole d wide about its middle line, anticlockwise, its ends as half circles. */
export function slotLoop([from, to]: MiddleLine, d: number): Loop {
  const long = distance(from, to);
  if (long < 1e-9)
    return [
      { x: from.x - d / 2, y: from.y, bulge: 1 },
      { x: from.x + d / 2, y: from.y, bulge: 1 },
    ];
  const u = scale(sub(from, to), 1 / long);
  const s = { x: (-u.y * d) / 2, y: (u.x * d) / 2 };
  return [
    { ...sub(to, s), bulge: 0 },
    { ...sub(from, s), bulge: 1 },
    { ...add(from, s), bulge: 0 },
    { ...add(to, s), bulge: 1 },
  ];
}
