import { cross, eachWay, type Place, type Vector } from '../geometry/vector';
import type { Duration } from '../stock/load-duration';
import { formula } from '../working/formula';
import type { Step, Working } from '../working/steps';
import type { Beside } from './beside';

/** How a case counts in limit states: lasting (γ_G), coming and going (γ_Q), or a crash or other accident (factor 1). */
export const ACTIONS = ['permanent', 'variable', 'accidental'] as const;
export type Action = (typeof ACTIONS)[number];

/** How long an action lasts until somebody says: a load that comes and goes is taken as short, a crash as a moment (EN 1995-1-1 §2.3.1.2). */
export const usualDuration = (action: LoadCase['action']): Duration =>
  action === 'permanent' ? 'permanent' : action === 'accidental' ? 'instantaneous' : 'short';

/**
 * One load case at the plate datum: centroid of the base, at the plate face. Not yet factored: the school's load
 * factor is applied in `factored`. A combination carries its factors already.
 */
export interface LoadCase extends Vector {
  readonly id: string;
  readonly name: string;
  readonly loadId: string;
  readonly action: Action | 'combined';
  /** How long it lasts, where the load says; else as its action usually does. */
  readonly duration?: Duration;
  /** The wind is in it: where nobody says how long it lasts, NDS counts it as ten minutes. */
  readonly wind?: true;
  /** The part of it that is weight, and lasts. */
  readonly weight?: Vector;
  /** On that part in place of the action's own factor, in limit states: a weight that holds down counts least, one that presses most. */
  readonly onWeight?: number;
  /** What the other feet bring at the same time, where they stand on one panel with this one. */
  readonly beside?: readonly Beside[];
  /** Where it acts, kept for the drawing. */
  readonly at: Place;
  readonly steps: readonly Step[];
}

/** A force with any moment of its own, at its point of application; `weight` is the part of it that lasts. */
export interface PointLoad extends Partial<Vector> {
  readonly at: Place;
  readonly weight?: Partial<Vector>;
}

// Moments of a force at (x, y, z) about the datum, r × F (statics).
const M_X = formula('M_x', 'M_x.0 + y·F_z − z·F_y', 'N·mm');
const M_Y = formula('M_y', 'M_y.0 + z·F_x − x·F_z', 'N·mm');
const M_Z = formula('M_z', 'M_z.0 + x·F_y − y·F_x', 'N·mm');

/** Moves a point load to the datum, written down. */
export function atDatum(p: PointLoad, w: Working): Vector {
  const { fx = 0, fy = 0, fz = 0, mx = 0, my = 0, mz = 0 } = p;
  const put = { ...p.at, F_x: fx, F_y: fy, F_z: fz, 'M_x.0': mx, 'M_y.0': my, 'M_z.0': mz };
  return { fx, fy, fz, mx: w.of(M_X, put, 'statics, about the base centre'), my: w.of(M_Y, put), mz: w.of(M_Z, put) };
}

/** Several forces as one at their mean point, with the moment that is left over (statics). Written down. */
export function together(forces: readonly { readonly f: Place; readonly at: Place }[], w: Working): PointLoad {
  const size = forces.map(({ f }) => Math.hypot(f.x, f.y, f.z));
  const all = size.reduce((a, b) => a + b, 0);
  const sum = { x: 0, y: 0, z: 0 };
  const at = { x: 0, y: 0, z: 0 };
  const m = { x: 0, y: 0, z: 0 };
  forces.forEach(({ f, at: p }, i) => {
    const moment = cross(p, f);
    for (const k of ['x', 'y', 'z'] as const) {
      sum[k] += f[k];
      m[k] += moment[k];
      at[k] += all > 0 ? (p[k] * size[i]!) / all : 0;
    }
  });
  const carried = cross(at, sum);
  const how = 'all forces put at their mean point; what is left over';
  return {
    fx: w.found('F_x', sum.x, 'N', 'sum of the forces'),
    fy: w.found('F_y', sum.y, 'N', 'sum of the forces'),
    fz: w.found('F_z', sum.z, 'N', 'sum of the forces'),
    mx: w.found('M_x.0', m.x - carried.x, 'N·mm', how),
    my: w.found('M_y.0', m.y - carried.y, 'N·mm', how),
    mz: w.found('M_z.0', m.z - carried.z, 'N·mm', how),
    at,
  };
}

/** The case seen in a mirror along the keel: port becomes starboard. Written down. */
export function mirrored(c: LoadCase): LoadCase {
  const step: Step = {
    symbol: 'mirror',
    text: 'port and starboard swapped: F_y, M_x and M_z turn round',
    inputs: {},
    value: -1,
    unit: '',
  };
  const swap = <V extends Vector>(v: V): V => ({ ...v, fy: -v.fy || 0, mx: -v.mx || 0, mz: -v.mz || 0 });
  return {
    ...swap(c),
    ...(c.weight ? { weight: swap(c.weight) } : {}),
    at: { ...c.at, y: -c.at.y || 0 },
    name: `${c.name}, mirrored`,
    steps: c.steps.length > 0 ? [...c.steps, step] : c.steps,
  };
}

/** The case with the school's load factor on it; what of it is weight takes its own. */
export function factored(c: LoadCase, factor: number): LoadCase {
  const { onWeight = factor, beside } = c;
  if (factor === 1 && onWeight === 1) return c;
  const of = (v: Vector & { readonly weight?: Vector }) =>
    eachWay((k) => v[k] * factor + (v.weight ? v.weight[k] * (onWeight - factor) : 0));
  return { ...c, ...of(c), ...(beside ? { beside: beside.map((b) => ({ ...b, ...of(b) })) } : {}) };
}

const degrees = (rad: number) => Math.round((rad * 1800) / Math.PI) / 10;

/** Side angles of a fan of n pulls from −s (starboard) to +s (port); one pull is dead ahead. */
export function fanAngles(s: number, n: number): number[] {
  if (n === 1 || s === 0) return [0];
  return Array.from({ length: n }, (_, i) => -s + (2 * s * i) / (n - 1));
}

/** "ahead", "30° port", "30° starboard, 20° up". */
export function directionName(theta: number, beta = 0): string {
  const side = Math.abs(theta) < 1e-9 ? 'ahead' : `${Math.abs(degrees(theta))}° ${theta > 0 ? 'port' : 'starboard'}`;
  return `${side}${beta > 0 ? `, ${degrees(beta)}° up` : beta < 0 ? `, ${-degrees(beta)}° down` : ''}`;
}
