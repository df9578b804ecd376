import type { Rect } from '../../geometry/points';
import { rectAbout } from '../../geometry/rects';
import { mirrored } from '../../job/mirrored';
import { caseFile, linkOf } from '../../testing/case-file';
import { turned } from '../../testing/turned';
import { panelMoment, patchResponse } from './panel-case';
import { onlyAt } from './panel-places';

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
  const fromPoint = patchResponse(panel, rectAbout(p, 1, 1), 0.3, onlyAt(grid)).unit[0];
  const weighed = (pressure: (x: number, y: number) => number) =>
    grid.reduce((s, g, k) => s + fromPoint[4 * k + 3]! * pressure(g.x - 40, g.y + 30) * ((240 * 160) / (N * N)), 0);
  const [, mx, my] = patchResponse(panel, patch, 0.3, onlyAt([p])).unit;
  // Linear pressures whose moments are 1: ∬ p·y = 1 for M_x, ∬ p·(−x) = 1 for M_y.
  expect(mx[3]! / weighed((_x, y) => (12 * y) / (240 * 160 ** 3))).toBeCloseTo(1, 3);
  expect(my[3]! / weighed((x) => (-12 * x) / (160 * 240 ** 3))).toBeCloseTo(1, 3);
});

describe('the peak, wherever it stands', () => {
  /** Principal moment at a point, summed term by term with 220 terms each way, written out apart from the code under test. */
  function momentAt(a: number, b: number, patch: Rect, p: { x: number; y: number }, [F, Mx, My]: readonly number[]): number {
    const [u, v] = [patch.x1 - patch.x0, patch.y1 - patch.y0];
    const [cx, cy] = [(patch.x0 + patch.x1) / 2, (patch.y0 + patch.y1) / 2];
    let [mx, my, mxy] = [0, 0, 0];
    // ∫ sin(ks) and ∫ (s − c)·sin(ks) over the patch.
    const flat = (k: number, lo: number, hi: number) => (Math.cos(k * lo) - Math.cos(k * hi)) / k;
    const tilt = (k: number, lo: number, hi: number, c: number) =>
      (Math.sin(k * hi) - Math.sin(k * lo)) / k ** 2 - ((hi - c) * Math.cos(k * hi) - (lo - c) * Math.cos(k * lo)) / k;
    for (let m = 1; m <= 220; m++)
      for (let n = 1; n <= 220; n++) {
        const [k, l] = [(m * Math.PI) / a, (n * Math.PI) / b];
        const [fx, fy] = [flat(k, patch.x0, patch.x1), flat(l, patch.y0, patch.y1)];
        const q =
          (F! / (u * v)) * fx * fy +
          ((12 * Mx!) / (u * v ** 3)) * fx * tilt(l, patch.y0, patch.y1, cy) -
          ((12 * My!) / (v * u ** 3)) * tilt(k, patch.x0, patch.x1, cx) * fy;
        const w = (4 * q) / (a * b) / (k ** 2 + l ** 2) ** 2;
        mx += w * (k ** 2 + 0.3 * l ** 2) * Math.sin(k * p.x) * Math.sin(l * p.y);
        my += w * (l ** 2 + 0.3 * k ** 2) * Math.sin(k * p.x) * Math.sin(l * p.y);
        mxy -= w * 0.7 * k * l * Math.cos(k * p.x) * Math.cos(l * p.y);
      }
    return Math.abs((mx + my) / 2) + Math.hypot((mx - my) / 2, mxy);
  }
  it.each([
    [700, 500, { x0: 230, x1: 470, y0: 140, y1: 360 }, [0, 1e5, 1e5]],
    [700, 500, { x0: 330, x1: 570, y0: 190, y1: 410 }, [-400, 0, 2e5]],
    [1000, 400, { x0: 20, x1: 420, y0: 30, y1: 170 }, [600, -2e5, 1e5]],
    [500, 500, { x0: 240, x1: 265, y0: 100, y1: 140 }, [0, 1e5, 3e5]],
  ] as const)(
    'panel %d × %d, patch %o under %p: no lower than the highest of 21 × 21 points, and the series there',
    (a, b, patch, load) => {
      const [fz, mx, my] = load;
      const panel = { x0: 0, x1: a, y0: 0, y1: b };
      const found = panelMoment([{ response: patchResponse(panel, patch, 0.3), fz, mx, my }]);
      expect(found.m / momentAt(a, b, patch, found.at, load)).toBeCloseTo(1, 2);
      const grid = Array.from({ length: 441 }, (_, k) => ({
        x: patch.x0 + ((patch.x1 - patch.x0) * (k % 21)) / 20,
        y: patch.y0 + ((patch.y1 - patch.y0) * Math.floor(k / 21)) / 20,
      }));
      const response = patchResponse(panel, patch, 0.3, onlyAt(grid));
      // Every tenth of them by the other sum; the highest of all by the code, which those hold to it.
      const forces: readonly number[] = [fz, mx, my];
      const of = (k: number) => {
        const [m1, m2, m12] = [0, 1, 2].map((j) => forces.reduce((s, f, l) => s + f * response.unit[l]![4 * k + j]!, 0));
        return Math.abs((m1! + m2!) / 2) + Math.hypot((m1! - m2!) / 2, m12!);
      };
      for (let k = 0; k < grid.length; k += 44)
        expect(Math.abs(of(k) - momentAt(a, b, patch, grid[k]!, load))).toBeLessThan(0.01 * found.m);
      expect(found.m).toBeGreaterThan(0.997 * Math.max(...grid.map((_, k) => of(k))));
    },
  );
  it('of a moment stands off its middle: 1.19, where the middle, sides and corners show 0.88', () => {
    const job = caseFile('panel-moment-between-the-nine-points');
    for (const j of [job, turned(job), mirrored(job)]) {
      const { utilisation } = linkOf(j, 'skin-bending');
      expect(utilisation).toBeGreaterThan(1.18);
      expect(utilisation).toBeLessThan(1.21);
    }
  });
  it('of a load on a hundredth of the span, Roark Tab. 11.4 case 1b (memory), within 3 %', () => {
    const r = 10 / Math.sqrt(Math.PI);
    const found = panelMoment([{ response: patchResponse(panel, rectAbout({ x: 0, y: 0 }, 10, 10), 0.3), fz: 1, mx: 0, my: 0 }]);
    expect(found.m / ((1.3 * Math.log(2000 / (Math.PI * r)) + 0.435) / (4 * Math.PI))).toBeCloseTo(1, 1.5);
  });
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
