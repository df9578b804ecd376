import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { newJob } from '@core/job/new-job';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { MeasureStage } from './measure-stage';

let fixture: ComponentFixture<MeasureStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const field = (label: string) =>
  [...host().querySelectorAll('ms-quantity')].find((q) => q.querySelector('label')!.textContent === label)!;
const listed = () => [...host().querySelectorAll('.picture li')].map((l) => l.textContent!.trim());

async function type(label: string, text: string) {
  const input = field(label).querySelector('input')!;
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(async () => {
  desk = provideDesk({ ...newJob('a', 'A'), loads: testJob().loads });
  fixture = TestBed.createComponent(MeasureStage);
  await fixture.whenStable();
});

it('lists what is still assumed, each with its value', () => {
  expect(host().querySelector('.picture h3')!.textContent).toBe('12 of 12 values assumed');
  expect(listed()).toContain('Skin thickness: 4 mm');
});

it('a measured value leaves the list and keeps its text', async () => {
  await type('Skin thickness', '10 ga');
  expect(desk.job()!.skin.thickness).toMatchObject({ text: '10 ga', from: 'measured' });
  expect(desk.job()!.skin.thickness.v).toBeCloseTo(3.4163, 4);
  expect(listed().some((l) => l.startsWith('Skin thickness'))).toBe(false);
});

it('another skin keeps what was measured of the panel, and assumes its own bed', async () => {
  await type('Clear span, fore and aft', '612');
  fixture.componentInstance['kind']('laminate');
  await fixture.whenStable();
  expect(desk.job()!.skin).toMatchObject({
    kind: 'laminate',
    spanX: { v: 612, from: 'measured' },
    bedModulus: { v: 8000, from: 'assumed' },
  });
  expect(field('Glass content by mass')).toBeDefined();
  fixture.componentInstance['kind']('plywood');
  await fixture.whenStable();
  expect(desk.job()!.skin).toMatchObject({ kind: 'plywood', grade: 'birch', bedModulus: { v: 500 } });
});

it('a moved base hole makes the pattern measured', async () => {
  const x = host().querySelector<HTMLInputElement>('.hole input')!;
  x.value = '46';
  x.dispatchEvent(new Event('input'));
  await fixture.whenStable();
  expect(desk.job()!.base.holes[0]).toEqual({ id: 'H1', x: 46, y: 35 });
  expect(desk.job()!.base.holesFrom).toBe('measured');
});

it('holes are added with a free name and taken out', async () => {
  [...host().querySelectorAll('button')].find((b) => b.textContent!.includes('Hole'))!.click();
  await fixture.whenStable();
  expect(desk.job()!.base.holes.at(-1)).toEqual({ id: 'H5', x: 0, y: 0 });
  host().querySelector<HTMLButtonElement>('button[aria-label="Take out base hole H2"]')!.click();
  await fixture.whenStable();
  expect(desk.job()!.base.holes.map((h) => h.id)).toEqual(['H1', 'H3', 'H4', 'H5']);
});

it('shows the plate over the skin between its bearers', () => {
  expect(host().querySelector('svg.plate-drawing')!.getAttribute('viewBox')).toBe('-264 -214 528 428');
});
