import { json, Router, type Response } from 'express';
import * as z from 'zod';
import { MAX_FILE, readJobData } from '@core/formats/read-job';
import { dayIn } from '@core/prove/due';
import type { Db } from '../database/open-database';
import { problem, refused, unread } from '../edges/problem';
import { whoOf } from '../edges/who';
import type { VerdictStore } from '../verdicts/verdict-store';
import type { DeedStore } from './deed-store';
import { isUnreadable, type By, type Deleted, type JobStore } from './job-store';
import type { ShopStore } from '../shop/shop-store';
import { RackAsked, rackPage } from './rack-list';

export const JobId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/);
const Version = z
  .string()
  .regex(/^"?(\d{1,9})"?$/)
  .transform((s) => Number(s.replaceAll('"', '')));
/** What was done to a document, in the words of the undo list. */
const Did = z.string().max(2000).catch('');
/** Most drawings asked for at once. */
const MOST_DRAWN = 60;
const Drawn = z
  .string()
  .max(41 * MOST_DRAWN)
  .transform((s) => s.split(','))
  .pipe(z.array(JobId).min(1).max(MOST_DRAWN));

const noSuch = (res: Response) => problem(res, 404, 'There is no such job');
const NOT_DELETED: Readonly<Record<Exclude<Deleted, 'deleted'>, readonly [status: number, title: string, detail: string]>> = {
  missing: [404, 'There is no such job', ''],
  'not in the bin': [409, 'The job is not in the bin', 'it is deleted for good from the bin only'],
  'has a logbook': [
    409,
    'The job has a logbook',
    'what was written in a logbook is kept; the job stays in the bin, or in the archive',
  ],
};

export interface JobParts {
  readonly db: Db;
  readonly store: JobStore;
  readonly shop: ShopStore;
  readonly verdicts: VerdictStore;
  readonly deeds: DeedStore;
}

/** The rack, and the jobs on it. No verdict is worked out here: the keeper does that beside the requests. */
export function jobRoutes({ db, store, shop, verdicts, deeds }: JobParts): Router {
  const routes = Router();
  const body = json({ limit: MAX_FILE, type: ['application/json'] });

  routes.param('id', (_req, res, next, id) => {
    if (JobId.safeParse(id).success) next();
    else noSuch(res);
  });

  routes.get('/', (req, res) => {
    const asked = RackAsked.safeParse(req.query);
    if (!asked.success)
      return problem(res, 400, 'The rack cannot be asked that', {
        detail: asked.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '),
      });
    res.json(rackPage(db, asked.data, verdicts.edition, dayIn(new Date().toISOString(), shop.get().settings.zone)));
  });

  routes.get('/drawn', (req, res) => {
    const ids = Drawn.safeParse(req.query['ids']);
    if (!ids.success) return problem(res, 400, `ids: allowed: 1 to ${MOST_DRAWN} jobs, with commas between`);
    // As they are kept, not read and written again.
    const rows = verdicts.drawn(ids.data).map(({ id, version, drawn }) => `"${id}":{"version":${version},"job":${drawn}}`);
    res.type('json').send(`{${rows.join(',')}}`);
  });

  routes.post('/', body, (req, res) => {
    const read = readJobData(req.body);
    if ('refusals' in read) return refused(res, read.refusals);
    if (!store.add(read.job, by(req.headers['did'], res)))
      return problem(res, 409, 'A job with this id is on the rack already', { id: read.job.id });
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
    res.json({ versions, deeds: deeds.of(req.params.id) });
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
    const saved = store.save(read.job, version.data, by(req.headers['did'], res));
    switch (saved.kind) {
      case 'missing':
        return noSuch(res);
      case 'binned':
        return problem(res, 409, 'The job is in the bin', { detail: 'take it out of the bin on the rack; nothing was changed' });
      case 'stale':
        if (isUnreadable(saved.current)) return unread(res, saved.current);
        return problem(res, 412, 'The job was changed elsewhere since it was read', { current: saved.current });
      case 'saved':
        res.set('ETag', `"${saved.version}"`).json({ version: saved.version });
    }
  });

  const acts: Readonly<Record<string, (id: string, who: string) => boolean>> = {
    archive: (id, who) => store.setArchived(id, true, who),
    restore: (id, who) => store.setArchived(id, false, who),
    bin: (id, who) => store.setBinned(id, true, who),
    unbin: (id, who) => store.setBinned(id, false, who),
  };
  for (const [verb, act] of Object.entries(acts)) {
    routes.post(`/:id/${verb}`, (req, res) => {
      if (!act(req.params['id']!, whoOf(res))) return noSuch(res);
      res.status(204).end();
    });
  }

  routes.delete('/:id', (req, res) => {
    const done = store.delete(req.params.id, whoOf(res));
    if (done === 'deleted') return void res.status(204).end();
    const [status, title, detail] = NOT_DELETED[done];
    problem(res, status, title, { detail });
  });
  return routes;
}

/** What a request says was done, in its header of that name, percent-coded; nothing where that does not read. */
function by(did: unknown, res: Response): By {
  let said = '';
  try {
    said = decodeURIComponent(Did.parse(did ?? ''));
  } catch {
    // Only the words are lost.
  }
  return { who: whoOf(res), did: said.slice(0, 200) };
}
