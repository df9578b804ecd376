import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { MakeStage } from './make-stage';

let fixture: ComponentFixture<MakeStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;

async function show(job: Job) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(MakeStage);
  await fixture.whenStable();
}

it('shows how many sheets it takes on each paper', async () => {
  await show(testJob());
  const sheets = () => host().querySelectorAll('.over rect').length;
  const words = () => Number(host().querySelector('.bar .note')!.textContent!.trim().split(' ')[0]);
  expect(sheets()).toBe(words());
  (host().querySelector('mat-button-toggle[value=letter] button') as HTMLButtonElement).click();
  await fixture.whenStable();
  expect(sheets()).toBe(words());
  expect(host().querySelector<HTMLAnchorElement>('.downloads a')!.getAttribute('href')).toContain('paper=letter');
});

it('lists the holes from the corner a square is laid on', async () => {
  await show(testJob());
  const rows = [...host().querySelectorAll('tbody tr')].map((r) => [...r.querySelectorAll('td')].map((d) => d.textContent));
  expect(rows[0]).toEqual(['B1', '205 mm', '185 mm', '11 mm', 'M10 8.8', 'stack-drill with backing plate']);
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
