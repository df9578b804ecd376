import type { Job } from '../job/schema';
import { testJob } from '../testing/test-job';
import { evaluate } from './evaluate';
import { whatMoved } from './what-moved';

const school = (s: Job['practice']['school'], more: Partial<Job['practice']> = {}) =>
  evaluate(testJob({ fx: 1500, fz: 900, z: 100 }, (j) => ({ ...j, practice: { ...j.practice, school: s, ...more } })));

it('nothing moves between a verdict and itself', () => expect(whatMoved(school('working'), school('working'))).toEqual([]));

it('limit states for 3:1 on break: bolts fall by 3 against 1.5 × 1.25 (by hand)', () => {
  const moved = whatMoved(school('working'), school('limit'));
  const bolt = moved.find((m) => m.name === 'Bolt tension')!;
  expect(bolt.to / bolt.from).toBeCloseTo((1.5 * 1.25) / 3, 9);
});

it('the largest change first, and only those of 0.005 or more', () => {
  const moved = whatMoved(school('working'), school('working', { onBreak: 3.01 }));
  const change = moved.map((m) => Math.abs(m.to - m.from));
  expect(change).toEqual([...change].sort((a, b) => b - a));
  for (const c of change) expect(c).toBeGreaterThanOrEqual(0.005);
});

it('a link that is refused on one side is said, first', () => {
  const thin = testJob({ fz: 9000 }, (j) => ({ ...j, skin: { ...j.skin, thickness: { v: 3, text: '3', from: 'sheet' } } }));
  const thick = testJob({ fz: 9000 });
  const [first] = whatMoved(evaluate(thick), evaluate(thin));
  expect(first!.name).toBe('Skin bending');
  expect(Number.isNaN(first!.to)).toBe(true);
});
