import { json, Router, type Response } from 'express';
import { z } from 'zod';
import { MAX_FILE, readJobData } from '@core/formats/read-job';
import { problem, refused, unread } from '../edges/problem';
import { isUnreadable, type JobStore, type Unreadable } from './job-store';
import { Judgements } from './judgements';

export const JobId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/);
const Version = z
  .string()
  .regex(/^"?(\d{1,9})"?$/)
  .transform((s) => Number(s.replaceAll('"', '')));

const noSuch = (res: Response) => problem(res, 404, 'There is no such job');

/** What hangs on the rack for a row that does not read: that it is there, and why it does not open. */
const unreadableTag = ({ text: _, because, ...row }: Unreadable) => ({ ...row, unreadable: because });

export function jobRoutes(store: JobStore): Router {
  const routes = Router();
  const judgements = new Judgements();
  const body = json({ limit: MAX_FILE, type: ['application/json'] });

  routes.param('id', (_req, res, next, id) => {
    if (JobId.safeParse(id).success) next();
    else noSuch(res);
  });

  routes.get('/', (_req, res) => {
    res.json(store.list().map((s) => (isUnreadable(s) ? unreadableTag(s) : judgements.tag(s))));
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
    if (isUnreadable(found)) return unread(res, found);
    res.set('ETag', `"${found.version}"`).json(found);
  });

  routes.get('/:id/versions', (req, res) => {
    const versions = store.versions(req.params.id);
    if (versions.length === 0) return noSuch(res);
    res.json(versions);
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
    if (saved.kind === 'stale' && isUnreadable(saved.current)) return unread(res, saved.current);
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
