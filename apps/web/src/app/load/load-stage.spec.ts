import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { LoadStage } from './load-stage';

let fixture: ComponentFixture<LoadStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const button = (words: string) =>
  [...host().querySelectorAll('button')].find((b) => (b.getAttribute('aria-label') ?? b.textContent)!.includes(words))!;
const rows = () => [...host().querySelectorAll('tbody tr')].map((r) => r.textContent!.trim());

async function show(job: Job) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(LoadStage);
  await fixture.whenStable();
}

async function type(label: string, text: string) {
  const input = [...host().querySelectorAll('ms-quantity')].find((q) => q.textContent!.includes(label))!.querySelector('input')!;
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

it('without a load it asks for one', async () => {
  await show({ ...testJob(), loads: [] });
  expect(host().textContent).toContain('No load yet');
  button('Winch pull').click();
  await fixture.whenStable();
  expect(rows()).toHaveLength(3);
  expect(desk.job()!.loads[0]).toMatchObject({ kind: 'winch', pull: { from: 'assumed' } });
});

it('a winch shows its fan and its arithmetic, in the units people typed', async () => {
  await show({ ...testJob(), loads: [] });
  button('Winch pull').click();
  await fixture.whenStable();
  await type('Rated pull', '2000 lb');
  await type('Pull angle up', '30');
  expect(rows()).toHaveLength(6);
  expect(rows().find((r) => r.startsWith('Pull: ahead'))).toContain('8.90 kN');
  expect(host().querySelector('ms-steps')!.textContent).toContain('P·cos(β)·cos(θ)');
});

it('names the governing case in the list, once', async () => {
  await show(testJob());
  expect(host().querySelectorAll('.governs')).toHaveLength(1);
});

it('a force at a point shows what it turns into at the plate', async () => {
  await show(testJob({ fx: 1000, z: 200 }));
  expect(rows()[0]).toContain('1.00 kN');
  expect(rows()[0]).toContain('200 N·m');
  await type('at height', '0.3 m');
  expect(rows()[0]).toContain('300 N·m');
});

it('duplicates, renames and takes out, each undoable by name', async () => {
  await show(testJob());
  button('Duplicate Case L1').click();
  await fixture.whenStable();
  expect(desk.job()!.loads.map((l) => l.id)).toEqual(['L1', 'L2']);
  const name = host().querySelectorAll<HTMLInputElement>('article .name')[1]!;
  name.value = ' Other side ';
  name.dispatchEvent(new Event('change'));
  await fixture.whenStable();
  expect(desk.job()!.loads[1]!.name).toBe('Other side');
  button('Take out Other side').click();
  await fixture.whenStable();
  expect(desk.job()!.loads).toHaveLength(1);
  expect(desk.did).toEqual(['duplicate load', 'rename load', 'take out Other side']);
});

it('both schools are there with their reason; the job says which, and its factors', async () => {
  await show(testJob());
  const labels = () => [...host().querySelectorAll('.factor span')].map((s) => s.textContent);
  expect(labels()).toEqual(['Safety factor on break', 'Safety factor on yield']);
  (host().querySelector('mat-button-toggle[value=limit] button') as HTMLButtonElement).click();
  await fixture.whenStable();
  expect(desk.job()!.practice.school).toBe('limit');
  expect(labels()).toEqual(['γF on the load', 'γM0 on yield', 'γM2 on break']);
  expect(host().textContent).toContain('each doubt has its own factor');
});

it('a factor out of range is refused by name and range, and changes nothing', async () => {
  await show(testJob());
  const input = host().querySelector<HTMLInputElement>('.factor input')!;
  for (const bad of ['0.2', '', 'x', '99']) {
    input.value = bad;
    input.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(host().querySelector('[role=alert]')!.textContent).toContain('allowed: 1 to 20');
  }
  expect(desk.job()!.practice.onBreak).toBe(3);
  input.value = '3,5';
  input.dispatchEvent(new Event('change'));
  await fixture.whenStable();
  expect(desk.job()!.practice.onBreak).toBe(3.5);
  expect(host().querySelector('[role=alert]')).toBeNull();
});

it('says what decides for the family', async () => {
  await show({ ...testJob(), family: 'seat' });
  expect(host().querySelector('aside')!.textContent).toContain('UN R14');
});
