import { evaluate } from '../../chain/evaluate';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { freeLoad, testJob } from '../../testing/test-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** A tube of b × h × t in S355 that spans L, with the plate at a from its aft end; M6 two abreast. */
const tube = (
  x: { b: number; h: number; t: number; L: number; a: number },
  load: Parameters<typeof freeLoad>[0],
  change: (j: Job) => Job = (j) => j,
): Job =>
  testJob(load, (j) =>
    change({
      ...j,
      skin: {
        kind: 'hollow',
        metal: 'S355',
        wall: mm(x.t),
        width: mm(x.b),
        through: 'both walls',
        thickness: mm(x.h),
        spanX: mm(x.L),
        spanY: mm(400),
        aft: mm(x.a),
        starboard: mm(200),
        bedModulus: fromSheet(30_000, '30000 MPa'),
      },
      base: { ...j.base, length: mm(60), width: mm(12), holes: [] },
      plate: { ...j.plate, x0: -70, x1: 70, y0: -28, y1: 28, corner: 0 },
      bolts: {
        ...j.bolts,
        size: 'M6',
        items: [
          { id: 'B1', x: 55, y: 16 },
          { id: 'B2', x: -55, y: 16 },
          { id: 'B3', x: -55, y: -16 },
          { id: 'B4', x: 55, y: -16 },
        ],
      },
      far: { kind: 'washer' },
    }),
  );
const link = (j: Job) => evaluate(j).links.find((l) => l.id === 'member')!;
const square = { b: 50, h: 50, t: 4, L: 10_000, a: 5000 };

it('50 × 50 × 4 over 10 m under 8 kN in the middle lets go, whatever its wall does: W 10,461 mm³ sharp, M 20 kN·m (any section table)', () => {
  const job = tube(square, { fz: -8000 });
  // Without its holes: (50⁴ − 42⁴)/12/25.
  const gross = (50 ** 4 - 42 ** 4) / 12 / 25;
  expect(gross).toBeCloseTo(10_461, 0);
  // Two holes of 6.6 abreast through both walls at 23 mm from the middle.
  const I = (50 ** 4 - 42 ** 4) / 12 - 2 * 2 * 6.6 * 4 * 23 ** 2;
  expect(link(job).demand).toBeCloseTo((8000 * 2500) / (I / 25), 3);
  expect(link(job).demand).toBeGreaterThan(1911.8);
  expect([link(job).state, link(job).at]).toEqual(['fails', 'bent between its ends']);
  expect(evaluate(job).state).toBe('fails');
});

it('off the middle, P·a·c/L; a moment adds M·max(a, c)/L; both ways and along add up (statics by hand)', () => {
  const x = { b: 60, h: 80, t: 5, L: 1200, a: 300 };
  const job = tube(x, { fx: 900, fy: 400, fz: -3000, my: 120_000, mz: -50_000 });
  const holes = 2 * 2 * 6.6 * 5;
  const A = 2 * 5 * (60 + 80 - 10) - holes;
  const Wv = ((60 * 80 ** 3 - 50 * 70 ** 3) / 12 - holes * 37.5 ** 2) / 40;
  const Wh = ((80 * 60 ** 3 - 70 * 50 ** 3) / 12 - holes * 16 ** 2) / 30;
  // In the tube's middle plane: the plate's face stands 8 + 40 mm over it.
  const my = 120_000 + 48 * 900;
  const Mv = (3000 * 300 * 900) / 1200 + (my * 900) / 1200;
  const Mh = (400 * 300 * 900) / 1200 + (50_000 * 900) / 1200;
  expect(link(job).demand).toBeCloseTo(900 / A + Mv / Wv + Mh / Wh, 6);
  // Working loads: over the factor on yield, 2.
  expect(link(job).capacity).toBeCloseTo(355 / 2, 9);
});

it('short and stout, its walls shear before it bends: V/(2·h·t) with torsion by Bredt', () => {
  const x = { b: 80, h: 80, t: 3, L: 200, a: 20 };
  const job = tube(x, { fz: -20_000, mx: 900_000 });
  const V = (20_000 * 180) / 200;
  expect(link(job).at).toBe('walls sheared to its end');
  expect(link(job).demand).toBeCloseTo(V / (2 * 80 * 3) + 900_000 / (2 * 77 * 77 * 3), 6);
  expect(link(job).capacity).toBeCloseTo(355 / Math.sqrt(3) / 2, 9);
});

it('twice the span is twice the stress of a load in the middle', () => {
  const at = (L: number) => link(tube({ ...square, L, a: L / 2 }, { fz: -500 })).demand;
  expect(at(2000) / at(1000)).toBeCloseTo(2, 9);
});

it('over a bearer it is not needed; walls too thin for their width are refused; other skins have their own', () => {
  expect(link(tube({ ...square, L: 1000, a: 0.0001 }, { fz: -500 })).state).not.toBe('refused');
  expect(link(tube({ ...square, b: 200, h: 200, t: 3, L: 1000, a: 500 }, { fz: -500 }))).toMatchObject({
    state: 'refused',
    because: expect.stringMatching(/buckle before they yield; allowed: up to 42·ε/),
  });
  expect(link(testJob({ fz: 500 })).state).toBe('not needed');
});
