import { Router } from 'express';
import { z } from 'zod';
import { writeJob } from '@core/formats/read-job';
import { cutParts } from '@core/shop/cut-parts';
import { otherHand, WIDEST_KERF } from '@core/shop/cut-shape';
import { drillList } from '@core/shop/drill-list';
import { ofOtherHand } from '@core/shop/sheet-words';
import { PAPERS, templateFor, type PaperName } from '@core/shop/template-pages';
import { isRefusal } from '@core/units/refusal';
import { partFile } from '@paper/cut-files';
import { drillCsv } from '@paper/drill-csv';
import { templatePdf } from '@paper/template-pdf';
import { problem, refused } from '../edges/problem';
import { isUnreadable, type JobStore } from '../jobs/job-store';
import type { ShopStore } from '../shop/shop-store';
import { asFile, oneOf, partOf, read, readyAt, type Ready } from './ready';

const Part = z.string().max(40).default('plate');
/** The first where left out. */
const Foot = z.string().max(40).optional();
const Hand = oneOf('hand', ['drawn', 'other']).default('drawn');
const kerfWords = `kerf: not a width there — allowed: 0 to ${WIDEST_KERF} mm`;
export const Kerf = z.coerce.number(kerfWords).gte(0, kerfWords).lte(WIDEST_KERF, kerfWords).default(0);
export const Numbers = oneOf('numbers', ['point', 'comma']).default('point');
const paperNames = Object.keys(PAPERS) as [PaperName, ...PaperName[]];
const Asked = {
  template: z.object({
    paper: oneOf('paper', paperNames).default('a4'),
    part: Part,
    foot: Foot,
    hand: Hand,
    /** One of the shop's, by its name. */
    printer: z.string().max(80).optional(),
    correct: oneOf('correct', ['yes', 'no']).default('yes'),
    as: oneOf('as', ['template', 'stencil']).default('template'),
  }),
  cut: z.object({ part: Part, foot: Foot, hand: Hand, kerf: Kerf, only: oneOf('only', ['cut']).optional() }),
  csv: z.object({ foot: Foot, numbers: Numbers }),
};

/** Sheets and files of single parts; each is made from the saved document at the moment it is asked for. */
export function sheetRoutes(store: JobStore, shop: ShopStore): Router {
  const routes = Router({ mergeParams: true });
  const nameOf = ({ foot }: Ready, what: string): string => `${what}${foot}`;

  routes.get('/:id/template.pdf', async (req, res) => {
    const asked = read(Asked.template, req.query, res);
    const found = asked && readyAt(store, req.params.id, asked.foot, res);
    const drawn = found && partOf(found, asked.part, res);
    if (!found || !drawn) return;
    const other = asked.hand === 'other';
    const part = other ? { ...otherHand(drawn), name: `${drawn.name}, other hand` } : drawn;
    const template = templateFor(part.bounds, asked.paper);
    if (isRefusal(template)) return refused(res, [template]);
    const { printers } = shop.get().settings;
    const printer = printers.find((p) => p.name === asked.printer);
    if (asked.printer !== undefined && !printer)
      return problem(res, 404, 'There is no such printer', {
        detail: `printer: not known — allowed: ${printers.map((p) => p.name).join(', ') || 'one of the shop’s, and it has none yet'}`,
      });
    const base = part.id === 'plate' && !other ? found.r.base : undefined;
    const of = {
      job: found.job,
      part,
      base,
      said: other ? ofOtherHand(found.say(drawn)) : found.say(drawn),
      stencil: asked.as === 'stencil',
    };
    const pdf = await templatePdf(
      printer ? { ...of, printer: { of: printer, corrected: asked.correct === 'yes' } } : of,
      template,
    );
    asFile(res, found.stored, nameOf(found, `${part.name}, ${asked.as} ${asked.paper}`), 'pdf').send(pdf);
  });

  for (const [path, ending, type] of [
    ['plate.dxf', 'dxf', 'image/vnd.dxf'],
    ['part.svg', 'svg', 'image/svg+xml'],
  ] as const)
    routes.get(`/:id/${path}`, (req, res) => {
      const asked = read(Asked.cut, req.query, res);
      const found = asked && readyAt(store, req.params['id']!, asked.foot, res);
      const part = found && partOf(found, asked.part, res);
      if (!found || !part) return;
      const said = found.say(part);
      const as = { ending, mirrored: asked.hand === 'other', kerf: asked.kerf, cutOnly: asked.only === 'cut' };
      const text = partFile(part, said, as, part.id === 'plate' ? found.r.base : undefined);
      if (isRefusal(text)) return refused(res, [text]);
      const what = [
        part.name,
        as.mirrored ? 'other hand' : '',
        as.cutOnly ? 'cut only' : '',
        as.kerf > 0 ? `compensated ${as.kerf} mm` : '',
        said.holds ? '' : 'DOES NOT HOLD',
      ];
      asFile(res, found.stored, nameOf(found, what.filter(Boolean).join(', ')), ending)
        .type(type)
        .send(text);
    });

  routes.get('/:id/drill-list.csv', (req, res) => {
    const asked = read(Asked.csv, req.query, res);
    const found = asked && readyAt(store, req.params.id, asked.foot, res);
    if (!found) return;
    const { stored, job, r, say } = found;
    const csv = drillCsv(job, drillList(job, r), say(cutParts(r)[0]!), asked.numbers);
    asFile(res, stored, nameOf(found, 'drill list'), 'csv').send(csv);
  });

  routes.get('/:id/job.json', (req, res) => {
    const stored = store.get(req.params.id);
    if (!stored) return problem(res, 404, 'There is no such job');
    if (isUnreadable(stored)) res.attachment(`${stored.id}.txt`).send(stored.text);
    else asFile(res, stored, '', 'json').send(writeJob(stored.job));
  });
  return routes;
}
