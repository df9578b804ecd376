import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';
import type { FreeLoad, Job, Load, WinchLoad } from '../job/schema';

/**
 * One load case at the plate datum: centroid of the base, at the plate face. N and N·mm; x forward, y to port, z up.
 * Not yet factored: the school's load factor is applied in `factored`.
 */
export interface LoadCase {
  readonly id: string;
  readonly name: string;
  readonly loadId: string;
  readonly fx: number;
  readonly fy: number;
  readonly fz: number;
  readonly mx: number;
  readonly my: number;
  readonly mz: number;
  /** Where it acts, kept for the drawing. */
  readonly at: { readonly x: number; readonly y: number; readonly z: number };
  readonly steps: readonly Step[];
}

const F_X = formula('F_x', 'P·cos(β)·cos(θ)', 'N');
const F_Y = formula('F_y', 'P·cos(β)·sin(θ)', 'N');
const F_Z = formula('F_z', 'P·sin(β)', 'N');
// Moments of a force at (x, y, z) about the datum, r × F (statics).
const M_X = formula('M_x', 'M_x.0 + y·F_z − z·F_y', 'N·mm');
const M_Y = formula('M_y', 'M_y.0 + z·F_x − x·F_z', 'N·mm');
const M_Z = formula('M_z', 'M_z.0 + x·F_y − y·F_x', 'N·mm');

type Vector = Pick<LoadCase, 'fx' | 'fy' | 'fz' | 'mx' | 'my' | 'mz'>;

function atDatum(v: Vector, at: LoadCase['at'], w: Working): Vector {
  const put = { x: at.x, y: at.y, z: at.z, F_x: v.fx, F_y: v.fy, F_z: v.fz, 'M_x.0': v.mx, 'M_y.0': v.my, 'M_z.0': v.mz };
  return { ...v, mx: w.of(M_X, put), my: w.of(M_Y, put), mz: w.of(M_Z, put) };
}

const degrees = (rad: number) => Math.round((rad * 1800) / Math.PI) / 10;

/** Side angles of a fan of n pulls from −s (starboard) to +s (port); one pull is dead ahead. */
export function fanAngles(s: number, n: number): number[] {
  if (n === 1 || s === 0) return [0];
  return Array.from({ length: n }, (_, i) => -s + (2 * s * i) / (n - 1));
}

/** A winch: the rated pull at drum height, each side angle level, and again at the up angle where there is one (statics). */
export function winchCases(load: WinchLoad, recording = true): LoadCase[] {
  const P = load.pull.v;
  const ups = load.upAngle.v > 0 ? [0, load.upAngle.v] : [0];
  const out: LoadCase[] = [];
  for (const beta of ups) {
    for (const theta of fanAngles(load.sideAngle.v, load.fan)) {
      const w = new Working(recording);
      const put = { P, β: (beta * 180) / Math.PI, θ: (theta * 180) / Math.PI };
      const force = { fx: w.of(F_X, put), fy: w.of(F_Y, put), fz: w.of(F_Z, put), mx: 0, my: 0, mz: 0 };
      const at = { x: 0, y: 0, z: load.drumHeight.v };
      const side = Math.abs(theta) < 1e-9 ? 'ahead' : `${Math.abs(degrees(theta))}° ${theta > 0 ? 'port' : 'starboard'}`;
      const name = `${load.name}: ${side}${beta > 0 ? `, ${degrees(beta)}° up` : ''}`;
      out.push({ id: `${load.id}-${out.length + 1}`, name, loadId: load.id, at, ...atDatum(force, at, w), steps: w.steps });
    }
  }
  return out;
}

/** A force and moment as typed, at a point, moved to the datum. */
export function freeCase(load: FreeLoad, recording = true): LoadCase {
  const w = new Working(recording);
  const at = { x: load.x.v, y: load.y.v, z: load.z.v };
  const vector = { fx: load.fx.v, fy: load.fy.v, fz: load.fz.v, mx: load.mx.v, my: load.my.v, mz: load.mz.v };
  return { id: `${load.id}-1`, name: load.name, loadId: load.id, at, ...atDatum(vector, at, w), steps: w.steps };
}

export function casesOfLoad(load: Load, recording = true): LoadCase[] {
  return load.kind === 'winch' ? winchCases(load, recording) : [freeCase(load, recording)];
}

/** All cases of a job, in the order of its loads. */
export function casesOf(job: Job, recording = false): LoadCase[] {
  return job.loads.flatMap((l) => casesOfLoad(l, recording));
}

/** The case with the school's load factor on it. */
export function factored(c: LoadCase, factor: number): LoadCase {
  if (factor === 1) return c;
  return {
    ...c,
    fx: c.fx * factor,
    fy: c.fy * factor,
    fz: c.fz * factor,
    mx: c.mx * factor,
    my: c.my * factor,
    mz: c.mz * factor,
  };
}
