import type { Job } from '../job/schema';
import { casesOf } from '../loads/cases';
import type { Mesh } from '../spread/from-job';
import { spreadOf, type SpreadCase } from '../spread/spread';
import { resolved } from './test-job';

/** The first case of a job as it loads, solved; a refusal fails the test that asked. */
export function solvedCase(job: Job, mesh: Mesh = 'draft'): SpreadCase {
  const s = spreadOf(resolved(job), casesOf(job), mesh);
  if ('refused' in s) throw new Error(s.because);
  const c = s.cases[0]!;
  if ('refused' in c) throw new Error(c.because);
  return c;
}
