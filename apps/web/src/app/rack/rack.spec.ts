import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { fileOf } from '@core/testing/job-files';
import { testJob } from '@core/testing/test-job';
import { oneFoot } from '@core/job/at-foot';
import { MemoryOutbox } from '../testing/memory-outbox';
import { Outbox } from '../job/outbox';
import { OutboxStore } from '../job/outbox-store';
import type { RackPage, Tag, TagVerdict } from '../job/job-api';
import { backupWords } from './backup-words';
import { Rack } from './rack';

const VERDICT: TagVerdict = {
  state: 'sound',
  weakest: 'Bolt shear',
  utilisation: 0.5,
  caseName: 'Case L1',
  by: 'hand',
  foot: '',
  says: 'holds: weakest Bolt shear (0.50), Case L1',
  goodFor: 2,
};
const tag = (id: string, more: Partial<Tag> = {}): Tag => ({
  id,
  name: `Job ${id}`,
  family: 'winch',
  customer: '',
  aboard: '',
  note: '',
  version: 1,
  archived: false,
  binned: false,
  demo: false,
  updatedAt: '2026-03-14T10:00:00.000Z',
  unreadable: '',
  verdict: VERDICT,
  judged: 1,
  due: '',
  byUse: '',
  ...more,
});
const document = { ...oneFoot(testJob()), id: 'a', name: 'Job a' };

let fixture: ComponentFixture<Rack>;
let http: HttpTestingController;
const host = () => fixture.nativeElement as HTMLElement;
const button = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!;
const settle = async () => {
  await new Promise((done) => setTimeout(done));
  await fixture.whenStable();
};
const words = (selector: string) => host().querySelector(selector)?.textContent?.replace(/\s+/g, ' ').trim() ?? '';

const asked = () => http.expectOne((r) => r.method === 'GET' && r.url === '/api/jobs');
const page = (tags: readonly Tag[], more: Partial<RackPage> = {}): RackPage => ({
  today: '2026-11-28',
  tags,
  total: tags.length,
  counts: { rack: tags.length, archive: 0, bin: 0, demo: 0 },
  families: ['winch'],
  customers: ['Lake Sorrow'],
  aboard: [],
  waiting: 0,
  ...more,
});
async function list(tags: readonly Tag[], more: Partial<RackPage> = {}) {
  asked().flush(page(tags, more));
  await settle();
  for (const r of http.match((x) => x.url === '/api/jobs/drawn'))
    r.flush(
      Object.fromEntries(
        r.request.params
          .get('ids')!
          .split(',')
          .map((id) => [id, { version: 1, job: testJob() }]),
      ),
    );
  await settle();
}
/** Picks from a tag's menu. */
async function choose(item: string, nth = 0) {
  [...host().querySelectorAll<HTMLElement>('button[aria-label^="More for"]')][nth]!.click();
  await settle();
  const row = [...globalThis.document.querySelectorAll<HTMLElement>('.mat-mdc-menu-item')].find((b) =>
    b.textContent!.includes(item),
  );
  row!.click();
  await settle();
}

/** Gives the file input a file and waits until it has been read. */
async function bringIn(text: string) {
  const input = host().querySelector<HTMLInputElement>('input[type=file]')!;
  const file = { name: 'job.json', size: text.length, text: () => Promise.resolve(text) };
  Object.defineProperty(input, 'files', { value: [file], configurable: true });
  input.dispatchEvent(new Event('change'));
  await new Promise((resolve) => setTimeout(resolve, 20));
  await fixture.whenStable();
}

beforeEach(() => {
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      provideRouter([]),
      { provide: OutboxStore, useClass: MemoryOutbox },
    ],
  });
  fixture = TestBed.createComponent(Rack);
  http = TestBed.inject(HttpTestingController);
});
afterEach(() => {
  jest.useRealTimers();
  fixture.destroy();
  http.match('/api/backups');
  http.verify();
});

it('hangs a tag for each job: plate, name, state in words, weakest link and its case; the plate comes after', async () => {
  const fails = {
    ...VERDICT,
    state: 'fails',
    utilisation: 1.25,
    says: 'does not hold: Bolt shear (1.25), Case L1 lets go first',
    goodFor: 0,
  } as const;
  asked().flush(page([tag('a', { customer: 'Lake Sorrow', aboard: 'Launch Teal' }), tag('b', { verdict: fails })]));
  await settle();
  const tags = [...host().querySelectorAll('ms-tag')];
  expect(tags).toHaveLength(2);
  expect(tags[0]!.textContent).toMatch(
    /Job a.*Lake Sorrow · Launch Teal.*holds, by hand.*good for 2.00 × load.*weakest Bolt shear \(0.50\), Case L1/s,
  );
  expect(tags[1]!.textContent).toMatch(/does not hold, by hand.*good for 0\.0+ × load.*lets go first/s);
  expect(tags[0]!.querySelector('path.plate')).toBeNull();
  http.expectOne('/api/jobs/drawn?ids=a,b').flush({ a: { version: 1, job: testJob() } });
  await settle();
  expect(tags[0]!.querySelector('path.plate')).not.toBeNull();
});

it('a verdict of an older version is not shown as of this one; the rack looks again until it is there', async () => {
  jest.useFakeTimers();
  asked().flush(page([tag('a', { version: 2 })], { waiting: 1 }));
  await jest.advanceTimersByTimeAsync(0);
  await fixture.whenStable();
  http.expectOne('/api/jobs/drawn?ids=a').flush({});
  expect(words('ms-tag')).toMatch(/being judged\s*before it was changed: holds: weakest Bolt shear/);
  expect(words('ms-tag')).not.toContain('good for');
  expect(words('.found')).toBe('1 job, 1 being judged');
  await jest.advanceTimersByTimeAsync(1500);
  asked().flush(page([tag('a', { version: 2, judged: 2 })]));
  await jest.advanceTimersByTimeAsync(0);
  await fixture.whenStable();
  http.expectOne('/api/jobs/drawn?ids=a').flush({});
  expect(words('ms-tag')).toContain('holds, by hand good for 2.00 × load');
});

it('says when it is fetching, when it is empty, and when the server does not answer', async () => {
  await fixture.whenStable();
  expect(host().textContent).toContain('Fetching the rack');
  await list([]);
  expect(host().textContent).toContain('The rack is empty');
});

it('a failed fetch can be tried again', async () => {
  asked().error(new ProgressEvent('error'));
  await settle();
  expect(words('[role=alert]')).toContain('The server does not answer');
  button('Try again').click();
  await list([tag('a')]);
  expect(host().querySelector('[role=alert]')).toBeNull();
});

it('a new job says what it needs; a row that does not read says why, and its text can be had', async () => {
  const none = {
    ...VERDICT,
    state: 'refused',
    weakest: '',
    goodFor: null,
    says: 'needs a load: say on the Load stage',
  } as const;
  await list([tag('a', { verdict: none }), tag('lost', { name: 'Lost job', unreadable: 'file: it ends too early' })]);
  expect(host().querySelectorAll('ms-tag')).toHaveLength(1);
  expect(words('ms-tag')).toMatch(/not judged yet\s*needs a load/);
  expect(words('[role=alert]')).toMatch(/does not read: Lost job\. file: it ends too early/);
  expect(host().querySelector('[role=alert] a')!.getAttribute('href')).toBe('/api/jobs/lost/job.json');
});

it('says which job has a change that is not on the server, and what to do about it', async () => {
  await list([tag('a')]);
  const unsent = TestBed.inject(Outbox).unsent;
  const left = { id: 'a', job: document, version: 1, tab: '', base: document, since: 1, message: '' };
  unsent.set([{ ...left, state: 'waiting' }]);
  await fixture.whenStable();
  expect(words('.message[role=status]')).toMatch(/Job a.*not on the server yet/s);
  unsent.set([{ ...left, state: 'clash' }]);
  await fixture.whenStable();
  const link = host().querySelector('.message a')!;
  expect([link.textContent, link.getAttribute('href')]).toEqual(['open it', '/job/a/lay-out']);
});

describe('what hangs where, and how it is found', () => {
  it('archive and bin are places of their own', async () => {
    await list([tag('a')], { counts: { rack: 1, archive: 4, bin: 2, demo: 0 } });
    const places = [...host().querySelectorAll<HTMLElement>('ms-rack-filters mat-button-toggle button')];
    expect(places.map((p) => p.textContent!.trim())).toEqual(['Rack 1', 'Archive 4', 'Bin 2']);
    places[1]!.click();
    await settle();
    const request = asked();
    expect(request.request.params.get('in')).toBe('archive');
    request.flush(page([tag('b', { archived: true })]));
    await settle();
    http.expectOne('/api/jobs/drawn?ids=b').flush({});
    expect(words('ms-tag h3')).toBe('Job b');
  });
  it('is searched when the typing rests, the newest words only; nothing found says so', async () => {
    await list([tag('a')]);
    const field = host().querySelector<HTMLInputElement>('.search')!;
    for (const q of ['te', 'teal  ']) {
      field.value = q;
      field.dispatchEvent(new Event('input'));
    }
    await new Promise((done) => setTimeout(done, 250));
    const request = asked();
    expect(request.request.params.get('q')).toBe('teal');
    request.flush(page([]));
    await settle();
    expect(words('.empty')).toContain('Nothing here is like that');
    button('Show all').click();
    await list([tag('a')]);
    expect(field.value).toBe('');
  });
  it('more is fetched behind what is there, and no tag hangs twice', async () => {
    await list([tag('a'), tag('b')], { total: 4 });
    expect(words('.more')).toContain('2 more');
    button('Show more').click();
    await settle();
    const request = asked();
    expect(request.request.params.get('from')).toBe('2');
    request.flush(page([tag('b'), tag('c')], { total: 3 }));
    await settle();
    http.expectOne('/api/jobs/drawn?ids=c').flush({});
    expect([...host().querySelectorAll('h3')].map((h) => h.textContent!.trim())).toEqual(['Job a', 'Job b', 'Job c']);
  });
  it('says on the tag what falls due, and what is overdue since when; of what is not known yet nothing', async () => {
    asked().flush(
      page([
        tag('a', { due: '2026-11-27' }),
        tag('b', { due: '2026-11-28', byUse: '85 of 100 loads' }),
        tag('c', { due: null }),
        tag('e', { byUse: '900 of 1,000 miles' }),
        tag('d'),
      ]),
    );
    await settle();
    http.match((x) => x.url === '/api/jobs/drawn');
    const due = [...host().querySelectorAll('.tags li')].map((t) => t.querySelector('.due')?.textContent?.trim() ?? '');
    expect(due).toEqual([
      'overdue since 2026-11-27',
      'due 2026-11-28; due soon: 85 of 100 loads',
      '',
      'due soon: 900 of 1,000 miles',
      '',
    ]);
    expect(host().querySelectorAll('.due.over')).toHaveLength(1);
  });
  it('a table shows the same for many, and no figure of an older version', async () => {
    await list([tag('a', { customer: 'Lake Sorrow' }), tag('b', { version: 2 })]);
    (host().querySelector('mat-button-toggle[value=table] button') as HTMLButtonElement).click();
    await settle();
    expect(words('tbody tr')).toMatch(
      /Job a.*Lake Sorrow.*holds, by hand.*2.00 × load.*Bolt shear \(0.50\), Case L1.*2026-03-14 10:00/,
    );
    const older = host().querySelectorAll('tbody tr')[1]!;
    expect(older.querySelector('.number')!.textContent!.trim()).toBe('–');
    expect(older.textContent).toMatch(/being judged.*before it was changed/s);
  });
});

describe('what is done with a tag', () => {
  it('put in the bin it can be had back at once', async () => {
    await list([tag('a')]);
    await choose('Put in the bin');
    http.expectOne({ method: 'POST', url: '/api/jobs/a/bin' }).flush(null);
    await settle();
    await list([]);
    expect(words('.done')).toContain('Job a is in the bin.');
    button('Undo').click();
    http.expectOne({ method: 'POST', url: '/api/jobs/a/unbin' }).flush(null);
    await settle();
    await list([tag('a')]);
    expect(host().querySelectorAll('ms-tag')).toHaveLength(1);
  });
  it('is deleted for good only when that was said twice, and a refusal is shown', async () => {
    await list([tag('a', { binned: true })]);
    await choose('Delete for good');
    expect(words('[role=alertdialog]')).toMatch(/Delete Job a for good\?.*nothing brings them back/);
    button('Keep it').click();
    await settle();
    expect(host().querySelector('[role=alertdialog]')).toBeNull();
    await choose('Delete for good');
    button('Delete for good').click();
    http
      .expectOne({ method: 'DELETE', url: '/api/jobs/a' })
      .flush(
        { title: 'The job has a logbook', detail: 'what was written in a logbook is kept' },
        { status: 409, statusText: 'no' },
      );
    await settle();
    expect(words('[role=alert]')).toContain('what was written in a logbook is kept');
  });
  it('its name, customer and vessel are written over the version that was seen', async () => {
    await list([tag('a')]);
    await choose('Name, customer');
    const [name, customer, aboard] = [...host().querySelectorAll<HTMLInputElement>('.words input')];
    name!.value = ' ';
    host()
      .querySelector('form')!
      .dispatchEvent(new Event('submit', { cancelable: true }));
    await settle();
    expect(words('.words [role=alert]')).toContain('allowed: 1 to 80 characters');
    [name!.value, customer!.value, aboard!.value] = ['Winch', 'Lake Sorrow', 'Launch Teal'];
    host()
      .querySelector('form')!
      .dispatchEvent(new Event('submit', { cancelable: true }));
    await settle();
    http.expectOne('/api/jobs/a').flush({ job: document, version: 1, archived: false, updatedAt: '' });
    await settle();
    const put = http.expectOne((r) => r.method === 'PUT');
    expect(put.request.body).toEqual({ ...document, name: 'Winch', customer: 'Lake Sorrow', aboard: 'Launch Teal' });
    put.flush({ version: 2 });
    await settle();
    await list([tag('a', { name: 'Winch' })]);
  });
  it('a copy has an id and a name of its own', async () => {
    await list([tag('a')]);
    await choose('Copy');
    http.expectOne('/api/jobs/a').flush({ job: document, version: 1, archived: false, updatedAt: '' });
    await settle();
    const post = http.expectOne({ method: 'POST', url: '/api/jobs' });
    expect(post.request.body).toMatchObject({ name: 'Job a (copy)' });
    expect(post.request.body.id).not.toBe('a');
    post.flush({ version: 1 });
    await settle();
    await list([tag('a')]);
  });
});

describe('bringing in a file', () => {
  it('hangs it on the rack; with an id that is taken, here or in the bin, it gets one of its own', async () => {
    await list([tag('a')]);
    for (const [id, there] of [
      ['a', undefined],
      ['b', true],
      ['c', false],
    ] as const) {
      await bringIn(fileOf({ ...testJob(), id }));
      if (there === true) http.expectOne('/api/jobs/b').flush({ job: document, version: 1, archived: false, updatedAt: '' });
      if (there === false) http.expectOne('/api/jobs/c').flush({ title: 'no' }, { status: 404, statusText: 'no' });
      await settle();
      const post = http.expectOne({ method: 'POST', url: '/api/jobs' });
      expect(post.request.body.id === id).toBe(there === false);
      post.flush({ version: 1 });
      await settle();
      await list([tag('a')]);
    }
  });
  it('refuses by field and range, and asks nothing of the server', async () => {
    await list([tag('a')]);
    await bringIn(fileOf(testJob()).replace('"corner": 12', '"corner": -12'));
    expect(words('[role=alert]')).toContain('plate.corner: Corner radius — allowed: 0 up to 500 mm');
    expect(words('[role=alert]')).toContain('nothing on the rack was changed');
    http.expectNone('/api/jobs');
  });
});

describe('how the backups stand', () => {
  const now = new Date('2026-03-14T12:00:00Z');
  it.each([
    [null, null],
    [
      { last: '', many: 0, failed: '' },
      { says: 'No backup yet.', bad: true },
    ],
    [
      { last: '2026-03-14T02:00:00Z', many: 3, failed: '' },
      { says: 'Last backup 2026-03-14 02:00 UTC, 3 kept.', bad: false },
    ],
    [
      { last: '2026-03-11T02:00:00Z', many: 3, failed: '' },
      { says: 'Last backup 2026-03-11 02:00 UTC, 3 kept.', bad: true },
    ],
    [
      { last: '2026-03-14T02:00:00Z', many: 3, failed: 'ENOSPC' },
      { says: 'Last backup 2026-03-14 02:00 UTC, 3 kept. The last try failed: ENOSPC.', bad: true },
    ],
  ])('%j', (state, said) => {
    asked();
    expect(backupWords(state, now)).toEqual(said);
  });
});
