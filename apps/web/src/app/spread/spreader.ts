import { computed, Injectable, signal, type OnDestroy } from '@angular/core';
import type { Job } from '@core/job/schema';
import type { Mesh } from '@core/spread/from-job';
import { meshError } from '@core/spread/view';
import type { Refusal } from '@core/units/refusal';
import type { Solved } from '../workers/spreading';
import { Solvers, type Heard } from './solvers';

/** How long nothing has to change before the fine mesh is begun, ms. */
const STILL = 250;

/** How long a solve nobody asked for by itself may take, ms; a proof was asked for, and goes on until it is stopped. */
const BUDGET = 60_000;

/**
 * How long a picture may stand for a layout that has been left, ms: in a drag it follows by a solve or two, and is one moving
 * picture; what takes longer is marked as of the layout before.
 */
const FOLLOWS = 300;

/** An answer with the job it is about. */
export interface Answer extends Solved {
  readonly job: Job;
  readonly mesh: Mesh;
  readonly milliseconds: number;
}

interface Asked {
  readonly job: Job;
  readonly mesh: Mesh;
}

/**
 * How one layout's load spreads, solved in workers: a draft at once, a fine answer when nothing has changed for a moment, and a
 * proof when asked. One draft is under way at a time and only the newest job waits, so a drag never waits; a fine answer is given
 * up as soon as the job changes. Stopping, or a worker that dies, leaves the last answer and everything else as it was.
 */
@Injectable()
export class Spreader implements OnDestroy {
  readonly answer = signal<Answer | null>(null);
  /** The draft of the job that `answer` is about, for the error between meshes. */
  private readonly draft = signal<Answer | null>(null);
  readonly solving = signal<{ mesh: Mesh; done: number; of: number } | null>(null);
  readonly refusal = signal<Refusal | null>(null);
  readonly broken = signal('');
  readonly stopped = signal(false);
  /** The job wanted last. */
  readonly wanted = signal<Job | null>(null);
  /** Whether the answer is about a layout that was left too long ago to pass for the one wanted. */
  readonly lagging = signal(false);
  /** Relative difference of the finer answer to the draft. */
  readonly error = computed(() => {
    const [a, d] = [this.answer(), this.draft()];
    return a && d && a !== d && a.job === d.job ? meshError(d.figures, a.figures) : undefined;
  });

  private readonly solvers = new Solvers((m) => this.take(m));
  private underWay: Asked | null = null;
  private waiting: Job | null = null;
  private still: ReturnType<typeof setTimeout> | undefined;
  private budget: ReturnType<typeof setTimeout> | undefined;
  private lag: ReturnType<typeof setTimeout> | undefined;
  /** When the layout of the answer, and that of the solve under way, was left for another. */
  private left: { answer?: number | undefined; underWay?: number | undefined } = {};
  private caseId = '';

  /** The job to solve, and the case whose fields are shown. */
  follow(job: Job, caseId: string): void {
    if (job === this.wanted()) return this.show(caseId);
    this.caseId = caseId;
    this.wanted.set(job);
    this.stopped.set(false);
    clearTimeout(this.still);
    this.left.answer ??= Date.now();
    this.left.underWay ??= Date.now();
    this.age();
    if (this.underWay?.mesh === 'draft') this.waiting = job;
    else this.ask(job, 'draft');
  }

  /** Marks the answer as lagging when its layout was left long enough ago. */
  private age(): void {
    clearTimeout(this.lag);
    const { answer } = this.left;
    const rest = answer === undefined || !this.answer() ? Infinity : answer + FOLLOWS - Date.now();
    this.lagging.set(rest <= 0);
    if (rest > 0 && rest < Infinity) this.lag = setTimeout(() => this.lagging.set(true), rest);
  }

  /** Another case of the same answer. */
  show(caseId: string): void {
    if (caseId === this.caseId) return;
    this.caseId = caseId;
    const a = this.answer();
    if (a) this.solvers.show(a.mesh, caseId);
  }

  /** The wanted job on a finer mesh; asked for by hand it may take as long as it takes, with progress and stop. */
  refine(mesh: Mesh): void {
    const job = this.wanted();
    if (job) this.ask(job, mesh, false);
  }

  stop(): void {
    clearTimeout(this.still);
    clearTimeout(this.budget);
    this.waiting = null;
    this.underWay = null;
    this.solving.set(null);
    this.stopped.set(true);
    this.solvers.stop();
  }

  ngOnDestroy(): void {
    clearTimeout(this.still);
    clearTimeout(this.budget);
    clearTimeout(this.lag);
    this.solvers.end();
  }

  /** Says how far it came; what was found before stands. */
  private overran(): void {
    const now = this.solving();
    if (!now) return;
    this.stop();
    const far = now.of > 0 ? `${now.done} of ${now.of} cases were solved` : 'no case was solved';
    this.broken.set(
      `Stopped after ${BUDGET / 1000} s on the ${now.mesh} mesh: ${far}, the rest was not.${this.answer() ? ' What is shown is the mesh before.' : ''} Solve again goes on without a limit.`,
    );
  }

  private ask(job: Job, mesh: Mesh, limited = true): void {
    clearTimeout(this.still);
    clearTimeout(this.budget);
    this.waiting = null;
    this.stopped.set(false);
    this.broken.set('');
    this.underWay = { job, mesh };
    this.left.underWay = undefined;
    this.solving.set({ mesh, done: 0, of: 0 });
    if (mesh !== 'proof' && limited) this.budget = setTimeout(() => this.overran(), BUDGET);
    this.solvers.solve({ key: mesh, job, mesh, caseId: this.caseId });
  }

  private take(m: Heard): void {
    if (m.kind === 'shown') {
      const a = this.answer();
      if (a && m.key === a.mesh && m.caseId === this.caseId) this.answer.set({ ...a, view: m.view, beside: m.beside });
      return;
    }
    const asked = this.underWay;
    if (m.kind === 'lost') {
      // What is being solved now will show it.
      if (!asked && m.caseId === this.caseId) this.refine(m.key as Mesh);
      return;
    }
    if (m.kind === 'progress') {
      if (asked) this.solving.set({ mesh: asked.mesh, done: m.done, of: m.of });
      return;
    }
    clearTimeout(this.budget);
    this.underWay = null;
    this.solving.set(null);
    if (m.kind === 'solved') this.found(m, asked!);
    else if (m.kind === 'refused') {
      this.refusal.set(m.refusal);
      this.answer.set(null);
      this.age();
    } else if (m.kind === 'broken') this.broken.set(m.message);
    else this.broken.set('The solver stopped and is started again; nothing else is lost. Solve again.');
    if (this.waiting && m.kind !== 'died') this.ask(this.waiting, 'draft');
  }

  private found(m: Extract<Heard, { kind: 'solved' }>, { job, mesh }: Asked): void {
    const { figures, view, beside, milliseconds } = m;
    const answer: Answer = { figures, view, beside, milliseconds, job, mesh };
    this.refusal.set(null);
    this.answer.set(answer);
    this.left.answer = this.left.underWay;
    this.age();
    if (m.caseId !== this.caseId) this.solvers.show(mesh, this.caseId);
    if (mesh !== 'draft') return;
    this.draft.set(answer);
    if (job === this.wanted()) this.still = setTimeout(() => this.ask(job, 'fine'), STILL);
  }
}
