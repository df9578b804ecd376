import { areaOf } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import { spreadRulesOf } from '../job/spread-rules';
import type { LoadCase } from '../loads/load-case';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import type { Assembly } from './assemble';
import { carryShape, carryState } from './carry-state';
import { cellStresses, type CellStress } from './cell-stresses';
import { BASE, FAR, PLATE, SKIN, stackOf, type JobStack, type Mesh } from './from-job';
import { isBed } from './job-layers';
import type { Grid } from './grid';
import { unknownOf } from './pattern';
import { edgePeak, NO_PEAK, peakOver, type CellValues, type Peak } from './peaks';
import { balanceOf, reactionsOf, type Reaction } from './plate-results';
import { EXACT, solverOf, type Care, type Solver, type StackResult, type Start } from './solve-stack';
import type { StackLoad } from './stack';

export type { Peak } from './peaks';

/** How one case goes into the skin. Forces N, lengths mm, stresses MPa; w up. */
export interface SpreadCase {
  readonly caseId: string;
  readonly caseName: string;
  readonly bolts: readonly {
    readonly id: string;
    readonly tension: number;
    /** Lift of the skin there, or on a bed of the plate, mm. */ readonly lift: number;
  }[];
  readonly reactions: readonly Reaction[];
  /** Largest deflection of the skin either way, and over its thickness; on a bed of the plate, and 0. */
  readonly deflection: Peak;
  readonly overThickness: number;
  /** Whether the skin was solved with membrane action, and w over its thickness without it. */
  readonly membrane: boolean;
  readonly linearOverThickness: number;
  /** Stress in plate and in the plate behind the skin, largest mean over a square as wide as the washer; washers bend by Washer dishing. */
  readonly plateStress: Peak;
  readonly farStress: Peak;
  /** The skin's stress, mean over one skin thickness beside the plate's edge. */
  readonly edgeStress: Peak;
  /** Shear across the skin per width, N/mm, mean over a square of one skin thickness. */
  readonly skinShear: Peak;
  /** Pressure on the skin from above and from below, mean over a square as wide as the skin is thick; on a bed, as the plate is. */
  readonly pressure: Peak;
  readonly pressureBelow: Peak;
  /** The part of the plate that presses, mm², and how hard in all, N. */
  readonly pressedArea: number;
  readonly press: number;
  readonly rounds: number;
  /** Left over of force and moments against the load; and of the equations, the largest force against the load. */
  readonly balance: number;
  readonly residual: number;
  readonly result: StackResult;
  /** The equations it was solved with. */
  readonly assembly: Assembly;
}

export type RefusedCase = Refusal & { readonly caseId: string; readonly caseName: string };

/** Everything a job's stack gave, and what the next one is started from. */
export interface Spread {
  readonly mesh: Mesh;
  readonly unknowns: number;
  /** Largest cell, mm, and lines along x and y. */
  readonly spacing: number;
  readonly lines: readonly [number, number];
  readonly cases: readonly (SpreadCase | RefusedCase)[];
  /** Bytes of the factors. */
  readonly bytes: number;
  readonly made: Made;
}

interface Made {
  readonly flat: { readonly job: JobStack; readonly solver: Solver };
  readonly curved?: { readonly job: JobStack; readonly solver: Solver } | undefined;
  /** What acted in each case, flat; and the shape of those with membrane action. */
  readonly states: ReadonlyMap<string, Found>;
  readonly shapes: ReadonlyMap<string, Found>;
}

interface Found {
  readonly assembly: Assembly;
  readonly result: StackResult;
}

/** Where a solve stands: cases done of all, and the round of contact of the one under way. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** Above this the equations do not balance, and the answer is an error and not a result. */
export const MOST_IMBALANCE = 1e-3;
/** A draft on bearers need not settle the last of its contacts; on a bed they are all that holds. */
const careOf = (r: Resolved, mesh: Mesh): Care => (mesh === 'draft' && !isBed(r) ? { nothing: 2e-3, settled: 1e-4 } : EXACT);
/** Deflection over thickness from which bending alone overstates (Timoshenko & Woinowsky-Krieger §13, §97). */
export const THIN = 0.5;

/** The stack of a job under each of its factored cases, all at once. */
export function spreadOf(r: Resolved, cases: readonly LoadCase[], mesh: Mesh, before?: Spread, near?: Spread): Spread | Refusal {
  const steps = spreadSteps(r, cases, mesh, before, near);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
  }
}

/**
 * The same, a case at a time. `before`: an earlier answer, of this mesh or another, from which grid, pattern, factor memory and
 * what touched are taken as far as they fit; it is used up. `near`: another, on a coarser mesh, that knows better what touches; it
 * is only read. Without either, a finer mesh starts from the next coarser one: what touches is found there in a fraction of the time.
 */
export function* spreadSteps(
  r: Resolved,
  cases: readonly LoadCase[],
  mesh: Mesh,
  before?: Spread,
  near?: Spread,
): Generator<Progress, Spread | Refusal> {
  if (before || near || mesh === 'draft') return yield* onOneMesh(r, cases, mesh, before, near);
  const coarser = yield* spreadSteps(r, cases, mesh === 'proof' ? 'fine' : 'draft');
  return isRefusal(coarser) ? coarser : yield* onOneMesh(r, cases, mesh, undefined, coarser);
}

function* onOneMesh(
  r: Resolved,
  cases: readonly LoadCase[],
  mesh: Mesh,
  before?: Spread,
  near?: Spread,
): Generator<Progress, Spread | Refusal> {
  const like = before?.mesh === mesh ? before.made : undefined;
  const made = stackOf(r, mesh, false, like?.flat.job);
  if (isRefusal(made)) return made;
  const flat = tightened(made, like?.flat.solver);
  if (isRefusal(flat)) return flat;
  const { job } = flat;
  const states = new Map<string, Found>();
  const shapes = new Map<string, Found>();
  let curved: Made['curved'];
  const found: (SpreadCase | RefusedCase)[] = [];
  const start = (id: string, to: Assembly): Start | undefined => {
    const was = (near ?? before)?.made.states.get(id) ?? [...states.values()].at(-1);
    return was && { state: stateFor(was, to) };
  };
  const startCurved = (id: string, to: Assembly): Start | undefined => {
    const was = (near ?? before)?.made.shapes.get(id);
    if (!was) return start(id, to);
    const same = was.assembly.pattern === to.pattern;
    return { state: stateFor(was, to), u: same ? was.result.u : carryShape(was.assembly, was.result.u, to) };
  };
  const care = careOf(r, mesh);
  for (const c of cases) {
    yield { done: found.length, of: cases.length };
    const load = onBase(r, flat.solver.assembly, c);
    const result = flat.solver.solve(load, start(c.id, flat.solver.assembly), care);
    if (isRefusal(result)) {
      found.push({ ...result, caseId: c.id, caseName: c.name });
      continue;
    }
    states.set(c.id, { assembly: flat.solver.assembly, result });
    const over = isBed(r) ? 0 : mostLift(r, flat.solver.assembly, result).value / r.skinThickness;
    if (over <= THIN || spreadRulesOf(r.job).membrane === 'never') {
      found.push(caseOf(r, flat.solver.assembly, load, result, c, over));
      continue;
    }
    yield { done: found.length, of: cases.length };
    if (!curved) {
      const stack = stackOf(r, mesh, true, like?.curved?.job ?? job);
      if (isRefusal(stack)) return stack;
      const { bolts } = job.stack;
      curved = { job: stack, solver: solverOf({ ...stack.stack, bolts }, like?.curved?.solver) };
    }
    const bent = curved.solver.solve(load, startCurved(c.id, curved.solver.assembly), { ...care, nothing: EXACT.nothing });
    if (!isRefusal(bent)) shapes.set(c.id, { assembly: curved.solver.assembly, result: bent });
    found.push(
      isRefusal(bent) ? { ...bent, caseId: c.id, caseName: c.name } : caseOf(r, curved.solver.assembly, load, bent, c, over),
    );
  }
  const { grid } = job;
  return {
    mesh,
    unknowns: (curved ?? flat).solver.assembly.unknowns,
    spacing: grid.spacing,
    lines: [grid.grid.x.length, grid.grid.y.length],
    cases: found,
    bytes: flat.solver.bytes() + (curved?.solver.bytes() ?? 0),
    made: { flat, curved, states, shapes },
  };
}

/** Turns of the spanner by which each bolt comes to its preload. */
const TURNS = 3;

/** A stack whose bolts, all tightened and nothing yet loaded, pull as much as the job says: what the plates give is taken up. */
function tightened(job: JobStack, before?: Solver): { job: JobStack; solver: Solver } | Refusal {
  let now = { job, solver: solverOf(job.stack, before) };
  if (job.stack.bolts.every((b) => b.preload === 0)) return now;
  for (let turn = 0; turn < TURNS; turn++) {
    const idle = now.solver.solve({ forces: [] });
    if (isRefusal(idle)) return idle;
    const bolts = now.job.stack.bolts.map((b, i) => ({
      ...b,
      preload: (b.preload * job.stack.bolts[i]!.preload) / Math.max(idle.bolts[i]!, 1e-3 * b.preload),
    }));
    const next = { ...job, stack: { ...job.stack, bolts } };
    now = { job: next, solver: solverOf(next.stack, now.solver) };
  }
  return now;
}

const stateFor = (was: Found, to: Assembly): Uint8Array =>
  was.assembly.pattern === to.pattern ? was.result.state : carryState(was.assembly, was.result.state, to);

/** F_z, M_x and M_y as a pressure that changes in a straight line over the base, on its nodes. */
export function onBase(r: Resolved, a: Assembly, c: LoadCase): StackLoad {
  const { area, nodes, stack } = a;
  const { x, y } = stack.grid;
  const nx = x.length;
  const A = areaOf(r.base);
  const forces = [];
  let [ixx, iyy] = [0, 0];
  for (let n = 0; n < nodes; n++) {
    const own = area[BASE * nodes + n]!;
    ixx += own * y[Math.floor(n / nx)]! ** 2;
    iyy += own * x[n % nx]! ** 2;
  }
  for (let n = 0; n < nodes; n++) {
    const own = area[BASE * nodes + n]!;
    if (own === 0) continue;
    const fz = own * (c.fz / A + (c.mx * y[Math.floor(n / nx)]!) / ixx - (c.my * x[n % nx]!) / iyy);
    forces.push({ layer: BASE, node: n, fz });
  }
  return { forces };
}

/** What is seen to move: the skin; on a bed, which does not, the plate. */
const moves = (r: Resolved) => (isBed(r) ? PLATE : SKIN);

const mostLift = (r: Resolved, a: Assembly, result: StackResult): Peak =>
  nodePeak(a, (n) => Math.abs(result.u[unknownOf(a.nodes, moves(r), n, 0)]!));

function caseOf(
  r: Resolved,
  a: Assembly,
  load: StackLoad,
  result: StackResult,
  c: LoadCase,
  linear: number,
): SpreadCase | RefusedCase {
  const { grid } = a.stack;
  const t = r.skinThickness;
  const reactions = reactionsOf(a, result, load);
  const balance = balanceOf(a, result, load, reactions);
  if (!(balance <= MOST_IMBALANCE)) return { ...unbalanced(balance), caseId: c.id, caseName: c.name };
  const skin = cellStresses(a, result.u, SKIN);
  const largest = (s: CellStress) => Math.max(s.top, s.bottom);
  const over = (layer: number, wide: number) => peakOver(grid, valuesOf(cellStresses(a, result.u, layer), largest), wide);
  const deflection = mostLift(r, a, result);
  return {
    caseId: c.id,
    caseName: c.name,
    bolts: a.stack.bolts.map((b, i) => ({
      id: b.id,
      tension: result.bolts[i]!,
      lift: result.u[unknownOf(a.nodes, moves(r), b.node, 0)]!,
    })),
    reactions,
    deflection,
    overThickness: isBed(r) ? 0 : deflection.value / t,
    membrane: a.stack.layers[SKIN]!.membrane !== undefined,
    linearOverThickness: linear,
    plateStress: over(PLATE, r.washerOutside),
    farStress: r.far.kind === 'plate' && a.stack.layers.length > FAR ? over(FAR, r.washerOutside) : NO_PEAK,
    edgeStress: isBed(r) ? NO_PEAK : besideEdges(r, grid, skin),
    skinShear: peakOver(
      grid,
      valuesOf(skin, (s) => Math.hypot(s.qx, s.qy)),
      t,
    ),
    pressure: pressurePeak(a, result, PLATE, isBed(r) ? r.plateThickness : t),
    pressureBelow: a.stack.layers.length > FAR ? pressurePeak(a, result, SKIN, t) : NO_PEAK,
    ...pressed(a, result),
    rounds: result.rounds,
    balance,
    residual: result.residual,
    result,
    assembly: a,
  };
}

const unbalanced = (balance: number): Refusal =>
  refuse(
    'spread',
    `forces and moments are ${(100 * balance).toFixed(2)} % out of balance`,
    'at most 0.1 %: say so to the makers',
  );

function valuesOf(stresses: readonly CellStress[], f: (s: CellStress) => number): CellValues {
  return { cells: stresses.map((s) => s.cell), values: Float64Array.from(stresses, f) };
}

/** The skin beside the plate's edge, or beside that of a backing plate that reaches past it: whichever is worked harder. */
function besideEdges(r: Resolved, grid: Grid, skin: readonly CellStress[]): Peak {
  const own = edgePeak(grid, skin, r.plate, r.skinThickness);
  if (r.far.kind !== 'plate' || r.far.strips || r.far.outline.x0 === r.plate.x0) return own;
  const behind = edgePeak(grid, skin, r.far.outline, r.skinThickness);
  return behind.value > own.value ? behind : own;
}

const contactOf = (a: Assembly, upper: number) => a.stack.contacts.findIndex((k) => k.upper === upper);

/** Pressure of the contact under a layer, from nodes to the cells of that layer. */
function pressurePeak(a: Assembly, result: StackResult, upper: number, wide: number): Peak {
  const contact = contactOf(a, upper);
  const p = (n: number) => Math.max(0, result.pressure[contact * a.nodes + n]!);
  const nx = a.stack.grid.x.length;
  const cells = a.cells.filter((c) => c.layer === Math.min(upper, SKIN));
  const mean = (c: (typeof cells)[number]) => {
    const n = c.ix + c.iy * nx;
    return (p(n) + p(n + 1) + p(n + nx) + p(n + nx + 1)) / 4;
  };
  return peakOver(a.stack.grid, { cells, values: Float64Array.from(cells, mean) }, wide);
}

function pressed(a: Assembly, result: StackResult): { pressedArea: number; press: number } {
  const under = contactOf(a, PLATE);
  let [pressedArea, press] = [0, 0];
  for (let n = 0; n < a.nodes; n++) {
    const p = result.pressure[under * a.nodes + n]!;
    if (p <= 0) continue;
    pressedArea += a.area[PLATE * a.nodes + n]!;
    press += p * Math.min(a.area[PLATE * a.nodes + n]!, a.area[SKIN * a.nodes + n]!);
  }
  return { pressedArea, press };
}

function nodePeak(a: Assembly, value: (n: number) => number): Peak {
  const { x, y } = a.stack.grid;
  let at = 0;
  for (let n = 1; n < a.nodes; n++) if (value(n) > value(at)) at = n;
  return { value: value(at), at: { x: x[at % x.length]!, y: y[Math.floor(at / x.length)]! } };
}
