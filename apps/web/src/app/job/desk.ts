import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { MOST_CRANK } from '@core/chain/crank';
import { atFoot, footOf, putAtFoot } from '@core/job/at-foot';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { jobActions, jobFeature } from './job.state';

/** What is picked on the plan: a bolt, an edge or a corner of the plate. */
export type Picked =
  | { readonly kind: 'bolt'; readonly id: string }
  /** One of the plate's own holes. */
  | { readonly kind: 'hole'; readonly id: string }
  | { readonly kind: 'edge'; readonly edge: Edge }
  | { readonly kind: 'corner'; readonly x: 'x0' | 'x1'; readonly y: 'y0' | 'y1' }
  /** A corner of a drawn outline; ring −1 is the outer one, others are openings. */
  | { readonly kind: 'node'; readonly ring: number; readonly index: number };
export type Edge = 'x0' | 'x1' | 'y0' | 'y1';

/** The open job as the stages see it: the document, what is picked, and the ways to change it. */
@Injectable()
export class Desk {
  private readonly store = inject(Store);

  readonly state = this.store.selectSignal(jobFeature.selectJobState);
  /** The whole document, with all its feet. */
  readonly whole = this.store.selectSignal(jobFeature.selectJob);
  private readonly footPicked = signal('');
  /** The foot in hand; the first until another is picked. */
  readonly foot = computed(() => {
    const whole = this.whole();
    return whole ? footOf(whole, this.footPicked()).id : '';
  });
  /** The job as it stands at the foot in hand: what the stages show and change. */
  readonly job = computed(() => {
    const whole = this.whole();
    return whole && atFoot(whole, this.foot());
  });
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

  /** Takes another foot in hand. What was picked on the last one is let go. */
  takeFoot(id: string): void {
    this.footPicked.set(id);
    this.picked.set(null);
    const whole = this.whole();
    if (whole && whole.feet.length > 1) this.said.set(`${footOf(whole, id).name} in hand`);
  }

  /** A change at the foot in hand; what is said of the fitting is said of all, what is drawn is drawn for every foot made alike. */
  change(did: string, f: (job: Job) => Job, field?: string): void {
    this.changeWhole(did, (whole) => putAtFoot(whole, this.foot(), f(atFoot(whole, this.foot()))), field);
  }

  /** A change of the whole: how it stands, which feet there are. */
  changeWhole(did: string, f: (whole: WholeJob) => WholeJob, field?: string): void {
    const whole = this.whole();
    if (whole) this.store.dispatch(jobActions.change({ job: f(whole), did, field }));
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
    const at = this.foot();
    if (settled) this.store.dispatch(jobActions.drag({ job: putAtFoot(settled, at, f(atFoot(settled, at))) }));
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
