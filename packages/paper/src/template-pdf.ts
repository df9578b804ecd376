import type { SheetWords } from '@core/shop/sheet-words';
import type { Rect } from '@core/geometry/points';
import type { Job } from '@core/job/schema';
import type { CutPart } from '@core/shop/cut-parts';
import { printerWords, stretchOf, type Template } from '@core/shop/template-pages';
import type { Printer } from '@core/stock/shop-settings';
import { footStrip } from './foot-strip';
import { notesPage } from './notes-page';
import { drawOverlaps } from './overlap-marks';
import { paperDoc, paperPage } from './paper-doc';
import { drawWindow } from './template-window';

/** What one template is of. */
export interface TemplateOf {
  readonly job: Job;
  readonly part: CutPart;
  /** The fitting's base, on the mounting plate. */
  readonly base: Rect | undefined;
  readonly said: SheetWords;
  /** Cut out of card or thin stock: bridges are left in every opening and hole. */
  readonly stencil?: boolean;
  /** The printer it is for, and whether its error is taken out. */
  readonly printer?: { readonly of: Printer; readonly corrected: boolean };
}

/** The 1:1 drilling template as PDF, with a page of notes at its end. 1 mm is 1 mm on the page, or on the printer it is corrected for. */
export function templatePdf(of: TemplateOf, t: Template): Promise<Buffer> {
  const { job, part, said, printer, stencil = false } = of;
  const { doc, pen, done } = paperDoc(
    `${job.name}: ${part.name}, ${stencil ? 'stencil' : 'drilling template'} 1:1, ${said.issue}`,
  );
  const stretch = printer?.corrected ? stretchOf(printer.of) : { x: 1, y: 1 };
  const scale = printerWords(printer);
  t.sheets.forEach((sheet, i) =>
    paperPage(
      doc,
      [t.width, t.height],
      () => {
        drawWindow(pen, of, t, sheet);
        drawOverlaps(pen, t, sheet);
        footStrip(pen, said, t, sheet, i + 1, scale, stencil);
      },
      stretch,
    ),
  );
  paperPage(doc, [t.width, t.height], () => notesPage(pen, of, t));
  doc.end();
  return done;
}
