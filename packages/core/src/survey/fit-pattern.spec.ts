import fc from 'fast-check';
import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import { isRefusal } from '../units/refusal';
import { fitPattern, mirrorFits, moved, movedBack, suspectHole, type NamedPoint, type PatternFit } from './fit-pattern';

const points = (...xy: [number, number][]): NamedPoint[] => xy.map(([x, y], i) => ({ id: `H${i + 1}`, x, y }));
const seat = points([150, 90], [-150, 90], [-150, -90], [150, -90]);
const fit = (...args: Parameters<typeof fitPattern>): PatternFit => {
  const f = fitPattern(...args);
  if (isRefusal(f)) throw new Error(f.because);
  return f;
};

/** Kabsch by singular values, as in the books, with a general-purpose linear-algebra package (ml-matrix). */
function bySvd(from: readonly NamedPoint[], to: readonly NamedPoint[]) {
  const centre = (list: readonly NamedPoint[]) => [0, 1].map((k) => list.reduce((s, p) => s + (k ? p.y : p.x), 0) / list.length);
  const [a, b] = [centre(from), centre(to)];
  const P = new Matrix(from.map((p) => [p.x - a[0]!, p.y - a[1]!]));
  const Q = new Matrix(to.map((p) => [p.x - b[0]!, p.y - b[1]!]));
  const svd = new SingularValueDecomposition(P.transpose().mmul(Q));
  const [U, V] = [svd.leftSingularVectors, svd.rightSingularVectors];
  const det = (m: Matrix) => m.get(0, 0) * m.get(1, 1) - m.get(0, 1) * m.get(1, 0);
  const d = Math.sign(det(V) * det(U));
  const R = V.mmul(
    new Matrix([
      [1, 0],
      [0, d],
    ]),
  ).mmul(U.transpose());
  const off = P.mmul(R.transpose()).sub(Q);
  return { theta: Math.atan2(R.get(1, 0), R.get(0, 0)), rms: Math.sqrt(off.norm('frobenius') ** 2 / from.length) };
}

describe('rigid fit against singular value decomposition (ml-matrix; Kabsch 1976)', () => {
  const pattern = fc.array(
    fc.tuple(fc.double({ min: -300, max: 300, noNaN: true }), fc.double({ min: -300, max: 300, noNaN: true })),
    {
      minLength: 3,
      maxLength: 12,
    },
  );
  it('turn and residual agree on any two patterns', () => {
    fc.assert(
      fc.property(
        pattern,
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.array(fc.double({ min: -4, max: 4, noNaN: true }), { minLength: 24, maxLength: 24 }),
        (xy, turn, noise) => {
          const from = points(...xy);
          const spread = Math.hypot(...xy.map(([x, y]) => Math.hypot(x - xy[0]![0], y - xy[0]![1])));
          fc.pre(spread > 50);
          const to = from.map((p, i) => {
            const q = moved(p, { theta: turn, x: 40, y: -7, mirrored: false });
            return { id: p.id, x: q.x + noise[2 * i]!, y: q.y + noise[2 * i + 1]! };
          });
          const [mine, theirs] = [fit(from, to), bySvd(from, to)];
          expect(mine.rms).toBeCloseTo(theirs.rms, 6);
          expect(Math.cos(mine.move.theta - theirs.theta)).toBeCloseTo(1, 9);
        },
      ),
      { numRuns: 100 },
    );
  });
});

it('a pattern moved and turned, mirrored or not, is found again exactly, and moved back', () => {
  fc.assert(
    fc.property(fc.double({ min: -3.1, max: 3.1, noNaN: true }), fc.boolean(), (theta, mirrored) => {
      const m = { theta, x: 12.5, y: -31, mirrored };
      const there = seat.map((p) => ({ ...p, ...moved(p, m) }));
      expect(fit(seat, there, mirrored).rms).toBeLessThan(1e-9);
      there.forEach((p, i) => {
        expect(movedBack(p, m).x).toBeCloseTo(seat[i]!.x, 9);
        expect(movedBack(p, m).y).toBeCloseTo(seat[i]!.y, 9);
      });
    }),
  );
});

it('one hole off by δ leaves it the largest residual (by hand: a square pattern keeps 5/8 of it there)', () => {
  // Square of half side a, one corner moved radially outwards by δ: no turn; moved by δ/4; what is left there is 3δ/4.
  const square = points([50, 50], [-50, 50], [-50, -50], [50, -50]);
  const bad = square.map((p, i) => (i === 2 ? { ...p, x: p.x - 3, y: p.y - 3 } : p));
  const f = fit(bad, square);
  expect(f.largest.id).toBe('H3');
  expect(f.largest.off).toBeCloseTo(0.75 * 3 * Math.SQRT2, 9);
  expect(f.residuals[0]!.off).toBeCloseTo(0.25 * 3 * Math.SQRT2, 9);
});

describe('one bad reading', () => {
  const read = seat.map((p, i) => ({ ...p, x: p.x + [0.1, -0.05, 0, 0.08][i]!, y: p.y + [0.02, 0.1, -0.06, 0][i]! }));
  it('is named, with how far it is off the others and what they agree to', () => {
    const s = suspectHole(
      read.map((p, i) => (i === 1 ? { ...p, y: p.y + 6 } : p)),
      seat,
    )!;
    expect(s.id).toBe('H2');
    expect(s.off).toBeGreaterThan(5.5);
    expect(s.off).toBeLessThan(6.5);
    expect(s.othersTo).toBeLessThan(0.2);
  });
  it('nobody is named where all are alike', () => {
    expect(suspectHole(read, seat)).toBeUndefined();
    expect(suspectHole(seat, seat)).toBeUndefined();
  });
});

it('a mirrored pattern is offered only where it is plainly better', () => {
  const lopsided = points([150, 90], [-150, 70], [-140, -90], [150, -60]);
  const other = lopsided.map((p) => ({ ...p, y: -p.y }));
  expect(mirrorFits(other, lopsided)!.rms).toBeLessThan(1e-9);
  expect(mirrorFits(lopsided, lopsided)).toBeUndefined();
  expect(mirrorFits(other.slice(0, 3), lopsided)).toBeUndefined();
});

describe('what cannot be paired is refused', () => {
  it.each([
    [seat, seat.slice(0, 3), '4 holes were measured and the other pattern has 3'],
    [seat.slice(0, 1), seat.slice(0, 1), 'cannot show a turn'],
    [seat, seat.map((p, i) => (i === 3 ? { ...p, id: 'X' } : p)), 'hole H4 is in one pattern only'],
  ])('case %#', (a, b, because) =>
    expect(fitPattern(a, b)).toMatchObject({ refused: true, because: expect.stringContaining(because) }),
  );
  it('names that differ throughout are paired in order', () =>
    expect(
      fit(
        seat,
        seat.map((p) => ({ ...p, id: `R${p.id}` })),
      ).rms,
    ).toBeLessThan(1e-9));
});
