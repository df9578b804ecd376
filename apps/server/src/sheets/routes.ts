import { Router, type Response } from 'express';
import { writeJob } from '@core/formats/read-job';
import { fileName } from '@paper/file-name';
import { problem, refused } from '../edges/problem';
import { isUnreadable, type JobStore } from '../jobs/job-store';
import type { Workers } from '../pool/workers';
import type { LogStore } from '../prove/log-store';
import type { ShopStore } from '../shop/shop-store';
import { ASKED, type Asked, type SheetName } from './asked';
import type { Made } from './made';

export interface SheetParts {
  readonly store: JobStore;
  readonly shop: ShopStore;
  readonly book: LogStore;
  /** Folder of the photographs. */
  readonly photos: string;
  readonly workers: Workers;
}

/** Sheets that tell of the logbook. */
const OF_THE_BOOK: ReadonlySet<SheetName> = new Set(['record.pdf', 'record.html', 'handover.pdf']);

/** Today, ISO. */
const today = (): string => new Date().toISOString().slice(0, 10);

/** Sheets and files of a job, each made in a worker from the saved document at the moment it is asked for. */
export function sheetRoutes({ store, shop, book, photos, workers }: SheetParts): Router {
  const routes = Router({ mergeParams: true });

  for (const name of Object.keys(ASKED) as SheetName[])
    routes.get(`/:id/${name}`, async (req, res) => {
      const id = req.params['id']!;
      const asked = ASKED[name].safeParse(req.query);
      if (!asked.success)
        return problem(res, 400, 'That sheet is not known', { detail: asked.error.issues.map((i) => i.message).join('; ') });
      const row = store.text(id);
      if (!row) return problem(res, 404, 'There is no such job');
      const of = {
        text: row.text,
        version: row.version,
        shop: shop.get().settings,
        lines: OF_THE_BOOK.has(name) ? book.lines(id) : [],
        photos,
        today: today(),
        address: `${req.protocol}://${req.headers.host ?? 'localhost'}/job/${id}/make`,
      };
      const made = await workers.run({ kind: 'sheet', name, of, asked: asked.data }, { until: gone(res) });
      if (made.kind === 'file' && name === 'packet.pdf' && (asked.data as Asked<'packet.pdf'>).card === undefined)
        shop.printed(id, row.version);
      answer(res, made);
    });

  routes.get('/:id/packet.json', (req, res) => {
    const row = store.text(req.params.id);
    if (!row) return problem(res, 404, 'There is no such job');
    res.json({ printed: shop.packet(req.params.id) ?? null, version: row.version });
  });

  routes.get('/:id/job.json', (req, res) => {
    const stored = store.get(req.params.id);
    if (!stored) return problem(res, 404, 'There is no such job');
    if (isUnreadable(stored)) res.attachment(`${stored.id}.txt`).send(stored.text);
    else res.attachment(fileName(stored.job.name, '', stored.version, 'json')).send(writeJob(stored.job));
  });
  return routes;
}

/** Ends when whoever asked is gone: nobody waits for the sheet any more. */
export function gone(res: Response): AbortSignal {
  const away = new AbortController();
  res.on('close', () => {
    if (!res.writableEnded) away.abort();
  });
  return away.signal;
}

function answer(res: Response, made: Made): void {
  switch (made.kind) {
    case 'file':
      res.attachment(made.name);
      if (made.type) res.type(made.type);
      res.send(typeof made.body === 'string' ? made.body : Buffer.from(made.body));
      return;
    case 'data':
      res.json(made.data);
      return;
    case 'refused':
      return refused(res, made.refusals);
    case 'problem':
      return problem(res, made.status, made.title, { detail: made.detail });
  }
}
