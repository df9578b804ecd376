import { cautionsFor } from '../chain/cautions';
import type { Job } from './schema';
import { testJob } from '../testing/test-job';
import { FAMILIES } from '../loads/registry';
import { unusualPractice, usualPracticeOf } from './usual-practice';

const of = (family: Job['family'], practice: Partial<Job['practice']>): Job =>
  testJob({}, (j) => ({ ...j, family, practice: { ...j.practice, ...practice } }));

it('lifting takes 5 on break and seats a crash as the last load (common practice)', () => {
  expect(usualPracticeOf('lifting')!.practice).toMatchObject({ school: 'working', onBreak: 5 });
  expect(usualPracticeOf('seat')!.practice.school).toBe('ultimate');
});

it('every kind of fitting has one, but for what is not said', () => {
  expect(FAMILIES.filter((f) => !usualPracticeOf(f))).toEqual(['general']);
});

it('a job that differs says so, and the sheet says it too; one that takes the usual says nothing', () => {
  const low = of('lifting', { school: 'working', onBreak: 3, onYield: 2 });
  expect(unusualPractice(low)).toMatchObject({
    less: true,
    says: expect.stringMatching(/factor 5 on break.*This job: .*factor 3/),
  });
  expect(cautionsFor(low).join()).toContain('Usual here: working loads, factor 5 on break');
  const taken = of('lifting', usualPracticeOf('lifting')!.practice);
  expect(unusualPractice(taken)).toBeUndefined();
  expect(cautionsFor(taken).join()).not.toContain('Usual here');
  expect(unusualPractice(of('lifting', { school: 'working', onBreak: 6, onYield: 4 }))).toMatchObject({ less: false });
  expect(unusualPractice(of('seat', { school: 'working' }))!.says).toContain('a crash as the last load');
  // Factors of another school do not enter.
  expect(unusualPractice(of('seat', { school: 'ultimate', onBreak: 9 }))).toBeUndefined();
});
