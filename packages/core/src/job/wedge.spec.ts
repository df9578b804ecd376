import fc from 'fast-check';
import { surfaceOf } from './packers';
import { fromSheet } from './values';
import { wedgeByAngles, wedgeUnder, wedgeVolume } from './wedge';
import { isRefusal } from '../units/refusal';

const plate = { x0: -100, x1: 100, y0: -60, y1: 60 };
const deg = Math.PI / 180;

it('3° along and 2° across under 200 × 120: 10.48 and 4.19 mm from corner to corner (trigonometric table), thin corner as asked', () => {
  const w = wedgeByAngles(plate, 3 * deg, 2 * deg, 4);
  const [dx, dy] = [200 * 0.052408, 120 * 0.034921];
  expect(w.corners.map((c) => c.at)).toEqual(['aft starboard', 'fore starboard', 'fore port', 'aft port']);
  w.corners.forEach((c, i) => expect(c.height).toBeCloseTo([4, 4 + dx, 4 + dx + dy, 4 + dy][i]!, 3));
  expect([w.along, w.across]).toEqual([3 * deg, 2 * deg]);
  // tan² of the steepest is the sum of both squares.
  expect(Math.tan(w.steepest) ** 2).toBeCloseTo(0.052408 ** 2 + 0.034921 ** 2, 6);
  expect(wedgeVolume(plate, w)).toBeCloseTo(200 * 120 * (4 + dx / 2 + dy / 2), -1);
});

it('by measured gaps it is what the plane through them is', () => {
  const shims = [
    [-90, -50, 0],
    [90, -50, 6],
    [90, 50, 8],
  ].map(([x, y, g], i) => ({ id: `S${i}`, x: x!, y: y!, gap: fromSheet(g!, `${g} mm`) }));
  const s = surfaceOf(shims);
  if (isRefusal(s)) throw new Error(s.because);
  const w = wedgeUnder(plate, s, 3);
  expect(w.corners.map((c) => c.height)).toEqual(
    [3, 3 + (6 / 180) * 200, 3 + (6 / 180) * 200 + (2 / 100) * 120, 3 + (2 / 100) * 120].map((h) => expect.closeTo(h, 6)),
  );
});

it('its thin corner is always the least, opposite corners add up alike, and turned over it is its mirror', () => {
  fc.assert(
    fc.property(fc.double({ min: -0.2, max: 0.2, noNaN: true }), fc.double({ min: -0.2, max: 0.2, noNaN: true }), (a, b) => {
      const h = wedgeByAngles(plate, a, b, 5).corners.map((c) => c.height);
      expect(Math.min(...h)).toBeCloseTo(5, 9);
      expect(h[0]! + h[2]!).toBeCloseTo(h[1]! + h[3]!, 9);
      const m = wedgeByAngles(plate, a, -b, 5).corners.map((c) => c.height);
      expect([m[3], m[2]]).toEqual([expect.closeTo(h[0]!, 9), expect.closeTo(h[1]!, 9)]);
    }),
  );
});
