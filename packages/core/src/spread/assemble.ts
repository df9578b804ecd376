import { addInPlane } from './membrane';
import { cornersOf, patternOf, unknownOf, usedBy, type CellPlace, type LinkPlace, type Pattern } from './pattern';
import { elementStiffness, times } from './plate-element';
import type { SparseMatrix } from './sparse-matrix';
import type { Heads, Stack } from './stack';

/** A cell with its measures, mm, and how much of it is there. */
export interface Cell extends CellPlace {
  readonly a: number;
  readonly b: number;
  readonly part: number;
  /** Part of the layer's bending stiffness: what is there, thinned by a taper. */
  readonly stiff: number;
}

/** A one-way spring with its stiffness, N/mm: a contact or a post presses, a bolt pulls. */
export interface Link extends LinkPlace {
  readonly stiffness: number;
  /** Part of it at each of its nodes, those above together 1, those below −1. */
  readonly parts: readonly number[];
  /** Holds both ways. */
  readonly tied: boolean;
  /** Contact: clear height, mm. Bolt: pull before the load over its stiffness, as a length. Post: none. */
  readonly offset: number;
}

/** A stack brought to equations. */
export interface Assembly {
  readonly stack: Stack;
  readonly pattern: Pattern;
  readonly place: Int32Array;
  readonly nodes: number;
  readonly unknowns: number;
  readonly cells: readonly Cell[];
  /** The same, layer by layer. */
  readonly cellsIn: readonly (readonly Cell[])[];
  /** Plates, beds and ground springs; contacts and bolts stand in it as zeros to be filled in. */
  readonly matrix: SparseMatrix;
  readonly links: readonly Link[];
  /** Area that goes with each node of each layer, mm². */
  readonly area: Float64Array;
  /** Bending stiffness of cells, 12 × 12, by a key of layer and size; filled as asked for. */
  readonly bending: Map<string, Float64Array>;
}

/** Bending stiffness of a cell, 12 × 12. */
export function bendingOf(a: Assembly, c: Cell): Float64Array {
  const key = `${c.layer} ${c.a.toFixed(6)} ${c.b.toFixed(6)} ${c.stiff}`;
  let K = a.bending.get(key);
  if (!K) a.bending.set(key, (K = elementStiffness(c.a, c.b, times(a.stack.layers[c.layer]!.stiffness, c.stiff))));
  return K;
}

const ONE_EACH = [1, -1] as const;
const partsOf = ({ upper, lower }: Heads): readonly number[] => [...upper.map((p) => p.part), ...lower.map((p) => -p.part)];

/** The equations of a stack, on the pattern of an earlier one where that still fits. */
export function assemble(stack: Stack, before?: Pattern): Assembly {
  const pattern = patternOf(stack, before);
  const { nodes, place } = pattern;
  const nx = stack.grid.x.length;
  const cells = pattern.cells.map((c) => measured(stack, c));
  const cellsIn = stack.layers.map((_, i) => cells.filter((c) => c.layer === i));
  const area = new Float64Array(stack.layers.length * nodes);
  for (const c of cells) for (const n of cornersOf(c, nx)) area[c.layer * nodes + n]! += (c.a * c.b * c.part) / 4;
  const values = new Float64Array(pattern.matrix.values.length);
  addElements(stack, cells, pattern.scatter, values);
  const matrix: SparseMatrix = { ...pattern.matrix, values };
  const onDiagonal = (u: number, k: number) => {
    if (place[u]! >= 0) values[matrix.starts[place[u]!]!]! += k;
  };
  stack.layers.forEach((l, i) => {
    if (l.bed) for (let n = 0; n < nodes; n++) onDiagonal(unknownOf(nodes, i, n, 0), l.bed * area[i * nodes + n]!);
  });
  for (const s of stack.springs) onDiagonal(unknownOf(nodes, s.layer, s.node, 0), s.stiffness);
  const links = pattern.links.map((l): Link => {
    if (l.kind === 'post') {
      const { stiffness, heads } = stack.posts![l.of]!;
      return { ...l, stiffness, offset: 0, parts: partsOf(heads), tied: false };
    }
    if (l.kind === 'bolt') {
      const { stiffness, preload, heads } = stack.bolts[l.of]!;
      return { ...l, stiffness, offset: preload / stiffness, parts: heads ? partsOf(heads) : ONE_EACH, tied: false };
    }
    const c = stack.contacts[l.of]!;
    const shared = Math.min(area[c.upper * nodes + l.node]!, area[c.lower * nodes + l.node]!);
    const tied = typeof c.tied === 'boolean' ? c.tied : c.tied.has(l.node);
    return { ...l, stiffness: c.modulus * shared, offset: c.gap, parts: ONE_EACH, tied };
  });
  return { stack, pattern, place, nodes, unknowns: pattern.unknowns, cells, cellsIn, matrix, links, area, bending: new Map() };
}

function measured({ grid: { x, y }, layers }: Stack, c: CellPlace): Cell {
  const { mask, left } = layers[c.layer]!;
  const at = c.ix + c.iy * (x.length - 1);
  const part = mask ? mask[at]! : 1;
  return {
    layer: c.layer,
    ix: c.ix,
    iy: c.iy,
    a: x[c.ix + 1]! - x[c.ix]!,
    b: y[c.iy + 1]! - y[c.iy]!,
    part,
    stiff: part * (left ? left[at]! ** 3 : 1),
  };
}

/** Adds every cell's own stiffness. Cells of one size are worked out once. */
function addElements(stack: Stack, cells: readonly Cell[], scatter: Int32Array, values: Float64Array): void {
  const made = new Map<number, Float64Array>();
  const [wide, high] = [alike(stack.grid.x), alike(stack.grid.y)];
  let at = 0;
  for (const c of cells) {
    const layer = stack.layers[c.layer]!;
    const key = c.part === 1 && c.stiff === 1 ? (c.layer * 1024 + wide[c.ix]!) * 1024 + high[c.iy]! : -1;
    let K = made.get(key);
    if (!K) {
      K = triangleOf(c, layer.stiffness, usedBy(layer), layer.membrane);
      if (key >= 0) made.set(key, K);
    }
    for (let k = 0; k < K.length; k++, at++) if (scatter[at]! >= 0) values[scatter[at]!]! += K[k]!;
  }
}

/** For each space between lines, the first space as wide. */
function alike(lines: Float64Array): Int32Array {
  const first = new Map<number, number>();
  return Int32Array.from({ length: lines.length - 1 }, (_, i) => {
    const size = Math.round((lines[i + 1]! - lines[i]!) * 1e6);
    if (!first.has(size)) first.set(size, i);
    return first.get(size)!;
  });
}

/** Lower triangle of a cell's stiffness, row by row, over the unknowns in use at its corners. */
function triangleOf(
  c: Cell,
  p: Stack['layers'][number]['stiffness'],
  used: 3 | 5,
  membrane: Stack['layers'][number]['membrane'],
) {
  const n = 4 * used;
  const full = new Float64Array(n * n);
  const bending = elementStiffness(c.a, c.b, times(p, c.stiff));
  const wide = (i: number) => Math.floor(i / 3) * used + (i % 3);
  for (let i = 0; i < 12; i++) for (let j = 0; j < 12; j++) full[wide(i) * n + wide(j)] = bending[i * 12 + j]!;
  if (membrane) addInPlane(full, c, membrane);
  const out = new Float64Array((n * (n + 1)) / 2);
  let at = 0;
  for (let i = 0; i < n; i++) for (let j = 0; j <= i; j++) out[at++] = full[i * n + j]!;
  return out;
}
