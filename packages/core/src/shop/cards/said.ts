import { decidesFor, GENERAL_CAUTION } from '../../chain/cautions';
import { onPaper, type OnPaper } from '../../chain/on-paper';
import { atEachFoot } from '../../job/at-foot';
import type { Job } from '../../job/schema';
import type { WholeJob } from '../../job/whole-job';

/** What every page of a job says, over all its feet. */
export interface SaidOnPages {
  /** Every foot holds. */
  readonly holds: boolean;
  readonly verdict: string;
  readonly notJudged: string;
  readonly caution: string;
}

interface FootSaid {
  /** Empty of a job on one foot. */
  readonly name: string;
  readonly job: Job;
  readonly said: OnPaper;
}

const judged = (whole: WholeJob): FootSaid[] =>
  atEachFoot(whole).map(({ foot, job }) => ({ name: whole.feet.length > 1 ? foot.name : '', job, said: onPaper(job) }));

/** Every foot judged, unless they are already, and put in the lines that stand at the foot of a page. */
export function saidOf(whole: WholeJob, feet: readonly FootSaid[] = judged(whole)): SaidOnPages {
  const bad = feet.filter((f) => !f.said.holds);
  const named = (f: FootSaid) => f.said.verdict;
  return {
    holds: bad.length === 0,
    verdict: bad.length > 0 ? bad.map(named).join(' ') : feet.length > 1 ? 'Checked: every foot holds.' : named(feet[0]!),
    notJudged: [...new Set(feet.map((f) => f.said.notJudged))].join(' '),
    caution: [...new Set(feet.flatMap((f) => [GENERAL_CAUTION, ...decidesFor(f.job)]))].join(' '),
  };
}
