import { Router, type Response } from 'express';
import { z } from 'zod';
import { sideBySide } from '@core/prove/stamp';
import type { Recorded } from '@core/prove/cards/record';
import { dayIn } from '@core/prove/due';
import { handoverPdf, recordPage, recordPdf } from '@paper/job-record';
import type { Photos } from '@paper/card-pages';
import { asFile, oneOf, read, storedJob } from '../sheets/ready';
import type { StoredJob } from '../jobs/job-store';
import type { ProveParts } from './log-routes';

const Asked = z.object({ paper: oneOf('paper', ['a4', 'letter']).default('a4') });

/** The record of a job as built, and what is handed over between people. */
export function recordRoutes({ store, shop, log, photos }: ProveParts): Router {
  const routes = Router({ mergeParams: true });

  const recorded = (id: string, res: Response): { readonly of: Recorded; readonly stored: StoredJob } | undefined => {
    const stored = storedJob(store, id, res);
    if (!stored) return undefined;
    const lines = log.lines(stored.job.id);
    const { settings } = shop.get();
    const today = dayIn(new Date().toISOString(), settings.zone);
    return {
      stored,
      of: { whole: stored.job, version: stored.version, lines, side: sideBySide(stored.job, lines), shop: settings, today },
    };
  };
  const pictures: Photos = (sha) => {
    const found = photos.read(sha);
    return typeof found === 'string' ? undefined : found;
  };

  routes.get('/:id/record.pdf', async (req, res) => {
    const asked = read(Asked, req.query, res);
    const found = asked && recorded(req.params.id, res);
    if (asked && found) asFile(res, found.stored, 'record', 'pdf').send(await recordPdf(found.of, asked.paper, pictures));
  });

  routes.get('/:id/record.html', (req, res) => {
    const found = recorded(req.params.id, res);
    if (found) asFile(res, found.stored, 'record', 'html').type('html').send(recordPage(found.of, pictures));
  });

  routes.get('/:id/handover.pdf', async (req, res) => {
    const asked = read(Asked, req.query, res);
    const found = asked && recorded(req.params.id, res);
    if (asked && found) asFile(res, found.stored, 'handover', 'pdf').send(await handoverPdf(found.of, asked.paper));
  });
  return routes;
}
