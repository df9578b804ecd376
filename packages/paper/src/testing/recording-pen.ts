import { Pen, type Doc } from '../pen';

/** How lines are drawn at the moment they are. */
interface Stroke {
  readonly lineWidth: number;
  /** Dash and gap; empty for a whole line. */
  readonly dash: readonly number[];
}

/** A pen that draws nowhere and keeps what it was asked to write and draw; for tests. Each line is as high as its letters. */
export class RecordingPen extends Pen {
  readonly written: {
    readonly text: string;
    readonly x: number;
    readonly y: number;
    readonly size: number;
    readonly weight: string;
  }[] = [];
  readonly drawn: { readonly what: string; readonly at: readonly number[]; readonly by: Stroke }[] = [];

  constructor() {
    super({} as Doc);
    let by: Stroke = { lineWidth: 1, dash: [] };
    const kept = ['moveTo', 'lineTo', 'rect', 'circle', 'rotate'];
    const draw: unknown = new Proxy(
      {},
      {
        get:
          (_t, what: string) =>
          (...at: unknown[]) => {
            if (what === 'lineWidth') by = { ...by, lineWidth: at[0] as number };
            if (what === 'dash') by = { ...by, dash: [at[0] as number, (at[1] as { space: number }).space] };
            if (what === 'undash') by = { ...by, dash: [] };
            if (kept.includes(what)) this.drawn.push({ what, at: at.filter((v) => typeof v === 'number'), by });
            return draw;
          },
      },
    );
    Object.assign(this, { doc: draw });
  }

  /** Lines from one point to another, as [x, y, x, y], in drawing order. */
  lines(): number[][] {
    return this.drawn.flatMap((d, i) => (d.what === 'lineTo' ? [[...this.drawn[i - 1]!.at, ...d.at]] : []));
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
