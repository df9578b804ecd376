import type { Job } from '../job/schema';
import { notJudged } from './ways-to-fail';
import type { Verdict } from './evaluate';
import type { Meaning, Multiples } from './judge';
import { hasFigure, type Link } from './link';
import { wordsIn } from '../units/words-in';
import type { Multiple } from './multiple';

/** The verdict in words that cannot be mixed up: what lets go or is refused, what is kept and what breaks, what was not judged. */
export interface Headline {
  /** The state in a sentence, with the link it is about. */
  readonly says: string;
  /** What is kept with the factors in it, and where it would let go without them; or why neither stands. */
  readonly kept: readonly string[];
  readonly notJudged: readonly string[];
}

/** "factor 3 on break", or how the other schools keep it. */
export function keepsWhat(job: Job): string {
  const p = job.practice;
  if (p.school === 'working')
    return p.onBreak === p.onYield ? `factor ${p.onBreak}` : `factor ${p.onBreak} on break, ${p.onYield} on yield`;
  return p.school === 'limit' ? 'the factors of limit states' : 'no factor, as a last load';
}

/** Two figures, three under a tenth: never 0.00 for what is not nothing. */
export const times = (v: number): string => (v < 0.1 ? v.toPrecision(2) : v.toFixed(2));

const used = (l: Link): string => (Number.isFinite(l.utilisation) ? l.utilisation.toFixed(2) : 'nothing to hold with');

function says(v: Verdict): string {
  if (v.refusals.length > 0) return needs(v);
  const refused = v.links.filter((l) => l.state === 'refused');
  const weakest = v.links.find((l) => l.id === v.weakest);
  const about = weakest ? `${weakest.name} (${used(weakest)})${weakest.loadFree ? '' : `, ${weakest.caseName}`}` : '';
  if (v.state === 'fails')
    return weakest!.loadFree ? `does not hold: ${about}, whatever the load` : `does not hold: ${about} lets go first`;
  if (refused.length > 0) {
    const [first] = refused as [Link];
    const more = refused.length > 1 ? ` and ${refused.length - 1} more` : '';
    return `not shown to hold: ${first.name}${more}: ${first.refusal!.because}. What would answer it: ${first.refusal!.allowed}`;
  }
  if (!weakest || !v.links.some((l) => hasFigure(l) && !l.loadFree && l.utilisation > 0)) return 'no link is loaded';
  return `${v.state === 'tight' ? 'holds, tight' : 'holds'}: weakest ${about}`;
}

/** A job that cannot be computed says what it needs next, not that it is refused. */
const needs = (v: Verdict): string => {
  const [first] = v.refusals;
  const more = v.refusals.length > 1 ? ` (and ${v.refusals.length - 1} more)` : '';
  return first!.field === 'loads' && v.cases.length === 0
    ? 'needs a load: say on the Load stage what it has to hold'
    : `needs putting right: ${first!.field}: ${first!.because}; allowed: ${first!.allowed}${more}`;
};

const known = (m: Multiple): m is Extract<Multiple, { known: true }> => m.known;

function kept(job: Job, v: Verdict, m: Meaning | Multiples | null): string[] {
  if (!m || v.links.length === 0) return [];
  const { goodFor, letsGoNear } = m;
  const out = [
    known(goodFor)
      ? `good for ${times(goodFor.at)} × the load with ${keepsWhat(job)}`
      : `how many times the load it is good for is not known: ${goodFor.because}`,
  ];
  if (known(letsGoNear)) out.push(`without factors it would let go near ${times(letsGoNear.at)} × (${letsGoNear.link})`);
  if ('solveIt' in m && m.solveIt)
    out.push(
      `solve it: a draft of the solver says good for ${times(m.solveIt.asSolved)} × (${m.solveIt.link}), where the hand says ${times(m.solveIt.byHand)}`,
    );
  return out;
}

/** The foot a verdict is of, where the fitting stands on several. */
const footIn = ({ stands }: Job): string => {
  const foot = stands?.feet.find((f) => f.id === stands.foot);
  return foot ? `${foot.name}: ` : '';
};

/** `m`: null while it is not known what the verdict means. */
export const headline = (job: Job, v: Verdict, m: Meaning | Multiples | null): Headline => ({
  says: wordsIn(`${footIn(job)}${says(v)}`, job.units),
  kept: kept(job, v, m).map((k) => wordsIn(k, job.units)),
  notJudged: notJudged(job),
});
