import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RATE_NAMES, RATE_ROWS, WEEKDAYS, type RateName, type ShopSettings } from '@core/stock/shop-settings';
import { FactorField } from '../fields/factor-field';
import { ShopDesk } from './shop-desk';

const CURRENCIES = ['EUR', 'GBP', 'USD', 'CHF', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'CAD', 'AUD', 'NZD', 'JPY'] as const;

/** What the shop says of itself, for all its jobs: hours and hands, rates, and the offcuts on its rack. */
@Component({
  selector: 'ms-shop-sheet',
  imports: [FactorField, MatButton],
  template: `
    @if (shop.failure()) {
      <p class="error" role="alert">{{ shop.failure() }}</p>
    }
    @if (shop.settings(); as s) {
      <p class="note">For all jobs of this shop. Round figures of common practice until you say your own.</p>
      <div class="columns">
        <div>
          <h3>Hours</h3>
          @for (d of weekdays; track d; let i = $index) {
            <p class="hours">
              <label><input type="checkbox" [checked]="s.week[i] !== null" (change)="toggle(s, i)" /> {{ d }}</label>
              @if (s.week[i]; as h) {
                <input
                  type="time"
                  [attr.aria-label]="d + ', from'"
                  [value]="h.from"
                  (change)="hours(i, { from: $any($event.target).value })"
                />
                <input
                  type="time"
                  [attr.aria-label]="d + ', to'"
                  [value]="h.to"
                  (change)="hours(i, { to: $any($event.target).value })"
                />
              }
            </p>
          }
          <ms-factor
            label="People at work"
            what="number"
            [value]="s.people"
            [low]="1"
            [high]="20"
            (changed)="change({ people: whole($event) })"
          />
          <p class="hours">
            <label
              >Closed on
              <input #closed type="date" aria-label="A day the shop is closed" />
            </label>
            <button mat-stroked-button type="button" (click)="close(s, closed.value)">Add</button>
          </p>
          @if (s.closed.length > 0) {
            <ul>
              @for (d of s.closed; track d) {
                <li>
                  {{ d }}
                  <button type="button" class="link" (click)="change({ closed: without(s.closed, d) })">open again</button>
                </li>
              }
            </ul>
          }
          <p class="hours">
            <label
              >Currency
              <select (change)="change({ currency: $any($event.target).value })">
                @for (c of currencies; track c) {
                  <option [value]="c" [selected]="c === s.currency">{{ c }}</option>
                }
              </select>
            </label>
            <label
              >Time zone <input type="text" [value]="s.zone" (change)="change({ zone: $any($event.target).value.trim() })"
            /></label>
          </p>
          <h3>Offcuts on the rack</h3>
          <ul>
            @for (o of s.offcuts; track $index) {
              <li>
                {{ o.count }} × {{ o.stock }}: {{ o.length }}{{ o.width === undefined ? '' : ' × ' + o.width }} mm
                <button type="button" class="link" (click)="change({ offcuts: without(s.offcuts, o) })">used up</button>
              </li>
            } @empty {
              <li class="note">None. What Sheets and Bars leave over can be put here.</li>
            }
          </ul>
        </div>
        <div>
          <h3>Rates</h3>
          @for (r of rates; track r) {
            <ms-factor
              [label]="rows[r].label"
              what="figure"
              [value]="s.rates[r]"
              [usual]="rows[r].usual"
              [low]="rows[r].low"
              [high]="rows[r].high"
              [source]="rows[r].unit === 'money' ? s.currency : rows[r].unit"
              (changed)="rate(s, r, $event)"
            />
          }
        </div>
      </div>
    } @else {
      <p class="note" role="status">Fetching the shop’s settings …</p>
    }
  `,
  styleUrl: './cards.scss',
  styles: `
    .columns {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
      gap: 24px;
    }
    .hours {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin: 3px 0;
    }
    .hours label:first-child {
      min-width: 110px;
    }
    .hours input:not([type='checkbox']),
    select {
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: var(--field);
      color: var(--ink);
      font: 500 14px/1.3 var(--text);
    }
    .link {
      padding: 0;
      border: 0;
      background: none;
      color: var(--accent);
      text-decoration: underline;
      cursor: pointer;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShopSheet {
  protected readonly shop = inject(ShopDesk);
  protected readonly weekdays = WEEKDAYS;
  protected readonly currencies = CURRENCIES;
  protected readonly rates = RATE_NAMES;
  protected readonly rows: Readonly<Record<RateName, { label: string; low: number; high: number; usual: number; unit: string }>> =
    RATE_ROWS;

  protected change(change: Partial<ShopSettings>): void {
    this.shop.change((s) => ({ ...s, ...change }));
  }
  protected whole(v: number): number {
    return Math.round(v);
  }
  protected toggle(s: ShopSettings, i: number): void {
    this.change({ week: s.week.map((h, k) => (k === i ? (h ? null : { from: '08:00', to: '16:30' }) : h)) });
  }
  protected hours(i: number, change: { from?: string; to?: string }): void {
    this.shop.change((s) => ({ ...s, week: s.week.map((h, k) => (k === i && h ? { ...h, ...change } : h)) }));
  }
  protected close(s: ShopSettings, day: string): void {
    if (day && !s.closed.includes(day)) this.change({ closed: [...s.closed, day].sort() });
  }
  protected rate(s: ShopSettings, r: RateName, v: number): void {
    this.change({ rates: { ...s.rates, [r]: v } });
  }
  protected without<T>(list: readonly T[], x: T): T[] {
    return list.filter((y) => y !== x);
  }
}
