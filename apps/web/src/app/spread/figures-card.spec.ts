import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { USUAL_SPREAD } from '@core/job/spread-rules';
import { fromSheet } from '@core/job/values';
import { casesOf } from '@core/loads/cases';
import { ENVELOPE, figuresFor } from '@core/spread/view';
import { freeLoad, onSolidBed, testJob } from '@core/testing/test-job';
import { solvedAnswer } from '../testing/solved';
import { FiguresCard } from './figures-card';

let fixture: ComponentFixture<FiguresCard>;
const text = () => (fixture.nativeElement as HTMLElement).textContent!.replace(/\s+/g, ' ');

function show(job: Job, caseId = casesOf(job)[0]!.id) {
  const answer = solvedAnswer(job, caseId);
  fixture = TestBed.createComponent(FiguresCard);
  fixture.componentRef.setInput('answer', answer);
  fixture.componentRef.setInput('caseId', caseId);
  fixture.detectChanges();
  return figuresFor(answer.figures, caseId)!;
}
const PULL = { fz: 2000, fx: 3000, z: 120 };

it('says how far the skin gives, over its thickness, and every figure with what it is a mean of and where it was read', () => {
  const f = show(testJob(PULL, (j) => ({ ...j, far: { kind: 'washer' } })));
  expect(text()).toContain(`${f.deflection.value.toFixed(2)} mm`);
  expect(text()).toContain(`w/t ${f.overThickness.toFixed(2)}`);
  expect(text()).toMatch(/mean over one skin thickness beside it, at x -?\d+, y -?\d+/);
  expect(text()).toMatch(/mean over a washer’s width, at x -?\d+, y -?\d+/);
  expect(text()).toMatch(/Bearers ?aft [\d.]+ k?N (up|down), fore .* ?[\d.]+ k?N/);
  expect(text()).toMatch(/over 0.1 % is refused ?0\.0\d %/);
  expect(text()).not.toContain('Shear across the core');
  expect(text()).not.toContain('Behind the skin');
});

it('the hardest pulled bolt with its part of all the pull', () => {
  const f = show(testJob(PULL));
  const all = f.bolts.reduce((sum, b) => sum + b.tension, 0);
  const most = f.bolts.reduce((a, b) => (b.tension > a.tension ? b : a));
  expect(text()).toContain(`${Math.round((100 * most.tension) / all)} % of all bolts’ pull, prying in it`);
});

it('hand beside solved for one case; all cases together have no one hand figure', () => {
  const two = testJob(PULL, (j) => ({ ...j, loads: [...j.loads, freeLoad({ fz: -3000 }, 'L2')] }));
  show(two);
  expect(text()).toContain('By hand, and solved');
  show(two, ENVELOPE);
  expect(text()).not.toContain('By hand, and solved');
  expect(text()).toContain('Pick one case');
});

it('a thin sheet is said to pull like a cloth, with what bending alone would say; never left silent', () => {
  const thin = (j: Job): Job => ({ ...j, skin: { ...j.skin, thickness: fromSheet(1.5, '1.5 mm') } });
  const f = show(testJob(PULL, thin));
  expect(f.membrane).toBe(true);
  expect(text()).toContain(`Bending alone would say w/t ${f.linearOverThickness.toFixed(2)}`);
  expect(text()).toMatch(/Pull in the skin’s plane ?on the bearer that holds most of it ?[\d.]+ k?N/);
  show(testJob(PULL, (j) => ({ ...thin(j), spread: { ...USUAL_SPREAD, membrane: 'never' } })));
  expect(text()).toContain('bending alone overstates this');
});

it('a backing plate has a row of its own', () => {
  show(testJob(PULL));
  expect(text()).toMatch(/Behind the skin ?mean over a washer’s width/);
});

it('on a solid bed it is the plate that moves, and nothing is said of a skin', () => {
  show(testJob(PULL, onSolidBed));
  expect(text()).toContain('plate moves on its bed');
  expect(text()).toContain('Pressure on the bed');
  expect(text()).not.toMatch(/skin gives|Skin at the plate/);
});

it('in inches where the job is', () => {
  const f = show(testJob(PULL, (j) => ({ ...j, units: 'inch' })));
  expect(text()).toContain(`${(f.deflection.value / 25.4).toFixed(4)} in`);
  expect(text()).toMatch(/\d(\.\d+)? (ksi|psi)/);
});
