import type { SparseMatrix } from './sparse-matrix';
import type { Symbolic } from './symbolic';
import { workspace, type Workspace } from './workspace';

/** A = L·Lᵀ by the multifrontal method: factored once, solved many times, and mended where only a few columns change. */
export interface Factor {
  readonly symbolic: Symbolic;
  readonly room: Workspace;
  /** The first column without a positive pivot; −1 where the matrix is positive definite. */
  failed: number;
}

/** A pivot this small against the matrix's own diagonal is a mechanism, not a stiffness. */
const NOTHING = 1e-13;

/**
 * Factors A. The memory of an earlier factor is used again, and that factor is used up; of a matrix of the same pattern, with the
 * columns in which A differs from it, only the blocks those are in and the ones above them are done again.
 */
export function factorise(A: SparseMatrix, s: Symbolic, before?: Factor, columns?: Iterable<number>): Factor {
  const f: Factor = before?.symbolic === s ? before : { symbolic: s, room: workspace(A, s, before?.room), failed: -1 };
  f.room.values.set(A.values);
  const mend = f === before && columns && f.failed < 0;
  f.room.dirty.fill(mend ? 0 : 1);
  if (mend)
    for (const c of columns) for (let b = s.blockOf[c]!; b >= 0 && f.room.dirty[b] === 0; b = s.parent[b]!) f.room.dirty[b] = 1;
  f.failed = f.room.factorise(NOTHING);
  return f;
}

/** Solves A·x = b in place of x. */
export function solve(f: Factor, x: Float64Array): Float64Array {
  f.room.x.set(x);
  f.room.solve();
  x.set(f.room.x);
  return x;
}
