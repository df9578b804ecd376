import type { Assembly, Cell } from './assemble';
import { cornersOf, unknownOf } from './pattern';
import { elementStiffness, strains, times } from './plate-element';
import type { StackLoad } from './stack';
import type { StackResult } from './solve-stack';

/** Moments per width in the middle of a cell, N·mm/mm, and the stress they make in the layer's faces, MPa. */
export interface CellMoments {
  readonly cell: Cell;
  readonly mx: number;
  readonly my: number;
  readonly mxy: number;
  /** Von Mises stress of a solid plate, 6·m/t² each way; the same on both faces in pure bending. */
  readonly vonMises: number;
}

const ROWS = () => Array.from({ length: 5 }, () => new Float64Array(12));

/** Unknowns of a cell's corners. */
function unknownsOf(a: Assembly, r: StackResult, c: Cell): Float64Array {
  const out = new Float64Array(12);
  cornersOf(c, a.stack.grid.x.length).forEach((n, k) => {
    for (let d = 0; d < 3; d++) out[3 * k + d] = r.u[unknownOf(a.nodes, c.layer, n, d)]!;
  });
  return out;
}

/** Moments of every cell of a layer. */
export function momentsOf(a: Assembly, r: StackResult, layer: number): CellMoments[] {
  const B = ROWS();
  const { stiffness: p, thickness: t } = a.stack.layers[layer]!;
  return a.cells
    .filter((c) => c.layer === layer)
    .map((cell) => {
      strains(cell.a, cell.b, 0, 0, B);
      const u = unknownsOf(a, r, cell);
      const of = (row: Float64Array) => row.reduce((sum, b, i) => sum + b * u[i]!, 0);
      const [kx, ky, kxy] = [of(B[0]!), of(B[1]!), of(B[2]!)];
      const mx = cell.part * (p.D11 * kx + p.D12 * ky);
      const my = cell.part * (p.D12 * kx + p.D22 * ky);
      const mxy = cell.part * p.D66 * kxy;
      const k = 6 / t ** 2;
      const [sx, sy, sxy] = [k * mx, k * my, k * mxy];
      return { cell, mx, my, mxy, vonMises: Math.sqrt(sx * sx - sx * sy + sy * sy + 3 * sxy * sxy) };
    });
}

/** Deflection of a layer's node, mm, up. */
export const liftAt = (a: Assembly, r: StackResult, layer: number, node: number): number =>
  r.u[unknownOf(a.nodes, layer, node, 0)]!;

/** Push up of each named support, N, and its moments about the grid's origin: the plates' own forces there less what is put on them. */
export interface Reaction {
  readonly of: string;
  readonly fz: number;
  readonly mx: number;
  readonly my: number;
}

export function reactionsOf(a: Assembly, r: StackResult, load: StackLoad): Reaction[] {
  const { stack, nodes } = a;
  const { x, y } = stack.grid;
  const nx = x.length;
  const held = new Map<number, string>();
  for (const s of stack.supports) if (s.w) held.set(s.layer * nodes + s.node, s.of);
  const sums = new Map<string, { fz: number; mx: number; my: number }>();
  for (const { of } of stack.supports) if (!sums.has(of)) sums.set(of, { fz: 0, mx: 0, my: 0 });
  const add = (at: number, f: number) => {
    const of = held.get(at);
    if (of === undefined) return;
    const n = at % nodes;
    const sum = sums.get(of)!;
    sum.fz += f;
    sum.mx += f * y[Math.floor(n / nx)]!;
    sum.my -= f * x[n % nx]!;
  };
  for (const c of a.cells) {
    const K = elementStiffness(c.a, c.b, times(stack.layers[c.layer]!.stiffness, c.part));
    const u = unknownsOf(a, r, c);
    cornersOf(c, nx).forEach((n, k) => {
      let f = 0;
      for (let j = 0; j < 12; j++) f += K[3 * k * 12 + j]! * u[j]!;
      add(c.layer * nodes + n, f);
    });
  }
  // What presses or pulls on a held node is carried by its support too.
  a.links.forEach((l) => {
    if (l.kind === 'bolt') {
      const b = stack.bolts[l.of]!;
      add(b.lower * nodes + l.node, -r.bolts[l.of]!);
      add(b.upper * nodes + l.node, r.bolts[l.of]!);
      return;
    }
    const { upper, lower } = stack.contacts[l.of]!;
    const push = r.pressure[l.of * nodes + l.node]! * Math.min(a.area[upper * nodes + l.node]!, a.area[lower * nodes + l.node]!);
    add(lower * nodes + l.node, push);
    add(upper * nodes + l.node, -push);
  });
  for (const f of load.forces) add(f.layer * nodes + f.node, -f.fz);
  return [...sums].map(([of, s]) => ({ of, ...s }));
}

/** Load, beds and springs against reactions: what is left over of force and of moments, relative to the load. */
export function balanceOf(a: Assembly, r: StackResult, load: StackLoad): number {
  const { x, y } = a.stack.grid;
  const nx = x.length;
  const sum = { fz: 0, mx: 0, my: 0 };
  let size = 0;
  let arm = 0;
  const add = (node: number, f: number) => {
    sum.fz += f;
    sum.mx += f * y[Math.floor(node / nx)]!;
    sum.my -= f * x[node % nx]!;
  };
  for (const f of load.forces) {
    add(f.node, f.fz);
    size += Math.abs(f.fz);
    arm = Math.max(arm, Math.abs(x[f.node % nx]!), Math.abs(y[Math.floor(f.node / nx)]!));
  }
  for (const q of reactionsOf(a, r, load)) {
    sum.fz += q.fz;
    sum.mx += q.mx;
    sum.my += q.my;
  }
  a.stack.layers.forEach((l, i) => {
    if (l.bed) for (let n = 0; n < a.nodes; n++) add(n, -l.bed * a.area[i * a.nodes + n]! * liftAt(a, r, i, n));
  });
  for (const s of a.stack.springs) add(s.node, -s.stiffness * liftAt(a, r, s.layer, s.node));
  return (Math.abs(sum.fz) + (Math.abs(sum.mx) + Math.abs(sum.my)) / Math.max(arm, 1)) / Math.max(size, 1e-9);
}
