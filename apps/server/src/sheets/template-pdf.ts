import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import { cautionsFor } from '@core/chain/cautions';
import { onPaper, type OnPaper } from '@core/chain/on-paper';
import type { Resolved } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import { assumedValues } from '@core/job/values';
import { CALIBRATION, MARGIN, OVERLAP, PAPERS, STRIP, type Template, type TemplateSheet } from '@core/shop/template-pages';

const POINTS = 72 / 25.4;
const find = createRequire(import.meta.url);
const FONT = find.resolve('@fontsource/barlow/files/barlow-latin-400-normal.woff');
const BOLD = find.resolve('@fontsource/barlow/files/barlow-latin-600-normal.woff');

type Doc = InstanceType<typeof PDFDocument>;

/** The 1:1 drilling template as PDF. Units on the page are millimetres through one scale, so 1 mm is 1 mm. */
export function templatePdf(job: Job, r: Resolved, t: Template): Promise<Buffer> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    info: { Title: `${job.name}: drilling template 1:1`, Creator: 'Mast Shoe' },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (c: Buffer) => chunks.push(c));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  const said = onPaper(job);
  doc.registerFont('plain', FONT).registerFont('bold', BOLD);
  t.sheets.forEach((sheet, i) => {
    doc.addPage({ size: [t.width * POINTS, t.height * POINTS], margin: 0 });
    doc.save().scale(POINTS);
    drawWindow(doc, job, r, t, sheet);
    drawOverlaps(doc, t, sheet);
    drawStrip(doc, { job, r, t, said }, sheet, i + 1);
    doc.restore();
  });
  doc.end();
  return done;
}

function drawWindow(doc: Doc, job: Job, r: Resolved, t: Template, sheet: TemplateSheet): void {
  const { window: w } = sheet;
  const [width, height] = [w.x1 - w.x0, w.y1 - w.y0];
  doc.save();
  doc.rect(MARGIN, MARGIN, width, height).clip();
  const X = (x: number) => MARGIN + x - w.x0;
  const Y = (y: number) => MARGIN + w.y1 - y;
  const p = r.plate;
  doc
    .lineWidth(0.35)
    .strokeColor('#000')
    .roundedRect(X(p.x0), Y(p.y1), p.x1 - p.x0, p.y1 - p.y0, job.plate.corner)
    .stroke();
  doc
    .lineWidth(0.2)
    .dash(3, { space: 2 })
    .rect(X(r.base.x0), Y(r.base.y1), r.base.x1 - r.base.x0, r.base.y1 - r.base.y0)
    .stroke()
    .undash();
  for (const b of r.bolts) {
    const arm = r.d0 / 2 + 5;
    doc
      .lineWidth(0.15)
      .moveTo(X(b.x) - arm, Y(b.y))
      .lineTo(X(b.x) + arm, Y(b.y))
      .moveTo(X(b.x), Y(b.y) - arm)
      .lineTo(X(b.x), Y(b.y) + arm)
      .stroke();
    doc
      .lineWidth(0.25)
      .circle(X(b.x), Y(b.y), r.d0 / 2)
      .stroke();
    doc
      .font('bold')
      .fontSize(3.4)
      .fillColor('#000')
      .text(b.id, X(b.x) + r.d0 / 2 + 1.5, Y(b.y) - 5.2, { lineBreak: false });
    doc
      .font('plain')
      .fontSize(2.8)
      .text(`ø ${r.d0.toFixed(1)}`, X(b.x) + r.d0 / 2 + 1.5, Y(b.y) + 1, { lineBreak: false });
  }
  // Arrow to the front, so the sheet cannot be laid down the wrong way round.
  const arrow = { x: X(r.base.x1) - 6, y: Y(0) };
  doc
    .lineWidth(0.3)
    .moveTo(arrow.x - 14, arrow.y)
    .lineTo(arrow.x, arrow.y)
    .lineTo(arrow.x - 3, arrow.y - 1.5)
    .moveTo(arrow.x, arrow.y)
    .lineTo(arrow.x - 3, arrow.y + 1.5)
    .stroke();
  doc
    .font('plain')
    .fontSize(3)
    .text('forward', arrow.x - 14, arrow.y + 1.5, { lineBreak: false });
  doc.restore();
  if (t.sheets.length > 1)
    doc.lineWidth(0.1).strokeColor('#888').rect(MARGIN, MARGIN, width, height).stroke().strokeColor('#000');
}

/** Lines where the neighbour's frame falls, with crosses that lie on each other. */
function drawOverlaps(doc: Doc, t: Template, sheet: TemplateSheet): void {
  const width = sheet.window.x1 - sheet.window.x0;
  const height = sheet.window.y1 - sheet.window.y0;
  const mark = (x: number, y: number) =>
    doc
      .moveTo(x - 3, y)
      .lineTo(x + 3, y)
      .moveTo(x, y - 3)
      .lineTo(x, y + 3)
      .stroke();
  doc.lineWidth(0.15).strokeColor('#000');
  const column = (x: number, words: string) => {
    for (const k of [0.2, 0.5, 0.8]) mark(x, MARGIN + height * k);
    doc
      .save()
      .font('plain')
      .fontSize(2.4)
      .fillColor('#333')
      .text(words, Math.min(x + 1, MARGIN + width - 24), MARGIN + 6, { lineBreak: false })
      .restore();
  };
  const row = (y: number, words: string) => {
    for (const k of [0.2, 0.5, 0.8]) mark(MARGIN + width * k, y);
    doc
      .save()
      .font('plain')
      .fontSize(2.4)
      .fillColor('#333')
      .text(words, MARGIN + 1.5, y + 1, { lineBreak: false })
      .restore();
  };
  const middle = OVERLAP / 2;
  if (sheet.column > 0) column(MARGIN + middle, `overlaps column ${sheet.column}`);
  if (sheet.column < t.columns - 1) column(MARGIN + width - middle, `overlaps column ${sheet.column + 2}`);
  if (sheet.row > 0) row(MARGIN + middle, `overlaps row ${sheet.row}`);
  if (sheet.row < t.rows - 1) row(MARGIN + height - middle, `overlaps row ${sheet.row + 2}`);
}

/** What is written on every sheet. */
interface Words {
  readonly job: Job;
  readonly r: Resolved;
  readonly t: Template;
  readonly said: OnPaper;
}

/** Fold line, calibration square, and the words that must stay with the sheet. */
function drawStrip(doc: Doc, { job, r, t, said }: Words, sheet: TemplateSheet, page: number): void {
  const top = t.height - MARGIN - STRIP;
  doc
    .lineWidth(0.2)
    .strokeColor('#000')
    .dash(4, { space: 2 })
    .moveTo(MARGIN, top + 2)
    .lineTo(t.width - MARGIN, top + 2)
    .stroke()
    .undash();
  doc
    .font('plain')
    .fontSize(2.6)
    .fillColor('#000')
    .text('fold under here', t.width - MARGIN - 24, top + 3, { width: 24, align: 'right', lineBreak: false });
  const y = top + 8;
  doc.lineWidth(0.25).rect(MARGIN, y, CALIBRATION, CALIBRATION).stroke();
  for (let mm = 10; mm < CALIBRATION; mm += 10)
    doc
      .moveTo(MARGIN + mm, y)
      .lineTo(MARGIN + mm, y + 2)
      .moveTo(MARGIN, y + mm)
      .lineTo(MARGIN + 2, y + mm)
      .stroke();
  doc
    .font('bold')
    .fontSize(3.4)
    .text(`${CALIBRATION} × ${CALIBRATION} mm`, MARGIN + 4, y + 18, { lineBreak: false });
  doc
    .font('plain')
    .fontSize(3)
    .text(
      'Check both ways with a ruler before cutting. If it is not 50 mm, print again at 100 %, no fitting.',
      MARGIN + 4,
      y + 23,
      { width: CALIBRATION - 8 },
    );

  const x = MARGIN + CALIBRATION + 6;
  const width = t.width - MARGIN - x;
  doc.font('bold').fontSize(4.4).text(job.name, x, y, { width, height: 5, ellipsis: true });
  const n = assumedValues(job).length;
  const lines = [
    `Drilling template 1:1, ${PAPERS[t.paper].name}, sheet ${page} of ${t.sheets.length}${t.sheets.length > 1 ? ` (row ${sheet.row + 1}, column ${sheet.column + 1})` : ''}`,
    `Plate ${(r.plate.x1 - r.plate.x0).toFixed(1)} × ${(r.plate.y1 - r.plate.y0).toFixed(1)} mm, ${job.plate.thickness.text}, ${r.plateMetal.name}, corners R${job.plate.corner}`,
    `${r.bolts.length} holes ø ${r.d0.toFixed(1)} mm for ${r.size.id} ${r.grade.id}; dashed: the fitting's base`,
    said.verdict,
    said.figures[0] ?? '',
    ...(n > 0 ? [`${n} ${n === 1 ? 'value is' : 'values are'} ASSUMED, not measured: measure before cutting.`] : []),
  ];
  doc
    .font('plain')
    .fontSize(3.1)
    .text(lines.join('\n'), x, y + 6.5, { width, lineGap: 0.4 });
  doc
    .font('plain')
    .fontSize(2.7)
    .fillColor('#000')
    .text(cautionsFor(job).slice(0, 3).join(' '), x, y + 30, { width, lineGap: 0.3 });
}
