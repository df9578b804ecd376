import type { SparseMatrix } from '../spread/sparse-matrix';

/** Gathers entries of a symmetric matrix; what falls on the same place is added. Grows as needed. */
export class Triplets {
  private i = new Int32Array(1 << 14);
  private j = new Int32Array(1 << 14);
  private v = new Float64Array(1 << 14);
  count = 0;

  /** Adds v at (i, j) and, being symmetric, at (j, i). */
  add(i: number, j: number, v: number): void {
    if (this.count === this.i.length) this.grow();
    const at = this.count++;
    this.i[at] = i > j ? i : j;
    this.j[at] = i > j ? j : i;
    this.v[at] = v;
  }

  private grow(): void {
    const wider = <T extends Int32Array | Float64Array>(old: T, fresh: T): T => {
      fresh.set(old as never);
      return fresh;
    };
    const n = this.i.length * 2;
    this.i = wider(this.i, new Int32Array(n));
    this.j = wider(this.j, new Int32Array(n));
    this.v = wider(this.v, new Float64Array(n));
  }

  /** The matrix of n rows, in the order given by `place` (old index to new). */
  matrix(n: number, place?: Int32Array): SparseMatrix {
    const m = this.count;
    const at = (k: number): [number, number] => {
      const [a, b] = place ? [place[this.i[k]!]!, place[this.j[k]!]!] : [this.i[k]!, this.j[k]!];
      return a > b ? [a, b] : [b, a];
    };
    // Sorted by row, then stably by column: two counting passes.
    const byRow = counting(m, n, (k) => at(k)[0]);
    const columns = new Int32Array(m);
    for (let k = 0; k < m; k++) columns[k] = at(k)[1];
    const order = counting(m, n, (k) => columns[byRow[k]!]!);
    const starts = new Int32Array(n + 1);
    const rows = new Int32Array(m);
    const values = new Float64Array(m);
    let filled = 0;
    let lastRow = -1;
    let lastColumn = -1;
    for (let k = 0; k < m; k++) {
      const t = byRow[order[k]!]!;
      const [row, column] = at(t);
      if (row === lastRow && column === lastColumn) {
        values[filled - 1]! += this.v[t]!;
        continue;
      }
      while (lastColumn < column) starts[++lastColumn] = filled;
      lastRow = row;
      rows[filled] = row;
      values[filled++] = this.v[t]!;
    }
    while (lastColumn < n) starts[++lastColumn] = filled;
    return { n, starts, rows: rows.slice(0, filled), values: values.slice(0, filled) };
  }
}

/** Stable counting sort of 0…m−1 by a key below n. */
function counting(m: number, n: number, key: (k: number) => number): Int32Array {
  const at = new Int32Array(n + 1);
  for (let k = 0; k < m; k++) at[key(k) + 1]!++;
  for (let i = 0; i < n; i++) at[i + 1]! += at[i]!;
  const out = new Int32Array(m);
  for (let k = 0; k < m; k++) out[at[key(k)]!++] = k;
  return out;
}
