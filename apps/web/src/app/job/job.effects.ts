import { HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { createAction, props, Store, type Action } from '@ngrx/store';
import {
  catchError,
  concatMap,
  debounceTime,
  delay,
  EMPTY,
  filter,
  from,
  fromEvent,
  groupBy,
  map,
  mergeMap,
  type Observable,
  of,
  pairwise,
  switchMap,
  take,
  tap,
  timer,
  withLatestFrom,
} from 'rxjs';
import type { WholeJob } from '@core/job/whole-job';
import { failureText, JobApi, type StoredJob } from './job-api';
import { isOurStep, jobActions, meetsNothing, jobFeature, type JobState } from './job.state';
import { historySaved, keepHistory, keptHistory, leftBehind } from './kept-history';
import { Live } from '../live/live';
import { Outbox } from './outbox';

const RETRY_AFTER = 3000;
/** How long the answer to a save may come after the word that it was saved, ms. */
const OWN_ANSWER = 150;
/** Keeping and saving wait until the keystroke is answered on the page, ms; a crash in between loses that keystroke only. */
const AFTER_FRAME = 25;

/** Raised by a save that was refused because the version moved on. */
const clashFound = createAction('[Job] clash found', props<{ id: string; current: StoredJob }>());

/** Everything that leaves the page: opening, saving each change as it is made, and keeping the undo steps and what is not sent yet. */
@Injectable()
export class JobEffects {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly api = inject(JobApi);
  private readonly outbox = inject(Outbox);
  private readonly live = inject(Live);
  private readonly state = this.store.select(jobFeature.selectJobState);

  readonly open = createEffect(() =>
    this.actions.pipe(
      ofType(jobActions.open),
      tap(({ id }) => this.outbox.opening(id)),
      switchMap(({ id }) =>
        from(this.outbox.leftOf(id)).pipe(
          switchMap((left) =>
            this.api.get(id).pipe(map((stored) => jobActions.opened({ stored, kept: keptHistory(id) ?? leftBehind(left) }))),
          ),
          catchError((e: unknown) =>
            of(jobActions.openFailed({ missing: e instanceof HttpErrorResponse && e.status === 404, message: failureText(e) })),
          ),
        ),
      ),
    ),
  );

  /**
   * One save at a time of each job; when it is back, whatever changed meanwhile goes next. An answer belongs to the job it is of,
   * and one job's answer held back keeps no other waiting.
   */
  readonly save = createEffect(() =>
    this.state.pipe(
      filter((s) => s.save === 'waiting' && s.settled !== null),
      groupBy((s) => s.settled!.id),
      mergeMap((ofOne) =>
        ofOne.pipe(
          // Looked at again when its turn comes: the save before may have taken the same change with it, or another job be open.
          concatMap(() =>
            timer(AFTER_FRAME).pipe(
              switchMap(() => this.state),
              take(1),
              filter((s) => s.save === 'waiting' && s.settled?.id === ofOne.key),
              // The steps first: a page closed while the save is under way must know the save for its own.
              tap((s) => this.kept(s)),
              tap(() => this.store.dispatch(jobActions.saveStarted())),
              switchMap(({ settled, version, past }) => this.saving(settled!, version, past.at(-1)?.did)),
            ),
          ),
        ),
      ),
    ),
  );

  private saving(job: WholeJob, version: number, did?: string): Observable<Action> {
    return this.api.save(job, version, did).pipe(
      map((answer) => jobActions.saved({ job, version: answer.version })),
      catchError((e: unknown) => of(this.failed(job.id, e))),
    );
  }

  private failed(id: string, e: unknown) {
    if (e instanceof HttpErrorResponse && e.status === 412) {
      const { current } = e.error as { current?: StoredJob };
      if (current) return clashFound({ id, current });
    }
    // A session that is over is no refusal: it is sent again by whoever comes in.
    const refused = e instanceof HttpErrorResponse && e.status >= 400 && e.status < 500 && e.status !== 401;
    return jobActions.saveFailed({ id, save: refused ? 'refused' : 'offline', message: failureText(e) });
  }

  private kept(s: JobState): void {
    keepHistory(s);
    this.outbox.keep(s);
  }

  /** What was sent from the outbox, and what came back for a job no longer open. */
  readonly landed = createEffect(() => this.outbox.sent.pipe(map(({ job, version }) => jobActions.saved({ job, version }))));
  readonly back = createEffect(
    () =>
      this.actions.pipe(
        ofType(jobActions.saved),
        withLatestFrom(this.state),
        filter(([{ job }, s]) => job.id !== s.settled?.id),
        tap(([{ job, version }]) => {
          historySaved(job, version);
          this.outbox.heard({ job, version });
        }),
      ),
    { dispatch: false },
  );

  /** The job that is left: kept as it stood, and sent from the outbox. */
  readonly left = createEffect(
    () =>
      this.state.pipe(
        pairwise(),
        filter(([before, now]) => before.settled !== null && before.settled.id !== now.settled?.id),
        tap(([before]) => {
          this.kept(before);
          void this.outbox.send();
        }),
      ),
    { dispatch: false },
  );

  /** The other tab's document against ours, merged from the version both rest on. */
  readonly clash = createEffect(() =>
    this.actions.pipe(
      ofType(clashFound),
      withLatestFrom(this.state),
      filter(([{ id }, s]) => s.base !== null && s.settled?.id === id),
      map(([{ current }, s]) =>
        // The answer to a save that another overtook: what is there is what this rests on already.
        current.version <= s.version
          ? jobActions.saveAgain({ id: current.job.id })
          : // Our own, whose answer was not heard: nobody else changed anything.
            isOurStep(s, current.job)
            ? jobActions.saved(current)
            : meetsNothing(s, current)
              ? jobActions.merged({ current })
              : jobActions.clashed({ clash: { current } }),
      ),
    ),
  );

  readonly retry = createEffect(() =>
    this.actions.pipe(
      ofType(jobActions.saveFailed),
      filter(({ save }) => save === 'offline'),
      mergeMap(({ id }) => of(jobActions.saveAgain({ id })).pipe(delay(RETRY_AFTER))),
    ),
  );

  /** What others save comes in at once where nothing here waits to be saved; else it meets what is here when that is saved. */
  readonly theirs = createEffect(() =>
    this.live.saved.pipe(
      withLatestFrom(this.state),
      filter(([{ id, version }, s]) => s.status === 'ready' && s.settled?.id === id && version > s.version),
      // Our own save, heard before its answer, is nobody else's.
      delay(OWN_ANSWER),
      map(([saved]) => saved),
      withLatestFrom(this.state, (saved, s) => ({ saved, s })),
      filter(({ saved, s }) => s.settled?.id === saved.id && saved.version > s.version && s.save === 'saved'),
      switchMap(({ saved }) =>
        this.api.get(saved.id).pipe(
          map((stored) => jobActions.theirs({ stored, who: saved.who })),
          catchError(() => EMPTY),
        ),
      ),
    ),
  );

  /** A page that is left keeps its steps at once, whatever was still waiting for the frame. */
  readonly leave = createEffect(
    () =>
      fromEvent(window, 'pagehide').pipe(
        withLatestFrom(this.state),
        tap(([, s]) => this.kept(s)),
      ),
    { dispatch: false },
  );

  readonly keep = createEffect(
    () =>
      this.state.pipe(
        filter((s) => s.status === 'ready' && s.job === s.settled),
        // The steps are long to write, and one writing serves several changes of state.
        debounceTime(AFTER_FRAME),
        tap((s) => this.kept(s)),
      ),
    { dispatch: false },
  );
}
