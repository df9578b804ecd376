import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { SmallDrawing } from './small-drawing';
import { WHY_DRAWINGS } from './why-drawings';

/** Why a link matters, in plain sentences, with a small drawing of it letting go. */
@Component({
  selector: 'ms-why',
  imports: [SmallDrawing],
  template: `
    @if (strokes(); as list) {
      <svg msSmall [name]="'How it lets go: ' + name()" [strokes]="list"></svg>
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
  protected readonly strokes = computed(() => WHY_DRAWINGS[this.id()]);
}
