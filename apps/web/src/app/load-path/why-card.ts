import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { WHY_DRAWINGS, type Stuff } from './why-drawings';

const FILL: Readonly<Record<Stuff, string>> = {
  plate: '#2b2a63',
  skin: '#c9d0c3',
  bolt: '#c99a3c',
  force: '#9c3a14',
  break: 'none',
  before: 'none',
};
const STROKE: Readonly<Record<Stuff, string>> = {
  plate: '#16153a',
  skin: '#77857a',
  bolt: '#7d5a15',
  force: '#9c3a14',
  break: '#b3200f',
  before: '#575043',
};

/** Why a link matters, in plain sentences, with a small drawing of it letting go. */
@Component({
  selector: 'ms-why',
  template: `
    @if (strokes(); as list) {
      <svg viewBox="0 0 160 84" role="img" [attr.aria-label]="'How it lets go: ' + name()">
        @for (k of list; track $index) {
          <path
            [attr.d]="k.d"
            [attr.fill]="fill[k.of]"
            [attr.stroke]="stroke[k.of]"
            [attr.stroke-width]="k.of === 'break' ? 2.2 : k.of === 'force' ? 1.8 : 0.9"
            [attr.stroke-dasharray]="k.of === 'before' ? '3 2' : null"
          />
        }
      </svg>
    }
    <p>{{ why() }}</p>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 150px minmax(0, 1fr);
      gap: 10px;
      align-items: center;
      margin: 8px 0;
      padding: 6px 8px;
      border: 1px solid var(--rule);
      background: var(--paper);
    }
    p {
      margin: 0;
      font-size: 12.5px;
      line-height: 1.4;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhyCard {
  readonly id = input.required<string>();
  readonly name = input.required<string>();
  readonly why = input.required<string>();
  protected readonly fill = FILL;
  protected readonly stroke = STROKE;
  protected readonly strokes = computed(() => WHY_DRAWINGS[this.id()]);
}
