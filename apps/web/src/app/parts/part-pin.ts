import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { FreePart } from '@core/job/free-part';
import { SHEARS, type Eye } from '@core/job/joint';
import { newPart } from '@core/job/part-edits';
import type { RangeName } from '@core/job/ranges';
import { FASTENER_CLASSES } from '@core/stock/fastener-classes';
import type { Quantity } from '@core/units/quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import type { PartChange } from './part-change';

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));
const FIELDS: readonly (readonly [
  key: 'carries' | 'pin' | 'fork' | 'gap' | 'height' | 'throat',
  of: RangeName,
  label: string,
])[] = [
  ['carries', 'part', 'Part of the load on one'],
  ['pin', 'surveyHole', 'Pin diameter'],
  ['fork', 'lug', 'Fork leg or link'],
  ['gap', 'gap', 'Gap beside it'],
  ['height', 'lugWidth', 'Hole over its weld'],
  ['throat', 'throat', 'Its weld, throat a'],
];

/** The pin of a link or a tab, with the part of the fitting's load that one of them takes: it is judged as a lug then. */
@Component({
  selector: 'ms-part-pin',
  imports: [MatCheckbox, PickField, QuantityField],
  template: `
    @if (canHave()) {
      <section>
        <mat-checkbox [checked]="!!part().eye" (change)="have($event.checked)">a pin goes through it</mat-checkbox>
        @if (part().eye; as e) {
          <ms-pick label="Through hole" [value]="e.hole" [choices]="holes()" (changed)="put({ hole: $event })" />
          <ms-pick label="Rules" [value]="e.rules" [choices]="rules" (changed)="put({ rules: $any($event) })" />
          <ms-pick label="Pin held" [value]="e.shear" [choices]="shears" (changed)="put({ shear: $any($event) })" />
          <ms-pick label="Pin class" [value]="e.pinClass" [choices]="classes" (changed)="put({ pinClass: $event })" />
          @for (f of fields(); track f.key) {
            <ms-quantity
              [of]="f.of"
              [label]="f.label"
              [provenance]="false"
              [value]="f.value"
              [system]="units()"
              (changed)="quantity(f.key, $event)"
            />
          }
          <mat-checkbox [checked]="!!e.height" (change)="stands($event.checked)"
            >it stands on its own weld, as a tab</mat-checkbox
          >
          @if (e.height) {
            <ms-pick label="Its face runs" [value]="e.along ?? ''" [choices]="ways" (changed)="faces($event)" />
          }
        }
      </section>
    }
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartPin {
  private readonly desk = inject(Desk);
  readonly part = input.required<FreePart>();
  readonly changed = output<PartChange>();
  protected readonly units = computed(() => this.desk.job()!.units);
  protected readonly rules = same(['EN', 'BTH-1']);
  protected readonly shears = same(SHEARS);
  protected readonly classes = FASTENER_CLASSES.map((c) => ({ value: c.id, label: c.id }));
  protected readonly ways: readonly Choice[] = [
    { value: '', label: 'not said: pushed across it' },
    { value: 'x', label: 'fore and aft' },
    { value: 'y', label: 'athwart' },
  ];
  protected readonly canHave = computed(() => {
    const { stock, holes } = this.part();
    return (stock.form === 'plate' || stock.form === 'flat bar') && holes.length > 0;
  });
  protected readonly holes = computed(() => same(this.part().holes.map((h) => h.id)));
  protected readonly fields = computed(() => {
    const eye = this.part().eye as Partial<Record<(typeof FIELDS)[number][0], Quantity>> | undefined;
    return FIELDS.flatMap(([key, of, label]) => {
      const value = eye?.[key];
      return value ? [{ key, of, label, value }] : [];
    });
  });
  private fresh(as: 'link' | 'tab'): Eye {
    return newPart(as, 'x', this.part().metal, this.units()).eye!;
  }

  protected put(x: Partial<Eye>): void {
    this.changed.emit({ did: 'part: pin', f: (p) => (p.eye ? { ...p, eye: { ...p.eye, ...x } } : p) });
  }
  protected faces(along: string): void {
    this.changed.emit({
      did: 'part: the way its face runs',
      f: (p) => {
        if (!p.eye) return p;
        const { along: _a, ...eye } = p.eye;
        return { ...p, eye: along === 'x' || along === 'y' ? { ...eye, along } : eye };
      },
    });
  }
  protected quantity(key: string, q: Quantity): void {
    this.changed.emit({
      did: `part: ${key}`,
      f: (p) => (p.eye ? { ...p, eye: { ...p.eye, [key]: q } } : p),
      field: `eye.${key}`,
    });
  }
  protected have(on: boolean): void {
    const eye = { ...this.fresh('link'), hole: this.part().holes[0]!.id };
    this.changed.emit({
      did: on ? 'part: a pin' : 'part: no pin',
      f: ({ eye: _was, ...p }) => (on ? { ...p, eye } : p),
    });
  }
  protected stands(on: boolean): void {
    const { height, throat } = this.fresh('tab');
    this.changed.emit({
      did: on ? 'part: on its weld' : 'part: hangs on its pins',
      f: (p) => {
        if (!p.eye) return p;
        const { height: _h, throat: _t, along: _a, ...eye } = p.eye;
        return { ...p, eye: on ? { ...eye, height: height!, throat: throat! } : eye };
      },
    });
  }
}
