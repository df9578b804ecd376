import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, type OnDestroy } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { MatTooltip } from '@angular/material/tooltip';
import { RANGES, type RangeName } from '@core/job/ranges';
import type { Provenance, Quantity } from '@core/job/schema';
import { readValue } from '@core/job/values';
import { medianAndSpread } from '@core/units/median';
import { MAX_READINGS } from '@core/units/quantity';
import type { FieldRange } from '@core/units/field-range';
import { formatQuantity, otherSystem, type UnitSystem } from '@core/units/format-quantity';
import type { GaugeTable } from '@core/units/gauges';
import { textIn } from '@core/units/text-in';
import { wordsIn } from '@core/units/words-in';
import { isRefusal, type Refusal } from '@core/units/refusal';
import { Bench, type Landing } from '../instruments/bench';
import { Desk } from '../job/desk';
import { TypedAs } from './typed-as';

const WORDS: Readonly<Record<Provenance, { icon: string; word: string }>> = {
  assumed: { icon: 'diamond', word: 'assumed' },
  measured: { icon: 'straighten', word: 'measured' },
  sheet: { icon: 'description', word: 'from a sheet' },
};

let count = 0;

/** One number of the job card: reads what people type, keeps it as typed, and says where it came from. */
@Component({
  selector: 'ms-quantity',
  imports: [MatIcon, MatMenu, MatMenuItem, MatMenuTrigger, MatTooltip],
  template: `
    <label [for]="id"
      ><span class="visually-hidden">{{ whose() ? whose() + ' ' : '' }}</span
      >{{ label() || range().label }}</label
    >
    <span class="line" [class.bad]="refusal()" [class.assumed]="value().from === 'assumed'" [class.lands]="lands()">
      <input
        [id]="id"
        type="text"
        autocomplete="off"
        spellcheck="false"
        [value]="typed()"
        [attr.aria-invalid]="refusal() ? true : null"
        [attr.aria-describedby]="refusal() ? id + '-error' : null"
        [matTooltip]="tip()"
        (input)="read($any($event.target).value)"
        (focus)="pick()"
        (blur)="leave()"
        (keydown.enter)="enter($any($event.target))"
        (keydown.escape)="back($event)"
      />
      @if (provenance()) {
        <button
          type="button"
          class="from"
          [matMenuTriggerFor]="menu"
          [attr.aria-label]="
            (whose() ? whose() + ' ' : '') +
            (label() || range().label) +
            ': ' +
            words[value().from].word +
            '. Change where it came from'
          "
          [matTooltip]="source()"
        >
          @if (value().from === 'assumed') {
            <span class="diamond" aria-hidden="true">◇</span>
          } @else {
            <mat-icon aria-hidden="true" [svgIcon]="words[value().from].icon" />
          }
          <span>{{ words[value().from].word }}</span>
        </button>
        <mat-menu #menu="matMenu">
          @for (from of kinds; track from) {
            <button mat-menu-item (click)="set(from)"><mat-icon [svgIcon]="words[from].icon" />{{ words[from].word }}</button>
          }
        </mat-menu>
      }
    </span>
    @if (how()) {
      <span class="how" [class.wide]="wide()">{{ how() }}{{ wide() ? ': readings differ, click in and read again' : '' }}</span>
    }
    @if (refusal(); as r) {
      <span class="error" [id]="id + '-error'" role="alert">{{ inUnits(r.because) }} — allowed: {{ inUnits(r.allowed) }}</span>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: center;
      gap: 0 10px;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
    }
    /* In a table the heading names it; the label stays for those who cannot see the heading. */
    :host(.bare) {
      grid-template-columns: auto;
      justify-content: start;
      border: 0;
      padding: 1px 0;
    }
    :host(.bare) label {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
      white-space: nowrap;
    }
    label {
      position: relative;
      font: 500 14.5px/1.2 var(--label);
    }
    /* In a narrow card the name stands over its number. */
    :host(.stacked) label {
      grid-column: 1 / -1;
    }
    :host(.stacked) .line {
      grid-column: 1 / -1;
      justify-content: flex-end;
    }
    .line {
      display: flex;
      align-items: center;
      gap: 4px;
    }
    input {
      width: var(--quantity-width, 96px);
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: var(--field);
      color: var(--ink);
      font: 600 14px/1.3 var(--text);
      font-variant-numeric: tabular-nums;
      text-align: right;
    }
    .assumed input {
      border-style: dashed;
      background: var(--card);
    }
    .lands input {
      box-shadow: 0 0 0 2px var(--structure-edge);
    }
    .how {
      grid-column: 1 / -1;
      font-size: 12px;
      text-align: right;
      color: var(--ink-soft);
    }
    .wide {
      color: var(--bad);
      font-weight: 600;
    }
    .bad input {
      border: 2px solid var(--bad);
    }
    .from {
      display: inline-flex;
      align-items: center;
      gap: 3px;
      width: 96px;
      padding: 2px 4px;
      border: 0;
      border-radius: 2px;
      background: none;
      color: var(--ink-soft);
      font: 500 13px/1.2 var(--label);
      cursor: pointer;
    }
    .from:hover {
      background: var(--rule);
    }
    .from mat-icon {
      font-size: 16px;
      width: 16px;
      height: 16px;
      line-height: 16px;
    }
    .diamond {
      width: 16px;
      text-align: center;
    }
    .assumed .from {
      color: var(--ink);
      font-weight: 600;
    }
    .error {
      grid-column: 1 / -1;
      font-size: 12.5px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class QuantityField implements Landing, OnDestroy {
  private readonly desk = inject(Desk);
  private readonly bench = inject(Bench);

  readonly value = input.required<Quantity>();
  /** A range by name, or the range itself. */
  readonly of = input.required<RangeName | FieldRange>();
  readonly system = input.required<UnitSystem>();
  readonly label = input('');
  /** What it is a number of, for those who cannot see what it stands beside. */
  readonly whose = input('');
  readonly gauges = input<GaugeTable>();
  readonly provenance = input(true);
  /** Its provenance is kept beside it, by whoever shows it. */
  readonly kept = input(false);
  /** A value typed here was measured, though the field has no room to say so. */
  readonly measuring = input(false);
  readonly changed = output<Quantity>();

  private readonly typedAs = inject(TypedAs);
  protected readonly id = `q${++count}`;
  protected readonly words = WORDS;
  protected readonly kinds: readonly Provenance[] = ['measured', 'assumed', 'sheet'];
  protected readonly range = computed((): FieldRange => {
    const of = this.of();
    return typeof of === 'string' ? RANGES[of] : of;
  });
  /** The person's own text while typing, and after it while it is refused: nothing typed is lost. */
  private readonly own = signal<string | null>(null);
  protected readonly typed = computed(() => this.own() ?? textIn(this.system(), this.value(), this.range().dimension));
  protected readonly refusal = signal<Refusal | null>(null);
  protected readonly tip = computed(() => {
    const { v } = this.value();
    const { dimension } = this.range();
    return dimension === 'ratio' || dimension === 'angle' || dimension === 'count'
      ? this.inUnits(this.range().allowed)
      : `${formatQuantity(v, dimension, this.system())} = ${otherSystem(v, dimension, this.system())}`;
  });

  /** Readings taken since this field was clicked into, inside units. */
  private readonly series = signal<readonly number[]>([]);
  protected readonly lands = computed(() => this.bench.landing() === this && this.bench.link() !== 'closed');
  private readonly readings = computed(() => this.value().readings ?? this.series());
  protected readonly how = computed(() => {
    const r = this.readings();
    if (r.length < 2) return '';
    const { spread } = medianAndSpread(r);
    const by = this.value().with;
    return `median of ${r.length}, spread ${this.show(spread)}${by ? ` · ${by}` : ''}`;
  });
  /** Readings of one thing that lie farther apart than any of the instruments scatters. */
  protected readonly wide = computed(() => {
    const r = this.readings();
    const { dimension } = this.range();
    if (r.length < 2 || (dimension !== 'length' && dimension !== 'angle')) return false;
    return medianAndSpread(r).spread > (dimension === 'length' ? 1.5 : Math.PI / 180);
  });
  /** Where it came from: "measured, caliper, 14 Mar 2026, 09:30". */
  protected readonly source = computed(() => {
    const { from, at, with: by } = this.value();
    const when =
      at && from === 'measured' ? new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' }) : '';
    return [WORDS[from].word, from === 'measured' ? by : '', when].filter(Boolean).join(', ');
  });

  private show(v: number): string {
    const { dimension } = this.range();
    // The spread of a caliper is in hundredths, finer than a length is shown otherwise.
    return dimension === 'length' && this.system() === 'mm' ? `${v.toFixed(2)} mm` : formatQuantity(v, dimension, this.system());
  }

  protected inUnits(words: string): string {
    return wordsIn(words, this.system());
  }

  name(): string {
    return this.label() || this.range().label;
  }

  /** Clicked into: readings start anew, so that a bad one is read over and not averaged in. */
  protected pick(): void {
    this.series.set([]);
    this.bench.landing.set(this);
  }

  /** A reading of an instrument: three or more give their median, and their spread shows. */
  take(text: string, at: string, instrument: string): { taken: boolean; says: string } {
    const read = readValue(text, this.of(), this.system(), 'measured', at, this.gauges());
    if (isRefusal(read)) return { taken: false, says: `not taken by ${this.name()}: ${read.because}; allowed: ${read.allowed}.` };
    const readings = [...this.series(), read.v].slice(-MAX_READINGS);
    this.series.set(readings);
    const { median, spread } = medianAndSpread(readings);
    this.own.set(null);
    this.refusal.set(null);
    this.changed.emit({
      v: median,
      text: readings.length === 1 ? read.text : this.textOf(median),
      from: 'measured',
      at,
      with: instrument,
      ...(readings.length > 1 ? { readings } : {}),
    });
    const n = readings.length;
    return {
      taken: true,
      says:
        n === 1 ? `in ${this.name()}.` : `in ${this.name()}, median ${this.textOf(median)} of ${n}, spread ${this.show(spread)}.`,
    };
  }

  private textOf(v: number): string {
    const { dimension } = this.range();
    return dimension === 'length' && this.system() === 'mm'
      ? `${Number(v.toFixed(2))} mm`
      : formatQuantity(v, dimension, this.system());
  }

  /** Enter leaves the field; under an instrument that types, it ends a reading and makes way for the next. */
  protected enter(box: HTMLInputElement): void {
    if (!this.bench.typed() || this.refusal()) return this.leave();
    const { taken, says } = this.take(box.value, new Date().toISOString(), 'typed by an instrument');
    this.bench.said.set({ text: says, bad: !taken });
    this.desk.leaveField();
    queueMicrotask(() => box.select());
  }

  ngOnDestroy(): void {
    if (this.bench.landing() === this) this.bench.landing.set(null);
  }

  protected read(text: string): void {
    const from = this.measuring()
      ? 'measured'
      : this.provenance() || this.kept()
        ? this.typedAs.of(this.value().from)
        : this.value().from;
    const read = readValue(text, this.of(), this.system(), from, new Date().toISOString(), this.gauges());
    // Typed over by hand it is one value again; an instrument that types ends each reading with Enter.
    if (!this.bench.typed()) this.series.set([]);
    this.own.set(text);
    this.refusal.set(isRefusal(read) ? read : null);
    if (!isRefusal(read)) this.changed.emit(read);
  }

  protected leave(): void {
    if (!this.refusal()) this.own.set(null);
    this.desk.leaveField();
  }

  protected back(event: Event): void {
    event.stopPropagation();
    this.own.set(null);
    this.refusal.set(null);
  }

  protected set(from: Provenance): void {
    const { at: _at, with: _with, readings: _readings, ...rest } = this.value();
    this.series.set([]);
    this.changed.emit({ ...rest, from, ...(from === 'measured' ? { at: new Date().toISOString() } : {}) });
    this.desk.leaveField();
  }
}
