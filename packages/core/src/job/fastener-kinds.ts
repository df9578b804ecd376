import type { Job } from './schema';

/** A bolt's own kind by its name; the joint's own where it names none. */
type Item = Job['bolts']['items'][number];

/**
 * The job as if all its bolts were of one kind: what that kind says of size, class, nut, hole, head and holding stands in the place of
 * what the joint says. `undefined` is the joint's own kind.
 */
export function jobOfKind(job: Job, kind: string | undefined): Job {
  const named = job.bolts.kinds?.find((k) => k.id === kind);
  if (!named) return job;
  const { id: _id, size, class: grade, nut, fit, ...said } = named;
  const joint = Object.fromEntries(Object.entries(said).filter(([, v]) => v !== undefined));
  return { ...job, bolts: { ...job.bolts, size, class: grade, nut, fit }, joint: { ...job.joint, ...joint } };
}

/** The kinds that some bolt is of, the joint's own first, then in the order they are written; the joint's own where there is no bolt. */
export function kindsUsed(job: Job): readonly (string | undefined)[] {
  const { items, kinds = [] } = job.bolts;
  const own = (b: Item) => kinds.every((k) => k.id !== b.kind);
  const used = kinds.filter((k) => items.some((b) => b.kind === k.id)).map((k) => k.id);
  return items.length === 0 || items.some(own) ? [undefined, ...used] : used;
}

/** Where in `kindsUsed` each bolt's own stands. */
export const kindOfEach = (job: Job): readonly number[] => {
  const used = kindsUsed(job);
  return job.bolts.items.map((b) => Math.max(0, used.indexOf(b.kind)));
};
