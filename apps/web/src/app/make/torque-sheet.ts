import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { eachKind } from '@core/job/of-kind';
import { isResolved, resolve } from '@core/job/resolve';
import { boltLines, torqueWords } from '@core/shop/bolt-words';
import { torqueCard, type TorqueCard } from '@core/shop/torque-card';
import { formatQuantity } from '@core/units/format-quantity';
import { outlineOf } from '@core/job/outlines';
import { Desk } from '../job/desk';
import { StepsList } from '../load-path/steps-list';

/** Bolts to take along, and for each kind its torque by rounds with the order of the bolts drawn on the plate. */
@Component({
  selector: 'ms-torque-sheet',
  imports: [StepsList],
  template: `
    @if (bolts().length > 0) {
      <h3>Bolts</h3>
      <ul class="bolts">
        @for (b of bolts(); track b.words) {
          <li>
            {{ b.ids.length }} {{ b.words }} <span class="note">{{ b.ids.join(', ') }}</span>
          </li>
        }
      </ul>
    } @else {
      <p class="note">No bolt holds this foot: its welds do.</p>
    }
    @for (k of kinds(); track k.card.kind) {
      <h3>{{ k.card.size }}: tighten to {{ k.words }}</h3>
      <div class="torque" [class.long]="wide() > 2.2 * high()">
        <svg role="img" [attr.viewBox]="view()" [attr.aria-label]="'Order of the bolts: ' + k.card.order.join(', ')">
          <rect [attr.x]="plate().x0" [attr.y]="-plate().y1" [attr.width]="wide()" [attr.height]="high()" class="plate" />
          @for (b of k.places; track b.id) {
            <g [attr.transform]="'translate(' + b.x + ' ' + -b.y + ')'">
              <circle [attr.r]="dot()" />
              <text [attr.font-size]="dot() * 1.3" [attr.y]="dot() * 0.46">{{ b.turn }}</text>
            </g>
          }
        </svg>
        @if (k.card.passes.length > 0) {
          <table>
            <caption class="note">
              {{
                k.card.pattern === 'one bolt' ? 'One bolt' : k.card.pattern + ': ' + k.card.order.join(', ')
              }}
            </caption>
            <thead>
              <tr>
                <th>Round</th>
                <th>Torque</th>
                <th>How</th>
                <th>Done</th>
              </tr>
            </thead>
            <tbody>
              @for (p of k.card.passes; track $index) {
                <tr>
                  <td>{{ $index + 1 }}</td>
                  <td class="number">{{ moment(p.torque) }}</td>
                  <td>{{ p.says }}</td>
                  <td><span class="tick" aria-hidden="true"></span></td>
                </tr>
              }
            </tbody>
          </table>
        }
      </div>
      @if (k.card.tighten.torque; as t) {
        <details>
          <summary>How the torque comes about</summary>
          <ms-steps [steps]="t.steps" />
        </details>
      }
    }
    <p class="note">
      Rounds at 30, 70 and 100 % crosswise and once round at the end: ASME PCC-1 (memory); rows from the middle out: common
      practice. Threads lightly oiled: dry or greased ones take another torque.
    </p>
  `,
  styleUrl: './cards.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TorqueSheet {
  private readonly desk = inject(Desk);
  private readonly job = computed(() => this.desk.job()!);
  private readonly resolved = computed(() => {
    const r = resolve(this.job());
    return isResolved(r) ? r : undefined;
  });
  protected readonly bolts = computed(() => {
    const r = this.resolved();
    return r && r.bolts.length > 0 ? boltLines(r) : [];
  });
  protected readonly kinds = computed(() => {
    const r = this.resolved();
    if (!r || r.bolts.length === 0) return [];
    return eachKind(r).flatMap((k) => {
      const card: TorqueCard | undefined = torqueCard(k);
      if (!card) return [];
      const places = card.order.map((id, i) => ({ ...r.bolts.find((b) => b.id === id)!, turn: i + 1 }));
      return [{ card, places, words: torqueWords(k) }];
    });
  });
  protected readonly plate = computed(() => outlineOf(this.job()));
  protected readonly wide = computed(() => this.plate().x1 - this.plate().x0);
  protected readonly high = computed(() => this.plate().y1 - this.plate().y0);
  /** Radius of a numbered bolt: to be read, and clear of the next. */
  protected readonly dot = computed(() => {
    const { items } = this.job().bolts;
    const gaps = items.flatMap((a, i) => items.slice(i + 1).map((b) => Math.hypot(a.x - b.x, a.y - b.y)));
    return Math.min(Math.max(7, this.wide() / 40, this.high() / 20), ...gaps.map((g) => g / 2.3));
  });
  protected readonly view = computed(() => {
    const p = this.plate();
    return `${p.x0 - 6} ${-p.y1 - 6} ${this.wide() + 12} ${this.high() + 12}`;
  });

  protected moment(nmm: number): string {
    return formatQuantity(nmm, 'moment', this.job().units);
  }
}
