import type { Making } from '@core/job/making';
import type { WholeJob } from '@core/job/whole-job';

/** The job with something else said of its making; what is set to nothing is left out again. */
export function withMaking(whole: WholeJob, change: Partial<Record<keyof Making, unknown>>): WholeJob {
  const next = Object.fromEntries(Object.entries({ ...whole.making, ...change }).filter(([, v]) => v !== undefined)) as Making;
  const { making: _before, ...rest } = whole;
  return Object.keys(next).length > 0 ? { ...rest, making: next } : rest;
}
