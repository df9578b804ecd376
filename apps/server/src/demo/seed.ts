import type { JobStore } from '../jobs/job-store';
import { DEMO_JOBS } from './lake-sorrow';

/** Puts the demo jobs on an empty rack; a rack with anything on it is left as it is. Returns how many were added. */
export function seedDemo(store: JobStore): number {
  if (store.count() > 0) return 0;
  return DEMO_JOBS.filter((job) => store.add(job)).length;
}
