import { eliminationOrder } from './order';
import { Triplets, type SparseMatrix } from './sparse-matrix';
import type { Layer, Stack } from './stack';
import { analyse, type Symbolic } from './symbolic';

/** Unknowns of a layer at a node: w, β_x, β_y, and u, v where the layer is solved with membrane action. */
export const EACH = 5;

/** Index of an unknown before it is placed. */
export const unknownOf = (nodes: number, layer: number, node: number, k: number): number => (layer * nodes + node) * EACH + k;

/** Unknowns of one node of a layer that are in use. */
export const usedBy = (l: Layer): 3 | 5 => (l.membrane ? 5 : 3);

export interface CellPlace {
  readonly layer: number;
  /** Column and row of the cell. */
  readonly ix: number;
  readonly iy: number;
}

/** A spring between two w that acts one way only: contact at a node, or a bolt. */
export interface LinkPlace {
  readonly kind: 'contact' | 'bolt';
  /** Contact or bolt of the stack. */
  readonly of: number;
  readonly node: number;
  /** Places of w above and below; −1 where that w is fixed. */
  readonly upper: number;
  readonly lower: number;
  /** Where its three entries stand in the matrix's values; −1 where there is none. */
  readonly at: readonly [upper: number, lower: number, between: number];
}

/** Which unknown is where, and where each element and link adds to the matrix. Found once, reused while only measures change. */
export interface Pattern {
  readonly signature: Int32Array;
  readonly nodes: number;
  readonly unknowns: number;
  /** Place of each unknown in the order of elimination; −1 fixed or not there. */
  readonly place: Int32Array;
  readonly cells: readonly CellPlace[];
  readonly links: readonly LinkPlace[];
  readonly matrix: SparseMatrix;
  /** Entries of each cell's lower triangle in the matrix's values, cell after cell; −1 where fixed. */
  readonly scatter: Int32Array;
  readonly symbolic: Symbolic;
}

/** The four nodes of a cell, counter-clockwise from the lower left. */
export const cornersOf = (c: Pick<CellPlace, 'ix' | 'iy'>, nx: number): readonly [number, number, number, number] => {
  const n = c.ix + c.iy * nx;
  return [n, n + 1, n + nx + 1, n + nx];
};

/** Cells of a layer by its outline and mask. */
function cellsOf({ grid: { x, y } }: Stack, layer: Layer, index: number): CellPlace[] {
  const [nx, ny] = [x.length, y.length];
  const o = layer.outline;
  const out: CellPlace[] = [];
  for (let iy = 0; iy < ny - 1; iy++)
    for (let ix = 0; ix < nx - 1; ix++) {
      const [cx, cy] = [(x[ix]! + x[ix + 1]!) / 2, (y[iy]! + y[iy + 1]!) / 2];
      if (cx < o.x0 || cx > o.x1 || cy < o.y0 || cy > o.y1) continue;
      if ((layer.mask ? layer.mask[ix + iy * (nx - 1)]! : 1) > 0) out.push({ layer: index, ix, iy });
    }
  return out;
}

type RawLink = Pick<LinkPlace, 'kind' | 'of' | 'node'> & { readonly layers: readonly [upper: number, lower: number] };

/** Contacts at every node that both plates have, and bolts. */
function rawLinks(stack: Stack, has: Uint8Array, nodes: number): RawLink[] {
  const out: RawLink[] = [];
  stack.contacts.forEach(({ upper, lower }, of) => {
    for (let node = 0; node < nodes; node++)
      if (has[upper * nodes + node] && has[lower * nodes + node]) out.push({ kind: 'contact', of, node, layers: [upper, lower] });
  });
  stack.bolts.forEach((b, of) => out.push({ kind: 'bolt', of, node: b.node, layers: [b.upper, b.lower] }));
  return out;
}

interface Topology {
  readonly nodes: number;
  readonly cells: readonly CellPlace[];
  readonly links: readonly RawLink[];
  readonly signature: Int32Array;
}

function topologyOf(stack: Stack): Topology {
  const nx = stack.grid.x.length;
  const nodes = nx * stack.grid.y.length;
  const cells = stack.layers.flatMap((l, i) => cellsOf(stack, l, i));
  const has = new Uint8Array(stack.layers.length * nodes);
  for (const c of cells) for (const n of cornersOf(c, nx)) has[c.layer * nodes + n] = 1;
  const links = rawLinks(stack, has, nodes);
  const signature = new Int32Array(2 + stack.layers.length + 2 * cells.length + 3 * stack.supports.length + 4 * links.length);
  let at = 0;
  const note = (v: number) => (signature[at++] = v);
  note(nx);
  note(nodes);
  for (const l of stack.layers) note(usedBy(l));
  for (const c of cells) {
    note(c.layer);
    note(c.ix + c.iy * nx);
  }
  for (const s of stack.supports) {
    note(s.layer);
    note(s.node);
    note(heldBits(s));
  }
  for (const l of links) {
    note(l.of);
    note(l.node);
    note(l.layers[0]);
    note(l.layers[1]);
  }
  return { nodes, cells, links, signature };
}

const heldBits = (s: Stack['supports'][number]): number =>
  (s.w ? 1 : 0) + (s.betaX ? 2 : 0) + (s.betaY ? 4 : 0) + (s.u ? 8 : 0) + (s.v ? 16 : 0);

/** The pattern of a stack: the one given where it still fits. */
export function patternOf(stack: Stack, before?: Pattern): Pattern {
  const t = topologyOf(stack);
  if (before?.signature.length === t.signature.length && before.signature.every((v, i) => v === t.signature[i])) return before;
  const place = placed(stack, t);
  const unknowns = place.reduce((most, p) => Math.max(most, p), -1) + 1;
  const triplets = new Triplets();
  eachEntry(stack, t, place, (i, j) => {
    if (i >= 0 && j >= 0) triplets.add(i, j, 0);
  });
  for (let i = 0; i < unknowns; i++) triplets.add(i, i, 0);
  const w = (l: RawLink, side: 0 | 1) => place[unknownOf(t.nodes, l.layers[side], l.node, 0)]!;
  for (const l of t.links) if (w(l, 0) >= 0 && w(l, 1) >= 0) triplets.add(w(l, 0), w(l, 1), 0);
  const matrix = triplets.matrix(unknowns);
  const scatter: number[] = [];
  eachEntry(stack, t, place, (i, j) => scatter.push(entry(matrix, i, j)));
  return {
    signature: t.signature,
    nodes: t.nodes,
    unknowns,
    place,
    cells: t.cells,
    links: t.links.map(({ layers: _, ...l }, k) => {
      const [upper, lower] = [w(t.links[k]!, 0), w(t.links[k]!, 1)];
      return { ...l, upper, lower, at: [entry(matrix, upper, upper), entry(matrix, lower, lower), entry(matrix, upper, lower)] };
    }),
    matrix,
    scatter: Int32Array.from(scatter),
    symbolic: analyse(matrix),
  };
}

/** Both places of every entry of every cell's lower triangle, in the order of `scatter`. */
function eachEntry(stack: Stack, t: Topology, place: Int32Array, tell: (i: number, j: number) => void): void {
  const nx = stack.grid.x.length;
  for (const c of t.cells) {
    const used = usedBy(stack.layers[c.layer]!);
    const at = cornersOf(c, nx).flatMap((n) => Array.from({ length: used }, (_, k) => place[unknownOf(t.nodes, c.layer, n, k)]!));
    for (let p = 0; p < at.length; p++) for (let q = 0; q <= p; q++) tell(at[p]!, at[q]!);
  }
}

/** Puts every unknown that is there and free in its place in the order of elimination. */
function placed(stack: Stack, t: Topology): Int32Array {
  const nx = stack.grid.x.length;
  const { nodes } = t;
  const free = new Uint8Array(stack.layers.length * nodes * EACH);
  for (const c of t.cells)
    for (const n of cornersOf(c, nx))
      for (let k = 0; k < usedBy(stack.layers[c.layer]!); k++) free[unknownOf(nodes, c.layer, n, k)] = 1;
  for (const s of stack.supports)
    [s.w, s.betaX, s.betaY, s.u, s.v].forEach((held, k) => {
      if (held) free[unknownOf(nodes, s.layer, s.node, k)] = 0;
    });
  const group = new Int32Array(stack.layers.length * nodes).fill(-1);
  const members: number[] = [];
  const weight: number[] = [];
  for (let g = 0; g < group.length; g++) {
    let n = 0;
    for (let k = 0; k < EACH; k++) n += free[g * EACH + k]!;
    if (n === 0) continue;
    group[g] = members.length;
    members.push(g);
    weight.push(n);
  }
  const beside = members.map(() => new Set<number>());
  const join = (i: number, j: number) => {
    if (i < 0 || j < 0 || i === j) return;
    beside[i]!.add(j);
    beside[j]!.add(i);
  };
  for (const c of t.cells) {
    const at = cornersOf(c, nx).map((n) => group[c.layer * nodes + n]!);
    at.forEach((i, k) => at.slice(k + 1).forEach((j) => join(i, j)));
  }
  for (const l of t.links) join(group[l.layers[0] * nodes + l.node]!, group[l.layers[1] * nodes + l.node]!);
  const order = eliminationOrder(
    {
      node: Int32Array.from(members, (g) => g % nodes),
      weight: Int32Array.from(weight),
      beside: beside.map((s) => [...s]),
    },
    nx,
    stack.grid.y.length,
  );
  const place = new Int32Array(free.length).fill(-1);
  let next = 0;
  for (const i of order)
    for (let k = 0; k < EACH; k++) {
      const u = members[i]! * EACH + k;
      if (free[u]) place[u] = next++;
    }
  return place;
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
