import { signal } from '@angular/core';
import type { SolvedCases, Verdict } from '@core/chain/evaluate';
import type { Meaning } from '@core/chain/judge';
import type { Job } from '@core/job/schema';
import type { FromWeigher, ToWeigher } from '../workers/messages';
import { Lasting } from '../workers/lasting';
import { startWeigher } from '../workers/start';

/** How long nothing has to change before a verdict is weighed, ms. */
const STILL = 120;

/** A verdict's meaning as far as it is known: `asking` while a draft of the solver is still being asked. */
export interface Weighed extends Meaning {
  readonly job: Job;
  readonly asking: boolean;
}

/**
 * What a verdict means, in a worker of its own: asking again at other loads, and the solver, takes up to a second or two, and no
 * drag waits for it. Only the newest verdict is weighed; while it changes there is no meaning, never another's.
 */
export class Weigher {
  readonly weighed = signal<Weighed | null>(null);
  readonly broken = signal('');

  private readonly worker = new Lasting<ToWeigher, FromWeigher>(
    startWeigher,
    (m) => this.take(m),
    (goesOn) => this.ended(goesOn),
  );
  private under: ToWeigher | null = null;
  private ticket = 0;
  private job: Job | null = null;
  private still: ReturnType<typeof setTimeout> | undefined;
  private waiting: ToWeigher | null = null;

  constructor() {
    this.worker.warm();
  }

  /** `verdict` is about `job`. */
  weigh(job: Job, verdict: Verdict, solved: SolvedCases | undefined): void {
    this.forget();
    this.job = job;
    if (verdict.links.length === 0) return;
    const asked = { ticket: this.ticket, job, verdict, solved };
    this.still = setTimeout(() => this.ask(asked), STILL);
  }

  /** The job changed: what is known or under way is of another. */
  forget(): void {
    clearTimeout(this.still);
    this.ticket++;
    this.waiting = null;
    this.weighed.set(null);
  }

  stop(): void {
    clearTimeout(this.still);
    this.worker.stop();
  }

  private ask(asked: ToWeigher): void {
    if (this.under) this.waiting = asked;
    else {
      this.under = asked;
      this.worker.post(asked);
    }
  }

  private ended(goesOn: boolean): void {
    const again = this.waiting ?? this.under;
    this.under = null;
    this.waiting = null;
    this.weighed.set(null);
    if (!goesOn) this.broken.set('Weighing the verdict stopped; reload the page. Nothing is lost.');
    else if (again) this.ask(again);
  }

  private take(m: FromWeigher): void {
    const last = m.kind === 'broken' || m.doubt !== undefined;
    if (m.ticket === this.ticket) this.show(m);
    if (!last) return;
    this.under = null;
    const next = this.waiting;
    this.waiting = null;
    if (next) this.ask(next);
  }

  private show(m: FromWeigher): void {
    if (m.kind === 'broken') {
      this.broken.set(m.message);
      return;
    }
    this.broken.set('');
    const doubt = m.doubt?.solveIt;
    this.weighed.set({ ...m.multiples, job: this.job!, asking: !m.doubt, ...(doubt ? { solveIt: doubt } : {}) });
  }
}
