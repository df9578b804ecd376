import type { WholeJob } from '../job/whole-job';
import { isOf, standing, type Line, type LineOf } from './log-entry';

type Inspected = LineOf<'inspected'>;

/** Whether a later round found sound what an earlier one did not: its very bolt or part, or the whole of the place it is at. */
export function clears(later: Inspected, finding: Inspected): boolean {
  const [at, found] = [later.entry.about, finding.entry.about];
  return (
    later.seq > finding.seq &&
    later.entry.body.found === 'sound' &&
    later.entry.body.task === finding.entry.body.task &&
    (at.bolt === undefined || at.bolt === found.bolt) &&
    (at.part === undefined || at.part === found.part)
  );
}

/**
 * Findings nothing has cleared: each stays open until the same task finds the same foot sound later, or the entry is corrected. A round
 * that names no foot is of the only one there is; on several feet it is of none of them.
 */
export function openFindings(lines: readonly Line[], feet: WholeJob['feet']): Inspected[] {
  const rounds = standing(lines).filter(isOf('inspected'));
  const footOf = ({ entry }: Inspected) => entry.about.foot ?? (feet.length === 1 ? feet[0]!.id : '');
  return rounds.filter((l) => l.entry.body.found === 'finding' && !rounds.some((b) => footOf(b) === footOf(l) && clears(b, l)));
}
