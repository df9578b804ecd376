import { judgeFeet } from '@core/chain/feet';
import { readJob } from '@core/formats/read-job';
import { asBuilt } from '@core/prove/as-built';
import type { Line } from '@core/prove/log-entry';
import { tasksOf, type Task } from '@core/prove/tasks';
import { madeOf } from '@core/shop/made-of';

/** What a job asks for through the years. One that cannot be read, made or judged has nothing that falls due, and takes no other with it. */
export function dueTasks(text: string, lines: readonly Line[]): readonly Task[] {
  const read = readJob(text);
  if (!('job' in read)) return [];
  try {
    const of = madeOf(read.job);
    if ('refusals' in of) return [];
    return tasksOf(
      of,
      judgeFeet(asBuilt(read.job, lines).whole).map((f) => f.judged.verdict),
    );
  } catch {
    return [];
  }
}
