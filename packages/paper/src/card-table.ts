import type { Block } from '@core/shop/cards/card';
import { EDGE, tick, TICK, type Flow } from './card-pages';

type Table = Extract<Block, { kind: 'table' }>;
const SIZE = 2.9;
const GAP = 2;

const sum = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0);

/** Widths of columns: what each needs where that goes in; else its longest word, and the rest shared by what is still wanted. */
export function columnWidths(needs: readonly number[], least: readonly number[], room: number): number[] {
  const total = sum(needs);
  if (total <= room) return needs.map((n) => n * (room / total));
  const floor = sum(least);
  if (floor >= room) return least.map((v) => (v / floor) * room);
  const wanted = needs.map((n, i) => n - least[i]!);
  const part = (room - floor) / sum(wanted);
  return needs.map((_n, i) => least[i]! + wanted[i]! * part);
}

/** Rows that wrap in their columns; the head again on every page. */
export function drawTable(flow: Flow, t: Table): void {
  const { pen, doc } = flow;
  const room = flow.width - (t.tick ? TICK + GAP : 0);
  const all = [t.head, ...t.rows, ...(t.foot ? [t.foot] : [])];
  const needs = t.head.map((_h, c) => Math.max(6, ...all.map((row) => pen.widthOf(row[c] ?? '', SIZE))) + GAP);
  const longest = (text: string) => Math.max(0, ...text.split(/\s/).map((word) => pen.widthOf(word, SIZE)));
  const least = t.head.map((_h, c) => Math.max(6, ...all.map((row) => longest(row[c] ?? ''))) + GAP);
  const widths = columnWidths(needs, least, room);
  const row = (cells: readonly string[], weight: 'plain' | 'bold', ticked: boolean) => {
    const heights = cells.map((text, c) => (text ? pen.heightOf([[text, { size: SIZE, weight }]], widths[c]! - GAP) : 0));
    const high = Math.max(SIZE * 1.3, ...heights) + 0.8;
    if (flow.y + high > flow.bottom) {
      flow.newPage();
      if (weight === 'plain') heads();
    }
    let x = EDGE.left;
    cells.forEach((text, c) => {
      if (text) pen.cell(text, x, flow.y, widths[c]! - GAP, { size: SIZE, weight, right: t.right?.includes(c) === true });
      x += widths[c]!;
    });
    if (ticked) tick(doc, flow.size[0] - EDGE.right - TICK, flow.y);
    flow.y += high;
    doc
      .lineWidth(0.1)
      .strokeColor('#888')
      .moveTo(EDGE.left, flow.y)
      .lineTo(flow.size[0] - EDGE.right, flow.y)
      .stroke();
    flow.y += 0.9;
  };
  const heads = () => row(t.head, 'bold', false);
  flow.need(18);
  heads();
  for (const r of t.rows) row(r, 'plain', t.tick === true);
  if (t.foot) row(t.foot, 'bold', false);
  flow.y += 1.5;
}
