import { Injectable, signal } from '@angular/core';
import type { LinkWorking, Verdict } from '@core/chain/evaluate';
import type { Job } from '@core/job/schema';
import type { FromJudge, ToJudge } from '../workers/messages';
import { Newest } from '../workers/newest';
import { startJudge } from '../workers/start';

/**
 * The chain, judged in a worker. One job is under way at a time and the newest waits; answers to older ones are dropped,
 * so a drag never waits for a check.
 */
@Injectable()
export class Judge {
  readonly verdict = signal<Verdict | null>(null);
  /** The job that `verdict` is about. */
  readonly judged = signal<Job | null>(null);
  readonly working = signal<LinkWorking | undefined>(undefined);
  readonly broken = signal('');

  private readonly worker = startJudge();
  private workingTicket = 0;
  private asked: Job | null = null;
  private readonly queue = new Newest<Job>((ticket, job) => this.post({ kind: 'evaluate', ticket, job }));

  constructor() {
    this.worker.addEventListener('message', ({ data }: MessageEvent<FromJudge>) => this.take(data));
    this.worker.addEventListener('error', () => this.broken.set('The checking stopped; reload the page. Nothing is lost.'));
  }

  /** The same job twice in a row is asked once. */
  judge(job: Job): void {
    if (job === this.asked) return;
    this.asked = job;
    this.queue.put(job);
  }

  /** Asks for the working of one link in one case; `undefined` clears it. */
  explain(job: Job | null, link: string, caseId: string): void {
    const ticket = ++this.workingTicket;
    if (!job || !link) this.working.set(undefined);
    else this.post({ kind: 'working', ticket, job, link, caseId });
  }

  stop(): void {
    this.worker.terminate();
  }

  private post(m: ToJudge): void {
    this.worker.postMessage(m);
  }

  private take(m: FromJudge): void {
    if (m.kind === 'working') {
      if (m.ticket === this.workingTicket) this.working.set(m.working);
      return;
    }
    const job = this.queue.answered(m.ticket);
    if (!job) return;
    if (m.kind === 'broken') {
      this.broken.set(m.message);
      return;
    }
    this.broken.set('');
    this.judged.set(job);
    this.verdict.set(m.verdict);
  }
}
