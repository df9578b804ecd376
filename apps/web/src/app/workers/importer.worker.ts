/// <reference lib="webworker" />
import './alive';
import { READERS } from './imported';
import type { FromImporter, ToImporter } from './messages';

addEventListener('message', ({ data }: MessageEvent<ToImporter>) => {
  const answer = (m: FromImporter) => postMessage(m);
  try {
    answer({ ticket: data.ticket, read: READERS[data.kind](data.text, data.units) });
  } catch (e) {
    answer({ ticket: data.ticket, broken: (e as Error).message });
  }
});
