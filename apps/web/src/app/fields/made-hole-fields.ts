import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { HOLE_PURPOSES, type MadeHole } from '@core/job/made-hole';
import { formatQuantity, type UnitSystem } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { PickField, type Choice } from './pick-field';
import { QuantityField } from './quantity-field';

/** What is changed of a hole; undefined takes it away. */
export type HoleChange = { [K in keyof MadeHole]?: MadeHole[K] | undefined };

/** How wide a hole is, whether it is a slot and how that lies, and what it is for. */
@Component({
  selector: 'ms-made-hole-fields',
  imports: [MatButton, PickField, QuantityField],
  template: `
    <ms-quantity
      of="ownHole"
      [label]="hole().slot ? 'Slot wide' : 'Diameter'"
      [provenance]="false"
      [value]="hole().d"
      [system]="units()"
      (changed)="changed.emit({ d: $event })"
    />
    @if (hole().slot; as s) {
      <ms-quantity
        of="slotLong"
        label="Slot long"
        [provenance]="false"
        [value]="s"
        [system]="units()"
        (changed)="changed.emit({ slot: $event })"
      />
      <ms-quantity
        of="slotTurn"
        label="Turned"
        [provenance]="false"
        [value]="turn()"
        [system]="units()"
        (changed)="changed.emit({ turn: $event.v })"
      />
    }
    <ms-pick label="For" [value]="hole().purpose" [choices]="purposes" (changed)="changed.emit({ purpose: $any($event) })" />
    @if (hole().slot) {
      <button mat-button type="button" (click)="changed.emit({ slot: undefined, turn: undefined })">Round again</button>
    } @else {
      <button mat-button type="button" (click)="slotted()">Make it a slot</button>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MadeHoleFields {
  readonly hole = input.required<MadeHole>();
  readonly units = input.required<UnitSystem>();
  readonly changed = output<HoleChange>();
  protected readonly purposes: readonly Choice[] = HOLE_PURPOSES.map((value) => ({ value, label: value }));
  protected readonly turn = computed((): Quantity => {
    const v = this.hole().turn ?? 0;
    return fromSheet(v, formatQuantity(v, 'angle', this.units()));
  });
  protected slotted(): void {
    const long = 2 * this.hole().d.v;
    this.changed.emit({ slot: fromSheet(long, formatQuantity(long, 'length', this.units())), turn: 0 });
  }
}
