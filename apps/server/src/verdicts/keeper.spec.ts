import { openDatabase } from '../database/open-database';
import { DEMO_RACK } from '../demo/lake-sorrow';
import { Busy, TookTooLong, type Workers } from '../pool/workers';
import { here } from '../testing/here';
import { testStores } from '../testing/stores';
import { Keeper } from './keeper';

const [winch] = DEMO_RACK;

/** A keeper whose threads fail as they are told to, before they do what they are asked. */
function kept(fail: (kind: string) => Error | undefined) {
  const stores = testStores(openDatabase(':memory:'));
  const good = here();
  const asked: string[] = [];
  const workers: Workers = {
    ...good,
    run: (task) => {
      asked.push(task.kind);
      const error = fail(task.kind);
      return error ? Promise.reject(error) : good.run(task);
    },
  };
  const keeper = new Keeper({ ...stores, workers });
  stores.store.add(winch!);
  const verdict = () => stores.store.versions(winch!.id)[0]!.verdict;
  return { ...stores, keeper, asked, verdict };
}
const MINUTE = 60_000;

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('a verdict that found no thread is asked again, and not written as one that could not be given', async () => {
  let busy = true;
  const k = kept((kind) => (kind === 'face' && busy ? new Busy() : undefined));
  await k.keeper.done();
  expect(k.verdict()).toBeNull();
  busy = false;
  await jest.advanceTimersByTimeAsync(MINUTE);
  await k.keeper.done();
  expect(k.verdict()).toMatchObject({ state: 'fails' });
});

it('one that takes too long, or breaks its thread, says so on its tag', async () => {
  for (const [error, says] of [
    [new TookTooLong(180), /longer than 180 s .*open it to see how far it comes/],
    [new Error('out of memory'), /could not be judged: out of memory/],
  ] as const) {
    const k = kept((kind) => (kind === 'face' ? error : undefined));
    await k.keeper.done();
    expect(k.verdict()).toMatchObject({ state: 'refused', says: expect.stringMatching(says), goodFor: null });
  }
});

it('what falls due is never taken for nothing because it could not be looked at', async () => {
  let broken = true;
  const k = kept((kind) => (kind === 'due' && broken ? new Error('gone') : undefined));
  await k.keeper.done();
  expect(k.due.has(winch!.id, 1, 0)).toBe(false);
  broken = false;
  await jest.advanceTimersByTimeAsync(MINUTE);
  await k.keeper.done();
  expect(k.due.has(winch!.id, 1, 0)).toBe(true);
});

it('what was changed while it was judged is judged again; ended, nothing is written', async () => {
  const k = kept(() => undefined);
  await k.keeper.done();
  k.store.save({ ...winch!, name: 'Again' }, 1);
  await k.keeper.done();
  expect(k.verdict()).toMatchObject({ state: 'fails' });
  expect(k.store.versions(winch!.id)).toHaveLength(2);
  k.keeper.end();
  k.store.save({ ...winch!, name: 'Once more' }, 2);
  await k.keeper.done();
  expect(k.verdict()).toBeNull();
});
