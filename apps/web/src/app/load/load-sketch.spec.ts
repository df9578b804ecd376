import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { casesOfLoad } from '@core/loads/cases';
import { newLoad } from '@core/loads/new-load';
import { BUILDERS } from '@core/loads/registry';
import { testJob } from '@core/testing/test-job';
import { fromSheet } from '@core/units/quantity';
import { provideDesk, type TestDesk } from '../testing/desk';
import { LoadSketch } from './load-sketch';

let fixture: ComponentFixture<LoadSketch>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const handle = (label: string) =>
  [...host().querySelectorAll('.handle')].find((h) => h.getAttribute('aria-label')!.startsWith(label))!;

async function show(job: Job) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(LoadSketch);
  await refresh();
}

async function refresh() {
  const job = desk.job()!;
  const cases = casesOfLoad(job.loads[0]!);
  const inputs = { job, load: job.loads[0], cases, open: cases[0]!.id };
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
}

const withLoad = (kind: string, units: Job['units'] = 'mm'): Job => ({ ...testJob(), units, loads: [newLoad(kind, 'L1')] });
const press = async (label: string, key: string, more: KeyboardEventInit = {}) => {
  handle(label).dispatchEvent(new KeyboardEvent('keydown', { key, ...more }));
  await refresh();
};

it.each(BUILDERS)('$kind: every handle has a name and its place, and takes the arrow keys', async (b) => {
  await show(withLoad(b.kind));
  const handles = [...host().querySelectorAll('.handle')];
  expect(handles.length).toBeGreaterThan(0);
  for (const h of handles) {
    expect(h.getAttribute('aria-label')).toMatch(/^.+ -?[\d.]+.*, drag or arrow keys$/);
    expect(h.getAttribute('tabindex')).toBe('0');
    h.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    h.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    await refresh();
  }
  expect(desk.did.length).toBeGreaterThanOrEqual(2);
});

it('a height steps a millimetre, ten with Shift; it stops at the end of its range', async () => {
  await show(withLoad('winch'));
  await press('line height', 'ArrowUp');
  expect(desk.job()!.loads[0]!.values['drumHeight']).toMatchObject({ v: 121, text: '121 mm', from: 'assumed' });
  await press('line height', 'ArrowDown', { shiftKey: true });
  expect(desk.job()!.loads[0]!.values['drumHeight']!.v).toBe(111);
  for (let i = 0; i < 15; i++) await press('line height', 'ArrowDown', { shiftKey: true });
  expect(desk.job()!.loads[0]!.values['drumHeight']!.v).toBe(0);
});

it('in an inch job it steps a sixteenth', async () => {
  await show(withLoad('winch', 'inch'));
  await press('line height', 'ArrowUp');
  const { v } = desk.job()!.loads[0]!.values['drumHeight']!;
  expect((v / 25.4) * 16).toBeCloseTo(Math.round((v / 25.4) * 16), 9);
});

it('what the take-off stands in for is not moved by its handle', async () => {
  const job = withLoad('cradle');
  const zero = fromSheet(0, '0');
  const part = {
    id: 'P1',
    name: 'Tank',
    kind: 'water',
    mass: fromSheet(40, '40 kg'),
    x: zero,
    y: zero,
    z: fromSheet(250, '250'),
  } as const;
  await show({ ...job, loads: [{ ...job.loads[0]!, parts: [part] }] });
  const before = desk.job()!.loads[0]!.values;
  await press('centre of mass', 'ArrowUp');
  expect(desk.job()!.loads[0]!.values).toEqual(before);
  // The centroid is drawn where the lines put it: 250 mm up is −250 on the screen.
  const marks = [...host().querySelectorAll('g[transform]')].map((g) => g.getAttribute('transform'));
  expect(marks).toContain('translate(0 -250)');
});

it('the open case’s arrow is drawn full, the others faint, each in the direction of its force', async () => {
  await show(withLoad('winch'));
  const groups = [...host().querySelectorAll('svg')[1]!.querySelectorAll('g[opacity]')];
  expect(groups.map((g) => g.getAttribute('opacity'))).toEqual(['0.28', '0.28', '1']);
  // The first case pulls 20° to starboard: down on the plan.
  const [, y0, , y1] = /M([\d.e-]+) ([\d.e-]+)L([\d.e-]+) ([\d.e-]+)/
    .exec(groups[2]!.querySelector('path')!.getAttribute('d')!)!
    .slice(1)
    .map(Number);
  expect(y1!).toBeGreaterThan(y0!);
});
