import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { PickField } from '../fields/pick-field';
import { provideDesk, type TestDesk } from '../testing/desk';
import { HoleCard } from './hole-card';
import { HolesCard } from './holes-card';
import { PlateHoleCard } from './plate-hole-card';

const mm = (v: number) => fromSheet(v, `${v} mm`);
let desk: TestDesk;
let fixture: ComponentFixture<unknown>;
const host = () => fixture.nativeElement as HTMLElement;
const press = async (said: string) => {
  [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(said))!.click();
  await fixture.whenStable();
};
const field = (label: string) =>
  [...host().querySelectorAll('ms-quantity')]
    .find((q) => q.querySelector('label')!.textContent === label)!
    .querySelector('input')!;
const type = async (label: string, words: string) => {
  const input = field(label);
  input.value = words;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
};
const pick = async (label: string, value: string) => {
  const fields = fixture.debugElement.queryAll(By.directive(PickField)).map((d) => d.componentInstance as PickField);
  fields.find((p) => p.label() === label)!.changed.emit(value);
  await fixture.whenStable();
};
const show = async (job: Job) => {
  desk = provideDesk(job);
  fixture = TestBed.createComponent<unknown>(HolesCard);
  await fixture.whenStable();
};
const bolts = () => desk.job()!.bolts.items;

it('bolts are set out as a ring of typed size in place of all, in one step', async () => {
  await show(testJob());
  await pick('Pattern', 'ring');
  await type('Pitch circle', '180');
  await press('In place of all');
  expect(bolts().map((b) => [b.x, b.y])).toEqual([
    [90, 0],
    [0, 90],
    [-90, 0],
    [0, -90],
  ]);
  expect(desk.did).toEqual(['bolts as a ring']);
});

it('a pattern that cannot be is said, and its buttons are off; along an edge it names the plate’s own', async () => {
  await show(testJob());
  await pick('Pattern', 'edge');
  await type('First and last from its ends', '120');
  expect(host().querySelector('[role=alert]')!.textContent).toContain('leaves nothing');
  expect([...host().querySelectorAll('button')].find((b) => b.textContent!.includes('Besides'))!.disabled).toBe(true);
  expect(
    fixture.debugElement.queryAll(By.directive(PickField)).map((d) => (d.componentInstance as PickField).choices()[0]!.label),
  ).toContain('starboard edge');
});

it('the picked bolt’s row is spaced evenly, and a row of two says so', async () => {
  const items = [-90, -20, 90].map((x, i) => ({ id: `B${i + 1}`, x, y: 0 }));
  await show({ ...testJob(), bolts: { ...testJob().bolts, items } });
  expect(host().textContent).toContain('Pick a bolt of the row');
  desk.picked.set({ kind: 'bolt', id: 'B2' });
  await fixture.whenStable();
  await press('3 in B2’s row fore and aft');
  expect(bolts()[1]!.x).toBe(0);
});

it('a hole of the plate’s own is added, picked and changed; an ear reaches to an old hole', async () => {
  const existing = [{ id: 'E1', x: 150, y: 40, d: mm(12), use: 'stay clear' as const }];
  await show({ ...testJob(), survey: { ...testJob().survey, existing } });
  await press('Hole');
  expect(desk.picked()).toEqual({ kind: 'hole', id: 'P1' });
  await press('E1, 12 mm wide');
  expect([bolts().length, desk.job()!.plate.outline!.corners.length]).toEqual([5, 8]);
  expect(desk.did).toEqual(['plate hole P1', 'reach to E1']);

  const card = TestBed.createComponent(PlateHoleCard);
  card.componentRef.setInput('at', 'P1');
  fixture = card;
  await fixture.whenStable();
  await type('Diameter', '10');
  await press('Make it a slot');
  await type('Slot long', '32');
  await type('Turned', '30');
  expect(desk.job()!.plate.holes![0]).toMatchObject({ d: { v: 10 }, slot: { v: 32 }, turn: expect.closeTo(Math.PI / 6, 6) });
  await press('Take it out');
  expect(desk.job()!.plate.holes).toBeUndefined();
});

it('a bolt has its hole layer by layer: a slot, a wider hole in the skin, and as its fit says again', async () => {
  desk = provideDesk(testJob());
  const card = TestBed.createComponent(HoleCard);
  card.componentRef.setInput('at', 'B1');
  fixture = card;
  await fixture.whenStable();
  await type('Skin', '13');
  await press('Make it a slot');
  await type('Plate, slot long', '30');
  await type('Turned, fore to port', '90');
  expect(bolts()[0]!.holes).toMatchObject({ skin: { v: 13 }, slot: { v: 30 }, turn: expect.closeTo(Math.PI / 2, 6) });
  await press('As its fit says');
  expect(bolts()[0]!.holes).toBeUndefined();
});
