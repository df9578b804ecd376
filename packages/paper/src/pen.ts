import type PDFDocument from 'pdfkit';
import { setIn, type Weight } from './fonts';

export type Doc = InstanceType<typeof PDFDocument>;

interface Style {
  readonly weight?: Weight;
  /** Letter height, mm. */
  readonly size: number;
  readonly colour?: string;
}

/** Writes on a page in millimetres, each text in a face that has its letters; counts those that none has. */
export class Pen {
  missing = 0;

  constructor(readonly doc: Doc) {}

  private set(text: string, { weight = 'plain', size, colour = '#000' }: Style): string {
    const { face, text: shown, missing } = setIn(weight, text);
    this.missing += missing;
    this.doc.font(face).fontSize(size).fillColor(colour);
    return shown;
  }

  /** One line, never broken; cut short with an ellipsis where a width is given. */
  line(
    text: string,
    x: number,
    y: number,
    style: Style & { readonly width?: number; readonly right?: boolean; readonly centre?: true },
  ): void {
    const shown = this.set(text, style);
    const { width, right, centre } = style;
    this.doc.text(shown, x, y, {
      lineBreak: false,
      ...(width === undefined ? {} : { width, height: style.size * 1.2, ellipsis: true, lineBreak: true }),
      ...(right ? { align: 'right' as const } : centre ? { align: 'center' as const } : {}),
    });
  }

  /** Words that wrap in a column of a table. */
  cell(text: string, x: number, y: number, width: number, style: Style & { readonly right?: boolean }): void {
    const shown = this.set(text, style);
    this.doc.text(shown, x, y, { width, lineGap: 0.3, ...(style.right ? { align: 'right' as const } : {}) });
  }

  /** How wide a line would be. */
  widthOf(text: string, size: number): number {
    const before = this.missing;
    const shown = this.set(text, { size });
    this.missing = before;
    return this.doc.widthOfString(shown);
  }

  /** Paragraphs under each other in a column; the y below the last. */
  column(paragraphs: readonly (readonly [text: string, style: Style])[], x: number, y: number, width: number): number {
    let at = y;
    for (const [text, style] of paragraphs) {
      const shown = this.set(text, style);
      this.doc.text(shown, x, at, { width, lineGap: 0.3 });
      at += this.doc.heightOfString(shown, { width, lineGap: 0.3 }) + 0.5;
    }
    return at;
  }

  /** How high that column would stand. */
  heightOf(paragraphs: readonly (readonly [text: string, style: Style])[], width: number): number {
    const before = this.missing;
    const high = paragraphs.reduce((sum, [text, style]) => {
      const shown = this.set(text, style);
      return sum + this.doc.heightOfString(shown, { width, lineGap: 0.3 }) + 0.5;
    }, 0);
    this.missing = before;
    return high;
  }
}
