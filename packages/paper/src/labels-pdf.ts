import { create } from 'qrcode';
import type { Label } from '@core/shop/labels';
import { paperDoc, paperPage } from './paper-doc';
import type { Doc, Pen } from './pen';
import { CARD_PAPERS } from './packet-pdf';

/** Labels three across and eight down. */
const GRID = { across: 2, down: 7, edge: 10 } as const;

/** The QR code’s dark squares, of a text: true where dark, row by row. */
export function qrSquares(text: string): { readonly size: number; dark(row: number, column: number): boolean } {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  return { size: modules.size, dark: (row, column) => modules.get(row, column) === 1 };
}

function drawQr(doc: Doc, text: string, x: number, y: number, side: number): void {
  const { size, dark } = qrSquares(text);
  const one = side / size;
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++) if (dark(row, column)) doc.rect(x + column * one, y + row * one, one, one);
  doc.fill('#000');
}

/** A sheet of labels to cut out or stick on, with the mark large, and a code of the job’s address. */
export function labelsPdf(
  job: string,
  issue: string,
  labels: readonly Label[],
  paper: keyof typeof CARD_PAPERS,
): Promise<Buffer> {
  const [width, height] = CARD_PAPERS[paper];
  const { doc, pen, done } = paperDoc(`${job}: labels, ${issue}`);
  const perPage = GRID.across * GRID.down;
  const [w, h] = [(width - 2 * GRID.edge) / GRID.across, (height - 2 * GRID.edge) / GRID.down];
  for (let from = 0; from < Math.max(1, labels.length); from += perPage)
    paperPage(doc, [width, height], () =>
      labels.slice(from, from + perPage).forEach((l, i) => {
        const x = GRID.edge + (i % GRID.across) * w;
        const y = GRID.edge + Math.floor(i / GRID.across) * h;
        drawLabel(pen, job, issue, l, { x, y, w, h });
      }),
    );
  doc.end();
  return done;
}

function drawLabel(pen: Pen, job: string, issue: string, l: Label, at: { x: number; y: number; w: number; h: number }): void {
  const { doc } = pen;
  const { x, y, w, h } = at;
  doc.lineWidth(0.15).strokeColor('#888').dash(2, { space: 2 }).rect(x, y, w, h).stroke().undash().strokeColor('#000');
  const side = h - 8;
  drawQr(doc, l.address, x + w - side - 4, y + 4, side);
  const room = w - side - 12;
  pen.line(l.mark, x + 4, y + 3, { size: 11, weight: 'bold', width: room });
  pen.line(l.name, x + 4, y + 14.5, { size: 3.6, weight: 'bold', width: room });
  const lines = [l.hand, l.stock, l.where, `${l.face} ↑`, job, issue].filter(Boolean);
  lines.forEach((text, i) => pen.line(text, x + 4, y + 18.8 + 3 * i, { size: 2.5, width: room }));
}
