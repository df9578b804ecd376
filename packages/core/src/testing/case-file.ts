import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { judge } from '../chain/judge';
import type { Link } from '../chain/link';
import { readJob } from '../formats/read-job';
import { atFoot } from '../job/at-foot';
import type { Job } from '../job/schema';
import { spreadRulesOf } from '../job/spread-rules';
import type { WholeJob } from '../job/whole-job';

/** A job that once was judged wrong, on all its feet. */
export function wholeCase(name: string): WholeJob {
  const [cases, layouts] = ['cases', 'layouts'].map((folder) => join(__dirname, folder, `${name}.json`));
  const read = readJob(readFileSync(existsSync(layouts!) ? layouts! : cases!, 'utf8'));
  if (!('job' in read)) throw new Error(read.refusals.map((r) => r.because).join('; '));
  return read.job;
}

/** The same at one foot. */
export const caseFile = (name: string, foot = 'F1'): Job => atFoot(wholeCase(name), foot);

/** The job with its checks judged by the solver. */
export const asSolved = (job: Job): Job => ({ ...job, spread: { ...spreadRulesOf(job), checks: 'solver' } });

/** One link of a job, on the draft mesh where it is solved. */
export function linkOf(job: Job, id: string): Link {
  const { links, refusals } = judge(job, { mesh: 'draft' }).verdict;
  const found = links.find((l) => l.id === id);
  if (!found) throw new Error(refusals.map((r) => `${r.field}: ${r.because}`).join('; ') || `no link ${id}`);
  return found;
}
