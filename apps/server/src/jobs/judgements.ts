import { headline } from '@core/chain/headline';
import { judgeFeet, leastFrom, worstFoot, type FootJudged } from '@core/chain/feet';
import { judge, multiplesOf, type Judged } from '@core/chain/judge';
import type { VerdictState } from '@core/chain/evaluate';
import { spreadRulesOf } from '@core/job/spread-rules';
import { atEachFoot } from '@core/job/at-foot';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import type { StoredJob } from './job-store';

/** What a tag on the rack says of its job. */
export interface TagVerdict {
  readonly state: VerdictState;
  /** Judged by hand, or as solved. */
  readonly by: 'hand' | 'solver';
  /** The foot that decides, where there are several; else empty. */
  readonly foot: string;
  readonly says: string;
  readonly weakest: string;
  /** Null where there is no figure: nothing is left to hold with, or no link is loaded. */
  readonly utilisation: number | null;
  readonly caseName: string;
  /** Times the load with the factors kept; null where it is not known. */
  readonly goodFor: number | null;
}

/** Verdicts of the jobs on the rack, each with the document it is of: a solved one takes a second, and the rack asks for all. */
export class Judgements {
  private readonly known = new Map<string, { readonly document: string; readonly verdict: TagVerdict }>();

  constructor(private readonly judging: (job: Job) => Judged = judge) {}

  tag(s: StoredJob): StoredJob & { readonly verdict: TagVerdict } {
    const document = JSON.stringify(s.job);
    const before = this.known.get(s.job.id);
    const verdict = before?.document === document ? before.verdict : isolated(s.job, this.judging);
    this.known.set(s.job.id, { document, verdict });
    return { ...s, verdict };
  }
}

/** A job that cannot be judged says so on its own tag, and takes no other with it. */
function isolated(whole: WholeJob, judging: (job: Job) => Judged): TagVerdict {
  const by = atEachFoot(whole).some(({ job }) => spreadRulesOf(job).checks === 'solver') ? 'solver' : 'hand';
  try {
    return verdictOf(judgeFeet(whole, judging), by);
  } catch (error) {
    const says = `could not be judged: ${error instanceof Error ? error.message : String(error)}`;
    return { state: 'refused', by, foot: '', says, weakest: '', utilisation: null, caseName: '', goodFor: null };
  }
}

function verdictOf(judged: readonly FootJudged[], by: TagVerdict['by']): TagVerdict {
  const feet = judged.map((f) => ({ ...f, verdict: f.judged.verdict }));
  const worst = worstFoot(feet);
  const v = worst.verdict;
  const multiples = multiplesOf(worst.job, worst.judged);
  const goodFor = leastFrom(feet, worst, multiples.goodFor);
  const weakest = v.links.find((l) => l.id === v.weakest);
  return {
    state: v.state,
    by,
    foot: feet.length > 1 ? worst.name : '',
    says: headline(worst.job, v, multiples).says,
    weakest: weakest?.name ?? '',
    utilisation: weakest && Number.isFinite(weakest.utilisation) ? weakest.utilisation : null,
    caseName: weakest?.caseName ?? '',
    goodFor: goodFor.known ? goodFor.at : null,
  };
}
