import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Corner } from '@core/geometry/outline';
import { distance } from '@core/geometry/points';
import { addedCorner, cornerAt, withCorner, withoutCorner, type CornerAt } from '@core/job/shaped';
import { lengthRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { PickField } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';

const MAKES = [
  { value: 'sharp', label: 'sharp' },
  { value: 'round', label: 'rounded' },
  { value: 'clip', label: 'clipped' },
] as const;

/** One corner of a drawn outline: its exact place, how it is made, and how far the edge after it is pulled out. */
@Component({
  selector: 'ms-corner-card',
  imports: [MatButton, PickField, QuantityField],
  template: `
    @if (corner(); as c) {
      <section class="exact">
        <h3>Corner {{ at().index + 1 }}{{ at().ring < 0 ? '' : ' of opening ' + (at().ring + 1) }}</h3>
        <ms-quantity
          of="position"
          label="Forward of centre"
          [provenance]="false"
          [value]="text(c.x)"
          [system]="units()"
          (changed)="set({ x: $event.v })"
        />
        <ms-quantity
          of="position"
          label="To port of centre"
          [provenance]="false"
          [value]="text(c.y)"
          [system]="units()"
          (changed)="set({ y: $event.v })"
        />
        <ms-pick label="It is" [value]="c.make" [choices]="makes" (changed)="make($event)" />
        @if (c.make !== 'sharp') {
          <ms-quantity
            of="corner"
            [label]="c.make === 'round' ? 'Radius' : 'Leg of the clip'"
            [provenance]="false"
            [value]="text(c.size)"
            [system]="units()"
            (changed)="set({ size: $event.v })"
          />
        }
        <ms-quantity
          [of]="rise()"
          label="Edge after it pulled out by"
          [provenance]="false"
          [value]="text(pulled())"
          [system]="units()"
          (changed)="pull($event)"
        />
        <p class="acts">
          <button mat-stroked-button type="button" (click)="add()">Corner after it</button>
          <button mat-stroked-button type="button" (click)="takeOut()">Take it out</button>
        </p>
      </section>
    }
  `,
  styles: `
    h3 {
      margin: 0 0 3px;
    }
    .acts {
      display: flex;
      gap: 6px;
      margin: 6px 0;
    }
    .acts button {
      padding: 0 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CornerCard {
  protected readonly desk = inject(Desk);
  readonly at = input.required<CornerAt>();
  protected readonly makes = MAKES;
  protected readonly units = computed(() => this.desk.job()!.units);
  protected readonly corner = computed(() => cornerAt(this.desk.job()!.plate, this.at()));
  private readonly next = computed(() => {
    const { ring, index } = this.at();
    const plate = this.desk.job()!.plate;
    return cornerAt(plate, { ring, index: index + 1 }) ?? cornerAt(plate, { ring, index: 0 })!;
  });
  private readonly chord = computed(() => distance(this.corner()!, this.next()));
  /** Height of the arc over its chord: half a circle at most, in or out. */
  protected readonly pulled = computed(() => (this.corner()!.bulge * this.chord()) / 2);
  protected readonly rise = computed(() => {
    const half = this.chord() / 2;
    return { ...lengthRange('Edge pulled out', half, 'minus'), min: -half, max: half };
  });
  protected text(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.units()));
  }

  protected set(change: Partial<Corner>): void {
    const at = this.at();
    const key = Object.keys(change)[0]!;
    this.desk.change(`corner ${at.index + 1}`, (j) => withCorner(j, at, change), `corner.${at.ring}.${at.index}.${key}`);
  }
  protected make(value: string): void {
    const make = value as Corner['make'];
    const { size } = this.corner()!;
    this.set({ make, size: make === 'sharp' ? 0 : size || 10 });
  }
  protected pull(q: Quantity): void {
    this.set({ bulge: (2 * q.v) / this.chord() });
  }
  protected add(): void {
    const at = this.at();
    this.desk.change('corner more', (j) => addedCorner(j, at));
    this.desk.picked.set({ kind: 'node', ring: at.ring, index: at.index + 1 });
  }
  protected takeOut(): void {
    const at = this.at();
    this.desk.change('corner less', (j) => withoutCorner(j, at));
    this.desk.picked.set(null);
  }
}
