import { rectAbout } from '../../geometry/rects';
import { panelMoment, patchResponse } from './panel-case';

const panel = rectAbout({ x: 0, y: 0 }, 1000, 1000);

describe('square plate, simply supported, ν 0.3 (Timoshenko & Woinowsky-Krieger)', () => {
  it('uniform load, Tab. 8: w = 0.00406 q·a⁴/D, M = 0.0479 q·a²', () => {
    const found = panelMoment([{ response: patchResponse(panel, panel, 0.3), fz: 1e6, mx: 0, my: 0 }]); // q = 1 on a = 1000
    expect(found.wD / 1e12).toBeCloseTo(0.00406, 5);
    expect(found.m / 1e6).toBeCloseTo(0.0479, 4);
  });
  it('central point load, Tab. 23: w = 0.01160 P·a²/D', () => {
    const found = panelMoment([{ response: patchResponse(panel, rectAbout({ x: 0, y: 0 }, 10, 10), 0.3), fz: 1, mx: 0, my: 0 }]);
    expect(found.wD / 1e6).toBeCloseTo(0.0116, 4);
  });
  it('load on a small circle, Roark Tab. 11.4 case 1b (memory): M = W/4π·(1.3·ln(2b/πr) + 0.435), within 1 %', () => {
    const found = panelMoment([
      { response: patchResponse(panel, rectAbout({ x: 0, y: 0 }, 200, 200), 0.3), fz: 1, mx: 0, my: 0 },
    ]);
    const r = 200 / Math.sqrt(Math.PI);
    expect(found.m / ((1.3 * Math.log(2000 / (Math.PI * r)) + 0.435) / (4 * Math.PI))).toBeGreaterThan(0.99);
  });
});

it('rectangle 2:1 under uniform load, Tab. 8: w = 0.01013, M = 0.1017 q·a² on the short span', () => {
  const long = rectAbout({ x: 0, y: 0 }, 2000, 1000);
  const found = panelMoment([{ response: patchResponse(long, long, 0.3), fz: 2e6, mx: 0, my: 0 }]);
  expect(found.wD / 1e12).toBeCloseTo(0.01013, 4);
  expect(found.m / 1e6).toBeCloseTo(0.1017, 3);
});

it('a moment on a patch obeys Maxwell–Betti: its deflection at a point is the point load’s deflection weighed by its pressure', () => {
  const patch = rectAbout({ x: 40, y: -30 }, 240, 160);
  const p = { x: 150, y: 90 };
  // Gauss, two points each way in 15 × 15 pieces.
  const N = 30;
  const at = (k: number) => (Math.floor(k / 2) + 0.5 + ((k % 2) - 0.5) / Math.sqrt(3)) / (N / 2);
  const grid = Array.from({ length: N * N }, (_, k) => ({
    x: patch.x0 + at(k % N) * 240,
    y: patch.y0 + at(Math.floor(k / N)) * 160,
  }));
  const fromPoint = patchResponse(panel, rectAbout(p, 1, 1), 0.3, grid).unit[0];
  const weighed = (pressure: (x: number, y: number) => number) =>
    grid.reduce((s, g, k) => s + fromPoint[4 * k + 3]! * pressure(g.x - 40, g.y + 30) * ((240 * 160) / (N * N)), 0);
  const [, mx, my] = patchResponse(panel, patch, 0.3, [p]).unit;
  // Linear pressures whose moments are 1: ∬ p·y = 1 for M_x, ∬ p·(−x) = 1 for M_y.
  expect(mx[3]! / weighed((_x, y) => (12 * y) / (240 * 160 ** 3))).toBeCloseTo(1, 3);
  expect(my[3]! / weighed((x) => (-12 * x) / (160 * 240 ** 3))).toBeCloseTo(1, 3);
});

it('is symmetric: moments about x and y swap with the panel', () => {
  const a = panelMoment([
    {
      response: patchResponse(rectAbout({ x: 0, y: 0 }, 600, 400), rectAbout({ x: 0, y: 0 }, 200, 100), 0.3),
      fz: 0,
      mx: 0,
      my: 5e5,
    },
  ]);
  const b = panelMoment([
    {
      response: patchResponse(rectAbout({ x: 0, y: 0 }, 400, 600), rectAbout({ x: 0, y: 0 }, 100, 200), 0.3),
      fz: 0,
      mx: 5e5,
      my: 0,
    },
  ]);
  expect(a.m).toBeCloseTo(b.m, 6);
});
