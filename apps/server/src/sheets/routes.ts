import { Router, type Response } from 'express';
import { z } from 'zod';
import { sheetWords, type SheetWords } from '@core/shop/sheet-words';
import { writeJob } from '@core/formats/read-job';
import { atFoot } from '@core/job/at-foot';
import { isResolved, resolve, type Resolved } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import { barPlan } from '@core/shop/bar-cutting';
import { barsWanted } from '@core/shop/bars-wanted';
import { cutParts, type CutPart } from '@core/shop/cut-parts';
import { drillList } from '@core/shop/drill-list';
import { partDxf } from '@core/shop/dxf';
import { solveProgramme } from '@core/shop/solve-programme';
import { templateFor } from '@core/shop/template-pages';
import { USUAL_SAW } from '@core/stock/bar-lengths';
import { isRefusal } from '@core/units/refusal';
import { problem, refused, unread } from '../edges/problem';
import { isUnreadable, type JobStore, type StoredJob } from '../jobs/job-store';
import { drillCsv } from '@paper/drill-csv';
import { fileName } from '@paper/file-name';
import { templatePdf } from '@paper/template-pdf';

const Part = z.string().max(40).default('plate');
/** The first where left out. */
const Foot = z.string().max(40).optional();
const millimetres = (name: string, most: number) => {
  const words = `${name}: not a length there — allowed: 0 to ${most} mm`;
  return z.coerce.number(words).gte(0, words).lte(most, words);
};
const Asked = {
  template: z.object({
    paper: z.enum(['a4', 'letter'], 'paper: not known — allowed: a4, letter').default('a4'),
    part: Part,
    foot: Foot,
  }),
  dxf: z.object({ part: Part, foot: Foot, only: z.enum(['cut'], 'only: not known — allowed: cut').optional() }),
  saw: z.object({
    kerf: millimetres('kerf', 20).default(USUAL_SAW.kerf),
    endWaste: millimetres('endWaste', 500).default(USUAL_SAW.endWaste),
  }),
  csv: z.object({
    foot: Foot,
    numbers: z.enum(['point', 'comma'], 'numbers: not known — allowed: point, comma').default('point'),
  }),
};

interface Ready {
  readonly stored: StoredJob;
  readonly job: Job;
  /** For file names: of several feet the one it is of. */
  readonly foot: string;
  readonly r: Resolved;
  readonly say: (part: CutPart) => SheetWords;
}

/** Sheets to make the parts from; each is made from the saved document at the moment it is asked for. */
export function sheetRoutes(store: JobStore): Router {
  const routes = Router({ mergeParams: true });

  /** Answers the refusal itself and returns undefined where the job cannot be made. */
  const ready = (id: string, foot: string | undefined, res: Response): Ready | undefined => {
    const stored = store.get(id);
    if (!stored) {
      problem(res, 404, 'There is no such job');
      return undefined;
    }
    if (isUnreadable(stored)) {
      unread(res, stored);
      return undefined;
    }
    const { feet } = stored.job;
    const asked = foot === undefined ? feet[0] : feet.find((f) => f.id === foot);
    if (!asked) {
      problem(res, 404, 'There is no such foot', { detail: `foot: not here — allowed: ${feet.map((f) => f.id).join(', ')}` });
      return undefined;
    }
    const job = atFoot(stored.job, asked.id);
    const r = resolve(job);
    if (!isResolved(r)) {
      refused(res, r);
      return undefined;
    }
    return {
      stored,
      job,
      foot: feet.length > 1 ? `, ${asked.name}` : '',
      r,
      say: sheetWords(r, { version: stored.version, on: new Date().toISOString().slice(0, 10) }),
    };
  };

  /** What was asked of a sheet, or a problem that names the field and what is allowed. */
  const read = <T>(schema: z.ZodType<T>, query: unknown, res: Response): T | undefined => {
    const asked = schema.safeParse(query);
    if (asked.success) return asked.data;
    problem(res, 400, 'That sheet is not known', { detail: asked.error.issues.map((i) => i.message).join('; ') });
    return undefined;
  };

  const partOf = ({ r }: Ready, id: string, res: Response): CutPart | undefined => {
    const parts = cutParts(r);
    const part = parts.find((p) => p.id === id);
    if (!part)
      problem(res, 404, 'There is no such part', {
        detail: `part: not cut here — allowed: ${parts.map((p) => p.id).join(', ')}`,
      });
    return part;
  };

  const file = (res: Response, { job, version }: StoredJob, what: string, ending: string) =>
    res.attachment(fileName(job.name, what, version, ending));
  const nameOf = ({ foot }: Ready, what: string): string => `${what}${foot}`;

  routes.get('/:id/template.pdf', async (req, res) => {
    const asked = read(Asked.template, req.query, res);
    const found = asked && ready(req.params.id, asked.foot, res);
    const part = found && partOf(found, asked.part, res);
    if (!found || !part) return;
    const template = templateFor(part.bounds, asked.paper);
    if (isRefusal(template)) return refused(res, [template]);
    const base = part.id === 'plate' ? found.r.base : undefined;
    const pdf = await templatePdf({ job: found.job, part, base, said: found.say(part) }, template);
    file(res, found.stored, nameOf(found, `${part.name}, template ${asked.paper}`), 'pdf').send(pdf);
  });

  routes.get('/:id/plate.dxf', (req, res) => {
    const asked = read(Asked.dxf, req.query, res);
    const found = asked && ready(req.params.id, asked.foot, res);
    const part = found && partOf(found, asked.part, res);
    if (!found || !part) return;
    const s = found.say(part);
    const lines = [
      `${s.job}, ${s.issue}`,
      s.part,
      s.holes,
      s.bolts,
      'Millimetres.',
      s.verdict,
      s.kept,
      s.assumed,
      s.notJudged,
      ...s.cautions,
    ];
    const text = partDxf(part, {
      lines: lines.filter(Boolean),
      ...(part.id === 'plate' ? { base: found.r.base } : {}),
      cutOnly: asked.only === 'cut',
    });
    const holds = s.holds ? '' : ', DOES NOT HOLD';
    file(res, found.stored, nameOf(found, `${part.name}${asked.only ? ', cut only' : ''}${holds}`), 'dxf')
      .type('image/vnd.dxf')
      .send(text);
  });

  routes.get('/:id/drill-list.csv', (req, res) => {
    const asked = read(Asked.csv, req.query, res);
    const found = asked && ready(req.params.id, asked.foot, res);
    if (!found) return;
    const { stored, job, r, say } = found;
    const csv = drillCsv(job, drillList(job, r), say(cutParts(r)[0]!), asked.numbers);
    file(res, stored, nameOf(found, 'drill list'), 'csv').send(csv);
  });

  routes.get('/:id/cut-plan.json', async (req, res) => {
    const saw = read(Asked.saw, req.query, res);
    const stored = saw && store.get(req.params.id);
    if (!saw) return;
    if (!stored) return problem(res, 404, 'There is no such job');
    if (isUnreadable(stored)) return unread(res, stored);
    const found = barsWanted(stored.job);
    if ('refusals' in found) return refused(res, found.refusals);
    const plans = await Promise.all(
      found.wanted.map(async ({ stock, pieces, bars }) => ({ stock, plan: await barPlan(pieces, bars, saw, solveProgramme) })),
    );
    res.json({ version: stored.version, plans });
  });

  routes.get('/:id/job.json', (req, res) => {
    const stored = store.get(req.params.id);
    if (!stored) return problem(res, 404, 'There is no such job');
    if (isUnreadable(stored)) res.attachment(`${stored.id}.txt`).send(stored.text);
    else file(res, stored, '', 'json').send(writeJob(stored.job));
  });
  return routes;
}
