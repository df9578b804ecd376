import fc from 'fast-check';
import { rectAbout } from '../geometry/rects';
import { isRefusal } from '../units/refusal';
import { shareOutOfPlane, type Bed, type OutOfPlane } from './out-of-plane';

const bed = (more: Partial<Bed> = {}): Bed => ({
  base: rectAbout({ x: 0, y: 0 }, 300, 200),
  bolts: [
    { x: 120, y: 70 },
    { x: 120, y: -70 },
    { x: -120, y: 70 },
    { x: -120, y: -70 },
  ],
  boltStiffness: 210_000 * 84.3,
  bedModulus: 21_000,
  inLine: false,
  ...more,
});
const share = (b: Bed, fz: number, mx: number, my: number) => shareOutOfPlane(b, fz, mx, my) as OutOfPlane;

/** Blodgett, Design of Welded Structures §3.3: Y³ + K1·Y² + K2·Y + K3 = 0 for a rectangular base (formula from memory). */
function blodgett(P: number, e: number, D: number, B: number, As: number, n: number, f: number) {
  const K1 = 3 * (e - D / 2);
  const K2 = ((6 * n * As) / B) * (f + e);
  const K3 = -K2 * (D / 2 + f);
  let lo = 0;
  let hi = D;
  for (let i = 0; i < 200; i++) {
    const Y = (lo + hi) / 2;
    if (Y ** 3 + K1 * Y ** 2 + K2 * Y + K3 > 0) hi = Y;
    else lo = Y;
  }
  const Y = (lo + hi) / 2;
  const T = -P * ((D / 2 - Y / 3 - e) / (D / 2 - Y / 3 + f));
  return { Y, T, pressure: (2 * (P + T)) / (Y * B) };
}

it('rectangular base, one axis: Blodgett’s cubic for tension, bearing length and pressure', () => {
  const P = 20_000;
  const M = 8e6;
  const by = blodgett(P, M / P, 300, 200, 2 * 84.3, 10, 120);
  const o = share(bed(), -P, 0, M);
  // M about +y presses +x, so the bolts at −x pull.
  expect(o.tensions[2]! + o.tensions[3]!).toBeCloseTo(by.T, 1);
  expect(o.tensions[0]).toBe(0);
  expect(o.peak).toBeCloseTo(by.pressure, 4);
  const xs = o.pressed.map((p) => p.x);
  expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(by.Y, 4);
  // and by hand, moments about the centre of pressure: T·(120 + 150 − Y/3) = M − P·(150 − Y/3)
  expect(by.T * (270 - by.Y / 3)).toBeCloseTo(M - P * (150 - by.Y / 3), 0);
});

it('within the kern nothing lifts: p = P/A·(1 ± 6e/D) (statics)', () => {
  const o = share(bed({ boltStiffness: 1e-6 }), -30_000, 0, 30_000 * 20);
  expect(o.peak).toBeCloseTo((30_000 / 60_000) * (1 + (6 * 20) / 300), 4);
});

it('clear uplift: F/n + M·y/Σy² (statics)', () => {
  const o = share(bed(), 40_000, 1e6, 0);
  expect(o.pressed).toEqual([]);
  expect(o.tensions[0]).toBeCloseTo(10_000 + (1e6 * 70) / (4 * 70 ** 2), 3);
  expect(o.tensions[1]).toBeCloseTo(10_000 - (1e6 * 70) / (4 * 70 ** 2), 3);
});

/** Equilibrium summed on a fine grid of the base, not by the solver’s polygon integrals. */
function gridSums(b: Bed, o: OutOfPlane, plane: (x: number, y: number) => number) {
  const N = 400;
  const dx = (b.base.x1 - b.base.x0) / N;
  const dy = (b.base.y1 - b.base.y0) / N;
  let [fz, mx, my] = [0, 0, 0];
  for (let i = 0; i < N; i++) {
    for (let j = 0; j < N; j++) {
      const x = b.base.x0 + (i + 0.5) * dx;
      const y = b.base.y0 + (j + 0.5) * dy;
      const p = Math.max(0, plane(x, y)) * dx * dy;
      fz -= p;
      mx -= p * y;
      my += p * x;
    }
  }
  b.bolts.forEach((c, i) => {
    fz += o.tensions[i]!;
    mx += o.tensions[i]! * c.y;
    my -= o.tensions[i]! * c.x;
  });
  return { fz, mx, my };
}

/** Pressure plane through three corners of the pressed part, by Cramer. */
function planeOf(b: Bed, o: OutOfPlane) {
  // Pressure is zero on the neutral axis and `peak` at `peakAt`: two polygon points on the axis fix the plane.
  const tension = b.bolts.map((c, i) => ({ c, p: (-o.tensions[i]! * b.bedModulus) / b.boltStiffness })).filter((t) => t.p < 0);
  const points = [{ ...o.peakAt, p: o.peak }, ...tension.map((t) => ({ ...t.c, p: t.p }))];
  const [a, c, d] = [points[0]!, points[1]!, points[2]!];
  const det = (c.x - a.x) * (d.y - a.y) - (d.x - a.x) * (c.y - a.y);
  const gx = ((c.p - a.p) * (d.y - a.y) - (d.p - a.p) * (c.y - a.y)) / det;
  const gy = ((c.x - a.x) * (d.p - a.p) - (d.x - a.x) * (c.p - a.p)) / det;
  return (x: number, y: number) => a.p + gx * (x - a.x) + gy * (y - a.y);
}

it('two axes at once: the independent grid sum of pressure and bolts balances the load', () => {
  const b = bed();
  const load = { fz: -12_000, mx: 2.5e6, my: 4e6 };
  const o = share(b, load.fz, load.mx, load.my);
  expect(o.tensions.filter((t) => t > 0).length).toBeGreaterThanOrEqual(2);
  const sums = gridSums(b, o, planeOf(b, o));
  expect(sums.fz / load.fz).toBeCloseTo(1, 2);
  expect(sums.mx / load.mx).toBeCloseTo(1, 2);
  expect(sums.my / load.my).toBeCloseTo(1, 2);
});

const moment = fc.double({ min: -5e6, max: 5e6, noNaN: true });

it('balances every load to 1e-6, never pulls the bed nor pushes a bolt', () => {
  fc.assert(
    fc.property(fc.double({ min: -5e4, max: 5e4, noNaN: true }), moment, moment, (fz, mx, my) => {
      const o = shareOutOfPlane(bed(), fz, mx, my);
      expect(isRefusal(o)).toBe(false);
      const s = o as OutOfPlane;
      expect(s.residual).toBeLessThan(1e-6);
      expect(s.push).toBeGreaterThanOrEqual(-1e-6);
      expect(s.tensions.every((t) => t >= 0)).toBe(true);
      expect(Math.abs(s.tensions.reduce((a, t) => a + t, 0) - s.push - fz)).toBeLessThan(
        1e-5 * (Math.abs(fz) + Math.abs(mx) / 100 + Math.abs(my) / 100 + 1),
      );
    }),
    { numRuns: 300 },
  );
});

it('mirrored job, mirrored answer', () => {
  fc.assert(
    fc.property(fc.double({ min: -2e4, max: 2e4, noNaN: true }), moment, moment, (fz, mx, my) => {
      const b = bed({
        bolts: [
          { x: 100, y: 80 },
          { x: 90, y: -60 },
          { x: -110, y: 50 },
          { x: -120, y: -75 },
        ],
      });
      const m = bed({ bolts: b.bolts.map((p) => ({ x: p.x, y: -p.y })) });
      const one = share(b, fz, mx, my);
      const two = share(m, fz, -mx, my);
      one.tensions.forEach((t, i) => expect(Math.abs(two.tensions[i]! - t)).toBeLessThan(1e-4 * (1 + Math.abs(t))));
    }),
  );
});

describe('a single row under a base of some width', () => {
  const row = [
    { x: -80, y: 0 },
    { x: 80, y: 0 },
  ];
  const wide = { x0: -100, x1: 100, y0: -60, y1: 60 };
  it('pulls M/(b/2) at once: the edge of the base presses (statics)', () => {
    // A bed so hard that only the edge presses: the lever is half the width.
    const o = share(bed({ base: wide, bolts: row, inLine: true, bedModulus: 1e9 }), 0, 600_000, 0);
    expect(o.tensions[0]! + o.tensions[1]!).toBeCloseTo(600_000 / 60, -2);
    expect(o.tensions[0]).toBeCloseTo(o.tensions[1]!, 6);
    expect(o.push).toBeCloseTo(600_000 / 60, -2);
  });
  it('on a softer bed the lever is shorter, and the pull more: M over edge less a third of what is pressed', () => {
    const o = share(bed({ base: wide, bolts: row, inLine: true }), 0, 600_000, 0);
    const depth = Math.max(...o.pressed.map((p) => p.y)) - Math.min(...o.pressed.map((p) => p.y));
    expect(o.push).toBeCloseTo(600_000 / (60 - depth / 3), 0);
    expect(o.push).toBeGreaterThan(600_000 / 60);
  });
  it('one bolt in the middle holds a moment about any axis so, and the same either way', () => {
    const one = bed({ base: wide, bolts: [{ x: 0, y: 0 }], inLine: true });
    expect(share(one, 0, 3e5, 1e5).tensions[0]).toBeCloseTo(share(one, 0, -3e5, 1e5).tensions[0]!, 3);
    expect(share(one, 0, 3e5, 0).tensions[0]).toBeGreaterThan(3e5 / 60);
  });
});

describe('mechanisms are refused', () => {
  const row = [
    { x: -80, y: 20 },
    { x: 0, y: 20 },
    { x: 80, y: 20 },
  ];
  it('a row of spacers under a moment about the row', () => {
    const o = shareOutOfPlane(bed({ bolts: row, inLine: true, stands: 'at bolts' }), 1000, 5e5, 0);
    expect(isRefusal(o) && o.because).toContain('one line');
  });
  it('a row beside the base that is turned so that it should push: the base lifts with nothing to hold it', () => {
    const beside = row.map((b) => ({ ...b, y: 300 }));
    const o = shareOutOfPlane(bed({ bolts: beside, inLine: true }), 1000, -5e6, 0);
    expect(isRefusal(o) && o.because).toContain('rock free');
  });
  it('the same row holds a moment across it and a pull on its line', () => {
    expect(isRefusal(shareOutOfPlane(bed({ bolts: row, inLine: true }), 3000, 3000 * 20, 2e5))).toBe(false);
  });
  it('one bolt holds a straight pull with nothing pressed', () => {
    const one = bed({ bolts: [{ x: 0, y: 0 }], inLine: true });
    expect(share(one, 1000, 0, 0).tensions[0]).toBeCloseTo(1000, 3);
  });
});

const OUTSIDE = [
  { x: 90, y: 80 },
  { x: -90, y: 80 },
  { x: -90, y: -80 },
  { x: 90, y: -80 },
];

it('finds its way from a state where almost nothing is engaged: light lift off-centre, bolts well outside the base', () => {
  const outside = bed({
    base: rectAbout({ x: 0, y: 0 }, 120, 100),
    bolts: OUTSIDE,
  });
  fc.assert(
    fc.property(
      fc.integer({ min: -3000, max: 3000 }),
      fc.integer({ min: -3e5, max: 3e5 }),
      fc.integer({ min: -3e5, max: 3e5 }),
      (fz, mx, my) => {
        const o = shareOutOfPlane(outside, fz, mx, my);
        expect(isRefusal(o)).toBe(false);
        expect((o as OutOfPlane).residual).toBeLessThan(1e-6);
      },
    ),
    { numRuns: 500 },
  );
});

it.each([
  [1464, -2697, 131759],
  [738, 1494, 66419],
  [1269, 760, 114209],
])('catches the far row when a lift stands right over the near one: %d N, %d and %d N·mm', (fz, mx, my) => {
  const o = share(bed({ base: rectAbout({ x: 0, y: 0 }, 120, 100), bolts: OUTSIDE }), fz, mx, my);
  expect(o.residual).toBeLessThan(1e-10);
  // By statics alone: the load stands at x = −M_y/F_z, a hair beyond or within the near row at 90 mm, which carries it all.
  const near = o.tensions[1]! + o.tensions[2]!;
  expect(near / fz).toBeCloseTo(1, 3);
  expect(o.tensions.reduce((sum, t) => sum + t, 0) - o.push).toBeCloseTo(fz, 3);
});
