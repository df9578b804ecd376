import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { FieldRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';

/** A few lengths of the shop’s way of cutting, mm, asked side by side. */
@Component({
  selector: 'ms-cut-lengths',
  imports: [QuantityField],
  template: `
    @for (key of keys(); track key) {
      <ms-quantity
        class="stacked"
        [of]="of()[key]!"
        [value]="said(key)"
        [provenance]="false"
        [system]="units()"
        (changed)="say(key, $event)"
      />
    }
    <ng-content />
  `,
  styles: `
    :host {
      display: flex;
      gap: 16px;
      margin-bottom: 6px;
    }
    ms-quantity {
      width: 150px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CutLengths {
  private readonly desk = inject(Desk);
  readonly of = input.required<Readonly<Record<string, FieldRange>>>();
  readonly now = input.required<Readonly<Record<string, number>>>();
  /** The one that was said, by its key. */
  readonly changed = output<Record<string, number>>();

  protected readonly units = computed(() => this.desk.whole()!.units);
  protected readonly keys = computed(() => Object.keys(this.of()));
  protected say(key: string, q: Quantity): void {
    this.changed.emit({ [key]: q.v });
  }
  protected said(key: string): Quantity {
    const mm = this.now()[key]!;
    return fromSheet(mm, formatQuantity(mm, 'length', this.units()));
  }
}
