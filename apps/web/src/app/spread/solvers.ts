import type { Job } from '@core/job/schema';
import { casesOf } from '@core/loads/cases';
import type { Mesh } from '@core/spread/from-job';
import { ENVELOPE, envelopeOf, type SpreadView } from '@core/spread/view';
import type { Refusal } from '@core/units/refusal';
import type { FromSpreader, ToSpreader } from '../workers/messages';
import type { Solved } from '../workers/spreading';
import { solversAtOnce, startSpreader } from '../workers/start';

/** What is heard of the solve asked for last, or of a case shown. */
export type Heard =
  | { readonly kind: 'progress'; readonly done: number; readonly of: number }
  | ({ readonly kind: 'solved'; readonly caseId: string; readonly milliseconds: number } & Solved)
  | ({ readonly kind: 'shown'; readonly key: string; readonly caseId: string } & Pick<Solved, 'view' | 'beside'>)
  /** A case asked for is not there any more: it has to be solved again. */
  | { readonly kind: 'lost'; readonly key: string; readonly caseId: string }
  | { readonly kind: 'refused'; readonly refusal: Refusal }
  | { readonly kind: 'broken'; readonly message: string }
  /** A worker died with what it kept; the next solve starts new ones. */
  | { readonly kind: 'died' };

export interface ToSolve {
  readonly key: string;
  readonly job: Job;
  readonly mesh: Mesh;
  readonly caseId: string;
}

/** A proof of all cases at once may not take more memory than two. */
const MOST: Record<Mesh, number> = { draft: 4, fine: 4, proof: 2 };

/** The cases of one of several workers: every n-th, so that they stay the same from job to job. */
const shareOf = (order: readonly string[], worker: number, workers: number): readonly string[] =>
  order.filter((_, k) => k % workers === worker);

type Answered = Extract<FromSpreader, { kind: 'solved' }>;
type Shown = Extract<FromSpreader, { kind: 'shown' }>;
type Lost = Extract<FromSpreader, { kind: 'lost' }>;

/**
 * Workers that share the cases of a solve: each has every n-th, always the same ones, so that it starts from its own last answer.
 * One solve at a time; the next one takes its place.
 */
export class Solvers {
  private workers: Worker[] = [];
  private ticket = 0;
  /** The solve under way: which cases there are, and what each worker has said. */
  private solving: { readonly order: readonly string[]; readonly done: number[]; readonly answers: (Answered | null)[] } | null =
    null;
  /** How many workers have a part of each key's last answer. */
  private readonly parts = new Map<string, number>();
  private showing: { readonly key: string; readonly caseId: string; readonly shown: (Shown | null)[] } | null = null;

  constructor(private readonly tell: (m: Heard) => void) {}

  solve({ key, job, mesh, caseId }: ToSolve): void {
    const order = casesOf(job).map((c) => c.id);
    // What cannot be solved is refused by a worker too.
    const shares = Math.max(1, Math.min(order.length, solversAtOnce(), MOST[mesh]));
    this.stopFrom(shares);
    while (this.workers.length < shares) this.workers.push(this.makeWorker(this.workers.length));
    this.solving = { order, done: Array<number>(shares).fill(0), answers: Array<null>(shares).fill(null) };
    this.parts.set(key, shares);
    this.ticket++;
    for (let i = 0; i < shares; i++) {
      this.post(i, { kind: 'solve', ticket: this.ticket, key, job, mesh, cases: shareOf(order, i, shares), caseId });
    }
  }

  /** Another case, or the largest of all, of a key's last answer. */
  show(key: string, caseId: string): void {
    const shares = this.parts.get(key) ?? 0;
    if (shares === 0) return this.tell({ kind: 'lost', key, caseId });
    this.showing = { key, caseId, shown: Array<null>(shares).fill(null) };
    for (let i = 0; i < shares; i++) this.post(i, { kind: 'show', key, caseId });
  }

  /** Gives up what is under way. */
  stop(): void {
    this.stopFrom(0);
    this.solving = null;
  }

  /** Ends every worker; the next solve starts new ones. */
  end(): void {
    for (const w of this.workers) w.terminate();
    this.workers = [];
    this.solving = null;
    this.showing = null;
    this.parts.clear();
  }

  /** Stops the workers from one on that have not answered yet; the others need no telling. */
  private stopFrom(first: number, but?: number): void {
    this.solving?.answers.forEach((a, i) => {
      if (i >= first && i !== but && a === null) this.post(i, { kind: 'stop' });
    });
  }

  private post(i: number, m: ToSpreader): void {
    this.workers[i]!.postMessage(m);
  }

  private makeWorker(i: number): Worker {
    const worker = startSpreader();
    worker.addEventListener('message', ({ data }: MessageEvent<FromSpreader>) => {
      if (this.workers[i] === worker) this.take(i, data);
    });
    worker.addEventListener('error', () => {
      if (this.workers[i] !== worker) return;
      this.end();
      this.tell({ kind: 'died' });
    });
    return worker;
  }

  private take(i: number, m: FromSpreader): void {
    if (m.kind === 'shown' || m.kind === 'lost') return this.takeShown(i, m);
    const s = this.solving;
    if (!s || m.ticket !== this.ticket || m.kind === 'stopped') return;
    if (m.kind === 'progress' || m.kind === 'solved') {
      s.done[i] = m.kind === 'progress' ? m.done : shareOf(s.order, i, s.done.length).length;
      if (m.kind === 'solved') s.answers[i] = m;
      const answers = s.answers.filter((a) => a !== null);
      if (answers.length < s.answers.length)
        return this.tell({ kind: 'progress', done: s.done.reduce((sum, n) => sum + n), of: s.order.length });
      this.solving = null;
      return this.tell(together(answers, s.order));
    }
    this.stopFrom(0, i);
    this.solving = null;
    this.tell(m.kind === 'refused' ? { kind: 'refused', refusal: m.refusal } : { kind: 'broken', message: m.message });
  }

  private takeShown(i: number, m: Shown | Lost): void {
    const s = this.showing;
    if (s?.key !== m.key || s.caseId !== m.caseId) return;
    if (m.kind === 'lost') {
      this.showing = null;
      return this.tell(m);
    }
    s.shown[i] = m;
    const shown = s.shown.filter((a) => a !== null);
    if (shown.length < s.shown.length) return;
    this.showing = null;
    this.tell({ kind: 'shown', key: s.key, caseId: s.caseId, ...fieldsOf(shown, s.caseId) });
  }
}

/** Fields of the case that one of the workers has, or the largest of all. */
function fieldsOf(parts: readonly Solved[], caseId: string): Pick<Solved, 'view' | 'beside'> {
  const views = parts.map((p) => p.view).filter((v): v is SpreadView => v !== undefined);
  return {
    view: views.length > 1 || caseId === ENVELOPE ? envelopeOf(views) : views[0],
    beside: parts.flatMap((p) => p.beside),
  };
}

function together(answers: readonly Answered[], order: readonly string[]): Heard {
  const [first] = answers;
  const cases = answers.flatMap((a) => a.figures.cases);
  return {
    kind: 'solved',
    caseId: first!.caseId,
    milliseconds: Math.max(...answers.map((a) => a.milliseconds)),
    // With membrane action in some cases only, the larger system is the one told.
    figures: {
      ...first!.figures,
      unknowns: Math.max(...answers.map((a) => a.figures.unknowns)),
      cases: order.flatMap((id) => cases.filter((c) => c.caseId === id)),
    },
    ...fieldsOf(answers, first!.caseId),
  };
}
