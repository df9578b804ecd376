import { resolve } from '../job/resolve';
import type { Job } from '../job/schema';
import type { Refusal } from '../units/refusal';
import { evaluate, type SolvedCases, type Verdict } from './evaluate';
import { worstOf, type Link } from './link';

/** How many times the load a job takes, or why that is not known. */
export type Multiple =
  | {
      readonly known: true;
      readonly at: number;
      /** The link that then goes, and its case. */ readonly link: string;
      readonly caseName: string;
    }
  | { readonly known: false; readonly because: string };

const unknown = (because: string): Multiple => ({ known: false, because });

/** The solver's figures at so many times the load; undefined by hand. */
export type SolvedAt = (times: number) => SolvedCases | readonly Refusal[] | undefined;

/** As near as a multiple is found, relative. */
const NEAR = 1e-6;
const ROUNDS = 60;
/** Past this many times the load nothing more is asked. */
const MOST = 1e4;

export const isFigures = (x: ReturnType<SolvedAt>): x is SolvedCases | undefined => !Array.isArray(x);

/** A job at a multiple of its load: how far its loaded links are used, and which is the first to stop it. */
interface At {
  /** Over 1 where a link fails or is refused that was not at the load itself. */
  readonly used: number;
  readonly link: Link | undefined;
  readonly refused: Link | undefined;
}

function askedAt(job: Job, times: number, solvedAt: SolvedAt, resolved: ReturnType<typeof resolve>): At | undefined {
  const solved = solvedAt(times);
  if (!isFigures(solved)) return undefined;
  const v = evaluate(job, solved, times, resolved);
  if (v.refusals.length > 0) return undefined;
  const link = worstOf(v.links.filter((l) => !l.loadFree));
  return { used: link?.utilisation ?? 0, link, refused: v.links.find((l) => l.state === 'refused') };
}

/**
 * The largest multiple of the load at which every loaded link holds, found by asking again at that load: contact, friction,
 * membrane action and the ranges of methods do not go in proportion. Not known where a link is refused as it is, where nothing is
 * loaded, and where a rule of layout fails that no smaller load would mend.
 */
export function goodFor(job: Job, v: Verdict, solvedAt: SolvedAt = () => undefined): Multiple {
  const known = beforeAsking(v);
  if (known) return known;
  const first = worstOf(v.links.filter((l) => !l.loadFree));
  if (!first || first.utilisation <= 0) return unknown('no link is loaded');
  if (1 / first.utilisation > MOST) return unknown(`over ${MOST} times: the load is next to nothing`);
  if (!Number.isFinite(first.utilisation)) return unknown(`${first.name} has nothing to hold with`);
  const resolved = resolve(job);
  return search(first, (k) => askedAt(job, k, solvedAt, resolved));
}

/** Whether every loaded link holds at so many times the load, and none is refused there. */
export function holdsAt(job: Job, times: number, solvedAt: SolvedAt): boolean {
  const a = askedAt(job, times, solvedAt, resolve(job));
  return a !== undefined && !a.refused && a.used <= 1;
}

/** Why no multiple stands for this verdict; undefined where one does. */
function beforeAsking(v: Verdict): Multiple | undefined {
  if (v.links.length === 0) return unknown('the job cannot be computed as it is');
  const refused = v.links.find((l) => l.refusedIn.length > 0);
  if (refused) return unknown(`${refused.name} is refused${refused.caseName ? ` in ${caseWords(v, refused)}` : ''}`);
  const rule = worstOf(v.links.filter((l) => l.loadFree && l.state === 'fails'));
  return rule && unknown(`${rule.name} fails whatever the load`);
}

const caseWords = (v: Verdict, l: Link): string => v.cases.find((c) => c.id === l.refusedIn[0])?.name ?? l.caseName;

/** From the multiple that would be exact in proportion, narrowed between one that holds and one that does not. */
function search(first: Link, at: (times: number) => At | undefined): Multiple {
  const holds = (a: At | undefined): boolean => a !== undefined && !a.refused && a.used <= 1 + NEAR / 10;
  let [low, high] = [0, Infinity];
  let stops: Link = first;
  let range: Link | undefined;
  let k = 1 / first.utilisation;
  for (let round = 0; round < ROUNDS && k < MOST; round++) {
    const a = at(k);
    const ok = holds(a);
    if (ok) low = k;
    else high = k;
    if (a?.link && !a.refused) stops = a.link;
    if (!ok) range = a?.refused;
    if (ok && a!.used >= 1 - NEAR) break;
    if (high - low <= NEAR * high) break;
    // In proportion from here, kept between the two; where that says nothing, halfway.
    const next = a && !a.refused && a.used > 0 ? k / a.used : NaN;
    k = next > low && next < high ? next : high === Infinity ? 2 * k : (low + high) / 2;
  }
  if (low <= 0) return unknown('no part of the load is shown to hold');
  const last = range && high - low <= 10 * NEAR * high ? range : stops;
  return { known: true, at: low, link: last.name, caseName: last.caseName };
}

/** The job with every factor taken out: loads as they come, strength as it is. Wood still weakens with time, and a rule's own allowable stays. */
export const withoutFactors = (job: Job): Job => ({
  ...job,
  practice: { ...job.practice, school: 'working', onYield: 1, onBreak: 1 },
  ...(job.lug ? { lug: { ...job.lug, Nd: 1 as never } } : {}),
  ...(job.parts ? { parts: job.parts.map((p) => (p.eye ? { ...p, eye: { ...p.eye, Nd: 1 as never } } : p)) } : {}),
});
