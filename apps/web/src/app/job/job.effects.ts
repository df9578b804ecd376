import { HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { createAction, props, Store } from '@ngrx/store';
import {
  catchError,
  concatMap,
  debounceTime,
  delay,
  filter,
  fromEvent,
  map,
  of,
  switchMap,
  take,
  tap,
  timer,
  withLatestFrom,
} from 'rxjs';
import { mergeJobs } from '@core/formats/merge-jobs';
import { failureText, JobApi, type StoredJob } from './job-api';
import { jobActions, jobFeature } from './job.state';
import { keepHistory, keptHistory } from './kept-history';

const RETRY_AFTER = 3000;
/** Keeping and saving wait until the keystroke is answered on the page, ms; a crash in between loses that keystroke only. */
const AFTER_FRAME = 25;

/** Raised by a save that was refused because the version moved on. */
const clashFound = createAction('[Job] clash found', props<{ current: StoredJob }>());

/** Everything that leaves the page: opening, saving each change as it is made, and keeping the undo steps. */
@Injectable()
export class JobEffects {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly api = inject(JobApi);
  private readonly state = this.store.select(jobFeature.selectJobState);

  readonly open = createEffect(() =>
    this.actions.pipe(
      ofType(jobActions.open),
      switchMap(({ id }) =>
        this.api.get(id).pipe(
          map((stored) => jobActions.opened({ stored, kept: keptHistory(id) })),
          catchError((e: unknown) =>
            of(jobActions.openFailed({ missing: e instanceof HttpErrorResponse && e.status === 404, message: failureText(e) })),
          ),
        ),
      ),
    ),
  );

  /** One save at a time; when it is back, whatever changed meanwhile goes next. */
  readonly save = createEffect(() =>
    this.state.pipe(
      filter((s) => s.save === 'waiting'),
      // Looked at again when its turn comes: the save before may have taken the same change with it.
      concatMap(() =>
        timer(AFTER_FRAME).pipe(
          switchMap(() => this.state),
          take(1),
          filter((s) => s.save === 'waiting' && s.settled !== null),
          // The steps first: a page closed while the save is under way must know the save for its own.
          tap(keepHistory),
          tap(() => this.store.dispatch(jobActions.saveStarted())),
          switchMap((s) => {
            const job = s.settled!;
            return this.api.save(job, s.version).pipe(map(({ version }) => jobActions.saved({ job, version })));
          }),
          catchError((e: unknown) => of(this.failed(e))),
        ),
      ),
    ),
  );

  private failed(e: unknown) {
    if (e instanceof HttpErrorResponse && e.status === 412) {
      const { current } = e.error as { current: StoredJob };
      return clashFound({ current });
    }
    const refused = e instanceof HttpErrorResponse && e.status >= 400 && e.status < 500;
    return jobActions.saveFailed({ save: refused ? 'refused' : 'offline', message: failureText(e) });
  }

  /** The other tab's document against ours, merged from the version both rest on. */
  readonly clash = createEffect(() =>
    this.actions.pipe(
      ofType(clashFound),
      withLatestFrom(this.state),
      filter(([, s]) => s.base !== null && s.settled !== null),
      map(([{ current }, s]) => jobActions.clashed({ clash: { current, merge: mergeJobs(s.base!, s.settled!, current.job) } })),
    ),
  );

  readonly retry = createEffect(() =>
    this.actions.pipe(
      ofType(jobActions.saveFailed),
      filter(({ save }) => save === 'offline'),
      concatMap(() => of(jobActions.saveAgain()).pipe(delay(RETRY_AFTER))),
    ),
  );

  /** A page that is left keeps its steps at once, whatever was still waiting for the frame. */
  readonly leave = createEffect(
    () =>
      fromEvent(window, 'pagehide').pipe(
        withLatestFrom(this.state),
        tap(([, s]) => keepHistory(s)),
      ),
    { dispatch: false },
  );

  readonly keep = createEffect(
    () =>
      this.state.pipe(
        filter((s) => s.status === 'ready' && s.job === s.settled),
        // The steps are long to write, and one writing serves several changes of state.
        debounceTime(AFTER_FRAME),
        tap(keepHistory),
      ),
    { dispatch: false },
  );
}
