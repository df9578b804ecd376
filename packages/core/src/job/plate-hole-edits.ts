import type { MadeHole } from './made-hole';
import type { Job } from './schema';

/** Edits of the plate's own holes: each a job in and a job out. */

const withHoles = (job: Job, holes: readonly MadeHole[]): Job => {
  const { holes: _was, ...plate } = job.plate;
  return { ...job, plate: holes.length === 0 ? plate : { ...plate, holes: [...holes] } };
};

/** One hole changed; what becomes undefined goes, and a slot that goes takes its turn with it. */
export const plateHoleChanged = (job: Job, id: string, change: { [K in keyof MadeHole]?: MadeHole[K] | undefined }): Job =>
  withHoles(
    job,
    (job.plate.holes ?? []).map((h) => {
      if (h.id !== id) return h;
      const both = { ...h, ...change };
      const kept = Object.entries(both).filter(([key, v]) => v !== undefined && !(key === 'turn' && both.slot === undefined));
      return Object.fromEntries(kept) as MadeHole;
    }),
  );

/** One hole more, under the first free name. */
export function plateHoleAdded(job: Job, hole: Omit<MadeHole, 'id'>): { readonly job: Job; readonly id: string } {
  const holes = job.plate.holes ?? [];
  let n = 1;
  while (holes.some((h) => h.id === `P${n}`)) n++;
  return { job: withHoles(job, [...holes, { id: `P${n}`, ...hole }]), id: `P${n}` };
}

export const plateHoleOut = (job: Job, id: string): Job =>
  withHoles(
    job,
    (job.plate.holes ?? []).filter((h) => h.id !== id),
  );
