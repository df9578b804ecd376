import type { Action } from '@ngrx/store';
import { atFoot, oneFoot, putAtFoot } from '@core/job/at-foot';
import type { WholeJob } from '@core/job/whole-job';
import { testJob } from '@core/testing/test-job';
import type { StoredJob } from './job-api';
import { jobActions, jobFeature, mergeOf, type JobState, type KeptHistory } from './job.state';

const job = oneFoot(testJob());
const firstBolt = (j: WholeJob) => atFoot(j, 'F1').bolts.items[0]!;
const stored = (j: WholeJob = job, version = 3): StoredJob => ({
  job: j,
  version,
  archived: false,
  updatedAt: '2026-03-14T10:00:00Z',
});
const named = (name: string): WholeJob => ({ ...job, name });
const bolted = (x: number): WholeJob => {
  const here = atFoot(job, 'F1');
  return putAtFoot(job, 'F1', {
    ...here,
    bolts: { ...here.bolts, items: here.bolts.items.map((b, i) => (i === 0 ? { ...b, x } : b)) },
  });
};

function after(...actions: Action[]): JobState {
  return actions.reduce((s: JobState | undefined, a) => jobFeature.reducer(s, a), undefined)!;
}
const opened = (kept: KeptHistory | null = null) => jobActions.opened({ stored: stored(), kept });

describe('opening', () => {
  it('shows loading, then the job with nothing to undo or save', () => {
    expect(after(jobActions.open({ id: 'x' })).status).toBe('loading');
    const s = after(jobActions.open({ id: 'x' }), opened());
    expect(s).toMatchObject({ status: 'ready', version: 3, save: 'saved', past: [], future: [] });
    expect(s.job).toBe(job);
  });

  it('says what failed', () => {
    expect(after(jobActions.openFailed({ missing: true, message: '' })).status).toBe('missing');
    expect(after(jobActions.openFailed({ missing: false, message: 'no answer' }))).toMatchObject({
      status: 'failed',
      message: 'no answer',
    });
  });
});

describe('changing, undoing, redoing', () => {
  const one = jobActions.change({ job: named('One'), did: 'rename' });
  const two = jobActions.change({ job: named('Two'), did: 'rename again' });

  it('each change is a step and waits to be saved', () => {
    const s = after(opened(), one, two);
    expect(s.past.map((p) => p.did)).toEqual(['rename', 'rename again']);
    expect(s.save).toBe('waiting');
  });

  it('undo goes back a step at a time, redo forward', () => {
    const back = after(opened(), one, two, jobActions.undo());
    expect(back.job!.name).toBe('One');
    expect(after(opened(), one, two, jobActions.undo(), jobActions.undo()).job).toEqual(job);
    expect(after(opened(), one, two, jobActions.undo(), jobActions.redo()).job!.name).toBe('Two');
    expect(after(opened(), jobActions.undo(), jobActions.redo()).job).toBe(job);
  });

  it('a change after an undo forgets what was ahead', () => {
    const s = after(opened(), one, two, jobActions.undo(), jobActions.change({ job: named('Three'), did: 'third' }));
    expect(s.future).toEqual([]);
    expect(s.past.map((p) => p.did)).toEqual(['rename', 'third']);
  });

  it('a change that changes nothing is no step', () => {
    const s = after(opened(), jobActions.change({ job: { ...job }, did: 'nothing' }));
    expect(s.past).toEqual([]);
    expect(s.save).toBe('saved');
  });

  it('keystrokes in one field are one step, until the field is left', () => {
    const key = (name: string) => jobActions.change({ job: named(name), did: 'name', field: 'name' });
    expect(after(opened(), key('1'), key('12'), key('125')).past).toHaveLength(1);
    expect(after(opened(), key('1'), key('12'), jobActions.leaveField(), key('125')).past).toHaveLength(2);
    expect(after(opened(), key('1'), key('12'), jobActions.undo()).job).toEqual(job);
  });

  it('keeps the last hundred steps', () => {
    const many = Array.from({ length: 130 }, (_, i) => jobActions.change({ job: named(`Name ${i}`), did: `step ${i}` }));
    const s = after(opened(), ...many);
    expect(s.past).toHaveLength(100);
    expect(s.past.at(-1)!.did).toBe('step 129');
  });
});

describe('dragging', () => {
  const drag = (x: number) => jobActions.drag({ job: bolted(x) });

  it('shows each move, saves and remembers only the drop', () => {
    const during = after(opened(), drag(91), drag(95));
    expect(firstBolt(during.job!).x).toBe(95);
    expect(during.settled).toBe(job);
    expect(during.save).toBe('saved');
    const dropped = after(opened(), drag(91), drag(95), jobActions.drop({ did: 'move bolt B1' }));
    expect(dropped.past.map((p) => p.did)).toEqual(['move bolt B1']);
    expect(firstBolt(dropped.settled!).x).toBe(95);
    expect(dropped.save).toBe('waiting');
  });

  it('a drag given up leaves everything as it was', () => {
    expect(after(opened(), drag(95), jobActions.dragCancelled())).toMatchObject({ job, past: [], save: 'saved' });
  });

  it('a drop where it began is no step', () => {
    expect(after(opened(), drag(95), drag(90), jobActions.drop({ did: 'move' })).past).toEqual([]);
  });
});

describe('saving', () => {
  const change = jobActions.change({ job: named('One'), did: 'rename' });

  it('is saved when what came back is what is here, and waits again when more was done meanwhile', () => {
    const saved = jobActions.saved({ job: named('One'), version: 4 });
    expect(after(opened(), change, jobActions.saveStarted(), saved)).toMatchObject({ save: 'saved', version: 4 });
    const more = jobActions.change({ job: named('Two'), did: 'again' });
    const during = after(opened(), change, jobActions.saveStarted(), more);
    expect(during.save).toBe('saving');
    expect(jobFeature.reducer(during, saved)).toMatchObject({ save: 'waiting', version: 4 });
  });

  it('says it is offline, and tries again', () => {
    const off = after(
      opened(),
      change,
      jobActions.saveStarted(),
      jobActions.saveFailed({ id: job.id, save: 'offline', message: 'no answer' }),
    );
    expect(off).toMatchObject({ save: 'offline', message: 'no answer' });
    expect(jobFeature.reducer(off, jobActions.saveAgain({ id: job.id })).save).toBe('waiting');
    expect(after(opened(), jobActions.saveAgain({ id: job.id })).save).toBe('saved');
  });
});

describe('changed in another tab', () => {
  const theirs = stored(named('Theirs'), 5);
  const mine = bolted(95);
  const clash = jobActions.clashed({ clash: { current: theirs } });
  const clashing = () => after(opened(), jobActions.change({ job: mine, did: 'move' }), jobActions.saveStarted(), clash);

  it('nothing is saved or lost until one is chosen', () => {
    const s = clashing();
    expect(s.save).toBe('conflict');
    expect(s.job).toEqual(mine);
    expect(jobFeature.reducer(s, jobActions.change({ job: bolted(99), did: 'more' })).save).toBe('conflict');
  });

  it('a merge has both, rests on their version, and can be undone', () => {
    const s = jobFeature.reducer(clashing(), jobActions.takeMerge());
    expect(s.job!.name).toBe('Theirs');
    expect(firstBolt(s.job!).x).toBe(95);
    expect(s).toMatchObject({ version: 5, save: 'waiting', clash: null });
    expect(jobFeature.reducer(s, jobActions.undo()).job).toEqual(mine);
  });

  it('theirs can be taken whole, and mine is one undo away', () => {
    const s = jobFeature.reducer(clashing(), jobActions.takeTheirs());
    expect(s.job).toEqual(theirs.job);
    expect(s).toMatchObject({ version: 5, save: 'saved', clash: null });
    expect(jobFeature.reducer(s, jobActions.undo()).job).toEqual(mine);
  });
});

describe('steps, over what somebody else saved', () => {
  const theirs = (version: number, more: Partial<WholeJob>) =>
    jobActions.theirs({ stored: stored({ ...bolted(95), ...more }, version), who: 'JF' });
  const moved = [
    jobActions.change({ job: bolted(95), did: 'move' }),
    jobActions.saveStarted(),
    jobActions.saved({ job: bolted(95), version: 4 }),
  ];

  it('undo takes back what was done here, redo does it again, and theirs stays through both', () => {
    const came = after(opened(), ...moved, theirs(5, { note: 'Theirs' }));
    expect(came).toMatchObject({ version: 5, save: 'saved', came: 'what JF changed came in', job: { note: 'Theirs' } });
    const undone = jobFeature.reducer(came, jobActions.undo());
    expect(firstBolt(undone.job!).x).toBe(90);
    expect(undone).toMatchObject({ save: 'waiting', came: '', job: { note: 'Theirs' } });
    const redone = jobFeature.reducer(undone, jobActions.redo());
    expect(redone.job).toEqual(came.job);
  });

  it('what was undone here can be done again over theirs', () => {
    const back = [jobActions.undo(), jobActions.saveStarted(), jobActions.saved({ job, version: 5 })];
    const note = jobActions.theirs({ stored: stored({ ...job, note: 'Theirs' }, 6), who: '' });
    const s = after(opened(), ...moved, ...back, note, jobActions.redo());
    expect(s.job).toMatchObject({ note: 'Theirs' });
    expect(firstBolt(s.job!).x).toBe(95);
  });

  it('a step that touches what they changed cannot be undone, nor any before it; what came after it can', () => {
    const rename = [
      jobActions.change({ job: { ...bolted(95), name: 'Mine' }, did: 'rename' }),
      jobActions.change({ job: { ...bolted(95), name: 'Mine', note: 'Mine' }, did: 'note' }),
      jobActions.saveStarted(),
      jobActions.saved({ job: { ...bolted(95), name: 'Mine', note: 'Mine' }, version: 5 }),
    ];
    const s = after(opened(), ...moved, ...rename, theirs(6, { name: 'Theirs', note: 'Mine' }));
    expect(s.past.map((p) => p.did)).toEqual(['note']);
    const undone = jobFeature.reducer(s, jobActions.undo());
    expect(undone.job).toMatchObject({ name: 'Theirs', note: job.note });
    expect(firstBolt(undone.job!).x).toBe(95);
  });
});

describe('coming back after a reload or a crash', () => {
  const past = [{ job, did: 'move' }];
  const kept = (settled: WholeJob, version = 3, base = job): KeptHistory => ({ version, base, settled, past, future: [] });

  it('undo steps are there again', () => {
    const s = after(opened(kept(job)));
    expect(s.past).toEqual(past);
    expect(s.save).toBe('saved');
  });

  it('what was not saved yet is there and waits to be saved', () => {
    expect(after(opened(kept(bolted(95))))).toMatchObject({ job: bolted(95), save: 'waiting', version: 3 });
  });

  it('where the server moved on and nothing was unsaved here, theirs stands', () => {
    const s = after(opened(kept(named('Old'), 2, named('Old'))));
    expect(s).toMatchObject({ save: 'saved', past: [] });
    expect(s.job).toBe(job);
  });

  it('where both moved on, nothing is dropped: the two are to be merged', () => {
    const s = after(opened(kept(bolted(95), 2, named('Old'))));
    expect(s.save).toBe('conflict');
    expect(s.job).toEqual(bolted(95));
    expect(mergeOf(s, s.clash!).conflicts.map((c) => c.path)).toEqual([]);
  });

  it('where what is there is our own save, whose answer the page did not live to hear, nobody else changed anything', () => {
    // Old (version 2) was changed to `job`, which was on its way to the server, and then on to 95.
    const steps = [
      { job: named('Old'), did: 'rename' },
      { job, did: 'move' },
    ];
    const s = after(opened({ ...kept(bolted(95), 2, named('Old')), past: steps }));
    expect(s).toMatchObject({ save: 'waiting', version: 3, clash: null, past: steps });
    expect(s.job).toEqual(bolted(95));
    const all = after(opened({ ...kept(job, 2, named('Old')), past: steps.slice(0, 1) }));
    expect(all).toMatchObject({ save: 'saved', version: 3, clash: null });
  });

  it('another tab’s undo to a document older than ours rests on is not ours', () => {
    // Ours: job, then Old (saved as version 2), then 95 unsaved; theirs went back to `job`.
    const steps = [
      { job, did: 'rename' },
      { job: named('Old'), did: 'move' },
    ];
    expect(after(opened({ ...kept(bolted(95), 2, named('Old')), past: steps })).save).toBe('conflict');
  });
});
