import fc from 'fast-check';
import { huth, sharesAlongRow, swift, type Lap } from './row';
import { rowVariants } from './row-variants';

const LAP: Lap = { t1: 6, t2: 6, E1: 210_000, E2: 210_000, d: 10, Ef: 210_000 };
const EA = 210_000 * 6 * 40;
const row = (n: number, C: number, one = EA, two = EA) =>
  sharesAlongRow({
    pitches: Array<number>(n - 1).fill(40),
    EA1: Array<number>(n - 1).fill(one),
    EA2: Array<number>(n - 1).fill(two),
    C: Array<number>(n).fill(C),
  });

it('eight bolts, steel 6 on 6, d 10, 40 wide, pitch 40, Huth b 3.0: 21.9 13.1 8.5 6.5 | 6.5 8.5 13.1 21.9 % (the brief’s row)', () => {
  const shares = row(8, huth(LAP, false)).map((s) => Number((100 * s).toFixed(1)));
  expect(shares).toEqual([21.9, 13.1, 8.5, 6.5, 6.5, 8.5, 13.1, 21.9]);
});

it('three bolts in equal straps, worked by hand: the middle takes C/(3C + k)…', () => {
  // By symmetry P, M, P with 2P + M = 1 and C(P − M) = k(1 − P) − k·P, k = p/EA: P = (k + C)/(2k + 3C).
  const C = 2e-5;
  const k = 40 / EA;
  const P = (k + C) / (2 * k + 3 * C);
  expect(row(3, C)).toEqual([expect.closeTo(P, 12), expect.closeTo(1 - 2 * P, 12), expect.closeTo(P, 12)]);
});

it('two bolts share evenly, one carries all; soft fasteners even a row, stiff ones load its ends', () => {
  expect(row(2, 1e-6)).toEqual([expect.closeTo(0.5, 12), expect.closeTo(0.5, 12)]);
  expect(row(1, 1e-6)).toEqual([1]);
  for (const s of row(6, 1)) expect(s).toBeCloseTo(1 / 6, 4);
  expect(row(6, 1e-12)[0]).toBeCloseTo(0.5, 4);
});

it('the parts always sum to one, and the stiffer strap’s free end works harder', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 20 }),
      fc.double({ min: 1e-7, max: 1e-3, noNaN: true }),
      fc.double({ min: 0.2, max: 5, noNaN: true }),
      (n, C, k) => {
        const shares = row(n, C, EA, EA * k);
        expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        // Strap 2 stiffer: the load crosses over early.
        if (k > 1.01) expect(shares[0]!).toBeGreaterThanOrEqual(shares.at(-1)! - 1e-9);
      },
    ),
    { numRuns: 60 },
  );
});

it('a taper evens the row; a wider pitch at the ends loads them more, and both are shown', () => {
  const all = rowVariants({ pitches: Array<number>(5).fill(40), lap: LAP, width: 40, laminate: false });
  const most = (name: string) => Math.max(...all.find((v) => v.name.startsWith(name))!.shares);
  expect(most('straps tapered')).toBeLessThan(most('as it is, Huth'));
  expect(most('end pitches')).toBeGreaterThan(most('as it is, Huth'));
  expect(swift(LAP)).toBeGreaterThan(0);
});
