import { bolts, plainJob, q, resolvedOf, welds, type Change } from '../reference/jobs';
import { stubPlace } from './t-stub';

const sized: Change = (j) => ({ ...j, base: { ...j.base, length: q(120), width: q(100) } });
const plate =
  (x0: number, x1: number): Change =>
  (j) => ({ ...j, plate: { ...j.plate, x0, x1, y0: -200, y1: 200, corner: 0 } });
const onTop = bolts('M10', '8.8', [
  [0, 120],
  [0, -120],
]);
const wide = (...changes: Change[]) => {
  const place = stubPlace(resolvedOf(plainJob(sized, onTop, welds({ fitting: 'fore and aft edges' }), ...changes)), 0);
  return { ...place, sum: place.sides[0].gap + place.sides[1].gap };
};

describe('a bolt half way between the two edges that are welded (geometry by hand)', () => {
  // From (±60, 50) to (0, 120): 60 aside, 70 out, 92.2 long.
  const [c, s] = [60 / Math.hypot(60, 70), 70 / Math.hypot(60, 70)];
  it('is bent from the one that leaves less of the plate, whichever side is short', () => {
    // Along the strip’s end: to the plate’s top at 80 up, or to its near side at 100.
    const least = 80 / c + 100 / s;
    for (const place of [wide(plate(-200, 100)), wide(plate(-100, 200))]) {
      expect(place.m).toBeCloseTo(Math.hypot(60, 70), 9);
      expect(place.sum).toBeCloseTo(least, 6);
    }
    expect(least).toBeLessThan(80 / c + 200 / s);
  });
  it('has no strip where an opening stands in one of the two ways, on either side', () => {
    const corner = (x: number, y: number) => ({ x, y, make: 'sharp' as const, size: 0, bulge: 0 });
    const ring = (x0: number, x1: number, y0: number, y1: number) => [
      corner(x0, y0),
      corner(x1, y0),
      corner(x1, y1),
      corner(x0, y1),
    ];
    const open =
      (x: number): Change =>
      (j) => ({
        ...j,
        plate: { ...j.plate, outline: { corners: ring(-200, 200, -200, 200), openings: [ring(x - 25, x + 25, 60, 105)] } },
      });
    expect([30, -30].map((x) => wide(plate(-200, 200), open(x)).broken)).toEqual([true, true]);
    expect(wide(plate(-200, 200)).broken).toBe(false);
    // A bolt a hair off the middle, on the clear side, is no better off.
    const hair = bolts('M10', '8.8', [
      [-0.2, 120],
      [0, -120],
    ]);
    expect(wide(plate(-200, 200), open(30), hair).broken).toBe(true);
  });
});

it('a bolt beside a weld is bent from the point of it that is nearest: square to it along it, from its end past it', () => {
  const at = (x: number, y: number) =>
    stubPlace(
      resolvedOf(
        plainJob(
          sized,
          bolts('M10', '8.8', [
            [x, y],
            [-x - 1, -y],
          ]),
          welds({ fitting: 'side edges' }),
          plate(-200, 200),
        ),
      ),
      0,
    ).m;
  // Welded from (−60, 50) to (60, 50).
  expect([at(0, 120), at(45, 120), at(-59, 95)]).toEqual([expect.closeTo(70, 9), expect.closeTo(70, 9), expect.closeTo(45, 9)]);
  expect(at(90, 90)).toBeCloseTo(Math.hypot(30, 40), 9);
  expect(at(-100, 80)).toBeCloseTo(Math.hypot(40, 30), 9);
});
