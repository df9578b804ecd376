import { atEachFoot, designOf } from '../job/at-foot';
import { resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import type { Design, Foot, WholeJob } from '../job/whole-job';
import type { Verdict, VerdictState } from './evaluate';
import { holdsUnder, judge, keptMultiple, type Judged } from './judge';
import type { Multiples } from './judge';
import type { Multiple } from './multiple';

/** One foot, judged by the whole load path. */
export interface FootJudged {
  readonly id: string;
  readonly name: string;
  readonly job: Job;
  readonly judged: Judged;
}

/** What was found at a foot, as numbers: where it came from moves no figure. */
const foundAt = ({ skin, survey }: Pick<Foot, 'skin' | 'survey'>): string =>
  JSON.stringify([skin, survey], (key, v: unknown) => (HOW_KNOWN.has(key) ? undefined : v));
const HOW_KNOWN = new Set(['text', 'from', 'at', 'with', 'readings']);

type Judging = (job: Job, resolved: ReturnType<typeof resolve>) => Judged;

/**
 * Every foot of a job judged by itself. Feet made alike in the same hand, that stand on the same, are resolved once: what rests on
 * their layout alone is found once for all of them.
 */
export function judgeFeet(whole: WholeJob, judging: Judging = (job, resolved) => judge(job, { resolved })): FootJudged[] {
  const known = new Map<Design, Map<string, ReturnType<typeof resolve>>>();
  return atEachFoot(whole).map(({ foot, job }) => {
    const design = designOf(whole, foot);
    const found = foundAt(foot);
    let alike = known.get(design);
    if (!alike) known.set(design, (alike = new Map()));
    let r = alike.get(found);
    if (!r) alike.set(found, (r = resolve(job)));
    return { id: foot.id, name: foot.name, job, judged: judging(job, r) };
  });
}

const HOW_BAD: Readonly<Record<VerdictState, number>> = { sound: 0, tight: 1, refused: 2, fails: 3 };

/** How much of a verdict's weakest link is used; nothing where there is none. */
export const usedIn = (v: Pick<Verdict, 'links' | 'weakest'>): number =>
  v.links.find((l) => l.id === v.weakest)?.utilisation ?? 0;

/** The foot that decides: the worst state, and in it the link that is used most. The first of those that are alike. */
export function worstFoot<T extends { readonly verdict: Pick<Verdict, 'state' | 'links' | 'weakest'> }>(feet: readonly T[]): T {
  return feet.reduce((worst, f) => {
    const [a, b] = [HOW_BAD[worst.verdict.state], HOW_BAD[f.verdict.state]];
    return b > a || (b === a && usedIn(f.verdict) > usedIn(worst.verdict) * (1 + 1e-9)) ? f : worst;
  });
}

/** Of several feet the least multiple; not known where it is not known of one. */
export function leastMultiple(feet: readonly { readonly name: string; readonly multiple: Multiple }[]): Multiple {
  const unknown = feet.find((f) => !f.multiple.known);
  if (unknown && !unknown.multiple.known) return { known: false, because: `${unknown.name}: ${unknown.multiple.because}` };
  const known = feet.flatMap(({ name, multiple: m }) => (m.known ? [{ name, m }] : []));
  const least = known.reduce((a, b) => (b.m.at < a.m.at ? b : a));
  return feet.length === 1 ? least.m : { ...least.m, link: `${least.name}: ${least.m.link}` };
}

/**
 * The least multiple of several feet, from the one that decides: another is worked out only where it does not hold at that. What it
 * does past that does not matter.
 */
export function leastFrom<T extends Pick<FootJudged, 'id' | 'name' | 'job' | 'judged'>>(
  feet: readonly T[],
  worst: T,
  of: Multiple,
): Multiple {
  const others = feet.filter((f) => f.id !== worst.id && !(of.known && holdsUnder(f.job, f.judged, of.at)));
  const named = of.known && feet.length > 1 && others.length === 0 ? { ...of, link: `${worst.name}: ${of.link}` } : of;
  return leastMultiple([
    { name: worst.name, multiple: named },
    ...others.map((f) => ({ name: f.name, multiple: keptMultiple(f.job, f.judged) })),
  ]);
}

/** What a job is good for: the least of its feet. */
export const multiplesOfFeet = (feet: readonly { readonly name: string; readonly multiples: Multiples }[]): Multiples => ({
  goodFor: leastMultiple(feet.map((f) => ({ name: f.name, multiple: f.multiples.goodFor }))),
  letsGoNear: leastMultiple(feet.map((f) => ({ name: f.name, multiple: f.multiples.letsGoNear }))),
});

/** What a fitting on several feet is good for; the foot that decides is asked first. */
export function fittingGoodFor(whole: WholeJob): Multiple {
  const feet = judgeFeet(whole).map((f) => ({ ...f, verdict: f.judged.verdict }));
  const worst = worstFoot(feet);
  return leastFrom(feet, worst, keptMultiple(worst.job, worst.judged));
}

/** A foot's verdict in short, for a key plan. */
export interface FootVerdict {
  readonly id: string;
  readonly name: string;
  readonly state: VerdictState;
  /** Name of the weakest link and the case it is weakest in; empty where there is none. */
  readonly weakest: string;
  readonly caseName: string;
  readonly utilisation: number;
  /** It decides over the whole fitting. */
  readonly decides: boolean;
}

/** Every foot's verdict in short, the one that decides marked. */
export function footVerdicts(whole: WholeJob): FootVerdict[] {
  const feet = judgeFeet(whole).map((f) => ({ ...f, verdict: f.judged.verdict }));
  const worst = worstFoot(feet);
  return feet.map((f) => {
    const link = f.verdict.links.find((l) => l.id === f.verdict.weakest);
    return {
      id: f.id,
      name: f.name,
      state: f.verdict.state,
      weakest: link?.name ?? '',
      caseName: link?.caseName ?? '',
      utilisation: usedIn(f.verdict),
      decides: f === worst,
    };
  });
}
