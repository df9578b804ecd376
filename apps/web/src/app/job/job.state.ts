import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import { mergeJobs, type Merge } from '@core/formats/merge-jobs';
import type { WholeJob } from '@core/job/whole-job';
import type { StoredJob } from './job-api';

/** How many steps back are kept. */
const HISTORY = 100;

/** One step that can be undone: the document before it, and what it did, in words. */
export interface Step {
  readonly job: WholeJob;
  readonly did: string;
}

export type SaveState = 'saved' | 'saving' | 'waiting' | 'offline' | 'conflict' | 'refused';

/** The document was changed elsewhere: what is there. */
export interface Clash {
  readonly current: StoredJob;
}

/** What is here and what is there, merged from the version both rest on: of the moment, as what is here may have gone on. */
export const mergeOf = ({ base, settled }: Pick<JobState, 'base' | 'settled'>, { current }: Clash): Merge =>
  mergeJobs(base!, settled!, current.job);

export interface JobState {
  readonly status: 'empty' | 'loading' | 'ready' | 'missing' | 'failed';
  /** What is on screen, drag included. */
  readonly job: WholeJob | null;
  /** The document without a drag under way: what is saved and undone. */
  readonly settled: WholeJob | null;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** Field being typed into; further keystrokes there are one step. */
  readonly field: string;
  /** Version on the server this rests on, and the document it was. */
  readonly version: number;
  readonly base: WholeJob | null;
  /** What was sent over that version and not answered yet: it may be there all the same. */
  readonly unheard: readonly WholeJob[];
  readonly save: SaveState;
  readonly clash: Clash | null;
  readonly message: string;
  /** What came in from somebody else, in words, until the next change here. */
  readonly came: string;
}

const initial: JobState = {
  status: 'empty',
  job: null,
  settled: null,
  past: [],
  future: [],
  field: '',
  version: 0,
  base: null,
  unheard: [],
  save: 'saved',
  clash: null,
  message: '',
  came: '',
};

export const jobActions = createActionGroup({
  source: 'Job',
  events: {
    open: props<{ id: string }>(),
    opened: props<{ stored: StoredJob; kept: KeptHistory | null }>(),
    'open failed': props<{ missing: boolean; message: string }>(),
    /** A whole change. With `field`, keystrokes in that field are one step. */
    change: props<{ job: WholeJob; did: string; field?: string }>(),
    'leave field': emptyProps(),
    drag: props<{ job: WholeJob }>(),
    drop: props<{ did: string }>(),
    'drag cancelled': emptyProps(),
    undo: emptyProps(),
    redo: emptyProps(),
    'save started': emptyProps(),
    /** The server has `job` as `version`. Of another job than the open one it changes nothing here. */
    saved: props<{ job: WholeJob; version: number }>(),
    'save failed': props<{ id: string; save: 'offline' | 'refused'; message: string }>(),
    'save again': props<{ id: string }>(),
    clashed: props<{ clash: Clash }>(),
    /** What somebody else saved before ours got there, where the two do not touch the same: both stand, and ours is sent again. */
    merged: props<{ current: StoredJob }>(),
    /** What somebody else saved, while nothing here was waiting to be. */
    theirs: props<{ stored: StoredJob; who: string }>(),
    'take merge': emptyProps(),
    'take theirs': emptyProps(),
  },
});

/** What a tab keeps through a reload. */
export interface KeptHistory {
  readonly version: number;
  readonly base: WholeJob;
  readonly settled: WholeJob;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

const differ = (a: WholeJob | null, b: WholeJob | null) => a !== b && JSON.stringify(a) !== JSON.stringify(b);
const waiting = (s: JobState): SaveState => (s.save === 'saving' || s.save === 'conflict' ? s.save : 'waiting');

/** The documents a tab has been through since the version it rests on. */
function stepsSince(kept: Pick<KeptHistory, 'base' | 'settled' | 'past'>): WholeJob[] {
  const all = [...kept.past.map((p) => p.job), kept.settled];
  const at = all.findLastIndex((j) => !differ(j, kept.base));
  return at < 0 ? [kept.settled] : all.slice(at + 1);
}

/** Whether what is there and what is here can both stand without anybody being asked: no field was changed in both, and nothing is being dragged. */
export const meetsNothing = (s: JobState, current: StoredJob): boolean =>
  s.base !== null && s.settled !== null && s.job === s.settled && mergeOf(s, { current }).conflicts.length === 0;

/**
 * Whether a document on the server is one this tab sent over the version it rests on, and heard no answer to. Only what was sent
 * counts: a document that merely looks like an older step of ours may be somebody else's work.
 */
export const isOurStep = (s: JobState, job: WholeJob): boolean => s.unheard.some((j) => !differ(j, job));

/**
 * The steps of this tab over what somebody else saved: undoing one takes back what was done here and nothing of theirs. One that
 * touches what they changed cannot, and none beyond it.
 */
function stepsOver({ base, past, future }: JobState, theirs: WholeJob): Pick<JobState, 'past' | 'future'> {
  const over = (steps: readonly Step[]): Step[] => {
    const good: Step[] = [];
    for (const s of steps) {
      const { job, conflicts } = mergeJobs(base!, s.job, theirs);
      if (conflicts.length > 0) break;
      good.push({ ...s, job });
    }
    return good;
  };
  return { past: over(past.toReversed()).reverse(), future: over(future) };
}

function step(s: JobState, job: WholeJob, did: string, field = ''): JobState {
  if (!s.settled || !differ(s.settled, job)) return { ...s, job: s.settled };
  const sameField = field !== '' && field === s.field;
  const past = sameField ? s.past : [...s.past, { job: s.settled, did }].slice(-HISTORY);
  return { ...s, job, settled: job, past, future: [], field, came: '', save: waiting(s) };
}

export const jobFeature = createFeature({
  name: 'job',
  reducer: createReducer(
    initial,
    on(jobActions.open, () => ({ ...initial, status: 'loading' as const })),
    on(jobActions.opened, (_s, { stored, kept }): JobState => {
      const fresh: JobState = {
        ...initial,
        status: 'ready',
        job: stored.job,
        settled: stored.job,
        version: stored.version,
        base: stored.job,
      };
      if (!kept) return fresh;
      if (kept.version === stored.version) {
        const unsaved = differ(kept.settled, stored.job);
        return {
          ...fresh,
          job: kept.settled,
          settled: kept.settled,
          past: kept.past,
          future: kept.future,
          // A page that was closed while it saved may have been heard.
          unheard: unsaved ? stepsSince(kept) : [],
          save: unsaved ? 'waiting' : 'saved',
        };
      }
      const history = { past: kept.past, future: kept.future };
      // The server moved on. Nothing unsaved here: theirs stands. Otherwise the two are to be merged, never dropped.
      if (!differ(kept.settled, kept.base)) return differ(kept.settled, stored.job) ? fresh : { ...fresh, ...history };
      // Our own save, whose answer the page did not live to hear: what is there is one of our steps since.
      if (stepsSince(kept).some((j) => !differ(j, stored.job)))
        return {
          ...fresh,
          ...history,
          job: kept.settled,
          settled: kept.settled,
          save: differ(kept.settled, stored.job) ? 'waiting' : 'saved',
        };
      return {
        ...fresh,
        ...history,
        job: kept.settled,
        settled: kept.settled,
        version: kept.version,
        base: kept.base,
        save: 'conflict',
        clash: { current: stored },
      };
    }),
    on(jobActions.openFailed, (s, { missing, message }): JobState => ({ ...s, status: missing ? 'missing' : 'failed', message })),
    on(jobActions.change, (s, { job, did, field }) => step(s, job, did, field)),
    on(jobActions.leaveField, (s) => (s.field ? { ...s, field: '' } : s)),
    on(jobActions.drag, (s, { job }) => ({ ...s, job })),
    on(jobActions.drop, (s, { did }) => (s.job ? step(s, s.job, did) : s)),
    on(jobActions.dragCancelled, (s) => ({ ...s, job: s.settled })),
    on(jobActions.undo, (s): JobState => {
      const last = s.past.at(-1);
      if (!last || !s.settled) return s;
      return {
        ...s,
        job: last.job,
        settled: last.job,
        past: s.past.slice(0, -1),
        future: [{ job: s.settled, did: last.did }, ...s.future],
        field: '',
        came: '',
        save: waiting(s),
      };
    }),
    on(jobActions.redo, (s): JobState => {
      const next = s.future[0];
      if (!next || !s.settled) return s;
      return {
        ...s,
        job: next.job,
        settled: next.job,
        past: [...s.past, { job: s.settled, did: next.did }],
        future: s.future.slice(1),
        field: '',
        came: '',
        save: waiting(s),
      };
    }),
    on(jobActions.saveStarted, (s): JobState => ({
      ...s,
      save: 'saving',
      // The same sent again while the server is away is one.
      unheard: s.settled && s.unheard.at(-1) !== s.settled ? [...s.unheard, s.settled] : s.unheard,
    })),
    on(jobActions.saved, (s, { job, version }): JobState => {
      // Another job's answer, or one overtaken by a newer.
      if (s.settled?.id !== job.id || version <= s.version) return s;
      const save = s.save === 'conflict' ? s.save : differ(s.settled, job) ? 'waiting' : 'saved';
      return { ...s, version, base: job, unheard: [], save, message: '' };
    }),
    on(jobActions.saveFailed, (s, { id, save, message }): JobState =>
      s.settled?.id === id && s.save === 'saving' ? { ...s, save, message } : s,
    ),
    on(jobActions.saveAgain, (s, { id }): JobState =>
      s.settled?.id === id && (s.save === 'offline' || s.save === 'refused' || s.save === 'saving')
        ? { ...s, save: 'waiting' }
        : s,
    ),
    on(jobActions.theirs, (s, { stored, who }): JobState => {
      const { job, version } = stored;
      const quiet = s.status === 'ready' && s.save === 'saved' && s.job === s.settled;
      if (!quiet || s.settled?.id !== job.id || version <= s.version) return s;
      const came = who ? `what ${who} changed came in` : 'what another tab changed came in';
      return { ...s, ...stepsOver(s, job), job, settled: job, field: '', version, base: job, unheard: [], came };
    }),
    on(jobActions.merged, (s, { current }): JobState => {
      if (s.settled?.id !== current.job.id || s.save !== 'saving' || current.version <= s.version) return s;
      const { job } = mergeOf(s, { current });
      return {
        ...s,
        ...stepsOver(s, current.job),
        job,
        settled: job,
        version: current.version,
        base: current.job,
        unheard: [],
        came: 'what was changed elsewhere came in',
        save: differ(job, current.job) ? 'waiting' : 'saved',
      };
    }),
    on(jobActions.clashed, (s, { clash }): JobState => ({ ...s, save: 'conflict', clash })),
    on(jobActions.takeMerge, (s): JobState => {
      if (!s.clash || !s.settled) return s;
      const { current } = s.clash;
      return {
        ...step({ ...s, save: 'waiting' }, mergeOf(s, s.clash).job, 'merge with the other tab'),
        version: current.version,
        base: current.job,
        unheard: [],
        clash: null,
        save: 'waiting',
      };
    }),
    on(jobActions.takeTheirs, (s): JobState => {
      if (!s.clash) return s;
      const { current } = s.clash;
      return {
        ...step({ ...s, save: 'waiting' }, current.job, 'take the other tab’s version'),
        version: current.version,
        base: current.job,
        unheard: [],
        clash: null,
        save: 'saved',
      };
    }),
  ),
  extraSelectors: ({ selectPast, selectFuture }) => ({
    selectUndo: createSelector(selectPast, (p) => p.at(-1)?.did ?? ''),
    selectRedo: createSelector(selectFuture, (f) => f[0]?.did ?? ''),
  }),
});
