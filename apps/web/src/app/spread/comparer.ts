import { Injectable, signal, type OnDestroy } from '@angular/core';
import type { Job } from '@core/job/schema';
import type { Refusal } from '@core/units/refusal';
import type { FromSpreader, ToSpreader } from '../workers/messages';
import { startSpreader } from '../workers/start';
import type { Answer } from './spreader';

export type SideKey = 'here' | 'there';

/** Two layouts solved one after the other on the fine mesh, in a worker of their own. */
@Injectable()
export class Comparer implements OnDestroy {
  readonly here = signal<Answer | null>(null);
  readonly there = signal<Answer | null>(null);
  readonly solving = signal<{ side: SideKey; done: number; of: number } | null>(null);
  readonly refusal = signal<(Refusal & { readonly side: SideKey }) | null>(null);
  readonly broken = signal('');

  private worker: Worker | null = null;
  private ticket = 0;
  private jobs: Readonly<Record<SideKey, Job>> | null = null;
  private caseId = '';

  compare(here: Job, there: Job, caseId: string): void {
    this.clear();
    this.jobs = { here, there };
    this.caseId = caseId;
    this.ask('here');
  }

  stop(): void {
    this.solving.set(null);
    this.jobs = null;
    this.worker?.postMessage({ kind: 'stop' } satisfies ToSpreader);
  }

  /** Forgets both answers, so that none stands beside a layout it is not about. */
  clear(): void {
    this.here.set(null);
    this.there.set(null);
    this.refusal.set(null);
    this.broken.set('');
    this.stop();
  }

  ngOnDestroy(): void {
    this.worker?.terminate();
  }

  private ask(side: SideKey): void {
    this.worker ??= this.makeWorker();
    this.solving.set({ side, done: 0, of: 0 });
    const job = this.jobs![side];
    this.worker.postMessage({
      kind: 'solve',
      ticket: ++this.ticket,
      key: side,
      job,
      mesh: 'fine',
      caseId: this.caseId,
    } satisfies ToSpreader);
  }

  private makeWorker(): Worker {
    const worker = startSpreader();
    worker.addEventListener('message', ({ data }: MessageEvent<FromSpreader>) => this.take(data));
    worker.addEventListener('error', () => {
      this.worker?.terminate();
      this.worker = null;
      this.solving.set(null);
      this.broken.set('The solver stopped; nothing was changed. Compare again.');
    });
    return worker;
  }

  private take(m: FromSpreader): void {
    if (!this.jobs || m.kind === 'shown' || m.ticket !== this.ticket) return;
    const side = m.key as SideKey;
    if (m.kind === 'progress') return this.solving.set({ side, done: m.done, of: m.of });
    this.solving.set(null);
    if (m.kind === 'refused') return this.refusal.set({ ...m.refusal, side });
    if (m.kind === 'broken') return this.broken.set(m.message);
    if (m.kind !== 'solved') return;
    const { figures, view, beside, milliseconds, mesh } = m;
    this[side].set({ figures, view, beside, milliseconds, mesh, job: this.jobs[side] });
    if (side === 'here') this.ask('there');
  }
}
