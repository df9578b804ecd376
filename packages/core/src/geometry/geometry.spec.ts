import fc from 'fast-check';
import { collinear, principalSpread } from './points';
import { areaMoments, clip, cornersOf } from './polygons';
import { alongTo, nearestEdge, nearestPoint, rectAbout, overlap } from './rects';

describe('area integrals', () => {
  it('triangle (0,0) (6,0) (0,3): A 9, Sx 18, Sy 9, Ixx 54, Iyy 13.5, Ixy 13.5 (bh³/12, b²h²/24 about the legs)', () => {
    const m = areaMoments([
      { x: 0, y: 0 },
      { x: 6, y: 0 },
      { x: 0, y: 3 },
    ]);
    expect([m.A, m.Sx, m.Sy, m.Ixx, m.Iyy, m.Ixy]).toEqual([9, 18, 9, 54, 13.5, 13.5]);
  });
  it('two halves of a cut rectangle add up to the whole', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        (a, b, c) => {
          const whole = cornersOf(rectAbout({ x: 3, y: -2 }, 80, 50));
          const one = areaMoments(clip(whole, { a, b, c }));
          const two = areaMoments(clip(whole, { a: -a, b: -b, c: -c }));
          if (Math.hypot(a, b) < 1e-6) return;
          const all = areaMoments(whole);
          for (const k of ['A', 'Sx', 'Sy', 'Ixx', 'Ixy', 'Iyy'] as const)
            expect(Math.abs(one[k] + two[k] - all[k])).toBeLessThan(1e-6 * 4e6);
        },
      ),
    );
  });
});

describe('lines and edges', () => {
  it('knows a line of bolts at any angle', () => {
    expect(
      collinear([
        { x: 0, y: 0 },
        { x: 30, y: 40 },
        { x: 60, y: 80 },
      ]),
    ).toBe(true);
    expect(
      collinear([
        { x: 0, y: 0 },
        { x: 30, y: 40 },
        { x: 60, y: 90 },
      ]),
    ).toBe(false);
    const { direction } = principalSpread([
      { x: 0, y: 0 },
      { x: 30, y: 40 },
    ]);
    expect(Math.abs(direction.x * 0.6 + direction.y * 0.8)).toBeCloseTo(1, 9);
  });
  it('measures to a rectangle', () => {
    const r = rectAbout({ x: 0, y: 0 }, 100, 60);
    expect(nearestEdge(r, { x: 40, y: 0 })).toBe(10);
    expect(alongTo(r, { x: 0, y: 0 }, { x: 0.6, y: 0.8 })).toBeCloseTo(37.5, 9);
    expect(nearestPoint(r, { x: 53, y: 34 })).toEqual({ point: { x: 50, y: 30 }, gap: 5 });
  });
});

it('what two rectangles share: the inner one itself, the corner they overlap in, or nothing', () => {
  const a = { x0: 0, x1: 10, y0: 0, y1: 5 };
  expect(overlap(a, { x0: -1, x1: 11, y0: -1, y1: 6 })).toBe(a);
  expect(overlap(a, { x0: 6, x1: 20, y0: 2, y1: 20 })).toEqual({ x0: 6, x1: 10, y0: 2, y1: 5 });
  expect(overlap(a, { x0: 10, x1: 20, y0: 0, y1: 5 })).toBeUndefined();
});
