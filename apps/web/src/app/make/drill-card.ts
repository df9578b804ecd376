import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { isResolved, resolve } from '@core/job/resolve';
import { bitTable, drillList, type DrillRow } from '@core/shop/drill-list';
import { drilling, type Drilling } from '@core/shop/drilling';
import { formatQuantity } from '@core/units/format-quantity';
import { Desk } from '../job/desk';
import { StepsList } from '../load-path/steps-list';

/** The holes part by part from the corner a square is laid on, each with its bits and their speeds; and the bits to lay out first. */
@Component({
  selector: 'ms-drill-card',
  imports: [StepsList],
  template: `
    @if (bits().length > 0) {
      <h3>Bits to lay out</h3>
      <ul class="bits">
        @for (b of bits(); track b.key) {
          <li>
            <b>{{ b.text }}</b> {{ b.rpm }} /min in {{ b.what }}
            <span class="note">{{ b.holes }} {{ b.holes === 1 ? 'hole' : 'holes' }}</span>
          </li>
        }
      </ul>
    }
    <table>
      <caption class="note">
        From the aft starboard corner of the mounting plate’s
        {{
          flat() ? 'flat blank' : 'outline'
        }}; x forward, y to port.
      </caption>
      <thead>
        <tr>
          <th>Hole</th>
          <th>x</th>
          <th>y</th>
          <th>ø</th>
          <th>Bits</th>
          <th>Speed</th>
          <th>For</th>
          <th></th>
        </tr>
      </thead>
      @for (g of groups(); track g.part) {
        <tbody>
          @if (groups().length > 1) {
            <tr class="part">
              <th colspan="8" scope="rowgroup">{{ g.part }}</th>
            </tr>
          }
          @for (r of g.rows; track $index) {
            <tr>
              <td class="whole">{{ r.hole }}</td>
              <td class="whole">{{ show(r.x) }}</td>
              <td class="whole">{{ show(r.y) }}</td>
              <td class="whole">{{ show(r.diameter) }}</td>
              <td class="whole">{{ tools(r) }}</td>
              <td class="whole">
                @if (speed(r); as n) {
                  <button type="button" [attr.aria-expanded]="opened() === r" (click)="open(r)">{{ n }}</button>
                }
              </td>
              <td class="whole">{{ r.fastener }}</td>
              <td class="note">{{ r.note }}</td>
            </tr>
          }
        </tbody>
      }
    </table>
    @if (working(); as d) {
      <h3>{{ opened()!.part }}, {{ opened()!.hole }}: how fast</h3>
      <ms-steps [steps]="d.steps" />
      <p class="note">{{ d.tool }}; {{ d.coolant }}. {{ why(d) }}</p>
    }
    @if (minutes() > 0) {
      <p class="note">
        The drill turns in the metal for about {{ minutes() }} min in all; marking, punching, clamping and burrs are the shop’s
        own time. Speeds are the lower ends of the handbooks’ (common practice where they have none).
      </p>
    }
  `,
  styleUrl: './cards.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrillCard {
  private readonly desk = inject(Desk);
  private readonly job = computed(() => this.desk.job()!);
  private readonly rows = computed(() => {
    const r = resolve(this.job());
    return isResolved(r) ? drillList(this.job(), r) : [];
  });
  protected readonly flat = computed(() => this.rows().some((r) => r.part === 'plate' && r.diameter === null));
  /** The drill list part by part, in its order. */
  protected readonly groups = computed(() => {
    const groups: { part: string; rows: DrillRow[] }[] = [];
    for (const row of this.rows()) {
      const last = groups.at(-1);
      if (last?.part === row.part) last.rows.push(row);
      else groups.push({ part: row.part, rows: [row] });
    }
    return groups;
  });
  protected readonly bits = computed(() => bitTable(this.rows(), this.job().units));
  protected readonly minutes = computed(() =>
    Math.ceil(this.rows().reduce((sum, r) => sum + (this.drilled(r)?.minutes ?? 0), 0)),
  );
  protected readonly opened = signal<DrillRow | null>(null);
  protected readonly working = computed(() => {
    const row = this.opened();
    return row && this.rows().includes(row) ? this.drilled(row) : undefined;
  });

  private drilled(r: DrillRow): Drilling | undefined {
    return r.through && r.diameter !== null ? drilling(r.diameter, r.through.t, r.through.what, this.job().units) : undefined;
  }
  protected tools(r: DrillRow): string {
    return (
      this.drilled(r)
        ?.bits.map((b) => b.text)
        .join(', then ') ?? ''
    );
  }
  protected speed(r: DrillRow): string {
    const bits = this.drilled(r)?.bits;
    return bits ? `${bits.at(-1)!.rpm} /min` : '';
  }
  protected why(d: Drilling): string {
    return d.bits
      .filter((b) => b.why)
      .map((b) => `${b.text}: ${b.why}.`)
      .join(' ');
  }
  protected open(r: DrillRow): void {
    this.opened.set(this.opened() === r ? null : r);
  }
  protected show(mm: number | null): string {
    return mm === null ? '' : formatQuantity(mm, 'length', this.job().units);
  }
}
