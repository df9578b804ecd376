import type { Point } from '../geometry/points';
import type { Pattern, Reading } from '../job/survey';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';
import type { NamedPoint } from './fit-pattern';

// What a caliper gives, made into centres (arithmetic of the bench; both holes of one diameter d).
const INSIDE = formula('c', 'g + d', 'mm');
const OUTSIDE = formula('c', 'g − d', 'mm');
const DATUM_NEAR = formula('c', 'g + d/2', 'mm');
const DATUM_FAR = formula('c', 'g − d/2', 'mm');
const CENTRES = formula('c', 'g', 'mm');

/** Centre to centre (or datum to centre) of one reading, with its arithmetic. mm. */
export function centreOf(r: Reading, d: number, recording = true): { readonly c: number; readonly steps: readonly Step[] } {
  const w = new Working(recording);
  const put = { g: r.reading.v, d };
  const datum = r.from === '';
  const c =
    r.over === 'centres'
      ? w.of(CENTRES, put, 'read at the centres')
      : r.over === 'inside'
        ? w.of(
            datum ? DATUM_NEAR : INSIDE,
            put,
            datum ? 'datum to the near edge: half a diameter more' : 'between the holes: a diameter more',
          )
        : w.of(
            datum ? DATUM_FAR : OUTSIDE,
            put,
            datum ? 'datum to the far edge: half a diameter less' : 'over the holes: a diameter less',
          );
  return { c, steps: w.steps };
}

/** How far the adjusted place is from what one reading says. */
export interface ReadingResidual {
  readonly id: string;
  /** Reading less what the adjusted centres give, mm. */
  readonly off: number;
}

export interface Centres {
  readonly holes: readonly NamedPoint[];
  readonly residuals: readonly ReadingResidual[];
  /** Freedoms the readings leave open; those coordinates stay as they were. */
  readonly open: number;
  /** Holes that no reading touches. */
  readonly unread: readonly string[];
  /** Readings to or from a hole that is not in the pattern. */
  readonly astray: readonly string[];
}

interface Row {
  readonly id: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly way: Reading['way'];
}

const DATUM = -1;

/** Signed or straight distance of a reading at the present places, and its slope in each coordinate. */
function looked(row: Row, at: readonly Point[]): { value: number; ux: number; uy: number } {
  const a = row.from === DATUM ? { x: 0, y: 0 } : at[row.from]!;
  const b = at[row.to]!;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  if (row.way === 'x') return { value: Math.abs(dx), ux: dx < 0 ? -1 : 1, uy: 0 };
  if (row.way === 'y') return { value: Math.abs(dy), ux: 0, uy: dy < 0 ? -1 : 1 };
  const l = Math.hypot(dx, dy);
  return l > 0 ? { value: l, ux: dx / l, uy: dy / l } : { value: 0, ux: 1, uy: 0 };
}

/** Solves the symmetric positive system A·x = b in place by Cholesky. */
function solve(A: Float64Array, b: Float64Array, n: number): Float64Array {
  for (let j = 0; j < n; j++) {
    for (let k = 0; k < j; k++) for (let i = j; i < n; i++) A[i * n + j]! -= A[i * n + k]! * A[j * n + k]!;
    const p = Math.sqrt(A[j * n + j]!);
    for (let i = j; i < n; i++) A[i * n + j]! /= p;
  }
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) b[i]! -= A[i * n + k]! * b[k]!;
    b[i]! /= A[i * n + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) b[i]! -= A[k * n + i]! * b[k]!;
    b[i]! /= A[i * n + i]!;
  }
  return b;
}

/** Rank of a set of rows by elimination with full row pivoting. */
function rankOf(rows: Float64Array[], n: number): number {
  let rank = 0;
  for (let c = 0; c < n && rank < rows.length; c++) {
    let at = rank;
    for (let r = rank + 1; r < rows.length; r++) if (Math.abs(rows[r]![c]!) > Math.abs(rows[at]![c]!)) at = r;
    if (Math.abs(rows[at]![c]!) < 1e-9) continue;
    [rows[rank], rows[at]] = [rows[at]!, rows[rank]!];
    for (let r = rank + 1; r < rows.length; r++) {
      const f = rows[r]![c]! / rows[rank]![c]!;
      if (f !== 0) for (let k = c; k < n; k++) rows[r]![k]! -= f * rows[rank]![k]!;
    }
    rank++;
  }
  return rank;
}

/** Holds what no reading decides where it was: far weaker than a reading, far stronger than rounding. */
const HELD = 1e-7;

/**
 * Hole centres from chain, baseline and diagonal readings: least squares over all of them (Gauss–Newton, each reading
 * of equal weight), starting from where the holes are drawn. More readings than needed show a bad one by its residual.
 * Along x or y a reading has no sign: the side it was drawn on stays.
 */
export function centresFrom(pattern: Pick<Pattern, 'holes' | 'readings' | 'hole'>): Centres {
  const index = new Map(pattern.holes.map((h, i) => [h.id, i]));
  const known = (id: string) => id === '' || index.has(id);
  const good = pattern.readings.filter((r) => known(r.from) && index.has(r.to) && r.from !== r.to);
  const rows = good.map((r): Row => ({
    id: r.id,
    value: centreOf(r, pattern.hole.v, false).c,
    from: r.from === '' ? DATUM : index.get(r.from)!,
    to: index.get(r.to)!,
    way: r.way,
  }));
  const n = 2 * pattern.holes.length;
  const at = pattern.holes.map((h) => ({ x: h.x, y: h.y }));
  const slopes = (row: Row) => {
    const { value, ux, uy } = looked(row, at);
    const j = new Float64Array(n);
    j[2 * row.to] = ux;
    j[2 * row.to + 1] = uy;
    if (row.from !== DATUM) {
      j[2 * row.from] = -ux;
      j[2 * row.from + 1] = -uy;
    }
    return { j, off: row.value - value };
  };
  for (let k = 0; k < 30 && rows.length > 0; k++) {
    const A = new Float64Array(n * n);
    const b = new Float64Array(n);
    for (let i = 0; i < n; i++) A[i * n + i] = HELD;
    for (const row of rows) {
      const { j, off } = slopes(row);
      for (let i = 0; i < n; i++) {
        if (j[i] === 0) continue;
        b[i]! += j[i]! * off;
        for (let m = 0; m < n; m++) A[i * n + m]! += j[i]! * j[m]!;
      }
    }
    const step = solve(A, b, n);
    at.forEach((p, i) => {
      p.x += step[2 * i]!;
      p.y += step[2 * i + 1]!;
    });
    if (step.every((s) => Math.abs(s) < 1e-9)) break;
  }
  // What no reading has to decide: where the whole lies (unless a datum does), and its turn where none runs along an axis.
  const axis = rows.some((r) => r.way !== 'direct');
  const rank = rankOf(
    rows.map((r) => slopes(r).j),
    n,
  );
  const needed = n - (axis ? 2 : 3);
  const touched = new Set(rows.flatMap((r) => [r.from, r.to]));
  return {
    holes: pattern.holes.map((h, i) => ({ id: h.id, ...at[i]! })),
    residuals: rows.map((row) => ({ id: row.id, off: slopes(row).off })),
    open: Math.max(0, needed - rank),
    unread: pattern.holes.filter((_, i) => !touched.has(i)).map((h) => h.id),
    astray: pattern.readings.filter((r) => !good.includes(r)).map((r) => r.id),
  };
}
