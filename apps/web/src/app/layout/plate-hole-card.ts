import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { plateHoleChanged, plateHoleOut } from '@core/job/plate-hole-edits';
import type { Quantity } from '@core/job/schema';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet } from '@core/units/quantity';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { MadeHoleFields, type HoleChange } from '../fields/made-hole-fields';

/** One hole of the plate's own: its exact place, its size, and what it is for. */
@Component({
  selector: 'ms-plate-hole-card',
  imports: [MadeHoleFields, MatButton, QuantityField],
  template: `
    @if (hole(); as h) {
      <section class="exact">
        <h3>Hole {{ h.id }}</h3>
        <ms-quantity
          of="position"
          label="Forward of centre"
          [provenance]="false"
          [value]="text(h.x)"
          [system]="units()"
          (changed)="set({ x: $event.v })"
        />
        <ms-quantity
          of="position"
          label="To port of centre"
          [provenance]="false"
          [value]="text(h.y)"
          [system]="units()"
          (changed)="set({ y: $event.v })"
        />
        <ms-made-hole-fields [hole]="h" [units]="units()" (changed)="set($event)" />
        <button mat-button type="button" (click)="takeOut()">Take it out</button>
      </section>
    }
  `,
  styles: `
    h3 {
      margin: 0 0 3px;
    }
    section {
      margin-bottom: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlateHoleCard {
  private readonly desk = inject(Desk);
  readonly at = input.required<string>();
  protected readonly units = computed(() => this.desk.shown()!.units);
  protected readonly hole = computed(() => this.desk.shown()!.plate.holes?.find((h) => h.id === this.at()));
  protected text(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.units()));
  }
  protected set(change: HoleChange): void {
    const id = this.at();
    this.desk.change(`plate hole ${id}`, (j) => plateHoleChanged(j, id, change), `plate.holes.${id}.${Object.keys(change)[0]}`);
  }
  protected takeOut(): void {
    const id = this.at();
    this.desk.change(`plate hole ${id} out`, (j) => plateHoleOut(j, id));
    this.desk.picked.set(null);
  }
}
