import { solve, type Factor } from './cholesky';
import { multiply, type SparseMatrix } from './sparse-matrix';

/**
 * Conjugate gradients on A, preconditioned by the factor of a matrix near it: where a few springs have changed, a few steps do
 * what a new factor would. Starts from x and leaves the answer in it; the steps taken, or −1 where `most` were not enough.
 */
export function conjugate(
  A: SparseMatrix,
  b: Float64Array,
  x: Float64Array,
  near: Factor,
  tolerance: number,
  most: number,
): number {
  const n = b.length;
  const r = multiply(A, x);
  for (let i = 0; i < n; i++) r[i] = b[i]! - r[i]!;
  const z = solve(near, r.slice());
  const p = z.slice();
  const Ap = new Float64Array(n);
  let rz = dot(r, z);
  const goal = tolerance * Math.sqrt(dot(b, b) + 1e-300);
  for (let k = 0; k <= most; k++) {
    if (Math.sqrt(dot(r, r)) <= goal) return k;
    multiply(A, p, Ap);
    const pAp = dot(p, Ap);
    if (!(pAp > 0)) return -1;
    const alpha = rz / pAp;
    for (let i = 0; i < n; i++) {
      x[i]! += alpha * p[i]!;
      r[i]! -= alpha * Ap[i]!;
    }
    z.set(r);
    solve(near, z);
    const next = dot(r, z);
    const beta = next / rz;
    rz = next;
    for (let i = 0; i < n; i++) p[i] = z[i]! + beta * p[i]!;
  }
  return -1;
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
}
