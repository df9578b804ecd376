import type { Job } from '@core/job/schema';
import { casesOf } from '@core/loads/cases';
import type { Progress } from '@core/spread/spread';
import { ENVELOPE } from '@core/spread/view';
import { freeLoad, plateThickness, testJob } from '@core/testing/test-job';
import { Spreading } from './spreading';

const job = testJob({ fz: 2000 }, (j) => ({ ...j, loads: [...j.loads, freeLoad({ fz: -2500, fx: 800, z: 100 }, 'L2')] }));
const [first, second] = casesOf(job).map((c) => c.id) as [string, string];

function run(
  s: Spreading,
  of: Job,
  only = [first, second],
): { told: Progress[]; refused: ReturnType<Spreading['show']> | object | undefined } {
  const told: Progress[] = [];
  const steps = s.solve(of, 'draft', only);
  for (;;) {
    const next = steps.next();
    if (next.done) return { told, refused: next.value };
    told.push(next.value);
  }
}

it('tells each case before it is solved, then shows any of them, or all at once', () => {
  const s = new Spreading();
  expect(s.show(first)).toBeUndefined();
  const { told, refused } = run(s, job);
  expect(refused).toBeUndefined();
  expect(told).toEqual([
    { done: 0, of: 2 },
    { done: 1, of: 2 },
  ]);
  for (const id of [first, second]) {
    const shown = s.show(id)!;
    expect(shown.view!.caseId).toBe(id);
    expect(shown.beside.length).toBeGreaterThan(0);
    expect(shown.figures.cases.map((c) => c.caseId)).toEqual([first, second]);
  }
  // A case that is not there, and all of them, show the largest of all; by hand there is none to stand beside that.
  for (const id of ['gone', ENVELOPE]) expect(s.show(id)).toMatchObject({ view: { caseId: ENVELOPE }, beside: [] });
});

it('solves the cases it is told; of another’s it has no fields, and of all the largest of its own', () => {
  const s = new Spreading();
  expect(run(s, job, [second]).told).toEqual([{ done: 0, of: 1 }]);
  expect(s.show(second)!.view!.caseId).toBe(second);
  expect(s.show(first)).toMatchObject({ view: undefined, beside: [] });
  expect(s.show(ENVELOPE)!.view).toEqual({ ...s.show(second)!.view!, caseId: ENVELOPE });
});

it('what cannot be computed is refused by field, and what was solved before is still shown', () => {
  const s = new Spreading();
  run(s, job);
  expect(run(s, { ...job, loads: [] }).refused).toMatchObject({ field: 'loads', allowed: 'at least one load' });
  expect(run(s, { ...job, plate: { ...job.plate, x1: job.plate.x0 } }).refused).toMatchObject({ refused: true, field: 'plate' });
  expect(s.show(first)!.figures.cases).toHaveLength(2);
});

it('stopped half way it starts anew, and the next answer is the same as one that was never stopped', () => {
  const s = new Spreading();
  run(s, job);
  const thick = plateThickness(14)(job);
  const steps = s.solve(thick, 'draft', [first, second]);
  steps.next();
  steps.return(undefined);
  expect(s.show(first)).toBeUndefined();
  run(s, thick);
  const fresh = new Spreading();
  run(fresh, thick);
  expect(s.show(second)!.figures).toEqual(fresh.show(second)!.figures);
});
