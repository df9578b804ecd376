import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { jobOfKind } from '@core/job/fastener-kinds';
import { boltOfKind, boltOfNewKind, packedAt } from '@core/job/kind-edits';
import type { Quantity } from '@core/job/schema';
import { assumed } from '@core/job/values';
import { formatQuantity } from '@core/units/format-quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { moveBolt } from './edits';
import { OwnHoles } from './own-holes';

const OWN = '';
const ANOTHER = '+';

/** One bolt of the layout: its exact place, which fastener goes through, and what stands under the plate there. */
@Component({
  selector: 'ms-hole-card',
  imports: [MatButton, OwnHoles, PickField, QuantityField],
  template: `
    @if (bolt(); as b) {
      <section class="exact">
        <h3>Bolt {{ b.id }}</h3>
        <ms-quantity
          of="position"
          label="Forward of centre"
          [provenance]="false"
          [value]="length(b.x)"
          [system]="job().units"
          (changed)="place('x', $event)"
        />
        <ms-quantity
          of="position"
          label="To port of centre"
          [provenance]="false"
          [value]="length(b.y)"
          [system]="job().units"
          (changed)="place('y', $event)"
        />
        <ms-pick label="Fastener" [value]="b.kind ?? ''" [choices]="kinds()" (changed)="kind($event)" />
        @if (job().joint.packing !== 'none') {
          <ms-quantity
            of="boltPacked"
            [label]="job().joint.packing === 'spacers' ? 'Spacer here' : 'Packer here'"
            [value]="b.packed ?? job().joint.packer"
            [system]="job().units"
            (changed)="packed($event)"
          />
          @if (b.packed) {
            <p class="acts"><button mat-stroked-button type="button" (click)="packed(undefined)">As the joint’s</button></p>
          }
        }
        <ms-own-holes [at]="b.id" />
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
    .acts {
      margin: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoleCard {
  protected readonly desk = inject(Desk);
  readonly at = input.required<string>();
  protected readonly job = computed(() => this.desk.shown()!);
  protected readonly bolt = computed(() => this.job().bolts.items.find((b) => b.id === this.at()));
  protected readonly kinds = computed((): readonly Choice[] => {
    const job = this.job();
    const named = (kind: string | undefined) => {
      const { bolts, joint } = jobOfKind(job, kind);
      const held = joint.holding === job.joint.holding ? '' : `, ${joint.holding}`;
      return `${bolts.size} ${bolts.class}${held}`;
    };
    return [
      { value: OWN, label: named(undefined) },
      ...(job.bolts.kinds ?? []).map((k) => ({ value: k.id, label: named(k.id) })),
      { value: ANOTHER, label: 'another kind…' },
    ];
  });

  protected length(v: number): Quantity {
    return assumed(v, formatQuantity(v, 'length', this.job().units));
  }
  protected place(axis: 'x' | 'y', q: Quantity): void {
    const b = this.bolt()!;
    const at = { x: b.x, y: b.y, [axis]: q.v };
    this.desk.change(`place bolt ${b.id}`, (job) => moveBolt(job, b.id, at.x, at.y), `bolt.${b.id}.${axis}`);
  }
  protected kind(value: string): void {
    const id = this.at();
    if (value === ANOTHER) this.desk.change(`another fastener at ${id}`, (job) => boltOfNewKind(job, id));
    else this.desk.change(`fastener at ${id}`, (job) => boltOfKind(job, id, value === OWN ? undefined : value));
  }
  protected packed(q: Quantity | undefined): void {
    const id = this.at();
    this.desk.change(`packing at ${id}`, (job) => packedAt(job, id, q), `bolt.${id}.packed`);
  }
}
