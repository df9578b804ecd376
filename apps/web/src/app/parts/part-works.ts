import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { FreePart, Works } from '@core/job/free-part';
import { assumed } from '@core/job/values';
import type { Quantity } from '@core/units/quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import type { PartChange } from './part-change';

/** What a part does in the load path, so that it is judged: an arm that bends, a brace that pushes, a block that is pressed. */
@Component({
  selector: 'ms-part-works',
  imports: [MatCheckbox, PickField, QuantityField],
  template: `
    <section>
      <ms-pick label="It carries as" [value]="part().works?.as ?? ''" [choices]="ways()" (changed)="does($any($event))" />
      @if (part().works; as w) {
        <ms-quantity
          of="part"
          label="Part of the load on one"
          [value]="w.carries"
          [system]="units()"
          (changed)="put({ carries: $event })"
        />
        @if (w.as === 'block') {
          <ms-quantity
            of="wedgeAngle"
            label="Angle between its faces"
            [provenance]="false"
            [value]="w.angle ?? level"
            [system]="units()"
            (changed)="put({ angle: $event })"
          />
        } @else {
          <ms-pick
            [label]="w.as === 'arm' ? 'Load comes in at' : 'From hole'"
            [value]="w.from"
            [choices]="holes()"
            (changed)="put({ from: $event })"
          />
          <ms-pick
            [label]="w.as === 'arm' ? 'Fixed at' : 'To hole'"
            [value]="w.to"
            [choices]="holes()"
            (changed)="put({ to: $event })"
          />
          @if (w.as === 'arm') {
            <mat-checkbox [checked]="w.pinned === true" (change)="put({ pinned: $event.checked })"
              >only force comes in there: others hold it from turning</mat-checkbox
            >
          }
        }
      } @else {
        <p class="note">Until something is said here, what it carries is not judged; the verdict says so.</p>
      }
    </section>
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
    .note {
      margin: 3px 0;
      font-size: 12.5px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartWorks {
  private readonly desk = inject(Desk);
  readonly part = input.required<FreePart>();
  readonly changed = output<PartChange>();
  protected readonly units = computed(() => this.desk.job()!.units);
  protected readonly level = assumed(0, '0°');
  protected readonly ways = computed((): readonly Choice[] => {
    const two = this.part().holes.length > 1;
    return [
      { value: '', label: 'not said' },
      ...(two
        ? [
            { value: 'arm', label: 'bracket or arm, bent' },
            { value: 'brace', label: 'brace, pushed and pulled' },
          ]
        : []),
      { value: 'block', label: 'wedge or chock, pressed' },
    ];
  });
  protected readonly holes = computed((): readonly Choice[] => this.part().holes.map((h) => ({ value: h.id, label: h.id })));

  protected does(as: Works['as'] | ''): void {
    const carries: Quantity = this.part().works?.carries ?? assumed(1, '1');
    const [from, to] = [this.part().holes[0]?.id ?? '', this.part().holes.at(-1)?.id ?? ''];
    const works: Works | undefined = as === '' ? undefined : as === 'block' ? { as, carries } : { as, carries, from, to };
    this.changed.emit({
      did: works ? `part: ${works.as}` : 'part: not judged',
      f: ({ works: _was, ...p }) => (works ? { ...p, works } : p),
    });
  }
  protected put(x: Partial<{ carries: Quantity; angle: Quantity; from: string; to: string; pinned: boolean }>): void {
    this.changed.emit({
      did: `part: ${Object.keys(x)[0]}`,
      f: (p) => (p.works ? { ...p, works: { ...p.works, ...x } as Works } : p),
      field: `works.${Object.keys(x)[0]}`,
    });
  }
}
