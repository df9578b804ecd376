import type { Assembly } from './assemble';
import { nearestLine } from './grid';

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
