import type { Point } from './points';

/** A point in space, mm: x forward, y to port, z up. */
export interface Place extends Point {
  readonly z: number;
}

/** Forces in N and moments in N·mm; x forward, y to port, z up off the plate. */
export interface Vector {
  readonly fx: number;
  readonly fy: number;
  readonly fz: number;
  readonly mx: number;
  readonly my: number;
  readonly mz: number;
}

export const WAYS = ['fx', 'fy', 'fz', 'mx', 'my', 'mz'] as const;
export type Way = (typeof WAYS)[number];

/** Each part of a vector worked out by itself. */
export const eachWay = (f: (way: Way) => number): Vector => ({
  fx: f('fx'),
  fy: f('fy'),
  fz: f('fz'),
  mx: f('mx'),
  my: f('my'),
  mz: f('mz'),
});

export const cross = (r: Place, f: Place): Place => ({
  x: r.y * f.z - r.z * f.y,
  y: r.z * f.x - r.x * f.z,
  z: r.x * f.y - r.y * f.x,
});

/** The same force and moment about another point: r × F from there to here is added (statics). */
export function about(v: Vector, from: Place, to: Place): Vector {
  const r = { x: from.x - to.x, y: from.y - to.y, z: from.z - to.z };
  const m = cross(r, { x: v.fx, y: v.fy, z: v.fz });
  return { ...v, mx: v.mx + m.x, my: v.my + m.y, mz: v.mz + m.z };
}

/** What acts at a face, at `h` below it: what pushes along the face tips by that much more, M = V·h (statics). */
export const lowered = <V extends Vector>(v: V, h: number): V =>
  h === 0 ? v : { ...v, mx: v.mx - h * v.fy, my: v.my + h * v.fx };

/** Seen in axes turned by `turn` rad about z. */
export function inTurnedAxes(v: Vector, turn: number): Vector {
  if (turn === 0) return v;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return {
    fx: c * v.fx + s * v.fy,
    fy: -s * v.fx + c * v.fy,
    fz: v.fz,
    mx: c * v.mx + s * v.my,
    my: -s * v.mx + c * v.my,
    mz: v.mz,
  };
}

/** A point of the fitting in a foot's own axes. */
export function placeInAxes(p: Place, at: Place, turn: number): Place {
  const [x, y] = [p.x - at.x, p.y - at.y];
  const [c, s] = turn === 0 ? [1, 0] : [Math.cos(turn), Math.sin(turn)];
  return { x: c * x + s * y, y: -s * x + c * y, z: p.z - at.z };
}
