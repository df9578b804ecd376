import type { Tag } from '../job/job-api';

export const STATE_WORDS = {
  sound: 'holds',
  tight: 'holds, tight',
  fails: 'does not hold',
  refused: 'not shown to hold',
} as const;

/** "holds, by hand": a verdict by hand is not passed off as a solved one, nor one of an older version as of this. */
export function stateOf(t: Tag): string {
  const v = t.verdict;
  if (t.judged !== t.version) return 'being judged';
  if (!v || (v.state === 'refused' && v.weakest === '')) return 'not judged yet';
  return `${STATE_WORDS[v.state]}${v.by === 'hand' ? ', by hand' : ', as solved'}`;
}

/** Times the load it is good for; null where that is not known of this very version. */
export const goodForOf = (t: Tag): number | null => (t.judged === t.version ? (t.verdict?.goodFor ?? null) : null);

/** What it says without the state it begins with. */
export function reasonOf(t: Tag): string {
  if (!t.verdict) return '';
  const says = t.verdict.says.replace(/(^|: )(holds, tight|holds|does not hold|not shown to hold): /, '$1');
  return t.judged === t.version ? says : `before it was changed: ${t.verdict.says}`;
}

/** The class of a tag: a verdict that is not of this version is no state. */
export const lookOf = (t: Tag): string => (t.judged === t.version ? (t.verdict?.state ?? 'waits') : 'waits');

/** "due 2027-03-01", "overdue since 2026-01-01", "due soon: 85 of 100 loads"; empty where nothing falls due or that is not known yet. */
export function dueOf(t: Tag, today: string): string {
  const byDay = !t.due ? '' : t.due < today ? `overdue since ${t.due}` : `due ${t.due}`;
  return [byDay, t.byUse && `due soon: ${t.byUse}`].filter(Boolean).join('; ');
}

export const titled = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
