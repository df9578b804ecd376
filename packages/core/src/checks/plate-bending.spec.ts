import fc from 'fast-check';
import { evaluate, workingOf } from '../chain/evaluate';
import { resolved, testJob } from '../testing/test-job';
import { stubPlace, tributary } from '../sharing/t-stub';

const link = (job: ReturnType<typeof testJob>) => evaluate(job).links.find((l) => l.id === 'plate-bending')!;
type TestJob = ReturnType<typeof testJob>;
const two = (j: TestJob): TestJob => ({
  ...j,
  bolts: {
    ...j.bolts,
    items: [
      { id: 'B1', x: 90, y: 0 },
      { id: 'B2', x: -90, y: 0 },
    ],
  },
});

it('one bolt each side, EN Tab. 6.2 worked by hand: m 30, e 25, p 2·105, t 8, S275/2, M10 8.8 at a factor of 3', () => {
  // l_eff = min(2π·30, 4·30 + 1.25·25, 210) = 151.25; M_pl = 0.25·151.25·64·137.5 = 332 750
  // mode 1: 2·332 750/30 = 22 183; mode 2: (332 750 + 25·13 917)/(30 + 25) = 12 376; mode 3: 13 917
  const l = link(testJob({ fz: 8000 }, two));
  expect(l.capacity).toBeCloseTo((0.25 * 151.25 * 64 * 137.5 + 25 * ((0.9 * 800 * 57.99) / 3)) / 55, -1);
  expect(l.demand).toBeCloseTo(4000, 6);
});

describe('the length of plate that goes with a bolt', () => {
  it('reaches the plate edges where a bolt stands alone', () => {
    const place = stubPlace(resolved(testJob({}, two)), 0);
    expect(tributary(place)).toEqual([105, 105]);
    expect(place).toMatchObject({ m: 30, e: 25, sides: [{ to: 'end' }, { to: 'end' }] });
  });
  it('reaches half way to its neighbours in the row', () => {
    const r = resolved(
      testJob({}, (j) => ({ ...j, bolts: { ...j.bolts, items: [-40, 0, 40].map((y, i) => ({ id: `B${i + 1}`, x: 90, y })) } })),
    );
    expect(tributary(stubPlace(r, 1))).toEqual([20, 20]);
    expect([...tributary(stubPlace(r, 0))].sort((a, b) => a - b)).toEqual([20, 65]);
  });
});

it('shows the other school’s figure beside its own, marked as not used', () => {
  const job = testJob({ fz: 8000 }, two);
  const l = link(job);
  const last = workingOf(job, 'plate-bending', l.caseId)!.steps.find((x) =>
    /AISC Part 9; not used|§6\.2\.4; not used/.test(x.text),
  )!;
  expect(last.text).toContain('AISC Part 9; not used');
  const aisc = { ...job, practice: { ...job.practice, rules: 'AISC' as const } };
  expect(link(aisc).capacity).toBeCloseTo(last.value, 6);
  expect(
    workingOf(aisc, 'plate-bending', l.caseId)!.steps.find((x) => /AISC Part 9; not used|§6\.2\.4; not used/.test(x.text))!.value,
  ).toBeCloseTo(l.capacity, 6);
});

it('bolts through the base do not bend the plate, and it says so', () => {
  const job = testJob({ fz: 4000 }, (j) => ({
    ...j,
    bolts: { ...j.bolts, items: j.base.holes.map((h, i) => ({ ...h, id: `B${i + 1}` })) },
  }));
  expect(link(job)).toMatchObject({ state: 'not needed', because: expect.stringContaining('clamps the base itself') });
});

it('further from the base never holds more', () => {
  fc.assert(
    fc.property(fc.integer({ min: 72, max: 88 }), fc.integer({ min: 1, max: 8 }), (x, more) => {
      const at = (v: number) =>
        link(
          testJob({ fz: 4000 }, (j) => ({
            ...two(j),
            plate: { ...j.plate, x0: -v - 25, x1: v + 25 },
            bolts: {
              ...j.bolts,
              items: [
                { id: 'B1', x: v, y: 0 },
                { id: 'B2', x: -v, y: 0 },
              ],
            },
          })),
        );
      expect(at(x + more).capacity).toBeLessThanOrEqual(at(x).capacity + 1e-6);
    }),
    { numRuns: 40 },
  );
});
