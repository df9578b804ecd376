import type { UnitSystem } from '@core/units/format-quantity';
import { showAmount } from '../fields/show';
import type { SpreadView } from '@core/spread/view';

/** What can be shown on the plan. */
export const FIELDS = ['deflection', 'stress', 'utilisation', 'pressure', 'gap'] as const;
export type FieldName = (typeof FIELDS)[number];
export type Face = 'top' | 'bottom';

/** One field on the grid: in cells or at nodes, NaN where there is nothing. */
export interface Field {
  readonly name: FieldName;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly at: 'nodes' | 'cells';
  readonly values: Float32Array;
  readonly unit: 'mm' | 'MPa' | '–';
}

/** A field's value at the precision of what it shows: movements and gaps in hundredths. */
export function showField(v: number, unit: Field['unit'], system: UnitSystem): string {
  if (unit === '–') return v.toFixed(2);
  if (unit !== 'mm') return showAmount(v, unit, system);
  return system === 'inch' ? `${(v / 25.4).toFixed(4)} in` : `${v.toFixed(Math.abs(v) < 10 ? 2 : 1)} mm`;
}

/** The field of a layer (0 base … 3 behind), or of the contact under it; nothing where that layer has none. */
export function fieldOf(view: SpreadView, name: FieldName, layer: number, face: Face): Field | undefined {
  const { x, y } = view;
  if (name === 'pressure' || name === 'gap') {
    const contact = view.contacts[Math.min(layer, view.contacts.length - 1)];
    return contact && { name, x, y, at: 'nodes', values: contact[name], unit: name === 'gap' ? 'mm' : 'MPa' };
  }
  const l = view.layers[layer];
  if (!l) return undefined;
  if (name === 'deflection') return { name, x, y, at: 'nodes', values: l.lift, unit: 'mm' };
  const stress = l[face];
  if (name === 'stress') return { name, x, y, at: 'cells', values: stress, unit: 'MPa' };
  return l.strength > 0 ? { name, x, y, at: 'cells', values: stress.map((v) => v / l.strength), unit: '–' } : undefined;
}

export interface Scale {
  readonly low: number;
  readonly high: number;
}

/** From nothing, or from the lowest, to the highest; deflection keeps nothing in the scale so that up and down can be told. */
export function scaleOf(...fields: readonly (Field | undefined)[]): Scale {
  let [low, high] = [0, 0];
  for (const f of fields)
    if (f)
      for (const v of f.values) {
        if (v < low) low = v;
        if (v > high) high = v;
      }
  return high - low > 0 ? { low, high } : { low: 0, high: 1 };
}

/** One ramp, dark to light: it reads in grey, and over marking ink. Inferno-like, by six stops. */
const STOPS = [
  [18, 12, 52],
  [78, 18, 92],
  [147, 38, 82],
  [214, 72, 47],
  [246, 141, 32],
  [250, 220, 120],
] as const;

export function colourAt(part: number): readonly [number, number, number] {
  const p = Math.min(1, Math.max(0, part)) * (STOPS.length - 1);
  const i = Math.min(STOPS.length - 2, Math.floor(p));
  const f = p - i;
  const mix = (k: 0 | 1 | 2) => Math.round(STOPS[i]![k] + f * (STOPS[i + 1]![k] - STOPS[i]![k]));
  return [mix(0), mix(1), mix(2)];
}

const cellOf = (lines: Float64Array, v: number): number => {
  let [low, high] = [0, lines.length - 1];
  if (v < lines[0]! || v > lines[high]!) return -1;
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if (lines[mid]! <= v) low = mid;
    else high = mid;
  }
  return low;
};

/** The field's value at a point of the plan: between nodes in a straight line, within a cell its own; NaN where there is none. */
export function valueAt(f: Field, px: number, py: number): number {
  const [ix, iy] = [cellOf(f.x, px), cellOf(f.y, py)];
  if (ix < 0 || iy < 0) return NaN;
  if (f.at === 'cells') return f.values[ix + iy * (f.x.length - 1)]!;
  const n = ix + iy * f.x.length;
  const fx = (px - f.x[ix]!) / (f.x[ix + 1]! - f.x[ix]!);
  const fy = (py - f.y[iy]!) / (f.y[iy + 1]! - f.y[iy]!);
  const v = (k: number) => f.values[n + k]!;
  return (1 - fy) * ((1 - fx) * v(0) + fx * v(1)) + fy * ((1 - fx) * v(f.x.length) + fx * v(f.x.length + 1));
}

/** A picture of a piece of the plan: its size in pixels, its upper left corner and the mm of one pixel. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly top: number;
  readonly perPixel: number;
}

/** The ramp in as many steps as the eye does not tell apart, red, green, blue in turn. */
const SHADES = 512;
const RAMP = Uint8Array.from(Array.from({ length: SHADES }, (_, i) => colourAt(i / (SHADES - 1))).flat());

/** Paints a field pixel by pixel as `valueAt` gives it, into bytes of red, green, blue and opacity; where there is none nothing. */
export function paintField(f: Field, { low, high }: Scale, frame: Frame, opacity: number, out: Uint8ClampedArray): void {
  const { width, height } = frame;
  const cells = f.at === 'cells';
  const nx = cells ? f.x.length - 1 : f.x.length;
  const columns = placesOf(f.x, width, (i) => frame.left + (i + 0.5) * frame.perPixel);
  const rows = placesOf(f.y, height, (j) => frame.top - (j + 0.5) * frame.perPixel);
  const v = f.values;
  const shade = (SHADES - 1) / (high - low);
  for (let j = 0; j < height; j++) {
    const iy = rows.cell[j]!;
    if (iy < 0) continue;
    const fy = rows.part[j]!;
    for (let i = 0; i < width; i++) {
      const ix = columns.cell[i]!;
      if (ix < 0) continue;
      const n = ix + iy * nx;
      const fx = columns.part[i]!;
      const value = cells
        ? v[n]!
        : (1 - fy) * ((1 - fx) * v[n]! + fx * v[n + 1]!) + fy * ((1 - fx) * v[n + nx]! + fx * v[n + nx + 1]!);
      if (Number.isNaN(value)) continue;
      const of = 3 * Math.min(SHADES - 1, Math.max(0, Math.round((value - low) * shade)));
      const at = 4 * (i + j * width);
      out[at] = RAMP[of]!;
      out[at + 1] = RAMP[of + 1]!;
      out[at + 2] = RAMP[of + 2]!;
      out[at + 3] = 255 * opacity;
    }
  }
}

/** For each of some places the cell of a grid's lines it is in, −1 outside, and how far along that. */
function placesOf(lines: Float64Array, count: number, at: (i: number) => number): { cell: Int32Array; part: Float64Array } {
  const cell = Int32Array.from({ length: count }, (_, i) => cellOf(lines, at(i)));
  const part = Float64Array.from(cell, (c, i) => (c < 0 ? 0 : (at(i) - lines[c]!) / (lines[c + 1]! - lines[c]!)));
  return { cell, part };
}

/** Values at nodes, those of cells as the mean of the cells round each. */
export function nodeValues(f: Field): Float32Array {
  if (f.at === 'nodes') return f.values;
  const [nx, ny] = [f.x.length, f.y.length];
  const out = new Float32Array(nx * ny).fill(NaN);
  for (let iy = 0; iy < ny; iy++)
    for (let ix = 0; ix < nx; ix++) {
      let [sum, n] = [0, 0];
      for (const [dx, dy] of [
        [-1, -1],
        [0, -1],
        [-1, 0],
        [0, 0],
      ] as const) {
        const [cx, cy] = [ix + dx, iy + dy];
        if (cx < 0 || cy < 0 || cx >= nx - 1 || cy >= ny - 1) continue;
        const v = f.values[cx + cy * (nx - 1)]!;
        if (!Number.isNaN(v)) {
          sum += v;
          n++;
        }
      }
      if (n > 0) out[ix + iy * nx] = sum / n;
    }
  return out;
}

/** A line of equal value, plan mm. */
export interface Contour {
  readonly level: number;
  readonly d: string;
  /** Where its value is written. */
  readonly x: number;
  readonly y: number;
}

/** Round steps between the ends of a scale, four to eight of them. */
export function levelsOf({ low, high }: Scale): number[] {
  const raw = (high - low) / 6;
  const power = 10 ** Math.floor(Math.log10(raw));
  const step = [1, 2, 2.5, 5, 10].map((k) => k * power).find((s) => s >= raw)!;
  const out: number[] = [];
  for (let v = Math.ceil(low / step) * step; v < high; v += step) if (Math.abs(v) > step / 1000) out.push(v);
  return out;
}

/** Lines of equal value by marching over the grid's cells, each cell cut in two triangles; y as on the screen, downwards. */
export function contoursOf(f: Field, levels: readonly number[]): Contour[] {
  const v = nodeValues(f);
  const nx = f.x.length;
  return levels.flatMap((level) => {
    let d = '';
    let longest = { length: 0, x: 0, y: 0 };
    const cut = (a: number, b: number): [number, number] => {
      const k = (level - v[a]!) / (v[b]! - v[a]!);
      const at = (n: number): [number, number] => [f.x[n % nx]!, f.y[Math.floor(n / nx)]!];
      const [p, q] = [at(a), at(b)];
      return [p[0] + k * (q[0] - p[0]), p[1] + k * (q[1] - p[1])];
    };
    const triangle = (a: number, b: number, c: number) => {
      const over = [a, b, c].map((n) => v[n]! > level);
      if ([a, b, c].some((n) => Number.isNaN(v[n]!)) || over.every((o) => o === over[0])) return;
      const ends = (
        [
          [a, b],
          [b, c],
          [c, a],
        ] as const
      )
        .filter(([p, q]) => v[p]! > level !== v[q]! > level)
        .map(([p, q]) => cut(p, q));
      const [p, q] = ends as [[number, number], [number, number]];
      d += `M${p[0].toFixed(1)} ${(-p[1]).toFixed(1)}L${q[0].toFixed(1)} ${(-q[1]).toFixed(1)}`;
      const length = Math.hypot(q[0] - p[0], q[1] - p[1]);
      if (length > longest.length) longest = { length, x: (p[0] + q[0]) / 2, y: -(p[1] + q[1]) / 2 };
    };
    for (let iy = 0; iy < f.y.length - 1; iy++)
      for (let ix = 0; ix < nx - 1; ix++) {
        const n = ix + iy * nx;
        triangle(n, n + 1, n + nx + 1);
        triangle(n, n + nx + 1, n + nx);
      }
    return d ? [{ level, d, x: longest.x, y: longest.y }] : [];
  });
}
