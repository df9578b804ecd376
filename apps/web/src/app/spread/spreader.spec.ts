import { TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { casesOf } from '@core/loads/cases';
import { freeLoad, plateThickness, testJob } from '@core/testing/test-job';
import { started } from '../testing/workers';
import { Comparer } from './comparer';
import { Spreader } from './spreader';

const at = (t: number, more: Partial<Job> = {}): Job => ({ ...testJob({ fz: 1500 }, plateThickness(t)), ...more });
const twoCases = (t: number) => {
  const job = at(t);
  return { ...job, loads: [...job.loads, freeLoad({ fz: -900 }, 'L2')] };
};
const worker = () => started.spreader.at(-1)!;
const asked = () => worker().waiting.map((m) => (m.kind === 'solve' ? `${m.mesh} ${m.job.plate.thickness.v}` : m.kind));
/** Each of the workers answers its oldest message. */
const allAnswer = () => started.spreader.forEach((w) => w.answer());
const send = (data: unknown) => worker().dispatchEvent(new MessageEvent('message', { data }));
const ticket = () => (worker().waiting.at(-1) as { ticket: number }).ticket;

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate', 'performance'] });
  started.spreader.length = 0;
});
afterEach(() => jest.useRealTimers());

describe('the stage’s own solver', () => {
  let spreader: Spreader;
  beforeEach(() => (spreader = TestBed.configureTestingModule({ providers: [Spreader] }).inject(Spreader)));
  /** Whether the answer is about the job wanted. */
  const current = () => spreader.answer() !== null && spreader.answer()!.job === spreader.wanted();

  it('a draft at once, the fine mesh when nothing has moved for a quarter of a second', () => {
    const job = at(8);
    spreader.follow(job, casesOf(job)[0]!.id);
    expect(asked()).toEqual(['draft 8']);
    expect(current()).toBe(false);
    worker().answer();
    expect(current()).toBe(true);
    expect(spreader.error()).toBeUndefined();
    jest.advanceTimersByTime(249);
    expect(asked()).toEqual([]);
    jest.advanceTimersByTime(1);
    expect(asked()).toEqual(['fine 8']);
    worker().answer();
    expect(spreader.answer()!.mesh).toBe('fine');
    // The stand-in solves a draft either way, so the two meshes agree; that there is a figure is the point.
    expect(spreader.error()).toBeCloseTo(0, 6);
  });

  it('a fine solve is given up after a minute, with how far it came; asked for by hand it goes on as long as it takes', () => {
    const job = at(8);
    spreader.follow(job, casesOf(job)[0]!.id);
    worker().answer();
    jest.advanceTimersByTime(250);
    send({ kind: 'progress', ticket: ticket(), done: 0, of: 1 });
    jest.advanceTimersByTime(59_999);
    expect(spreader.stopped()).toBe(false);
    jest.advanceTimersByTime(1);
    expect([spreader.stopped(), spreader.solving(), spreader.answer()!.mesh]).toEqual([true, null, 'draft']);
    expect(spreader.broken()).toContain('Stopped after 60 s on the fine mesh: 0 of 1 cases were solved, the rest was not.');
    spreader.refine('fine');
    jest.advanceTimersByTime(600_000);
    expect(spreader.stopped()).toBe(false);
    // What was given up is answered too, and dropped.
    while (worker().waiting.length > 0) worker().answer();
    expect(spreader.answer()!.mesh).toBe('fine');
  });

  it('a drag is never waited for: one draft under way, the newest job next, those between never asked', () => {
    for (const t of [6, 7, 8, 9, 10]) spreader.follow(at(t), '*');
    expect(asked()).toEqual(['draft 6']);
    worker().answer();
    expect(asked()).toEqual(['draft 10']);
    expect(current()).toBe(false);
    worker().answer();
    expect(current()).toBe(true);
    expect(spreader.answer()!.job.plate.thickness.v).toBe(10);
  });

  it('in a drag the picture follows a step behind and is not marked; left for longer than 0.3 s it is, until one that is near', () => {
    spreader.follow(at(6), '*');
    worker().answer();
    spreader.follow(at(7), '*');
    jest.advanceTimersByTime(100);
    spreader.follow(at(8), '*');
    jest.advanceTimersByTime(150);
    // 7 is answered, 0.15 s after it was left for 8: a new picture, younger than the old one.
    worker().answer();
    expect([current(), spreader.lagging()]).toEqual([false, false]);
    jest.advanceTimersByTime(149);
    expect(spreader.lagging()).toBe(false);
    jest.advanceTimersByTime(1);
    expect(spreader.lagging()).toBe(true);
    worker().answer();
    expect([current(), spreader.lagging()]).toEqual([true, false]);
    jest.advanceTimersByTime(249);
    expect(spreader.lagging()).toBe(false);
  });

  it('stopped with a picture of another layout, it is marked; without a picture there is nothing to mark', () => {
    spreader.follow(at(6), '*');
    jest.advanceTimersByTime(1000);
    expect(spreader.lagging()).toBe(false);
    worker().answer();
    spreader.follow(at(7), '*');
    spreader.stop();
    jest.advanceTimersByTime(300);
    expect(spreader.lagging()).toBe(true);
  });

  it('a change gives up the fine answer under way, and what it still says is not taken', () => {
    spreader.follow(at(8), '*');
    worker().answer();
    jest.advanceTimersByTime(300);
    const old = ticket();
    spreader.follow(at(9), '*');
    expect(asked()).toEqual(['fine 8', 'draft 9']);
    send({ kind: 'progress', ticket: old, key: 'fine', done: 3 });
    expect(spreader.solving()).toEqual({ mesh: 'draft', done: 0, of: 0 });
    send({ kind: 'progress', ticket: ticket(), key: 'draft', done: 0 });
    expect(spreader.solving()).toEqual({ mesh: 'draft', done: 0, of: 1 });
  });

  it('another case of the same answer is shown without solving anew; an answer that comes late for another case is passed over', () => {
    const job = twoCases(8);
    const [first, second] = casesOf(job).map((c) => c.id) as [string, string];
    spreader.follow(job, first);
    allAnswer();
    const before = spreader.answer()!.view;
    spreader.show(second);
    expect(asked()).toEqual(['show']);
    allAnswer();
    expect(spreader.answer()!.view!.caseId).toBe(second);
    expect(spreader.answer()!.view).not.toBe(before);
    spreader.show(first);
    spreader.show(second);
    allAnswer();
    expect(spreader.answer()!.view!.caseId).toBe(second);
    allAnswer();
    expect(spreader.answer()!.view!.caseId).toBe(second);
    // The same case again asks nothing.
    spreader.show(second);
    expect(asked()).toEqual([]);
  });

  it('another case of an answer whose solver died is solved again: never the old case under its name', () => {
    const job = twoCases(8);
    const [first, second] = casesOf(job).map((c) => c.id) as [string, string];
    spreader.follow(job, first);
    allAnswer();
    started.spreader[0]!.dispatchEvent(new Event('error'));
    spreader.show(second);
    expect(spreader.solving()).toMatchObject({ mesh: 'draft' });
    started.spreader.slice(-2).forEach((w) => w.answer());
    expect(spreader.answer()!.view!.caseId).toBe(second);
    expect(spreader.broken()).toBe('');
  });

  it('stopped, nothing comes by itself; it can be taken up again', () => {
    spreader.follow(at(8), '*');
    const old = ticket();
    spreader.stop();
    expect([spreader.stopped(), spreader.solving()]).toEqual([true, null]);
    expect(asked()).toEqual(['draft 8', 'stop']);
    send({ kind: 'stopped', ticket: old, key: 'draft' });
    jest.advanceTimersByTime(1000);
    expect(asked()).toEqual(['draft 8', 'stop']);
    spreader.refine('proof');
    expect(asked().at(-1)).toBe('proof 8');
    expect(spreader.stopped()).toBe(false);
  });

  it('stopped between a draft and its fine mesh, the fine mesh is not begun', () => {
    spreader.follow(at(8), '*');
    worker().answer();
    spreader.stop();
    jest.advanceTimersByTime(1000);
    expect(asked()).toEqual([]);
    expect(spreader.answer()!.mesh).toBe('draft');
  });

  it('a worker that dies is replaced and says so; one that fails in its work says why', () => {
    spreader.follow(at(8), '*');
    const dead = worker();
    dead.dispatchEvent(new Event('error'));
    expect(dead.terminated).toBe(true);
    expect(spreader.broken()).toContain('started again');
    spreader.refine('fine');
    expect(worker()).not.toBe(dead);
    expect(spreader.broken()).toBe('');
    send({ kind: 'broken', ticket: ticket(), key: 'fine', message: 'out of memory' });
    expect(spreader.broken()).toBe('out of memory');
    expect(spreader.solving()).toBeNull();
  });

  it('a refusal takes the picture away; the next good job brings one back', () => {
    spreader.follow(at(8), '*');
    worker().answer();
    spreader.follow(at(8, { loads: [] }), '*');
    worker().answer();
    expect(spreader.refusal()).toMatchObject({ field: 'loads' });
    expect(spreader.answer()).toBeNull();
    spreader.follow(at(9), '*');
    worker().answer();
    expect(spreader.refusal()).toBeNull();
    expect(spreader.answer()!.figures.cases).toHaveLength(1);
  });

  it('left behind, it takes its worker with it', () => {
    spreader.follow(at(8), '*');
    const own = worker();
    spreader.ngOnDestroy();
    expect(own.terminated).toBe(true);
  });
});

describe('two layouts compared', () => {
  let comparer: Comparer;
  beforeEach(() => (comparer = TestBed.configureTestingModule({ providers: [Comparer] }).inject(Comparer)));

  it('has no worker until it is asked; then one side after the other, each with its own key', () => {
    expect(started.spreader).toHaveLength(0);
    comparer.compare(at(8), at(12), '*');
    expect(worker().waiting).toMatchObject([{ key: 'here', mesh: 'fine' }]);
    worker().answer();
    expect(comparer.here()!.job.plate.thickness.v).toBe(8);
    expect(comparer.there()).toBeNull();
    expect(worker().waiting).toMatchObject([{ key: 'there', mesh: 'fine' }]);
    worker().answer();
    expect(comparer.there()!.job.plate.thickness.v).toBe(12);
    expect(comparer.solving()).toBeNull();
  });

  it('asked anew or cleared, both answers go, and a late one is not taken', () => {
    comparer.compare(at(8), at(12), '*');
    worker().answer();
    const late = ticket();
    comparer.clear();
    expect([comparer.here(), comparer.there(), comparer.solving()]).toEqual([null, null, null]);
    send({ kind: 'progress', ticket: late, key: 'there', done: 0 });
    expect(comparer.solving()).toBeNull();
  });

  it('a side that is refused is named, and the other is not asked', () => {
    comparer.compare(at(8), at(12, { loads: [] }), '*');
    worker().answer();
    worker().answer();
    expect(comparer.refusal()).toMatchObject({ side: 'there', field: 'loads' });
    comparer.compare(at(8, { loads: [] }), at(12), '*');
    worker().waiting.splice(0, worker().waiting.length - 1);
    worker().answer();
    expect(comparer.refusal()).toMatchObject({ side: 'here' });
    expect(worker().waiting).toEqual([]);
  });

  it('a worker that dies says so; the next comparison has a new one', () => {
    comparer.compare(at(8), at(12), '*');
    const dead = worker();
    dead.dispatchEvent(new Event('error'));
    expect(dead.terminated).toBe(true);
    expect(comparer.broken()).toContain('Compare again');
    comparer.compare(at(8), at(12), '*');
    expect(comparer.broken()).toBe('');
    expect(worker()).not.toBe(dead);
    comparer.ngOnDestroy();
    expect(worker().terminated).toBe(true);
  });

  it('tells how far it is, side by side', () => {
    comparer.compare(at(8), at(8, { plate: { ...at(8).plate, thickness: fromSheet(6, '6') } }), '*');
    send({ kind: 'progress', ticket: ticket(), key: 'here', done: 0 });
    expect(comparer.solving()).toEqual({ side: 'here', done: 0, of: 1 });
  });
});
