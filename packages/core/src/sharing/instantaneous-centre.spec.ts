import fc from 'fast-check';
import { groupCoefficient } from './instantaneous-centre';
import { shareInPlane } from './in-plane';

const column = (n: number, s = 3) => Array.from({ length: n }, (_, i) => ({ x: 0, y: s * i }));
const C = (n: number, e: number) => groupCoefficient(column(n), 0, 1, e)!;

it('one vertical row, s 3 in, e 4 in: C 0.69 for two bolts, 1.40 for three (AISC Manual Tab. 7-6, as in the brief)', () => {
  expect(Number(C(2, 4).toFixed(2))).toBe(0.69);
  expect(Number(C(3, 4).toFixed(2))).toBe(1.4);
});

it('without a moment the group is worth all its bolts; further out it is worth less', () => {
  expect(groupCoefficient(column(4), 0, 1, 0)).toBe(4);
  expect(C(4, 3)).toBeLessThan(4);
  expect(C(4, 10)).toBeLessThan(C(4, 3));
});

it('never less than the elastic method gives the same group, whichever way it is pushed and turned', () => {
  const ring = [0, 1, 2, 3, 4, 5].map((i) => ({ x: 80 * Math.cos(i * 1.047), y: 60 * Math.sin(i * 1.047) }));
  fc.assert(
    fc.property(fc.double({ min: 0, max: 6.28, noNaN: true }), fc.double({ min: 5, max: 400, noNaN: true }), (a, e) => {
      const [fx, fy] = [Math.cos(a), Math.sin(a)];
      const c = groupCoefficient(ring, fx, fy, e)!;
      const elastic = shareInPlane(ring, fx, fy, e);
      if ('refused' in elastic) throw new Error(elastic.because);
      // R at Δmax is 0.98 of R_ult, hence the small allowance.
      expect(c).toBeGreaterThan(0.97 / Math.max(...elastic.shears.map((s) => s.total)));
      expect(groupCoefficient(ring, -fx, -fy, -e)).toBeCloseTo(c, 6);
    }),
    { numRuns: 60 },
  );
});

it('one bolt that is turned has no centre to speak of', () =>
  expect(groupCoefficient([{ x: 0, y: 0 }], 0, 0, 5)).toBeUndefined());
