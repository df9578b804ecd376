import type { SparseMatrix } from './sparse-matrix';

/**
 * Where the factor of a matrix will have entries, gathered into blocks of columns with one pattern (supernodes). Found once for a
 * pattern and reused whenever only the values change. Liu, The multifrontal method (SIAM Review 1992).
 */
export interface Symbolic {
  readonly n: number;
  /** First column of each block; one more than blocks. */
  readonly first: Int32Array;
  /** Rows of each block, its own columns first, rising. */
  readonly rows: readonly Int32Array[];
  /** Block that takes over what this one leaves; −1 for the last. */
  readonly parent: Int32Array;
  readonly children: readonly (readonly number[])[];
  /** Block of each column. */
  readonly blockOf: Int32Array;
  /** Entries of the factor, and multiplications to make it. */
  readonly entries: number;
  readonly flops: number;
}

/** Parent of each column in the elimination tree. Needs the entries of each row left of the diagonal. */
function eliminationTree(A: SparseMatrix): Int32Array {
  const { n } = A;
  const parent = new Int32Array(n).fill(-1);
  const root = new Int32Array(n).fill(-1);
  const { starts, columns } = rowsOf(A);
  for (let i = 0; i < n; i++) {
    for (let p = starts[i]!; p < starts[i + 1]!; p++) {
      let j = columns[p]!;
      while (root[j] !== -1 && root[j] !== i) {
        const next = root[j]!;
        root[j] = i;
        j = next;
      }
      if (root[j] === -1) {
        root[j] = i;
        parent[j] = i;
      }
    }
  }
  return parent;
}

/** For each row, the columns left of the diagonal that have an entry in it. */
function rowsOf(A: SparseMatrix): { starts: Int32Array; columns: Int32Array } {
  const starts = new Int32Array(A.n + 1);
  for (let j = 0; j < A.n; j++)
    for (let p = A.starts[j]!; p < A.starts[j + 1]!; p++) if (A.rows[p]! > j) starts[A.rows[p]! + 1]!++;
  for (let i = 0; i < A.n; i++) starts[i + 1]! += starts[i]!;
  const fill = starts.slice();
  const columns = new Int32Array(starts[A.n]!);
  for (let j = 0; j < A.n; j++)
    for (let p = A.starts[j]!; p < A.starts[j + 1]!; p++) if (A.rows[p]! > j) columns[fill[A.rows[p]!]!++] = j;
  return { starts, columns };
}

/** Zeros a block may hold to be joined with the next, as a part of its entries. */
const SLACK = 0.15;

export function analyse(A: SparseMatrix): Symbolic {
  const { n } = A;
  const parent = eliminationTree(A);
  const pattern: (Int32Array<ArrayBuffer> | undefined)[] = new Array<Int32Array<ArrayBuffer> | undefined>(n);
  const children: number[][] = Array.from({ length: n }, () => []);
  for (let j = 0; j < n; j++) if (parent[j] !== -1) children[parent[j]!]!.push(j);
  const merge = merger(n);
  const firsts: number[] = [];
  const rows: Int32Array[] = [];
  const blockOf = new Int32Array(n);
  let joined = 0;
  let before = new Int32Array(0);
  const close = (end: number) => {
    const start = firsts.at(-1)!;
    const all = new Int32Array(end - start + before.length);
    for (let j = start; j < end; j++) all[j - start] = j;
    all.set(before, end - start);
    rows.push(all);
  };
  for (let j = 0; j < n; j++) {
    const own = merge(j, A, children[j]!, pattern);
    pattern[j] = own;
    // Joined to the block before where it is that block's parent and its pattern (nearly) the same.
    if (j > 0 && parent[j - 1] === j) {
      const width = j - firsts.at(-1)!;
      // The block's rows below j must be within the new column's own: true, as j is the parent.
      const zeros = joined + width * (own.length + 1 - before.length);
      const entries = (width + 1) * (own.length + 1 + width);
      if (zeros === 0 || zeros < SLACK * entries) {
        joined = zeros;
        blockOf[j] = firsts.length - 1;
        before = own;
        continue;
      }
    }
    if (j > 0) close(j);
    joined = 0;
    firsts.push(j);
    blockOf[j] = firsts.length - 1;
    before = own;
  }
  if (n > 0) close(n);
  firsts.push(n);
  const first = Int32Array.from(firsts);
  const above = new Int32Array(rows.length).fill(-1);
  let entries = 0;
  let flops = 0;
  rows.forEach((r, s) => {
    const width = first[s + 1]! - first[s]!;
    const m = r.length;
    if (m > width) above[s] = blockOf[r[width]!]!;
    for (let k = 0; k < width; k++) {
      entries += m - k;
      flops += (m - k) ** 2;
    }
  });
  const below: number[][] = rows.map(() => []);
  above.forEach((p, s) => {
    if (p >= 0) below[p]!.push(s);
  });
  return { n, first, rows, parent: above, children: below, blockOf, entries, flops };
}

/** Rows below the diagonal of a column of the factor: the matrix's own and those its children pass on, rising. */
function merger(n: number) {
  const mark = new Int32Array(n).fill(-1);
  const extra = new Int32Array(n);
  return (
    j: number,
    A: SparseMatrix,
    children: readonly number[],
    pattern: (Int32Array<ArrayBuffer> | undefined)[],
  ): Int32Array<ArrayBuffer> => {
    // The longest of what is passed on is in order already; what is new is put in order and the two are merged.
    let base = -1;
    for (const c of children) if (base < 0 || pattern[c]!.length > pattern[base]!.length) base = c;
    const long = base < 0 ? EMPTY : pattern[base]!;
    mark[j] = j;
    for (let k = 0; k < long.length; k++) mark[long[k]!] = j;
    let count = 0;
    const take = (i: number) => {
      if (i > j && mark[i] !== j) {
        mark[i] = j;
        extra[count++] = i;
      }
    };
    for (let p = A.starts[j]!; p < A.starts[j + 1]!; p++) take(A.rows[p]!);
    for (const c of children) {
      if (c !== base) for (const i of pattern[c]!) take(i);
      pattern[c] = undefined;
    }
    // Mostly nothing is new: then it is what was passed on, without this column.
    if (count === 0) return long[0] === j ? long.subarray(1) : long;
    const fresh = extra.subarray(0, count).sort();
    const out = new Int32Array(count + long.length);
    let at = 0;
    let f = 0;
    for (let k = 0; k < long.length; k++) {
      if (long[k] === j) continue;
      while (f < count && fresh[f]! < long[k]!) out[at++] = fresh[f++]!;
      out[at++] = long[k]!;
    }
    while (f < count) out[at++] = fresh[f++]!;
    return out.slice(0, at);
  };
}

const EMPTY = new Int32Array(0);
