import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { provideRouter, Router } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { oneFoot } from '@core/job/at-foot';
import { fromSheet } from '@core/job/values';
import type { WholeJob } from '@core/job/whole-job';
import { testJob } from '@core/testing/test-job';
import { PickField } from '../fields/pick-field';
import { started } from '../testing/workers';
import { ComparePage } from './compare-page';

const job = (id: string, thickness: number): WholeJob => {
  const base = testJob({ fx: 3000, fz: 2000, z: 120 });
  const plate = { ...base.plate, thickness: fromSheet(thickness, `${thickness} mm`) };
  return { ...oneFoot({ ...base, plate }), id, name: `Job ${id}` };
};
const tag = (whole: WholeJob) => ({ id: whole.id, name: whole.name, unreadable: '' });
const [thin, thick] = [job('one', 8), job('two', 12)];
let http: HttpTestingController;
let harness: RouterTestingHarness;
const host = () => harness.routeNativeElement!;
/** Fetches are answered one after another. */
const soon = async () => {
  await new Promise((done) => setTimeout(done));
  await harness.fixture.whenStable();
};

async function open(address: string) {
  started.judge.length = 0;
  TestBed.configureTestingModule({
    providers: [provideRouter([{ path: 'compare', component: ComparePage }]), provideHttpClient(), provideHttpClientTesting()],
  });
  http = TestBed.inject(HttpTestingController);
  harness = await RouterTestingHarness.create(address);
  http.expectOne((r) => r.url === '/api/jobs').flush({ tags: [tag(thin), tag(thick)] });
  await soon();
}
async function give(id: string, whole: WholeJob, version?: number) {
  for (const r of http.match(`/api/jobs/${id}/versions`))
    r.flush({
      versions: [
        { version: 2, savedAt: '2026-03-14T10:00:00.000Z', did: 'thicker plate' },
        { version: 1, savedAt: '2026-03-13T10:00:00.000Z', did: '' },
      ],
      deeds: [],
    });
  await soon();
  const at = version === undefined ? `/api/jobs/${id}` : `/api/jobs/${id}/versions/${version}`;
  for (const r of http.match(at)) r.flush({ job: whole, version: 2 });
  await soon();
}
const judged = async () => {
  started.judge.at(-1)!.answer();
  await soon();
};

it('two jobs: what is written differently, and every link on both sides with what it moved', async () => {
  await open('/compare?a=one&b=two');
  await give('one', thin);
  await give('two', thick);
  expect(host().querySelector('mat-progress-bar')).not.toBeNull();
  await judged();
  expect([...host().querySelectorAll('.values tbody th')].map((t) => t.textContent)).toEqual(['Plate']);
  const bending = [...host().querySelectorAll('.links tbody tr')].find((r) => r.textContent!.includes('Plate bending'))!;
  const [left, right, moved] = [...bending.querySelectorAll('td')].map((t) => t.textContent!.trim());
  expect(Number(right)).toBeLessThan(Number(left));
  expect(moved).toBe(`−${(Number(left) - Number(right)).toFixed(2)}`);
  expect(host().querySelectorAll('svg[msPlate]')).toHaveLength(2);
});

it('with one job named, it stands beside itself; an earlier version is picked and put in the address', async () => {
  await open('/compare?a=one');
  await give('one', thin);
  await judged();
  expect(host().textContent).toContain('Nothing: both say the same.');
  const version = harness.fixture.debugElement
    .queryAll(By.directive(PickField))
    .map((d) => d.componentInstance as PickField)
    .filter((p) => p.label() === 'Version')[1]!;
  expect(version.choices().map((c) => c.label)).toEqual([
    'as it is now',
    '2, 2026-03-14 10:00, thicker plate',
    '1, 2026-03-13 10:00',
  ]);
  version.changed.emit('1');
  await soon();
  expect(TestBed.inject(Router).url).toBe('/compare?a=one&bv=1');
  await give('one', job('one', 6), 1);
  await judged();
  expect(host().textContent).toContain('6 mm');
});

it('a server that does not answer is said', async () => {
  await open('/compare?a=one');
  for (const r of http.match('/api/jobs/one/versions')) r.error(new ProgressEvent('error'));
  await soon();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('The server does not answer.');
});
