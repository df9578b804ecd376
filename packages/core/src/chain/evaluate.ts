import { applies, type Check } from '../checks/check';
import { loaded, type UnderLoad } from '../checks/demand/loaded';
import { CHECKS } from '../checks/registry';
import { casesOf, loadFactor, loadRefusals } from '../loads/cases';
import { factored, type LoadCase } from '../loads/load-case';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import type { Shared } from '../sharing/share';
import type { Solved } from '../sharing/solved';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { Working, type Step } from '../working/steps';
import { asked, linkOf, stateAt, worstOf, type Link } from './link';

export { TIGHT, type Link, type LinkState } from './link';

export type VerdictState = 'sound' | 'tight' | 'fails' | 'refused';

/** A case shared over the bolts, and the pull that comes of it in each of them, with its prying, N. */
export interface SharedCase extends Shared {
  readonly pulls: readonly number[];
}

export interface Verdict {
  readonly state: VerdictState;
  /** Reasons the job as a whole cannot be computed; then there are no links. */
  readonly refusals: readonly Refusal[];
  readonly cases: readonly LoadCase[];
  readonly links: readonly Link[];
  /** Id of the weakest link; empty where there is none. */
  readonly weakest: string;
  readonly shared: readonly SharedCase[];
}

export const NO_LOADS = refuse('loads', 'there is no load case', 'at least one load');

export const refusedVerdict = (refusals: readonly Refusal[], cases: readonly LoadCase[] = []): Verdict => ({
  state: 'refused',
  refusals,
  cases,
  links: [],
  weakest: '',
  shared: [],
});

/** The spread solver's figures by case. */
export type SolvedCases = ReadonlyMap<string, Solved>;

/**
 * Job document → cases at the datum → sharing → checks → chain, in one pass. Pure. `solved`: the spread solver's figures by case, of
 * the load `times` as large; `r`: the job resolved, where it is known already.
 */
export function evaluate(job: Job, solved?: SolvedCases, times = 1, r: Resolved | readonly Refusal[] = resolve(job)): Verdict {
  const cases = casesOf(job);
  if (!isResolved(r)) return refusedVerdict(r, cases);
  if (cases.length === 0) {
    const no = loadRefusals(job);
    return refusedVerdict(no.length > 0 ? no : [NO_LOADS]);
  }
  return evaluateResolved(r, cases, job.practice, solved, times);
}

/** The case as the job's school counts it, so many times; its weight is in it and no longer apart, so that a part of it is a part of all. */
export const asCounted = (c: LoadCase, practice: Job['practice'], times = 1): LoadCase => {
  const { weight: _w, onWeight: _o, ...once } = factored(c, loadFactor(practice, c.action));
  return factored(once, times);
};

function evaluateResolved(
  r: Resolved,
  cases: readonly LoadCase[],
  practice: Job['practice'],
  solved: SolvedCases | undefined,
  times: number,
): Verdict {
  const under: UnderLoad[] = [];
  const refusals: Refusal[] = [];
  for (const c of cases) {
    const s = loaded(r, asCounted(c, practice, times), solved?.get(c.id));
    if (isRefusal(s)) refusals.push({ ...s, because: `${c.name}: ${s.because}` });
    else under.push(s);
  }
  if (refusals.length > 0) return refusedVerdict(refusals, cases);
  return verdictOf(cases, under);
}

/** The weakest of some checks over all cases. */
export interface Weakest {
  readonly utilisation: number;
  readonly name: string;
  readonly caseName: string;
}

/** The weakest of `checks`, or undefined as soon as one fails or is refused: all that a search for sound layouts needs. */
export function weakestSound(checks: readonly Check[], cases: readonly UnderLoad[]): Weakest | undefined {
  let weakest: Weakest = { utilisation: 0, name: '', caseName: '' };
  for (const check of checks) {
    for (const one of cases) {
      const result = asked(check, one);
      if (!applies(result)) continue;
      if (isRefusal(result) || result.utilisation > 1) return undefined;
      if (!check.loadFree && !result.loadFree && result.utilisation > weakest.utilisation)
        weakest = { utilisation: result.utilisation, name: check.name, caseName: one.s.loadCase.name };
    }
  }
  return weakest;
}

function verdictOf(cases: readonly LoadCase[], under: readonly UnderLoad[]): Verdict {
  const links = CHECKS.map((check) => linkOf(check, under));
  const weakest = worstOf(links.filter((l) => !l.loadFree || l.state === 'fails'));
  const worst = stateAt(weakest?.utilisation ?? 0);
  const state: VerdictState = worst === 'fails' ? 'fails' : links.some((l) => l.state === 'refused') ? 'refused' : worst;
  // Without what only computes: a verdict goes from worker to page.
  const silent = new Working(false);
  const shared = under.map(({ r, s: { demand, ...s } }) => ({ ...s, pulls: r.bolts.map((_, i) => demand.pull(i, silent)) }));
  return { state, refusals: [], cases, links, weakest: weakest?.id ?? '', shared };
}

/** The working of one link in one case, written down; undefined where the job or the case is refused. */
export interface LinkWorking {
  readonly check: Pick<Check, 'id' | 'name' | 'says' | 'why' | 'source' | 'range'>;
  readonly caseName: string;
  readonly steps: readonly Step[];
}

export function workingOf(job: Job, linkId: string, caseId: string, solved?: SolvedCases): LinkWorking | undefined {
  const check = CHECKS.find((c) => c.id === linkId);
  const r = resolve(job);
  const loadCase = casesOf(job).find((c) => c.id === caseId);
  if (!check || !loadCase || !isResolved(r)) return undefined;
  const s = loaded(r, asCounted(loadCase, job.practice), solved?.get(caseId));
  if (isRefusal(s)) return undefined;
  const w = new Working(true);
  asked(check, s, w);
  const { id, name, says, why, source, range } = check;
  return { check: { id, name, says, why, source, range }, caseName: loadCase.name, steps: w.steps };
}
