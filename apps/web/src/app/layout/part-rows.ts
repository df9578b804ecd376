import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { partFields, type PartField } from '@core/job/part-values';
import { withQuantity } from '@core/job/values';
import type { Quantity } from '@core/job/schema';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';

/** The numbers of one part of the joint that have a say with the job's own picks. */
@Component({
  selector: 'ms-part-rows',
  imports: [QuantityField],
  template: `
    @for (f of rows(); track f.path) {
      <ms-quantity
        [class.stacked]="f.part !== 'limits'"
        [of]="f.range"
        [label]="f.label ?? ''"
        [value]="f.value"
        [provenance]="f.part !== 'limits'"
        [system]="desk.job()!.units"
        (changed)="set(f.path, $event)"
      />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartRows {
  protected readonly desk = inject(Desk);
  readonly part = input.required<PartField['part']>();
  protected readonly rows = computed(() => {
    const job = this.desk.job();
    return job ? partFields(job).filter((f) => f.part === this.part()) : [];
  });

  protected set(path: string, q: Quantity): void {
    this.desk.change(path, (j) => withQuantity(j, path, q), path);
  }
}
