import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Link } from '@core/chain/evaluate';
import { withClearing, type Clearing } from '@core/options/clear';
import { times } from '@core/chain/headline';
import { formatQuantity } from '@core/units/format-quantity';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';

/** What would clear a link: each change worked out on the whole path, taken with one press and undone with another. */
@Component({
  selector: 'ms-clearings',
  imports: [MatButton],
  template: `
    <h3>What would clear it</h3>
    @if (judge.clearings(); as list) {
      @for (c of list; track c.kind) {
        <div class="one">
          <div>
            <b>{{ c.words }}</b>
            <p>
              {{ link().name }} {{ c.utilisation.toFixed(2) }}; weakest then {{ c.weakest }} {{ c.weakestUtilisation.toFixed(2) }}
            </p>
            <p class="note">{{ effect(c) }}</p>
          </div>
          <button mat-stroked-button type="button" [attr.aria-label]="'Take: ' + c.words" (click)="take(c)">Take it</button>
        </div>
      } @empty {
        <p class="note">
          No single small change of plate, bolts or far side clears it without moving the failure elsewhere: two together, another
          place for the fitting, or less load.
        </p>
      }
    } @else {
      <p class="note" role="status">Trying what is in stock …</p>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 6px 0;
      border-bottom: 2px solid var(--ink);
    }
    .one {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 8px;
      padding: 4px 0;
      border-top: 1px solid var(--rule);
    }
    b {
      font: 600 16px/1.2 var(--label);
    }
    p {
      margin: 1px 0 0;
      font-size: 13px;
    }
    button {
      flex: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClearingsList {
  private readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  readonly link = input.required<Link>();
  private readonly units = computed(() => this.desk.job()?.units ?? 'mm');

  /** "+0.42 kg, +8 min, costs a little more": signs said, the money only as more or less (rates are invented). */
  protected effect(c: Clearing): string {
    const sign = (v: number) => (v < 0 ? '−' : '+');
    const mass = `${sign(c.mass)}${formatQuantity(Math.abs(c.mass), 'mass', this.units())}`;
    const minutes = Math.round(Math.abs(c.minutes));
    const time = minutes === 0 ? 'no more time' : `${sign(c.minutes)}${minutes} min`;
    return `${mass}, ${time}, rough cost ${sign(c.cost)}${Math.abs(c.cost).toFixed(1)}; ${c.goodFor > 0 ? `good for ${times(c.goodFor)} × load` : 'not known for how many times the load'}`;
  }

  protected take(c: Clearing): void {
    this.desk.change(c.words, (j) => withClearing(j, c));
    this.desk.said.set(`${c.words}: weakest then ${c.weakest} ${c.weakestUtilisation.toFixed(2)}`);
  }
}
