import PDFDocument from 'pdfkit';
import type { SheetWords } from '@core/shop/sheet-words';
import type { Rect } from '@core/geometry/points';
import type { Job } from '@core/job/schema';
import type { CutPart } from '@core/shop/cut-parts';
import type { Template } from '@core/shop/template-pages';
import { footStrip } from './foot-strip';
import { FACES, type Face } from './fonts';
import { notesPage } from './notes-page';
import { drawOverlaps } from './overlap-marks';
import { Pen } from './pen';
import { drawWindow } from './template-window';

const POINTS = 72 / 25.4;

/** What one template is of. */
export interface TemplateOf {
  readonly job: Job;
  readonly part: CutPart;
  /** The fitting's base, on the mounting plate. */
  readonly base: Rect | undefined;
  readonly said: SheetWords;
}

/** The 1:1 drilling template as PDF, with a page of notes at its end. Units on the page are millimetres through one scale, so 1 mm is 1 mm. */
export function templatePdf(of: TemplateOf, t: Template): Promise<Buffer> {
  const { job, part, said } = of;
  const doc = new PDFDocument({
    autoFirstPage: false,
    info: { Title: `${job.name}: ${part.name}, drilling template 1:1, ${said.issue}`, Creator: 'Mast Shoe' },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (c: Buffer) => chunks.push(c));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  for (const face of Object.keys(FACES) as Face[]) doc.registerFont(face, FACES[face]);
  const pen = new Pen(doc);
  const page = (draw: () => void) => {
    doc.addPage({ size: [t.width * POINTS, t.height * POINTS], margin: 0 });
    doc.save().scale(POINTS);
    draw();
    doc.restore();
  };
  t.sheets.forEach((sheet, i) =>
    page(() => {
      drawWindow(pen, of, t, sheet);
      drawOverlaps(pen, t, sheet);
      footStrip(pen, said, t, sheet, i + 1);
    }),
  );
  page(() => notesPage(pen, of, t));
  doc.end();
  return done;
}
