import type { Assembly, Cell } from './assemble';
import { linkLists, type LinkLists } from './link-lists';
import { planeForces, slopeTerms, type PlaneForces } from './membrane';
import { cornersOf, EACH, unknownOf } from './pattern';
import { multiply, type SparseMatrix } from './sparse-matrix';

/**
 * The energy of a stack, whose least is the answer: plates and beds, one-way springs, and membrane action where a layer has it.
 * Convex where nothing is squeezed in its plane.
 */
export interface Energy {
  /** Whether membrane action makes it more than a search for what touches. */
  readonly curved: boolean;
  /** Contacts and bolts. */
  readonly links: LinkLists;
  /** Which links act at x; one that carries less than `nothing`, N, either way stays as it was: a loose washer hangs either side of touching. */
  stateOf(x: Float64Array, before: Uint8Array, nothing: number): Uint8Array;
  /**
   * The quadratic that touches it at x with the links of a state: matrix (good until the next call) and right side. Of flat plates
   * where x is left out; without what squeezed directions take off where `pulled`. Only the slopes of w are worked from x: stiff
   * parts in balance leave no rounding on what hangs loose.
   */
  tangent(state: Uint8Array, b: Float64Array, x?: Float64Array, pulled?: boolean): { matrix: SparseMatrix; right: Float64Array };
  /** Largest force left over, N. */
  leftOver(x: Float64Array, b: Float64Array): number;
  /** The point of least energy, near enough, on the way from x to the target and on; the target itself where it is good. */
  towards(x: Float64Array, target: Float64Array, b: Float64Array): Float64Array;
}

/** A full step is taken where the slope at its end is below this part of the slope at its start. */
const FLAT = 0.3;
const HALVINGS = 40;

/** `loose`: how hard what hangs loose is held, where a factor has it already. */
export function energyOf(a: Assembly, loose?: Float64Array): Energy {
  const links = linkLists(a, loose);
  const matrix: SparseMatrix = { ...a.matrix, values: a.matrix.values.slice() };
  const bent = membranes(a);
  const gradient = (x: Float64Array, b: Float64Array) => {
    const g = multiply(a.matrix, x);
    links.addForces(x, g);
    for (const m of bent) m.addForce(x, g);
    for (let i = 0; i < g.length; i++) g[i]! -= b[i]!;
    return g;
  };
  return {
    curved: bent.length > 0,
    links,
    stateOf: links.stateOf,
    tangent(state, b, x, pulled) {
      const right = b.slice();
      matrix.values.set(a.matrix.values);
      links.addStiffness(state, matrix.values, right);
      if (x) for (const m of bent) m.addTangent(x, matrix.values, right, pulled ?? false);
      return { matrix, right };
    },
    leftOver(x, b) {
      let most = 0;
      for (const v of gradient(x, b)) most = Math.max(most, Math.abs(v));
      return most;
    },
    towards(x, target, b) {
      const step = target.map((v, i) => v - x[i]!);
      const at = (alpha: number) => x.map((v, i) => v + alpha * step[i]!);
      const slope = (alpha: number) => dot(step, gradient(at(alpha), b));
      const start = slope(0);
      const end = slope(1);
      if (Math.abs(end) <= FLAT * Math.abs(start)) return target;
      // The slope rises from below 0: where it crosses, by halving between secants.
      let [low, high] = [0, 1];
      let [below, above] = [start, end];
      for (let k = 0; k < 8 && above < 0; k++) {
        [low, below] = [high, above];
        high *= 2;
        above = slope(high);
      }
      for (let k = 0; k < HALVINGS; k++) {
        const secant = low + ((high - low) * -below) / (above - below);
        const mid = k % 2 === 0 ? secant : (low + high) / 2;
        const v = slope(mid);
        if (Math.abs(v) <= 0.05 * Math.abs(start)) return at(mid);
        if (v < 0) [low, below] = [mid, v];
        else [high, above] = [mid, v];
      }
      return at(low > 0 ? low : high);
    },
  };
}

interface Membrane {
  addForce(x: Float64Array, out: Float64Array): void;
  addTangent(x: Float64Array, values: Float64Array, right: Float64Array, pulled: boolean): void;
}

/** Every cell with membrane action. */
function membranes(a: Assembly): Membrane[] {
  const out: Membrane[] = [];
  const nx = a.stack.grid.x.length;
  const d = new Float64Array(20);
  const force = new Float64Array(20);
  const stiffness = new Float64Array(400);
  let scatterAt = 0;
  for (const c of a.cells) {
    const p = a.stack.layers[c.layer]!.membrane;
    const from = scatterAt;
    scatterAt += p ? 210 : 78;
    if (!p) continue;
    const at = new Int32Array(20);
    cornersOf(c, nx).forEach((n, i) => {
      for (let k = 0; k < EACH; k++) at[EACH * i + k] = a.place[unknownOf(a.nodes, c.layer, n, k)]!;
    });
    const load = (x: Float64Array) => {
      for (let i = 0; i < 20; i++) d[i] = at[i]! >= 0 ? x[at[i]!]! : 0;
    };
    out.push({
      addForce(x, g) {
        load(x);
        slopeTerms(c, d, p, force);
        for (let i = 0; i < 20; i++) if (at[i]! >= 0) g[at[i]!]! += force[i]!;
      },
      addTangent(x, values, right, pulled) {
        load(x);
        slopeTerms(c, d, p, force, stiffness, pulled);
        for (let i = 0; i < 20; i++) {
          if (at[i]! < 0) continue;
          let sum = -force[i]!;
          for (let j = 0; j < 20; j++) sum += stiffness[i * 20 + j]! * d[j]!;
          right[at[i]!]! += sum;
        }
        let k = from;
        for (let i = 0; i < 20; i++)
          for (let j = 0; j <= i; j++, k++)
            if (a.pattern.scatter[k]! >= 0) values[a.pattern.scatter[k]!]! += stiffness[i * 20 + j]!;
      },
    });
  }
  return out;
}

const corner = new Float64Array(4 * EACH);

/** Forces in the plane in the middle of a cell with membrane action, N/mm. */
export function planeForcesOf(a: Assembly, u: Float64Array, c: Cell): PlaneForces | undefined {
  const p = a.stack.layers[c.layer]!.membrane;
  if (!p) return undefined;
  cornersOf(c, a.stack.grid.x.length).forEach((n, i) => {
    for (let k = 0; k < EACH; k++) corner[EACH * i + k] = u[unknownOf(a.nodes, c.layer, n, k)]!;
  });
  return planeForces(c, corner, p);
}

function dot(x: Float64Array, y: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < x.length; i++) sum += x[i]! * y[i]!;
  return sum;
}
