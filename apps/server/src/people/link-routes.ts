import { json, Router } from 'express';
import * as z from 'zod';
import { problem } from '../edges/problem';
import { whoOf } from '../edges/who';
import type { DeedStore } from '../jobs/deed-store';
import type { JobStore } from '../jobs/job-store';
import type { Workers } from '../pool/workers';
import type { LogStore } from '../prove/log-store';
import type { ShopStore } from '../shop/shop-store';
import { answerSheet } from '../sheets/answer';
import type { LinkStore } from './link-store';

const Days = z.strictObject({ days: z.number().int().min(1, 'days: allowed: 1 to 365').max(365, 'days: allowed: 1 to 365') });
const Mark = z.string().regex(/^[0-9a-f]{12}$/);

export interface LinkParts {
  readonly store: JobStore;
  readonly links: LinkStore;
  readonly deeds: DeedStore;
}

/** Links to one job: made, listed, ended. */
export function linkRoutes({ store, links, deeds }: LinkParts): Router {
  const routes = Router({ mergeParams: true });

  routes.get('/:id/links', (req, res) => {
    if (!store.text(req.params.id)) return problem(res, 404, 'There is no such job');
    res.json(links.of(req.params.id));
  });

  routes.post('/:id/links', json({ limit: 1000 }), (req, res) => {
    const { id } = req.params;
    const asked = Days.safeParse(req.body);
    if (!asked.success)
      return problem(res, 422, 'The link is refused', { detail: asked.error.issues.map((i) => i.message).join('; ') });
    if (!id || !store.text(id)) return problem(res, 404, 'There is no such job');
    const token = links.make(id, whoOf(res), asked.data.days);
    deeds.add(whoOf(res), `made a read-only link for ${asked.data.days} days`, id);
    res.status(201).json({ path: `/link/${token}`, links: links.of(id) });
  });

  routes.delete('/:id/links/:mark', (req, res) => {
    const { id, mark } = req.params;
    if (!Mark.safeParse(mark).success || !links.end(id, mark)) return problem(res, 404, 'There is no such link');
    deeds.add(whoOf(res), 'ended a read-only link', id);
    res.json(links.of(id));
  });
  return routes;
}

export interface LinkedParts extends LinkParts {
  readonly shop: ShopStore;
  readonly book: LogStore;
  readonly photos: string;
  readonly workers: Workers;
}

const Token = z.string().regex(/^[A-Za-z0-9_-]{43}$/);

/** What a link shows: the job's record as a page without script, and its packet. Nothing of any other job, and nothing to write. */
export function linkedRoutes(parts: LinkedParts): Router {
  const routes = Router();
  for (const [path, name, asked] of [
    ['/:token', 'record.html', {}],
    ['/:token/packet.pdf', 'packet.pdf', { paper: 'a4' }],
  ] as const)
    routes.get(path, async (req, res) => {
      const token = Token.safeParse(req.params['token']);
      const id = token.success ? parts.links.jobOf(token.data) : undefined;
      if (!id) {
        res.status(404).type('text/plain').send('This link shows nothing: it has ended, or was never made. Ask whoever sent it.');
        return;
      }
      res.set('Referrer-Policy', 'no-referrer').set('Cache-Control', 'no-store').set('X-Robots-Tag', 'noindex');
      await answerSheet(res, parts, {
        id,
        name,
        asked,
        address: `${req.protocol}://${req.headers.host ?? 'localhost'}`,
        inline: true,
      });
    });
  return routes;
}
