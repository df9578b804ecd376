/** Lower triangle of a symmetric matrix, column by column, rows rising. */
export interface SparseMatrix {
  readonly n: number;
  /** Start of each column in `rows` and `values`; n + 1 of them. */
  readonly starts: Int32Array;
  readonly rows: Int32Array;
  readonly values: Float64Array;
}

/** y = A·x of the whole symmetric matrix. */
export function multiply(A: SparseMatrix, x: Float64Array, y = new Float64Array(A.n)): Float64Array {
  y.fill(0);
  for (let j = 0; j < A.n; j++) {
    const xj = x[j]!;
    let sum = 0;
    for (let p = A.starts[j]!; p < A.starts[j + 1]!; p++) {
      const i = A.rows[p]!;
      const v = A.values[p]!;
      sum += v * x[i]!;
      if (i !== j) y[i]! += v * xj;
    }
    y[j]! += sum;
  }
  return y;
}
