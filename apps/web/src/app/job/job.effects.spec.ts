import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { oneFoot } from '@core/job/at-foot';
import type { WholeJob } from '@core/job/whole-job';
import { testJob } from '@core/testing/test-job';
import { Live } from '../live/live';
import { MemoryOutbox } from '../testing/memory-outbox';
import { OutboxStore } from './outbox-store';
import { JobEffects } from './job.effects';
import { jobActions, jobFeature, mergeOf, type JobState } from './job.state';

const job = oneFoot(testJob());
const named = (name: string): WholeJob => ({ ...job, name });
const at = `/api/jobs/${job.id}`;
let store: Store;
let http: HttpTestingController;
const state = (): JobState => TestBed.runInInjectionContext(() => store.selectSignal(jobFeature.selectJobState))();
const change = (name: string) => store.dispatch(jobActions.change({ job: named(name), did: name }));
/** The save asked for, once the keystroke is answered. */
const put = () => {
  jest.advanceTimersByTime(30);
  return http.expectOne({ method: 'PUT', url: at });
};
const current = (j: WholeJob, version: number) => ({ job: j, version, archived: false, updatedAt: '' });

/** What waits for a promise is answered. */
const turn = () => jest.advanceTimersByTimeAsync(1);

beforeEach(async () => {
  jest.useFakeTimers();
  sessionStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      provideStore(),
      provideState(jobFeature),
      provideEffects(JobEffects),
      { provide: OutboxStore, useClass: MemoryOutbox },
    ],
  });
  store = TestBed.inject(Store);
  http = TestBed.inject(HttpTestingController);
  store.dispatch(jobActions.open({ id: job.id }));
  await turn();
  http.expectOne(at).flush(current(job, 1));
});
afterEach(() => {
  http.verify();
  jest.useRealTimers();
});

it('opens a job', () => expect(state()).toMatchObject({ status: 'ready', version: 1, save: 'saved' }));

it('says when there is no such job, and when the server does not answer', async () => {
  store.dispatch(jobActions.open({ id: 'none' }));
  await turn();
  http.expectOne('/api/jobs/none').flush({ title: 'There is no such job' }, { status: 404, statusText: 'Not Found' });
  expect(state().status).toBe('missing');
  store.dispatch(jobActions.open({ id: 'none' }));
  await turn();
  http.expectOne('/api/jobs/none').error(new ProgressEvent('error'));
  expect(state()).toMatchObject({ status: 'failed', message: 'The server does not answer.' });
});

it('saves a change over the version it rests on', () => {
  change('One');
  const request = put();
  expect(request.request.headers.get('If-Match')).toBe('"1"');
  expect(request.request.body.name).toBe('One');
  request.flush({ version: 2 });
  expect(state()).toMatchObject({ save: 'saved', version: 2 });
});

it('one save at a time: what changed meanwhile goes next, the newest only, over the new version', () => {
  change('One');
  const first = put();
  change('Two');
  change('Three');
  http.expectNone(at);
  first.flush({ version: 2 });
  const second = put();
  expect(second.request.headers.get('If-Match')).toBe('"2"');
  expect(second.request.body.name).toBe('Three');
  second.flush({ version: 3 });
  expect(state()).toMatchObject({ save: 'saved', version: 3 });
});

it('two changes in one breath are one save, not two that would clash with each other', () => {
  change('One');
  change('Two');
  jest.advanceTimersByTime(30);
  const requests = http.match({ method: 'PUT', url: at });
  expect(requests).toHaveLength(1);
  requests[0]!.flush({ version: 2 });
  jest.advanceTimersByTime(30);
  http.match({ method: 'PUT', url: at }).forEach((r) => r.flush({ version: 3 }));
  expect(state().save).toBe('saved');
  expect(state().base!.name).toBe('Two');
});

it('a drag under way is not saved until it is dropped', () => {
  store.dispatch(jobActions.drag({ job: named('Under way') }));
  http.expectNone(at);
  store.dispatch(jobActions.drop({ did: 'drag' }));
  put().flush({ version: 2 });
  expect(state().save).toBe('saved');
});

it('undo is saved too', () => {
  change('One');
  put().flush({ version: 2 });
  store.dispatch(jobActions.undo());
  const request = put();
  expect(request.request.body.name).toBe(job.name);
  request.flush({ version: 3 });
});

it('where the server is gone it says so and tries again by itself', () => {
  change('One');
  put().error(new ProgressEvent('error'));
  expect(state().save).toBe('offline');
  jest.advanceTimersByTime(3100);
  put().flush({ version: 2 });
  expect(state().save).toBe('saved');
});

it('a refused save says why and is not tried again by itself', () => {
  change('One');
  put().flush({ detail: 'name: too long — allowed: 1 to 80' }, { status: 422, statusText: 'Unprocessable' });
  expect(state()).toMatchObject({ save: 'refused', message: 'name: too long — allowed: 1 to 80' });
});

it('what another tab saved first and does not meet ours is taken in without asking, and ours sent over it; undo takes back ours alone', () => {
  change('Mine');
  put().flush({ current: current({ ...job, note: 'Theirs' }, 5) }, { status: 412, statusText: 'Precondition Failed' });
  expect(state()).toMatchObject({ save: 'waiting', clash: null, version: 5 });
  const request = put();
  expect(request.request.headers.get('If-Match')).toBe('"5"');
  expect(request.request.body).toMatchObject({ name: 'Mine', note: 'Theirs' });
  request.flush({ version: 6 });
  expect(state()).toMatchObject({ save: 'saved', version: 6 });
  expect(state().came).toBe('what was changed elsewhere came in');
  store.dispatch(jobActions.undo());
  expect(put().request.body).toMatchObject({ name: job.name, note: 'Theirs' });
});

it('what somebody else saved is theirs though this tab once had the same document: it is merged, not put over', () => {
  const theirs = (version: number, more: object) =>
    put().flush({ current: current({ ...job, ...more }, version) }, { status: 412, statusText: 'Precondition Failed' });
  change('A');
  theirs(2, { note: 'x' });
  theirs(3, {});
  // Somebody comes to the very document that stood here between the two: it was never sent to be theirs.
  theirs(4, { name: 'A', note: 'x' });
  expect(state()).toMatchObject({ save: 'saved', version: 4, settled: { name: 'A', note: 'x' } });
  http.expectNone(at);
});

it('sent again and again while the server is away, one document is kept as unheard once', () => {
  change('One');
  for (let n = 0; n < 4; n++) {
    put().error(new ProgressEvent('error'));
    jest.advanceTimersByTime(3100);
  }
  expect(state().unheard).toHaveLength(1);
  put().flush({ version: 2 });
  expect(state().unheard).toEqual([]);
});

it('while something is being dragged nothing is put under it: it is asked', () => {
  change('Mine');
  store.dispatch(jobActions.drag({ job: { ...state().settled!, note: 'dragged' } }));
  put().flush({ current: current({ ...job, note: 'Theirs' }, 5) }, { status: 412, statusText: 'Precondition Failed' });
  expect(state().save).toBe('conflict');
});

it('a save that would overwrite what another tab changed too becomes a clash; nothing is written until one is chosen', () => {
  change('Mine');
  const theirs = { ...job, name: 'Theirs', note: 'Theirs' };
  put().flush({ current: current(theirs, 5) }, { status: 412, statusText: 'Precondition Failed' });
  expect(state().save).toBe('conflict');
  expect(mergeOf(state(), state().clash!).job).toMatchObject({ name: 'Mine', note: 'Theirs' });
  change('Mine again');
  http.expectNone(at);
  store.dispatch(jobActions.takeMerge());
  const request = put();
  expect(request.request.headers.get('If-Match')).toBe('"5"');
  request.flush({ version: 6 });
  expect(state()).toMatchObject({ save: 'saved', version: 6 });
});

it('keeps the steps in the tab as they are made', () => {
  change('One');
  put().flush({ version: 2 });
  jest.advanceTimersByTime(30);
  const kept = JSON.parse(sessionStorage.getItem(`mast-shoe.history.${job.id}`)!);
  expect(kept).toMatchObject({ version: 2, settled: { name: 'One' } });
  expect(kept.past).toHaveLength(1);
});

const keptName = () => JSON.parse(sessionStorage.getItem(`mast-shoe.history.${job.id}`) ?? '{}').settled?.name as string;

it('keeps the steps before the save goes out, so that a page closed meanwhile knows the save for its own', () => {
  jest.advanceTimersByTime(30);
  change('One');
  jest.advanceTimersByTime(20);
  change('Two');
  jest.advanceTimersByTime(6);
  const request = http.expectOne({ method: 'PUT', url: at });
  expect(request.request.body.name).toBe('Two');
  expect(keptName()).toBe('Two');
  request.flush({ version: 2 });
});

it('a page that is left keeps its steps at once', () => {
  jest.advanceTimersByTime(30);
  change('One');
  expect(keptName()).not.toBe('One');
  window.dispatchEvent(new Event('pagehide'));
  expect(keptName()).toBe('One');
  put().flush({ version: 2 });
});

describe('what others save', () => {
  const saved = async (version: number, who = 'JF') => {
    TestBed.inject(Live)['savings'].next({ id: job.id, version, who });
    await jest.advanceTimersByTimeAsync(200);
  };
  it('comes in at once where nothing waits here, and is said', async () => {
    await saved(2);
    http.expectOne({ method: 'GET', url: at }).flush(current(named('Theirs'), 2));
    expect(state()).toMatchObject({ version: 2, save: 'saved', job: { name: 'Theirs' } });
    expect(state()).toMatchObject({ came: 'what JF changed came in', past: [] });
    // Until something is changed here.
    change('Mine');
    expect(put().request.headers.get('If-Match')).toBe('"2"');
    expect(state().came).toBe('');
  });
  it('our own, heard before its answer, is not fetched; nor what is of another job, or older', async () => {
    change('Mine');
    const mine = put();
    await saved(2);
    mine.flush({ version: 2 });
    await saved(2);
    await saved(1);
    TestBed.inject(Live)['savings'].next({ id: 'other', version: 9, who: '' });
    await jest.advanceTimersByTimeAsync(200);
    http.expectNone({ method: 'GET', url: at });
    expect(state()).toMatchObject({ version: 2, job: { name: 'Mine' } });
  });
  it('waits where something here is on its way: the two are merged as ever', async () => {
    change('Mine');
    const mine = put();
    await saved(2);
    http.expectNone({ method: 'GET', url: at });
    mine.flush({ current: current(named('Theirs'), 2) }, { status: 412, statusText: 'no' });
    expect(state()).toMatchObject({ save: 'conflict', job: { name: 'Mine' } });
  });
  it('a session that is over is no refusal: it is sent again', async () => {
    change('Mine');
    put().flush({}, { status: 401, statusText: 'no' });
    expect(state().save).toBe('offline');
    await jest.advanceTimersByTimeAsync(3100);
    put().flush({ version: 2 });
    expect(state().save).toBe('saved');
  });
});
