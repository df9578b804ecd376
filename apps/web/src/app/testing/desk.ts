import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { evaluate } from '@core/chain/evaluate';
import type { Job } from '@core/job/schema';
import type { Clearing } from '@core/options/clear';
import { Desk, type Picked } from '../job/desk';
import { Judge, type Turned } from '../job/judge';
import type { Weighed } from '../job/weigher';

/** A desk without a store: changes are applied at once and written down. */
export class TestDesk {
  readonly job = signal<Job | null>(null);
  readonly preview = signal<Job | null>(null);
  readonly picked = signal<Picked | null>(null);
  readonly openLink = signal('');
  readonly dimensions = signal(true);
  readonly crank = signal(1);
  readonly cranking = signal(false);
  readonly said = signal('');
  readonly state = signal({ settled: null as Job | null, save: 'saved' });
  readonly did: string[] = [];
  readonly shown = () => this.preview() ?? this.job();
  readonly undoable = () => '';
  readonly redoable = () => '';

  constructor(job: Job) {
    this.job.set(job);
    this.state.set({ settled: job, save: 'saved' });
  }

  change(did: string, f: (job: Job) => Job): void {
    this.did.push(did);
    this.job.update((j) => f(j!));
  }

  drag(f: (job: Job) => Job): void {
    this.job.update((j) => f(j!));
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
  readonly weigher = { weighed: signal<Weighed | null>(null), broken: signal('') };

  constructor(job: Job) {
    this.verdict.set(evaluate(job));
    this.judged.set(job);
  }
}

/** Provides both for a component under test. */
export function provideDesk(job: Job): TestDesk {
  const desk = new TestDesk(job);
  TestBed.configureTestingModule({
    providers: [
      { provide: Desk, useValue: desk },
      { provide: Judge, useValue: new TestJudge(job) },
    ],
  });
  return desk;
}
