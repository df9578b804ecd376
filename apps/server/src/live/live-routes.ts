import { json, Router } from 'express';
import * as z from 'zod';
import { EventStream } from '../edges/event-stream';
import { problem } from '../edges/problem';
import { whoOf } from '../edges/who';
import type { JobStore } from '../jobs/job-store';

/** A tab that was not heard of for so long is gone, ms. */
const GONE = 50_000;
const MOST_LISTENERS = 200;
const MOST_TABS = 500;
const Here = z.strictObject({
  tab: z.string().regex(/^[A-Za-z0-9-]{8,40}$/),
  job: z
    .string()
    .regex(/^[A-Za-z0-9_-]{1,40}$/)
    .nullable(),
});

interface Tab {
  readonly job: string;
  readonly who: string;
  readonly at: number;
}

/** Who has which job open, and what is saved: over server-sent events, one stream to a browser. */
export function liveRoutes(store: JobStore): { readonly routes: Router; endStreams(): void } {
  const routes = Router();
  const stream = new EventStream(MOST_LISTENERS);
  const tabs = new Map<string, Tab>();

  store.onChange(({ id, version, who }) => stream.say('saved', { id, version, who }));

  /** Tabs by the job they have open. */
  const here = () => {
    for (const [tab, { at }] of tabs) if (Date.now() - at > GONE) tabs.delete(tab);
    const jobs: Record<string, { tab: string; who: string }[]> = {};
    for (const [tab, { job, who }] of tabs) (jobs[job] ??= []).push({ tab, who });
    return jobs;
  };

  routes.get('/', (_req, res) => {
    if (stream.full) return problem(res, 503, 'Too many browsers listen at once');
    stream.open(res);
    stream.say('here', here(), res);
  });

  routes.post('/here', json({ limit: 1000 }), (req, res) => {
    const asked = Here.safeParse(req.body);
    if (!asked.success) return problem(res, 422, 'That is refused', { detail: 'tab and job: allowed: the ids of both' });
    const { tab, job } = asked.data;
    const before = tabs.get(tab);
    if (job === null) tabs.delete(tab);
    else if (before || tabs.size < MOST_TABS) tabs.set(tab, { job, who: whoOf(res), at: Date.now() });
    if (before?.job !== (job ?? undefined)) stream.say('here', here());
    res.status(204).end();
  });

  return { routes, endStreams: () => stream.end() };
}
