import { Injectable, signal } from '@angular/core';
import type { LinkWorking, Verdict } from '@core/chain/evaluate';
import type { Job } from '@core/job/schema';
import type { Clearing } from '@core/options/clear';
import type { FromJudge, ToJudge } from '../workers/messages';
import { Lasting } from '../workers/lasting';
import { Newest } from '../workers/newest';
import { startJudge } from '../workers/start';
import { FeetJudge } from '../feet/feet-judge';
import { Weigher } from './weigher';

/** A job with its load turned up or down. */
export interface Turned {
  readonly job: Job;
  readonly times: number;
  readonly verdict: Verdict;
}

/** How long nothing has to change before what would clear a link is worked out, ms. */
const STILL = 150;

/** How long one verdict may take before it is given up, ms: a job judged as solved, of many cases on a large panel, may take minutes. */
const BUDGET = 120_000;

/**
 * The chain, judged in a worker. One job is under way at a time and the newest waits; answers to older ones are dropped,
 * so a drag never waits for a check.
 */
@Injectable()
export class Judge {
  readonly verdict = signal<Verdict | null>(null);
  /** The same, under the load as the crank has turned it. */
  readonly turned = signal<Turned | null>(null);
  /** The job that `verdict` is about. */
  readonly judged = signal<Job | null>(null);
  readonly working = signal<LinkWorking | undefined>(undefined);
  /** What would clear the open link; null while it is being worked out. */
  readonly clearings = signal<readonly Clearing[] | null>(null);
  readonly broken = signal('');

  readonly weigher = new Weigher();
  /** The fitting's feet, each by itself. */
  readonly feet = new FeetJudge();
  private readonly worker = new Lasting<ToJudge, FromJudge>(
    startJudge,
    (m) => this.take(m),
    (goesOn) => this.ended(goesOn),
  );
  private workingTicket = 0;
  private still: ReturnType<typeof setTimeout> | undefined;
  private asked: Job | null = null;
  private budget: ReturnType<typeof setTimeout> | undefined;
  private unlimited = false;
  private readonly queue = new Newest<Job>((ticket, job) => {
    clearTimeout(this.budget);
    if (!this.unlimited) this.budget = setTimeout(() => this.overran(), BUDGET);
    this.post({ kind: 'evaluate', ticket, job });
  });
  /** Set where a verdict was given up for its time: it can be asked for without a limit. */
  readonly gaveUp = signal(false);

  private readonly turning = new Newest<{ job: Job; times: number }>((ticket, t) => this.post({ kind: 'turn', ticket, ...t }));

  constructor() {
    this.worker.warm();
  }

  /** The same job twice in a row is asked once. */
  judge(job: Job): void {
    if (job === this.asked) return;
    this.asked = job;
    this.unlimited = false;
    this.weigher.forget();
    this.queue.put(job);
  }

  /** Asks for the chain under so many times the load; once is the verdict itself. */
  turn(job: Job | null, times: number): void {
    if (!job || times === 1) this.turned.set(null);
    else this.turning.put({ job, times });
  }

  /** Asks for the working of one link in one case, and for what would clear it; no link clears both. */
  explain(job: Job | null, link: string, caseId: string): void {
    const ticket = ++this.workingTicket;
    clearTimeout(this.still);
    this.clearings.set(null);
    if (!job || !link) {
      this.working.set(undefined);
      return;
    }
    this.post({ kind: 'working', ticket, job, link, caseId });
    // Tens of evaluations: not while something is dragged, only once it is still.
    this.still = setTimeout(() => this.post({ kind: 'clear', ticket, job, link }), STILL);
  }

  /** The verdict that was given up, however long it takes. */
  withoutLimit(): void {
    const job = this.asked;
    if (!job) return;
    this.unlimited = true;
    this.gaveUp.set(false);
    this.broken.set('');
    this.queue.put(job);
  }

  /** No figure is left standing for a job that was not judged. */
  private overran(): void {
    this.worker.stop();
    this.nothingStands();
    this.gaveUp.set(true);
    this.broken.set(
      `Judging was stopped after ${BUDGET / 60_000} minutes: nothing of this job is judged. Judge it by hand (Spread, Rests on) or with fewer cases, or let it go on.`,
    );
  }

  private nothingStands(): void {
    this.verdict.set(null);
    this.judged.set(null);
    this.turned.set(null);
    this.queue.lost();
    this.turning.lost();
  }

  stop(): void {
    clearTimeout(this.budget);
    this.weigher.stop();
    this.feet.stop();
    clearTimeout(this.still);
    this.worker.stop();
  }

  /** What was said stands no longer: it may be of another job by now. Started again, it is asked anew. */
  private ended(goesOn: boolean): void {
    clearTimeout(this.budget);
    this.nothingStands();
    this.broken.set(
      goesOn ? 'The checking stopped, and is being started again.' : 'The checking stopped; reload the page. Nothing is lost.',
    );
    if (goesOn && this.asked) this.queue.put(this.asked);
  }

  private post(m: ToJudge): void {
    this.worker.post(m);
  }

  private take(m: FromJudge): void {
    if (m.kind === 'working') {
      if (m.ticket === this.workingTicket) this.working.set(m.working);
      return;
    }
    if (m.kind === 'clear') {
      if (m.ticket === this.workingTicket) this.clearings.set(m.clearings);
      return;
    }
    if (m.kind === 'feet' || m.kind === 'fitting' || m.kind === 'beside') return;
    if (m.kind === 'broken' && m.of !== 'evaluate') {
      if (m.of === 'turn') this.turning.answered(m.ticket);
      this.broken.set(m.message);
      return;
    }
    if (m.kind === 'turn') {
      const t = this.turning.answered(m.ticket);
      if (t) this.turned.set({ ...t, verdict: m.verdict });
      return;
    }
    clearTimeout(this.budget);
    const job = this.queue.answered(m.ticket);
    if (!job) return;
    this.gaveUp.set(false);
    if (m.kind === 'broken') {
      this.broken.set(m.message);
      return;
    }
    this.broken.set('');
    this.judged.set(job);
    this.verdict.set(m.verdict);
    this.weigher.weigh(job, m.verdict, m.solved);
  }
}
