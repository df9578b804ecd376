import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { FreePart } from '@core/job/free-part';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { MadeHoleFields } from '../fields/made-hole-fields';
import type { PartChange } from './part-change';

type Hole = FreePart['holes'][number];

/** The holes of a part: where, how wide, and what for. */
@Component({
  selector: 'ms-part-holes',
  imports: [MadeHoleFields, MatButton, MatIcon, PickField, QuantityField],
  template: `
    <section>
      <h3>Holes, {{ part().holes.length }}</h3>
      @for (h of part().holes; track h.id) {
        <fieldset>
          <legend>{{ h.id }}</legend>
          @if (legs().length > 1) {
            <ms-pick label="In leg" [value]="'' + (h.leg ?? 0)" [choices]="legs()" (changed)="put(h.id, { leg: +$event })" />
          }
          <ms-quantity
            of="position"
            [label]="legs().length > 1 ? 'From its outside' : 'Along, from the middle'"
            [provenance]="false"
            [value]="show(h.x)"
            [system]="units()"
            (changed)="put(h.id, { x: $event.v })"
          />
          <ms-quantity
            of="position"
            label="Across, from the middle"
            [provenance]="false"
            [value]="show(h.y)"
            [system]="units()"
            (changed)="put(h.id, { y: $event.v })"
          />
          <ms-made-hole-fields [hole]="h" [units]="units()" (changed)="put(h.id, $event)" />
          <button mat-button type="button" (click)="takeOut(h.id)"><mat-icon svgIcon="close" />Take hole {{ h.id }} out</button>
        </fieldset>
      }
      <button mat-stroked-button type="button" (click)="add()"><mat-icon svgIcon="add" />Hole</button>
    </section>
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
    h3 {
      margin: 0 0 3px;
    }
    fieldset {
      margin: 0 0 8px;
      padding: 2px 8px 4px;
      border: 1px solid var(--rule-strong);
    }
    legend {
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartHoles {
  private readonly desk = inject(Desk);
  readonly part = input.required<FreePart>();
  readonly changed = output<PartChange>();
  protected readonly units = computed(() => this.desk.job()!.units);
  protected readonly legs = computed((): readonly Choice[] => {
    const { stock } = this.part();
    return stock.form === 'flat bar' ? stock.legs.map((_l, i) => ({ value: String(i), label: `leg ${i + 1}` })) : [];
  });

  protected show(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.units()));
  }
  protected put(id: string, x: { [K in keyof Hole]?: Hole[K] | undefined }): void {
    this.changed.emit({
      did: `part: hole ${id}`,
      f: (p) => ({ ...p, holes: p.holes.map((h) => (h.id === id ? changed(h, x) : h)) }),
      field: `hole.${id}.${Object.keys(x)[0]}`,
    });
  }
  protected add(): void {
    const used = new Set(this.part().holes.map((h) => h.id));
    let n = 1;
    while (used.has(`D${n}`)) n++;
    const d = this.show(9);
    const { stock } = this.part();
    const x = stock.form === 'flat bar' && stock.bends.length > 0 ? 20 : 0;
    const hole: Hole = { id: `D${n}`, x, y: 0, d, purpose: 'fastener' };
    this.changed.emit({ did: 'part: one hole more', f: (p) => ({ ...p, holes: [...p.holes, hole] }) });
  }
  protected takeOut(id: string): void {
    this.changed.emit({ did: `part: hole ${id} out`, f: (p) => ({ ...p, holes: p.holes.filter((h) => h.id !== id) }) });
  }
}

/** What becomes undefined goes. */
function changed(h: Hole, x: { [K in keyof Hole]?: Hole[K] | undefined }): Hole {
  return Object.fromEntries(Object.entries({ ...h, ...x }).filter(([, v]) => v !== undefined)) as Hole;
}
