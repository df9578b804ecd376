import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { placesOf, withBoltsAt, type Pattern } from '@core/job/arrays';
import type { RangeName } from '@core/job/ranges';
import { edgeName, plateCorners } from '@core/job/weld-lines';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';

type Key = 'pitch' | 'px' | 'py' | 'diameter' | 'from' | 'inside' | 'ends' | 'x' | 'y';
type Count = 'n' | 'nx' | 'ny';

const WAYS: readonly Choice[] = [
  { value: 'row', label: 'a row' },
  { value: 'grid', label: 'a grid' },
  { value: 'ring', label: 'a ring' },
  { value: 'edge', label: 'along an edge' },
];

interface Asked {
  readonly key: Key;
  readonly label: string;
  readonly of: RangeName;
}
const MIDDLE: readonly Asked[] = [
  { key: 'x', label: 'Middle, forward', of: 'position' },
  { key: 'y', label: 'Middle, to port', of: 'position' },
];
const ASKED: Readonly<Record<Pattern['of'], readonly Asked[]>> = {
  row: [{ key: 'pitch', label: 'Pitch', of: 'patternStep' }, ...MIDDLE],
  grid: [
    { key: 'px', label: 'Pitch fore and aft', of: 'patternStep' },
    { key: 'py', label: 'Pitch across', of: 'patternStep' },
    ...MIDDLE,
  ],
  ring: [
    { key: 'diameter', label: 'Pitch circle', of: 'patternStep' },
    { key: 'from', label: 'First at', of: 'slotTurn' },
    ...MIDDLE,
  ],
  edge: [
    { key: 'inside', label: 'In from the edge', of: 'patternStep' },
    { key: 'ends', label: 'First and last from its ends', of: 'bare' },
  ],
};
const COUNTS: Readonly<Record<Pattern['of'], readonly (readonly [Count, string])[]>> = {
  row: [['n', 'Bolts']],
  grid: [
    ['nx', 'Rows fore and aft'],
    ['ny', 'Rows across'],
  ],
  ring: [['n', 'Bolts']],
  edge: [['n', 'Bolts']],
};
const MM: Readonly<Record<Exclude<Key, 'from'>, number>> = {
  pitch: 60,
  px: 120,
  py: 100,
  diameter: 160,
  inside: 25,
  ends: 25,
  x: 0,
  y: 0,
};

/** Bolts set out as a pattern, exactly: in place of those that are there, or besides them. */
@Component({
  selector: 'ms-array-card',
  imports: [MatButton, PickField, QuantityField],
  template: `
    <h3>Set bolts out as</h3>
    <ms-pick label="Pattern" [value]="way()" [choices]="ways" (changed)="way.set($any($event))" />
    @if (way() === 'row') {
      <ms-pick label="It runs" [value]="along()" [choices]="runs" (changed)="along.set($any($event))" />
    }
    @if (way() === 'edge') {
      <ms-pick label="Edge" [value]="'' + edge()" [choices]="edges()" (changed)="edge.set(+$event)" />
    }
    @for (c of counts(); track c[0]) {
      <label class="count">
        <span>{{ c[1] }}</span>
        <input
          type="number"
          min="1"
          max="60"
          step="1"
          [value]="count()[c[0]]"
          (change)="counted(c[0], $any($event.target).value)"
        />
      </label>
    }
    @for (a of asked(); track a.key) {
      <ms-quantity
        [of]="a.of"
        [label]="a.label"
        [provenance]="false"
        [value]="value(a.key)"
        [system]="units()"
        (changed)="say(a.key, $event)"
      />
    }
    @if (refused()) {
      <p class="error" role="alert">{{ refused() }}</p>
    }
    <p class="acts">
      <button mat-flat-button type="button" [disabled]="refused() !== ''" (click)="put('instead')">In place of all</button>
      <button mat-stroked-button type="button" [disabled]="refused() !== ''" (click)="put('besides')">Besides</button>
    </p>
  `,
  styles: `
    h3 {
      margin: 8px 0 3px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 6px 0;
    }
    .count {
      display: flex;
      align-items: center;
      justify-content: space-between;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
    }
    .count span {
      font: 500 14.5px/1.2 var(--label);
      color: var(--ink);
    }
    .count input {
      width: 64px;
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: var(--field);
      font: 600 15px/1.3 var(--text, inherit);
      font-family: inherit;
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ArrayCard {
  private readonly desk = inject(Desk);
  private readonly job = computed(() => this.desk.job()!);
  protected readonly units = computed(() => this.job().units);
  protected readonly ways = WAYS;
  protected readonly runs: readonly Choice[] = [
    { value: 'x', label: 'fore and aft' },
    { value: 'y', label: 'athwart' },
  ];
  protected readonly way = signal<Pattern['of']>('row');
  protected readonly along = signal<'x' | 'y'>('x');
  protected readonly edge = signal(0);
  protected readonly count = signal<Record<Count, number>>({ n: 4, nx: 2, ny: 2 });
  protected readonly asked = computed(() => ASKED[this.way()]);
  protected readonly counts = computed(() => COUNTS[this.way()]);
  protected readonly edges = computed((): readonly Choice[] =>
    plateCorners(this.job()).map((_c, i) => ({ value: String(i), label: edgeName(this.job(), i) })),
  );
  private readonly typed = signal<Partial<Record<Key, Quantity>>>({});

  protected value(key: Key): Quantity {
    const own = this.typed()[key];
    if (own) return own;
    if (key === 'from') return fromSheet(0, formatQuantity(0, 'angle', this.units()));
    return fromSheet(MM[key], formatQuantity(MM[key], 'length', this.units()));
  }
  protected say(key: Key, q: Quantity): void {
    this.typed.update((t) => ({ ...t, [key]: q }));
  }
  protected counted(key: Count, text: string): void {
    this.count.update((c) => ({ ...c, [key]: Number(text) }));
  }

  private readonly pattern = computed((): Pattern => {
    const v = (key: Key) => this.value(key).v;
    const { n, nx, ny } = this.count();
    const middle = { x: v('x'), y: v('y') };
    switch (this.way()) {
      case 'row':
        return { of: 'row', n, pitch: v('pitch'), along: this.along(), middle };
      case 'grid':
        return { of: 'grid', nx, ny, px: v('px'), py: v('py'), middle };
      case 'ring':
        return { of: 'ring', n, diameter: v('diameter'), from: v('from'), middle };
      case 'edge':
        return { of: 'edge', n, edge: this.edge(), inside: v('inside'), ends: v('ends') };
    }
  });
  private readonly places = computed(() => placesOf(this.job(), this.pattern()));
  protected readonly refused = computed(() => {
    const p = this.places();
    return isRefusal(p) ? refusalText(p) : '';
  });

  protected put(how: 'instead' | 'besides'): void {
    const places = this.places();
    if (isRefusal(places)) return;
    const name = WAYS.find((w) => w.value === this.way())!.label;
    this.desk.change(`bolts as ${name}`, (j) => withBoltsAt(j, places, how));
    this.desk.picked.set(null);
  }
}
