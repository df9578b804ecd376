import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { spreadRulesOf, USUAL_SPREAD } from '@core/job/spread-rules';
import { onSolidBed, testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { RestsCard } from './rests-card';

let fixture: ComponentFixture<RestsCard>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const rules = () => spreadRulesOf(desk.job()!);
const text = () => host().textContent!.replace(/\s+/g, ' ');

function show(change: (j: Job) => Job = (j) => j): void {
  desk = provideDesk(testJob({ fz: 2000 }, change));
  fixture = TestBed.createComponent(RestsCard);
  fixture.detectChanges();
}
const input = (label: string) =>
  [...host().querySelectorAll('label')].find((l) => l.textContent!.includes(label))!.querySelector('input')!;
function write(label: string, value: string): void {
  input(label).value = value;
  input(label).dispatchEvent(new Event('change'));
  fixture.detectChanges();
}
const alert = () => host().querySelector('[role=alert]')?.textContent ?? '';
const pick = (label: string, value: string) => {
  const field = fixture.debugElement.queryAll((d) => d.name === 'ms-pick').find((d) => d.componentInstance.label() === label)!;
  field.componentInstance.changed.emit(value);
  fixture.detectChanges();
};

it('a job that says nothing shows what it is solved with, and changing one leaves the others', () => {
  show();
  expect(desk.job()!.spread).toBeUndefined();
  pick('Aft bearer', 'clamped');
  expect(rules()).toEqual({ ...USUAL_SPREAD, edges: { ...USUAL_SPREAD.edges, aft: 'clamped' } });
  pick('Base', 'rigid');
  expect(rules()).toMatchObject({ base: 'rigid', edges: { aft: 'clamped', fore: 'simple' } });
  expect(desk.did).toEqual(['aft bearer: clamped', 'spread: rigid']);
});

it.each([
  ['In the skin’s plane', 'sliding', { inPlane: 'sliding' }],
  ['Preload', 'as tightened', { preload: 'as tightened' }],
  ['Membrane action', 'never', { membrane: 'never' }],
  ['Friction', 'counted', { friction: 'counted' }],
  ['Pulls and stresses', 'solver', { checks: 'solver' }],
])('%s: %s', (label, value, expected) => {
  show();
  pick(label, value);
  expect(rules()).toEqual({ ...USUAL_SPREAD, ...expected });
});

describe('what is written as numbers', () => {
  it.each([
    ['3 × 40 × 6', { count: 3, height: 40, thickness: 6, along: 'x' }],
    ['2x25,5x5', { count: 2, height: 25.5, thickness: 5, along: 'x' }],
    [' 4 * 60 * 8 ', { count: 4, height: 60, thickness: 8, along: 'x' }],
  ])('ribs "%s"', (typed, ribs) => {
    show();
    write('Ribs on the base', typed);
    expect(rules().ribs).toEqual(ribs);
    expect(alert()).toBe('');
  });

  it('ribs can be turned, keep their way when written anew, and are taken off by an empty field', () => {
    show();
    write('Ribs on the base', '3 × 40 × 6');
    pick('Ribs run', 'y');
    expect(rules().ribs!.along).toBe('y');
    write('Ribs on the base', '2 × 40 × 6');
    expect(rules().ribs).toEqual({ count: 2, height: 40, thickness: 6, along: 'y' });
    write('Ribs on the base', '');
    expect(rules().ribs).toBeUndefined();
    expect(text()).not.toContain('Ribs run');
  });

  it('a taper as width and part left', () => {
    show();
    write('edge thinned', '30 × 0,33');
    expect(rules().taper).toEqual({ width: 30, to: 0.33 });
    expect(input('edge thinned').value).toBe('30 × 0.33');
    write('edge thinned', '');
    expect(rules().taper).toBeUndefined();
  });

  it.each([
    ['Ribs on the base', '0 × 40 × 6', 'Ribs: allowed 1 to 20'],
    ['Ribs on the base', '3 × 40', 'Rib thickness: allowed 1 to 50 mm'],
    ['Ribs on the base', '3 × 40 × 6 × 9', 'Ribs: number × height × thickness, mm'],
    ['Ribs on the base', 'many', 'Ribs: allowed 1 to 20'],
    ['edge thinned', '30', 'Taper: allowed 0.1 to 1 of the thickness'],
    ['edge thinned', '30 × 0.3 × 2', 'Taper: width, mm × part of the thickness left'],
    ['Each bolt', 'stiff', 'Bolt stiffness: allowed 1 to'],
    ['Bedding between plates', '0', 'Bedding stiffness: allowed 0.001 to'],
    ['Bearers', '-3', 'Bearer stiffness: allowed 0.001 to'],
  ])('%s "%s" is refused by name and range; what was typed stays, the job does not change', (label, typed, words) => {
    show();
    write(label, typed);
    expect(alert()).toContain(words);
    expect(alert()).toContain(`“${typed}”`);
    expect(input(label).getAttribute('aria-invalid')).toBe('true');
    expect(desk.did).toEqual([]);
    write(label, '');
    expect(alert()).toBe('');
  });

  it('springs given outright, one by one, and taken back', () => {
    show();
    write('Each bolt', '120000');
    write('Bearers', '55,5');
    expect(rules().given).toEqual({ bolt: 120_000, bearer: 55.5 });
    write('Each bolt', '');
    expect(rules().given).toEqual({ bearer: 55.5 });
  });
});

it('a solid bed has no bearers to ask about', () => {
  show(onSolidBed);
  expect(text()).not.toContain('Aft bearer');
  expect(text()).toContain('Ribs on the base');
});
