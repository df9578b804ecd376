import { readJobData } from '@core/formats/read-job';
import type { Job } from '@core/job/schema';
import type { JobState, KeptHistory } from './job.state';

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
    const step = (s: { job: Job; did: string }) => ({ job: read(s.job), did: s.did });
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

/** As today's version of the document; throws where it is none. */
function read(data: unknown): Job {
  const found = readJobData(data);
  if ('refusals' in found) throw new Error(found.refusals[0]!.because);
  return found.job;
}
