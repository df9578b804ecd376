import type { WholeJob } from '@core/job/whole-job';
import type { Recorded } from '@core/prove/cards/record';
import { dayIn } from '@core/prove/due';
import { sideBySide } from '@core/prove/stamp';
import type { Photos } from '@paper/card-pages';
import { fileName } from '@paper/file-name';
import { handoverPdf, recordPage, recordPdf } from '@paper/job-record';
import { readPhoto } from '../prove/photo-files';
import type { Asked } from './asked';
import type { Made, SheetOf } from './made';

const recorded = (whole: WholeJob, { version, lines, shop }: SheetOf): Recorded => ({
  whole,
  version,
  lines,
  side: sideBySide(whole, lines),
  shop,
  today: dayIn(new Date().toISOString(), shop.zone),
});
const pictures =
  ({ photos }: SheetOf): Photos =>
  (sha) => {
    const found = readPhoto(photos, sha);
    return typeof found === 'string' ? undefined : found;
  };

/** The record of a job as built. */
export async function record(whole: WholeJob, of: SheetOf, asked: Asked<'record.pdf'>): Promise<Made> {
  const body = await recordPdf(recorded(whole, of), asked.paper, pictures(of));
  return { kind: 'file', body, name: fileName(whole.name, 'record', of.version, 'pdf') };
}

/** The same as a page that opens without the server. */
export function recordHtml(whole: WholeJob, of: SheetOf): Made {
  const body = recordPage(recorded(whole, of), pictures(of));
  return { kind: 'file', body, name: fileName(whole.name, 'record', of.version, 'html'), type: 'html' };
}

/** What is handed over between people. */
export async function handover(whole: WholeJob, of: SheetOf, asked: Asked<'handover.pdf'>): Promise<Made> {
  const body = await handoverPdf(recorded(whole, of), asked.paper);
  return { kind: 'file', body, name: fileName(whole.name, 'handover', of.version, 'pdf') };
}
