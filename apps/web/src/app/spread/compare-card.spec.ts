import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { casesOf } from '@core/loads/cases';
import { VARIANTS } from '@core/options/compare';
import { plateThickness, testJob } from '@core/testing/test-job';
import { solvedAnswer } from '../testing/solved';
import { started } from '../testing/workers';
import { CompareCard } from './compare-card';
import { Comparer } from './comparer';

const job = testJob({ fz: 4000, fx: 1500, z: 120 }, plateThickness(8));
const caseId = casesOf(job)[0]!.id;
const variant = (id: string) => VARIANTS.find((v) => v.id === id)!;

let fixture: ComponentFixture<CompareCard>;
let comparer: Comparer;
const host = () => fixture.nativeElement as HTMLElement;
const text = () => host().textContent!.replace(/\s+/g, ' ');
const button = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words));

function show(id: string, here: Job = job): void {
  started.spreader.length = 0;
  comparer = TestBed.configureTestingModule({ providers: [Comparer] }).inject(Comparer);
  fixture = TestBed.createComponent(CompareCard);
  const given = { job: here, variant: id, other: variant(id).apply(here), caseId, comparer };
  for (const [name, value] of Object.entries(given)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
}

it('says why people try it before anything is solved', () => {
  show('loose');
  expect(text()).toContain(variant('loose').look);
  expect(host().querySelector('table')).toBeNull();
});

it('a layout that is that already cannot be asked for', () => {
  show('backing');
  expect(button('Solve both')!.disabled).toBe(true);
});

it('two loose plates beside one: every figure of both, in words, and the law of t³', () => {
  show('loose');
  const other = variant('loose').apply(job)!;
  comparer.here.set(solvedAnswer(job));
  comparer.there.set(solvedAnswer(other));
  fixture.detectChanges();
  const rows = [...host().querySelectorAll('tr.words td')].map((t) => t.textContent!);
  expect(rows).toHaveLength(6);
  for (const words of rows) expect(words).toMatch(/the same|% (more|less)|times as much|nothing in either/);
  expect(text()).toContain('By itself the other plate is 4.0 times as soft: 2 × 4³ against 8³ mm³.');
  const taken = jest.fn();
  fixture.componentInstance.taken.subscribe(taken);
  button('Take the other layout')!.click();
  expect(taken).toHaveBeenCalledTimes(1);
});

it('no law of t³ where the plate is the same', () => {
  show('washers');
  comparer.here.set(solvedAnswer(job));
  comparer.there.set(solvedAnswer(variant('washers').apply(job)!));
  fixture.detectChanges();
  expect(host().querySelector('.law')).toBeNull();
  expect(host().querySelectorAll('tr.words').length).toBeGreaterThan(4);
});

it('solving says which side and which case, and can be stopped', () => {
  show('thicker');
  comparer.compare(job, variant('thicker').apply(job)!, caseId);
  fixture.detectChanges();
  expect(text()).toContain('Solving this layout');
  comparer.solving.set({ side: 'there', done: 1, of: 3 });
  fixture.detectChanges();
  expect(text()).toContain('Solving the other, case 2 of 3');
  button('Stop')!.click();
  fixture.detectChanges();
  expect(comparer.solving()).toBeNull();
  expect(button('Solve both')).toBeDefined();
});

it('a refusal names its side and what is allowed; a solver that stopped says nothing was changed', () => {
  show('thicker');
  comparer.refusal.set({ refused: true, side: 'there', field: 'x', because: 'too thick', allowed: 'up to 100 mm' });
  fixture.detectChanges();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('The other: too thick — allowed: up to 100 mm');
  comparer.refusal.set(null);
  comparer.broken.set('The solver stopped; nothing was changed. Compare again.');
  fixture.detectChanges();
  expect(host().querySelector('[role=alert]')!.textContent).toContain('nothing was changed');
});
