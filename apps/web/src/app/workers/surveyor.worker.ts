/// <reference lib="webworker" />
import './alive';
import type { FromSurveyor, ToSurveyor } from './messages';
import { surveyed } from './surveyed';

addEventListener('message', ({ data }: MessageEvent<ToSurveyor>) => {
  const answer = (m: FromSurveyor) => postMessage(m);
  try {
    answer({ kind: 'surveyed', ticket: data.ticket, surveyed: surveyed(data.job) });
  } catch (e) {
    answer({ kind: 'broken', ticket: data.ticket, message: (e as Error).message });
  }
});
