import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { isRefusal } from '../units/refusal';
import { shareInPlane, type InPlane } from './in-plane';

const share = (...a: Parameters<typeof shareInPlane>) => shareInPlane(...a) as InPlane;

it('AISC Manual Part 7, elastic method, worked by hand: two bolts 3 in apart, P at e = 4 in, each carries 1.424 P (C 0.70, beside 0.69 by instantaneous centre, Tab. 7-6)', () => {
  // R = √((P/2)² + (P·4·1.5/(2·1.5²))²) = P·√(0.25 + 1.7778) = 1.4240 P → C = 1/1.4240 = 0.702
  const { shears } = share(
    [
      { x: 0, y: 1.5 },
      { x: 0, y: -1.5 },
    ],
    0,
    -1,
    -4,
  );
  expect(shears[0]!.total).toBeCloseTo(1.424, 3);
  expect(shears[1]!.total).toBeCloseTo(1.424, 3);
});

it('four corners of a rectangle under pure twist: M·r/Σr² tangentially', () => {
  const { shears } = share(
    [
      { x: 90, y: 80 },
      { x: -90, y: 80 },
      { x: -90, y: -80 },
      { x: 90, y: -80 },
    ],
    0,
    0,
    580_000,
  );
  // Σr² = 4·(90² + 80²) = 58 000; M/Σr² = 10
  expect(shears.map((s) => [s.x, s.y])).toEqual([
    [-800, 900],
    [-800, -900],
    [800, -900],
    [800, 900],
  ]);
});

const bolt = fc.record({
  x: fc.double({ min: -200, max: 200, noNaN: true }),
  y: fc.double({ min: -200, max: 200, noNaN: true }),
});
const force = fc.double({ min: -1e4, max: 1e4, noNaN: true });

it('is in equilibrium, and agrees with equal springs solved by a linear-algebra package', () => {
  fc.assert(
    fc.property(
      fc.array(bolt, { minLength: 2, maxLength: 12 }),
      force,
      force,
      fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      (bolts, fx, fy, mz) => {
        const s = shareInPlane(bolts, fx, fy, mz);
        if (isRefusal(s) || s.polar < 100) return;
        const sum = s.shears.reduce(
          (a, v, i) => [a[0]! + v.x, a[1]! + v.y, a[2]! + bolts[i]!.x * v.y - bolts[i]!.y * v.x],
          [0, 0, 0],
        );
        expect(sum[0]).toBeCloseTo(fx, 5);
        expect(sum[1]).toBeCloseTo(fy, 5);
        expect(Math.abs(sum[2]! - mz)).toBeLessThan(1e-3);
        // Independent: rigid move (u, v, φ) with unit springs, K·q = P.
        const K = Matrix.zeros(3, 3);
        for (const b of bolts) {
          const B = new Matrix([
            [1, 0, -b.y],
            [0, 1, b.x],
          ]);
          K.add(B.transpose().mmul(B));
        }
        const q = solve(K, Matrix.columnVector([fx, fy, mz])).to1DArray();
        const scale = Math.abs(fx) + Math.abs(fy) + Math.abs(mz) / Math.sqrt(s.polar) + 1;
        bolts.forEach((b, i) => {
          expect(Math.abs(q[0]! - q[2]! * b.y - s.shears[i]!.x)).toBeLessThan(1e-6 * scale * Math.max(1, 1e4 / s.polar) * 10);
          expect(Math.abs(q[1]! + q[2]! * b.x - s.shears[i]!.y)).toBeLessThan(1e-6 * scale * Math.max(1, 1e4 / s.polar) * 10);
        });
      },
    ),
  );
});

it('one bolt under twist is refused as a pivot, and carries a plain push', () => {
  expect(isRefusal(shareInPlane([{ x: 0, y: 0 }], 0, 0, 1000))).toBe(true);
  expect(share([{ x: 0, y: 0 }], 300, 400, 0).shears[0]!.total).toBe(500);
});
