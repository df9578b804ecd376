import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { fileOf } from '@core/testing/job-files';
import { testJob } from '@core/testing/test-job';
import { oneFoot } from '@core/job/at-foot';
import { MemoryOutbox } from '../testing/memory-outbox';
import { Outbox } from '../job/outbox';
import { OutboxStore } from '../job/outbox-store';
import type { Tag, UnreadableTag } from '../job/job-api';
import { Rack } from './rack';

const tag = (id: string, more: Partial<Tag> = {}): Tag => ({
  job: { ...oneFoot(testJob()), id, name: `Job ${id}` },
  version: 1,
  archived: false,
  updatedAt: '2026-03-14T10:00:00.000Z',
  verdict: {
    state: 'sound',
    weakest: 'Bolt shear',
    utilisation: 0.5,
    caseName: 'Case L1',
    by: 'hand',
    foot: '',
    says: 'holds: weakest Bolt shear (0.50), Case L1',
    goodFor: 2,
  },
  ...more,
});

let fixture: ComponentFixture<Rack>;
let http: HttpTestingController;
const host = () => fixture.nativeElement as HTMLElement;
const button = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!;

async function list(...tags: (Tag | UnreadableTag)[]) {
  http.expectOne('/api/jobs').flush(tags);
  await fixture.whenStable();
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
afterEach(() => http.verify());

it('hangs a tag for each job: plate, name, state in words, weakest link and its case', async () => {
  await list(
    tag('a'),
    tag('b', {
      verdict: {
        ...tag('b').verdict,
        state: 'fails',
        utilisation: 1.25,
        says: 'does not hold: Bolt shear (1.25), Case L1 lets go first',
        goodFor: 0.8,
      },
    }),
  );
  const tags = [...host().querySelectorAll('.tags li')];
  expect(tags).toHaveLength(2);
  expect(tags[0]!.textContent).toMatch(/Job a.*holds, by hand.*good for 2.00 × load.*weakest Bolt shear \(0.50\), Case L1/s);
  expect(tags[1]!.textContent).toMatch(/does not hold, by hand.*good for 0.80 × load.*lets go first/s);
  expect(tags[0]!.querySelector('path.plate')).not.toBeNull();
});

it('says when it is fetching, when it is empty, and when the server does not answer', async () => {
  await fixture.whenStable();
  expect(host().textContent).toContain('Fetching the rack');
  await list();
  expect(host().textContent).toContain('The rack is empty');
  TestBed.resetTestingModule();
});

it('a failed fetch can be tried again', async () => {
  http.expectOne('/api/jobs').error(new ProgressEvent('error'));
  await fixture.whenStable();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('The server does not answer');
  button('Try again').click();
  await list(tag('a'));
  expect(host().querySelector('[role=alert]')).toBeNull();
});

it('a new job says what it needs; a row that does not read says why, and its text can be had', async () => {
  const none = {
    ...tag('a').verdict,
    state: 'refused' as const,
    weakest: '',
    goodFor: null,
    says: 'needs a load: say on the Load stage',
  };
  const lost = { id: 'lost', version: 3, archived: false, updatedAt: '', unreadable: 'file: it ends too early' };
  await list(tag('a', { verdict: none }), lost);
  expect(host().querySelectorAll('.tags li')).toHaveLength(1);
  expect(host().querySelector('.tags li')!.textContent).toMatch(/not judged yet\s*needs a load/);
  const alert = host().querySelector('[role=alert]')!;
  expect(alert.textContent).toMatch(/does not read: lost\. file: it ends too early/);
  expect(alert.querySelector('a')!.getAttribute('href')).toBe('/api/jobs/lost/job.json');
});

it('says which job has a change that is not on the server, and what to do about it', async () => {
  await list(tag('a'));
  const unsent = TestBed.inject(Outbox).unsent;
  const left = { ...tag('a'), id: 'a', tab: '', base: tag('a').job, since: 1, message: '' };
  unsent.set([{ ...left, state: 'waiting' }]);
  await fixture.whenStable();
  expect(host().querySelector('.message[role=status]')!.textContent).toMatch(/Job a.*not on the server yet/s);
  unsent.set([{ ...left, state: 'clash' }]);
  await fixture.whenStable();
  const link = host().querySelector('.message a')!;
  expect([link.textContent, link.getAttribute('href')]).toEqual(['open it', '/job/a/lay-out']);
});

it('archived jobs hang in the archive', async () => {
  await list(tag('a'), tag('b', { archived: true }));
  expect(host().querySelectorAll('.tags li')).toHaveLength(1);
  button('Archive (1)').click();
  await fixture.whenStable();
  expect(host().querySelector('.tags h3')!.textContent).toBe('Job b');
});

it('a table shows the same for many', async () => {
  await list(tag('a'));
  (host().querySelector('mat-button-toggle[value=table] button') as HTMLButtonElement).click();
  await fixture.whenStable();
  expect(host().querySelector('tbody tr')!.textContent).toMatch(
    /Job a.*holds, by hand.*2.00 × load.*Bolt shear \(0.50\), Case L1.*2026-03-14 10:00/,
  );
});

it('a new job is whole, goes to the server, and opens on Load', async () => {
  await list(tag('a'));
  const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  button('New job').click();
  const request = http.expectOne({ method: 'POST', url: '/api/jobs' });
  expect(request.request.body).toMatchObject({ format: 'mast-shoe/job', name: 'New job' });
  request.flush({ version: 1 });
  expect(go).toHaveBeenCalledWith(['/job', request.request.body.id, 'load']);
});

describe('bringing in a file', () => {
  it('hangs it on the rack; with an id that is taken it gets one of its own', async () => {
    await list(tag('a'));
    await bringIn(fileOf({ ...testJob(), id: 'a' }));
    const request = http.expectOne({ method: 'POST', url: '/api/jobs' });
    expect(request.request.body.id).not.toBe('a');
    request.flush({ version: 1 });
    await list(tag('a'), tag('c'));
    expect(host().querySelectorAll('.tags li')).toHaveLength(2);
  });
  it('refuses by field and range, and asks nothing of the server', async () => {
    await list(tag('a'));
    await bringIn(fileOf(testJob()).replace('"corner": 12', '"corner": -12'));
    expect(host().querySelector('[role=alert]')!.textContent).toContain('plate.corner: Corner radius — allowed: 0 up to 500 mm');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('nothing on the rack was changed');
    http.expectNone('/api/jobs');
  });
});
