import { isResolved, resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import { spreadRulesOf } from '../job/spread-rules';
import { casesOf } from '../loads/cases';
import type { Solved } from '../sharing/solved';
import type { Mesh } from '../spread/from-job';
import { spreadOf, THIN, type Spread } from '../spread/spread';
import { isRefusal, type Refusal } from '../units/refusal';
import { asCounted, evaluate, NO_LOADS, type Verdict } from './evaluate';

/** A verdict, and what it rests on where the job has its checks judged as solved. */
export interface Judged {
  readonly verdict: Verdict;
  readonly solved?: ReadonlyMap<string, Solved>;
  /** To start the next solve from. */
  readonly spread?: Spread;
}

/** The chain of a job by the figures it names: by hand, or solved on the fine mesh. One answer everywhere: page, server and command line. */
export function judge(job: Job, before?: Spread, mesh: Mesh = 'fine'): Judged {
  if (spreadRulesOf(job).checks === 'hand') return { verdict: evaluate(job) };
  const found = solvedOf(job, before, mesh);
  if ('refusals' in found) return { verdict: { ...evaluate(job), ...REFUSED, refusals: found.refusals } };
  return { verdict: evaluate(job, found.solved), ...found };
}

const REFUSED: Pick<Verdict, 'state' | 'links' | 'weakest' | 'letsGoAt' | 'shared'> = {
  state: 'refused',
  links: [],
  weakest: '',
  letsGoAt: 0,
  shared: [],
};

function solvedOf(
  job: Job,
  before: Spread | undefined,
  mesh: Mesh,
): { solved: ReadonlyMap<string, Solved>; spread: Spread } | { refusals: readonly Refusal[] } {
  const r = resolve(job);
  if (!isResolved(r)) return { refusals: r };
  const cases = casesOf(job).map((c) => asCounted(c, job.practice));
  if (cases.length === 0) return { refusals: [NO_LOADS] };
  const spread = spreadOf(r, cases, mesh, before);
  if (isRefusal(spread)) return { refusals: [spread] };
  const refusals = spread.cases.flatMap((c) => ('refused' in c ? [{ ...c, because: `${c.caseName}: ${c.because}` }] : []));
  if (refusals.length > 0) return { refusals };
  const by = `spread solver, ${mesh} mesh, ${spread.unknowns} unknowns`;
  const solved = new Map<string, Solved>();
  for (const c of spread.cases)
    if (!('refused' in c))
      solved.set(c.caseId, {
        mesh: by,
        tensions: c.bolts.map((b) => b.tension),
        plateStress: c.plateStress,
        edgeStress: c.edgeStress,
        deflection: c.deflection,
        pressure: c.pressure,
        press: c.press,
        skinShear: c.skinShear,
        tooThin: !c.membrane && c.overThickness > THIN,
        overThickness: c.overThickness,
      });
  return { solved, spread };
}
