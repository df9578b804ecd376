import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { evenlySpaced, rowOf } from '@core/job/arrays';
import { plateHoleAdded } from '@core/job/plate-hole-edits';
import { reachedToOld } from '@core/job/reach';
import type { Job } from '@core/job/schema';
import { fastenerSize } from '@core/stock/fasteners';
import { lengthRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { ArrayCard } from './array-card';

const MARGIN = lengthRange('Margin round it', 300);

/** Sets holes out: patterns of bolts, a row spaced evenly, the plate's own holes, and ears to old ones. */
@Component({
  selector: 'ms-holes-card',
  imports: [ArrayCard, MatButton, MatIcon, QuantityField],
  template: `
    <ms-array-card />
    <h3>Space evenly</h3>
    @if (bolt(); as b) {
      <p class="acts">
        @for (r of rows(); track r.axis) {
          <button mat-stroked-button type="button" (click)="evenly(b.id, r.axis)">{{ r.words }}</button>
        } @empty {
          <span class="note">{{ b.id }} stands in no row of three or more.</span>
        }
      </p>
    } @else {
      <p class="note">Pick a bolt of the row; the first and the last stay.</p>
    }
    <h3>The plate’s other holes</h3>
    <p class="note">For locating, access, drain, less weight. They move on the plan like bolts.</p>
    <div class="chips">
      @for (h of job().plate.holes ?? []; track h.id) {
        <button mat-stroked-button type="button" (click)="desk.picked.set({ kind: 'hole', id: h.id })">
          {{ h.id }}, {{ h.purpose }}
        </button>
      }
      <button mat-stroked-button type="button" (click)="add()"><mat-icon svgIcon="add" />Hole</button>
    </div>
    <h3>Reach to an old hole</h3>
    @if (old().length > 0) {
      <ms-quantity
        [of]="marginRange"
        label="Margin round it"
        [provenance]="false"
        [value]="margin()"
        [system]="job().units"
        (changed)="margin.set($event)"
      />
      <div class="chips">
        @for (h of old(); track h.id) {
          <button mat-stroked-button type="button" (click)="reach(h.id)">{{ h.id }}, {{ h.words }}</button>
        }
      </div>
      @if (refused()) {
        <p class="error" role="alert">{{ refused() }}</p>
      }
    } @else {
      <p class="note">No old hole is measured; they are written down in Measure.</p>
    }
  `,
  styles: `
    h3 {
      margin: 10px 0 3px;
    }
    .note {
      margin: 3px 0;
      font-size: 12.5px;
    }
    .chips,
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 4px 0;
    }
    .chips button {
      padding: 0 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HolesCard {
  protected readonly desk = inject(Desk);
  protected readonly job = computed(() => this.desk.shown()!);
  protected readonly marginRange = MARGIN;
  protected readonly margin = signal<Quantity>(fromSheet(20, '20 mm'));
  protected readonly refused = signal('');

  protected readonly bolt = computed(() => {
    const p = this.desk.picked();
    return p?.kind === 'bolt' ? this.job().bolts.items.find((b) => b.id === p.id) : undefined;
  });
  private within(job: Job): number {
    return (fastenerSize(job.bolts.size)?.d ?? 10) / 2;
  }
  protected readonly rows = computed(() => {
    const b = this.bolt();
    const job = this.job();
    if (!b) return [];
    return (['x', 'y'] as const).flatMap((axis) => {
      const n = rowOf(job, b.id, axis, this.within(job)).length;
      return n < 3 ? [] : [{ axis, words: `${n} in ${b.id}’s row ${axis === 'x' ? 'fore and aft' : 'across'}` }];
    });
  });
  protected evenly(id: string, axis: 'x' | 'y'): void {
    this.desk.change('space evenly', (j) => evenlySpaced(j, id, axis, this.within(j)));
  }

  protected add(): void {
    const { plate, base, units } = this.job();
    const x = Math.round((base.length.v / 2 + plate.x1) / 2);
    const hole = { x, y: 0, d: fromSheet(8, formatQuantity(8, 'length', units)), purpose: 'locating' as const };
    const { id } = plateHoleAdded(this.job(), hole);
    this.desk.change(`plate hole ${id}`, (j) => plateHoleAdded(j, hole).job);
    this.desk.picked.set({ kind: 'hole', id });
  }

  protected readonly old = computed(() => {
    const { survey, units } = this.job();
    return survey.existing.map((h) => ({ id: h.id, words: `${formatQuantity(h.d.v, 'length', units)} wide` }));
  });
  protected reach(id: string): void {
    const margin = this.margin().v;
    const next = reachedToOld(this.desk.job()!, id, margin);
    this.refused.set(isRefusal(next) ? refusalText(next) : '');
    if (isRefusal(next)) return;
    this.desk.change(`reach to ${id}`, (j) => {
      const made = reachedToOld(j, id, margin);
      return isRefusal(made) ? j : made;
    });
  }
}
