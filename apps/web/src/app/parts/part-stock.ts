import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatIcon } from '@angular/material/icon';
import { outlineBounds } from '@core/geometry/outline';
import { SHAPES, type ShapeId } from '@core/geometry/shapes';
import { BEND_WAYS, type FreePart, type StockForm } from '@core/job/free-part';
import { withBend, withoutBend } from '@core/job/part-edits';
import type { RangeName } from '@core/job/ranges';
import { lengthRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { PickField } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import type { PartChange } from './part-change';

type BendWay = (typeof BEND_WAYS)[number];

/** The plain dimensions of each form, in the order they are called out at the counter. */
const DIMENSIONS: Readonly<Record<StockForm['form'], readonly (readonly [key: string, of: RangeName, label: string])[]>> = {
  plate: [['thickness', 'plateThickness', 'Thickness']],
  'flat bar': [
    ['width', 'sectionWidth', 'Width'],
    ['thickness', 'plateThickness', 'Thickness'],
  ],
  angle: [
    ['leg', 'sectionWidth', 'Leg that is drawn'],
    ['other', 'sectionWidth', 'Other leg'],
    ['thickness', 'plateThickness', 'Thickness'],
    ['length', 'partLength', 'Length'],
  ],
  'square tube': [
    ['width', 'sectionWidth', 'Width'],
    ['depth', 'sectionWidth', 'Depth'],
    ['wall', 'wall', 'Wall'],
    ['length', 'partLength', 'Length'],
  ],
  'round tube': [
    ['outside', 'sectionWidth', 'Outside'],
    ['wall', 'wall', 'Wall'],
    ['length', 'partLength', 'Length'],
  ],
  'round bar': [
    ['diameter', 'sectionWidth', 'Diameter'],
    ['length', 'partLength', 'Length'],
  ],
};

/** What a part is cut from: its form's dimensions, a plate's shape, a bar's legs and bends. */
@Component({
  selector: 'ms-part-stock',
  imports: [MatButton, MatCheckbox, MatIcon, PickField, QuantityField],
  template: `
    <section>
      <h3>From {{ part().stock.form }}</h3>
      @for (d of dimensions(); track d.key) {
        <ms-quantity
          [of]="d.of"
          [label]="d.label"
          [provenance]="false"
          [value]="d.value"
          [system]="units()"
          (changed)="dimension(d.key, $event)"
        />
      }
      @if (plate(); as o) {
        <ms-pick label="Shape" [value]="shape()" [choices]="shapes" (changed)="shape.set($any($event)); draw({})" />
        <ms-quantity
          [of]="size"
          label="Length"
          [provenance]="false"
          [value]="show(o.length)"
          [system]="units()"
          (changed)="draw({ length: $event.v })"
        />
        <ms-quantity
          [of]="size"
          label="Width"
          [provenance]="false"
          [value]="show(o.width)"
          [system]="units()"
          (changed)="draw({ width: $event.v })"
        />
        @if (asksPart(); as label) {
          <ms-quantity
            [of]="size"
            [label]="label"
            [provenance]="false"
            [value]="show(detail())"
            [system]="units()"
            (changed)="detail.set($event.v); draw({})"
          />
        }
      }
      @if (bar(); as b) {
        @for (leg of b.legs; track $index) {
          <ms-quantity
            of="partLength"
            [label]="b.legs.length > 1 ? 'Leg ' + ($index + 1) + ', outside' : 'Length'"
            [provenance]="false"
            [value]="leg"
            [system]="units()"
            (changed)="legAt($index, $event)"
          />
          @if (b.bends[$index]; as bend) {
            <ms-quantity
              of="bendAngle"
              [label]="'Bend ' + ($index + 1)"
              [provenance]="false"
              [value]="bend.angle"
              [system]="units()"
              (changed)="bendAt($index, { angle: $event })"
            />
            <ms-pick label="Made by" [value]="bend.made ?? 'press'" [choices]="ways" (changed)="made($index, $any($event))" />
            @if (bend.made === 'kerf') {
              <ms-quantity
                of="throat"
                label="Its weld, throat a"
                [provenance]="false"
                [value]="bend.throat ?? show(0)"
                [system]="units()"
                (changed)="bendAt($index, { throat: $event })"
              />
            } @else {
              <ms-quantity
                of="foldRadius"
                label="Inside radius"
                [provenance]="false"
                [value]="bend.radius"
                [system]="units()"
                (changed)="bendAt($index, { radius: $event })"
              />
            }
            <mat-checkbox [checked]="bend.up" (change)="bendAt($index, { up: $event.checked })">bent up</mat-checkbox>
          }
        }
        <p class="acts">
          <button mat-stroked-button type="button" (click)="more()"><mat-icon svgIcon="add" />Bend</button>
          <button mat-stroked-button type="button" [disabled]="b.bends.length === 0" (click)="less()">
            <mat-icon svgIcon="remove" />Bend
          </button>
        </p>
        @if (b.bends.length === 0) {
          <mat-checkbox [checked]="b.rounded === true" (change)="rounded($event.checked)">half-round ends</mat-checkbox>
        }
      }
    </section>
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
    h3 {
      margin: 0 0 3px;
    }
    .acts {
      display: flex;
      gap: 6px;
      margin: 6px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartStock {
  private readonly desk = inject(Desk);
  readonly part = input.required<FreePart>();
  readonly changed = output<PartChange>();
  protected readonly units = computed(() => this.desk.job()!.units);
  protected readonly size = lengthRange('Size', 3000);
  protected readonly ways = BEND_WAYS.map((value) => ({ value, label: value }));
  protected readonly shapes = SHAPES.map((s) => ({ value: s.id, label: s.name }));
  /** The ready shape it is drawn as next; what is drawn stays until a size or a shape is said. */
  protected readonly shape = signal<ShapeId>('gusset');
  protected readonly detail = signal(15);
  protected readonly asksPart = computed(() => SHAPES.find((s) => s.id === this.shape())!.part);

  protected readonly dimensions = computed(() => {
    const { stock } = this.part();
    const of = stock as unknown as Record<string, Quantity>;
    return DIMENSIONS[stock.form].map(([key, range, label]) => ({ key, of: range, label, value: of[key]! }));
  });
  protected readonly plate = computed(() => {
    const { stock } = this.part();
    if (stock.form !== 'plate') return undefined;
    const { x0, x1, y0, y1 } = outlineBounds(stock.outline);
    return { length: x1 - x0, width: y1 - y0 };
  });
  protected readonly bar = computed(() => {
    const { stock } = this.part();
    return stock.form === 'flat bar' ? stock : undefined;
  });

  protected show(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.units()));
  }
  private stock(did: string, field: string, f: (s: StockForm) => StockForm): void {
    this.changed.emit({ did: `part: ${did}`, f: (p) => ({ ...p, stock: f(p.stock) }), field });
  }
  protected dimension(key: string, q: Quantity): void {
    this.stock(key, key, (s) => ({ ...s, [key]: q }) as StockForm);
  }
  protected draw(x: Partial<{ length: number; width: number }>): void {
    const sizes = { ...this.plate()!, ...x, part: this.detail() };
    const { corners, openings } = SHAPES.find((s) => s.id === this.shape())!.of(sizes);
    const outline = { corners: [...corners], openings: openings.map((ring) => [...ring]) };
    this.stock('shape', 'shape', (s) => (s.form === 'plate' ? { ...s, outline } : s));
  }
  protected legAt(k: number, q: Quantity): void {
    this.stock(`leg ${k + 1}`, `leg.${k}`, (s) =>
      s.form === 'flat bar' ? { ...s, legs: s.legs.map((l, i) => (i === k ? q : l)) } : s,
    );
  }
  /** A kerf begins with a weld of half the thickness. */
  protected made(k: number, made: BendWay): void {
    this.stock(`bend ${k + 1} by ${made}`, `bend.${k}.made`, (s) => {
      if (s.form !== 'flat bar') return s;
      return {
        ...s,
        bends: s.bends.map((b, i) => {
          if (i !== k) return b;
          const { throat: _was, ...plain } = b;
          return made === 'kerf' ? { ...plain, made, throat: this.show(s.thickness.v / 2) } : { ...plain, made };
        }),
      };
    });
  }
  protected bendAt(k: number, x: Partial<{ angle: Quantity; radius: Quantity; throat: Quantity; up: boolean }>): void {
    this.stock(`bend ${k + 1}`, `bend.${k}.${Object.keys(x)[0]}`, (s) =>
      s.form === 'flat bar' ? { ...s, bends: s.bends.map((b, i) => (i === k ? { ...b, ...x } : b)) } : s,
    );
  }
  protected more(): void {
    const { units, ownStock } = this.desk.job()!;
    this.changed.emit({ did: 'part: one bend more', f: (p) => withBend(p, units, ownStock.metals) });
  }
  protected less(): void {
    this.changed.emit({ did: 'part: one bend less', f: withoutBend });
  }
  protected rounded(on: boolean): void {
    this.stock('ends', 'ends', (s) => {
      if (s.form !== 'flat bar') return s;
      const { rounded: _was, ...bar } = s;
      return on ? { ...bar, rounded: true } : bar;
    });
  }
}
