import { loopBounds, pathData } from '../geometry/region';
import { slotLoop } from '../geometry/slots';
import type { Point, Rect } from '../geometry/points';
import { endsOf } from '../job/made-hole';
import type { BendLine } from './cut-parts';
import type { CutShape } from './cut-shape';

/** Ends of a long millimetre: what a cutter’s reader keeps. */
const mm = (v: number): string => String(Number(v.toFixed(4)));
const escaped = (s: string): string => s.replace(/[&<>"]/g, (c) => `&#${c.codePointAt(0)};`);

/** What is in the file besides the cut. */
export interface SvgMore {
  readonly lines: readonly string[];
  readonly bends?: readonly BendLine[];
  /** A sheet’s size; else the part’s own bounds. */
  readonly size?: Rect;
  readonly marks?: readonly (Point & { readonly text: string })[];
}

/**
 * Parts as SVG in true millimetres: arcs as arcs, y up turned to y down, groups `cut`, `holes`, `bend` and `text`. Text is in the file’s
 * description, so that no cutter cuts it.
 */
export function cutSvg(shapes: readonly CutShape[], { lines, bends = [], size, marks = [] }: SvgMore): string {
  const all = shapes.map((s) => loopBounds(s.region.outer));
  const box = size ?? {
    x0: Math.min(...all.map((b) => b.x0)),
    x1: Math.max(...all.map((b) => b.x1)),
    y0: Math.min(...all.map((b) => b.y0)),
    y1: Math.max(...all.map((b) => b.y1)),
  };
  const [wide, high] = [box.x1 - box.x0, box.y1 - box.y0];
  const at = (p: Point): Point => ({ x: p.x - box.x0, y: box.y1 - p.y });
  const path = (s: CutShape['region']) => `<path d="${pathData(s, at, true)}"/>`;
  const hole = (h: CutShape['holes'][number]) => {
    if (h.slot) return path({ outer: slotLoop(endsOf(h), h.d), openings: [] });
    const c = at(h);
    return `<circle cx="${mm(c.x)}" cy="${mm(c.y)}" r="${mm(h.d / 2)}"/>`;
  };
  const line = (b: BendLine) => {
    const [p, q] = [at(b.from), at(b.to)];
    return `<line x1="${mm(p.x)}" y1="${mm(p.y)}" x2="${mm(q.x)}" y2="${mm(q.y)}"/>`;
  };
  const group = (id: string, stroke: string, inside: readonly string[]) =>
    inside.length > 0 ? [`<g id="${id}" fill="none" stroke="${stroke}" stroke-width="0.1">`, ...inside, '</g>'] : [];
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(wide)}mm" height="${mm(high)}mm" viewBox="0 0 ${mm(wide)} ${mm(high)}">`,
    `<title>${escaped(lines[0] ?? '')}</title>`,
    `<desc>${escaped(lines.slice(1).join('\n'))}</desc>`,
    ...group(
      'cut',
      '#000',
      shapes.map((s) => path(s.region)),
    ),
    ...group(
      'holes',
      '#000',
      shapes.flatMap((s) => s.holes.map(hole)),
    ),
    ...group('bend', '#0a0', bends.map(line)),
    ...(marks.length > 0
      ? [
          '<g id="text" fill="#00f" font-size="8" text-anchor="middle">',
          ...marks.map((m) => `<text x="${mm(at(m).x)}" y="${mm(at(m).y)}">${escaped(m.text)}</text>`),
          '</g>',
        ]
      : []),
    '</svg>',
    '',
  ].join('\n');
}
