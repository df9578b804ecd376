import { writeJob } from '../formats/read-job';
import { oneFoot } from '../job/at-foot';
import type { Job } from '../job/schema';

/** The file of a job on one foot. */
export const fileOf = (job: Job): string => writeJob(oneFoot(job));

/** The same job as version 3 had it: one plate under one base, all of it at the top. */
export const version3File = (job: Job): string => `${JSON.stringify({ ...job, version: 3 }, null, 2)}\n`;
