import { notJudged } from '../chain/ways-to-fail';
import { evaluate } from '../chain/evaluate';
import { caseFile } from '../testing/case-file';
import { testJob } from '../testing/test-job';
import { turned } from '../testing/turned';
import { isLongBase } from './long-base';
import type { Job } from './schema';
import { fromSheet } from './values';

const q = (v: number) => fromSheet(v, `${v} mm`);
const rail = caseFile('rail-taken-as-rigid');
const base = (job: Job, more: Partial<Job['base']>): Job => ({ ...job, base: { ...job.base, ...more } });
const said = base(rail, { stiff: 'channel of 80 welded along it', entry: q(370) });

it('a rail of 1220 × 60 is not taken as rigid: what comes to its bolts is not shown', () => {
  const v = evaluate(rail);
  expect([v.state, v.links]).toEqual(['refused', []]);
  expect(v.refusals.map((r) => [r.field, r.because])).toEqual([['base.stiff', expect.stringContaining('is a rail: it bends')]]);
});

it('somebody may say that it is stiff and why, and over which length its load comes in; both stand beside the verdict', () => {
  expect(evaluate(base(rail, { stiff: ' ' })).refusals[0]!.field).toBe('base.stiff');
  expect(evaluate(base(rail, { stiff: 'a channel' })).refusals[0]!.field).toBe('base.entry');
  expect(evaluate(base(said, { entry: q(1300) })).refusals[0]).toMatchObject({
    field: 'base.entry',
    allowed: 'over 0 to 1220 mm',
  });
  expect(evaluate(said).refusals).toEqual([]);
  expect(notJudged(said).join()).toContain(
    'its load comes in over 370 mm of 1220 mm, and it is taken as stiff (channel of 80 welded along it)',
  );
});

it('up to five times as long as wide nobody is asked, whichever way it lies', () => {
  const at = (length: number, width: number) => isLongBase({ length: q(length), width: q(width) });
  expect([at(300, 60), at(301, 60), at(60, 301), at(60, 300)]).toEqual([false, true, true, false]);
  const long = base(testJob(), { length: q(180), width: q(30), holes: [] });
  expect(evaluate(long).state).toBe('refused');
  expect(evaluate(turned(long)).refusals[0]!.field).toBe('base.stiff');
  // What was said of a base that is no longer long is kept, and no longer told.
  expect(notJudged(base(said, { width: q(300) })).join()).not.toContain('channel of 80');
});
