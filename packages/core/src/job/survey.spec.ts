import { evaluate } from '../chain/evaluate';
import { mergeJobs } from '../formats/merge-jobs';
import { atFoot, oneFoot } from './at-foot';
import { testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { Job } from './schema';
import { emptySurvey, type Hidden, type Survey } from './survey';
import { withQuantity } from './values';

const q = (v: number) => fromSheet(v, `${v} mm`);
const surveyed = (survey: Partial<Survey>): Job => ({ ...testJob(), survey: { ...emptySurvey(), ...survey } });
const refusals = (j: Job) => evaluate(j).refusals.map((r) => `${r.field}: ${r.because}; ${r.allowed}`);
// B1 of the test job is at 90, 80 with an 11 mm hole.
const cable = (x0: number, x1: number, clear = 10): Hidden => ({
  id: 'D1',
  what: 'cable',
  note: 'light',
  x0,
  x1,
  y0: -200,
  y1: 200,
  clear: q(clear),
});

describe('what hides behind the skin keeps bolts out', () => {
  it('the hole’s edge nearer than the clearance is refused by name and by how much (by hand)', () => {
    // Hole edge at 90 + 5.5 = 95.5; zone from 100 less 10 clear: 5.5 mm into it, two bolts on that side.
    expect(refusals(surveyed({ hidden: [cable(100, 110)] }))).toEqual([
      'bolts.items.0 (B1): its hole is 5.5 mm into the keep-out zone of the cable (light); at least 10 mm clear of it',
      'bolts.items.3 (B4): its hole is 5.5 mm into the keep-out zone of the cable (light); at least 10 mm clear of it',
    ]);
  });
  it('drawn the other way round it is the same zone, and clear of it nothing is said', () => {
    expect(refusals(surveyed({ hidden: [cable(110, 100)] }))).toHaveLength(2);
    expect(refusals(surveyed({ hidden: [cable(105.5, 120)] }))).toEqual([]);
  });
});

describe('existing holes', () => {
  const hole = (x: number, use: Survey['existing'][number]['use'], d = 8) =>
    surveyed({ existing: [{ id: 'E1', x, y: 80, d: q(d), use }] });
  it('a hole to stay clear of, or filled, is not drilled into (gap by hand: 9 − 9.5)', () => {
    for (const use of ['stay clear', 'fill'] as const)
      expect(refusals(hole(99, use))[0]).toContain('runs 0.5 mm into existing hole E1');
    expect(refusals(hole(99.6, 'stay clear'))).toEqual([]);
  });
  it('one to re-use may be met, and a filled one drilled again on its centre', () => {
    expect(refusals(hole(90, 're-use'))).toEqual([]);
    expect(refusals(hole(90, 'fill'))).toEqual([]);
    expect(refusals(hole(90, 'stay clear'))).toHaveLength(1);
  });
});

describe('slots of the base', () => {
  it('run the way they are measured: the same bolt stands in one and not in the other', () => {
    const at = (slotAlong: 'x' | 'y') => {
      const j = testJob();
      return refusals({
        ...j,
        base: { ...j.base, slot: q(14), slotAlong },
        bolts: {
          ...j.bolts,
          items: [
            { id: 'B1', x: 45, y: 41 },
            { id: 'B2', x: -45, y: -41 },
          ],
        },
      });
    };
    expect(at('y')).toEqual([]);
    expect(at('x')[0]).toContain('under the base where the base has no hole');
  });
});

describe('the document', () => {
  const bad = (change: (s: Survey) => unknown) =>
    Job.safeParse({ ...testJob(), survey: change(emptySurvey()) }).error?.issues.map(
      (i) => `${i.path.join('.')}: ${i.message}`,
    ) ?? [];
  it('is empty until somebody looks, and valid so', () => expect(bad((s) => s)).toEqual([]));
  it.each<[string, (s: Survey) => unknown, RegExp]>([
    ['a reading below zero', (s) => ({ ...s, diagonals: { rising: q(-1) } }), /Diagonal: allowed over 0 up to 30000 mm/],
    [
      'a gap over the range',
      (s) => ({ ...s, shims: [{ id: 'S1', x: 0, y: 0, gap: q(900) }] }),
      /Gap under the straightedge: allowed 0 up to 200 mm/,
    ],
    ['an access nobody knows', (s) => ({ ...s, access: { near: 'crane', far: 'none' } }), /access\.near/],
    [
      'a place far away',
      (s) => ({ ...s, shims: [{ id: 'S1', x: 9000, y: 0, gap: q(1) }] }),
      /Position: allowed −5000 to 5000 mm/,
    ],
    ['a key misspelt', (s) => ({ ...s, shimms: [] }), /Unrecognized key/],
  ])('%s is refused', (_t, change, said) => expect(bad(change).join('\n')).toMatch(said));

  it('two people measuring at once: by hole of a pattern and by line of the log, nothing lost', () => {
    const pattern = (y: number) => ({
      id: 'structure-left',
      of: 'structure' as const,
      side: 'left' as const,
      hole: q(9),
      slot: q(0),
      along: 'x' as const,
      holes: [
        { id: 'H1', x: 10, y: 0 },
        { id: 'H2', x: -10, y },
      ],
      from: 'measured' as const,
      readings: [],
    });
    const base = surveyed({ patterns: [pattern(0)] });
    const mine = surveyed({ patterns: [pattern(3)] });
    const theirs = { ...base, survey: { ...base.survey, shims: [{ id: 'S1', x: 1, y: 1, gap: q(1) }] } };
    const merged = mergeJobs(oneFoot(base), oneFoot(mine), oneFoot(theirs));
    expect(merged.conflicts).toEqual([]);
    expect(atFoot(merged.job, 'F1').survey.patterns[0]!.holes[1]!.y).toBe(3);
    expect(atFoot(merged.job, 'F1').survey.shims).toHaveLength(1);
  });

  it('a value is put at its path, by id in lists, and nothing else changes', () => {
    const j = testJob();
    const put = withQuantity(j, 'loads.L1.values.fx', q(5));
    expect(put.loads[0]!.values['fx']).toEqual(q(5));
    expect({ ...put, loads: j.loads }).toEqual(j);
    expect(withQuantity(j, 'skin.thickness', q(7)).skin.thickness.v).toBe(7);
  });
});
