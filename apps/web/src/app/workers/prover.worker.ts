/// <reference lib="webworker" />
import './alive';
import { predictedCurve } from '@core/prove/predicted-curve';
import { proofPlan } from '@core/prove/proof-plan';
import { proveState } from '@core/prove/prove-state';
import { isRefusal } from '@core/units/refusal';
import type { FromProver, ToProver } from './messages';

const answer = (m: FromProver) => postMessage(m);

addEventListener('message', ({ data: m }: MessageEvent<ToProver>) => {
  try {
    if (m.kind === 'state') answer({ kind: 'state', ticket: m.ticket, state: proveState(m.whole, m.lines, m.shop) });
    else curve(m);
  } catch (e) {
    answer({ kind: 'broken', ticket: m.ticket, message: (e as Error).message });
  }
});

/** Stopped by ending the worker: each step is a solve, and says how far it is. */
function curve({ ticket, job, asked }: Extract<ToProver, { kind: 'curve' }>): void {
  const plan = proofPlan(job, asked);
  if (isRefusal(plan)) return answer({ kind: 'refused', ticket, refusal: plan });
  const steps = predictedCurve(job, plan, asked.dial);
  for (;;) {
    const next = steps.next();
    if (!next.done) answer({ kind: 'progress', ticket, ...next.value });
    else if (isRefusal(next.value)) return answer({ kind: 'refused', ticket, refusal: next.value });
    else return answer({ kind: 'curve', ticket, curve: next.value });
  }
}
