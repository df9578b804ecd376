import { applies, type Check, type Outcome } from '../checks/check';
import { CHECKS } from '../checks/registry';
import { casesOf, loadFactor, loadRefusals } from '../loads/cases';
import { factored, type LoadCase } from '../loads/load-case';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { share, type Shared } from '../sharing/share';
import type { Solved } from '../sharing/solved';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { Working, type Step } from '../working/steps';

/** Tight above this utilisation, failing above 1.00. */
export const TIGHT = 0.9;

export type LinkState = 'sound' | 'tight' | 'fails' | 'refused' | 'not needed';

/** One link of the load path with the case that governs it. Forces in N, stresses in MPa. */
export interface Link {
  readonly id: string;
  readonly name: string;
  readonly element: Check['element'];
  /** A rule of layout that the load does not enter. */
  readonly loadFree: boolean;
  readonly state: LinkState;
  readonly utilisation: number;
  readonly demand: number;
  readonly capacity: number;
  readonly unit: Outcome['unit'];
  /** Governing case and place. */
  readonly caseId: string;
  readonly caseName: string;
  readonly at: string;
  readonly cautions: readonly string[];
  /** Why it is refused or not needed. */
  readonly because: string;
  /** Utilisation of each case, in case order; NaN where the link does not apply in it. */
  readonly perCase: readonly number[];
}

export type VerdictState = 'sound' | 'tight' | 'fails' | 'refused';

export interface Verdict {
  readonly state: VerdictState;
  /** Reasons the job as a whole cannot be computed; then there are no links. */
  readonly refusals: readonly Refusal[];
  readonly cases: readonly LoadCase[];
  readonly links: readonly Link[];
  /** Id of the weakest link; empty where there is none. */
  readonly weakest: string;
  /** Lets go at this multiple of the load, as the job's school counts it; 0 where refused. */
  readonly letsGoAt: number;
  readonly shared: readonly Shared[];
}

export const NO_LOADS = refuse('loads', 'there is no load case', 'at least one load');

const refusedVerdict = (refusals: readonly Refusal[], cases: readonly LoadCase[] = []): Verdict => ({
  state: 'refused',
  refusals,
  cases,
  links: [],
  weakest: '',
  letsGoAt: 0,
  shared: [],
});

/** Job document → cases at the datum → sharing → checks → chain, in one pass. Pure. `solved`: the spread solver's figures by case. */
export function evaluate(job: Job, solved?: ReadonlyMap<string, Solved>): Verdict {
  const r = resolve(job);
  const cases = casesOf(job);
  if (!isResolved(r)) return refusedVerdict(r, cases);
  if (cases.length === 0) {
    const no = loadRefusals(job);
    return refusedVerdict(no.length > 0 ? no : [NO_LOADS]);
  }
  return evaluateResolved(r, cases, job.practice, solved);
}

/** The case as the job's school counts it. */
export const asCounted = (c: LoadCase, practice: Job['practice']): LoadCase => factored(c, loadFactor(practice, c.action));

function evaluateResolved(
  r: Resolved,
  cases: readonly LoadCase[],
  practice: Job['practice'],
  solved?: ReadonlyMap<string, Solved>,
): Verdict {
  const shared: Shared[] = [];
  const refusals: Refusal[] = [];
  for (const c of cases) {
    const s = share(r, asCounted(c, practice), solved?.get(c.id));
    if (isRefusal(s)) refusals.push({ ...s, because: `${c.name}: ${s.because}` });
    else shared.push(s);
  }
  if (refusals.length > 0) return refusedVerdict(refusals, cases);
  return verdictOf(r, cases, shared);
}

/** The weakest of some checks over all cases. */
export interface Weakest {
  readonly utilisation: number;
  readonly name: string;
  readonly caseName: string;
}

/** The weakest of `checks`, or undefined as soon as one fails or is refused: all that a search for sound layouts needs. */
export function weakestSound(checks: readonly Check[], r: Resolved, shared: readonly Shared[]): Weakest | undefined {
  let weakest: Weakest = { utilisation: 0, name: '', caseName: '' };
  for (const check of checks) {
    for (const s of shared) {
      const result = check.evaluate(r, s, SILENT);
      if (!applies(result)) continue;
      if (isRefusal(result) || result.utilisation > 1) return undefined;
      if (!check.loadFree && !result.loadFree && result.utilisation > weakest.utilisation)
        weakest = { utilisation: result.utilisation, name: check.name, caseName: s.loadCase.name };
    }
  }
  return weakest;
}

function verdictOf(r: Resolved, cases: readonly LoadCase[], shared: readonly Shared[]): Verdict {
  const links = CHECKS.map((check) => linkOf(check, r, shared));
  const weakest = worstOf(links.filter((l) => !l.loadFree || l.state === 'fails'));
  const loaded = worstOf(links.filter((l) => !l.loadFree))?.utilisation ?? 0;
  const worst = weakest?.utilisation ?? 0;
  const state: VerdictState =
    worst > 1 ? 'fails' : links.some((l) => l.state === 'refused') ? 'refused' : worst > TIGHT ? 'tight' : 'sound';
  return { state, refusals: [], cases, links, weakest: weakest?.id ?? '', letsGoAt: loaded > 0 ? 1 / loaded : Infinity, shared };
}

const worstOf = (links: readonly Link[]) =>
  links.filter(counts).reduce<Link | undefined>((w, l) => (!w || l.utilisation > w.utilisation ? l : w), undefined);
const SILENT = new Working(false);
const counts = (l: Link) => l.state !== 'refused' && l.state !== 'not needed';

function linkOf(check: Check, r: Resolved, shared: readonly Shared[]): Link {
  const perCase: number[] = [];
  let governing: { s: Shared; o: Outcome } | undefined;
  let refusal: { s: Shared; r: Refusal } | undefined;
  let because = '';
  for (const s of shared) {
    const result = check.evaluate(r, s, SILENT);
    if (!applies(result)) {
      perCase.push(NaN);
      because = result.because;
    } else if (isRefusal(result)) {
      perCase.push(NaN);
      refusal ??= { s, r: result };
    } else {
      perCase.push(result.utilisation);
      if (!governing || result.utilisation > governing.o.utilisation) governing = { s, o: result };
    }
  }
  const common = { id: check.id, name: check.name, element: check.element, loadFree: check.loadFree === true, perCase };
  const none = { utilisation: 0, demand: 0, capacity: 0, unit: '–' as const, at: '', cautions: [] };
  // A link that already fails in one case is failing, whatever is refused in another.
  if (refusal && !(governing && governing.o.utilisation > 1)) {
    const { loadCase } = refusal.s;
    return {
      ...common,
      ...none,
      state: 'refused',
      caseId: loadCase.id,
      caseName: loadCase.name,
      because: `${refusal.r.because}; allowed: ${refusal.r.allowed}`,
    };
  }
  if (!governing) return { ...common, ...none, state: 'not needed', caseId: '', caseName: '', because };
  const { o, s } = governing;
  const state: LinkState = o.utilisation > 1 ? 'fails' : o.utilisation > TIGHT ? 'tight' : 'sound';
  const loadFree = common.loadFree || o.loadFree === true;
  return { ...common, ...o, loadFree, state, caseId: s.loadCase.id, caseName: s.loadCase.name, because: '' };
}

/** The working of one link in one case, written down; undefined where the job or the case is refused. */
export interface LinkWorking {
  readonly check: Pick<Check, 'id' | 'name' | 'says' | 'why' | 'source' | 'range'>;
  readonly caseName: string;
  readonly steps: readonly Step[];
}

export function workingOf(
  job: Job,
  linkId: string,
  caseId: string,
  solved?: ReadonlyMap<string, Solved>,
): LinkWorking | undefined {
  const check = CHECKS.find((c) => c.id === linkId);
  const r = resolve(job);
  const loadCase = casesOf(job).find((c) => c.id === caseId);
  if (!check || !loadCase || !isResolved(r)) return undefined;
  const s = share(r, asCounted(loadCase, job.practice), solved?.get(caseId));
  if (isRefusal(s)) return undefined;
  const w = new Working(true);
  check.evaluate(r, s, w);
  const { id, name, says, why, source, range } = check;
  return { check: { id, name, says, why, source, range }, caseName: loadCase.name, steps: w.steps };
}
