import type { Job } from '@core/job/schema';
import { casesOf } from '@core/loads/cases';
import { ENVELOPE } from '@core/spread/view';
import { freeLoad, testJob } from '@core/testing/test-job';
import { solvedAnswer } from '../testing/solved';
import { started } from '../testing/workers';
import { Solvers, type Heard } from './solvers';

const loads = (...fz: number[]): Job => ({
  ...testJob({ fz: fz[0]! }),
  loads: fz.map((f, i) => freeLoad({ fz: f, fx: 100 * i }, `L${i + 1}`)),
});
const three = loads(1500, -900, 2200);
const ids = casesOf(three).map((c) => c.id);

let heard: Heard[];
let solvers: Solvers;
const last = () => heard.at(-1);
const parts = () => started.spreader.map((w) => w.waiting.map((m) => (m.kind === 'solve' ? m.cases : m.kind)));
const solve = (job: Job, caseId: string, mesh: 'draft' | 'proof' = 'draft') => solvers.solve({ key: mesh, job, mesh, caseId });

beforeEach(() => {
  started.spreader.length = 0;
  heard = [];
  solvers = new Solvers((m) => heard.push(m));
});

it('two workers share the cases, every other one each, and always the same ones', () => {
  solve(three, ids[0]!);
  expect(parts()).toEqual([[[ids[0], ids[2]]], [[ids[1]]]]);
  solve(three, ids[0]!, 'proof');
  expect(parts()[0]![1]).toEqual([ids[0], ids[2]]);
  expect(started.spreader).toHaveLength(2);
});

it.each([
  ['the case one of them has', ids[1]!],
  ['another', ids[2]!],
  ['the largest of all', ENVELOPE],
])('put together it is what one worker alone would find: %s', (_, caseId) => {
  solve(three, caseId);
  started.spreader[1]!.answer();
  expect(last()).toEqual({ kind: 'progress', done: 1, of: 3 });
  started.spreader[0]!.answer();
  const { figures, view, beside } = solvedAnswer(three, caseId);
  const found = last() as Extract<Heard, { kind: 'solved' }>;
  expect(found.kind).toBe('solved');
  expect(found.figures.cases.map((c) => c.caseId)).toEqual(ids);
  // Started from other cases, contacts of no load may stand otherwise by a draft's care: 0.2 % of the load.
  found.figures.cases.forEach((c, i) => {
    const alone = figures.cases[i]!;
    if ('refused' in c || 'refused' in alone) throw new Error('solved by both');
    expect(c.deflection.value / alone.deflection.value).toBeCloseTo(1, 2);
  });
  expect(found.view!.caseId).toBe(view!.caseId);
  const most = (lift: Float32Array) => lift.reduce((m, v) => (Number.isNaN(v) ? m : Math.max(m, Math.abs(v))), 0);
  found.view!.layers.forEach((l, i) => expect(most(l.lift) / most(view!.layers[i]!.lift)).toBeCloseTo(1, 2));
  expect(found.beside.map((b) => b.what)).toEqual(beside.map((b) => b.what));
});

it('another case is asked of all, and shown when its owner has answered', () => {
  solve(three, ids[0]!);
  started.spreader.forEach((w) => w.answer());
  solvers.show('draft', ids[1]!);
  started.spreader[0]!.answer();
  expect(last()).toMatchObject({ kind: 'solved' });
  started.spreader[1]!.answer();
  expect(last()).toMatchObject({ kind: 'shown', key: 'draft', caseId: ids[1], view: { caseId: ids[1] } });
  solvers.show('draft', ENVELOPE);
  started.spreader.forEach((w) => w.answer());
  expect(last()).toMatchObject({ kind: 'shown', view: { caseId: ENVELOPE } });
});

it('a case of what was never solved, or was lost since, is told to be lost', () => {
  solvers.show('draft', ids[0]!);
  expect(heard).toEqual([{ kind: 'lost', key: 'draft', caseId: ids[0] }]);
  solve(three, ids[0]!);
  started.spreader.forEach((w) => w.answer());
  // Its next solve begun and given up, a worker has used up what it kept.
  solvers.show('draft', ids[1]!);
  started.spreader[1]!.dispatchEvent(new MessageEvent('message', { data: { kind: 'lost', key: 'draft', caseId: ids[1] } }));
  expect(last()).toEqual({ kind: 'lost', key: 'draft', caseId: ids[1] });
  started.spreader[0]!.answer();
  expect(last()).toMatchObject({ kind: 'lost' });
});

it('a solve with fewer cases stops those it has no part for; what they still say is not heard', () => {
  solve(three, ids[0]!);
  solve(loads(1500), ENVELOPE);
  expect(parts()[1]).toEqual([[ids[1]], 'stop']);
  started.spreader[1]!.answer();
  expect(heard).toEqual([]);
  started.spreader[0]!.answer();
  expect(heard).toEqual([]);
  started.spreader[0]!.answer();
  expect(last()).toMatchObject({ kind: 'solved', figures: { cases: [{ caseId: ids[0] }] } });
});

it('one part refused is the whole refused, once', () => {
  solve({ ...three, plate: { ...three.plate, x1: three.plate.x0 } }, ids[0]!);
  started.spreader[1]!.answer();
  expect(heard).toMatchObject([{ kind: 'refused', refusal: { field: 'plate' } }]);
  started.spreader[0]!.answer();
  expect(heard).toHaveLength(1);
});

it('a job without a case is refused by a worker like any other', () => {
  solve({ ...three, loads: [] }, ENVELOPE);
  started.spreader[0]!.answer();
  expect(heard).toMatchObject([{ kind: 'refused', refusal: { field: 'loads' } }]);
});

it('a worker that dies takes the others with it; the next solve starts new ones', () => {
  solve(three, ids[0]!);
  const [one, other] = started.spreader;
  other!.dispatchEvent(new Event('error'));
  expect(heard).toEqual([{ kind: 'died' }]);
  expect([one!.terminated, other!.terminated]).toEqual([true, true]);
  // Late words of the dead are not heard.
  one!.answer();
  one!.dispatchEvent(new Event('error'));
  expect(heard).toHaveLength(1);
  solve(three, ids[0]!);
  expect(started.spreader).toHaveLength(4);
});
