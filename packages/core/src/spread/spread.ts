import type { Point } from '../geometry/points';
import { areaOf } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import type { LoadCase } from '../loads/load-case';
import { isRefusal, type Refusal } from '../units/refusal';
import { unknownOf } from './pattern';
import { edgePeak } from './edge-peak';
import { BASE, FAR, PLATE, SKIN, stackOf, type JobStack, type Mesh } from './from-job';
import { balanceOf, momentsOf, reactionsOf, type Reaction } from './plate-results';
import { solverOf, type Solver, type StackResult } from './solve-stack';
import type { StackLoad } from './stack';

/** A value and where it stands on the plan. */
export interface Peak {
  readonly value: number;
  readonly at: Point;
}

/** How one case goes into the skin. Forces N, lengths mm, stresses MPa; w up. */
export interface SpreadCase {
  readonly caseId: string;
  readonly caseName: string;
  readonly bolts: readonly { readonly id: string; readonly tension: number }[];
  readonly reactions: readonly Reaction[];
  /** Largest deflection of the skin either way, and over its thickness. */
  readonly deflection: Peak;
  readonly overThickness: number;
  /** Largest bending stress in the middle of a cell of the plate and of what is behind the skin. */
  readonly plateStress: Peak;
  readonly farStress: Peak;
  /** The skin's stress, mean over one skin thickness beside the plate's edge. */
  readonly edgeStress: Peak;
  /** Pressure under the plate, and the part of the plate that presses, mm². */
  readonly pressure: Peak;
  readonly pressedArea: number;
  readonly rounds: number;
  /** Left over of force and moments against the load. */
  readonly balance: number;
  readonly result: StackResult;
}

export interface Spread {
  readonly job: JobStack;
  readonly solver: Solver;
  readonly unknowns: number;
  readonly cases: readonly (SpreadCase | (Refusal & { readonly caseId: string; readonly caseName: string }))[];
}

/** Above this the equations do not balance, and the answer is an error and not a result. */
export const MOST_IMBALANCE = 1e-3;

/** The stack of a job under each of its factored cases; each starts from what touched in the one before. */
export function spreadOf(r: Resolved, cases: readonly LoadCase[], mesh: Mesh): Spread | Refusal {
  const job = stackOf(r, mesh);
  if (isRefusal(job)) return job;
  const solver = solverOf(job.stack);
  return {
    job,
    solver,
    unknowns: solver.assembly.unknowns,
    cases: cases.map((c) => {
      const found = oneCase(r, job, solver, c);
      return isRefusal(found) ? { ...found, caseId: c.id, caseName: c.name } : found;
    }),
  };
}

/** F_z, M_x and M_y as a pressure that changes in a straight line over the base, on its nodes. */
export function onBase(r: Resolved, solver: Solver, c: LoadCase): StackLoad {
  const { area, nodes, stack } = solver.assembly;
  const { x, y } = stack.grid;
  const nx = x.length;
  const A = areaOf(r.base);
  const forces = [];
  let [ixx, iyy] = [0, 0];
  for (let n = 0; n < nodes; n++) {
    const a = area[BASE * nodes + n]!;
    ixx += a * y[Math.floor(n / nx)]! ** 2;
    iyy += a * x[n % nx]! ** 2;
  }
  for (let n = 0; n < nodes; n++) {
    const a = area[BASE * nodes + n]!;
    if (a === 0) continue;
    const fz = a * (c.fz / A + (c.mx * y[Math.floor(n / nx)]!) / ixx - (c.my * x[n % nx]!) / iyy);
    forces.push({ layer: BASE, node: n, fz });
  }
  return { forces };
}

function oneCase(r: Resolved, job: JobStack, solver: Solver, c: LoadCase): SpreadCase | Refusal {
  const load = onBase(r, solver, c);
  const result = solver.solve(load);
  if (isRefusal(result)) return result;
  const a = solver.assembly;
  const deflection = nodePeak(job, a.nodes, (n) => Math.abs(result.u[unknownOf(a.nodes, SKIN, n, 0)]!));
  const under = a.stack.contacts.findIndex((k) => k.upper === PLATE);
  const pressure = nodePeak(job, a.nodes, (n) => result.pressure[under * a.nodes + n]!);
  let pressedArea = 0;
  for (let n = 0; n < a.nodes; n++) if (result.pressure[under * a.nodes + n]! > 0) pressedArea += a.area[PLATE * a.nodes + n]!;
  return {
    caseId: c.id,
    caseName: c.name,
    bolts: a.stack.bolts.map((b, i) => ({ id: b.id, tension: result.bolts[i]! })),
    reactions: reactionsOf(a, result, load),
    deflection,
    overThickness: deflection.value / r.skinThickness,
    plateStress: cellPeak(solver, result, PLATE),
    farStress: cellPeak(solver, result, FAR),
    edgeStress: edgePeak(r, solver, result),
    pressure,
    pressedArea,
    rounds: result.rounds,
    balance: balanceOf(a, result, load),
    result,
  };
}

function nodePeak(job: JobStack, nodes: number, value: (n: number) => number): Peak {
  const { x, y } = job.stack.grid;
  let at = 0;
  for (let n = 1; n < nodes; n++) if (value(n) > value(at)) at = n;
  return { value: value(at), at: { x: x[at % x.length]!, y: y[Math.floor(at / x.length)]! } };
}

function cellPeak(solver: Solver, result: StackResult, layer: number): Peak {
  const { x, y } = solver.assembly.stack.grid;
  let best: Peak = { value: 0, at: { x: 0, y: 0 } };
  for (const { cell, vonMises } of momentsOf(solver.assembly, result, layer))
    if (vonMises > best.value) best = { value: vonMises, at: { x: x[cell.ix]! + cell.a / 2, y: y[cell.iy]! + cell.b / 2 } };
  return best;
}
