import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { MatTooltip } from '@angular/material/tooltip';
import type { Job, Load, Quantity } from '@core/job/schema';
import type { Worked } from '@core/loads/builder';
import { casesOfLoad } from '@core/loads/cases';
import { workedLoad } from '@core/loads/new-load';
import { fromTakeOff, putOf, unitDoubts } from '@core/loads/put';
import { builderOf } from '@core/loads/registry';
import type { Duration } from '@core/stock/load-duration';
import { formatQuantity } from '@core/units/format-quantity';
import { refusalText } from '@core/units/refusal';
import { FactorField } from '../fields/factor-field';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { addLoad, changeLoad, freeId, removeLoad, setValue } from './edits';

/** One load, open: what its builder asks for, the factors it uses, and its worked examples. */
@Component({
  selector: 'ms-load-card',
  imports: [MatIconButton, MatIcon, MatMenu, MatMenuItem, MatMenuTrigger, MatTooltip, FactorField, PickField, QuantityField],
  template: `
    @let b = builder();
    <p class="says">{{ b.says }}</p>
    <div class="tools">
      <button
        mat-icon-button
        type="button"
        matTooltip="Duplicate"
        [attr.aria-label]="'Duplicate ' + load().name"
        (click)="duplicate()"
      >
        <mat-icon svgIcon="content_copy" />
      </button>
      <button
        mat-icon-button
        type="button"
        matTooltip="Mirror port and starboard"
        [attr.aria-label]="'Mirror ' + load().name"
        [attr.aria-pressed]="load().mirrored"
        (click)="mirror()"
      >
        <mat-icon svgIcon="flip" />
      </button>
      <button
        mat-icon-button
        type="button"
        matTooltip="Worked examples"
        [attr.aria-label]="'Worked examples for ' + b.name"
        [matMenuTriggerFor]="examples"
      >
        <mat-icon svgIcon="menu_book" />
      </button>
      <mat-menu #examples="matMenu">
        @for (w of b.worked; track w.title) {
          <button mat-menu-item type="button" (click)="work(w)">{{ w.title }}</button>
        }
      </mat-menu>
      <button
        mat-icon-button
        type="button"
        matTooltip="Take out"
        [attr.aria-label]="'Take out ' + load().name"
        (click)="remove()"
      >
        <mat-icon svgIcon="delete" />
      </button>
      @if (load().mirrored) {
        <b class="mirrored">mirrored</b>
      }
    </div>
    @if (example(); as x) {
      <p class="example" [class.off]="!x.meets">
        <b>{{ x.symbol }} {{ x.got }}</b> here, {{ x.expected }} expected. {{ x.source }}
      </p>
    }
    @for (p of picks(); track p.key) {
      <ms-pick [label]="p.label" [value]="load().picks[p.key]!" [choices]="p.options" (changed)="pick(p.key, $event)" />
    }
    @if (tires()) {
      <ms-pick label="Stays on for" [value]="load().duration ?? 'usual'" [choices]="durations()" (changed)="stays($event)" />
    }
    @for (f of fields(); track f.key) {
      @if (f.taken !== undefined) {
        <p class="taken">
          <span>{{ f.field.range.label }}</span><b>{{ f.taken }}</b
          ><span class="note">from the take-off</span>
        </p>
      } @else {
        <ms-quantity [of]="f.field.range" [value]="load().values[f.key]!" [system]="job().units" (changed)="set(f.key, $event)" />
        @for (d of f.doubts; track d) {
          <p class="doubt" role="status">{{ d }}</p>
        }
      }
    }
    @if (refusal()) {
      <p class="error" role="alert">{{ refusal() }}</p>
    }
    @if (factors().length > 0) {
      <h4>Factors used</h4>
      @for (f of factors(); track f.key) {
        <ms-factor
          [label]="f.label + ', ' + f.symbol.replace('_', '')"
          [value]="load().factors[f.key]!"
          [usual]="f.usual"
          [low]="f.low"
          [high]="f.high"
          [source]="f.source"
          (changed)="factor(f.key, f.label, $event)"
        />
      }
    }
    <label class="alone">
      <input type="checkbox" [checked]="load().alone" (change)="alone($any($event.target).checked)" />
      judged by itself, not only in combinations
    </label>
    @for (c of b.cautions; track c) {
      <p class="caution">{{ c }}</p>
    }
    <p class="note">{{ b.source }}</p>
  `,
  styles: `
    :host {
      display: block;
      padding: 0 10px 8px;
      --quantity-width: 88px;
    }
    .says {
      margin: 2px 0;
      font-size: 13px;
      color: var(--ink-soft);
    }
    .tools {
      display: flex;
      align-items: center;
      margin-left: -8px;
    }
    .mirrored {
      font: 600 13.5px var(--label);
      color: var(--accent);
    }
    [aria-pressed='true'] {
      color: var(--accent);
    }
    h4 {
      margin: 10px 0 0;
      font: 600 14.5px var(--label);
    }
    .taken {
      display: flex;
      align-items: baseline;
      gap: 8px;
      margin: 0;
      padding: 5px 0;
      border-bottom: 1px solid var(--rule);
      font: 500 14.5px/1.2 var(--label);
    }
    .taken b {
      margin-left: auto;
      font-family: var(--text);
    }
    .doubt,
    .example {
      margin: 2px 0 4px;
      padding: 4px 8px;
      border-left: 4px solid var(--accent);
      background: var(--accent-soft);
      font-size: 12.5px;
    }
    .example.off {
      border-left-style: dashed;
    }
    .alone {
      display: flex;
      gap: 6px;
      align-items: center;
      margin-top: 8px;
      font: 500 14px var(--label);
    }
    .caution {
      margin: 6px 0 0;
      font-size: 12.5px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadCard {
  private readonly desk = inject(Desk);
  readonly job = input.required<Job>();
  readonly load = input.required<Load>();

  protected readonly builder = computed(() => builderOf(this.load().kind));
  protected readonly picks = computed(() =>
    Object.entries(this.builder().picks).map(([key, p]) => ({ key, label: p.label, options: p.options as readonly Choice[] })),
  );
  protected readonly factors = computed(() => Object.entries(this.builder().factors).map(([key, f]) => ({ key, ...f })));
  protected readonly fields = computed(() => {
    const load = this.load();
    const b = this.builder();
    const silent = new Set<string>(b.unused?.(load.picks) ?? []);
    const taken = fromTakeOff(load);
    const doubts = unitDoubts(load);
    return Object.entries(b.fields)
      .filter(([key]) => !silent.has(key))
      .map(([key, field]) => ({
        key,
        field,
        taken: key in taken ? formatQuantity(taken[key]!, field.range.dimension, this.job().units) : undefined,
        doubts: doubts.filter((d) => d.key === key).map((d) => d.says),
      }));
  });
  protected readonly refusal = computed(() => {
    const r = this.builder().refuses?.(putOf(this.load()));
    return r ? refusalText(r) : '';
  });

  /** Where the load still has a worked example's name: the figure expected, beside the one that comes out. */
  protected readonly example = computed(() => {
    const load = this.load();
    const w = this.builder().worked.find((x) => x.title.slice(0, 80) === load.name);
    if (!w) return undefined;
    const step = casesOfLoad(load)[w.expect.caseIndex]?.steps.find((s) => s.symbol === w.expect.symbol);
    const show = (v: number) =>
      step?.unit === 'N' || step?.unit === 'N·mm'
        ? formatQuantity(v, step.unit === 'N' ? 'force' : 'moment', this.job().units)
        : `${v.toFixed(v < 10 ? 2 : 0)} ${step?.unit ?? ''}`;
    return {
      symbol: w.expect.symbol.replace('_', ''),
      got: step ? show(step.value) : '—',
      expected: show(w.expect.value),
      meets: step !== undefined && Math.abs(step.value - w.expect.value) <= w.expect.within,
      source: w.source,
    };
  });

  private change(did: string, f: (l: Load) => Load, field?: string): void {
    this.desk.change(`${this.load().name}: ${did}`, changeLoad(this.load().id, f), field);
  }

  protected set(key: string, q: Quantity): void {
    const { id, name } = this.load();
    this.desk.change(`${name}: ${this.builder().fields[key]!.range.label}`, setValue(id, key, q), `${id}.${key}`);
  }

  protected pick(key: string, value: string): void {
    this.change(this.builder().picks[key]!.label, (l) => ({ ...l, picks: { ...l.picks, [key]: value } }));
  }

  protected factor(key: string, label: string, value: number): void {
    this.change(label, (l) => ({ ...l, factors: { ...l.factors, [key]: value } }));
  }

  /** Wood, plastics and glue hold less the longer a load stays: only there is it asked. */
  protected readonly tires = computed(
    () => ['timber', 'plywood', 'laminate', 'sandwich'].includes(this.job().skin.kind) || this.job().joint.bedding === 'bonded',
  );
  protected readonly durations = computed((): readonly Choice[] => [
    { value: 'usual', label: 'as usual for its kind' },
    { value: 'permanent', label: 'over ten years' },
    { value: 'long', label: 'half a year to ten' },
    { value: 'medium', label: 'a week to half a year' },
    { value: 'short', label: 'under a week' },
    { value: 'instantaneous', label: 'a moment' },
  ]);

  protected stays(how: string): void {
    this.change('how long it stays', ({ duration: _, ...l }) => (how === 'usual' ? l : { ...l, duration: how as Duration }));
  }

  protected alone(on: boolean): void {
    this.change(on ? 'judged alone' : 'in combinations only', (l) => ({ ...l, alone: on }));
  }

  protected mirror(): void {
    this.change('mirror', (l) => ({ ...l, mirrored: !l.mirrored }));
  }

  protected duplicate(): void {
    const load = this.load();
    const copy = { ...load, id: freeId(this.job().loads, 'L'), name: `${load.name} (copy)`.slice(0, 80) };
    this.desk.change('duplicate load', addLoad(copy));
  }

  protected work(w: Worked): void {
    const { kind, id } = this.load();
    this.change('worked example', () => workedLoad(kind, w, id));
  }

  protected remove(): void {
    this.desk.change(`take out ${this.load().name}`, removeLoad(this.load().id));
  }
}
