import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { Title } from '@angular/platform-browser';
import { provideRouter } from '@angular/router';
import { oneFoot } from '@core/job/at-foot';
import { testJob } from '@core/testing/test-job';
import { HistoryPage } from './history-page';

const job = { ...oneFoot(testJob()), id: 'a', name: 'Winch' };
const verdict = {
  state: 'fails',
  weakest: 'Bolt shear',
  utilisation: 1.3,
  caseName: 'Case L1',
  by: 'hand',
  foot: '',
  says: 'does not hold',
  goodFor: 0.77,
};
const version = (n: number, more = {}) => ({
  version: n,
  savedAt: `2026-03-1${n}T10:00:00.000Z`,
  who: 'AM',
  did: `step ${n}`,
  verdict: null,
  ...more,
});

let fixture: ComponentFixture<HistoryPage>;
let http: HttpTestingController;
const host = () => fixture.nativeElement as HTMLElement;
const settle = async () => {
  await new Promise((done) => setTimeout(done));
  await fixture.whenStable();
};
const rows = () =>
  [...host().querySelectorAll('tbody tr')].map((r) =>
    [...r.querySelectorAll('td')]
      .map((c) => c.textContent!.replace(/\s+/g, ' ').trim())
      .filter(Boolean)
      .join(' '),
  );

async function shows(at = 3) {
  http.expectOne('/api/jobs/a/versions').flush({
    versions: [version(3), version(2, { verdict, who: '' }), version(1, { did: '' })].slice(3 - at),
    deeds: [{ at: '2026-03-12T12:00:00.000Z', who: 'JF', did: 'archived' }],
  });
  await settle();
  http.expectOne('/api/jobs/a').flush({ job, version: at, archived: false, updatedAt: '' });
  await settle();
  for (const links of http.match('/api/jobs/a/links')) links.flush([]);
  await settle();
}

beforeEach(async () => {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  fixture = TestBed.createComponent(HistoryPage);
  fixture.componentRef.setInput('id', 'a');
  http = TestBed.inject(HttpTestingController);
  await fixture.whenStable();
});
afterEach(() => http.verify());

it('says what was done, when, by whom, and the verdict then; what else was done stands between', async () => {
  expect(host().textContent).toContain('Fetching the history');
  await shows();
  expect(rows()[0]).toMatch(/^3, now 2026-03-13 10:00 step 3 AM being judged$/);
  expect(rows()[1]).toBe('2026-03-12 12:00 archived JF');
  expect(rows()[2]).toMatch(/^2 2026-03-12 10:00 step 2 – does not hold good for 0.77 × load\s*Bolt shear, Case L1/);
  expect(rows()[3]).toContain('put on the rack');
  expect(TestBed.inject(Title).getTitle()).toBe('History of Winch · Mast Shoe');
  const compare = host().querySelector('tbody a')!;
  expect(compare.getAttribute('href')).toBe('/compare?a=a&av=2&b=a');
});

it('brings a version back as a new one over what is there', async () => {
  await shows();
  host().querySelector<HTMLButtonElement>('button[aria-label="Bring back version 1"]')!.click();
  const then = { ...job, note: 'as it was' };
  http.expectOne('/api/jobs/a/versions/1').flush({ job: then });
  await settle();
  const put = http.expectOne((r) => r.method === 'PUT');
  expect(put.request.headers.get('If-Match')).toBe('"3"');
  expect(put.request.headers.get('Did')).toBe('version%201%20brought%20back');
  expect(put.request.body).toEqual(then);
  put.flush({ version: 4 });
  await settle();
  await shows();
  expect(host().querySelector('[role=status]')!.textContent).toContain('Version 1 is back, as version 4.');
});

it('a save overtaken by another is said, and nothing is lost', async () => {
  await shows();
  host().querySelector<HTMLButtonElement>('button[aria-label="Bring back version 2"]')!.click();
  http.expectOne('/api/jobs/a/versions/2').flush({ job });
  await settle();
  http
    .expectOne((r) => r.method === 'PUT')
    .flush({ title: 'The job was changed elsewhere since it was read' }, { status: 412, statusText: 'no' });
  await settle();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('changed elsewhere');
});

it('a history that cannot be fetched can be asked for again', async () => {
  http.expectOne('/api/jobs/a/versions').error(new ProgressEvent('error'));
  await settle();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('does not answer');
  host().querySelector<HTMLButtonElement>('[role=alert] button')!.click();
  await shows(1);
  expect(rows()).toHaveLength(2);
});
