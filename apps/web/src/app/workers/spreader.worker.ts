/// <reference lib="webworker" />
import './alive';
import { pause } from './pause';
import type { FromSpreader, ToSpreader } from './messages';
import type { Mesh } from '@core/spread/from-job';
import { Spreading } from './spreading';

/** How long to compute before looking up for a newer job or a stop, ms. */
const SLICE = 30;
/** How often to tell how far it is, ms: what is quicker is not seen. */
const TELL = 150;

/** One for each mesh and each of the two layouts compared, so that each starts from its own last answer; of this worker's cases. */
const kept = new Map<string, Spreading>();
const COARSER: Record<Mesh, string> = { draft: '', fine: 'draft', proof: 'fine' };
let run = 0;

addEventListener('message', ({ data }: MessageEvent<ToSpreader>) => {
  if (data.kind === 'show') {
    const { key, caseId } = data;
    const shown = kept.get(key)?.show(caseId);
    postMessage((shown ? { kind: 'shown', key, caseId, ...shown } : { kind: 'lost', key, caseId }) satisfies FromSpreader);
    return;
  }
  run++;
  if (data.kind === 'solve') void solve(run, data);
});

async function solve(
  mine: number,
  { ticket, job, mesh, key, cases, caseId }: Extract<ToSpreader, { kind: 'solve' }>,
): Promise<void> {
  const answer = (m: FromSpreader) => postMessage(m);
  const started = performance.now();
  const spreading = kept.get(key) ?? new Spreading();
  kept.set(key, spreading);
  try {
    const steps = spreading.solve(job, mesh, cases, key === mesh ? kept.get(COARSER[mesh]) : undefined);
    let until = started + SLICE;
    let told = started;
    for (;;) {
      const next = steps.next();
      if (next.done) {
        const milliseconds = performance.now() - started;
        if (next.value) answer({ kind: 'refused', ticket, key, refusal: next.value });
        else answer({ kind: 'solved', ticket, key, caseId, milliseconds, ...spreading.show(caseId)! });
        return;
      }
      if (performance.now() < until) continue;
      if (performance.now() - told > TELL) {
        told = performance.now();
        answer({ kind: 'progress', ticket, key, done: next.value.done });
      }
      await pause();
      if (mine !== run) {
        answer({ kind: 'stopped', ticket, key });
        return;
      }
      until = performance.now() + SLICE;
    }
  } catch (e) {
    kept.delete(key);
    answer({ kind: 'broken', ticket, key, message: (e as Error).message });
  }
}
