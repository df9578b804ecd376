import type { Assembly, Link } from './assemble';
import { layersOf } from './pattern';

/** An open contact or a slack bolt keeps this part of its stiffness, so that what hangs loose has a place to be. */
const LOOSE = 1e-11;
/** Up to this part where less is lost beside stiff cells: a sliver between two lines is stiffer than its plate by the cube. */
const LOOSEST = 1e-5;
const STEP = 1e3;

/** How far a contact or a post is pressed, or a bolt is stretched, mm; over 0 it acts. */
export function stretch(l: Link, x: Float64Array): number {
  const open = l.parts.reduce((sum, part, k) => sum + (l.places[k]! >= 0 ? part * x[l.places[k]!]! : 0), 0);
  return l.kind === 'bolt' ? open + l.offset : -open - l.offset;
}

/** All contacts and bolts of a stack, in lists side by side: what is asked of each of them in every round. */
export interface LinkLists {
  /** Part of its stiffness that each keeps where it does not act. */
  readonly loose: Float64Array;
  /** Holds what hangs loose of a layer harder; whether that was still to be had. */
  hold(layer: number): boolean;
  /** Which act at x; one that carries less than `nothing`, N, either way stays as it was. */
  stateOf(x: Float64Array, before: Uint8Array, nothing: number): Uint8Array;
  /** What those that are taken otherwise than they stand at x carry between them, N. */
  unsettled(x: Float64Array, state: Uint8Array): number;
  /** Adds their forces at x. */
  addForces(x: Float64Array, out: Float64Array): void;
  /** Adds the stiffness of those that act to the matrix's values, and what their offsets push to the right side. */
  addStiffness(state: Uint8Array, values: Float64Array, right: Float64Array): void;
}

export function linkLists(a: Assembly, loose: Float64Array = new Float64Array(a.links.length).fill(LOOSE)): LinkLists {
  const count = a.links.length;
  // A place that is fixed is read from, and added to, a spare one at the end.
  const spare = a.unknowns;
  const starts = new Int32Array(count + 1);
  const entryStarts = new Int32Array(count + 1);
  a.links.forEach((l, i) => {
    starts[i + 1] = starts[i]! + l.places.length;
    entryStarts[i + 1] = entryStarts[i]! + l.at.length;
  });
  const places = Int32Array.from(a.links.flatMap((l) => l.places.map((p) => (p < 0 ? spare : p))));
  const parts = Float64Array.from(a.links.flatMap((l) => l.parts));
  const at = Int32Array.from(a.links.flatMap((l) => l.at));
  const stiffness = Float64Array.from(a.links, (l) => l.stiffness);
  const offset = Float64Array.from(a.links, (l) => l.offset);
  /** A bolt is stretched by what a contact or a post opens by. */
  const way = Float64Array.from(a.links, (l) => (l.kind === 'bolt' ? 1 : -1));
  const tied = Uint8Array.from(a.links, (l) => (l.tied ? 1 : 0));
  const touches = (l: Link, layer: number) => {
    const { upper, lower } = layersOf(a.stack, l);
    return upper === layer || lower === layer;
  };
  const padded = new Float64Array(spare + 1);
  const stretchAt = (i: number) => {
    let open = offset[i]!;
    for (let k = starts[i]!; k < starts[i + 1]!; k++) open += parts[k]! * padded[places[k]!]!;
    return way[i]! * open;
  };
  return {
    loose,
    hold(layer) {
      let held = false;
      a.links.forEach((l, i) => {
        if (tied[i] || loose[i]! >= LOOSEST || !touches(l, layer)) return;
        loose[i] = Math.min(LOOSEST, loose[i]! * STEP);
        held = true;
      });
      return held;
    },
    stateOf(x, before, nothing) {
      padded.set(x);
      const out = new Uint8Array(count);
      for (let i = 0; i < count; i++) {
        const s = stretchAt(i);
        if (tied[i]) out[i] = 1;
        else if (Math.abs(s) * stiffness[i]! < nothing) out[i] = before[i]!;
        else out[i] = s > 0 ? 1 : 0;
      }
      return out;
    },
    unsettled(x, state) {
      padded.set(x);
      let sum = 0;
      for (let i = 0; i < count; i++) {
        const s = stretchAt(i);
        if (!tied[i] && s > 0 !== (state[i] === 1)) sum += Math.abs(s) * stiffness[i]!;
      }
      return sum;
    },
    addForces(x, out) {
      padded.set(x);
      for (let i = 0; i < count; i++) {
        const s = stretchAt(i);
        const f = way[i]! * stiffness[i]! * s * (s > 0 || tied[i] ? 1 : loose[i]!);
        for (let k = starts[i]!; k < starts[i + 1]!; k++) if (places[k]! < spare) out[places[k]!]! += f * parts[k]!;
      }
    },
    addStiffness(state, values, right) {
      for (let i = 0; i < count; i++) {
        const k = stiffness[i]! * (tied[i] || state[i] ? 1 : loose[i]!);
        const from = starts[i]!;
        let e = entryStarts[i]!;
        for (let p = from; p < starts[i + 1]!; p++) {
          const own = k * parts[p]!;
          for (let q = from; q <= p; q++, e++) if (at[e]! >= 0) values[at[e]!]! += own * parts[q]!;
        }
        // A contact with a gap pushes less; a bolt with preload pulls the upper down and the lower up.
        const f = k * offset[i]!;
        if (f === 0) continue;
        for (let p = from; p < starts[i + 1]!; p++) if (places[p]! < spare) right[places[p]!]! -= f * parts[p]!;
      }
    },
  };
}
