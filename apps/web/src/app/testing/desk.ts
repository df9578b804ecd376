import { computed, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { evaluate } from '@core/chain/evaluate';
import { atFoot, footOf, oneFoot, putAtFoot } from '@core/job/at-foot';
import { fittingGoodFor, footVerdicts, type FootVerdict } from '@core/chain/feet';
import type { Multiple } from '@core/chain/multiple';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import type { Clearing } from '@core/options/clear';
import { Desk, type Picked } from '../job/desk';
import { Judge, type Turned } from '../job/judge';
import type { Weighed } from '../job/weigher';
import { ShopDesk } from '../make/shop-desk';
import { LogDesk } from '../prove/log-desk';
import { TestLog } from './log';
import { TestShop } from './shop';

/** A desk without a store: changes are applied at once and written down. */
export class TestDesk {
  readonly whole = signal<WholeJob | null>(null);
  private readonly footPicked = signal('');
  readonly foot = computed(() => footOf(this.whole()!, this.footPicked()).id);
  readonly job = computed((): Job | null => atFoot(this.whole()!, this.foot()));
  readonly preview = signal<Job | null>(null);
  readonly picked = signal<Picked | null>(null);
  readonly openLink = signal('');
  readonly dimensions = signal(true);
  readonly crank = signal(1);
  readonly cranking = signal(false);
  readonly said = signal('');
  readonly state = signal({ settled: null as WholeJob | null, save: 'saved', version: 1 });
  readonly did: string[] = [];
  readonly shown = () => this.preview() ?? this.job();
  readonly undoable = () => '';
  readonly redoable = () => '';

  constructor(job: Job | WholeJob) {
    const whole = 'feet' in job ? job : oneFoot(job);
    this.whole.set(whole);
    this.state.set({ settled: whole, save: 'saved', version: 1 });
  }

  takeFoot(id: string): void {
    this.footPicked.set(id);
  }

  change(did: string, f: (job: Job) => Job): void {
    this.changeWhole(did, (w) => putAtFoot(w, this.foot(), f(this.job()!)));
  }

  changeWhole(did: string, f: (whole: WholeJob) => WholeJob): void {
    this.did.push(did);
    this.whole.update((w) => f(w!));
  }

  drag(f: (job: Job) => Job): void {
    this.whole.update((w) => putAtFoot(w!, this.foot(), f(this.job()!)));
  }

  drop(did: string): void {
    this.did.push(did);
  }

  turn(to: number): void {
    this.cranking.set(true);
    this.crank.set(to);
  }

  letGoOfCrank(): void {
    this.cranking.set(false);
    this.crank.set(1);
  }

  leaveField(): void {
    this.did.push('leave');
  }
}

/** A judge that answers in the same breath. */
export class TestJudge {
  readonly verdict = signal<ReturnType<typeof evaluate> | null>(null);
  readonly judged = signal<Job | null>(null);
  readonly working = signal(undefined);
  readonly clearings = signal<readonly Clearing[] | null>(null);
  readonly broken = signal('');
  readonly turned = signal<Turned | null>(null);
  readonly feet = { feet: signal<readonly FootVerdict[]>([]), goodFor: signal<Multiple | null>(null), broken: signal('') };
  readonly weigher = { weighed: signal<Weighed | null>(null), broken: signal('') };

  constructor(job: Job, whole: WholeJob) {
    if (whole.feet.length > 1) {
      this.feet.feet.set(footVerdicts(whole));
      this.feet.goodFor.set(fittingGoodFor(whole));
    }
    this.verdict.set(evaluate(job));
    this.judged.set(job);
  }
}

/** Provides both for a component under test. */
export function provideDesk(job: Job | WholeJob): TestDesk {
  const desk = new TestDesk(job);
  TestBed.configureTestingModule({
    providers: [
      { provide: Desk, useValue: desk },
      { provide: Judge, useValue: new TestJudge(desk.job()!, desk.whole()!) },
      { provide: ShopDesk, useValue: new TestShop() },
      { provide: LogDesk, useValue: new TestLog() },
    ],
  });
  return desk;
}
