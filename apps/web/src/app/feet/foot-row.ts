import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { USUAL_HOLDS } from '@core/job/at-foot';
import { changedFoot, madeItsOwn, madeLike, withoutFoot } from '@core/job/feet-edits';
import { RANGES, type RangeName } from '@core/job/ranges';
import type { Foot, Holds } from '@core/job/whole-job';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { PickField } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';

const PLACES = [
  ['x', 'Forward'],
  ['y', 'To port'],
  ['z', 'Up'],
] as const;
const AXES = [
  ['mx', 'about x'],
  ['my', 'about y'],
  ['mz', 'about z'],
] as const;

/** One foot: its name and place in a line; the foot in hand opens with its turn, how it is made and what it holds. */
@Component({
  selector: 'ms-foot-row',
  imports: [MatButton, MatIcon, PickField, QuantityField],
  template: `
    <header>
      @if (here()) {
        <input
          class="name"
          [attr.aria-label]="'Name of foot ' + foot().id"
          maxlength="80"
          [value]="foot().name"
          (change)="rename($any($event.target).value)"
        />
      } @else {
        <button type="button" class="unfold" (click)="desk.takeFoot(foot().id)">{{ foot().name }}</button>
      }
      <span class="note">{{ line() }}</span>
    </header>
    @if (here()) {
      <div class="fields">
        @for (p of places; track p[0]) {
          <ms-quantity
            class="stacked"
            of="footPlace"
            [label]="p[1]"
            [value]="at(p[0])"
            [provenance]="false"
            [system]="desk.job()!.units"
            (changed)="move(p[0], $event)"
          />
        }
        <ms-quantity
          class="stacked"
          of="turn"
          label="Turned"
          [value]="turn()"
          [provenance]="false"
          [system]="desk.job()!.units"
          (changed)="set({ turn: $event.v })"
        />
      </div>
      <ms-pick label="It is made" [value]="made()" [choices]="ways()" (changed)="make($event)" />
      @if (rule() === 'moments') {
        <div class="ticks" role="group" aria-label="Takes a moment">
          <span>Takes a moment</span>
          @for (a of axes; track a[0]) {
            <label
              ><input type="checkbox" [checked]="holds().takes[a[0]]" (change)="take(a[0], $any($event.target).checked)" />{{
                a[1]
              }}</label
            >
          }
        </div>
      }
      <div class="ticks">
        <label
          ><input type="checkbox" [checked]="holds().restsOnly" (change)="hold({ restsOnly: $any($event.target).checked })" />only
          rests: holds nothing down or sideways</label
        >
      </div>
      <div class="fields">
        @if (rule() === 'given') {
          <ms-quantity
            class="stacked"
            of="part"
            [value]="part()"
            [provenance]="false"
            [system]="desk.job()!.units"
            (changed)="hold({ part: $event.v })"
          />
        } @else {
          @for (k of stiff; track k[0]) {
            <ms-quantity
              class="stacked"
              of="footStiffness"
              [label]="k[1]"
              [value]="stiffness(k[0])"
              [provenance]="false"
              [system]="desk.job()!.units"
              (changed)="stiffen(k[0], $event)"
            />
          }
        }
      </div>
      <button mat-button type="button" (click)="takeOut()"><mat-icon svgIcon="delete" />Take this foot out</button>
    }
  `,
  styles: `
    :host {
      display: block;
      border: 1px solid var(--rule-strong);
      border-bottom: 0;
      padding: 3px 10px;
    }
    :host(:last-of-type) {
      border-bottom: 1px solid var(--rule-strong);
    }
    :host(.here) {
      background: var(--paper);
      box-shadow: inset 4px 0 0 var(--accent);
    }
    header {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: center;
      gap: 8px;
    }
    .name,
    .unfold {
      padding: 3px 2px;
      border: 1px solid transparent;
      background: none;
      color: var(--ink);
      font: 600 15.5px/1.2 var(--label);
      text-align: left;
    }
    .unfold {
      min-height: 26px;
      cursor: pointer;
    }
    .name:hover {
      border-color: var(--rule-strong);
    }
    .note {
      font-size: 12.5px;
      font-variant-numeric: tabular-nums;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(4, minmax(0, 1fr));
      gap: 0 10px;
      --quantity-width: 84px;
    }
    .ticks {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0 12px;
      min-height: 28px;
      font: 500 14.5px/1.2 var(--label);
    }
    .ticks label {
      display: flex;
      align-items: center;
      gap: 6px;
      min-height: 24px;
    }
    .ticks input {
      width: 16px;
      height: 16px;
      accent-color: var(--accent);
    }
  `,
  host: { '[class.here]': 'here()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FootRow {
  protected readonly desk = inject(Desk);
  readonly foot = input.required<Foot>();
  protected readonly places = PLACES;
  protected readonly axes = AXES;
  protected readonly stiff = [
    ['z', 'Stiffness, up'],
    ['x', 'along x'],
    ['y', 'along y'],
  ] as const;

  protected readonly here = computed(() => this.desk.foot() === this.foot().id);
  protected readonly rule = computed(() => this.desk.whole()!.standing.rule);
  protected readonly holds = computed((): Holds => this.foot().holds ?? USUAL_HOLDS);

  private text(v: number, of: RangeName): string {
    return formatQuantity(v, RANGES[of].dimension, this.desk.job()!.units);
  }
  protected at(key: 'x' | 'y' | 'z'): Quantity {
    return fromSheet(this.foot()[key], this.text(this.foot()[key], 'footPlace'));
  }
  protected readonly turn = computed(() => fromSheet(this.foot().turn, this.text(this.foot().turn, 'turn')));
  protected readonly part = computed(() => fromSheet(this.holds().part, this.text(this.holds().part, 'part')));
  protected stiffness(key: 'x' | 'y' | 'z'): Quantity {
    return fromSheet(this.holds().stiffness[key], String(this.holds().stiffness[key]));
  }

  protected readonly line = computed(() => {
    const { x, y, z } = this.foot();
    const at = [x, y, z].map((v) => this.text(v, 'footPlace')).join(', ');
    return `${at} · ${this.madeWords()}`;
  });
  private madeWords(): string {
    const { like } = this.foot();
    if (!like) return 'drawn here';
    const name = this.desk.whole()!.feet.find((f) => f.id === like.foot)?.name ?? like.foot;
    return `like ${name}${like.mirrored ? ', mirrored' : ''}`;
  }

  protected readonly made = computed(() => {
    const { like } = this.foot();
    return like ? `${like.foot} ${like.mirrored ? 'mirrored' : 'as drawn'}` : 'own';
  });
  protected readonly ways = computed(() => {
    const others = this.desk.whole()!.feet.filter((f) => f.design && f.id !== this.foot().id);
    return [
      { value: 'own', label: 'by itself' },
      ...others.flatMap((f) => [
        { value: `${f.id} as drawn`, label: `like ${f.name}` },
        { value: `${f.id} mirrored`, label: `like ${f.name}, mirrored` },
      ]),
    ];
  });
  protected make(value: string): void {
    const { id, name } = this.foot();
    if (value === 'own') return this.desk.changeWhole(`${name} made its own`, (w) => madeItsOwn(w, id));
    const [other, ...how] = value.split(' ');
    const mirrored = how.join(' ') === 'mirrored';
    this.desk.changeWhole(`${name} made like another`, (w) => madeLike(w, id, other!, mirrored));
  }

  protected rename(name: string): void {
    const trimmed = name.trim();
    if (trimmed.length > 0 && trimmed.length <= 80) this.set({ name: trimmed });
  }
  protected set(change: Partial<Foot>): void {
    const { id, name } = this.foot();
    const key = Object.keys(change)[0]!;
    this.desk.changeWhole(`${name}: ${key}`, (w) => changedFoot(w, id, change));
  }
  protected move(key: 'x' | 'y' | 'z', q: Quantity): void {
    this.set({ [key]: q.v });
  }
  protected hold(change: Partial<Holds>): void {
    this.set({ holds: { ...this.holds(), ...change } });
  }
  protected take(axis: 'mx' | 'my' | 'mz', on: boolean): void {
    this.hold({ takes: { ...this.holds().takes, [axis]: on } });
  }
  protected stiffen(key: 'x' | 'y' | 'z', q: Quantity): void {
    this.hold({ stiffness: { ...this.holds().stiffness, [key]: q.v } });
  }
  protected takeOut(): void {
    const { id, name } = this.foot();
    this.desk.changeWhole(`take out ${name}`, (w) => withoutFoot(w, id));
    this.desk.takeFoot('');
    this.desk.said.set(`${name} taken out`);
  }
}
