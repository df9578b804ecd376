import type { SparseMatrix } from './sparse-matrix';
import type { Symbolic } from './symbolic';

/** A = L·Lᵀ by the multifrontal method: factored once, solved many times. `failed` names the first column without a positive pivot. */
export interface Factor {
  readonly symbolic: Symbolic;
  /** Columns of L of each block, rows.length high, one after the other. */
  readonly panels: readonly Float64Array[];
  /** −1 where the matrix is positive definite. */
  readonly failed: number;
  /** Least and largest pivot before the root, for how near a mechanism it is. */
  readonly leastPivot: number;
}

/** Columns eliminated together before the rest is updated. */
const PANEL = 8;
/** A pivot this small against the matrix's own diagonal is a mechanism, not a stiffness. */
const NOTHING = 1e-13;

export function factorise(A: SparseMatrix, s: Symbolic): Factor {
  const blocks = s.rows.length;
  const panels: Float64Array[] = new Array<Float64Array>(blocks);
  const updates: (Float64Array | undefined)[] = new Array<Float64Array | undefined>(blocks);
  const children: number[][] = Array.from({ length: blocks }, () => []);
  for (let b = 0; b < blocks; b++) if (s.parent[b]! >= 0) children[s.parent[b]!]!.push(b);
  const local = new Int32Array(s.n);
  // One square of the largest front serves them all; what is left over is kept packed.
  const largest = s.rows.reduce((most, r) => Math.max(most, r.length), 0);
  const square = new Float64Array(largest * largest);
  let leastPivot = Infinity;
  for (let b = 0; b < blocks; b++) {
    const rows = s.rows[b]!;
    const m = rows.length;
    const start = s.first[b]!;
    const width = s.first[b + 1]! - start;
    const F = square;
    F.fill(0, 0, m * m);
    for (let k = 0; k < m; k++) local[rows[k]!] = k;
    for (let k = 0; k < width; k++) {
      const j = start + k;
      for (let p = A.starts[j]!; p < A.starts[j + 1]!; p++) F[k * m + local[A.rows[p]!]!]! += A.values[p]!;
    }
    for (const c of children[b]!) {
      takeOver(F, m, local, s.rows[c]!, s.first[c + 1]! - s.first[c]!, updates[c]!);
      updates[c] = undefined;
    }
    const scale = diagonalOf(A, start, width);
    const stopped = eliminate(F, m, width, scale);
    if (stopped >= 0) return { symbolic: s, panels, failed: start + stopped, leastPivot: 0 };
    for (let k = 0; k < width; k++) leastPivot = Math.min(leastPivot, F[k * m + k]! ** 2 / scale);
    panels[b] = F.slice(0, width * m);
    if (m > width) updates[b] = leftOver(F, m, width);
  }
  return { symbolic: s, panels, failed: -1, leastPivot };
}

function diagonalOf(A: SparseMatrix, start: number, width: number): number {
  let most = 0;
  for (let j = start; j < start + width; j++) most = Math.max(most, Math.abs(A.values[A.starts[j]!]!));
  return most;
}

/** The lower triangle past the eliminated columns, column after column. */
function leftOver(F: Float64Array, m: number, width: number): Float64Array {
  const k = m - width;
  const out = new Float64Array((k * (k + 1)) / 2);
  let at = 0;
  for (let j = width; j < m; j++) {
    out.set(F.subarray(j * m + j, j * m + m), at);
    at += m - j;
  }
  return out;
}

/** Adds what a child left over to its parent's front. */
function takeOver(F: Float64Array, m: number, local: Int32Array, rows: Int32Array, width: number, U: Float64Array): void {
  const k = rows.length - width;
  const at = new Int32Array(k);
  for (let i = 0; i < k; i++) at[i] = local[rows[width + i]!]!;
  let from = 0;
  for (let j = 0; j < k; j++) {
    const to = at[j]! * m;
    for (let i = j; i < k; i++) F[to + at[i]!]! += U[from++]!;
  }
}

/** Eliminates the first `width` columns of a dense front, lower triangle column by column; −1, or the column that failed. */
function eliminate(F: Float64Array, m: number, width: number, scale: number): number {
  for (let k0 = 0; k0 < width; k0 += PANEL) {
    const k1 = Math.min(width, k0 + PANEL);
    for (let k = k0; k < k1; k++) {
      const ck = k * m;
      const pivot = F[ck + k]!;
      if (!(pivot > NOTHING * scale)) return k;
      const root = Math.sqrt(pivot);
      F[ck + k] = root;
      for (let i = k + 1; i < m; i++) F[ck + i]! /= root;
      for (let j = k + 1; j < k1; j++) {
        const f = F[ck + j]!;
        if (f === 0) continue;
        const cj = j * m;
        for (let i = j; i < m; i++) F[cj + i]! -= f * F[ck + i]!;
      }
    }
    update(F, m, k0, k1);
  }
  return -1;
}

/** What the columns k0…k1 take off all columns after them: four against two at a time, so that each number read serves twice. */
function update(F: Float64Array, m: number, k0: number, k1: number): void {
  let j = k1;
  for (; j + 1 < m; j += 2) {
    const [c0, c1] = [j * m, (j + 1) * m];
    let k = k0;
    for (; k + 3 < k1; k += 4) {
      const a = k * m;
      const b = a + m;
      const c = b + m;
      const d = c + m;
      const fa = F[a + j]!;
      const fb = F[b + j]!;
      const fc = F[c + j]!;
      const fd = F[d + j]!;
      const ga = F[a + j + 1]!;
      const gb = F[b + j + 1]!;
      const gc = F[c + j + 1]!;
      const gd = F[d + j + 1]!;
      F[c0 + j]! -= fa * fa + fb * fb + fc * fc + fd * fd;
      for (let i = j + 1; i < m; i++) {
        const la = F[a + i]!;
        const lb = F[b + i]!;
        const lc = F[c + i]!;
        const ld = F[d + i]!;
        F[c0 + i]! -= fa * la + fb * lb + fc * lc + fd * ld;
        F[c1 + i]! -= ga * la + gb * lb + gc * lc + gd * ld;
      }
    }
    for (; k < k1; k++) {
      takeOff(F, m, k, j);
      takeOff(F, m, k, j + 1);
    }
  }
  for (; j < m; j++) for (let k = k0; k < k1; k++) takeOff(F, m, k, j);
}

/** Column k times its own row j, off column j. */
function takeOff(F: Float64Array, m: number, k: number, j: number): void {
  const a = k * m;
  const to = j * m;
  const f = F[a + j]!;
  for (let i = j; i < m; i++) F[to + i]! -= f * F[a + i]!;
}

/** Solves A·x = b in place. */
export function solve(f: Factor, x: Float64Array): Float64Array {
  const { first, rows } = f.symbolic;
  const blocks = rows.length;
  for (let b = 0; b < blocks; b++) {
    const r = rows[b]!;
    const m = r.length;
    const L = f.panels[b]!;
    const width = first[b + 1]! - first[b]!;
    for (let k = 0; k < width; k++) {
      const c = k * m;
      const v = x[r[k]!]! / L[c + k]!;
      x[r[k]!] = v;
      if (v !== 0) for (let i = k + 1; i < m; i++) x[r[i]!]! -= L[c + i]! * v;
    }
  }
  for (let b = blocks - 1; b >= 0; b--) {
    const r = rows[b]!;
    const m = r.length;
    const L = f.panels[b]!;
    const width = first[b + 1]! - first[b]!;
    for (let k = width - 1; k >= 0; k--) {
      const c = k * m;
      let sum = x[r[k]!]!;
      for (let i = k + 1; i < m; i++) sum -= L[c + i]! * x[r[i]!]!;
      x[r[k]!] = sum / L[c + k]!;
    }
  }
  return x;
}
