import { readJobData } from '@core/formats/read-job';
import type { WholeJob } from '@core/job/whole-job';
import type { JobState, KeptHistory } from './job.state';
import type { Unsent } from './outbox-store';

/**
 * What a tab keeps through a reload or a crash, in its own session storage: the document with its undo steps,
 * so two tabs never write over each other's.
 */
const key = (id: string) => `mast-shoe.history.${id}`;

export function keepHistory(s: JobState): void {
  if (!s.settled || !s.base || s.status !== 'ready') return;
  const kept: KeptHistory = { version: s.version, base: s.base, settled: s.settled, past: s.past, future: s.future };
  try {
    sessionStorage.setItem(key(s.settled.id), JSON.stringify(kept));
  } catch {
    // Full: drop the older half of the steps rather than the document.
    const half = { ...kept, past: kept.past.slice(-Math.ceil(kept.past.length / 2)), future: [] };
    try {
      sessionStorage.setItem(key(s.settled.id), JSON.stringify(half));
    } catch {
      sessionStorage.removeItem(key(s.settled.id));
    }
  }
}

export function keptHistory(id: string): KeptHistory | null {
  const text = sessionStorage.getItem(key(id));
  if (!text) return null;
  try {
    const kept = JSON.parse(text) as KeptHistory;
    const step = (s: { job: WholeJob; did: string }) => ({ job: read(s.job), did: s.did });
    return {
      version: kept.version,
      base: read(kept.base),
      settled: read(kept.settled),
      past: kept.past.map(step),
      future: kept.future.map(step),
    };
  } catch {
    return null;
  }
}

/** The server has `job` as `version`: what is kept of a job that is not open rests on it from now on. */
export function historySaved(job: WholeJob, version: number): void {
  const kept = keptHistory(job.id);
  if (!kept || kept.version >= version) return;
  sessionStorage.setItem(key(job.id), JSON.stringify({ ...kept, base: job, version }));
}

/** A change left unsent by a tab that is gone, as this one's to go on with. */
export function leftBehind(left: Unsent | undefined): KeptHistory | null {
  if (!left) return null;
  try {
    return { version: left.version, base: read(left.base), settled: read(left.job), past: [], future: [] };
  } catch {
    return null;
  }
}

/** As today's version of the document; throws where it is none. */
function read(data: unknown): WholeJob {
  const found = readJobData(data);
  if ('refusals' in found) throw new Error(found.refusals[0]!.because);
  return found.job;
}
