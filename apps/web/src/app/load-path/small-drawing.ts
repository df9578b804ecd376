import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Stroke, Stuff } from './strokes';

const FILL: Readonly<Record<Stuff, string>> = {
  plate: 'var(--marking)',
  skin: 'var(--skin)',
  bolt: 'var(--brass)',
  force: 'var(--accent)',
  break: 'none',
  before: 'none',
};
const STROKE: Readonly<Record<Stuff, string>> = {
  plate: 'var(--marking-edge)',
  skin: 'var(--structure)',
  bolt: 'var(--brass-edge)',
  force: 'var(--accent)',
  break: 'var(--bad)',
  before: 'var(--ink-soft)',
};

/** A small drawing of a word or of a link letting go, 160 × 84. */
@Component({
  selector: 'svg[msSmall]',
  host: { viewBox: '0 0 160 84', role: 'img', '[attr.aria-label]': 'name()' },
  template: `
    @for (k of strokes(); track $index) {
      <svg:path
        [attr.d]="k.d"
        [attr.fill]="fill[k.of]"
        [attr.stroke]="stroke[k.of]"
        [attr.stroke-width]="k.of === 'break' ? 2.2 : k.of === 'force' ? 1.8 : 0.9"
        [attr.stroke-dasharray]="k.of === 'before' ? '3 2' : null"
      />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SmallDrawing {
  readonly name = input.required<string>();
  readonly strokes = input.required<readonly Stroke[]>();
  protected readonly fill = FILL;
  protected readonly stroke = STROKE;
}
