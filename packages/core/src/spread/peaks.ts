import { edgeDistance, loopPoints, type Region } from '../geometry/region';
import { distance, type Point, type Rect } from '../geometry/points';
import type { Grid } from './grid';
import type { CellStress } from './cell-stresses';

/** A value and where it stands on the plan. */
export interface Peak {
  readonly value: number;
  readonly at: Point;
}

export const NO_PEAK: Peak = { value: 0, at: { x: 0, y: 0 } };

/** A piece of a plate between grid lines: place, sides, and how much of it is there. */
export interface Piece {
  readonly ix: number;
  readonly iy: number;
  readonly a: number;
  readonly b: number;
  readonly part: number;
}

/**
 * The largest mean over a square of side `wide`, for values of these pieces of the grid, in their order. Where a bolt or a sharp
 * edge bears on a plate, thin-plate theory has a peak that grows with every finer mesh; its mean over a piece of a stated size
 * does not. Made once, used for every case.
 */
export function meansOver(grid: Grid, pieces: readonly Piece[], wide: number): (values: Float64Array) => Peak {
  const nx = grid.x.length;
  const columns = windows(grid.x, wide);
  const rows = windows(grid.y, wide);
  // Sums from the corner on, then along x and along y what of them lies in each piece's window.
  const sums = new Float64Array(nx * grid.y.length);
  const within = (valueAt: (i: number) => number, out: Float64Array) => {
    sums.fill(0);
    pieces.forEach((c, i) => (sums[c.ix + 1 + (c.iy + 1) * nx]! += valueAt(i)));
    for (let n = nx; n < sums.length; n++) if (n % nx > 0) sums[n]! += sums[n - 1]!;
    for (let n = nx; n < sums.length; n++) sums[n]! += sums[n - nx]!;
    for (let i = 0; i < pieces.length; i++) {
      const { ix, iy } = pieces[i]!;
      const [x0, x1, y0, y1] = [columns[2 * ix]!, columns[2 * ix + 1]!, rows[2 * iy]!, rows[2 * iy + 1]!];
      out[i] = between(sums, nx, x1, y1) - between(sums, nx, x0, y1) - between(sums, nx, x1, y0) + between(sums, nx, x0, y0);
    }
    return out;
  };
  const own = Float64Array.from(pieces, (c) => c.a * c.b * c.part);
  const areas = within((i) => own[i]!, new Float64Array(pieces.length));
  const loads = new Float64Array(pieces.length);
  return (values) => {
    within((i) => values[i]! * own[i]!, loads);
    let [at, most] = [-1, 0];
    for (let i = 0; i < loads.length; i++) {
      const mean = areas[i]! > 0 ? loads[i]! / areas[i]! : 0;
      if (mean > most) [at, most] = [i, mean];
    }
    const c = pieces[at];
    return c ? { value: most, at: { x: grid.x[c.ix]! + c.a / 2, y: grid.y[c.iy]! + c.b / 2 } } : NO_PEAK;
  };
}

/** For each space between lines, where a window about its middle begins and ends, counted in lines and parts of them. */
function windows(lines: Float64Array, wide: number): Float64Array {
  const last = lines.length - 1;
  const out = new Float64Array(2 * last);
  const place = (v: number): number => {
    if (v <= lines[0]!) return 0;
    if (v >= lines[last]!) return last;
    let i = 0;
    while (lines[i + 1]! <= v) i++;
    return i + (v - lines[i]!) / (lines[i + 1]! - lines[i]!);
  };
  for (let i = 0; i < last; i++) {
    const middle = (lines[i]! + lines[i + 1]!) / 2;
    out[2 * i] = place(middle - wide / 2);
    out[2 * i + 1] = place(middle + wide / 2);
  }
  return out;
}

/** A table of sums between its entries. */
function between(sums: Float64Array, nx: number, px: number, py: number): number {
  const [ix, iy] = [Math.min(Math.floor(px), nx - 2), Math.min(Math.floor(py), sums.length / nx - 2)];
  const [fx, fy] = [px - ix, py - iy];
  const at = ix + iy * nx;
  return (1 - fy) * ((1 - fx) * sums[at]! + fx * sums[at + 1]!) + fy * ((1 - fx) * sums[at + nx]! + fx * sums[at + nx + 1]!);
}

/**
 * The skin's stress where a stiff plate stops: the mean over one skin thickness outside the plate's edge, cell row by cell row
 * along it. The edge itself is a singular line, whose element peak grows with every finer mesh; this mean does not.
 */
export function edgePeak(grid: Grid, stresses: readonly CellStress[], plate: Rect, t: number): Peak {
  const sums = new Map<string, { stress: number; width: number; at: Point }>();
  const put = (key: string, stress: number, width: number, at: Point) => {
    const s = sums.get(key) ?? { stress: 0, width: 0, at };
    s.stress += stress * width;
    s.width += width;
    sums.set(key, s);
  };
  for (const { cell, top, bottom } of stresses) {
    const stress = Math.max(top, bottom);
    const [x, y] = [grid.x[cell.ix]! + cell.a / 2, grid.y[cell.iy]! + cell.b / 2];
    const besideX = y > plate.y0 && y < plate.y1;
    const besideY = x > plate.x0 && x < plate.x1;
    if (besideX && x > plate.x1 && x < plate.x1 + t) put(`fore ${cell.iy}`, stress, cell.a, { x: plate.x1 + t / 2, y });
    if (besideX && x < plate.x0 && x > plate.x0 - t) put(`aft ${cell.iy}`, stress, cell.a, { x: plate.x0 - t / 2, y });
    if (besideY && y > plate.y1 && y < plate.y1 + t) put(`port ${cell.ix}`, stress, cell.b, { x, y: plate.y1 + t / 2 });
    if (besideY && y < plate.y0 && y > plate.y0 - t) put(`starboard ${cell.ix}`, stress, cell.b, { x, y: plate.y0 - t / 2 });
  }
  let best = NO_PEAK;
  for (const s of sums.values()) if (s.stress / s.width > best.value) best = { value: s.stress / s.width, at: s.at };
  return best;
}

/** Places across one thickness beside the edge that are read, and the most there are between two of them along it, in thicknesses. */
const ACROSS = 5;
const APART = 0.5;

/** The same beside an outline of any shape: along each edge, the mean over one skin thickness square to it. */
export function outlinePeak(grid: Grid, stresses: readonly CellStress[], region: Region, t: number): Peak {
  const nx = grid.x.length - 1;
  const at = new Map(stresses.map((s) => [s.cell.ix + s.cell.iy * nx, Math.max(s.top, s.bottom)]));
  const find = (lines: Float64Array, v: number): number => {
    if (v < lines[0]! || v >= lines.at(-1)!) return -1;
    let [low, high] = [0, lines.length - 1];
    while (high - low > 1) {
      const mid = (low + high) >> 1;
      if (lines[mid]! <= v) low = mid;
      else high = mid;
    }
    return low;
  };
  const stressAt = (p: Point): number | undefined => {
    const [ix, iy] = [find(grid.x, p.x), find(grid.y, p.y)];
    return ix < 0 || iy < 0 ? undefined : at.get(ix + iy * nx);
  };
  let best = NO_PEAK;
  for (const loop of [region.outer, ...region.openings]) {
    const ring = loopPoints(loop);
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const long = distance(a, b);
      if (long < 1e-9) return;
      const n = Math.max(1, Math.ceil(long / (APART * t)));
      const u = { x: (b.x - a.x) / long, y: (b.y - a.y) / long };
      for (const out of [
        { x: u.y, y: -u.x },
        { x: -u.y, y: u.x },
      ])
        for (let k = 0; k < n; k++) {
          const s = ((k + 0.5) / n) * long;
          const point = (d: number): Point => ({ x: a.x + s * u.x + d * out.x, y: a.y + s * u.y + d * out.y });
          const places = Array.from({ length: ACROSS }, (_, j) => point(((j + 0.5) / ACROSS) * t));
          // Off the metal on this side of the edge, all the way.
          if (places.some((p) => edgeDistance(region, p) > 0)) continue;
          const read = places.flatMap((p) => stressAt(p) ?? []);
          if (read.length === 0) continue;
          const mean = read.reduce((x, y) => x + y, 0) / read.length;
          if (mean > best.value) best = { value: mean, at: point(t / 2) };
        }
    });
  }
  return best;
}
