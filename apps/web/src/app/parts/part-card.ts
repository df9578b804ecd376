import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { carryStock } from '@core/job/carry-stock';
import { PART_USES, type FreePart } from '@core/job/free-part';
import { changedPart, withoutPart } from '@core/job/part-edits';
import { isResolved, resolve } from '@core/job/resolve';
import { cutParts } from '@core/shop/cut-parts';
import { refusalText } from '@core/units/refusal';
import { PickField, type Choice } from '../fields/pick-field';
import { Desk } from '../job/desk';
import { StockRoom } from '../stock/stock-room';
import { PartHoles } from './part-holes';
import { PartPin } from './part-pin';
import { PartStock } from './part-stock';
import { PartWorks } from './part-works';

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));
const COUNTS = same(Array.from({ length: 60 }, (_, i) => String(i + 1)));

/** One part in hand: its name and use, its stock, holes and pin. Plate and backing are changed on the plan and in the stack. */
@Component({
  selector: 'ms-part-card',
  imports: [MatButton, MatIcon, PartHoles, PartPin, PartStock, PartWorks, PickField],
  template: `
    @if (part(); as p) {
      <section>
        <label class="named">
          Name
          <input #name [value]="p.name" maxlength="80" (change)="rename(name)" />
        </label>
        <ms-pick label="It is a" [value]="p.use" [choices]="uses" (changed)="put('use', { use: $any($event) })" />
        <ms-pick label="How many" [value]="'' + p.count" [choices]="counts" (changed)="put('count', { count: +$event })" />
        <ms-pick label="Metal" [value]="p.metal" [choices]="metals()" (changed)="metal($event)" />
        <label class="named">
          Fixed to
          <input #on [value]="p.on ?? ''" maxlength="80" placeholder="plate, lug, another part" (change)="fixed(on.value)" />
        </label>
      </section>
      @for (no of refused(); track no) {
        <p class="error" role="alert">{{ no }}</p>
      }
      <ms-part-stock [part]="p" (changed)="change($event)" />
      <ms-part-holes [part]="p" (changed)="change($event)" />
      <ms-part-pin [part]="p" (changed)="change($event)" />
      @if (!p.eye) {
        <ms-part-works [part]="p" (changed)="change($event)" />
      }
      <button mat-stroked-button type="button" (click)="takeOut()"><mat-icon svgIcon="delete" />Take this part out</button>
    } @else if (other(); as o) {
      <h3>{{ o.name }}</h3>
      <p class="note">It is drawn on the plan: change its outline and holes there, its metal and thickness in the stack.</p>
      <button mat-stroked-button type="button" (click)="closed.emit()"><mat-icon svgIcon="architecture" />To the plan</button>
    } @else {
      <p class="note">Press a piece to see and change it, or add one from stock.</p>
    }
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
    h3 {
      margin: 0 0 4px;
    }
    .named {
      display: grid;
      grid-template-columns: 84px minmax(0, 1fr);
      align-items: center;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
      font: 500 14.5px/1.2 var(--label);
    }
    .named input {
      padding: 4px 6px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: var(--field);
      color: var(--ink);
      font: 600 15px var(--label);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartCard {
  protected readonly desk = inject(Desk);
  private readonly room = inject(StockRoom);
  readonly at = input.required<string>();
  readonly closed = output<void>();
  protected readonly uses = same(PART_USES);
  protected readonly counts = COUNTS;
  protected readonly metals = computed(() => this.room.choices(this.desk.job()));
  protected readonly part = computed(() => this.desk.job()?.parts?.find((p) => p.id === this.at()));
  protected readonly other = computed(() => {
    const job = this.desk.job();
    const r = job && resolve(job);
    return r && isResolved(r) ? cutParts(r).find((p) => p.id === this.at()) : undefined;
  });
  /** What cannot be made of this part. */
  protected readonly refused = computed((): readonly string[] => {
    const job = this.desk.job();
    const r = job && resolve(job);
    if (!r || isResolved(r)) return [];
    const i = job.parts?.findIndex((p) => p.id === this.at()) ?? -1;
    return r.filter((x) => x.field.startsWith(`parts.${i}`)).map(refusalText);
  });

  protected change(c: { readonly did: string; readonly f: (p: FreePart) => FreePart; readonly field?: string }): void {
    const id = this.at();
    this.desk.change(c.did, (j) => changedPart(j, id, c.f), c.field && `part.${id}.${c.field}`);
  }
  protected put(what: string, x: Partial<FreePart>): void {
    this.change({ did: `part: ${what}`, f: (p) => ({ ...p, ...x }) });
  }
  /** A name that says nothing is put back. */
  protected rename(field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name === '') field.value = this.part()!.name;
    else this.put('name', { name });
  }
  protected fixed(on: string): void {
    this.change({
      did: 'part: fixed to',
      f: ({ on: _was, ...p }) => (on.trim() === '' ? p : { ...p, on: on.trim() }),
    });
  }
  protected metal(id: string): void {
    const own = this.room.metals();
    const at = this.at();
    this.desk.change('part: metal', (j) =>
      carryStock(
        changedPart(j, at, (p) => ({ ...p, metal: id })),
        own,
      ),
    );
  }
  protected takeOut(): void {
    const id = this.at();
    const { name } = this.part()!;
    this.desk.change(`take out ${name}`, (j) => withoutPart(j, id));
    this.desk.said.set(`${name} taken out`);
  }
}
