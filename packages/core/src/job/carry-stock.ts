import type { OwnMetal } from './own-stock';
import type { Job } from './schema';

/** Ids of the metals a job is made of. */
const metalsIn = (job: Job): Set<string> =>
  new Set([
    job.plate.metal,
    ...(job.base.metal ? [job.base.metal] : []),
    ...('metal' in job.far ? [job.far.metal] : []),
    ...('metal' in job.skin ? [job.skin.metal] : []),
    ...(job.lug ? [job.lug.metal] : []),
    ...(job.parts ?? []).map((p) => p.metal),
  ]);

/**
 * The job with just those rows of the shop's own stock that it uses. A row it carries already stays as it was when it was
 * taken: a change in the stock room never moves a job's result unseen.
 */
export function carryStock(job: Job, shop: readonly OwnMetal[]): Job {
  const used = metalsIn(job);
  const known = new Map([...shop, ...job.ownStock.metals].map((m) => [m.id, m]));
  const metals = [...used].flatMap((id) => known.get(id) ?? []);
  const same = metals.length === job.ownStock.metals.length && metals.every((m, i) => m === job.ownStock.metals[i]);
  return same ? job : { ...job, ownStock: { ...job.ownStock, metals } };
}
