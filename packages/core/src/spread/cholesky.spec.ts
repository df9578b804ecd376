import fc from 'fast-check';
import { factorise, solve } from './cholesky';
import { eliminationOrder } from './order';
import { Triplets } from '../testing/triplets';
import { multiply, type SparseMatrix } from './sparse-matrix';
import { analyse } from './symbolic';

/** A grid of springs nx × ny with one of them held, in an order; stiffnesses from `k`. */
function springs(nx: number, ny: number, order: Int32Array, k: (i: number) => number): SparseMatrix {
  const place = new Int32Array(nx * ny);
  order.forEach((n, i) => (place[n] = i));
  const t = new Triplets();
  let count = 0;
  const between = (p: number, q: number) => {
    const v = k(count++);
    t.add(p, p, v);
    t.add(q, q, v);
    t.add(p, q, -v);
  };
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      const n = x + y * nx;
      if (x + 1 < nx) between(n, n + 1);
      if (y + 1 < ny) between(n, n + nx);
    }
  t.add(0, 0, 1);
  return t.matrix(nx * ny, place);
}

const beside = (nx: number, ny: number): number[][] =>
  Array.from({ length: nx * ny }, (_, n) => {
    const [x, y] = [n % nx, Math.floor(n / nx)];
    return [
      ...(x > 0 ? [n - 1] : []),
      ...(x + 1 < nx ? [n + 1] : []),
      ...(y > 0 ? [n - nx] : []),
      ...(y + 1 < ny ? [n + nx] : []),
    ];
  });
const orderOf = (nx: number, ny: number) =>
  eliminationOrder(
    { node: Int32Array.from({ length: nx * ny }, (_, i) => i), weight: new Int32Array(nx * ny).fill(1), beside: beside(nx, ny) },
    nx,
    ny,
  );

/** Gauss without any order or pattern, for the answer from outside. */
function dense(A: SparseMatrix, b: Float64Array): number[] {
  const n = A.n;
  const M = Array.from({ length: n }, () => new Array<number>(n + 1).fill(0));
  for (let j = 0; j < n; j++)
    for (let p = A.starts[j]!; p < A.starts[j + 1]!; p++) M[A.rows[p]!]![j] = M[j]![A.rows[p]!] = A.values[p]!;
  for (let i = 0; i < n; i++) M[i]![n] = b[i]!;
  for (let k = 0; k < n; k++)
    for (let i = k + 1; i < n; i++) {
      const f = M[i]![k]! / M[k]![k]!;
      for (let j = k; j <= n; j++) M[i]![j]! -= f * M[k]![j]!;
    }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) x[i] = (M[i]![n]! - x.reduce((s, v, j) => s + M[i]![j]! * v, 0)) / M[i]![i]!;
  return x;
}

it('every group is ordered once, also where the grid is cut', () => {
  const order = orderOf(48, 40);
  expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: 48 * 40 }, (_, i) => i));
});

it('agrees with dense elimination, and a factor mended in a few columns with one made afresh', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 9 }),
      fc.integer({ min: 2, max: 9 }),
      fc.infiniteStream(fc.integer({ min: 1, max: 100 })),
      (nx, ny, stream) => {
        const k = Array.from({ length: 400 }, () => stream.next().value as number);
        const order = orderOf(nx, ny);
        const A = springs(nx, ny, order, (i) => k[i]!);
        const s = analyse(A);
        const b = Float64Array.from({ length: A.n }, (_, i) => k[i]! - 50);
        const f = factorise(A, s);
        expect(f.failed).toBe(-1);
        const x = solve(f, b.slice());
        dense(A, b).forEach((v, i) => expect(Math.abs(x[i]! - v)).toBeLessThan(1e-7 * (1 + Math.abs(v))));
        // A stiffer ground under one node.
        const at = k[7]! % A.n;
        A.values[A.starts[at]!]! += 40;
        const mended = solve(factorise(A, s, f, [at]), b.slice());
        const fresh = solve(factorise(A, s), b.slice());
        fresh.forEach((v, i) => expect(Math.abs(mended[i]! - v)).toBeLessThan(1e-9 * (1 + Math.abs(v))));
      },
    ),
    { numRuns: 40 },
  );
});

it('memory goes from one matrix to the next, larger or smaller: each is solved as by itself', () => {
  let before: ReturnType<typeof factorise> | undefined;
  const bytes: number[] = [];
  for (const [nx, ny] of [
    [9, 7],
    [40, 30],
    [3, 2],
    [41, 30],
    [9, 7],
  ] as const) {
    const A = springs(nx, ny, orderOf(nx, ny), (i) => 1 + ((i * 29) % 13));
    const b = Float64Array.from({ length: A.n }, (_, i) => Math.cos(3 * i));
    const alone = solve(factorise(A, analyse(A)), b.slice());
    before = factorise(A, analyse(A), before);
    expect(before.failed).toBe(-1);
    expect(solve(before, b.slice())).toEqual(alone);
    const back = multiply(A, alone);
    back.forEach((v, i) => expect(Math.abs(v - b[i]!)).toBeLessThan(1e-9));
    bytes.push(before.room.bytes);
  }
  // It grows where it must, and is not given back.
  expect(bytes[1]).toBeGreaterThan(bytes[0]!);
  expect(bytes[2]).toBe(bytes[1]);
  expect(bytes[4]).toBe(bytes[3]);
});

it('a large grid: A·x gives b back', () => {
  const A = springs(60, 50, orderOf(60, 50), (i) => 1 + ((i * 37) % 11));
  const b = Float64Array.from({ length: A.n }, (_, i) => Math.sin(i));
  const back = multiply(A, solve(factorise(A, analyse(A)), b.slice()));
  back.forEach((v, i) => expect(Math.abs(v - b[i]!)).toBeLessThan(1e-8));
});

it('where nothing holds the springs, the factor says in which column it found out', () => {
  const A = springs(5, 5, orderOf(5, 5), () => 1);
  A.values[A.starts[[...orderOf(5, 5)].indexOf(0)]!]! -= 1;
  expect(factorise(A, analyse(A)).failed).toBeGreaterThanOrEqual(0);
});
