import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { SmallDrawing } from '../load-path/small-drawing';
import type { Term } from './term';

/** One word of the trade on a card: drawing, standard term, what the shop says, two sentences. */
@Component({
  selector: 'ms-word',
  imports: [SmallDrawing],
  template: `
    <svg msSmall [name]="term().term" [strokes]="term().draws"></svg>
    <div>
      <h3>{{ term().term }}</h3>
      @if (term().shop) {
        <p class="shop">in the shop: {{ term().shop }}</p>
      }
      <p>{{ term().says }}</p>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 132px minmax(0, 1fr);
      gap: 12px;
      align-items: start;
    }
    svg {
      width: 132px;
      border: 1px solid var(--rule);
      background: var(--paper);
    }
    p {
      margin: 3px 0 0;
      font-size: 13.5px;
      line-height: 1.4;
    }
    .shop {
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WordCard {
  readonly term = input.required<Term>();
}
