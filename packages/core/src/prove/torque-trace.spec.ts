import { readTrace, slopeOf, type TracePoint } from './torque-trace';

const target = 48_000;
const slope = 900;
/** Degrees and torque of a bolt that follows a law, a point a degree. */
const turned = (to: number, law: (a: number) => number): TracePoint[] =>
  Array.from({ length: Math.round(to) + 1 }, (_, a) => [a, law(a)] as const);
/** Run down by hand, then straight up. */
const snugThen =
  (k: number, free = 20) =>
  (a: number) =>
    a < free ? 1200 : 1200 + k * (a - free);
const upTo = (k: number, to: number, free = 20) => turned(free + (to - 1200) / k, snugThen(k, free));
const reads = (trace: TracePoint[], lost = false) => readTrace(trace, { target, slope }, lost);

it('a good bolt: at its torque, as steep as its springs', () => {
  const r = reads(upTo(slope, target));
  expect(r).toMatchObject({ reads: 'good', because: expect.stringContaining('1.00 × as steep') });
  expect(r.slope).toBeCloseTo(slope, 6);
  // From a tenth of the target on.
  expect(r.fromSnug).toBeCloseTo((target - 4800) / slope, -0.5);
});
it('least squares of a line is the line (by hand)', () => {
  expect(
    slopeOf([
      [0, 1],
      [1, 3],
      [2, 5],
    ]),
  ).toBeCloseTo(2, 12);
  expect(
    slopeOf([
      [4, 1],
      [4, 3],
    ]),
  ).toBeUndefined();
});
it('rounds one after another: each from where the last ended', () => {
  const round = (from: number, to: number) => turned((to - from) / slope, (a) => from + slope * a);
  expect(readTrace(round(0.3 * target, 0.7 * target), { target: 0.7 * target, slope }).reads).toBe('good');
  expect(reads(round(0.7 * target, target)).reads).toBe('good');
  // Round about until none turns: hardly a degree.
  expect(
    reads([
      [0, target],
      [0.3, target],
    ]).reads,
  ).toBe('good');
});
it.each<[string, TracePoint[], RegExp]>([
  ['not reached', upTo(slope, 0.8 * target), /79 % of the target/],
  ['over', upTo(slope, 1.25 * target), /124 % of the target/],
  ['cross thread', upTo(3 * slope, target, 4), /binds, crossed or at its end/],
  ['soft joint', upTo(0.3 * slope, target), /squeezed/],
  // Past its yield it turns on with hardly any more torque.
  ['yield', turned(90, (a) => 1200 + slope * Math.min(a, 48) + 0.1 * slope * Math.max(0, a - 48)), /bends over/],
  ['stripped', turned(80, (a) => 1200 + slope * Math.min(a, 30) - 1.2 * slope * Math.max(0, a - 30)), /strips/],
  ['wrench slipped', [...upTo(slope, 0.6 * target), [52.2, 200], [53, 210]], /came off/],
])('%s', (name, trace, because) => {
  expect(reads(trace)).toMatchObject({ reads: name, because: expect.stringMatching(because) });
});
it('a lost link is no reading, however good it looks', () => {
  expect(reads(upTo(slope, target), true).reads).toBe('link lost');
});
it('a yield in the last round is seen too', () => {
  const from = 0.7 * target;
  const trace = turned(40, (a) => from + slope * Math.min(a, 12) + 0.05 * slope * Math.max(0, a - 12));
  expect(reads(trace).reads).toBe('yield');
});
