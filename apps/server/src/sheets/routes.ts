import { stringify } from 'csv-stringify/sync';
import { Router, type Response } from 'express';
import { z } from 'zod';
import { cautionsFor } from '@core/chain/cautions';
import { writeJob } from '@core/formats/read-job';
import { isResolved, resolve, type Resolved } from '@core/job/resolve';
import { drillList } from '@core/shop/drill-list';
import { plateDxf } from '@core/shop/dxf';
import { templateFor } from '@core/shop/template-pages';
import { isRefusal } from '@core/units/refusal';
import { problem, refused, unread } from '../edges/problem';
import { isUnreadable, type JobStore, type StoredJob } from '../jobs/job-store';
import { templatePdf } from './template-pdf';

const Paper = z.object({ paper: z.enum(['a4', 'letter']).default('a4') });

/** Sheets to make the plate from; each is made from the saved document at the moment it is asked for. */
export function sheetRoutes(store: JobStore): Router {
  const routes = Router({ mergeParams: true });

  /** Answers the refusal itself and returns undefined where the job cannot be made. */
  const ready = (id: string, res: Response): { stored: StoredJob; r: Resolved } | undefined => {
    const stored = store.get(id);
    if (!stored) {
      problem(res, 404, 'There is no such job');
      return undefined;
    }
    if (isUnreadable(stored)) {
      unread(res, stored);
      return undefined;
    }
    const r = resolve(stored.job);
    if (isResolved(r)) return { stored, r };
    refused(res, r);
    return undefined;
  };

  const file = (res: Response, id: string, ending: string, type: string) =>
    res.type(type).set('Content-Disposition', `attachment; filename="${id}${ending}"`);

  routes.get('/:id/template.pdf', async (req, res) => {
    const asked = Paper.safeParse(req.query);
    if (!asked.success) return problem(res, 400, 'Unknown paper', { detail: 'paper: not known — allowed: a4, letter' });
    const found = ready(req.params.id, res);
    if (!found) return;
    const template = templateFor(found.r.plate, asked.data.paper);
    if (isRefusal(template)) return refused(res, [template]);
    const pdf = await templatePdf(found.stored.job, found.r, template);
    file(res, req.params.id, `-template-${asked.data.paper}.pdf`, 'application/pdf').send(pdf);
  });

  routes.get('/:id/plate.dxf', (req, res) => {
    const found = ready(req.params.id, res);
    if (found)
      file(res, req.params.id, '.dxf', 'image/vnd.dxf').send(plateDxf(found.stored.job, found.r, cautionsFor(found.stored.job)));
  });

  routes.get('/:id/drill-list.csv', (req, res) => {
    const found = ready(req.params.id, res);
    if (!found) return;
    const rows = drillList(found.stored.job, found.r);
    const columns = { hole: 'hole', x: 'x_mm', y: 'y_mm', diameter: 'diameter_mm', fastener: 'fastener', note: 'note' };
    file(res, req.params.id, '-drill-list.csv', 'text/csv').send(
      stringify(rows, { header: true, columns, escape_formulas: true }),
    );
  });

  routes.get('/:id/job.json', (req, res) => {
    const stored = store.get(req.params.id);
    if (!stored) return problem(res, 404, 'There is no such job');
    if (isUnreadable(stored)) file(res, req.params.id, '.txt', 'text/plain').send(stored.text);
    else file(res, req.params.id, '.json', 'application/json').send(writeJob(stored.job));
  });
  return routes;
}
