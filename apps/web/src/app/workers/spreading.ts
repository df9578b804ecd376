import { asCounted } from '@core/chain/evaluate';
import { handAndSolver, type HandAndSolver } from '@core/chain/hand-and-solver';
import { isResolved, resolve } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import { casesOf } from '@core/loads/cases';
import type { Mesh } from '@core/spread/from-job';
import { spreadSteps, type Progress, type Spread } from '@core/spread/spread';
import { ENVELOPE, figuresFor, figuresOf, viewOf, type SpreadFigures, type SpreadView } from '@core/spread/view';
import { isRefusal, refuse, type Refusal } from '@core/units/refusal';

/** A solve's figures, the fields of the case asked for, and the hand figures beside them. */
export interface Solved {
  readonly figures: SpreadFigures;
  readonly view: SpreadView | undefined;
  readonly beside: readonly HandAndSolver[];
}

/** Solves some cases of a job on a mesh, one by one; what it kept from one job makes the next one quick. */
export class Spreading {
  private kept: Spread | undefined;
  private job: Job | undefined;

  /** `coarser`: where the same job was solved on a coarser mesh; what touched there is where this one starts. */
  *solve(job: Job, mesh: Mesh, only: readonly string[], coarser?: Spreading): Generator<Progress, Refusal | undefined> {
    const r = resolve(job);
    if (!isResolved(r)) return r[0] ?? refuse('job', 'the job cannot be computed', 'a job without refusals');
    const cases = casesOf(job)
      .filter((c) => only.includes(c.id))
      .map((c) => asCounted(c, job.practice));
    if (cases.length === 0) return refuse('loads', 'there is no load case', 'at least one load');
    const before = this.kept;
    // What is kept is used up by the next solve: should that be stopped, it starts anew.
    this.kept = undefined;
    const found = yield* spreadSteps(r, cases, mesh, before, coarser?.kept);
    if (isRefusal(found)) return found;
    this.kept = found;
    this.job = job;
    return undefined;
  }

  /** The last solve as the stage shows it; nothing before the first. The fields only of a case that was solved here, or of all. */
  show(caseId: string): Solved | undefined {
    const r = this.job && resolve(this.job);
    if (!this.kept || !this.job || !r || !isResolved(r)) return undefined;
    const figures = figuresOf(this.kept);
    const loadCase = casesOf(this.job).find((c) => c.id === caseId);
    const own = loadCase?.id ?? ENVELOPE;
    const of = figuresFor(figures, own);
    return {
      figures,
      view: viewOf(r, this.kept, own),
      beside: of && loadCase ? handAndSolver(r, asCounted(loadCase, this.job.practice), of) : [],
    };
  }
}
