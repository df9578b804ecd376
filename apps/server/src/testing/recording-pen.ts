import { Pen, type Doc } from '../sheets/pen';

/** A pen that draws nowhere and keeps what it was asked to write; for tests. Each line is as high as its letters. */
export class RecordingPen extends Pen {
  readonly written: {
    readonly text: string;
    readonly x: number;
    readonly y: number;
    readonly size: number;
    readonly weight: string;
  }[] = [];
  readonly drawn: { readonly what: string; readonly at: readonly number[] }[] = [];

  constructor() {
    super({} as Doc);
    const draw: unknown = new Proxy(
      {},
      {
        get:
          (_t, what: string) =>
          (...at: number[]) => {
            if (['moveTo', 'lineTo', 'rect'].includes(what)) this.drawn.push({ what, at });
            return draw;
          },
      },
    );
    Object.assign(this, { doc: draw });
  }

  override line(text: string, x: number, y: number, style: { weight?: string; size: number }): void {
    this.written.push({ text, x, y, size: style.size, weight: style.weight ?? 'plain' });
  }

  override column(paragraphs: readonly (readonly [string, { weight?: string; size: number }])[], x: number, y: number): number {
    let at = y;
    for (const [text, style] of paragraphs) {
      this.line(text, x, at, style);
      at += style.size;
    }
    return at;
  }

  override heightOf(paragraphs: readonly (readonly [string, { size: number }])[]): number {
    return paragraphs.reduce((sum, [, s]) => sum + s.size, 0);
  }
}
