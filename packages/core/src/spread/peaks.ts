import type { Point, Rect } from '../geometry/points';
import type { Grid } from './grid';
import type { CellStress } from './cell-stresses';

/** A value and where it stands on the plan. */
export interface Peak {
  readonly value: number;
  readonly at: Point;
}

export const NO_PEAK: Peak = { value: 0, at: { x: 0, y: 0 } };

/** Something that has one value in each cell of some of the grid. */
export interface CellValues {
  readonly cells: readonly {
    readonly ix: number;
    readonly iy: number;
    readonly a: number;
    readonly b: number;
    readonly part: number;
  }[];
  readonly values: Float64Array;
}

/**
 * The largest mean over a square of side `wide`. Where a bolt or a sharp edge bears on a plate, thin-plate theory has a peak that
 * grows with every finer mesh; its mean over a piece of a stated size does not.
 */
export function peakOver(grid: Grid, { cells, values }: CellValues, wide: number): Peak {
  const nx = grid.x.length - 1;
  // Sums from the corner on: of value times area, and of area.
  const sums = new Float64Array((nx + 1) * grid.y.length);
  const areas = new Float64Array(sums.length);
  cells.forEach((c, i) => {
    const at = c.ix + 1 + (c.iy + 1) * (nx + 1);
    const area = c.a * c.b * c.part;
    sums[at]! += values[i]! * area;
    areas[at]! += area;
  });
  for (const s of [sums, areas]) {
    for (let iy = 1; iy < grid.y.length; iy++)
      for (let ix = 1; ix <= nx; ix++) s[ix + iy * (nx + 1)]! += s[ix - 1 + iy * (nx + 1)]!;
    for (let iy = 1; iy < grid.y.length; iy++)
      for (let ix = 1; ix <= nx; ix++) s[ix + iy * (nx + 1)]! += s[ix + (iy - 1) * (nx + 1)]!;
  }
  const columns = windows(grid.x, wide);
  const rows = windows(grid.y, wide);
  const within = (s: Float64Array, c: { readonly ix: number; readonly iy: number }) => {
    const [x0, x1] = [columns[2 * c.ix]!, columns[2 * c.ix + 1]!];
    const [y0, y1] = [rows[2 * c.iy]!, rows[2 * c.iy + 1]!];
    return between(s, nx + 1, x1, y1) - between(s, nx + 1, x0, y1) - between(s, nx + 1, x1, y0) + between(s, nx + 1, x0, y0);
  };
  let best = NO_PEAK;
  for (const c of cells) {
    const area = within(areas, c);
    const value = area > 0 ? within(sums, c) / area : 0;
    if (value > best.value) best = { value, at: { x: grid.x[c.ix]! + c.a / 2, y: grid.y[c.iy]! + c.b / 2 } };
  }
  return best;
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
