import type { SheetWords } from '@core/shop/sheet-words';
import {
  CALIBRATION,
  MARGIN,
  PAPERS,
  printerWords,
  STRIP,
  type ScaleWords,
  type Template,
  type TemplateSheet,
} from '@core/shop/template-pages';
import type { Pen } from './pen';

type Paragraph = readonly [text: string, style: { readonly weight?: 'plain' | 'bold'; readonly size: number }];

/** Room for words under the fold line, mm. */
const TOP = 8;
const ROOM = STRIP - TOP - 1;
/** Letters shrink so far, mm, before words go to the notes. */
const SMALLEST = 2.1;

/** What a sheet must say where it lies, most needed first. */
function paragraphs(
  said: SheetWords,
  t: Template,
  sheet: TemplateSheet,
  page: number,
  size: number,
  scale: ScaleWords,
  stencil: boolean,
): Paragraph[] {
  const place = t.sheets.length > 1 ? ` (row ${sheet.row + 1}, column ${sheet.column + 1})` : '';
  const words = [
    `${stencil ? 'Stencil' : 'Drilling template'} 1:1, ${PAPERS[t.paper].name}, sheet ${page} of ${t.sheets.length}${place}; ${said.issue}`,
    scale.loud ? scale.text : '',
    stencil ? 'Cut along the lines; where they stop, leave a bridge: it holds the middle.' : '',
    said.part,
    said.holes,
    said.verdict,
    said.kept,
    said.assumed,
    said.cautions[0] ?? '',
    scale.loud ? '' : scale.text,
    'Read the notes at the end with every sheet.',
  ];
  return words
    .filter(Boolean)
    .map((text) => [
      text,
      { size, weight: (text === said.verdict && !said.holds) || (scale.loud && text === scale.text) ? 'bold' : 'plain' },
    ]);
}

/** Fold line, calibration square, and the words that must stay with the sheet: smaller until they fit, never over each other. */
export function footStrip(
  pen: Pen,
  said: SheetWords,
  t: Template,
  sheet: TemplateSheet,
  page: number,
  scale: ScaleWords = printerWords(undefined),
  stencil = false,
): void {
  const { doc } = pen;
  const top = t.height - MARGIN - STRIP;
  doc
    .lineWidth(0.2)
    .strokeColor('#000')
    .dash(4, { space: 2 })
    .moveTo(MARGIN, top + 2)
    .lineTo(t.width - MARGIN, top + 2)
    .stroke()
    .undash();
  pen.line('fold under here', t.width - MARGIN - 24, top + 3, { size: 2.6, width: 24, right: true });
  const y = top + TOP;
  square(pen, y);
  const x = MARGIN + CALIBRATION + 6;
  const width = t.width - MARGIN - x;
  pen.line(said.job, x, y, { weight: 'bold', size: 4.4, width });
  const room = ROOM - 6.5;
  let size = 3.1;
  let said1 = paragraphs(said, t, sheet, page, size, scale, stencil);
  while (size > SMALLEST && pen.heightOf(said1, width) > room) {
    size -= 0.1;
    said1 = paragraphs(said, t, sheet, page, size, scale, stencil);
  }
  // What still does not go in stands in full in the notes: the last words but the pointer to them go first.
  while (said1.length > 2 && pen.heightOf(said1, width) > room) said1.splice(said1.length - 2, 1);
  pen.column(said1, x, y + 6.5, width);
}

function square(pen: Pen, y: number): void {
  const { doc } = pen;
  doc.lineWidth(0.25).rect(MARGIN, y, CALIBRATION, CALIBRATION).stroke();
  for (let mm = 10; mm < CALIBRATION; mm += 10)
    doc
      .moveTo(MARGIN + mm, y)
      .lineTo(MARGIN + mm, y + 2)
      .moveTo(MARGIN, y + mm)
      .lineTo(MARGIN + 2, y + mm)
      .stroke();
  pen.line(`${CALIBRATION} × ${CALIBRATION} mm`, MARGIN + 4, y + 18, { weight: 'bold', size: 3.4 });
  pen.column(
    [['Check both ways with a ruler before cutting. If it is not 50 mm, print again at 100 %, no fitting.', { size: 3 }]],
    MARGIN + 4,
    y + 23,
    CALIBRATION - 8,
  );
}
