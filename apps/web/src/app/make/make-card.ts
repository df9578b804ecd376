import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Card } from '@core/shop/cards/card';
import { CardPicture } from './card-picture';

/** A card of the packet on the page: the same blocks that go on paper. */
@Component({
  selector: 'ms-make-card',
  imports: [CardPicture],
  template: `
    @if (card().of) {
      <h2>{{ card().of }}</h2>
    }
    @for (b of card().blocks; track $index) {
      @switch (b.kind) {
        @case ('head') {
          <h3>{{ b.text }}</h3>
        }
        @case ('words') {
          <p [class.loud]="b.loud" [class.note]="!b.loud">{{ b.text }}</p>
        }
        @case ('list') {
          <ul>
            @for (item of b.items; track $index) {
              <li [class.ticked]="b.tick">
                @if (b.tick) {
                  <span class="tick" aria-hidden="true"></span>
                }
                {{ item }}
              </li>
            }
          </ul>
        }
        @case ('sign') {
          <p class="sign">
            <span>{{ b.text }}</span><span class="line">name, day</span>
          </p>
        }
        @case ('photo') {
          <figure>
            <img [src]="'/api/photos/' + b.sha256" [alt]="b.says" loading="lazy" />
            <figcaption class="note">{{ b.says }}</figcaption>
          </figure>
        }
        @case ('picture') {
          <figure>
            <svg [msCardPicture]="b.picture" [attr.aria-label]="b.says"></svg>
            <figcaption class="note">{{ b.says }}</figcaption>
          </figure>
        }
        @case ('table') {
          <div class="wide">
            <table>
              <thead>
                <tr>
                  @for (h of b.head; track $index) {
                    <th [class.number]="b.right?.includes($index)">{{ h }}</th>
                  }
                </tr>
              </thead>
              <tbody>
                @for (row of b.rows; track $index) {
                  <tr>
                    @for (cell of row; track $index) {
                      <td [class.number]="b.right?.includes($index)">{{ cell }}</td>
                    }
                  </tr>
                }
              </tbody>
              @if (b.foot; as foot) {
                <tfoot>
                  <tr>
                    @for (cell of foot; track $index) {
                      <td [class.number]="b.right?.includes($index)">{{ cell }}</td>
                    }
                  </tr>
                </tfoot>
              }
            </table>
          </div>
        }
      }
    }
  `,
  styleUrl: './cards.scss',
  styles: `
    :host {
      overflow: visible;
    }
    .loud {
      margin: 6px 0;
      font-weight: 600;
      color: var(--ink);
    }
    .ticked {
      display: flex;
      gap: 8px;
      align-items: baseline;
    }
    .ticked .tick {
      flex: none;
    }
    figure svg,
    figure img {
      max-width: 100%;
      max-height: 260px;
    }
    .wide {
      overflow-x: auto;
    }
    th.number {
      text-align: right;
    }
    .sign {
      display: flex;
      gap: 16px;
      align-items: end;
      margin: 18px 0 8px;
    }
    .sign .line {
      flex: 1;
      max-width: 320px;
      border-top: 1px solid var(--rule-strong);
      font-size: 12px;
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MakeCard {
  readonly card = input.required<Card>();
}
