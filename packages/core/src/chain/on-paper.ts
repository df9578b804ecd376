import type { Job } from '../job/schema';
import { headline } from './headline';
import { judge, meaningOf, type Judged, type Meaning } from './judge';

/** What every sheet and file that leaves says of its job, found at the moment it is made. */
export interface OnPaper {
  readonly holds: boolean;
  /** The verdict in a line, in capitals where nobody should build on it. */
  readonly verdict: string;
  /** Kept with factors, near letting go without, and "solve it" where the hand's word is in doubt. */
  readonly figures: readonly string[];
  readonly notJudged: string;
}

const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

/** A job judged with what that means. */
export interface JudgedWhole {
  readonly judged: Judged;
  readonly meaning: Meaning;
}

const known = new WeakMap<Job, JudgedWhole>();
/** The same by what stands in the document, oldest first: the next sheet somebody asks for is most often of the same one. */
const lately = new Map<string, JudgedWhole>();
/** Each may hold a solved field of some megabytes. */
const LATELY = 4;
/** Judges the job and asks what that means, once for a document however many sheets are made of it: up to a second or two. */
export function judgedWhole(job: Job): JudgedWhole {
  const was = known.get(job);
  if (was) return was;
  const text = JSON.stringify(job);
  let found = lately.get(text);
  if (!found) {
    const judged = judge(job);
    found = { judged, meaning: meaningOf(job, judged) };
  }
  lately.delete(text);
  lately.set(text, found);
  if (lately.size > LATELY) lately.delete(lately.keys().next().value!);
  known.set(job, found);
  return found;
}

/** What a job’s sheets say of it. */
export function onPaper(job: Job): OnPaper {
  const { judged, meaning } = judgedWhole(job);
  const v = judged.verdict;
  const h = headline(job, v, meaning);
  const holds = v.state === 'sound' || v.state === 'tight';
  const by = judged.solved ? 'as solved' : 'by hand';
  const loud = { sound: 'Checked', tight: 'Checked', fails: 'DOES NOT HOLD', refused: 'NOT SHOWN TO HOLD' }[v.state];
  const says = holds ? h.says : h.says.replace(/^does not hold: /, '');
  return {
    holds,
    verdict: `${loud} (${by}): ${says}.`,
    figures: h.kept.map(sentence),
    notJudged: `Not judged: ${h.notJudged.join('; ')}.`,
  };
}
