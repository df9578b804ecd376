import type { Rect } from '../geometry/points';
import type { Resolved } from '../job/resolve';
import { spreadRulesOf } from '../job/spread-rules';
import { isBed, openHoles } from './job-layers';
import type { Grid } from './grid';

/** A grid with how many cells were put between each two wanted lines. */
export interface JobGrid {
  readonly grid: Grid;
  /** Largest cell, mm. */
  readonly spacing: number;
  readonly parts: { readonly x: readonly number[]; readonly y: readonly number[] };
}

/** Cells may grow to this multiple of their size before a grid that follows a drag is made anew. */
const STRETCH = 1.6;

/**
 * Lines through every edge and bolt, and one skin thickness outside the plate's edge, where the skin's peak is read; between them as
 * many as the size allows, close beside edges and bolts, where plates bear on each other over a few millimetres, and further apart
 * away from them. Where a grid before has as many wanted lines, its numbers of cells are kept: a bolt that is dragged takes its lines
 * with it, and everything found for their pattern stays.
 */
export function gridFor(r: Resolved, outer: Rect, far: readonly Rect[], unknowns: number, before?: JobGrid): JobGrid {
  const x = wantedLines(r, outer, far, 'x');
  const y = wantedLines(r, outer, far, 'y');
  if (before && before.parts.x.length === x.length - 1 && before.parts.y.length === y.length - 1) {
    const kept = { x: divided(x, before.parts.x), y: divided(y, before.parts.y) };
    if (largestCell(kept) <= STRETCH * before.spacing) return { grid: kept, spacing: before.spacing, parts: before.parts };
  }
  // From coarse to fine, the last that stays under the size aimed at.
  const cover = layersPerNode(r, outer);
  const whole = Math.max(outer.x1 - outer.x0, outer.y1 - outer.y0);
  const counts = (h: number): JobGrid['parts'] => ({ x: countsFor(x, h), y: countsFor(y, h) });
  const nodes = ({ x, y }: JobGrid['parts']) => (sum(x) + 1) * (sum(y) + 1);
  let parts = counts(whole);
  for (let h = whole; h > LEAST; h *= 0.93) {
    const finer = counts(h);
    if (3 * nodes(finer) * cover > unknowns) break;
    parts = finer;
  }
  const grid = { x: divided(x, parts.x), y: divided(y, parts.y) };
  return { grid, spacing: largestCell(grid), parts };
}

/** No cell beside an edge need be smaller, mm. */
const LEAST = 0.1;
/** How much a cell is larger than its neighbour towards an edge, and the most it is larger than the one at the edge. */
const GROWTH = 1.8;
const LARGEST = 12;

const sum = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0);

const largestCell = (g: Grid): number =>
  Math.max(...[g.x, g.y].flatMap((lines) => Array.from(lines.subarray(1), (v, i) => v - lines[i]!)));

/** Sizes of n cells between two wanted lines, to no scale; the first and the last space run to the panel's edge, where nothing is sharp. */
const sizes = (n: number, first: boolean, last: boolean): number[] =>
  Array.from({ length: n }, (_, k) => {
    const steps = Math.min(first ? Infinity : k, last ? Infinity : n - 1 - k);
    return Number.isFinite(steps) ? Math.min(LARGEST, GROWTH ** steps) : 1;
  });

/** Numbers of cells in each space such that the one at an edge is no larger than h. */
const countsFor = (wanted: readonly number[], h: number): number[] =>
  wanted.slice(1).map((v, i) => {
    const length = v - wanted[i]!;
    for (let n = 1; ; n++) {
      const all = sizes(n, i === 0, i === wanted.length - 2);
      if ((length * Math.min(...all)) / sum(all) <= h) return n;
    }
  });

/** The lines, with so many cells in each space. */
function divided(wanted: readonly number[], parts: readonly number[]): Float64Array {
  const out: number[] = [];
  parts.forEach((n, i) => {
    const [from, to] = [wanted[i]!, wanted[i + 1]!];
    const all = sizes(n, i === 0, i === parts.length - 1);
    const whole = sum(all);
    let done = 0;
    for (const s of all) {
      out.push(from + ((to - from) * done) / whole);
      done += s;
    }
  });
  out.push(wanted.at(-1)!);
  return Float64Array.from(out);
}

/** Wanted lines along one axis, rising, each once. */
function wantedLines(r: Resolved, outer: Rect, far: readonly Rect[], axis: 'x' | 'y'): number[] {
  const [low, high] = axis === 'x' ? (['x0', 'x1'] as const) : (['y0', 'y1'] as const);
  const t = r.skinThickness;
  const past = r.far.kind === 'plate' && !r.far.strips ? [r.far.outline] : [];
  const band = [r.plate, ...past]
    .flatMap((q) => [q[low] - t, q[high] + t])
    .filter((v) => v > outer[low] + 1e-3 && v < outer[high] - 1e-3);
  const taper = spreadRulesOf(r.job).taper?.width ?? 0;
  const inward = taper > 0 ? [r.plate[low] + taper, r.plate[high] - taper] : [];
  const edges = [outer, r.panel, r.plate, r.base, ...far].flatMap((q) => [q[low], q[high]]);
  const open = openHoles(r).flatMap((h) => [h[axis] - h.d / 2, h[axis] + h.d / 2]);
  return [...edges, ...band, ...inward, ...open, ...cornerLines(r, axis), ...r.bolts.map((b) => b[axis])]
    .filter((v) => v >= outer[low] - 1e-6 && v <= outer[high] + 1e-6)
    .sort((a, b) => a - b)
    .filter((v, i, all) => i === 0 || v - all[i - 1]! > 1e-6);
}

/** Corners of a plate that is no rectangle, where its straight edges end; of more than these the mask alone tells. */
const MOST_CORNERS = 16;
function cornerLines(r: Resolved, axis: 'x' | 'y'): number[] {
  const { outer } = r.region;
  return r.shaped && outer.length <= MOST_CORNERS ? outer.map((v) => v[axis]) : [];
}

/** Layers that a grid node has, on the mean. */
function layersPerNode(r: Resolved, outer: Rect): number {
  const area = (q: Rect) => (q.x1 - q.x0) * (q.y1 - q.y0);
  if (isBed(r)) return 1 + area(r.base) / area(outer);
  return 1 + (area(r.plate) * (r.far.kind === 'plate' ? 2 : 1) + area(r.base)) / area(outer);
}
