import { Router } from 'express';
import { writeJob } from '@core/formats/read-job';
import { fileName } from '@paper/file-name';
import { problem } from '../edges/problem';
import { isUnreadable } from '../jobs/job-store';
import { answerSheet, type SheetParts } from './answer';
import { ASKED, type SheetName } from './asked';

/** Sheets and files of a job, each made from the saved document at the moment it is asked for. */
export function sheetRoutes(parts: SheetParts): Router {
  const { store, shop } = parts;
  const routes = Router({ mergeParams: true });

  for (const name of Object.keys(ASKED) as SheetName[])
    routes.get(`/:id/${name}`, async (req, res) => {
      const asked = ASKED[name].safeParse(req.query);
      if (!asked.success)
        return problem(res, 400, 'That sheet is not known', { detail: asked.error.issues.map((i) => i.message).join('; ') });
      const address = `${req.protocol}://${req.headers.host ?? 'localhost'}`;
      await answerSheet(res, parts, { id: req.params['id']!, name, asked: asked.data, address });
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
