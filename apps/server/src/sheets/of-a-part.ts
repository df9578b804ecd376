import type { WholeJob } from '@core/job/whole-job';
import { cutParts } from '@core/shop/cut-parts';
import { otherHand } from '@core/shop/cut-shape';
import { drillList } from '@core/shop/drill-list';
import { ofOtherHand } from '@core/shop/sheet-words';
import { templateFor } from '@core/shop/template-pages';
import { isRefusal } from '@core/units/refusal';
import { partFile } from '@paper/cut-files';
import { drillCsv } from '@paper/drill-csv';
import { fileName } from '@paper/file-name';
import { templatePdf } from '@paper/template-pdf';
import type { Asked } from './asked';
import { isNo, noSuch, partOf, readyAt, type Ready } from './at-foot';
import type { Made, SheetOf } from './made';

const nameOf = ({ foot }: Ready, whole: WholeJob, { version }: SheetOf, what: string, ending: string): string =>
  fileName(whole.name, `${what}${foot}`, version, ending);

/** A part drawn 1:1 to lay on the metal. */
export async function template(whole: WholeJob, of: SheetOf, asked: Asked<'template.pdf'>): Promise<Made> {
  const found = readyAt(whole, of, asked.foot);
  if (isNo(found)) return found;
  const drawn = partOf(found, asked.part);
  if (isNo(drawn)) return drawn;
  const other = asked.hand === 'other';
  const part = other ? { ...otherHand(drawn), name: `${drawn.name}, other hand` } : drawn;
  const pages = templateFor(part.bounds, asked.paper);
  if (isRefusal(pages)) return { kind: 'refused', refusals: [pages] };
  const { printers } = of.shop;
  const printer = printers.find((p) => p.name === asked.printer);
  if (asked.printer !== undefined && !printer)
    return noSuch(
      'There is no such printer',
      `printer: not known — allowed: ${printers.map((p) => p.name).join(', ') || 'one of the shop’s, and it has none yet'}`,
    );
  const base = part.id === 'plate' && !other ? found.r.base : undefined;
  const said = other ? ofOtherHand(found.say(drawn)) : found.say(drawn);
  const shown = { job: found.job, part, base, said, stencil: asked.as === 'stencil' };
  const body = await templatePdf(
    printer ? { ...shown, printer: { of: printer, corrected: asked.correct === 'yes' } } : shown,
    pages,
  );
  return { kind: 'file', body, name: nameOf(found, whole, of, `${part.name}, ${asked.as} ${asked.paper}`, 'pdf') };
}

/** A part for the cutter. */
export function cutFile(whole: WholeJob, of: SheetOf, asked: Asked<'plate.dxf'>, ending: 'dxf' | 'svg'): Made {
  const found = readyAt(whole, of, asked.foot);
  if (isNo(found)) return found;
  const part = partOf(found, asked.part);
  if (isNo(part)) return part;
  const said = found.say(part);
  const as = { ending, mirrored: asked.hand === 'other', kerf: asked.kerf, cutOnly: asked.with !== 'words' };
  const body = partFile(part, said, as, part.id === 'plate' ? found.r.base : undefined);
  if (isRefusal(body)) return { kind: 'refused', refusals: [body] };
  const what = [
    part.name,
    as.mirrored ? 'other hand' : '',
    as.cutOnly ? '' : 'with words',
    as.kerf > 0 ? `compensated ${as.kerf} mm` : '',
    said.holds ? '' : 'DOES NOT HOLD',
  ];
  const name = nameOf(found, whole, of, what.filter(Boolean).join(', '), ending);
  return { kind: 'file', body, name, type: CUT_TYPES[ending] };
}

export const CUT_TYPES = { dxf: 'image/vnd.dxf', svg: 'image/svg+xml' } as const;

export function drillSheet(whole: WholeJob, of: SheetOf, asked: Asked<'drill-list.csv'>): Made {
  const found = readyAt(whole, of, asked.foot);
  if (isNo(found)) return found;
  const { job, r, say } = found;
  const body = drillCsv(job, drillList(job, r), say(cutParts(r)[0]!), asked.numbers);
  return { kind: 'file', body, name: nameOf(found, whole, of, 'drill list', 'csv') };
}
