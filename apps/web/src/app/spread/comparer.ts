import { Injectable, signal, type OnDestroy } from '@angular/core';
import type { Job } from '@core/job/schema';
import type { Refusal } from '@core/units/refusal';
import { Solvers, type Heard } from './solvers';
import type { Answer } from './spreader';

export type SideKey = 'here' | 'there';

/** Two layouts solved one after the other on the fine mesh, in workers of their own. */
@Injectable()
export class Comparer implements OnDestroy {
  readonly here = signal<Answer | null>(null);
  readonly there = signal<Answer | null>(null);
  readonly solving = signal<{ side: SideKey; done: number; of: number } | null>(null);
  readonly refusal = signal<(Refusal & { readonly side: SideKey }) | null>(null);
  readonly broken = signal('');

  private readonly solvers = new Solvers((m) => this.take(m));
  private side: SideKey = 'here';
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
    this.solvers.stop();
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
    this.solvers.end();
  }

  private ask(side: SideKey): void {
    this.side = side;
    this.solving.set({ side, done: 0, of: 0 });
    this.solvers.solve({ key: side, job: this.jobs![side], mesh: 'fine', caseId: this.caseId });
  }

  private take(m: Heard): void {
    const side = this.side;
    if (!this.jobs || m.kind === 'shown' || m.kind === 'lost') return;
    if (m.kind === 'progress') return this.solving.set({ side, done: m.done, of: m.of });
    this.solving.set(null);
    if (m.kind === 'refused') return this.refusal.set({ ...m.refusal, side });
    if (m.kind === 'died') return this.broken.set('The solver stopped; nothing was changed. Compare again.');
    if (m.kind === 'broken') return this.broken.set(m.message);
    const { figures, view, beside, milliseconds } = m;
    this[side].set({ figures, view, beside, milliseconds, mesh: 'fine', job: this.jobs[side] });
    if (side === 'here') this.ask('there');
  }
}
