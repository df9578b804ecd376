import { assumedValues } from '@core/job/values';
import { sizeWords } from '@core/shop/hole-words';
import { MARGIN, type Template } from '@core/shop/template-pages';
import { formatQuantity } from '@core/units/format-quantity';
import { MISSING } from './fonts';
import type { Pen } from './pen';
import type { TemplateOf } from './template-pdf';

/** Most values listed as not measured; the count says how many there are. */
const LISTED = 24;
/** Letters shrink to this part where there is much to say. */
const SMALLEST = 0.6;

/** The last page: everything that belongs to the sheets and does not go on each of them. */
export function notesPage(pen: Pen, { job, part, said }: TemplateOf, t: Template): void {
  const width = t.width - 2 * MARGIN;
  const assumed = assumedValues(job);
  const more = assumed.length > LISTED ? `, and ${assumed.length - LISTED} more` : '';
  const open = assumed.slice(0, LISTED).map((a) => `${a.label} ${a.value.text}`);
  const holes = part.holes.map((h) => {
    const at = `${formatQuantity(h.x - part.bounds.x0, 'length', job.units)}, ${formatQuantity(h.y - part.bounds.y0, 'length', job.units)}`;
    return `${h.id}: ${at}, ${sizeWords(h, (v) => formatQuantity(v, 'length', job.units))}${h.then ? `, ${h.then}` : ''}`;
  });
  const lost =
    pen.missing > 0
      ? `${MISSING} stands for ${pen.missing} letters on these sheets that their fonts do not have; the job file has them in full.`
      : '';
  const words = (k: number) => {
    const plain = (text: string) => [text, { size: 3.2 * k }] as const;
    const head = (text: string) => [text, { size: 3.8 * k, weight: 'bold' as const }] as const;
    return [
      ...(lost ? [plain(lost)] : []),
      plain(`${said.issue}. ${said.part}. ${said.holes}.`),
      head(said.verdict),
      ...(said.kept ? [plain(said.kept)] : []),
      plain(said.notJudged),
      head('Bolts'),
      plain(`${said.bolts}.`),
      head('Holes, from the aft starboard corner of the blank, x forward, y to port'),
      plain(holes.join('; ')),
      ...(open.length > 0 ? [head(said.assumed), plain(`${open.join('; ')}${more}`)] : []),
      head('Cautions'),
      ...said.cautions.map(plain),
    ];
  };
  pen.line(`${said.job}: notes`, MARGIN, MARGIN, { weight: 'bold', size: 5.5, width });
  const room = t.height - 2 * MARGIN - 9;
  let k = 1;
  while (k > SMALLEST && pen.heightOf(words(k), width) > room) k -= 0.05;
  pen.column(words(k), MARGIN, MARGIN + 9, width);
}
