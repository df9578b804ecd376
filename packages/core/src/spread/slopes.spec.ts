import fc from 'fast-check';
import type { Cell } from './assemble';
import { inPlaneOrthotropic, planeForces, slopeTerms } from './membrane';
import { linesThrough, lineAt, nearestLine } from './grid';
import { meansOver, NO_PEAK } from './peaks';

const cell: Cell = { layer: 0, ix: 0, iy: 0, a: 12, b: 7, part: 0.8, stiff: 0.8 };
const p = inPlaneOrthotropic(9000, 3000, 0.2, 700, 4);
const moves = fc
  .array(fc.integer({ min: -100, max: 100 }), { minLength: 20, maxLength: 20 })
  .map((v) => Float64Array.from(v, (n) => n / 500));

const forceAt = (d: Float64Array) => {
  const f = new Float64Array(20);
  slopeTerms(cell, d, p, f);
  return f;
};

it('the stiffness of the slopes is the derivative of their forces, and symmetric', () => {
  fc.assert(
    fc.property(moves, (d) => {
      const K = new Float64Array(400);
      slopeTerms(cell, d, p, new Float64Array(20), K);
      const size = Math.max(1, ...K.map(Math.abs));
      for (let j = 0; j < 20; j++) {
        const h = 1e-5;
        const [up, down] = [d.slice(), d.slice()];
        up[j]! += h;
        down[j]! -= h;
        const [fu, fd] = [forceAt(up), forceAt(down)];
        for (let i = 0; i < 20; i++) {
          expect(Math.abs((fu[i]! - fd[i]!) / (2 * h) - K[i * 20 + j]!)).toBeLessThan(1e-5 * size);
          expect(Math.abs(K[i * 20 + j]! - K[j * 20 + i]!)).toBeLessThan(1e-9 * size);
        }
      }
    }),
    { numRuns: 25 },
  );
});

it('without the squeezed directions the stiffness never softens: xᵀKx is at least as large', () => {
  fc.assert(
    fc.property(moves, moves, (d, x) => {
      const [whole, pulled] = [new Float64Array(400), new Float64Array(400)];
      slopeTerms(cell, d, p, new Float64Array(20), whole);
      slopeTerms(cell, d, p, new Float64Array(20), pulled, true);
      const form = (K: Float64Array) =>
        x.reduce((sum, xi, i) => sum + xi * x.reduce((s, xj, j) => s + K[i * 20 + j]! * xj, 0), 0);
      const size = Math.max(1, ...whole.map(Math.abs));
      expect(form(pulled)).toBeGreaterThanOrEqual(form(whole) - 1e-9 * size);
    }),
    { numRuns: 50 },
  );
});

it('shifted as a whole, nothing is strained; stretched by ε, it pulls A·ε', () => {
  const shift = Float64Array.from({ length: 20 }, (_, i) => [0.3, 0, 0, -0.2, 0.4][i % 5]!);
  expect(planeForces(cell, shift, p)).toEqual({ nx: expect.closeTo(0, 9), ny: expect.closeTo(0, 9), nxy: expect.closeTo(0, 9) });
  const stretched = new Float64Array(20);
  for (const corner of [1, 2]) stretched[5 * corner + 3] = 1e-3 * cell.a;
  const n = planeForces(cell, stretched, p);
  expect(n.nx).toBeCloseTo(0.8 * p.A11 * 1e-3, 9);
  expect(n.ny).toBeCloseTo(0.8 * p.A12 * 1e-3, 9);
});

it('the mean over a square: a constant is itself, one cell’s spike is shared by its area, nothing is no peak', () => {
  const lines = linesThrough([0, 50], 5);
  const grid = { x: lines, y: lines };
  const cells = Array.from({ length: 100 }, (_, i) => ({ ix: i % 10, iy: Math.floor(i / 10), a: 5, b: 5, part: 1 }));
  const largest = meansOver(grid, cells, 15);
  const of = (f: (i: number) => number) => largest(Float64Array.from(cells, (_, i) => f(i)));
  expect(of(() => 7).value).toBeCloseTo(7, 9);
  expect(of((i) => (i === 44 ? 90 : 0)).value).toBeCloseTo(10, 9);
  expect(of(() => 0)).toEqual(NO_PEAK);
});

it('lines are found where they are, and nowhere else', () => {
  const lines = linesThrough([0, 10, 25], 4);
  expect([lineAt(lines, 0), lineAt(lines, 10), lineAt(lines, 25)]).toEqual([0, 3, 7]);
  expect(lineAt(lines, 9)).toBe(-1);
  expect(nearestLine(lines, 9.6)).toBe(3);
});
