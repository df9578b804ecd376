import { preloadCounts } from '../job/preload-lasts';
import { isResolved, resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import { spreadRulesOf } from '../job/spread-rules';
import { casesOf } from '../loads/cases';
import type { Solved } from '../sharing/solved';
import type { Mesh } from '../spread/from-job';
import { spreadOf, THIN, type Spread, type SpreadCase } from '../spread/spread';
import { isRefusal, type Refusal } from '../units/refusal';
import { asCounted, evaluate, NO_LOADS, refusedVerdict, type SolvedCases, type Verdict } from './evaluate';
import { goodFor, holdsAt, isFigures, withoutFactors, type Multiple, type SolvedAt } from './multiple';
import { solveIt, type AsSolved, type SolveIt } from './solve-it';

/** A verdict, and what it rests on where the job has its checks judged as solved. */
export interface Judged {
  readonly verdict: Verdict;
  readonly solved?: SolvedCases;
  /** To start the next solve from. */
  readonly spread?: Spread;
}

/** What a verdict means in multiples of the load. */
export interface Multiples {
  /** With the factors kept. */
  readonly goodFor: Multiple;
  /** Without them: where it would let go. */
  readonly letsGoNear: Multiple;
}

/** What a verdict means, and whether the hand's word may be taken. */
export interface Meaning extends Multiples {
  /** Set where the job holds by hand and a draft of the solver says clearly less. */
  readonly solveIt?: SolveIt;
}

/** How a job is judged: from an earlier solve, on a mesh, under so many times its load. */
interface How {
  readonly before?: Spread | undefined;
  readonly mesh?: Mesh;
  readonly times?: number;
  /** The job resolved, where it is known already. */
  readonly resolved?: ReturnType<typeof resolve>;
}

const byHand = (job: Job) => spreadRulesOf(job).checks === 'hand';

/** The chain of a job by the figures it names: by hand, or solved on the fine mesh. One answer everywhere: page, server and command line. */
export function judge(job: Job, { before, mesh = 'fine', times = 1, resolved }: How = {}): Judged {
  if (byHand(job)) return { verdict: evaluate(job, undefined, times, resolved) };
  const found = solvedOf(job, mesh, times, before);
  if ('refusals' in found) return { verdict: refusedVerdict(found.refusals, casesOf(job)) };
  return { verdict: evaluate(job, found.solved, times), ...found };
}

/** What a verdict means in multiples of the load, with a draft of the solver asked where the job holds by hand: up to a second or two. */
export function meaningOf(job: Job, judged: Judged, mesh: Mesh = 'fine'): Meaning {
  const multiples = multiplesOf(job, judged, mesh);
  const doubt = doubtOf(job, judged, multiples);
  return { ...multiples, ...(doubt ? { solveIt: doubt } : {}) };
}

/** Set where the job holds by hand and a draft of the solver says clearly less. */
export const doubtOf = (job: Job, judged: Judged, { goodFor: kept }: Multiples): SolveIt | undefined =>
  byHand(job) ? solveIt(judged.verdict, kept, () => asSolvedDraft(job)) : undefined;

/** The multiples of the load. Asks the path again at other loads, and the solver too where its answer does not go in proportion. */
export function multiplesOf(job: Job, judged: Judged, mesh: Mesh = 'fine'): Multiples {
  const kept = goodFor(job, judged.verdict, solvedAt(job, mesh, judged.solved));
  const bare = withoutFactors(job);
  const sameLoads = job.practice.school !== 'limit';
  const as: Judged = byHand(job) || !sameLoads ? judge(bare, { mesh }) : { ...judged, verdict: evaluate(bare, judged.solved) };
  const near = goodFor(bare, as.verdict, solvedAt(bare, mesh, as.solved));
  return { goodFor: kept, letsGoNear: near };
}

/** The multiple with the factors kept, alone. */
export const keptMultiple = (job: Job, judged: Judged, mesh: Mesh = 'fine'): Multiple =>
  goodFor(job, judged.verdict, solvedAt(job, mesh, judged.solved));

/** Whether a judged job holds at so many times its load: one question where the multiple itself takes twenty. */
export const holdsUnder = (job: Job, judged: Judged, times: number, mesh: Mesh = 'fine'): boolean =>
  holdsAt(job, times, solvedAt(job, mesh, judged.solved));

/** How the job fares on a draft of the solver; nothing where that refuses it. */
function asSolvedDraft(job: Job): AsSolved {
  const as: Job = { ...job, spread: { ...spreadRulesOf(job), checks: 'solver' } };
  const at = solvedAt(as, 'draft');
  return {
    holdsAt: (k) => holdsAt(as, k, at),
    goodFor: () => {
      const solved = at(1);
      return isFigures(solved) ? goodFor(as, evaluate(as, solved), at) : { known: false, because: solved![0]!.because };
    },
  };
}

/** The solver's figures at any load, `first` at the load itself: in proportion while they are, solved again where they are not. */
function solvedAt(job: Job, mesh: Mesh, first?: SolvedCases): SolvedAt {
  const r = resolve(job);
  if (byHand(job) || !isResolved(r)) return () => undefined;
  const preloaded = preloadCounts(r);
  const bends = spreadRulesOf(job).membrane !== 'never';
  const known = new Map<number, SolvedCases | readonly Refusal[]>(first ? [[1, first]] : []);
  const inProportion = (solved: SolvedCases, k: number) =>
    !preloaded && (!bends || [...solved.values()].every((s) => !s.membrane && s.overThickness * k <= THIN));
  return (k) => {
    const kept = known.get(k);
    if (kept) return kept;
    for (const [at, solved] of known) if (isFigures(solved) && inProportion(solved, k / at)) return scaledBy(solved, k / at);
    const again = solvedOf(job, mesh, k);
    const found = 'refusals' in again ? again.refusals : again.solved;
    known.set(k, found);
    return found;
  };
}

const scaledBy = (solved: SolvedCases, k: number): SolvedCases => new Map([...solved].map(([id, s]) => [id, timesSolved(s, k)]));

/** A linear answer at a multiple of its load. */
function timesSolved(s: Solved, k: number): Solved {
  const read = (x: Solved['pressure']) => ({ ...x, value: x.value * k });
  const overThickness = s.overThickness * k;
  return {
    ...s,
    tensions: s.tensions.map((t) => t * k),
    pushes: s.pushes.map((p) => p * k),
    plateStress: read(s.plateStress),
    farStress: read(s.farStress),
    edgeStress: read(s.edgeStress),
    deflection: read(s.deflection),
    pressure: read(s.pressure),
    press: s.press * k,
    skinShear: read(s.skinShear),
    tooThin: overThickness > THIN,
    overThickness,
  };
}

function solvedOf(
  job: Job,
  mesh: Mesh,
  times: number,
  before?: Spread,
): { solved: SolvedCases; spread: Spread } | { refusals: readonly Refusal[] } {
  const r = resolve(job);
  if (!isResolved(r)) return { refusals: r };
  const cases = casesOf(job).map((c) => asCounted(c, job.practice, times));
  if (cases.length === 0) return { refusals: [NO_LOADS] };
  const spread = spreadOf(r, cases, mesh, before);
  if (isRefusal(spread)) return { refusals: [spread] };
  const refusals = spread.cases.flatMap((c) => ('refused' in c ? [{ ...c, because: `${c.caseName}: ${c.because}` }] : []));
  if (refusals.length > 0) return { refusals };
  const held = r.joint.bedding === 'bonded' ? spreadOf({ ...r, glueHolds: true }, cases, mesh) : undefined;
  if (isRefusal(held)) return { refusals: [held] };
  const by = `spread solver, ${mesh} mesh, ${spread.unknowns} unknowns`;
  const bonded = new Map(held?.cases.map((c) => [c.caseId, c]));
  const solved = new Map<string, Solved>();
  for (const c of spread.cases) {
    if ('refused' in c) continue;
    const glued = bonded.get(c.caseId);
    const one = figuresOf(c, by);
    solved.set(c.caseId, glued && !('refused' in glued) ? worseOf(one, figuresOf(glued, by)) : one);
  }
  return { solved, spread };
}

const figuresOf = (c: SpreadCase, mesh: string): Solved => ({
  mesh,
  tensions: c.bolts.map((b) => b.tension),
  pushes: c.bolts.map((b) => b.push),
  plateStress: c.plateStress,
  farStress: c.farStress,
  edgeStress: c.edgeStress,
  deflection: c.deflection,
  pressure: c.pressure,
  press: c.press,
  skinShear: c.skinShear,
  membrane: c.membrane,
  tooThin: !c.membrane && c.overThickness > THIN,
  overThickness: c.overThickness,
});

/**
 * A bonded plate in both its states: the glue let go, and the bolts pull; the glue holding, and plate and skin bend as one with the
 * bolts idle. Glue and bolts never share a pull, and each figure is the worse of the two.
 */
function worseOf(letGo: Solved, holding: Solved): Solved {
  const worse = (key: 'plateStress' | 'farStress' | 'edgeStress' | 'deflection' | 'skinShear') =>
    holding[key].value > letGo[key].value ? holding[key] : letGo[key];
  return {
    ...letGo,
    plateStress: worse('plateStress'),
    farStress: worse('farStress'),
    edgeStress: worse('edgeStress'),
    deflection: worse('deflection'),
    skinShear: worse('skinShear'),
  };
}
