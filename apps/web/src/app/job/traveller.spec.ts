import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { evaluate } from '@core/chain/evaluate';
import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { USUAL_SPREAD } from '@core/job/spread-rules';
import { testJob } from '@core/testing/test-job';
import { provideDesk } from '../testing/desk';
import { Traveller } from './traveller';

async function show(job: Job) {
  provideDesk(job);
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  const fixture = TestBed.createComponent(Traveller);
  fixture.componentRef.setInput('verdict', evaluate(job));
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  const stage = (name: string) => [...host.querySelectorAll('li')].find((l) => l.querySelector('.name')!.textContent === name)!;
  return { host, line: (name: string) => stage(name).querySelector('.line')!.textContent!.trim(), stage };
}

it('has the stages that work, in the order the work is done', async () => {
  const { host } = await show(testJob());
  expect([...host.querySelectorAll('.name')].map((n) => n.textContent)).toEqual([
    'Load',
    'Measure',
    'Lay out',
    'Spread',
    'Choose',
    'Make',
    'Prove',
  ]);
});

it.each([
  ['hand', 'how it goes into the skin'],
  ['solver', 'checks as solved'],
] as const)('Spread says whose figures the checks judge: %s', async (checks, words) => {
  const { line } = await show(testJob({ fz: 900 }, (j) => ({ ...j, spread: { ...USUAL_SPREAD, checks } })));
  expect(line('Spread')).toBe(words);
});

it('each says its state in a line', async () => {
  const { line } = await show(testJob());
  expect(line('Load')).toBe('1 case');
  expect(line('Measure')).toBe('11 of 12 assumed');
  expect(line('Lay out')).toMatch(/^\d\.\d\d [a-z ,-]+$/);
  expect(line('Make')).toBe('rests on 11 assumed');
});

it('stamps what is complete, and only that', async () => {
  const { stage } = await show(testJob());
  expect(stage('Load').querySelector('.stamp')).not.toBeNull();
  expect(stage('Measure').querySelector('.stamp')).toBeNull();
});

it('a stage that rests on missing input says so and leads there', async () => {
  const { stage, line } = await show(newJob('a', 'A'));
  const rests = stage('Lay out').querySelector<HTMLAnchorElement>('.rests')!;
  expect(rests.textContent).toContain('rests on a load');
  expect(rests.getAttribute('href')).toBe('/load');
  // What it needs, not that it is refused.
  for (const s of ['Lay out', 'Spread', 'Choose', 'Make']) expect(line(s)).toBe('needs a load');
});

it('an overloaded job does not hold yet', async () => {
  const { line, stage } = await show(testJob({ fx: 9000, fz: 15_000, z: 100 }));
  expect(line('Make')).toBe('does not hold yet');
  expect(stage('Lay out').querySelector('.stamp')).toBeNull();
});

it('always says what decides', async () => {
  const { host } = await show({ ...testJob(), family: 'towing' });
  expect(host.querySelector('.decides')!.textContent).toContain('UN R55');
});
