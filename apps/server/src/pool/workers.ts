import { cpus } from 'node:os';
import { Piscina } from 'piscina';
import type { Done, Task } from './tasks';

/** How long a task may take, ms: a sheet somebody waits for, and a verdict nobody does. */
const LONGEST: Readonly<Record<Task['kind'], number>> = { sheet: 120_000, stamp: 120_000, due: 120_000, face: 180_000 };
/** Tasks that may wait for a free thread; more at once is not what a shop does. */
const MOST_WAITING = 200;

export interface Asking {
  /** Ends the task where nobody waits for it any more. */
  readonly until?: AbortSignal;
}

/** Where tasks are performed. Throws `TookTooLong` after a task's deadline, and `Busy` where too many wait. */
export interface Workers {
  run<T extends Task>(task: T, asking?: Asking): Promise<Done[T['kind']]>;
  /** Tasks that wait for a free thread. */
  readonly waiting: number;
  end(): Promise<void>;
}

export class TookTooLong extends Error {
  readonly status = 503;
  constructor(seconds: number) {
    super(`it took longer than ${seconds} s and was ended; nothing was changed`);
  }
}
export class Busy extends Error {
  readonly status = 503;
  constructor() {
    super('too much is being worked out at once; try again in a minute');
  }
}

/** No thread gets as far as its first task, as where a package is missing: nothing is judged until that is mended. */
export class NotStarted extends Error {
  readonly status = 503;
  constructor(because: string) {
    super(`what judges jobs and makes sheets does not start: ${because}`);
  }
}

/** Threads of their own, as many as the machine runs at once and no fewer than two: one that solves keeps no sheet waiting. */
export function threads(file: URL, ended: (because: Error) => void = () => undefined): Workers {
  const pool = new Piscina({
    filename: file.href,
    minThreads: 1,
    maxThreads: Math.max(2, Math.min(4, cpus().length)),
    idleTimeout: 60_000,
    maxQueue: MOST_WAITING,
    // A job that eats memory ends its thread, and nothing else.
    resourceLimits: { maxOldGenerationSizeMb: 1024 },
  });
  const noneStarts = new AbortController();
  /** One that was ready once is started again; a pool that is between two threads then is not given up. */
  let ready = false;
  const gone = (e: unknown) => !ready && pool.threads.length === 0 && noneStarts.abort(e);
  // A thread that ends while it has nothing to do takes nobody with it; another takes its place, unless it never was ready.
  pool.on('error', (e: Error) => {
    ended(e);
    gone(e);
  });
  return {
    async run<T extends Task>(task: T, { until }: Asking = {}) {
      const ms = LONGEST[task.kind];
      const late = AbortSignal.timeout(ms);
      const signal = AbortSignal.any([late, noneStarts.signal, ...(until ? [until] : [])]);
      try {
        const done = (await pool.run(task, { signal })) as Done[T['kind']];
        ready = true;
        return done;
      } catch (e) {
        if (!late.aborted && !until?.aborted) gone(e);
        if (noneStarts.signal.aborted) throw new NotStarted((noneStarts.signal.reason as Error).message.split('\n')[0]!);
        if (late.aborted) throw new TookTooLong(ms / 1000);
        if (/queue/i.test((e as Error).message)) throw new Busy();
        throw e;
      }
    },
    get waiting() {
      return pool.queueSize;
    },
    end: () => pool.destroy(),
  };
}
