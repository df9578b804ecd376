import type { Block, Card } from '@core/shop/cards/card';
import { drawPicture, pictureHeight } from './card-picture';
import type { Doc, Pen } from './pen';
import { POINTS } from './paper-doc';
import { drawTable } from './card-table';

/** Margins of a page of cards, mm; above stands the head, below the verdict and the caution. */
export const EDGE = { left: 14, right: 14, top: 26, bottom: 24 } as const;
const SIZE = { words: 3.2, head: 4.2, title: 6.5 } as const;

/** A place on the pages that words flow down, a new page when one is full. mm. */
export class Flow {
  y: number = EDGE.top;
  pages = 0;
  constructor(
    readonly doc: Doc,
    readonly pen: Pen,
    readonly size: readonly [width: number, height: number],
  ) {}

  get width(): number {
    return this.size[0] - EDGE.left - EDGE.right;
  }
  get bottom(): number {
    return this.size[1] - EDGE.bottom;
  }

  newPage(): void {
    if (this.pages > 0) this.doc.restore();
    this.doc.addPage({ size: [this.size[0] * POINTS, this.size[1] * POINTS], margin: 0 });
    this.doc.save().scale(POINTS);
    this.pages++;
    this.y = EDGE.top;
  }

  /** Room for something so high, on this page or the next. */
  need(high: number): void {
    if (this.pages === 0 || this.y + high > this.bottom) this.newPage();
  }

  end(): void {
    if (this.pages > 0) this.doc.restore();
  }

  /** A paragraph; one higher than a page is broken by the words. */
  words(text: string, size: number, weight: 'plain' | 'bold' = 'plain', indent = 0): void {
    const paragraph = [[text, { size, weight }]] as const;
    const width = this.width - indent;
    const high = this.pen.heightOf(paragraph, width);
    if (high > this.bottom - EDGE.top) {
      const half = text.lastIndexOf(' ', text.length / 2);
      this.words(text.slice(0, half), size, weight, indent);
      return this.words(text.slice(half + 1), size, weight, indent);
    }
    this.need(high);
    this.y = this.pen.column(paragraph, EDGE.left + indent, this.y, width);
  }
}

/** A card from its title on; the next one follows on the same page where there is room for a good part of it. */
export function drawCard(flow: Flow, card: Card, photos: Photos = () => undefined): void {
  if (flow.pages > 0 && flow.y > EDGE.top) flow.y += 5;
  flow.need(45);
  flow.words(card.of ? `${card.title}: ${card.of}` : card.title, SIZE.title, 'bold');
  const { doc } = flow;
  doc
    .lineWidth(0.5)
    .strokeColor('#000')
    .moveTo(EDGE.left, flow.y)
    .lineTo(flow.size[0] - EDGE.right, flow.y)
    .stroke();
  flow.y += 2.5;
  for (const b of card.blocks) drawBlock(flow, b, photos);
}

/** Photographs by their hash: JPEG, or nothing where the file is gone or damaged. */
export type Photos = (sha256: string) => Buffer | undefined;

/** No photograph takes more of a page than this, mm. */
const PHOTO = { wide: 110, high: 82 } as const;

function drawPhoto(flow: Flow, b: Extract<Block, { kind: 'photo' }>, photos: Photos): void {
  const data = photos(b.sha256);
  if (!data)
    return flow.words(`${b.says}: the photograph’s file is missing or damaged (${b.sha256.slice(0, 12)}…)`, SIZE.words, 'bold');
  flow.need(PHOTO.high + 8);
  flow.doc.image(data, EDGE.left, flow.y, { fit: [PHOTO.wide, PHOTO.high] });
  flow.y += PHOTO.high + 1;
  flow.words(b.says, 2.9);
  flow.y += 1.5;
}

function drawBlock(flow: Flow, b: Block, photos: Photos): void {
  switch (b.kind) {
    case 'head':
      flow.need(14);
      flow.y += 2;
      return flow.words(b.text, SIZE.head, 'bold');
    case 'words':
      return flow.words(b.text, SIZE.words, b.loud ? 'bold' : 'plain');
    case 'list':
      return b.items.forEach((item) => listed(flow, item, b.tick === true));
    case 'sign':
      return sign(flow, b.text);
    case 'table':
      return drawTable(flow, b);
    case 'photo':
      return drawPhoto(flow, b, photos);
    case 'picture': {
      const high = pictureHeight(b.picture, flow.width);
      flow.need(high + 8);
      drawPicture(flow, b.picture, high);
      flow.y += high + 1;
      flow.words(b.says, 2.9);
      flow.y += 1.5;
    }
  }
}

export const TICK = 3;
export function tick(doc: Doc, x: number, y: number): void {
  doc.lineWidth(0.25).strokeColor('#000').rect(x, y, TICK, TICK).stroke();
}

function listed(flow: Flow, item: string, ticked: boolean): void {
  const indent = 6;
  const high = flow.pen.heightOf([[item, { size: SIZE.words }]], flow.width - indent);
  flow.need(Math.min(high, 40));
  if (ticked) tick(flow.doc, EDGE.left, flow.y + 0.3);
  else flow.pen.line('–', EDGE.left + 1, flow.y, { size: SIZE.words });
  flow.words(item, SIZE.words, 'plain', indent);
}

function sign(flow: Flow, text: string): void {
  flow.need(11);
  flow.y += 6;
  const { doc } = flow;
  flow.pen.line(text, EDGE.left, flow.y, { size: SIZE.words });
  const from = EDGE.left + flow.width * 0.5;
  doc
    .lineWidth(0.2)
    .strokeColor('#000')
    .moveTo(from, flow.y + 4)
    .lineTo(flow.size[0] - EDGE.right, flow.y + 4)
    .stroke();
  flow.pen.line('name, day', from, flow.y + 4.4, { size: 2.2, colour: '#444' });
  flow.y += 7;
}
