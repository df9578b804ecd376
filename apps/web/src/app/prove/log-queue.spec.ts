import 'fake-indexeddb/auto';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { Entry } from '@core/prove/log-entry';
import { testId } from '@core/testing/log-lines';
import { LogQueue } from './log-queue';
import { LogQueueStore } from './log-queue-store';

globalThis.structuredClone ??= (v: unknown) => v as never;

const entry = (n: number, body: Entry['body'] = { kind: 'note', did: 'fitted', text: `n${n}` }): Entry => ({
  id: testId(n),
  at: '2026-05-02T10:00:00.000Z',
  by: 'AM',
  version: 1,
  about: {},
  body,
});
const line = (e: Entry, seq = 1) => ({ seq, prev: '', hash: 'h', received: e.at, entry: e });

let queue: LogQueue;
let http: HttpTestingController;
const settle = async () => {
  for (let i = 0; i < 12; i++) await new Promise((r) => setTimeout(r, 2));
};
const waiting = () => queue.queued().map((q) => q.entry.id);
const posted = () => http.expectOne({ method: 'POST', url: '/api/jobs/t/log' });

/** A page comes up over the same browser’s database. */
async function page(): Promise<void> {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  queue = TestBed.inject(LogQueue);
  http = TestBed.inject(HttpTestingController);
  await settle();
}

beforeEach(async () => {
  // Another file of this environment may have left its own.
  Object.defineProperty(navigator, 'locks', { configurable: true, value: undefined });
  indexedDB = new IDBFactory();
  await page();
});

it('an entry is kept before it is sent, and taken out when the server has it; the rest follow in their order', async () => {
  await queue.add('t', entry(1));
  await queue.add('t', entry(2));
  await settle();
  const first = posted();
  expect(first.request.body).toEqual({ entries: [entry(1)] });
  const heard: string[] = [];
  queue.arrived.subscribe(({ lines }) => heard.push(lines[0]!.entry.id));
  first.flush({ lines: [line(entry(1))] });
  await settle();
  expect(waiting()).toEqual([testId(2)]);
  posted().flush({ lines: [line(entry(2), 2)] });
  await settle();
  expect(waiting()).toEqual([]);
  expect(heard).toEqual([testId(1), testId(2)]);
});

it('without an answer it stays, through a reload and a page that died, and goes again with the same id', async () => {
  await queue.add('t', entry(1));
  await settle();
  posted().error(new ProgressEvent('error'));
  await settle();
  expect(queue.away()).toBe(true);
  await queue.add('t', entry(2));
  await page();
  expect(waiting()).toEqual([testId(1), testId(2)]);
  const again = posted();
  expect(again.request.body.entries[0].id).toBe(testId(1));
  again.flush({ lines: [line(entry(1))] });
  await settle();
  posted().flush({ lines: [line(entry(2), 2)] });
  await settle();
  expect(queue.away()).toBe(false);
  await page();
  expect(waiting()).toEqual([]);
  http.verify();
});

it('what the server refuses is kept with its reason, holds nothing else up, and can be given up', async () => {
  await queue.add('t', entry(1));
  await queue.add('t', entry(2));
  await settle();
  posted().flush({ detail: 'version: 9 is not there yet — allowed: up to 1' }, { status: 422, statusText: 'no' });
  await settle();
  expect(queue.queued()[0]).toMatchObject({ state: 'refused', message: expect.stringContaining('allowed: up to 1') });
  posted().flush({ lines: [line(entry(2))] });
  await settle();
  await page();
  expect(queue.queued()).toMatchObject([{ state: 'refused' }]);
  http.verify();
  await queue.giveUp(queue.queued()[0]!.n);
  await page();
  expect(waiting()).toEqual([]);
});

it('a photograph goes first, and the entry names it by what is in it', async () => {
  const none = '0'.repeat(64);
  await queue.add('t', entry(1, { kind: 'photo', sha256: none, bytes: 1, caption: 'B2' }), new Blob(['x']));
  await settle();
  http.expectOne({ method: 'POST', url: '/api/jobs/t/photos' }).flush({ sha256: 'a'.repeat(64), bytes: 77 });
  await settle();
  const sent = posted();
  expect(sent.request.body.entries[0].body).toEqual({ kind: 'photo', sha256: 'a'.repeat(64), bytes: 77, caption: 'B2' });
  sent.flush({ lines: [line(entry(1))] });
  await settle();
  await queue.add(
    't',
    entry(2, { kind: 'inspected', task: 'look', name: 'Look', found: 'finding', text: 'rust' }),
    new Blob(['x']),
  );
  await settle();
  http.expectOne({ method: 'POST', url: '/api/jobs/t/photos' }).flush({ sha256: 'b'.repeat(64), bytes: 77 });
  await settle();
  expect(posted().request.body.entries[0].body).toMatchObject({ photo: 'b'.repeat(64), found: 'finding' });
});

it('without a database of the browser’s own they are in the page alone, and it says so', async () => {
  TestBed.resetTestingModule();
  const broken = {
    all: () => Promise.reject(new Error('no')),
    add: () => Promise.reject(new Error('no')),
    drop: () => Promise.reject(new Error('no')),
  };
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), { provide: LogQueueStore, useValue: broken }],
  });
  queue = TestBed.inject(LogQueue);
  http = TestBed.inject(HttpTestingController);
  await settle();
  await queue.add('t', entry(1));
  expect(queue.unkept()).toBe(true);
  await settle();
  posted().flush({ lines: [line(entry(1))] });
  await settle();
  expect(waiting()).toEqual([]);
});
