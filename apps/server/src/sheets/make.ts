import { readJob } from '@core/formats/read-job';
import type { WholeJob } from '@core/job/whole-job';
import { refusalText } from '@core/units/refusal';
import { handover, record, recordHtml } from './as-built';
import type { Asked, SheetName } from './asked';
import type { Made, SheetOf } from './made';
import { buying, cutPlan, labels, nested, packet, parts, report, route } from './of-a-job';
import { cutFile, drillSheet, template } from './of-a-part';

type Makers = { readonly [N in SheetName]: (whole: WholeJob, of: SheetOf, asked: Asked<N>) => Made | Promise<Made> };

/** Who makes what. */
const MAKERS: Makers = {
  'template.pdf': template,
  'plate.dxf': (whole, of, asked) => cutFile(whole, of, asked, 'dxf'),
  'part.svg': (whole, of, asked) => cutFile(whole, of, asked, 'svg'),
  'drill-list.csv': drillSheet,
  'packet.pdf': packet,
  'report.pdf': report,
  'labels.pdf': labels,
  'parts.csv': parts,
  'buy.csv': buying,
  'route.ics': route,
  'sheet.dxf': (whole, of, asked) => nested(whole, of, asked, 'dxf'),
  'sheet.svg': (whole, of, asked) => nested(whole, of, asked, 'svg'),
  'cut-plan.json': cutPlan,
  'record.pdf': record,
  'record.html': recordHtml,
  'handover.pdf': handover,
};

/** Makes a sheet from the document as it is kept; some seconds on a large job. */
export async function makeSheet<N extends SheetName>(name: N, of: SheetOf, asked: Asked<N>): Promise<Made> {
  const read = readJob(of.text);
  if (!('job' in read)) return doesNotRead(read.refusals.map(refusalText).join('; '));
  return MAKERS[name](read.job, of, asked);
}

/** A stored document that does not read: what is wrong, and that its text can be taken out. */
export const doesNotRead = (because: string): Extract<Made, { kind: 'problem' }> => ({
  kind: 'problem',
  status: 422,
  title: 'The stored job does not read',
  detail: `${because}. Its text can be taken out as a file; nothing was changed.`,
});
