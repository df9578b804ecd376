/// <reference lib="webworker" />
import './alive';
import { workingOf } from '@core/chain/evaluate';
import { beside } from '@core/chain/compare-jobs';
import { fittingGoodFor, footVerdicts } from '@core/chain/feet';
import { judge, type Judged } from '@core/chain/judge';
import { whatClears } from '@core/options/clear';
import type { FromJudge, ToJudge } from './messages';

/** What the last verdict rests on, for its working and as a start for the next. */
let last: Judged | undefined;

addEventListener('message', ({ data }: MessageEvent<ToJudge>) => {
  const answer = (m: FromJudge) => postMessage(m);
  try {
    if (data.kind === 'evaluate') {
      const before = last?.spread;
      last = undefined;
      last = judge(data.job, { before });
      answer({ kind: 'evaluate', ticket: data.ticket, verdict: last.verdict, solved: last.solved });
    } else if (data.kind === 'turn')
      answer({ kind: 'turn', ticket: data.ticket, verdict: judge(data.job, { times: data.times }).verdict });
    else if (data.kind === 'feet') answer({ kind: 'feet', ticket: data.ticket, feet: footVerdicts(data.whole) });
    else if (data.kind === 'fitting') answer({ kind: 'fitting', ticket: data.ticket, goodFor: fittingGoodFor(data.whole) });
    else if (data.kind === 'beside') answer({ kind: 'beside', ticket: data.ticket, beside: beside(data.a, data.b) });
    else if (data.kind === 'clear')
      answer({ kind: 'clear', ticket: data.ticket, link: data.link, clearings: whatClears(data.job, data.link) });
    else answer({ kind: 'working', ticket: data.ticket, working: workingOf(data.job, data.link, data.caseId, last?.solved) });
  } catch (e) {
    answer({ kind: 'broken', of: data.kind, ticket: data.ticket, message: (e as Error).message });
  }
});
