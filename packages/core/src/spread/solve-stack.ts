import { refuse, type Refusal } from '../units/refusal';
import { assemble, type Assembly, type Link } from './assemble';
import { factorise, solve, type Factor } from './cholesky';
import { energyOf, type Energy } from './energy';
import { stretch } from './link-lists';
import { EACH, unknownOf } from './pattern';
import type { Stack, StackLoad } from './stack';

/** One load's answer. */
export interface StackResult {
  /** Displacement of every unknown, index as in `unknownOf`: w up in mm, β_x and β_y, and u, v where there is membrane action. */
  readonly u: Float64Array;
  /** Pull in each bolt, and push down each post, N. */
  readonly bolts: Float64Array;
  readonly pushes: Float64Array;
  /** Pressure of each contact at each node, MPa: contact·nodes + node; tied ones may pull, below 0. */
  readonly pressure: Float64Array;
  /** Rounds of the search for what touches. */
  readonly rounds: number;
  /** Largest force left over against the load, relative. */
  readonly residual: number;
  /** Links that act: what the next, near load is best started from. */
  readonly state: Uint8Array;
}

/** A stack made ready: its pattern found once, its factor mended where what touches changes. */
export interface Solver {
  readonly assembly: Assembly;
  /** `start`: links that act at first, all where left out; and with membrane action a shape to start from. */
  solve(load: StackLoad, start?: Start, care?: Care): StackResult | Refusal;
  /** Memory of the factor, bytes; 0 before the first solve. */
  bytes(): number;
  /** The factor's memory, for the solver that takes this one's place. */
  readonly kept: Kept;
}

/** What a solve is started from: another's state, and its displacements, index as in `unknownOf`. */
export interface Start {
  readonly state: Uint8Array;
  readonly u?: Float64Array;
}

interface Kept {
  factor?: Factor | undefined;
  /** The state it was made in; none with membrane action, where it changes everywhere. */
  state?: Uint8Array | undefined;
  /** How hard what hangs loose is held in it. */
  loose?: Float64Array | undefined;
}

const ROUNDS = 80;
/** Steps that lower the energy, taken where whole ones went round in a circle. */
const CAREFUL = 4;
/** When a search is done, as parts of the load. */
export interface Care {
  /** A link that carries less than this carries nothing. */
  readonly nothing: number;
  /** Force left over at which an answer with membrane action stands. */
  readonly settled: number;
}
/** What all links that are taken otherwise than they stand may carry between them, as a part of the load. */
const IN_ALL = 3e-4;
const CLOSER = 4;
export const EXACT: Care = { nothing: 1e-9, settled: 1e-8 };
/** Loose springs may not carry more than this part of the load: then something is held by nothing. */
const CARRIED = 1e-4;

/** A solver of a stack; the one it takes the place of lends pattern and memory where they fit. */
export function solverOf(stack: Stack, before?: Solver): Solver {
  const assembly = assemble(stack, before?.assembly.pattern);
  return solverFor(assembly, { factor: before?.kept.factor });
}

function solverFor(assembly: Assembly, kept: Kept): Solver {
  const energy = energyOf(assembly, kept.loose);
  kept.loose = energy.links.loose;
  return {
    assembly,
    kept,
    bytes: () => kept.factor?.room.bytes ?? 0,
    solve: (load, start, care = EXACT) => run(assembly, energy, kept, load, start, care),
  };
}

/** The same stack with its bolts pulled otherwise before the load: equations and factor stay. */
export function retightened({ assembly, kept }: Solver, bolts: Stack['bolts']): Solver {
  const links = assembly.links.map((l): Link => (l.kind === 'bolt' ? { ...l, offset: bolts[l.of]!.preload / l.stiffness } : l));
  return solverFor({ ...assembly, stack: { ...assembly.stack, bolts }, links }, kept);
}

/** Newton's method on the energy: exact for what touches, so that a step in which nothing changes is the answer. */
function run(
  a: Assembly,
  energy: Energy,
  kept: Kept,
  load: StackLoad,
  start: Start | undefined,
  { nothing: least, settled }: Care,
): StackResult | Refusal {
  const b = new Float64Array(a.unknowns);
  let size = a.stack.bolts.reduce((sum, k) => sum + k.preload, 0);
  for (const f of load.forces) {
    const at = a.place[unknownOf(a.nodes, f.layer, f.node, 0)]!;
    size += Math.abs(f.fz);
    if (at >= 0) b[at]! += f.fz;
  }
  const state = start?.state.length === a.links.length ? start.state.slice() : new Uint8Array(a.links.length).fill(1);
  let nothing = least;
  let x = energy.curved && start?.u ? placed(a, start.u) : undefined;
  if (x) state.set(energy.stateOf(x, state, nothing * size));
  const seen = new Set<string>();
  let careful = 0;
  /** The first column that seemed held by nothing. */
  let free: number | undefined;
  for (let rounds = 1; rounds <= ROUNDS; rounds++) {
    let target = aim(a, energy, kept, state, b, x);
    while (typeof target === 'number') {
      // What hangs loose may be lost beside what is stiff, and not be held by nothing: that shows in what holding it takes.
      free ??= target;
      if (!energy.links.hold(layerOf(a, target))) return nothingHolds(a, free);
      target = aim(a, energy, kept, state, b, x);
    }
    // From flat plates on, the first aim of a curved skin is far too high: as far that way as lowers the energy.
    if (energy.curved) x = energy.towards(x ?? new Float64Array(a.unknowns), target, b);
    else x = x && careful > 0 ? energy.towards(x, target, b) : target;
    const next = energy.stateOf(x, state, nothing * size);
    const same = !energy.curved && x === target && alike(next, state);
    // Each of many may carry nothing, and all of them something: then they are looked at more closely.
    if (same && energy.links.unsettled(x, state) > IN_ALL * size) {
      nothing /= CLOSER;
      state.set(energy.stateOf(x, state, nothing * size));
      continue;
    }
    if (same || energy.curved) {
      const left = energy.leftOver(x, b) / Math.max(size, 1e-9);
      if (!energy.curved || left < settled) return resultOf(a, energy, next, x, rounds, left, size, free);
    }
    state.set(next);
    // Whole steps settle fastest, but may go round in a circle; steps that lower the energy cannot.
    const key = next.join('');
    careful = seen.has(key) ? CAREFUL : careful - 1;
    seen.add(key);
  }
  return refuse('spread', `what touches is not settled after ${ROUNDS} rounds`, 'a softer bedding, or a coarser mesh');
}

function alike(one: Uint8Array, other: Uint8Array): boolean {
  for (let i = 0; i < one.length; i++) if (one[i] !== other[i]) return false;
  return true;
}

/** Where the tangent's forces vanish; the column that nothing holds where it fails. */
function aim(
  a: Assembly,
  energy: Energy,
  kept: Kept,
  state: Uint8Array,
  b: Float64Array,
  x: Float64Array | undefined,
): Float64Array | number {
  for (const pulled of [false, true]) {
    const { matrix, right } = energy.tangent(state, b, x, pulled);
    const changed = energy.curved || !kept.state ? undefined : changedColumns(a.links, kept.state, state);
    kept.factor = factorise(matrix, a.pattern.symbolic, kept.factor, changed);
    kept.state = kept.factor.failed < 0 && !energy.curved ? state.slice() : undefined;
    if (kept.factor.failed < 0) return solve(kept.factor, right);
    if (!energy.curved || !x) break;
  }
  return kept.factor!.failed;
}

const placed = (a: Assembly, u: Float64Array): Float64Array => {
  const x = new Float64Array(a.unknowns);
  a.place.forEach((p, k) => {
    if (p >= 0) x[p] = u[k]!;
  });
  return x;
};

function* changedColumns(links: readonly Link[], before: Uint8Array, now: Uint8Array): Generator<number> {
  for (let i = 0; i < now.length; i++)
    if (before[i] !== now[i]) {
      for (const p of links[i]!.places) if (p >= 0) yield p;
    }
}

function resultOf(
  a: Assembly,
  energy: Energy,
  state: Uint8Array,
  x: Float64Array,
  rounds: number,
  residual: number,
  size: number,
  free: number | undefined,
): StackResult | Refusal {
  const { stack, nodes } = a;
  const bolts = new Float64Array(stack.bolts.length);
  const pushes = new Float64Array(stack.posts?.length ?? 0);
  const pressure = new Float64Array(stack.contacts.length * nodes);
  let carried = 0;
  a.links.forEach((l, i) => {
    const s = stretch(l, x);
    if (!state[i]) carried = Math.max(carried, Math.abs(l.stiffness * energy.links.loose[i]! * s));
    // One that stayed as it was, as it carries nothing, may stand a hair the other way: that is nothing too.
    else if (l.kind === 'bolt') bolts[l.of] = Math.max(0, l.stiffness * s);
    else if (l.kind === 'post') pushes[l.of] = Math.max(0, l.stiffness * s);
    else if (!l.tied && s < 0) return;
    else pressure[l.of * nodes + l.node] = stack.contacts[l.of]!.modulus * s;
  });
  if (carried > CARRIED * Math.max(size, 1e-9))
    return free !== undefined
      ? nothingHolds(a, free)
      : refuse('spread', 'part of the stack is held by nothing in this case', 'bolts or bearing that hold every plate');
  const u = new Float64Array(a.place.length);
  for (let k = 0; k < u.length; k++) if (a.place[k]! >= 0) u[k] = x[a.place[k]!]!;
  return { u, bolts, pushes, pressure, rounds, residual, state };
}

const WAYS = ['lifted', 'turned', 'turned', 'shifted', 'shifted'] as const;

const layerOf = (a: Assembly, column: number): number => Math.floor(a.place.indexOf(column) / (EACH * a.nodes));

function nothingHolds(a: Assembly, column: number): Refusal {
  const index = a.place.indexOf(column);
  const layer = a.stack.layers[layerOf(a, column)]?.name ?? 'a plate';
  return refuse(
    'spread',
    `the ${layer} can be ${WAYS[index % EACH]} freely: nothing holds it`,
    'bearers, bolts or a bed that hold every plate',
  );
}
