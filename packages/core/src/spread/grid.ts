/** Lines of a rectilinear grid along x and y, mm, rising. Nodes are numbered ix + iy·nx. */
export interface Grid {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

export const nodesOf = (g: Grid): number => g.x.length * g.y.length;

/** Two lines nearer than this are one, mm. */
const SAME = 1e-6;

/**
 * Lines through every wanted place, with as many between as keep the spacing under `most`. Wanted places nearer to each other
 * than `least` are kept all the same: a bolt or an edge must lie on a line.
 */
export function linesThrough(wanted: readonly number[], most: number): Float64Array {
  const at = [...wanted].sort((a, b) => a - b).filter((v, i, all) => i === 0 || v - all[i - 1]! > SAME);
  const out: number[] = [];
  at.forEach((v, i) => {
    if (i > 0) {
      const from = at[i - 1]!;
      const n = Math.max(1, Math.ceil((v - from) / most - 1e-9));
      for (let k = 1; k < n; k++) out.push(from + ((v - from) * k) / n);
    }
    out.push(v);
  });
  return Float64Array.from(out);
}

/** Index of the line at a place; −1 where none is. */
export function lineAt(lines: Float64Array, v: number): number {
  let [low, high] = [0, lines.length - 1];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (lines[mid]! < v - SAME) low = mid + 1;
    else high = mid;
  }
  return Math.abs((lines[low] ?? Infinity) - v) <= SAME ? low : -1;
}

/** Index of the line nearest to a place. */
export function nearestLine(lines: Float64Array, v: number): number {
  let best = 0;
  for (let i = 1; i < lines.length; i++) if (Math.abs(lines[i]! - v) < Math.abs(lines[best]! - v)) best = i;
  return best;
}
