import type { Job } from '../job/schema';
import { headline } from './headline';
import { judge, meaningOf } from './judge';

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

/** Judges the job: up to a second or two. */
export function onPaper(job: Job): OnPaper {
  const judged = judge(job);
  const v = judged.verdict;
  const h = headline(job, v, meaningOf(job, judged));
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
