import { evaluate } from '../chain/evaluate';
import { BUILDERS } from '../loads/registry';
import { oneFoot } from './at-foot';
import { usualPracticeOf } from './usual-practice';
import { assumedValues } from './values';
import { WholeJob } from './whole-job';
import { askedOf, STARTERS } from './starters';

it('a dozen trades, each its own', () => {
  expect(STARTERS).toHaveLength(12);
  for (const key of ['id', 'what', 'icon'] as const) expect(new Set(STARTERS.map((s) => s[key])).size).toBe(12);
});

describe.each(STARTERS.map((s) => [s.what, s] as const))('%s', (_what, starter) => {
  const job = starter.make('first', 'First of its kind');
  it('is a whole job that can be judged from the first moment', () => {
    expect(WholeJob.safeParse(oneFoot(job)).error).toBeUndefined();
    const verdict = evaluate(job);
    // Nothing about it cannot be made: what it lacks is measuring.
    expect(verdict.refusals).toEqual([]);
    expect(verdict.links.filter((l) => l.state !== 'not needed').length).toBeGreaterThan(5);
    expect(verdict.weakest).not.toBe('');
  });
  it('is judged by the school its trade usually is, and its load is of that trade', () => {
    const usual = usualPracticeOf(job.family)!;
    expect(job.practice).toMatchObject(usual.practice);
    expect(BUILDERS.find((b) => b.kind === job.loads[0]!.kind)!.family).toBe(job.family);
  });
  it('asks for six values, each of them assumed until somebody says it', () => {
    const asked = askedOf(starter, job);
    expect(asked).toHaveLength(6);
    expect(asked.map((a) => a.value.from)).toEqual(asked.map(() => 'assumed'));
    const assumed = assumedValues(job).map((n) => n.path);
    for (const path of ['skin.thickness', 'base.length', 'base.thickness']) expect(assumed).toContain(path);
  });
});
