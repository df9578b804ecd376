import { perform, type Task } from '../pool/tasks';
import type { Workers } from '../pool/workers';

/** Tasks performed where they are asked, one after another: what they come to is tried without threads. */
export function here(): Workers {
  return {
    run: <T extends Task>(task: T) => perform(task) as never,
    waiting: 0,
    end: () => Promise.resolve(),
  };
}
