import { Router } from 'express';
import { judgeFeet } from '@core/chain/feet';
import { madeOf } from '@core/shop/made-of';
import { asBuilt } from '@core/prove/as-built';
import type { Line } from '@core/prove/log-entry';
import { byDue, dayIn, dueOf, type Due } from '@core/prove/due';
import { tasksOf, type Task } from '@core/prove/tasks';
import { dueIcs } from '@paper/due-ics';
import { isUnreadable, type StoredJob } from '../jobs/job-store';
import type { ProveParts } from './log-routes';

export interface JobDue {
  readonly id: string;
  readonly name: string;
  readonly due: readonly Due[];
}

/** What falls due over every job on the rack. */
export function dueRoutes({ store, shop, log }: ProveParts): Router {
  const routes = Router();
  // What falls due rests on the verdict: worked out once for a version and a line.
  const known = new Map<string, { readonly of: string; readonly tasks: readonly Task[] }>();
  const tasksFor = ({ job, version }: StoredJob, lines: readonly Line[]): readonly Task[] => {
    const of = `${version} ${lines.length}`;
    const before = known.get(job.id);
    if (before?.of === of) return before.tasks;
    const tasks = tasksSafely(job, lines);
    known.set(job.id, { of, tasks });
    return tasks;
  };
  const all = (): JobDue[] => {
    const { zone } = shop.get().settings;
    const today = dayIn(new Date().toISOString(), zone);
    return store
      .list()
      .flatMap((s) => (isUnreadable(s) || s.archived ? [] : [s]))
      .map((s) => {
        const lines = log.lines(s.job.id);
        return { id: s.job.id, name: s.job.name, due: dueOf(tasksFor(s, lines), lines, today, zone).sort(byDue) };
      });
  };

  routes.get('/', (_req, res) => {
    res.json(all());
  });
  routes.get('/calendar.ics', (_req, res) => {
    res.attachment('Mast Shoe, due.ics').type('text/calendar').send(dueIcs(all()));
  });
  return routes;
}

/** A job that cannot be made or judged has nothing that falls due, and takes no other with it. */
function tasksSafely(whole: StoredJob['job'], lines: readonly Line[]): readonly Task[] {
  try {
    const of = madeOf(whole);
    return 'refusals' in of
      ? []
      : tasksOf(
          of,
          judgeFeet(asBuilt(whole, lines).whole).map((f) => f.judged.verdict),
        );
  } catch {
    return [];
  }
}
