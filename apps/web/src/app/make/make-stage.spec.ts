import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { Judge } from '../job/judge';
import { provideDesk, type TestDesk } from '../testing/desk';
import { MakeStage } from './make-stage';

let fixture: ComponentFixture<MakeStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;

async function show(job: Job) {
  desk = provideDesk(job);
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  fixture = TestBed.createComponent(MakeStage);
  await fixture.whenStable();
}

it('shows how many sheets it takes on each paper', async () => {
  await show(testJob());
  const sheets = () => host().querySelectorAll('.over rect').length;
  const words = () => Number(host().querySelector('.bar .note')!.textContent!.trim().split(' ')[0]);
  expect(sheets()).toBe(words());
  (fixture.componentInstance as unknown as { setPaper(p: string): void }).setPaper('letter');
  await fixture.whenStable();
  expect(sheets()).toBe(words());
  const template = () => host().querySelector<HTMLAnchorElement>('a[href*="template.pdf"]')!.getAttribute('href');
  expect(template()).toContain('paper=letter');
  [...host().querySelectorAll('mat-button-toggle')]
    .find((t) => t.textContent!.includes('Other hand'))!
    .querySelector('button')!
    .click();
  await fixture.whenStable();
  expect(template()).toContain('hand=other');
});

it('has its sheets in the order of the bench, and a part pressed in the list is shown for its template', async () => {
  await show(testJob());
  const pick = async (id: string) => {
    host().querySelector<HTMLButtonElement>(`[data-sheet=${id}] button`)!.click();
    await fixture.whenStable();
  };
  expect([...host().querySelectorAll('.which mat-button-toggle')].map((t) => t.textContent!.trim())).toEqual([
    'Parts',
    'Template',
    'Sheets',
    'Bars',
    'Bend',
    'Drill',
    'Weld',
    'Bed',
    'Tighten',
    'Route',
    'Buy',
    'Shop',
  ]);
  await pick('drill');
  expect(host().querySelector('ms-drill-card')).not.toBeNull();
  await pick('tighten');
  expect(host().querySelector('ms-torque-sheet')).not.toBeNull();
  await pick('parts');
  [...host().querySelectorAll<HTMLButtonElement>('ms-parts-card td button')]
    .find((b) => b.textContent === 'backing plate')!
    .click();
  await fixture.whenStable();
  expect(host().querySelector<HTMLAnchorElement>('a[href*="template.pdf"]')!.getAttribute('href')).toContain('part=backing');
});

it('says whether it holds, by link and case, before anything is cut', async () => {
  await show(testJob());
  expect(host().querySelector('.verdict')!.textContent).toMatch(/The job holds: weakest \S.* \(\d\.\d\d\), Case L1\./);
  TestBed.resetTestingModule();
  await show(testJob({ fx: 9000, fz: 15_000, z: 100 }));
  expect(host().querySelector('.verdict.fails')!.textContent).toMatch(
    /The job does not hold: \S.* \(\d\.\d\d\), Case L1 lets go first\. Every sheet says so/,
  );
});

it('marks what is assumed, and always has the caution', async () => {
  await show(testJob());
  expect(host().textContent).toContain('Measure before cutting');
  expect(host().querySelectorAll('li.assumed-mark').length).toBeGreaterThan(5);
  expect([...host().querySelectorAll('.caution')].map((c) => c.textContent).join()).toContain('does not approve');
});

it('offers no sheets of a layout that cannot be made', async () => {
  await show({ ...testJob(), bolts: { ...testJob().bolts, items: [] } });
  expect(host().querySelector('.downloads')).toBeNull();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('there are no bolts');
});

it('says while the last change is still being saved', async () => {
  await show(testJob());
  expect(host().textContent).not.toContain('still being saved');
  desk.state.update((s) => ({ ...s, save: 'saving' }));
  await fixture.whenStable();
  expect(host().textContent).toContain('still being saved');
});

it('a bent plate is shown as its flat blank with the lines of its bend, and every part by itself', async () => {
  await show(
    testJob({}, (j) => ({
      ...j,
      plate: { ...j.plate, fold: { edge: 'fore', radius: fromSheet(10, '10 mm'), height: fromSheet(50, '50 mm') } },
    })),
  );
  expect([...host().querySelectorAll('[data-bend]')].map((l) => l.getAttribute('data-bend'))).toEqual([
    'starts',
    'middle',
    'ends',
  ]);
  expect(host().textContent).toContain('bend the fore edge up square');
  const links = () =>
    [...host().querySelectorAll<HTMLAnchorElement>('.downloads a[href*=part]')]
      .map((a) => a.getAttribute('href')!)
      .filter((h) => h.includes('part='));
  expect(links()).toContain('/api/jobs/t/plate.dxf?part=plate&with=words');
  (host().querySelector('[data-part=backing] button') as HTMLButtonElement).click();
  await fixture.whenStable();
  expect(links().slice(0, 3)).toEqual([
    '/api/jobs/t/template.pdf?paper=a4&part=backing',
    '/api/jobs/t/template.pdf?paper=a4&part=backing&as=stencil',
    '/api/jobs/t/plate.dxf?part=backing',
  ]);
  expect(host().querySelectorAll('[data-bend]')).toHaveLength(0);
});

it('the way numbers stand in the CSV is kept for the next job', async () => {
  localStorage.clear();
  await show(testJob());
  const lists = () =>
    [...host().querySelectorAll<HTMLAnchorElement>('.downloads a[href*=csv]')].map((a) =>
      a.getAttribute('href')!.split('/').at(-1),
    );
  const all = (way: string) => ['parts.csv', 'buy.csv', 'drill-list.csv'].map((name) => `${name}?numbers=${way}`);
  expect(lists()).toEqual(all('point'));
  fixture.componentInstance['setNumbers']('comma');
  await fixture.whenStable();
  expect(lists()).toEqual(all('comma'));
  TestBed.resetTestingModule();
  await show(testJob());
  expect(lists()).toEqual(all('comma'));
  localStorage.clear();
});

it('of several feet the one that does not hold is named, whatever the foot in hand does', async () => {
  await show(testJob());
  const judge = TestBed.inject(Judge) as unknown as { feet: { feet: { set(f: unknown[]): void } } };
  judge.feet.feet.set([
    { id: 'F1', name: 'Fore port', state: 'sound' },
    { id: 'F2', name: 'Aft starboard', state: 'refused' },
  ]);
  await fixture.whenStable();
  const verdict = host().querySelector('.verdict')!;
  expect(verdict.textContent).toContain('Aft starboard is not shown to hold. Every sheet says so.');
  expect(verdict.classList).toContain('fails');
});
