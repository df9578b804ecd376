/// <reference lib="webworker" />
import './alive';
import { doubtOf, multiplesOf } from '@core/chain/judge';
import type { FromWeigher, ToWeigher } from './messages';

addEventListener('message', ({ data: { ticket, job, verdict, solved } }: MessageEvent<ToWeigher>) => {
  const answer = (m: FromWeigher) => postMessage(m);
  try {
    const judged = { verdict, ...(solved ? { solved } : {}) };
    const multiples = multiplesOf(job, judged);
    answer({ kind: 'weighed', ticket, multiples });
    answer({ kind: 'weighed', ticket, multiples, doubt: { solveIt: doubtOf(job, judged, multiples) } });
  } catch (e) {
    answer({ kind: 'broken', ticket, message: (e as Error).message });
  }
});
