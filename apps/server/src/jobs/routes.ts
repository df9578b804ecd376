import { json, Router, type Response } from 'express';
import { z } from 'zod';
import type { Verdict } from '@core/chain/evaluate';
import { judge } from '@core/chain/judge';
import { spreadRulesOf } from '@core/job/spread-rules';
import { MAX_FILE, readJobData } from '@core/formats/read-job';
import { problem, refused } from '../edges/problem';
import type { JobStore, StoredJob } from './job-store';

export const JobId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/);
const Version = z
  .string()
  .regex(/^"?(\d{1,9})"?$/)
  .transform((s) => Number(s.replaceAll('"', '')));

/** Verdicts judged as solved, by job, with the document they are of: each takes a second, and the rack asks for all. */
const solved = new Map<string, { readonly document: string; readonly verdict: Verdict }>();

function verdictOf({ job }: StoredJob): Verdict {
  if (spreadRulesOf(job).checks === 'hand') return judge(job).verdict;
  const document = JSON.stringify(job);
  const before = solved.get(job.id);
  if (before?.document === document) return before.verdict;
  const { verdict } = judge(job);
  solved.set(job.id, { document, verdict });
  return verdict;
}

/** A tag on the rack: the document with what lets go first. */
function tag(s: StoredJob) {
  const v = verdictOf(s);
  const weakest = v.links.find((l) => l.id === v.weakest);
  return {
    ...s,
    verdict: {
      state: v.state,
      weakest: weakest?.name ?? '',
      utilisation: weakest?.utilisation ?? 0,
      caseName: weakest?.caseName ?? '',
      letsGoAt: Number.isFinite(v.letsGoAt) ? v.letsGoAt : 0,
      because: v.refusals[0]?.because ?? v.links.find((l) => l.state === 'refused')?.because ?? '',
    },
  };
}

const noSuch = (res: Response) => problem(res, 404, 'There is no such job');

export function jobRoutes(store: JobStore): Router {
  const routes = Router();
  const body = json({ limit: MAX_FILE, type: ['application/json'] });

  routes.param('id', (_req, res, next, id) => {
    if (JobId.safeParse(id).success) next();
    else noSuch(res);
  });

  routes.get('/', (_req, res) => {
    res.json(store.list().map(tag));
  });

  routes.post('/', body, (req, res) => {
    const read = readJobData(req.body);
    if ('refusals' in read) return refused(res, read.refusals);
    if (!store.add(read.job)) return problem(res, 409, 'A job with this id is on the rack already', { id: read.job.id });
    res.status(201).location(`/api/jobs/${read.job.id}`).json({ version: 1 });
  });

  routes.get('/:id', (req, res) => {
    const found = store.get(req.params.id);
    if (!found) return noSuch(res);
    res.set('ETag', `"${found.version}"`).json(found);
  });

  routes.get('/:id/versions/:version', (req, res) => {
    const version = Version.safeParse(req.params.version);
    const job = version.success ? store.at(req.params.id, version.data) : undefined;
    if (!job) return problem(res, 404, 'There is no such version');
    res.json({ job });
  });

  routes.put('/:id', body, (req, res) => {
    const version = Version.safeParse(req.headers['if-match']);
    if (!version.success)
      return problem(res, 428, 'Say which version this replaces', {
        detail: 'If-Match: missing — allowed: the version number read',
      });
    const read = readJobData(req.body);
    if ('refusals' in read) return refused(res, read.refusals);
    if (read.job.id !== req.params['id']) return problem(res, 422, 'The job carries another id than its address');
    const saved = store.save(read.job, version.data);
    if (saved.kind === 'missing') return noSuch(res);
    if (saved.kind === 'stale')
      return problem(res, 412, 'The job was changed elsewhere since it was read', { current: saved.current });
    res.set('ETag', `"${saved.version}"`).json({ version: saved.version });
  });

  for (const [verb, archived] of [
    ['archive', true],
    ['restore', false],
  ] as const) {
    routes.post(`/:id/${verb}`, (req, res) => {
      if (!store.setArchived(req.params['id']!, archived)) return noSuch(res);
      res.status(204).end();
    });
  }
  return routes;
}
