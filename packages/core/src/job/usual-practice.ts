import type { Job, Practice } from './schema';
import type { Family } from '../loads/registry';

/** The school and factors a kind of fitting is usually judged by, with where that comes from. */
export interface UsualPractice {
  readonly practice: Pick<Practice, 'school' | 'onYield' | 'onBreak'>;
  readonly source: string;
}

const working = (onBreak: number, onYield: number, source: string): UsualPractice => ({
  practice: { school: 'working', onBreak, onYield },
  source,
});
const crash = (source: string): UsualPractice => ({ practice: { school: 'ultimate', onYield: 2, onBreak: 3 }, source });
const limit = (source: string): UsualPractice => ({ practice: { school: 'limit', onYield: 2, onBreak: 3 }, source });

const USUAL: Readonly<Partial<Record<Family, UsualPractice>>> = {
  seat: crash('seat anchorages are tested with a crash as the last load'),
  competition: crash('seat and harness mountings are tested with a crash as the last load'),
  lifting: working(5, 3, 'lifting accessories: 5 on break (common practice)'),
  davit: working(5, 3, 'what lifts or holds up a weight over people: 5 on break (common practice)'),
  winch: working(3, 2, 'structure under a rope: 3 on break (common practice)'),
  towing: working(3, 2, 'common practice'),
  recovery: working(3, 2, 'common practice'),
  rigging: working(3, 2, 'common practice'),
  mast: working(3, 2, 'common practice'),
  mooring: working(3, 2, 'common practice'),
  suspension: working(3, 2, 'common practice'),
  ladder: working(3, 2, 'common practice'),
  stowage: working(3, 2, 'common practice'),
  roof: limit('building work: EN 1990 or ASCE 7'),
  gate: limit('building work: EN 1990 or ASCE 7'),
};

/** Undefined where nothing is usual: the kind of fitting is not said. */
export const usualPracticeOf = (family: Family): UsualPractice | undefined => USUAL[family];

const SAYS = { working: 'working loads', limit: 'limit states', ultimate: 'a crash as the last load' } as const;

/** A school with its factors in a few words. */
export const practiceWords = (p: UsualPractice['practice']): string =>
  p.school === 'working' ? `working loads, factor ${p.onBreak} on break and ${p.onYield} on yield` : SAYS[p.school];

/** How the job's school or factors differ from what its kind of fitting usually takes; undefined where they do not. */
export function unusualPractice(
  job: Job,
): { readonly says: string; readonly usual: UsualPractice; readonly less: boolean } | undefined {
  const usual = usualPracticeOf(job.family);
  const p = job.practice;
  if (!usual) return undefined;
  const { practice } = usual;
  const factors = p.school === 'working' && (p.onBreak !== practice.onBreak || p.onYield !== practice.onYield);
  if (p.school === practice.school && !factors) return undefined;
  const less =
    p.school === 'working' && practice.school === 'working' && (p.onBreak < practice.onBreak || p.onYield < practice.onYield);
  return { says: `Usual here: ${practiceWords(practice)} (${usual.source}). This job: ${practiceWords(p)}.`, usual, less };
}
