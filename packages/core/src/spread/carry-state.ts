import type { Assembly, Link } from './assemble';
import { nearestLine } from './grid';
import { EACH, unknownOf } from './pattern';
import type { StackResult } from './solve-stack';

/** A node with more than this part of a place stands for it. */
const SAME = 0.9;

/**
 * What acts in one stack's answer, as a start for another's of the same kind. A contact acts where the answer, in a straight line
 * between its nodes, would press there: so its border lies between nodes too. Where only some of those have both plates, and for
 * bolts, as the nearest one does.
 */
export function carryState(from: Assembly, { u, state }: Pick<StackResult, 'u' | 'state'>, to: Assembly): Uint8Array {
  const out = new Uint8Array(to.links.length).fill(1);
  const nx = from.stack.grid.x.length;
  const toNx = to.stack.grid.x.length;
  const contact = new Map<number, number>();
  const bolt = new Map<string, number>();
  from.links.forEach((l, i) => {
    if (l.kind === 'contact') contact.set(l.of * from.nodes + l.node, state[i]!);
    else bolt.set(named(from, l), state[i]!);
  });
  const columns = Array.from(to.stack.grid.x, (x) => nearestLine(from.stack.grid.x, x));
  const rows = Array.from(to.stack.grid.y, (y) => nearestLine(from.stack.grid.y, y));
  const weights = weightsOn(from, to);
  const presses = (l: Link): number | undefined => {
    const { upper, lower } = to.stack.contacts[l.of]!;
    if (l.tied) return 1;
    const four = weights(l.node);
    const same = four.find(([, part]) => part > SAME);
    let stretch = -l.offset;
    for (const [n, part] of same ? [[same[0], 1] as const] : four) {
      if (part === 0) continue;
      if (!contact.has(l.of * from.nodes + n)) return undefined;
      stretch += part * (u[unknownOf(from.nodes, lower, n, 0)]! - u[unknownOf(from.nodes, upper, n, 0)]!);
    }
    return stretch > 0 ? 1 : 0;
  };
  to.links.forEach((l, i) => {
    const was =
      l.kind !== 'contact'
        ? bolt.get(named(to, l))
        : (presses(l) ?? contact.get(l.of * from.nodes + columns[l.node % toNx]! + rows[Math.floor(l.node / toNx)]! * nx));
    if (was !== undefined) out[i] = was;
  });
  return out;
}

/** A bolt or a post by its name. */
const named = ({ stack }: Assembly, { kind, of }: Link): string =>
  `${kind} ${(kind === 'bolt' ? stack.bolts[of]! : stack.posts![of]!).id}`;

/** Displacements of one stack's answer on another's grid, in a straight line between nodes: a shape to start from. */
export function carryShape(from: Assembly, u: Float64Array, to: Assembly): Float64Array {
  const out = new Float64Array(to.place.length);
  const weights = weightsOn(from, to);
  for (let node = 0; node < to.nodes; node++) {
    const four = weights(node);
    for (let layer = 0; layer < to.stack.layers.length; layer++)
      for (let k = 0; k < EACH; k++)
        out[unknownOf(to.nodes, layer, node, k)] = four.reduce(
          (sum, [n, part]) => sum + part * u[unknownOf(from.nodes, layer, n, k)]!,
          0,
        );
  }
  return out;
}

type Weights = readonly (readonly [node: number, part: number])[];

/** For a node of one grid the four of another round it, with their parts in it. */
function weightsOn(from: Assembly, to: Assembly): (node: number) => Weights {
  const [nx, toNx] = [from.stack.grid.x.length, to.stack.grid.x.length];
  const between = (lines: Float64Array, at: number): readonly [number, number] => {
    let i = 0;
    while (i < lines.length - 2 && lines[i + 1]! <= at) i++;
    return [i, Math.min(1, Math.max(0, (at - lines[i]!) / (lines[i + 1]! - lines[i]!)))];
  };
  const columns = Array.from(to.stack.grid.x, (x) => between(from.stack.grid.x, x));
  const rows = Array.from(to.stack.grid.y, (y) => between(from.stack.grid.y, y));
  return (node) => {
    const [ix, fx] = columns[node % toNx]!;
    const [iy, fy] = rows[Math.floor(node / toNx)]!;
    const n = ix + iy * nx;
    return [
      [n, (1 - fx) * (1 - fy)],
      [n + 1, fx * (1 - fy)],
      [n + nx, (1 - fx) * fy],
      [n + nx + 1, fx * fy],
    ];
  };
}
