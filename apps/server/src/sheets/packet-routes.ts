import { Router, type Response } from 'express';
import { z } from 'zod';
import { barsCut } from '@core/shop/bars-cut';
import { buyList } from '@core/shop/buy-list';
import { planOf } from '@core/shop/cards/packet';
import { labelsOf } from '@core/shop/labels';
import { madeOf, type MadeOf } from '@core/shop/made-of';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import { solveProgramme } from '@core/shop/solve-programme';
import { isRefusal } from '@core/units/refusal';
import { sheetFile } from '@paper/cut-files';
import { jobPacket, jobReport, verdictWords } from '@paper/job-packet';
import { labelsPdf } from '@paper/labels-pdf';
import { routeIcs } from '@paper/route-ics';
import { buyCsv, partsCsv } from '@paper/tables-csv';
import { problem, refused } from '../edges/problem';
import type { JobStore, StoredJob } from '../jobs/job-store';
import type { ShopStore } from '../shop/shop-store';
import { asFile, oneOf, read, storedJob, today } from './ready';
import { Kerf, Numbers } from './routes';

const Asked = {
  packet: z.object({ paper: oneOf('paper', ['a4', 'letter']).default('a4'), card: z.string().max(20).optional() }),
  paper: z.object({ paper: oneOf('paper', ['a4', 'letter']).default('a4') }),
  csv: z.object({ numbers: Numbers }),
  sheet: z.object({ stock: z.string().max(120), sheet: z.coerce.number().int().min(1).default(1), kerf: Kerf }),
};

/** Sheets of a job over all its feet: the packet, any card of it, the report, labels, lists, the calendar, whole sheets for the cutter. */
export function packetRoutes(store: JobStore, shop: ShopStore): Router {
  const routes = Router({ mergeParams: true });
  const issueOf = (s: StoredJob): string => `version ${s.version}, ${today()}`;

  /** The job laid out for making; undefined where the refusal is answered. */
  const made = (id: string, res: Response): { readonly stored: StoredJob; readonly of: MadeOf } | undefined => {
    const stored = storedJob(store, id, res);
    if (!stored) return undefined;
    const of = madeOf(stored.job);
    if ('refusals' in of) {
      refused(res, of.refusals);
      return undefined;
    }
    return { stored, of };
  };

  routes.get('/:id/packet.pdf', async (req, res) => {
    const asked = read(Asked.packet, req.query, res);
    const stored = asked && storedJob(store, req.params.id, res);
    if (!asked || !stored) return;
    const { settings } = shop.get();
    const pdf = await jobPacket(
      stored.job,
      { shop: settings, version: stored.version, today: today(), paper: asked.paper },
      asked.card,
    );
    if (!pdf) return problem(res, 404, 'There is no such card', { detail: `card: this job has no ${asked.card}` });
    if ('refusals' in pdf) return refused(res, pdf.refusals);
    if (asked.card === undefined) shop.printed(stored.job.id, stored.version);
    asFile(res, stored, asked.card ?? 'packet', 'pdf').send(pdf);
  });

  routes.get('/:id/packet.json', (req, res) => {
    const stored = storedJob(store, req.params.id, res);
    if (stored) res.json({ printed: shop.packet(stored.job.id) ?? null, version: stored.version });
  });

  routes.get('/:id/report.pdf', async (req, res) => {
    const asked = read(Asked.paper, req.query, res);
    const stored = asked && storedJob(store, req.params.id, res);
    if (!asked || !stored) return;
    const as = { shop: shop.get().settings, version: stored.version, today: today(), paper: asked.paper };
    asFile(res, stored, 'calculation report', 'pdf').send(await jobReport(stored.job, as));
  });

  routes.get('/:id/labels.pdf', async (req, res) => {
    const asked = read(Asked.paper, req.query, res);
    const found = asked && made(req.params.id, res);
    if (!asked || !found) return;
    const address = `${req.protocol}://${req.headers.host ?? 'localhost'}/job/${found.stored.job.id}/make`;
    const labels = labelsOf(found.of, () => address);
    asFile(res, found.stored, 'labels', 'pdf').send(
      await labelsPdf(found.stored.job.name, issueOf(found.stored), labels, asked.paper),
    );
  });

  routes.get('/:id/parts.csv', (req, res) => {
    const asked = read(Asked.csv, req.query, res);
    const found = asked && made(req.params.id, res);
    if (!asked || !found) return;
    const { stored, of } = found;
    const says = { job: stored.job.name, issue: issueOf(stored), verdict: verdictWords(stored.job) };
    asFile(res, stored, 'parts', 'csv').send(partsCsv(of, says, asked.numbers));
  });

  routes.get('/:id/buy.csv', async (req, res) => {
    const asked = read(Asked.csv, req.query, res);
    const found = asked && made(req.params.id, res);
    if (!asked || !found) return;
    const { stored, of } = found;
    const { settings } = shop.get();
    const cut = await barsCut(stored.job, settings, solveProgramme);
    const sheets = sheetsWanted(stored.job, settings.sheetCut, settings.offcuts);
    if ('refusals' in cut) return refused(res, cut.refusals);
    if ('refusals' in sheets) return refused(res, sheets.refusals);
    const list = buyList({ of, sheets: sheets.wanted, bars: cut.bars, shop: settings });
    const says = { job: stored.job.name, issue: issueOf(stored), verdict: verdictWords(stored.job) };
    asFile(res, stored, 'buy list', 'csv').send(buyCsv(list, settings.currency, says, asked.numbers));
  });

  routes.get('/:id/route.ics', (req, res) => {
    const found = made(req.params.id, res);
    if (!found) return;
    const plan = planOf(found.of, shop.get().settings, today());
    if (isRefusal(plan)) return refused(res, [plan]);
    const { stored } = found;
    asFile(res, stored, 'route', 'ics')
      .type('text/calendar')
      .send(routeIcs(plan, { id: stored.job.id, name: stored.job.name, issue: issueOf(stored) }));
  });

  for (const ending of ['dxf', 'svg'] as const)
    routes.get(`/:id/sheet.${ending}`, (req, res) => {
      const asked = read(Asked.sheet, req.query, res);
      const stored = asked && storedJob(store, req.params['id']!, res);
      if (!asked || !stored) return;
      const { settings } = shop.get();
      const found = sheetsWanted(stored.job, settings.sheetCut, settings.offcuts);
      if ('refusals' in found) return refused(res, found.refusals);
      const wanted = found.wanted.find((s) => s.stock === asked.stock);
      if (!wanted)
        return problem(res, 404, 'There is no such stock in this job', {
          detail: `stock: not cut here — allowed: ${found.wanted.map((s) => s.stock).join('; ')}`,
        });
      const says = [`${stored.job.name}, ${issueOf(stored)}`, verdictWords(stored.job)];
      const text = sheetFile(wanted, asked.sheet, says, { ending, kerf: asked.kerf });
      if (isRefusal(text)) return refused(res, [text]);
      asFile(res, stored, `${wanted.stock}, sheet ${asked.sheet}`, ending)
        .type(ending === 'dxf' ? 'image/vnd.dxf' : 'image/svg+xml')
        .send(text);
    });

  routes.get('/:id/cut-plan.json', async (req, res) => {
    const stored = storedJob(store, req.params.id, res);
    if (!stored) return;
    const cut = await barsCut(stored.job, shop.get().settings, solveProgramme);
    if ('refusals' in cut) return refused(res, cut.refusals);
    res.json({ version: stored.version, plans: cut.bars });
  });
  return routes;
}
