import { cutLength, pathData, type Loop } from '@core/geometry/region';
import { slotLoop } from '@core/geometry/slots';
import { endsOf } from '@core/job/made-hole';
import type { CutHole, CutPart } from '@core/shop/cut-parts';
import { sizeWords } from '@core/shop/hole-words';
import { bridged } from '@core/shop/stencil';
import { MARGIN, type Template, type TemplateSheet } from '@core/shop/template-pages';
import { formatQuantity } from '@core/units/format-quantity';
import type { Doc, Pen } from './pen';
import type { TemplateOf } from './template-pdf';

/** What one sheet shows of the part, cut off at its window: outline, base, bends, holes and the arrow to the front. */
export function drawWindow(pen: Pen, { job, part, base, stencil = false }: TemplateOf, t: Template, sheet: TemplateSheet): void {
  const { doc } = pen;
  const { window: w } = sheet;
  const [width, height] = [w.x1 - w.x0, w.y1 - w.y0];
  doc.save();
  doc.rect(MARGIN, MARGIN, width, height).clip();
  const X = (x: number) => MARGIN + x - w.x0;
  const Y = (y: number) => MARGIN + w.y1 - y;
  const line = (ring: Loop) => pathData({ outer: ring, openings: [] }, (p) => ({ x: X(p.x), y: Y(p.y) }), true);
  doc.lineWidth(0.35).strokeColor('#000').path(line(part.region.outer)).stroke();
  for (const o of part.region.openings) cutLine(doc, line(o), cutLength({ outer: o, openings: [] }), stencil);
  if (base)
    doc
      .lineWidth(0.2)
      .dash(3, { space: 2 })
      .rect(X(base.x0), Y(base.y1), base.x1 - base.x0, base.y1 - base.y0)
      .stroke()
      .undash();
  for (const l of part.bends) {
    const dash = l.what === 'middle' ? 8 : 2;
    doc
      .lineWidth(0.25)
      .dash(dash, { space: 1.5 })
      .moveTo(X(l.from.x), Y(l.from.y))
      .lineTo(X(l.to.x), Y(l.to.y))
      .stroke()
      .undash();
  }
  drawBendWords(pen, part, X, Y);
  for (const h of part.holes)
    drawHole(
      pen,
      h,
      { X, Y, stencil },
      sizeWords(h, (v) => formatQuantity(v, 'length', job.units)),
    );
  // Arrow to the front, so the sheet cannot be laid down the wrong way round.
  const { x0, x1, y0, y1 } = base ?? part.bounds;
  drawForward(doc, pen, X((x0 + x1) / 2 + Math.min(20, (x1 - x0) / 3)), Y((y0 + y1) / 2));
  doc.restore();
  if (t.sheets.length > 1)
    doc.lineWidth(0.1).strokeColor('#888').rect(MARGIN, MARGIN, width, height).stroke().strokeColor('#000');
}

/** A line that is cut: whole, or with the bridges of a stencil left in it. */
function cutLine(doc: Doc, path: string, edge: number, stencil: boolean): void {
  if (stencil) {
    const { cut, bridge } = bridged(edge);
    doc.dash(cut, { space: bridge });
  }
  doc.path(path).stroke().undash();
}

/** "bend starts" and so on, once along the middle line; the three lie near each other. */
function drawBendWords(pen: Pen, part: CutPart, X: (x: number) => number, Y: (y: number) => number): void {
  const middle = part.bends.find((l) => l.what === 'middle');
  const starts = part.bends.find((l) => l.what === 'starts');
  if (!middle || !starts) return;
  const upright = middle.from.x === middle.to.x;
  const words = 'bend: starts and ends (short dashes), middle (long dashes)';
  const [x, y] = [X((middle.from.x + middle.to.x) / 2), Y((middle.from.y + middle.to.y) / 2)];
  const { doc } = pen;
  doc.save();
  if (upright) doc.rotate(-90, { origin: [x, y] });
  pen.line(words, x - 34, y - 3.4, { size: 2.6 });
  doc.restore();
}

/** From the part's own millimetres to those of the sheet. */
interface Placed {
  readonly X: (x: number) => number;
  readonly Y: (y: number) => number;
  readonly stencil: boolean;
}

function drawHole(pen: Pen, h: CutHole, { X, Y, stencil }: Placed, size: string): void {
  const [x, y] = [X(h.x), Y(h.y)];
  const arm = h.d / 2 + 5;
  const { doc } = pen;
  doc
    .lineWidth(0.15)
    .moveTo(x - arm, y)
    .lineTo(x + arm, y)
    .moveTo(x, y - arm)
    .lineTo(x, y + arm)
    .stroke();
  doc.lineWidth(0.25);
  // A round hole is a slot of no length: two half circles.
  const ring = slotLoop(endsOf(h), h.d);
  if (h.slot || stencil)
    cutLine(
      doc,
      pathData({ outer: ring, openings: [] }, (p) => ({ x: X(p.x), y: Y(p.y) }), true),
      cutLength({ outer: ring, openings: [] }),
      stencil,
    );
  else doc.circle(x, y, h.d / 2).stroke();
  const at = x + h.d / 2 + 1.5;
  pen.line(h.id, at, y - 5.2, { weight: 'bold', size: 3.4 });
  pen.line(`${size}${h.takes === 'bolt' ? '' : `, ${h.takes}`}`, at, y + 1, { size: 2.8 });
  if (h.takes === 'bolt' && h.then) pen.line(h.then, at, y + 4.2, { size: 2.4 });
}

function drawForward(doc: Doc, pen: Pen, x: number, y: number): void {
  doc
    .lineWidth(0.3)
    .moveTo(x - 14, y)
    .lineTo(x, y)
    .lineTo(x - 3, y - 1.5)
    .moveTo(x, y)
    .lineTo(x - 3, y + 1.5)
    .stroke();
  pen.line('forward', x - 14, y + 1.5, { size: 3 });
}
