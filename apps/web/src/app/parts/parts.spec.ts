import { Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { evaluate } from '@core/chain/evaluate';
import type { FreePart } from '@core/job/free-part';
import { newPart } from '@core/job/part-edits';
import { Job } from '@core/job/schema';
import { partList } from '@core/shop/part-list';
import { strap } from '@core/reference/pinned-parts';
import { testJob } from '@core/testing/test-job';
import { PickField } from '../fields/pick-field';
import { LugCard } from '../layout/lug-card';
import { provideDesk, type TestDesk } from '../testing/desk';
import { PartCard } from './part-card';
import { PartSheet } from './part-sheet';
import { PartsDrawer } from './parts-drawer';

let desk: TestDesk;
let fixture: ComponentFixture<unknown>;
const host = () => fixture.nativeElement as HTMLElement;
const part = () => desk.job()!.parts![0]!;
const press = async (said: string) => {
  [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(said))!.click();
  await fixture.whenStable();
};
const pick = async (label: string, value: string) => {
  const all = fixture.debugElement.queryAll(By.directive(PickField)).map((d) => d.componentInstance as PickField);
  all.find((p) => p.label() === label)!.changed.emit(value);
  await fixture.whenStable();
};
const type = async (label: string, words: string) => {
  const input = [...host().querySelectorAll('ms-quantity')]
    .find((q) => q.querySelector('label')!.textContent === label)!
    .querySelector('input')!;
  input.value = words;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
};
async function show(card: Type<unknown>, job: Job, inputs: Record<string, unknown> = {}) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(card);
  for (const [key, value] of Object.entries(inputs)) fixture.componentRef.setInput(key, value);
  await fixture.whenStable();
}
const withParts = (...parts: FreePart[]): Job => testJob({ fx: 2000, fz: 1500 }, (j) => ({ ...j, parts }));

describe('the drawer', () => {
  it('has plate, backing and every part with mark, count, mass and stock, drawn to one scale', async () => {
    await show(PartsDrawer, withParts(strap()), { open: '' });
    const rows = [...host().querySelectorAll('li')].map((l) => l.textContent!.replace(/\s+/g, ' '));
    expect(rows).toHaveLength(3);
    expect(rows[2]).toMatch(/3 · Strap P1.*2 off.*0\.\d+ kg each.*flat bar 50 × 6 mm/);
    const wide = [...host().querySelectorAll('svg[msBlank]')].map((s) => Number(s.getAttribute('width')));
    // The plate is 230 long, the strap 250; a rim of 8 either side goes with the scale.
    expect(wide[2]! / wide[0]!).toBeCloseTo(266 / 246, 2);
  });
  it('opens one by its press', async () => {
    await show(PartsDrawer, withParts(strap()), { open: '' });
    const opened: string[] = [];
    (fixture.componentInstance as PartsDrawer).opened.subscribe((id) => opened.push(id));
    host().querySelector<HTMLButtonElement>('[aria-label="Open Strap P1"]')!.click();
    expect(opened).toEqual(['P1']);
  });
});

describe('one part', () => {
  it('is renamed, counted, made of another metal and bent by its fields; what it cannot be is said', async () => {
    await show(PartCard, withParts(newPart('flat bar', 'r', 'S275', 'mm')), { at: 'r' });
    await pick('How many', '4');
    await pick('It is a', 'bracket');
    await press('Bend');
    await type('Bend 1', '60');
    expect(part()).toMatchObject({
      count: 4,
      use: 'bracket',
      stock: { legs: [{}, {}], bends: [{ angle: { v: expect.closeTo(Math.PI / 3, 6) } }] },
    });
    await type('Leg 1, outside', '5');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('too short beside its bend');
    expect(Job.safeParse(desk.job()).success).toBe(true);
  });
  it('a bend is kerfed with a weld of half the thickness, and pressed again', async () => {
    await show(PartCard, withParts(newPart('flat bar', 'r', 'S275', 'mm')), { at: 'r' });
    await press('Bend');
    await pick('Made by', 'kerf');
    expect(part().stock).toMatchObject({ bends: [{ made: 'kerf', throat: { v: 3 } }] });
    await type('Its weld, throat a', '5');
    await pick('Made by', 'press');
    expect((part().stock as { bends: object[] }).bends[0]).not.toHaveProperty('throat');
  });
  it('its holes are added, slotted and given a purpose; it is then judged as an arm between two of them', async () => {
    await show(PartCard, withParts(newPart('flat bar', 'r', 'S275', 'mm')), { at: 'r' });
    await press('Hole');
    await press('Hole');
    const along = [...host().querySelectorAll('ms-quantity')].filter((q) => q.textContent!.includes('Along, from the middle'));
    expect(along).toHaveLength(2);
    await type('Along, from the middle', '-100');
    await press('Make it a slot');
    expect(part().holes[0]).toMatchObject({ x: -100, slot: { v: 18 } });
    const asked = () => evaluate(desk.job()!).links.find((l) => l.id === 'bracket')!;
    expect(asked().state).toBe('not needed');
    await pick('It carries as', 'arm');
    expect(part().works).toEqual({ as: 'arm', carries: { v: 1, text: '1', from: 'assumed' }, from: 'D1', to: 'D2' });
    await type('Part of the load on one', '0.5');
    expect(asked().state).not.toBe('not needed');
    await pick('It carries as', '');
    expect(part().works).toBeUndefined();
  });
  it('a wedge is asked its angle', async () => {
    await show(PartCard, withParts(newPart('plate', 'w', 'S235', 'mm')), { at: 'w' });
    await pick('It carries as', 'block');
    await type('Angle between its faces', '12');
    expect(part().works).toMatchObject({ as: 'block', angle: { v: expect.closeTo((12 * Math.PI) / 180, 6) } });
  });
  it('goes with its pin; taken out it is gone', async () => {
    await show(PartCard, withParts(strap()), { at: 'P1' });
    expect(host().textContent).toContain('a pin goes through it');
    expect(host().textContent).not.toContain('It carries as');
    await press('Take this part out');
    expect(desk.job()!.parts).toBeUndefined();
  });
});

it('a bent part has its flat with bend lines and its side view on its sheet', async () => {
  const bent = newPart('flat bar', 'r', 'S275', 'mm');
  const job = withParts({
    ...bent,
    stock: {
      form: 'flat bar',
      width: { v: 40, text: '40 mm', from: 'sheet' },
      thickness: { v: 6, text: '6 mm', from: 'sheet' },
      legs: [
        { v: 90, text: '90 mm', from: 'sheet' },
        { v: 120, text: '120 mm', from: 'sheet' },
      ],
      bends: [{ angle: { v: Math.PI / 2, text: '90°', from: 'sheet' }, radius: { v: 9, text: '9 mm', from: 'sheet' }, up: true }],
    },
  });
  const desked = provideDesk(job);
  const list = partList(desked.whole()!);
  if (!('parts' in list)) throw new Error('refused');
  fixture = TestBed.createComponent<unknown>(PartSheet);
  fixture.componentRef.setInput(
    'part',
    list.parts.find((p) => p.part.id === 'r')!,
  );
  fixture.componentRef.setInput('units', 'mm');
  await fixture.whenStable();
  expect([...host().querySelectorAll('[data-bend]')].map((l) => l.getAttribute('data-bend'))).toEqual([
    'starts',
    'middle',
    'ends',
  ]);
  expect(host().textContent).toMatch(/side/i);
});

it('an eye bolt is held to its rating, which is assumed until it is read off', async () => {
  await show(LugCard, testJob({ fz: 2000 }));
  await press('Eye bolt or shackle');
  expect(desk.job()!.rated).toMatchObject([{ id: 'R1', kind: 'eye bolt', wll: { v: 3400, from: 'assumed' }, axis: 'z' }]);
  const link = () => evaluate(desk.job()!).links.find((l) => l.id === 'rated-fitting')!;
  expect(link().utilisation).toBeCloseTo(2000 / 3400, 6);
  await pick('Its axis', 'x');
  expect(link().utilisation).toBeCloseTo(2000 / 1700, 6);
  await press('Take it out');
  expect(desk.job()!.rated).toBeUndefined();
});
