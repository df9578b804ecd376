import { CHECKS } from '@core/checks/registry';
import { testJob } from '@core/testing/test-job';
import { started } from '../testing/workers';
import { Judge } from './judge';

const job = (name: string) => ({ ...testJob(), name });
let judge: Judge;
const worker = () => started.judge.at(-1)!;

beforeEach(() => {
  judge = new Judge();
});

it('judges a job in the worker and says which one the answer is about', () => {
  const one = job('One');
  judge.judge(one);
  expect(judge.verdict()).toBeNull();
  worker().answer();
  expect(judge.verdict()!.links).toHaveLength(CHECKS.length);
  expect(judge.judged()).toBe(one);
});

it('while one is under way only the newest waits: a drag of many moves asks twice', () => {
  judge.judge(job('One'));
  for (let i = 2; i <= 20; i++) judge.judge(job(`Move ${i}`));
  expect(worker().waiting).toHaveLength(1);
  worker().answer();
  expect(worker().waiting).toHaveLength(1);
  worker().answer();
  expect(judge.judged()!.name).toBe('Move 20');
  expect(worker().waiting).toHaveLength(0);
});

it('an answer nobody waits for is dropped', () => {
  judge.judge(job('One'));
  const stale = new MessageEvent('message', { data: { kind: 'evaluate', ticket: 99, verdict: null } });
  worker().dispatchEvent(stale);
  expect(judge.judged()).toBeNull();
});

it('a break is said, the last answer stays, and the next job is judged again', () => {
  judge.judge(job('One'));
  worker().answer();
  judge.judge(job('Two'));
  worker().waiting.length = 0;
  worker().dispatchEvent(new MessageEvent('message', { data: { kind: 'broken', of: 'evaluate', ticket: 2, message: 'broke' } }));
  expect(judge.broken()).toBe('broke');
  expect(judge.judged()!.name).toBe('One');
  judge.judge(job('Three'));
  worker().answer();
  expect(judge.broken()).toBe('');
  expect(judge.judged()!.name).toBe('Three');
});

it('explains a link; of two askings the later is shown', () => {
  judge.explain(job('One'), 'bolt-shear', 'L1-1');
  judge.explain(job('One'), 'bolt-tension', 'L1-1');
  worker().answer();
  expect(judge.working()).toBeUndefined();
  worker().answer();
  expect(judge.working()!.check.id).toBe('bolt-tension');
  judge.explain(null, '', '');
  expect(judge.working()).toBeUndefined();
});

it('stops its worker', () => {
  judge.stop();
  expect(worker().terminated).toBe(true);
});

it('what would clear a link is asked once the job is still, and an older answer is dropped', () => {
  jest.useFakeTimers();
  judge.explain(job('One'), 'plate-bending', 'L1-1');
  judge.explain(job('Two'), 'plate-bending', 'L1-1');
  expect(worker().waiting.map((m) => m.kind)).toEqual(['working', 'working']);
  jest.advanceTimersByTime(200);
  expect(worker().waiting.map((m) => m.kind)).toEqual(['working', 'working', 'clear']);
  expect(judge.clearings()).toBeNull();
  for (let i = 0; i < 3; i++) worker().answer();
  expect(judge.clearings()).toEqual([]);
  judge.explain(null, '', '');
  expect(judge.clearings()).toBeNull();
  jest.useRealTimers();
});

it('a verdict that takes over two minutes is given up and said, no older one stands, and it can be let go on', () => {
  jest.useFakeTimers();
  try {
    judge.judge(job('One'));
    worker().answer();
    judge.judge(job('Two'));
    const slow = worker();
    jest.advanceTimersByTime(119_000);
    expect([judge.gaveUp(), slow.terminated]).toEqual([false, false]);
    jest.advanceTimersByTime(1000);
    expect([judge.gaveUp(), slow.terminated, judge.verdict(), judge.judged()]).toEqual([true, true, null, null]);
    expect(judge.broken()).toContain('stopped after 2 minutes: nothing of this job is judged');
    judge.withoutLimit();
    expect([judge.gaveUp(), judge.broken()]).toEqual([false, '']);
    jest.advanceTimersByTime(600_000);
    expect(judge.gaveUp()).toBe(false);
    worker().answer();
    expect(judge.judged()!.name).toBe('Two');
  } finally {
    jest.useRealTimers();
  }
});
