import { evaluate } from '@core/chain/evaluate';
import { newJob } from '@core/job/new-job';
import { testJob } from '@core/testing/test-job';
import { started } from '../testing/workers';
import { Weigher } from './weigher';

const job = (name: string) => ({ ...testJob(), name });
const worker = () => started.weigher.at(-1)!;
let weigher: Weigher;

beforeEach(() => {
  jest.useFakeTimers();
  weigher = new Weigher();
});
afterEach(() => jest.useRealTimers());

const weigh = (name: string) => weigher.weigh(job(name), evaluate(job(name)), undefined);

it('weighs the newest verdict once it is still', () => {
  weigh('One');
  weigh('Two');
  expect(worker().waiting).toHaveLength(0);
  jest.advanceTimersByTime(200);
  expect(worker().waiting.map((m) => m.job.name)).toEqual(['Two']);
  worker().answer();
  expect(weigher.weighed()).toMatchObject({ job: { name: 'Two' }, asking: false, goodFor: { known: true } });
});

it('an answer about a job that changed meanwhile is dropped; of those waiting only the newest is asked', () => {
  weigh('One');
  jest.advanceTimersByTime(200);
  for (const name of ['Two', 'Three']) {
    weigh(name);
    jest.advanceTimersByTime(200);
  }
  expect(worker().waiting.map((m) => m.job.name)).toEqual(['One']);
  worker().answer();
  expect(weigher.weighed()).toBeNull();
  expect(worker().waiting.map((m) => m.job.name)).toEqual(['Three']);
  worker().answer();
  expect(weigher.weighed()!.job.name).toBe('Three');
});

it('what is known is shown while the solver is still asked', () => {
  weigh('One');
  jest.advanceTimersByTime(200);
  const { ticket } = worker().waiting[0]!;
  const multiples = { goodFor: { known: false, because: 'x' }, letsGoNear: { known: false, because: 'x' } };
  const say = (data: object) => worker().dispatchEvent(new MessageEvent('message', { data }));
  say({ kind: 'weighed', ticket, multiples });
  expect(weigher.weighed()).toMatchObject({ asking: true });
  say({ kind: 'weighed', ticket, multiples, doubt: { solveIt: { byHand: 2, asSolved: 1, link: 'Bolt tension' } } });
  expect(weigher.weighed()).toMatchObject({ asking: false, solveIt: { asSolved: 1 } });
});

it('a break is said and the next is weighed; a job that cannot be computed is not', () => {
  weigh('One');
  jest.advanceTimersByTime(200);
  const { ticket } = worker().waiting[0]!;
  worker().waiting.length = 0;
  worker().dispatchEvent(new MessageEvent('message', { data: { kind: 'broken', ticket, message: 'broke' } }));
  expect(weigher.broken()).toBe('broke');
  const none = newJob('none', 'None');
  weigher.weigh(none, evaluate(none), undefined);
  jest.advanceTimersByTime(200);
  expect(worker().waiting).toHaveLength(0);
  weigh('Two');
  jest.advanceTimersByTime(200);
  worker().answer();
  expect([weigher.broken(), weigher.weighed()!.job.name]).toEqual(['', 'Two']);
});
