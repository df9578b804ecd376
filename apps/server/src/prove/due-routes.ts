import { Router } from 'express';
import { byDue, dayIn, dueOf, type Due } from '@core/prove/due';
import { dueIcs } from '@paper/due-ics';
import { problem } from '../edges/problem';
import type { JobStore } from '../jobs/job-store';
import type { ShopStore } from '../shop/shop-store';
import type { DueStore } from './due-store';
import type { LogStore } from './log-store';

export interface JobDue {
  readonly id: string;
  readonly name: string;
  readonly due: readonly Due[];
}

/** What falls due over every job on the rack, and how many jobs have not been looked at yet. */
export interface DueList {
  readonly jobs: readonly JobDue[];
  readonly waiting: number;
}

export interface DueParts {
  readonly store: JobStore;
  readonly shop: ShopStore;
  readonly book: LogStore;
  readonly due: DueStore;
}

export function dueRoutes({ store, shop, book, due }: DueParts): Router {
  const routes = Router();

  const all = (): DueList => {
    const { zone } = shop.get().settings;
    const today = dayIn(new Date().toISOString(), zone);
    let waiting = 0;
    const jobs = store.live().map(({ id, name, version }): JobDue => {
      const lines = book.lines(id);
      const known = due.tasks(id);
      if (known?.version !== version || known.lines !== lines.length) waiting++;
      return { id, name, due: dueOf(known?.tasks ?? [], lines, today, zone).sort(byDue) };
    });
    return { jobs, waiting };
  };

  routes.get('/', (_req, res) => {
    res.json(all());
  });
  routes.get('/calendar.ics', (_req, res) => {
    const { jobs, waiting } = all();
    // A calendar without some of the jobs would be taken for the whole of it.
    if (waiting > 0)
      return problem(res, 503, 'Not every job has been looked at yet', {
        detail: `${waiting} ${waiting === 1 ? 'job is' : 'jobs are'} still being worked out; take the calendar again in a minute`,
      });
    res.attachment('Mast Shoe, due.ics').type('text/calendar').send(dueIcs(jobs));
  });
  return routes;
}
