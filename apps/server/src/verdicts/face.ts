import type { VerdictState } from '@core/chain/evaluate';
import { judgeFeet, leastFrom, worstFoot, type FootJudged } from '@core/chain/feet';
import { headline } from '@core/chain/headline';
import { judge, multiplesOf, type Judged } from '@core/chain/judge';
import { readJob } from '@core/formats/read-job';
import { atEachFoot, atFoot } from '@core/job/at-foot';
import type { Job } from '@core/job/schema';
import { spreadRulesOf } from '@core/job/spread-rules';
import type { WholeJob } from '@core/job/whole-job';
import { refusalText } from '@core/units/refusal';

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

/** A job as it hangs on the rack: its verdict, and what its plate is drawn from. */
export interface Face {
  readonly verdict: TagVerdict;
  /** The foot that decides, without what no drawing needs; null where there is nothing to draw. */
  readonly drawn: Job | null;
  /** Why the document does not read; empty where it does. */
  readonly unreadable: string;
}

/** Judges a document for its tag. A job that cannot be judged says so, and takes no other with it. */
export function faceOf(text: string, judging: (job: Job) => Judged = judge): Face {
  const read = readJob(text);
  if (!('job' in read)) {
    const unreadable = read.refusals.map(refusalText).join('; ');
    return { verdict: unjudged('hand', unreadable), drawn: null, unreadable };
  }
  const { job: whole } = read;
  const verdict = isolated(whole, judging);
  return { verdict, drawn: drawnOf(whole, verdict), unreadable: '' };
}

const unjudged = (by: TagVerdict['by'], because: string): TagVerdict => ({
  state: 'refused',
  by,
  foot: '',
  says: `could not be judged: ${because}`,
  weakest: '',
  utilisation: null,
  caseName: '',
  goodFor: null,
});

/** What stands where a verdict was asked for and did not come. */
export const notJudged = (because: string): TagVerdict => unjudged('hand', because);

function isolated(whole: WholeJob, judging: (job: Job) => Judged): TagVerdict {
  const by = atEachFoot(whole).some(({ job }) => spreadRulesOf(job).checks === 'solver') ? 'solver' : 'hand';
  try {
    return verdictOf(judgeFeet(whole, judging), by);
  } catch (error) {
    return unjudged(by, error instanceof Error ? error.message : String(error));
  }
}

function drawnOf(whole: WholeJob, { foot }: TagVerdict): Job {
  const job = atFoot(whole, whole.feet.find((f) => f.name === foot)?.id ?? whole.feet[0]!.id);
  const { making: _, ...drawn } = job;
  return { ...drawn, note: '', loads: [], combinations: [] };
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
