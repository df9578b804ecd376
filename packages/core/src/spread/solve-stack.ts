import { refuse, type Refusal } from '../units/refusal';
import { assemble, unknownOf, type Assembly, type Link } from './assemble';
import { factorise, solve, type Factor } from './cholesky';
import { conjugate } from './conjugate';
import { multiply, type SparseMatrix } from './sparse-matrix';
import type { Stack, StackLoad } from './stack';
import { analyse, type Symbolic } from './symbolic';

/** One load's answer. */
export interface StackResult {
  /** Displacement of every unknown, index as in `unknownOf`: w up in mm, β_x and β_y. */
  readonly u: Float64Array;
  /** Pull in each bolt, N. */
  readonly bolts: Float64Array;
  /** Pressure of each contact at each node, MPa: contact·nodes + node. */
  readonly pressure: Float64Array;
  /** Rounds of the search for what touches. */
  readonly rounds: number;
  /** Force left over against the load, relative: of the equations, and of what loose springs carried that nothing should. */
  readonly residual: number;
}

/** A stack made ready: its pattern found once, its factor kept for as long as the same things touch. */
export interface Solver {
  readonly assembly: Assembly;
  readonly symbolic: Symbolic;
  solve(load: StackLoad, start?: Uint8Array): StackResult | Refusal;
  /** What touched in the last solve, to start the next one from. */
  readonly touching: Uint8Array;
}

const ROUNDS = 60;
/** An open contact or a slack bolt keeps this part of its stiffness, so that what hangs loose has a place to be. */
const LOOSE = 1e-11;
/** Springs changed since the last factor, up to which steps from it are tried; how near they come, and how many. */
const NEAR = 10;
const ENOUGH = 1e-10;
const STEPS = 14;
/** Loose springs may not carry more than this part of the load: then something is held by nothing. */
const CARRIED = 1e-4;

export function solverOf(stack: Stack): Solver {
  const assembly = assemble(stack);
  const symbolic = analyse(assembly.matrix);
  const touching = new Uint8Array(assembly.links.length).fill(1);
  let kept: { factor: Factor; state: Uint8Array } | undefined;
  let last: Float64Array | undefined;
  const matrix = { ...assembly.matrix, values: assembly.matrix.values.slice() };

  /** The equations with the springs that act in a state; the last answer is a good start for the next. */
  const answer = (state: Uint8Array, right: Float64Array): Float64Array | number => {
    matrix.values.set(assembly.matrix.values);
    assembly.links.forEach((l, i) => put(matrix.values, l, isTied(stack, l) || state[i] ? 1 : LOOSE));
    if (kept && last) {
      let changed = 0;
      for (let i = 0; i < state.length; i++) if (state[i] !== kept.state[i]) changed++;
      if (changed <= NEAR) {
        const x = last.slice();
        if (conjugate(matrix, right, x, kept.factor, ENOUGH, STEPS) >= 0) return (last = x);
      }
    }
    const factor = factorise(matrix, symbolic);
    if (factor.failed >= 0) return factor.failed;
    kept = { factor, state: state.slice() };
    return (last = solve(factor, right.slice()));
  };

  const run = (load: StackLoad, start?: Uint8Array): StackResult | Refusal => {
    const b = new Float64Array(assembly.unknowns);
    let size = 0;
    for (const f of load.forces) {
      const at = assembly.place[unknownOf(assembly.nodes, f.layer, f.node, 0)]!;
      size += Math.abs(f.fz);
      if (at >= 0) b[at]! += f.fz;
    }
    if (start) touching.set(start);
    const seen = new Set<string>();
    for (let rounds = 1; rounds <= ROUNDS; rounds++) {
      const right = withOffsets(assembly, touching, b);
      const x = answer(touching, right);
      if (typeof x === 'number') return nothingHolds(assembly, x);
      const next = stateOf(assembly, x);
      const same = next.every((v, i) => v === touching[i]);
      const key = next.join('');
      if (same || seen.has(key)) {
        const r = resultOf(assembly, touching, x, rounds, matrix, right, size);
        if ('refused' in r) return r;
        return same
          ? r
          : refuse('spread', 'what touches and what does not goes round in a circle', 'a softer bedding or a little preload');
      }
      seen.add(key);
      touching.set(next);
    }
    return refuse('spread', `what touches is not settled after ${ROUNDS} rounds`, 'a softer bedding, or a coarser mesh');
  };
  return { assembly, symbolic, solve: run, touching };
}

const isTied = (stack: Stack, l: Link) => l.kind === 'contact' && stack.contacts[l.of]!.tied;

function put(values: Float64Array, l: Link, part: number): void {
  const k = l.stiffness * part;
  const [upper, lower, between] = l.at;
  if (upper >= 0) values[upper]! += k;
  if (lower >= 0) values[lower]! += k;
  if (between >= 0) values[between]! -= k;
}

/** How far a contact overlaps, or a bolt is stretched, mm; over 0 it acts. */
function stretch(l: Link, x: Float64Array): number {
  const up = l.upper >= 0 ? x[l.upper]! : 0;
  const down = l.lower >= 0 ? x[l.lower]! : 0;
  return l.kind === 'contact' ? down - up - l.offset : up - down + l.offset;
}

const stateOf = (a: Assembly, x: Float64Array): Uint8Array => {
  const out = new Uint8Array(a.links.length);
  a.links.forEach((l, i) => (out[i] = isTied(a.stack, l) || stretch(l, x) > 0 ? 1 : 0));
  return out;
};

/** Clear heights and preloads as forces of the springs that act. */
function withOffsets(a: Assembly, state: Uint8Array, b: Float64Array): Float64Array {
  const out = b.slice();
  a.links.forEach((l, i) => {
    if (l.offset === 0) return;
    const k = l.stiffness * (state[i] ? 1 : LOOSE);
    // A contact with a gap pushes less; a bolt with preload pulls the upper down and the lower up.
    const f = k * l.offset;
    if (l.upper >= 0) out[l.upper]! -= f;
    if (l.lower >= 0) out[l.lower]! += f;
  });
  return out;
}

function resultOf(
  a: Assembly,
  state: Uint8Array,
  x: Float64Array,
  rounds: number,
  matrix: SparseMatrix,
  right: Float64Array,
  size: number,
): StackResult | Refusal {
  const { stack, nodes } = a;
  const bolts = new Float64Array(stack.bolts.length);
  const pressure = new Float64Array(stack.contacts.length * nodes);
  let carried = 0;
  a.links.forEach((l, i) => {
    const s = stretch(l, x);
    if (!state[i]) {
      carried = Math.max(carried, Math.abs(l.stiffness * LOOSE * s));
      return;
    }
    if (l.kind === 'bolt') bolts[l.of] = l.stiffness * s;
    else pressure[l.of * nodes + l.node] = stack.contacts[l.of]!.modulus * s;
  });
  if (carried > CARRIED * Math.max(size, 1e-9))
    return refuse('spread', 'part of the stack is held by nothing in this case', 'bolts or bearing that hold every plate');
  const left = multiply(matrix, x);
  let off = 0;
  for (let k = 0; k < x.length; k++) off = Math.max(off, Math.abs(left[k]! - right[k]!));
  const u = new Float64Array(a.place.length);
  a.place.forEach((p, k) => (u[k] = p >= 0 ? x[p]! : 0));
  return { u, bolts, pressure, rounds, residual: off / Math.max(size, 1e-9) };
}

const WAYS = ['lifted', 'turned', 'turned'] as const;

function nothingHolds(a: Assembly, column: number): Refusal {
  const index = a.place.indexOf(column);
  const layer = a.stack.layers[Math.floor(index / (3 * a.nodes))]?.name ?? 'a plate';
  return refuse(
    'spread',
    `the ${layer} can be ${WAYS[index % 3]} freely: nothing holds it`,
    'bearers, bolts or a bed that hold every plate',
  );
}
