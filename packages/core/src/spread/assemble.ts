import { dissect, type Grid } from './grid';
import { elementStiffness, times } from './plate-element';
import { Triplets, type SparseMatrix } from './sparse-matrix';
import type { Layer, Stack } from './stack';

/** A stack brought to equations: which unknown is where, what is fixed, and the plates' own stiffness. */
export interface Assembly {
  readonly stack: Stack;
  /** Place of unknown k (w, β_x, β_y) of a layer's node in the order of elimination: index (layer·nodes + node)·3 + k; −1 fixed or not there. */
  readonly place: Int32Array;
  readonly nodes: number;
  readonly unknowns: number;
  /** Cells that a layer has, with how much of each is there. */
  readonly cells: readonly Cell[];
  /** Plates, beds, ground springs and tied contacts; loose contacts and bolts stand in it as zeros to be filled in. */
  readonly matrix: SparseMatrix;
  readonly links: readonly Link[];
  /** Area that goes with each node of each layer, mm². */
  readonly area: Float64Array;
}

export interface Cell {
  readonly layer: number;
  /** Lower left node, and the cell's column and row. */
  readonly ix: number;
  readonly iy: number;
  readonly a: number;
  readonly b: number;
  readonly part: number;
}

/** A spring between two unknowns that acts one way only: contact at a node, or a bolt. */
export interface Link {
  readonly kind: 'contact' | 'bolt';
  /** Contact or bolt of the stack. */
  readonly of: number;
  readonly node: number;
  /** Places of w above and below; −1 where that w is fixed. */
  readonly upper: number;
  readonly lower: number;
  readonly stiffness: number;
  /** Contact: clear height, mm. Bolt: pull before the load over its stiffness, as a length. */
  readonly offset: number;
  /** Where its three entries stand in the matrix's values; −1 where there is none. */
  readonly at: readonly [upper: number, lower: number, between: number];
}

/** Index of an unknown before it is placed. */
export const unknownOf = (nodes: number, layer: number, node: number, k: number): number => (layer * nodes + node) * 3 + k;

/** Cells of a layer by its outline and mask. */
function cellsOf(grid: Grid, layer: Layer, index: number): Cell[] {
  const { x, y } = grid;
  const [nx, ny] = [x.length, y.length];
  const o = layer.outline;
  const out: Cell[] = [];
  for (let iy = 0; iy < ny - 1; iy++)
    for (let ix = 0; ix < nx - 1; ix++) {
      const [cx, cy] = [(x[ix]! + x[ix + 1]!) / 2, (y[iy]! + y[iy + 1]!) / 2];
      if (cx < o.x0 || cx > o.x1 || cy < o.y0 || cy > o.y1) continue;
      const part = layer.mask ? layer.mask[ix + iy * (nx - 1)]! : 1;
      if (part > 0) out.push({ layer: index, ix, iy, a: x[ix + 1]! - x[ix]!, b: y[iy + 1]! - y[iy]!, part });
    }
  return out;
}

/** The four nodes of a cell, counter-clockwise from the lower left. */
export const cornersOf = (c: Pick<Cell, 'ix' | 'iy'>, nx: number): readonly [number, number, number, number] => {
  const n = c.ix + c.iy * nx;
  return [n, n + 1, n + nx + 1, n + nx];
};

function placed(stack: Stack, cells: readonly Cell[], nodes: number): { place: Int32Array; unknowns: number } {
  const nx = stack.grid.x.length;
  const there = new Uint8Array(stack.layers.length * nodes * 3);
  for (const c of cells) for (const n of cornersOf(c, nx)) for (let k = 0; k < 3; k++) there[unknownOf(nodes, c.layer, n, k)] = 1;
  for (const s of stack.supports) {
    if (s.w) there[unknownOf(nodes, s.layer, s.node, 0)] = 0;
    if (s.betaX) there[unknownOf(nodes, s.layer, s.node, 1)] = 0;
    if (s.betaY) there[unknownOf(nodes, s.layer, s.node, 2)] = 0;
  }
  const place = new Int32Array(there.length).fill(-1);
  let unknowns = 0;
  // All unknowns of one grid node stand together: layers are eliminated at once with the node.
  for (const n of dissect(nx, stack.grid.y.length))
    for (let l = 0; l < stack.layers.length; l++)
      for (let k = 0; k < 3; k++) {
        const u = unknownOf(nodes, l, n, k);
        if (there[u]) place[u] = unknowns++;
      }
  return { place, unknowns };
}

/** The equations of a stack. Element stiffnesses of equal cells are made once. */
export function assemble(stack: Stack): Assembly {
  const { grid, layers } = stack;
  const nx = grid.x.length;
  const nodes = nx * grid.y.length;
  const cells = layers.flatMap((l, i) => cellsOf(grid, l, i));
  const { place, unknowns } = placed(stack, cells, nodes);
  const area = new Float64Array(layers.length * nodes);
  const t = new Triplets();
  const made = new Map<string, Float64Array>();
  const at = new Int32Array(12);
  for (const c of cells) {
    const key = `${c.layer} ${c.a} ${c.b} ${c.part}`;
    let K = made.get(key);
    if (!K) made.set(key, (K = elementStiffness(c.a, c.b, times(layers[c.layer]!.stiffness, c.part))));
    cornersOf(c, nx).forEach((n, k) => {
      area[c.layer * nodes + n]! += (c.a * c.b * c.part) / 4;
      for (let d = 0; d < 3; d++) at[3 * k + d] = place[unknownOf(nodes, c.layer, n, d)]!;
    });
    for (let p = 0; p < 12; p++) {
      if (at[p]! < 0) continue;
      for (let q = 0; q <= p; q++) if (at[q]! >= 0) t.add(at[p]!, at[q]!, K[p * 12 + q]!);
    }
  }
  layers.forEach((l, i) => {
    if (l.bed)
      for (let n = 0; n < nodes; n++) {
        const u = place[unknownOf(nodes, i, n, 0)]!;
        if (u >= 0 && area[i * nodes + n]! > 0) t.add(u, u, l.bed * area[i * nodes + n]!);
      }
  });
  for (const s of stack.springs) {
    const u = place[unknownOf(nodes, s.layer, s.node, 0)]!;
    if (u >= 0) t.add(u, u, s.stiffness);
  }
  const loose = looseLinks(stack, place, area, nodes);
  for (const l of loose) {
    if (l.upper >= 0) t.add(l.upper, l.upper, 0);
    if (l.lower >= 0) t.add(l.lower, l.lower, 0);
    if (l.upper >= 0 && l.lower >= 0) t.add(l.upper, l.lower, 0);
  }
  const matrix = t.matrix(unknowns);
  const links = loose.map((l): Link => ({
    ...l,
    at: [entry(matrix, l.upper, l.upper), entry(matrix, l.lower, l.lower), entry(matrix, l.upper, l.lower)],
  }));
  return { stack, place, nodes, unknowns, cells, matrix, links, area };
}

function looseLinks(stack: Stack, place: Int32Array, area: Float64Array, nodes: number): Omit<Link, 'at'>[] {
  const out: Omit<Link, 'at'>[] = [];
  const w = (layer: number, n: number) => place[unknownOf(nodes, layer, n, 0)]!;
  stack.contacts.forEach((c, i) => {
    for (let n = 0; n < nodes; n++) {
      const shared = Math.min(area[c.upper * nodes + n]!, area[c.lower * nodes + n]!);
      if (shared > 0)
        out.push({
          kind: 'contact',
          of: i,
          node: n,
          upper: w(c.upper, n),
          lower: w(c.lower, n),
          stiffness: c.modulus * shared,
          offset: c.gap,
        });
    }
  });
  stack.bolts.forEach((b, i) =>
    out.push({
      kind: 'bolt',
      of: i,
      node: b.node,
      upper: w(b.upper, b.node),
      lower: w(b.lower, b.node),
      stiffness: b.stiffness,
      offset: b.preload / b.stiffness,
    }),
  );
  return out;
}

/** Where (i, j) stands in a matrix's values; −1 where either is fixed. */
function entry(A: SparseMatrix, i: number, j: number): number {
  if (i < 0 || j < 0) return -1;
  const [row, column] = i > j ? [i, j] : [j, i];
  let [low, high] = [A.starts[column]!, A.starts[column + 1]! - 1];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (A.rows[mid]! < row) low = mid + 1;
    else high = mid;
  }
  return low;
}
