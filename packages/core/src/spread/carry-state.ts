import type { Assembly } from './assemble';
import { nearestLine } from './grid';
import { EACH, unknownOf } from './pattern';

/** What acts in one stack's answer, as a start for another's of the same kind: by the nearest node that both have a link at. */
export function carryState(from: Assembly, state: Uint8Array, to: Assembly): Uint8Array {
  const out = new Uint8Array(to.links.length).fill(1);
  const nx = from.stack.grid.x.length;
  const toNx = to.stack.grid.x.length;
  const contact = new Map<number, number>();
  const bolt = new Map<string, number>();
  from.links.forEach((l, i) => {
    if (l.kind === 'contact') contact.set(l.of * from.nodes + l.node, state[i]!);
    else bolt.set(from.stack.bolts[l.of]!.id, state[i]!);
  });
  const columns = Array.from(to.stack.grid.x, (x) => nearestLine(from.stack.grid.x, x));
  const rows = Array.from(to.stack.grid.y, (y) => nearestLine(from.stack.grid.y, y));
  to.links.forEach((l, i) => {
    const was =
      l.kind === 'bolt'
        ? bolt.get(to.stack.bolts[l.of]!.id)
        : contact.get(l.of * from.nodes + columns[l.node % toNx]! + rows[Math.floor(l.node / toNx)]! * nx);
    if (was !== undefined) out[i] = was;
  });
  return out;
}

/** Displacements of one stack's answer on another's grid, in a straight line between nodes: a shape to start from. */
export function carryShape(from: Assembly, u: Float64Array, to: Assembly): Float64Array {
  const out = new Float64Array(to.place.length);
  const [nx, tx] = [from.stack.grid.x.length, to.stack.grid.x.length];
  const between = (lines: Float64Array, at: number): readonly [number, number] => {
    let i = 0;
    while (i < lines.length - 2 && lines[i + 1]! <= at) i++;
    return [i, Math.min(1, Math.max(0, (at - lines[i]!) / (lines[i + 1]! - lines[i]!)))];
  };
  const columns = Array.from(to.stack.grid.x, (x) => between(from.stack.grid.x, x));
  const rows = Array.from(to.stack.grid.y, (y) => between(from.stack.grid.y, y));
  for (let layer = 0; layer < to.stack.layers.length; layer++)
    for (let node = 0; node < to.nodes; node++) {
      const [ix, fx] = columns[node % tx]!;
      const [iy, fy] = rows[Math.floor(node / tx)]!;
      const n = ix + iy * nx;
      for (let k = 0; k < EACH; k++) {
        const at = (step: number) => u[unknownOf(from.nodes, layer, n + step, k)]!;
        out[unknownOf(to.nodes, layer, node, k)] =
          (1 - fy) * ((1 - fx) * at(0) + fx * at(1)) + fy * ((1 - fx) * at(nx) + fx * at(nx + 1));
      }
    }
  return out;
}
