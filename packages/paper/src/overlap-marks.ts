import { MARGIN, OVERLAP, type Template, type TemplateSheet } from '@core/shop/template-pages';
import type { Pen } from './pen';

/** Lines where the neighbour's frame falls, with crosses that lie on each other. */
export function drawOverlaps(pen: Pen, t: Template, sheet: TemplateSheet): void {
  const { doc } = pen;
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
    pen.line(words, Math.min(x + 1, MARGIN + width - 24), MARGIN + 6, { size: 2.4, colour: '#333' });
  };
  const row = (y: number, words: string) => {
    for (const k of [0.2, 0.5, 0.8]) mark(MARGIN + width * k, y);
    pen.line(words, MARGIN + 1.5, y + 1, { size: 2.4, colour: '#333' });
  };
  const middle = OVERLAP / 2;
  if (sheet.column > 0) column(MARGIN + middle, `overlaps column ${sheet.column}`);
  if (sheet.column < t.columns - 1) column(MARGIN + width - middle, `overlaps column ${sheet.column + 2}`);
  if (sheet.row > 0) row(MARGIN + middle, `overlaps row ${sheet.row}`);
  if (sheet.row < t.rows - 1) row(MARGIN + height - middle, `overlaps row ${sheet.row + 2}`);
}
