import type { WholeJob } from '@core/job/whole-job';
import { barsCut } from '@core/shop/bars-cut';
import { buyList } from '@core/shop/buy-list';
import { planOf } from '@core/shop/cards/packet';
import { labelsOf } from '@core/shop/labels';
import { madeOf, type MadeOf } from '@core/shop/made-of';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import { solveProgramme } from '@core/shop/solve-programme';
import { isRefusal } from '@core/units/refusal';
import { sheetFile } from '@paper/cut-files';
import { fileName } from '@paper/file-name';
import { jobPacket, jobReport, verdictWords } from '@paper/job-packet';
import { labelsPdf } from '@paper/labels-pdf';
import { routeIcs } from '@paper/route-ics';
import { buyCsv, partsCsv } from '@paper/tables-csv';
import type { Asked } from './asked';
import { noSuch } from './at-foot';
import type { Made, SheetOf } from './made';
import { CUT_TYPES } from './of-a-part';

const issueOf = ({ version, today }: SheetOf): string => `version ${version}, ${today}`;
const saysOf = (whole: WholeJob, of: SheetOf) => ({ job: whole.name, issue: issueOf(of), verdict: verdictWords(whole) });
const named = (whole: WholeJob, of: SheetOf, what: string, ending: string): string =>
  fileName(whole.name, what, of.version, ending);

/** What is asked of a job laid out for making; a refusal where it cannot be. */
function whenMade(whole: WholeJob, then: (of: MadeOf) => Made | Promise<Made>): Made | Promise<Made> {
  const of = madeOf(whole);
  return 'refusals' in of ? { kind: 'refused', refusals: of.refusals } : then(of);
}

export async function packet(whole: WholeJob, of: SheetOf, asked: Asked<'packet.pdf'>): Promise<Made> {
  const as = { shop: of.shop, version: of.version, today: of.today, paper: asked.paper };
  const body = await jobPacket(whole, as, asked.card);
  if (!body) return noSuch('There is no such card', `card: this job has no ${asked.card}`);
  if ('refusals' in body) return { kind: 'refused', refusals: body.refusals };
  return { kind: 'file', body, name: named(whole, of, asked.card ?? 'packet', 'pdf') };
}

export async function report(whole: WholeJob, of: SheetOf, asked: Asked<'report.pdf'>): Promise<Made> {
  const as = { shop: of.shop, version: of.version, today: of.today, paper: asked.paper };
  return { kind: 'file', body: await jobReport(whole, as), name: named(whole, of, 'calculation report', 'pdf') };
}

export const labels = (whole: WholeJob, of: SheetOf, asked: Asked<'labels.pdf'>) =>
  whenMade(whole, async (made) => {
    const body = await labelsPdf(
      whole.name,
      issueOf(of),
      labelsOf(made, () => of.address),
      asked.paper,
    );
    return { kind: 'file', body, name: named(whole, of, 'labels', 'pdf') };
  });

export const parts = (whole: WholeJob, of: SheetOf, asked: Asked<'parts.csv'>) =>
  whenMade(whole, (made) => {
    const body = partsCsv(made, saysOf(whole, of), asked.numbers);
    return { kind: 'file', body, name: named(whole, of, 'parts', 'csv') };
  });

export const buying = (whole: WholeJob, of: SheetOf, asked: Asked<'buy.csv'>) =>
  whenMade(whole, async (made) => {
    const { shop } = of;
    const cut = await barsCut(whole, shop, solveProgramme);
    const sheets = sheetsWanted(whole, shop.sheetCut, shop.offcuts);
    if ('refusals' in cut) return { kind: 'refused', refusals: cut.refusals };
    if ('refusals' in sheets) return { kind: 'refused', refusals: sheets.refusals };
    const list = buyList({ of: made, sheets: sheets.wanted, bars: cut.bars, shop });
    const body = buyCsv(list, shop.currency, saysOf(whole, of), asked.numbers);
    return { kind: 'file', body, name: named(whole, of, 'buy list', 'csv') };
  });

export const route = (whole: WholeJob, of: SheetOf) =>
  whenMade(whole, (made) => {
    const plan = planOf(made, of.shop, of.today);
    if (isRefusal(plan)) return { kind: 'refused', refusals: [plan] };
    const body = routeIcs(plan, { id: whole.id, name: whole.name, issue: issueOf(of) });
    return { kind: 'file', body, name: named(whole, of, 'route', 'ics'), type: 'text/calendar' };
  });

/** A whole nested sheet for the cutter. */
export function nested(whole: WholeJob, of: SheetOf, asked: Asked<'sheet.dxf'>, ending: 'dxf' | 'svg'): Made {
  const found = sheetsWanted(whole, of.shop.sheetCut, of.shop.offcuts);
  if ('refusals' in found) return { kind: 'refused', refusals: found.refusals };
  const wanted = found.wanted.find((s) => s.stock === asked.stock);
  if (!wanted)
    return noSuch(
      'There is no such stock in this job',
      `stock: not cut here — allowed: ${found.wanted.map((s) => s.stock).join('; ')}`,
    );
  const body = sheetFile(wanted, asked.sheet, [`${whole.name}, ${issueOf(of)}`, verdictWords(whole)], {
    ending,
    kerf: asked.kerf,
    cutOnly: asked.with !== 'words',
  });
  if (isRefusal(body)) return { kind: 'refused', refusals: [body] };
  const what = [
    wanted.stock,
    `sheet ${asked.sheet}`,
    asked.with === 'words' ? 'with words' : '',
    asked.kerf > 0 ? `compensated ${asked.kerf} mm` : '',
  ];
  return { kind: 'file', body, name: named(whole, of, what.filter(Boolean).join(', '), ending), type: CUT_TYPES[ending] };
}

export async function cutPlan(whole: WholeJob, of: SheetOf): Promise<Made> {
  const cut = await barsCut(whole, of.shop, solveProgramme);
  if ('refusals' in cut) return { kind: 'refused', refusals: cut.refusals };
  return { kind: 'data', data: { version: of.version, plans: cut.bars } };
}
