import type { Look, Picture } from '@core/shop/cards/card';
import { pathData } from '@core/geometry/region';
import { heightOf, widthOf } from '@core/geometry/rects';
import type { Flow } from './card-pages';
import { EDGE } from './card-pages';

/** No picture of a card takes more of a page than this, mm. */
const HIGHEST = 72;

export function pictureHeight({ bounds: b }: Picture, width: number): number {
  return Math.min(HIGHEST, (heightOf(b) * width) / widthOf(b), heightOf(b));
}

const FILL: Partial<Record<Look, string>> = { metal: '#e4e2ee', sheet: '#f3efe2', offcut: '#e9dfc4', base: '#fff' };

/** To scale and as large as goes in, in the middle of the column. */
export function drawPicture(flow: Flow, { bounds: b, shapes }: Picture, high: number): void {
  const k = Math.min(high / heightOf(b), flow.width / widthOf(b));
  const left = EDGE.left + (flow.width - k * widthOf(b)) / 2;
  const top = flow.y;
  const at = (p: { x: number; y: number }) => ({ x: left + k * (p.x - b.x0), y: top + k * (b.y1 - p.y) });
  const { doc, pen } = flow;
  for (const s of shapes) {
    doc.strokeColor('#000');
    if ('region' in s) {
      const path = pathData(s.region, at, true);
      const fill = FILL[s.look];
      if (fill) doc.path(path).fill(fill, 'even-odd');
      doc.lineWidth(0.25).strokeColor('#000').path(path).stroke();
    } else if ('line' in s) {
      const [first, ...rest] = s.line.map(at);
      doc.lineWidth(s.look === 'weld' ? 0.9 : 0.25);
      if (s.look === 'dash') doc.dash(1.5, { space: 1 });
      doc.moveTo(first!.x, first!.y);
      for (const p of rest) doc.lineTo(p.x, p.y);
      doc.stroke().undash();
    } else if ('hole' in s) {
      const c = at(s.hole);
      doc
        .lineWidth(0.2)
        .circle(c.x, c.y, Math.max(0.4, (k * s.d) / 2))
        .fillAndStroke('#fff', '#000');
    } else {
      const c = at(s.at);
      const size = Math.max(2, Math.min(4.5, k * s.size));
      pen.line(s.text, c.x - 20, c.y - size * 0.6, { size, weight: 'bold', width: 40, centre: true });
    }
  }
}
