import { oneFoot } from '@core/job/at-foot';
import { testJob } from '@core/testing/test-job';
import { jobActions, jobFeature } from './job.state';
import { keepHistory, keptHistory } from './kept-history';

const job = oneFoot(testJob());
const state = jobFeature.reducer(
  undefined,
  jobActions.opened({ stored: { job, version: 2, archived: false, updatedAt: '' }, kept: null }),
);
const changed = jobFeature.reducer(state, jobActions.change({ job: { ...job, name: 'Other' }, did: 'rename' }));

beforeEach(() => sessionStorage.clear());

it('keeps the document and its steps, and gives them back', () => {
  keepHistory(changed);
  expect(keptHistory(job.id)).toEqual({ version: 2, base: job, settled: changed.settled, past: changed.past, future: [] });
});

it('has nothing for a job never opened, or not ready yet', () => {
  expect(keptHistory('none')).toBeNull();
  keepHistory({ ...changed, status: 'loading' });
  expect(keptHistory(job.id)).toBeNull();
});

it('gives back nothing rather than something broken', () => {
  keepHistory(changed);
  const key = sessionStorage.key(0)!;
  sessionStorage.setItem(key, sessionStorage.getItem(key)!.slice(0, 300));
  expect(keptHistory(job.id)).toBeNull();
  keepHistory(changed);
  sessionStorage.setItem(key, sessionStorage.getItem(key)!.replace('"corner":12', '"corner":-12'));
  expect(keptHistory(job.id)).toBeNull();
});

it('when the storage is full the document stays and older steps go', () => {
  const long = { ...changed, past: [...changed.past, ...changed.past, ...changed.past, ...changed.past] };
  const put = jest.spyOn(Storage.prototype, 'setItem');
  put.mockImplementationOnce(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  keepHistory(long);
  put.mockRestore();
  const kept = keptHistory(job.id)!;
  expect(kept.settled).toEqual(changed.settled);
  expect(kept.past).toHaveLength(2);
});
