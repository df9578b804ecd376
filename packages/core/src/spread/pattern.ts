import { eliminationOrder } from './order';
import type { SparseMatrix } from './sparse-matrix';
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

/** A spring between w above and w below that acts one way only: contact at a node, or a bolt or a post over the nodes of its heads. */
export interface LinkPlace {
  readonly kind: 'contact' | 'bolt' | 'post';
  /** Contact, bolt or post of the stack. */
  readonly of: number;
  readonly node: number;
  /** Nodes above, then below; one and one for a contact. */
  readonly nodes: readonly number[];
  readonly above: number;
  /** Places of w at those nodes; −1 where that w is fixed. */
  readonly places: readonly number[];
  /** Where the entries of its lower triangle stand in the matrix's values, row by row; −1 where there is none. */
  readonly at: readonly number[];
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

/** The two layers a link is between. */
export function layersOf(
  stack: Stack,
  { kind, of }: Pick<LinkPlace, 'kind' | 'of'>,
): { readonly upper: number; readonly lower: number } {
  return kind === 'contact' ? stack.contacts[of]! : kind === 'bolt' ? stack.bolts[of]! : stack.posts![of]!;
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

type RawLink = Pick<LinkPlace, 'kind' | 'of' | 'node' | 'nodes' | 'above'> & {
  readonly layers: readonly [upper: number, lower: number];
};

/** Contacts at every node that both plates have, and bolts. */
function rawLinks(stack: Stack, has: Uint8Array, nodes: number): RawLink[] {
  const out: RawLink[] = [];
  stack.contacts.forEach(({ upper, lower, apart }, of) => {
    if (apart) return;
    for (let node = 0; node < nodes; node++)
      if (has[upper * nodes + node] && has[lower * nodes + node])
        out.push({ kind: 'contact', of, node, nodes: [node, node], above: 1, layers: [upper, lower] });
  });
  const headed = (kind: 'bolt' | 'post', of: number, b: Headed) => {
    const [above, below] = [headNodes(b, 'upper'), headNodes(b, 'lower')];
    out.push({ kind, of, node: b.node, nodes: [...above, ...below], above: above.length, layers: [b.upper, b.lower] });
  };
  stack.bolts.forEach((b, of) => headed('bolt', of, b));
  stack.posts?.forEach((p, of) => headed('post', of, p));
  return out;
}

type Headed = Pick<Stack['bolts'][number], 'node' | 'heads' | 'upper' | 'lower'>;
const headNodes = (b: Headed, side: 'upper' | 'lower'): number[] => (b.heads ? b.heads[side].map((p) => p.node) : [b.node]);

/** Layer and node of each end of a link. */
const endsOf = (l: RawLink): (readonly [layer: number, node: number])[] =>
  l.nodes.map((n, k) => [l.layers[k < l.above ? 0 : 1], n] as const);

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
  const ends = links.reduce((sum, l) => sum + l.nodes.length, 0);
  const signature = new Int32Array(
    2 + stack.layers.length + 2 * cells.length + 3 * stack.supports.length + 5 * links.length + ends,
  );
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
    note(l.nodes.length);
    note(l.above);
    note(l.layers[0]);
    note(l.layers[1]);
    for (const n of l.nodes) note(n);
  }
  return { nodes, cells, links, signature };
}

const heldBits = (s: Stack['supports'][number]): number =>
  (s.w ? 1 : 0) + (s.betaX ? 2 : 0) + (s.betaY ? 4 : 0) + (s.u ? 8 : 0) + (s.v ? 16 : 0);

/** The pattern of a stack: the one given where it still fits. */
export function patternOf(stack: Stack, before?: Pattern): Pattern {
  const t = topologyOf(stack);
  if (before?.signature.length === t.signature.length && before.signature.every((v, i) => v === t.signature[i])) return before;
  const groups = groupsOf(stack, t);
  const place = placed(stack, t, groups);
  const matrix = emptyMatrix(groups, place);
  return {
    signature: t.signature,
    nodes: t.nodes,
    unknowns: matrix.n,
    place,
    cells: t.cells,
    links: t.links.map((l): LinkPlace => {
      const { kind, of, node, nodes, above } = l;
      const places = endsOf(l).map(([layer, n]) => place[unknownOf(t.nodes, layer, n, 0)]!);
      const at = places.flatMap((p, i) => places.slice(0, i + 1).map((q) => entry(matrix, p, q)));
      return { kind, of, node, nodes, above, places, at };
    }),
    matrix,
    scatter: scatterOf(stack, t, place, matrix),
    symbolic: analyse(matrix),
  };
}

/** Unknowns of one layer at one node go together. */
interface Group {
  /** Layer · nodes + node. */
  readonly at: number;
  /** Which of the `EACH` are there and free. */
  readonly free: readonly number[];
  /** Groups of the same layer in cells round it. */
  readonly beside: number[];
  /** Groups of other layers, by contact or bolt: w alone. */
  readonly linked: number[];
}

function groupsOf(stack: Stack, t: Topology): Group[] {
  const nx = stack.grid.x.length;
  const { nodes } = t;
  const held = new Uint8Array(stack.layers.length * nodes);
  for (const s of stack.supports) held[s.layer * nodes + s.node]! |= heldBits(s);
  const number = new Int32Array(held.length).fill(-1);
  const out: Group[] = [];
  const groupAt = (at: number, used: number): number => {
    if (number[at] !== -1) return number[at]!;
    const free = Array.from({ length: used }, (_, k) => k).filter((k) => (held[at]! & (1 << k)) === 0);
    // −2: all of it is held.
    number[at] = free.length > 0 ? out.length : -2;
    if (free.length > 0) out.push({ at, free, beside: [], linked: [] });
    return number[at]!;
  };
  const join = (list: 'beside' | 'linked', i: number, j: number) => {
    if (i < 0 || j < 0 || i === j || out[i]!.beside.includes(j) || out[i]![list].includes(j)) return;
    out[i]![list].push(j);
    out[j]![list].push(i);
  };
  for (const c of t.cells) {
    const used = usedBy(stack.layers[c.layer]!);
    const [p, q, r, s] = cornersOf(c, nx).map((n) => groupAt(c.layer * nodes + n, used)) as [number, number, number, number];
    join('beside', p, q);
    join('beside', p, r);
    join('beside', p, s);
    join('beside', q, r);
    join('beside', q, s);
    join('beside', r, s);
  }
  for (const l of t.links) {
    const groups = endsOf(l).map(([layer, n]) => number[layer * nodes + n]!);
    groups.forEach((g, i) => groups.slice(0, i).forEach((h) => join('linked', g, h)));
  }
  return out;
}

/** Puts every unknown that is there and free in its place in the order of elimination. */
function placed(stack: Stack, t: Topology, groups: readonly Group[]): Int32Array {
  const order = eliminationOrder(
    {
      node: Int32Array.from(groups, (g) => g.at % t.nodes),
      weight: Int32Array.from(groups, (g) => g.free.length),
      beside: groups.map((g) => [...g.beside, ...g.linked]),
    },
    stack.grid.x.length,
    stack.grid.y.length,
  );
  const place = new Int32Array(stack.layers.length * t.nodes * EACH).fill(-1);
  let next = 0;
  for (const i of order) for (const k of groups[i]!.free) place[groups[i]!.at * EACH + k] = next++;
  return place;
}

/** The matrix with a zero wherever a cell or a link may add: each column's rows from its group's neighbours. */
function emptyMatrix(groups: readonly Group[], place: Int32Array): SparseMatrix {
  const n = groups.reduce((sum, g) => sum + g.free.length, 0);
  const columns: Int32Array[] = new Array<Int32Array>(n);
  const most = groups.reduce((m, g) => Math.max(m, g.linked.length), 0);
  const scratch = new Int32Array(EACH * 16 + most);
  for (const g of groups)
    for (const k of g.free) {
      const column = place[g.at * EACH + k]!;
      let count = 0;
      const take = (o: Group, only?: number) => {
        for (const f of o.free) {
          const row = place[o.at * EACH + f]!;
          if (row >= column && (only === undefined || f === only)) scratch[count++] = row;
        }
      };
      take(g);
      for (const o of g.beside) take(groups[o]!);
      if (k === 0) for (const o of g.linked) take(groups[o]!, 0);
      columns[column] = scratch.slice(0, count).sort();
    }
  const starts = new Int32Array(n + 1);
  for (let j = 0; j < n; j++) starts[j + 1] = starts[j]! + columns[j]!.length;
  const rows = new Int32Array(starts[n]!);
  for (let j = 0; j < n; j++) rows.set(columns[j]!, starts[j]!);
  return { n, starts, rows, values: new Float64Array(rows.length) };
}

/** Where every entry of every cell's lower triangle stands, cell after cell. */
function scatterOf(stack: Stack, t: Topology, place: Int32Array, matrix: SparseMatrix): Int32Array {
  const nx = stack.grid.x.length;
  const size = (c: CellPlace) => (usedBy(stack.layers[c.layer]!) === 5 ? 210 : 78);
  const out = new Int32Array(t.cells.reduce((sum, c) => sum + size(c), 0));
  const at = new Int32Array(4 * EACH);
  let next = 0;
  for (const c of t.cells) {
    const used = usedBy(stack.layers[c.layer]!);
    cornersOf(c, nx).forEach((n, i) => {
      for (let k = 0; k < used; k++) at[used * i + k] = place[unknownOf(t.nodes, c.layer, n, k)]!;
    });
    for (let p = 0; p < 4 * used; p++) for (let q = 0; q <= p; q++) out[next++] = entry(matrix, at[p]!, at[q]!);
  }
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
