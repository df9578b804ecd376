import 'fake-indexeddb/auto';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { oneFoot } from '@core/job/at-foot';
import type { WholeJob } from '@core/job/whole-job';
import { testJob } from '@core/testing/test-job';
import { jobActions, jobFeature, type JobState } from './job.state';
import { Outbox } from './outbox';
import { OutboxStore, type Unsent } from './outbox-store';

globalThis.structuredClone ??= (v: unknown) => JSON.parse(JSON.stringify(v));

const job = (id: string, name = id): WholeJob => ({ ...oneFoot(testJob()), id, name });
const opened = (id: string): JobState =>
  jobFeature.reducer(
    undefined,
    jobActions.opened({ stored: { job: job(id), version: 1, archived: false, updatedAt: '' }, kept: null }),
  );
const changed = (id: string, name: string): JobState =>
  jobFeature.reducer(opened(id), jobActions.change({ job: job(id, name), did: name }));
const unsent = (id: string, tab: string, since = 1): Unsent => ({
  id,
  tab,
  since,
  base: job(id),
  version: 1,
  job: job(id, 'Left'),
  state: 'waiting',
  message: '',
});

let outbox: Outbox;
let http: HttpTestingController;
/** Whose locks are held: the tabs that live. */
let living: string[];
/** A few turns of the loop: what a database answers comes in its own time. */
const settle = async () => {
  for (let i = 0; i < 12; i++) await new Promise((r) => setTimeout(r, 2));
};
const waitFor = async (id: string) => {
  await settle();
  return http.expectOne({ method: 'PUT', url: `/api/jobs/${id}` });
};

/** A page comes up: with this tab's name as it was, or as another tab. */
async function page(): Promise<void> {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  outbox = TestBed.inject(Outbox);
  http = TestBed.inject(HttpTestingController);
  await settle();
}

beforeEach(async () => {
  living = [];
  const name = (lock: string) => lock.replace('mast-shoe.tab.', '');
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: {
      request: (lock: string, _how: object, then: (l: object | null) => unknown) => {
        const free = !living.includes(name(lock));
        if (free) living.push(name(lock));
        then(free ? {} : null);
        return Promise.resolve();
      },
      query: () => Promise.resolve({ held: living.map((t) => ({ name: `mast-shoe.tab.${t}` })) }),
    },
  });
  sessionStorage.clear();
  const store = new OutboxStore();
  for (const u of await store.all()) await store.drop(u.id, u.tab);
  await page();
});

it('what is unsaved is kept in the browser’s database, and taken out once the server has it', async () => {
  outbox.opening('a');
  outbox.keep(changed('a', 'One'));
  await settle();
  expect(await new OutboxStore().all()).toMatchObject([{ id: 'a', version: 1, job: { name: 'One' } }]);
  outbox.keep(opened('a'));
  await settle();
  expect(await new OutboxStore().all()).toEqual([]);
  http.verify();
});

it('a job that is left with changes is sent from here, over the version it rests on, and its answer is passed on', async () => {
  const heard: unknown[] = [];
  outbox.sent.subscribe((s) => heard.push([s.job.name, s.version]));
  outbox.opening('a');
  outbox.keep(changed('a', 'One'));
  outbox.opening('b');
  const put = await waitFor('a');
  expect(put.request.headers.get('If-Match')).toBe('"1"');
  put.flush({ version: 2 });
  await settle();
  expect(heard).toEqual([['One', 2]]);
  expect(outbox.unsent()).toEqual([]);
});

it('several are sent in the order in which they were left, each waiting for the one before', async () => {
  for (const id of ['a', 'b', 'c']) {
    outbox.opening(id);
    outbox.keep({ ...changed(id, 'Left') });
    await new Promise((r) => setTimeout(r, 3));
  }
  outbox.opening('d');
  for (const id of ['a', 'b', 'c']) {
    const put = await waitFor(id);
    http.expectNone((r) => r.method === 'PUT');
    put.flush({ version: 2 });
  }
  await settle();
  expect(outbox.unsent()).toEqual([]);
});

it('where the server does not answer they stay, and go when the machine is back on line', async () => {
  outbox.opening('a');
  outbox.keep(changed('a', 'One'));
  outbox.opening('b');
  (await waitFor('a')).error(new ProgressEvent('error'));
  await settle();
  expect(outbox.unsent()).toHaveLength(1);
  window.dispatchEvent(new Event('online'));
  (await waitFor('a')).flush({ version: 2 });
  await settle();
  expect(outbox.unsent()).toEqual([]);
});

it('one that was changed elsewhere too waits for somebody to look; one refused says why; neither holds up the rest', async () => {
  for (const id of ['a', 'b', 'c']) {
    outbox.opening(id);
    outbox.keep(changed(id, 'Left'));
    await new Promise((r) => setTimeout(r, 3));
  }
  outbox.opening('d');
  const current = { job: job('a', 'Theirs'), version: 7 };
  (await waitFor('a')).flush({ current }, { status: 412, statusText: 'Precondition Failed' });
  (await waitFor('b')).flush({ detail: 'name: too long' }, { status: 422, statusText: 'Unprocessable' });
  (await waitFor('c')).flush({ version: 2 });
  await settle();
  expect(outbox.unsent().map((u) => [u.id, u.state, u.message])).toEqual([
    ['a', 'clash', expect.any(String)],
    ['b', 'refused', 'name: too long'],
  ]);
});

it('our own save whose answer was lost is not a clash', async () => {
  outbox.opening('a');
  outbox.keep(changed('a', 'One'));
  outbox.opening('b');
  (await waitFor('a')).flush(
    { current: { job: job('a', 'One'), version: 2 } },
    { status: 412, statusText: 'Precondition Failed' },
  );
  await settle();
  expect(outbox.unsent()).toEqual([]);
});

it('after a reload, or from a tab that is gone, what was left is sent; a living tab’s is left alone', async () => {
  const store = new OutboxStore();
  await store.put(unsent('gone', 'tab that is gone', 1));
  await store.put(unsent('living', 'tab that lives', 2));
  living = ['tab that lives'];
  await page();
  expect(outbox.unsent().map((u) => u.id)).toEqual(['gone']);
  (await waitFor('gone')).flush({ version: 2 });
  await settle();
  expect((await store.all()).map((u) => u.id)).toEqual(['living']);
  http.verify();
});

it('a job opened with something left of it gets that back', async () => {
  await new OutboxStore().put(unsent('a', 'tab that is gone'));
  expect(await outbox.leftOf('a')).toMatchObject({ job: { name: 'Left' }, version: 1 });
  expect(await outbox.leftOf('b')).toBeUndefined();
});

it('leaving the page is warned of while anything is not on the server', () => {
  const leave = () => {
    const e = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(e);
    return e.defaultPrevented;
  };
  expect(leave()).toBe(false);
  outbox.opening('a');
  outbox.keep(changed('a', 'One'));
  expect(leave()).toBe(true);
  outbox.keep(opened('a'));
  expect(leave()).toBe(false);
});
