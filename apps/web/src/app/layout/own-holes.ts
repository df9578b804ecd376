import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { holesAt } from '@core/job/bolt-holes';
import { holesChanged } from '@core/job/kind-edits';
import type { Quantity } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { formatQuantity } from '@core/units/format-quantity';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';

type Layer = 'plate' | 'slot' | 'skin' | 'backing';

/** The holes one bolt goes through, layer by layer: as its fit says, or typed; a slot of any length and turn in the plate. */
@Component({
  selector: 'ms-own-holes',
  imports: [MatButton, QuantityField],
  template: `
    <h4>Its hole, layer by layer</h4>
    @for (row of rows(); track row.layer) {
      <ms-quantity
        [of]="row.of"
        [label]="row.label"
        [provenance]="false"
        [value]="row.value"
        [system]="job().units"
        (changed)="set(row.layer, $event)"
      />
    }
    @if (slot(); as s) {
      <ms-quantity
        of="slotTurn"
        label="Turned, fore to port"
        [provenance]="false"
        [value]="turn()"
        [system]="job().units"
        (changed)="turned($event)"
      />
    }
    <p class="acts">
      @if (slot()) {
        <button mat-stroked-button type="button" (click)="unslot()">Round again</button>
      } @else {
        <button mat-stroked-button type="button" (click)="makeSlot()">Make it a slot</button>
      }
      @if (bolt()?.holes) {
        <button mat-stroked-button type="button" (click)="clear()">As its fit says</button>
      }
    </p>
  `,
  styles: `
    h4 {
      margin: 8px 0 3px;
      font-weight: 600;
    }
    .acts {
      display: flex;
      gap: 6px;
      flex-wrap: wrap;
      margin: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnHoles {
  private readonly desk = inject(Desk);
  readonly at = input.required<string>();
  protected readonly job = computed(() => this.desk.shown()!);
  protected readonly bolt = computed(() => this.job().bolts.items.find((b) => b.id === this.at()));
  private readonly holes = computed(() => {
    const b = this.bolt();
    return b && holesAt(this.job(), b);
  });
  protected readonly slot = computed(() => this.bolt()?.holes?.slot);
  protected readonly rows = computed(() => {
    const holes = this.holes();
    if (!holes) return [];
    const own = this.bolt()!.holes;
    const slotted = own?.slot;
    const row = (layer: Layer, label: string, v: number) => ({
      layer,
      label,
      of: layer === 'slot' ? ('slotLong' as const) : ('ownHole' as const),
      value: own?.[layer] ?? this.length(v),
    });
    return [
      row('plate', slotted ? 'Plate, slot wide' : 'Plate', holes.plate),
      ...(slotted ? [row('slot', 'Plate, slot long', slotted.v)] : []),
      row('skin', 'Skin', holes.skin),
      ...('metal' in this.job().far ? [row('backing', 'Backing', holes.backing)] : []),
    ];
  });
  protected readonly turn = computed((): Quantity => {
    const v = this.bolt()?.holes?.turn ?? 0;
    return fromSheet(v, formatQuantity(v, 'angle', this.job().units));
  });

  private length(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.job().units));
  }
  protected set(layer: Layer, q: Quantity): void {
    const id = this.at();
    this.desk.change(`hole at ${id}`, (job) => holesChanged(job, id, { [layer]: q }), `bolt.${id}.holes.${layer}`);
  }
  protected turned(q: Quantity): void {
    const id = this.at();
    this.desk.change(`slot at ${id} turned`, (job) => holesChanged(job, id, { turn: q.v }), `bolt.${id}.holes.turn`);
  }
  protected makeSlot(): void {
    const id = this.at();
    const long = 2 * this.holes()!.plate;
    this.desk.change(`slot at ${id}`, (job) => holesChanged(job, id, { slot: this.length(long), turn: 0 }));
  }
  protected unslot(): void {
    const id = this.at();
    this.desk.change(`round hole at ${id}`, (job) => holesChanged(job, id, { slot: undefined, turn: undefined }));
  }
  protected clear(): void {
    const id = this.at();
    const none = { plate: undefined, slot: undefined, turn: undefined, skin: undefined, backing: undefined };
    this.desk.change(`holes at ${id} as its fit says`, (job) => holesChanged(job, id, none));
  }
}
