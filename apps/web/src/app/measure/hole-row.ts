import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Quantity } from '@core/job/schema';
import type { UnitSystem } from '@core/units/format-quantity';
import { QuantityField } from '../fields/quantity-field';

/** One hole by its centre: forward and to port. */
@Component({
  selector: 'ms-hole-row',
  imports: [MatIconButton, MatIcon, QuantityField],
  template: `
    <b>{{ name() }}</b>
    <ms-quantity
      of="position"
      [whose]="name()"
      label="forward"
      [provenance]="false"
      [kept]="true"
      [value]="x()"
      [system]="system()"
      (changed)="moved.emit({ axis: 'x', q: $event })"
    />
    <ms-quantity
      of="position"
      [whose]="name()"
      label="to port"
      [provenance]="false"
      [kept]="true"
      [value]="y()"
      [system]="system()"
      (changed)="moved.emit({ axis: 'y', q: $event })"
    />
    <button mat-icon-button type="button" [attr.aria-label]="'Take out ' + called() + ' ' + name()" (click)="removed.emit()">
      <mat-icon svgIcon="close" />
    </button>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 30px 1fr 1fr 30px;
      gap: 8px;
      align-items: center;
    }
    ms-quantity {
      border-bottom: 0;
      padding: 1px 0;
      --quantity-width: 78px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoleRow {
  readonly name = input.required<string>();
  /** What kind of hole, for its button. */
  readonly called = input('hole');
  readonly x = input.required<Quantity>();
  readonly y = input.required<Quantity>();
  readonly system = input.required<UnitSystem>();
  readonly moved = output<{ readonly axis: 'x' | 'y'; readonly q: Quantity }>();
  readonly removed = output<void>();
}
