/// <reference lib="webworker" />
import { evaluate, workingOf } from '@core/chain/evaluate';
import { whatClears } from '@core/options/clear';
import type { FromJudge, ToJudge } from './messages';

addEventListener('message', ({ data }: MessageEvent<ToJudge>) => {
  const answer = (m: FromJudge) => postMessage(m);
  try {
    if (data.kind === 'evaluate') answer({ kind: 'evaluate', ticket: data.ticket, verdict: evaluate(data.job) });
    else if (data.kind === 'clear')
      answer({ kind: 'clear', ticket: data.ticket, link: data.link, clearings: whatClears(data.job, data.link) });
    else answer({ kind: 'working', ticket: data.ticket, working: workingOf(data.job, data.link, data.caseId) });
  } catch (e) {
    answer({ kind: 'broken', ticket: data.ticket, message: (e as Error).message });
  }
});
