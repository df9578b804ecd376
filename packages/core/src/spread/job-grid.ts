import type { Rect } from '../geometry/points';
import type { Resolved } from '../job/resolve';
import { spreadRulesOf } from '../job/spread-rules';
import { isBed, openHoles } from './job-layers';
import { linesThrough, nodesOf, type Grid } from './grid';

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
 * Lines through every edge and bolt, and one skin thickness outside the plate's edge, where the skin's peak is read; then as many
 * between as the size allows. Where a grid before has as many wanted lines, its numbers of cells are kept: a bolt that is dragged
 * takes its lines with it, and everything found for their pattern stays.
 */
export function gridFor(r: Resolved, outer: Rect, far: readonly Rect[], unknowns: number, before?: JobGrid): JobGrid {
  const x = wantedLines(r, outer, far, 'x');
  const y = wantedLines(r, outer, far, 'y');
  if (before && before.parts.x.length === x.length - 1 && before.parts.y.length === y.length - 1) {
    const most = Math.max(widest(x, before.parts.x), widest(y, before.parts.y));
    if (most <= STRETCH * before.spacing)
      return {
        grid: { x: divided(x, before.parts.x), y: divided(y, before.parts.y) },
        spacing: before.spacing,
        parts: before.parts,
      };
  }
  // From coarse to fine, the last that stays under the size aimed at.
  const cover = layersPerNode(r, outer);
  let spacing = Math.max(outer.x1 - outer.x0, outer.y1 - outer.y0);
  const made = (h: number): Grid => ({ x: linesThrough(x, h), y: linesThrough(y, h) });
  for (let h = spacing; h > 0.5; h *= 0.93) {
    if (3 * nodesOf(made(h)) * cover > unknowns) break;
    spacing = h;
  }
  const grid = made(spacing);
  return { grid, spacing, parts: { x: partsOf(x, grid.x), y: partsOf(y, grid.y) } };
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
  const open = openHoles(r).flatMap((h) => [h[axis] - h.d.v / 2, h[axis] + h.d.v / 2]);
  return [...edges, ...band, ...inward, ...open, ...r.bolts.map((b) => b[axis])]
    .filter((v) => v >= outer[low] - 1e-6 && v <= outer[high] + 1e-6)
    .sort((a, b) => a - b)
    .filter((v, i, all) => i === 0 || v - all[i - 1]! > 1e-6);
}

const widest = (wanted: readonly number[], parts: readonly number[]): number =>
  parts.reduce((most, n, i) => Math.max(most, (wanted[i + 1]! - wanted[i]!) / n), 0);

const divided = (wanted: readonly number[], parts: readonly number[]): Float64Array =>
  Float64Array.from([
    ...parts.flatMap((n, i) => Array.from({ length: n }, (_, k) => wanted[i]! + ((wanted[i + 1]! - wanted[i]!) * k) / n)),
    wanted.at(-1)!,
  ]);

function partsOf(wanted: readonly number[], lines: Float64Array): number[] {
  let at = 0;
  return wanted.slice(1).map((v) => {
    const from = at;
    while (at < lines.length - 1 && lines[at]! < v - 1e-9) at++;
    return at - from;
  });
}

/** Layers that a grid node has, on the mean. */
function layersPerNode(r: Resolved, outer: Rect): number {
  const area = (q: Rect) => (q.x1 - q.x0) * (q.y1 - q.y0);
  if (isBed(r)) return 1 + area(r.base) / area(outer);
  return 1 + (area(r.plate) * (r.far.kind === 'plate' ? 2 : 1) + area(r.base)) / area(outer);
}
