import fc from 'fast-check';
import { distance } from '../geometry/points';
import { isRefusal } from '../units/refusal';
import { effectiveRuns, isLinear, type Counted } from './effective-runs';
import { lineGroup, runsAround, runsOn, type Run } from './weld-group';

const EN: Counted = { a: 5, rules: 'EN', aluminium: false };
const rect = { x0: -50, x1: 50, y0: -30, y1: 30 };
const counted = (runs: readonly Run[], x: Counted = EN) => {
  const found = effectiveRuns(runs, x, 'welds.doubler');
  if (isRefusal(found)) throw new Error(found.because);
  return found;
};
const line = (length: number): Run[] =>
  runsOn([
    [
      { x: 10, y: 20 },
      { x: 10 + length, y: 20 },
    ],
  ]);
const long = (runs: readonly Run[]) => runs.reduce((sum, { from, to, part }) => sum + part * distance(from, to), 0);

describe('EN 1993-1-8 §4.5.1: l − 2·a, nothing under 30 mm or 6·a', () => {
  it('takes the throat off both ends and leaves the middle where it is', () => {
    const [run] = counted(line(80)).runs;
    expect([run!.from.x, run!.to.x]).toEqual([15, 85]);
    expect(long(counted(runsAround(rect, 'side edges')).runs)).toBe(2 * (100 - 10));
  });
  it('a weld all round has no ends, and one that goes on round a corner has two', () => {
    expect(long(counted(runsAround(rect, 'all round')).runs)).toBe(320);
    const corner = runsOn([
      [
        { x: 0, y: 0 },
        { x: 60, y: 0 },
      ],
      [
        { x: 60, y: 0 },
        { x: 60, y: 25 },
      ],
    ]);
    // The leg of 25 alone would carry nothing.
    expect(long(counted(corner).runs)).toBe(75);
  });
  it.each([
    [39.9, 5, 40],
    [40, 5, undefined],
    [63.9, 8, 64],
    [64, 8, undefined],
  ])('%d mm with a throat of %d: at least %d', (length, a, least) => {
    const found = effectiveRuns(line(length), { ...EN, a }, 'welds.doubler');
    if (least === undefined) expect(isRefusal(found)).toBe(false);
    else expect(found).toMatchObject({ field: 'welds.doubler', allowed: expect.stringContaining(`at least ${least} mm`) });
  });
  it('a run that is too short carries nothing, and the others all', () => {
    const both = counted([
      ...line(80),
      ...runsOn([
        [
          { x: 0, y: 90 },
          { x: 35, y: 90 },
        ],
      ]),
    ]);
    expect([both.short, long(both.runs)]).toEqual([1, 70]);
    expect(lineGroup(both.runs).centre).toEqual({ x: 50, y: 20 });
  });
  it('a stitch counts as a run does', () => {
    const whole = runsAround(rect, 'all round', 40 / 100);
    expect(long(counted(whole, { ...EN, a: 3, stitch: 40 }).runs)).toBeCloseTo((320 * 34) / 100, 9);
    expect(effectiveRuns(whole, { ...EN, a: 3, stitch: 35 }, 'x')).toMatchObject({
      because: expect.stringContaining('a stitch counts 29.0 mm'),
      allowed: expect.stringContaining('at least 36 mm'),
    });
  });
});

it('AISC 360-16 §J2.2b: the length as it is, from four legs on; a stitch from 1 1/2 in', () => {
  const AISC: Counted = { a: 5, rules: 'AISC', aluminium: false };
  expect(long(counted(line(29), AISC).runs)).toBe(29);
  // Four legs of 5·√2.
  expect(isRefusal(effectiveRuns(line(28), AISC, 'x'))).toBe(true);
  expect(isRefusal(effectiveRuns(line(500), { ...AISC, stitch: 38 }, 'x'))).toBe(true);
  expect(isRefusal(effectiveRuns(line(500), { ...AISC, stitch: 38.1 }, 'x'))).toBe(false);
});

it('in aluminium nothing under 8·a, whatever the rules (EN 1999-1-1 §8.6.3, memory)', () => {
  const alloy: Counted = { a: 5, rules: 'AISC', aluminium: true };
  expect(isRefusal(effectiveRuns(line(49), alloy, 'x'))).toBe(true);
  expect(long(counted(line(50), alloy).runs)).toBe(40);
});

it('in whatever order and direction the runs of a line are written, and wherever it is broken, the same counts', () => {
  const steps = fc.array(fc.integer({ min: 4, max: 60 }), { minLength: 2, maxLength: 7 });
  fc.assert(
    fc.property(steps, fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }), fc.integer(), (lengths, flips, seed) => {
      let x = 0;
      const runs = lengths.map((l, i): Run => {
        const [from, to] = [
          { x, y: 3 },
          { x: (x += l), y: 3 },
        ];
        return flips[i] ? { from: to, to: from, part: 1 } : { from, to, part: 1 };
      });
      const shuffled = runs
        .map((r, i) => [((i + 1) * (seed | 1)) % 7, r] as const)
        .sort((a, b) => a[0] - b[0])
        .map(([, r]) => r);
      const found = effectiveRuns(shuffled, EN, 'x');
      if (x < 40) return expect(isRefusal(found)).toBe(true);
      if (isRefusal(found)) throw new Error(found.because);
      const g = lineGroup(found.runs);
      expect(g.length).toBeCloseTo(x - 10, 6);
      expect(g.centre.x).toBeCloseTo(x / 2, 6);
      return undefined;
    }),
  );
});

it('runs that go one way are linear, a corner is not', () => {
  expect(isLinear(runsAround(rect, 'side edges'))).toBe(true);
  expect(isLinear(runsAround(rect, 'all round'))).toBe(false);
});
