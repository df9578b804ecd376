import type { Point } from './points';
import type { Loop, Region } from './region';

/** How a flat part is laid down: seen from its other face, turned a quarter anticlockwise, and then moved. */
export interface Laid {
  readonly mirrored: boolean;
  readonly turned: boolean;
  readonly dx: number;
  readonly dy: number;
}

/** A point of the part where it lies. */
export function laidPoint(p: Point, { mirrored, turned, dx, dy }: Laid): Point {
  const [x, y] = [p.x, mirrored ? -p.y : p.y];
  return turned ? { x: dx - y, y: dy + x } : { x: dx + x, y: dy + y };
}

/** A ring where it lies, still anticlockwise: of one that is mirrored the order turns round, and its arcs bulge as before. */
function laidLoop(ring: Loop, laid: Laid): Loop {
  const at = ring.map((v) => ({ ...laidPoint(v, laid), bulge: v.bulge }));
  if (!laid.mirrored) return at;
  // Edge i ran from i to i + 1; turned round it starts where it ended.
  return at.map((_v, i) => {
    const n = at.length;
    const from = at[(n - i) % n]!;
    return { ...from, bulge: at[(2 * n - i - 1) % n]!.bulge };
  });
}

export const laidRegion = ({ outer, openings }: Region, laid: Laid): Region => ({
  outer: laidLoop(outer, laid),
  openings: openings.map((o) => laidLoop(o, laid)),
});
