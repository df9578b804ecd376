import type { Card } from '@core/shop/cards/card';
import { drawCard, EDGE, Flow, type Photos } from './card-pages';
import { paperDoc, POINTS } from './paper-doc';
import type { Pen } from './pen';

/** What every page of a packet says. */
export interface PacketSays {
  readonly job: string;
  /** "version 7, 2026-03-04". */
  readonly issue: string;
  readonly holds: boolean;
  readonly verdict: string;
  readonly notJudged: string;
  readonly caution: string;
  readonly paper: keyof typeof CARD_PAPERS;
}

export const CARD_PAPERS = { a4: [210, 297], letter: [215.9, 279.4] } as const;

/** Cards as one PDF: job, version, date, verdict, what is not judged and the caution on every page, pages numbered. */
export function packetPdf(cards: readonly Card[], says: PacketSays, title = 'packet', photos?: Photos): Promise<Buffer> {
  const size = CARD_PAPERS[says.paper];
  const { doc, pen, done } = paperDoc(`${says.job}: ${title}, ${says.issue}`, true);
  const flow = new Flow(doc, pen, size);
  for (const card of cards) drawCard(flow, card, photos);
  flow.end();
  const { count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i++) {
    doc.switchToPage(i);
    doc.save().scale(POINTS);
    headAndFoot(pen, says, size, `${title}, page ${i + 1} of ${count}`);
    doc.restore();
  }
  doc.end();
  return done;
}

function headAndFoot(pen: Pen, s: PacketSays, [width, height]: readonly [number, number], page: string): void {
  const { doc } = pen;
  const room = width - EDGE.left - EDGE.right;
  pen.line(s.job, EDGE.left, 9, { size: 5, weight: 'bold', width: room });
  pen.line(`${s.issue}; ${page}`, EDGE.left, 15.5, { size: 3, width: room });
  if (!s.holds) pen.line('DOES NOT HOLD AS IT IS', EDGE.left, 19.4, { size: 3.4, weight: 'bold', width: room });
  const top = height - EDGE.bottom + 3;
  doc
    .lineWidth(0.2)
    .strokeColor('#000')
    .moveTo(EDGE.left, top)
    .lineTo(width - EDGE.right, top)
    .stroke();
  const words = (size: number) =>
    [
      [s.verdict, { size, weight: s.holds ? 'plain' : 'bold' }],
      [s.notJudged, { size }],
      [s.caution, { size }],
    ] as const;
  let size = 2.7;
  while (size > 1.7 && pen.heightOf(words(size), room) > EDGE.bottom - 8) size -= 0.1;
  pen.column(words(size), EDGE.left, top + 1, room);
}
