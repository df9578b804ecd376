import fc from 'fast-check';
import { isRefusal } from '../units/refusal';
import { grown, offsetLoop } from './offset';
import { laidPoint, laidRegion } from './place-region';
import { cutLength, regionArea, roundedRect, type Loop, type Region } from './region';
import { slotLoop } from './slots';

const ring = (...p: readonly (readonly [number, number, number?])[]): Loop => p.map(([x, y, bulge = 0]) => ({ x, y, bulge }));
const area = (outer: Loop): number => regionArea({ outer, openings: [] });
const long = (outer: Loop): number => cutLength({ outer, openings: [] });
const out = (l: Loop, by: number): Loop => {
  const r = offsetLoop(l, by);
  if (isRefusal(r)) throw new Error(r.because);
  return r;
};
const square = ring([0, 0], [100, 0], [100, 60], [0, 60]);

describe('an outline moved by half a cut', () => {
  it('convex: A + P·δ + π·δ² and P + 2π·δ (Steiner’s formula), sharp or round', () => {
    for (const l of [
      square,
      ring([0, 0], [90, 10], [40, 80]),
      roundedRect({ x0: 0, x1: 80, y0: 0, y1: 50 }, 12).outer,
      slotLoop(
        [
          { x: 0, y: 0 },
          { x: 40, y: 9 },
        ],
        18,
      ),
    ])
      for (const δ of [0.4, 1.5, 6]) {
        const o = out(l, δ);
        expect(area(o)).toBeCloseTo(area(l) + long(l) * δ + Math.PI * δ ** 2, 6);
        expect(long(o)).toBeCloseTo(long(l) + 2 * Math.PI * δ, 6);
      }
  });
  it('inwards: 100 × 60 less 2 each side is 96 × 56, its corners sharp', () => {
    expect(out(square, -2)).toEqual(ring([2, 2], [98, 2], [98, 58], [2, 58]));
  });
  it('an inside corner stays sharp outwards: an L by hand', () => {
    const l = ring([0, 0], [80, 0], [80, 30], [30, 30], [30, 70], [0, 70]);
    // Six edges move out 2; five corners are rounded (a quarter of π·2² each), the inner one loses 2 × 2.
    expect(area(out(l, 2))).toBeCloseTo(area(l) + 2 * long(l) + 5 * Math.PI - 4, 9);
    expect(out(l, 2)).toContainEqual({ x: 32, y: 32, bulge: 0 });
  });
  it('out and in again is what it was, where all corners are rounded more than the cut', () => {
    const l = roundedRect({ x0: -40, x1: 40, y0: -25, y1: 25 }, 9).outer;
    out(out(l, 1.5), -1.5).forEach((v, i) => {
      expect(v.x).toBeCloseTo(l[i]!.x, 9);
      expect(v.y).toBeCloseTo(l[i]!.y, 9);
      expect(v.bulge).toBeCloseTo(l[i]!.bulge, 9);
    });
  });
  it('where an arc meets a straight at an angle it is trimmed there: a half disc', () => {
    const half = ring([20, 0, 1], [-20, 0]);
    // Inwards 2: a circle of 18 cut off at y = 2 (segment area, geometry).
    const θ = 2 * Math.acos(2 / 18);
    expect(area(out(half, -2))).toBeCloseTo((18 ** 2 / 2) * (θ - Math.sin(θ)), 6);
  });
  it('openings shrink as the outline grows; what is narrower than the cut is refused', () => {
    const r: Region = {
      outer: square,
      openings: [
        slotLoop(
          [
            { x: 30, y: 30 },
            { x: 60, y: 30 },
          ],
          12,
        ),
      ],
    };
    const g = grown(r, 1) as Region;
    expect(area(g.openings[0]!)).toBeCloseTo(30 * 10 + Math.PI * 25, 6);
    expect(isRefusal(grown(r, 6.5))).toBe(true);
    expect(isRefusal(offsetLoop(square, -31))).toBe(true);
  });
});

describe('a part laid down', () => {
  const lopsided: Region = {
    outer: ring([0, 0], [90, 0], [90, 40, 0.4], [50, 60], [0, 30, -0.2]),
    openings: [ring([10, 10], [25, 10], [10, 20])],
  };
  it('keeps its metal, its edge and its sense, in either hand and either way', () => {
    for (const mirrored of [false, true])
      for (const turned of [false, true]) {
        const laid = laidRegion(lopsided, { mirrored, turned, dx: 7, dy: -3 });
        expect(regionArea(laid)).toBeCloseTo(regionArea(lopsided), 9);
        expect(cutLength(laid)).toBeCloseTo(cutLength(lopsided), 9);
      }
  });
  it('points lie where the outline has them (property)', () => {
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), fc.integer(), fc.integer(), (mirrored, turned, dx, dy) => {
        const laid = { mirrored, turned, dx: dx % 1000, dy: dy % 1000 };
        const region = laidRegion(lopsided, laid);
        for (const v of lopsided.outer) {
          const p = laidPoint(v, laid);
          expect(region.outer.some((w) => w.x === p.x && w.y === p.y)).toBe(true);
        }
      }),
      { numRuns: 20 },
    );
  });
});
