import type { Vector } from '../geometry/vector';

/** Places over which a load is spread, each with its weight; mm, and mm² or any other measure of how much of it there is. */
export interface Places {
  readonly count: number;
  readonly x: (i: number) => number;
  readonly y: (i: number) => number;
  readonly weight: (i: number) => number;
}

/**
 * A force and two moments about the datum as a pressure that changes in a straight line over places (statics; N/A + M/I with the
 * product of inertia, so that they add up to the load over any outline). Force at each place, N.
 */
export function inStraightLine({ count, x, y, weight }: Places, load: Pick<Vector, 'fz' | 'mx' | 'my'>): Float64Array {
  let [mass, sx, sy] = [0, 0, 0];
  for (let i = 0; i < count; i++) {
    mass += weight(i);
    sx += weight(i) * x(i);
    sy += weight(i) * y(i);
  }
  const [cx, cy] = [sx / mass, sy / mass];
  let [xx, yy, xy] = [0, 0, 0];
  for (let i = 0; i < count; i++) {
    xx += weight(i) * (x(i) - cx) ** 2;
    yy += weight(i) * (y(i) - cy) ** 2;
    xy += weight(i) * (x(i) - cx) * (y(i) - cy);
  }
  const mx = load.mx - cy * load.fz;
  const my = load.my + cx * load.fz;
  const det = xx * yy - xy * xy;
  const alongX = -(my * yy + mx * xy) / det;
  const alongY = (mx * xx + my * xy) / det;
  const out = new Float64Array(count);
  for (let i = 0; i < count; i++) out[i] = weight(i) * (load.fz / mass + alongX * (x(i) - cx) + alongY * (y(i) - cy));
  return out;
}
