/// <reference lib="webworker" />
import './alive';
import { axesFor, tryStock } from '@core/options/choose';
import { pause } from './pause';
import type { FromChooser, ToChooser } from './messages';

/** How long to compute before looking up for a stop. */
const SLICE = 40;

let run = 0;

addEventListener('message', ({ data }: MessageEvent<ToChooser>) => {
  run++;
  if (data.kind === 'start') void search(run, data);
});

async function search(mine: number, { job }: Extract<ToChooser, { kind: 'start' }>): Promise<void> {
  const answer = (m: FromChooser) => postMessage(m);
  const started = performance.now();
  try {
    const all = tryStock(job, axesFor(job));
    for (;;) {
      const until = performance.now() + SLICE;
      let next = all.next();
      while (!next.done && performance.now() < until) next = all.next();
      const { tried, total, sound } = next.value;
      const stopped = mine !== run;
      if (next.done || stopped) {
        answer({ kind: 'done', tried, total, options: sound, milliseconds: performance.now() - started, stopped });
        return;
      }
      answer({ kind: 'progress', tried, total, sound: sound.length });
      await pause();
    }
  } catch (e) {
    answer({ kind: 'broken', message: (e as Error).message });
  }
}
