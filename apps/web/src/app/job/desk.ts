import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { MOST_CRANK } from '@core/chain/crank';
import type { Job } from '@core/job/schema';
import { jobActions, jobFeature } from './job.state';

/** What is picked on the plan: a bolt, an edge or a corner of the plate. */
export type Picked =
  | { readonly kind: 'bolt'; readonly id: string }
  | { readonly kind: 'edge'; readonly edge: Edge }
  | { readonly kind: 'corner'; readonly x: 'x0' | 'x1'; readonly y: 'y0' | 'y1' };
export type Edge = 'x0' | 'x1' | 'y0' | 'y1';

/** The open job as the stages see it: the document, what is picked, and the ways to change it. */
@Injectable()
export class Desk {
  private readonly store = inject(Store);

  readonly state = this.store.selectSignal(jobFeature.selectJobState);
  readonly job = this.store.selectSignal(jobFeature.selectJob);
  readonly undoable = this.store.selectSignal(jobFeature.selectUndo);
  readonly redoable = this.store.selectSignal(jobFeature.selectRedo);

  /** A layout shown but not taken, while an option is hovered. */
  readonly preview = signal<Job | null>(null);
  readonly shown = computed(() => this.preview() ?? this.job());

  readonly picked = signal<Picked | null>(null);
  /** Link whose working is open. */
  readonly openLink = signal('');
  /** Dimension lines on the plan. */
  readonly dimensions = signal(true);
  /** How many times the load the chain is shown under; 1 is the load itself. */
  readonly crank = signal(1);
  readonly cranking = signal(false);
  /** Said to a screen reader. */
  readonly said = signal('');

  change(did: string, f: (job: Job) => Job, field?: string): void {
    const job = this.job();
    if (job) this.store.dispatch(jobActions.change({ job: f(job), did, field }));
  }

  /** Turns the crank, within nothing and three times the load. */
  turn(to: number): void {
    const k = Math.min(MOST_CRANK, Math.max(0, Math.round(to * 100) / 100));
    this.cranking.set(true);
    this.crank.set(k);
    this.said.set(`${k.toFixed(2)} times the load`);
  }

  letGoOfCrank(): void {
    this.cranking.set(false);
    this.crank.set(1);
  }

  leaveField(): void {
    this.store.dispatch(jobActions.leaveField());
  }

  /** Shows a change while the pointer is down; `drop` keeps it as one step. */
  drag(f: (job: Job) => Job): void {
    const settled = this.state().settled;
    if (settled) this.store.dispatch(jobActions.drag({ job: f(settled) }));
  }

  drop(did: string): void {
    this.store.dispatch(jobActions.drop({ did }));
  }

  cancelDrag(): void {
    this.store.dispatch(jobActions.dragCancelled());
  }

  undo(): void {
    const did = this.undoable();
    if (!did) return;
    this.store.dispatch(jobActions.undo());
    this.said.set(`Undone: ${did}`);
  }

  redo(): void {
    const did = this.redoable();
    if (!did) return;
    this.store.dispatch(jobActions.redo());
    this.said.set(`Done again: ${did}`);
  }
}
