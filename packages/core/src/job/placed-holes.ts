import { add, distance, dot, scale, sub, type Point } from '../geometry/points';
import { edgeDistance } from '../geometry/region';
import { slotRun } from './bolt-holes';
import { atBolt } from './of-kind';
import type { Resolved } from './resolved';

/** Centres of the round ends of bolt i's hole in the plate; twice its own place where it is round. */
export function holeEnds(r: Resolved, i: number): readonly [Point, Point] {
  const { d0, slot } = atBolt(r, i);
  const run = slotRun({ plate: d0, ...(slot ? { slot } : {}) });
  const b = r.bolts[i]!;
  return [
    { x: b.x + run.x, y: b.y + run.y },
    { x: b.x - run.x, y: b.y - run.y },
  ];
}

/** From the middle line of bolt i's hole to the plate's edge, mm; under 0 outside it. */
export const edgeOf = (r: Resolved, i: number): number => Math.min(...holeEnds(r, i).map((p) => edgeDistance(r.region, p)));

function toSegment(p: Point, [a, b]: readonly [Point, Point]): number {
  const v = sub(b, a);
  const l = dot(v, v);
  const t = l === 0 ? 0 : Math.max(0, Math.min(1, dot(sub(p, a), v) / l));
  return distance(p, add(a, scale(v, t)));
}

const side = (p: Point, [a, b]: readonly [Point, Point]): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Between the middle lines of two bolts' holes, mm; between centres where both are round. */
export function apart(r: Resolved, i: number, j: number): number {
  const [a, b] = [holeEnds(r, i), holeEnds(r, j)];
  const cross = side(a[0], b) * side(a[1], b) < 0 && side(b[0], a) * side(b[1], a) < 0;
  return cross ? 0 : Math.min(toSegment(a[0], b), toSegment(a[1], b), toSegment(b[0], a), toSegment(b[1], a));
}
