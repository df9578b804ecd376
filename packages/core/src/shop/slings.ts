import { solve as solveMatrix, Matrix } from 'ml-matrix';
import { G0 } from '../units/unit-table';
import { refuse, type Refusal } from '../units/refusal';

/** Where slings take hold, the centre of mass, and the hook above it. mm, kg; z up. */
export interface Lift {
  readonly mass: number;
  readonly centre: Place;
  /** Hook over the centre of mass, mm. */
  readonly hook: number;
  readonly points: readonly Place[];
}
interface Place {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export interface Leg {
  readonly point: Place;
  /** Sling from its point to the hook, mm, and its angle from level, rad. */
  readonly length: number;
  readonly angle: number;
  /** The most it carries of the ways the load can hang, N. */
  readonly tension: number;
}

export interface Slung {
  readonly legs: readonly Leg[];
  readonly hook: Place;
  readonly how: string;
}

/** A sling flatter than this is not used (EN 818-4 and EN 1492-1: to 60° from upright, from memory). */
export const FLATTEST = (30 * Math.PI) / 180;

/** Ways to take n of a list. */
function choose<T>(list: readonly T[], n: number): T[][] {
  if (n === 0) return [[]];
  return list.flatMap((x, i) => choose(list.slice(i + 1), n - 1).map((rest) => [x, ...rest]));
}

/**
 * Tension of each leg with the hook plumb over the centre of mass: three legs by the three equations of a hanging load; two as three
 * forces in one plane; of four any three are taken to carry, and the most of each counts, as slings are never quite alike. Refuses
 * what would tip, and legs flatter than 30°.
 */
export function slung({ mass, centre, hook, points }: Lift): Slung | Refusal {
  const at = { x: centre.x, y: centre.y, z: centre.z + hook };
  if (points.length === 0 || points.length > 4) return refuse('lift', `${points.length} slings`, '1 to 4');
  if (!points.every((p) => p.z < at.z)) return refuse('lift', 'a sling point is no lower than the hook', 'points under the hook');
  const W = mass * G0;
  const run = (p: Place) => ({ x: at.x - p.x, y: at.y - p.y, z: at.z - p.z });
  const length = (p: Place) => Math.hypot(run(p).x, run(p).y, run(p).z);
  const flat = points.findIndex((p) => Math.asin(run(p).z / length(p)) < FLATTEST - 1e-9);
  if (flat >= 0) return refuse('lift', `sling ${flat + 1} is flatter than 30°`, 'a higher hook, or points further in');
  const ways = points.length <= 3 ? [points.map((_p, i) => i)] : choose([0, 1, 2, 3], 3);
  const found = ways.map((legs) =>
    hang(
      legs.map((i) => run(points[i]!)),
      W,
    ),
  );
  const most = points.map(() => 0);
  let some = false;
  ways.forEach((legs, k) => {
    const t = found[k];
    if (!t) return;
    some = true;
    legs.forEach((i, j) => (most[i] = Math.max(most[i]!, t[j]!)));
  });
  if (!some)
    return refuse('lift', 'the load would tip: its centre of mass hangs outside its slings', 'slings round the centre of mass');
  return {
    hook: at,
    how: points.length === 4 ? 'any three of four legs, the most of each' : 'statics, hook plumb over the centre of mass',
    legs: points.map((point, i) => ({
      point,
      length: length(point),
      angle: Math.asin(run(point).z / length(point)),
      tension: most[i]!,
    })),
  };
}

const HAIR = 1e-6;

/** Tensions along `runs` that together hold W up; undefined where one of them would have to push, or none hold it. */
function hang(runs: readonly Place[], W: number): number[] | undefined {
  const u = runs.map((r) => {
    const l = Math.hypot(r.x, r.y, r.z);
    return [r.x / l, r.y / l, r.z / l];
  });
  const A = new Matrix([0, 1, 2].map((k) => u.map((v) => v[k]!)));
  const b = Matrix.columnVector([0, 0, W]);
  // By singular values, so that two legs and three in one plane are asked alike.
  const t = solveMatrix(A, b, true).to1DArray();
  const left = Matrix.sub(A.mmul(Matrix.columnVector(t)), b).norm('frobenius');
  return left < HAIR * W && t.every((v) => v >= -HAIR * W) ? t.map((v) => Math.max(0, v)) : undefined;
}
