import type { Resolved } from '../job/resolve';
import { spreadRulesOf } from '../job/spread-rules';
import type { LoadCase } from '../loads/load-case';
import { isRefusal, type Refusal } from '../units/refusal';
import type { Assembly } from './assemble';
import { carryShape, carryState } from './carry-state';
import { aimedAt, FINER, stackOf, type JobStack, type Mesh } from './from-job';
import { isBed } from './job-layers';
import { caseReader, mostLift, onBase, type SpreadCase } from './read-case';
import { EXACT, retightened, solverOf, type Care, type Solver, type StackResult, type Start } from './solve-stack';

export type { Peak } from './peaks';
export type { SpreadCase } from './read-case';

export type RefusedCase = Refusal & { readonly caseId: string; readonly caseName: string };

/** Everything a job's stack gave, and what the next one is started from. */
export interface Spread {
  readonly mesh: Mesh;
  /** Unknowns aimed at, and had. */
  readonly aim: number;
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

/** Where a solve stands: cases done of all. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

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
 * Where a bolt's pull is still on the move from the draft to the fine mesh, a finer one is solved, and kept from there on.
 */
export function* spreadSteps(
  r: Resolved,
  cases: readonly LoadCase[],
  mesh: Mesh,
  before?: Spread,
  near?: Spread,
): Generator<Progress, Spread | Refusal> {
  let coarser = [near, before].find((s) => s?.mesh === 'draft');
  if (!before && !near && mesh !== 'draft') {
    const found = yield* spreadSteps(r, cases, mesh === 'proof' ? 'fine' : 'draft');
    if (isRefusal(found)) return found;
    coarser = found;
  }
  const aim = before?.mesh === mesh ? before.aim : aimedAt(r, mesh);
  const answer = yield* onOneMesh(r, cases, mesh, aim, before, near ?? coarser);
  if (mesh !== 'fine' || isRefusal(answer) || aim >= FINER || !coarser || pullsMoved(coarser, answer) <= STILL) return answer;
  return yield* onOneMesh(r, cases, mesh, FINER, undefined, answer);
}

/** Pulls that moved less from the draft to the fine mesh, as parts of the case's largest, move less than 2 % from there to the proof. */
const STILL = 0.03;
function pullsMoved(one: Spread, other: Spread): number {
  const known = new Map(one.cases.flatMap((c) => ('refused' in c ? [] : [[c.caseId, c.bolts] as const])));
  const moved = other.cases.flatMap((c) => {
    const was = 'refused' in c ? undefined : known.get(c.caseId);
    if (!was || 'refused' in c) return [];
    const largest = Math.max(...c.bolts.map((b) => b.tension), 1e-9);
    return c.bolts.map((b, i) => Math.abs(b.tension - was[i]!.tension) / largest);
  });
  return Math.max(0, ...moved);
}

function* onOneMesh(
  r: Resolved,
  cases: readonly LoadCase[],
  mesh: Mesh,
  aim: number,
  before?: Spread,
  near?: Spread,
): Generator<Progress, Spread | Refusal> {
  const like = before?.mesh === mesh ? before.made : undefined;
  const made = stackOf(r, mesh, false, like?.flat.job, aim);
  if (isRefusal(made)) return made;
  const flat = tightened(made, like?.flat.solver);
  if (isRefusal(flat)) return flat;
  const { job } = flat;
  const states = new Map<string, Found>();
  const shapes = new Map<string, Found>();
  let curved: (NonNullable<Made['curved']> & { readonly read: ReturnType<typeof caseReader> }) | undefined;
  const read = caseReader(r, flat.solver.assembly);
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
  const named = (answer: SpreadCase | Refusal, c: LoadCase) =>
    isRefusal(answer) ? { ...answer, caseId: c.id, caseName: c.name } : answer;
  for (const c of nearestFirst(cases, (near ?? before)?.made.states)) {
    yield { done: found.length, of: cases.length };
    const load = onBase(r, flat.solver.assembly, c);
    const result = flat.solver.solve(load, start(c.id, flat.solver.assembly), care);
    if (isRefusal(result)) {
      found.push(named(result, c));
      continue;
    }
    states.set(c.id, { assembly: flat.solver.assembly, result });
    const over = isBed(r) ? 0 : mostLift(r, flat.solver.assembly, result).value / r.skinThickness;
    if (over <= THIN || spreadRulesOf(r.job).membrane === 'never') {
      found.push(named(read(load, result, c, over), c));
      continue;
    }
    yield { done: found.length, of: cases.length };
    if (!curved) {
      const stack = stackOf(r, mesh, true, like?.curved?.job ?? job, aim);
      if (isRefusal(stack)) return stack;
      const { bolts } = job.stack;
      const solver = solverOf({ ...stack.stack, bolts }, like?.curved?.solver);
      curved = { job: stack, solver, read: caseReader(r, solver.assembly) };
    }
    const bent = curved.solver.solve(load, startCurved(c.id, curved.solver.assembly), { ...care, nothing: EXACT.nothing });
    if (!isRefusal(bent)) shapes.set(c.id, { assembly: curved.solver.assembly, result: bent });
    found.push(named(isRefusal(bent) ? bent : curved.read(load, bent, c, over), c));
  }
  const at = new Map(cases.map((c, i) => [c.id, i]));
  found.sort((p, q) => at.get(p.caseId)! - at.get(q.caseId)!);
  const { grid } = job;
  return {
    mesh,
    aim,
    unknowns: (curved ?? flat).solver.assembly.unknowns,
    spacing: grid.spacing,
    lines: [grid.grid.x.length, grid.grid.y.length],
    cases: found,
    bytes: flat.solver.bytes() + (curved?.solver.bytes() ?? 0),
    made: { flat, curved, states, shapes },
  };
}

/** Cases one after the other so that little changes in what touches, as far as an earlier answer knows: the factor is mended least. */
function nearestFirst(cases: readonly LoadCase[], known: ReadonlyMap<string, Found> | undefined): readonly LoadCase[] {
  const left = cases.filter((c) => known?.has(c.id));
  const out = cases.filter((c) => !known?.has(c.id));
  let last: Uint8Array | undefined;
  while (left.length > 0) {
    const off = (c: LoadCase) => {
      const { state } = known!.get(c.id)!.result;
      return last ? state.reduce((sum, v, i) => sum + (v === last![i] ? 0 : 1), 0) : 0;
    };
    const next = left.reduce((best, c) => (off(c) < off(best) ? c : best));
    left.splice(left.indexOf(next), 1);
    out.push(next);
    last = known!.get(next.id)!.result.state;
  }
  return out;
}

/** Turns of the spanner by which each bolt comes to its preload. */
const TURNS = 3;

/** A stack whose bolts, all tightened and nothing yet loaded, pull as much as the job says: what the plates give is taken up. */
function tightened(job: JobStack, before?: Solver): { job: JobStack; solver: Solver } | Refusal {
  let now = { job, solver: solverOf(job.stack, before) };
  if (job.stack.bolts.every((b) => b.preload === 0)) return now;
  let start: Start | undefined;
  for (let turn = 0; turn < TURNS; turn++) {
    const idle = now.solver.solve({ forces: [] }, start);
    if (isRefusal(idle)) return idle;
    start = idle;
    const bolts = now.job.stack.bolts.map((b, i) => ({
      ...b,
      preload: (b.preload * job.stack.bolts[i]!.preload) / Math.max(idle.bolts[i]!, 1e-3 * b.preload),
    }));
    now = { job: { ...job, stack: { ...job.stack, bolts } }, solver: retightened(now.solver, bolts) };
  }
  return now;
}

const stateFor = (was: Found, to: Assembly): Uint8Array =>
  was.assembly.pattern === to.pattern ? was.result.state : carryState(was.assembly, was.result, to);
