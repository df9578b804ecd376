import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import { atFoot, oneFoot } from '@core/job/at-foot';
import { addFoot, madeItsOwn } from '@core/job/feet-edits';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { plateThickness, testJob } from '@core/testing/test-job';
import { Desk } from './desk';
import { jobActions, jobFeature } from './job.state';

const job = testJob({ fz: 1000 }, plateThickness(8));
const thickness = (d: Desk) => d.job()!.plate.thickness.v;

let desk: Desk;
let store: Store;
beforeEach(() => {
  TestBed.configureTestingModule({ providers: [provideStore({ [jobFeature.name]: jobFeature.reducer }), Desk] });
  desk = TestBed.inject(Desk);
  store = TestBed.inject(Store);
});
const open = (whole: WholeJob = oneFoot(job)) =>
  store.dispatch(
    jobActions.opened({ stored: { job: whole, version: 1, archived: false, updatedAt: '2026-03-14T10:00:00Z' }, kept: null }),
  );

it('before a job is open nothing is changed, undone or redone', () => {
  desk.change('x', () => job);
  desk.undo();
  desk.redo();
  expect([desk.job(), desk.said(), desk.undoable()]).toEqual([null, '', '']);
});

it('a change is a step with a name; undo and redo say what they did', () => {
  open();
  desk.change('plate 10', plateThickness(10));
  desk.change('plate 12', plateThickness(12));
  expect([thickness(desk), desk.undoable(), desk.redoable()]).toEqual([12, 'plate 12', '']);
  desk.undo();
  expect([thickness(desk), desk.said(), desk.redoable()]).toEqual([10, 'Undone: plate 12', 'plate 12']);
  desk.redo();
  expect([thickness(desk), desk.said()]).toEqual([12, 'Done again: plate 12']);
});

it('a drag shows each place, always from where it began, and is one step when it is dropped', () => {
  open();
  const add = (j: Job): Job => plateThickness(j.plate.thickness.v + 1)(j);
  desk.drag(add);
  desk.drag(add);
  expect(thickness(desk)).toBe(9);
  expect(desk.undoable()).toBe('');
  desk.drop('thicker');
  expect(desk.undoable()).toBe('thicker');
  desk.undo();
  expect(thickness(desk)).toBe(8);
});

it('a drag that is given up leaves the job as it was, with nothing to undo', () => {
  open();
  desk.drag(plateThickness(20));
  desk.cancelDrag();
  expect([thickness(desk), desk.undoable()]).toEqual([8, '']);
});

it('typing in one field is one step until it is left', () => {
  open();
  for (const t of [1, 12, 125]) desk.change('thickness', plateThickness(t), 'plate.thickness');
  desk.leaveField();
  desk.change('thickness', plateThickness(13), 'plate.thickness');
  desk.undo();
  expect(thickness(desk)).toBe(125);
  desk.undo();
  expect(thickness(desk)).toBe(8);
});

it('a preview is shown in place of the job, and is not the job', () => {
  open();
  desk.preview.set(plateThickness(30)(job));
  expect(desk.shown()!.plate.thickness.v).toBe(30);
  expect(thickness(desk)).toBe(8);
  desk.preview.set(null);
  expect(desk.shown()).toBe(desk.job());
});

it.each([
  [1.234, 1.23],
  [-5, 0],
  [7, 3],
])('the crank turned to %d stands at %d: between nothing and three times the load', (to, at) => {
  desk.turn(to);
  expect([desk.crank(), desk.cranking(), desk.said()]).toEqual([at, true, `${at.toFixed(2)} times the load`]);
  desk.letGoOfCrank();
  expect([desk.crank(), desk.cranking()]).toEqual([1, false]);
});

describe('feet', () => {
  const pair = addFoot(oneFoot(job), 'F1', { x: 0, y: -300, z: 0 }, true, 'Starboard');
  const bolt = (foot: string) => atFoot(desk.whole()!, foot).bolts.items[0]!;
  it('a change at one is drawn at all made like it, in the other hand where they are mirrored; one undo for all', () => {
    open(pair);
    desk.takeFoot('F2');
    expect(desk.said()).toBe('Starboard in hand');
    const here = bolt('F2');
    desk.change('move bolt', (j) => ({
      ...j,
      bolts: { ...j.bolts, items: j.bolts.items.map((b, i) => (i === 0 ? { ...b, x: 77, y: -66 } : b)) },
    }));
    expect([bolt('F2').x, bolt('F2').y, bolt('F1').x, bolt('F1').y]).toEqual([77, -66, 77, 66]);
    desk.undo();
    expect(bolt('F2')).toEqual(here);
  });
  it('what was measured stays with its own foot, and one made its own is drawn by itself', () => {
    open(pair);
    desk.takeFoot('F2');
    desk.change('thinner skin', (j) => ({ ...j, skin: { ...j.skin, thickness: { v: 3, text: '3 mm', from: 'measured' } } }));
    expect(['F1', 'F2'].map((f) => atFoot(desk.whole()!, f).skin.thickness.v)).toEqual([8, 3]);
    desk.changeWhole('own', (w) => madeItsOwn(w, 'F2'));
    desk.change('plate 12', plateThickness(12));
    expect(['F1', 'F2'].map((f) => atFoot(desk.whole()!, f).plate.thickness.v)).toEqual([8, 12]);
  });
  it('a drag follows the foot in hand and always starts where it began', () => {
    open(pair);
    desk.takeFoot('F2');
    desk.drag(plateThickness(20));
    expect([desk.job()!.plate.thickness.v, bolt('F1').x]).toEqual([20, bolt('F1').x]);
    desk.cancelDrag();
    expect(thickness(desk)).toBe(8);
  });
});
