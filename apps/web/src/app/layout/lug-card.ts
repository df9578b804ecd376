import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { SHEARS, type Lug } from '@core/job/joint';
import { newLug } from '@core/job/plain-joint';
import { FASTENER_CLASSES } from '@core/stock/fastener-classes';
import { PickField, type Choice } from '../fields/pick-field';
import { Desk } from '../job/desk';
import { StockRoom } from '../stock/stock-room';
import { carryStock } from '@core/job/carry-stock';
import { LugDrawing } from './lug-drawing';
import { PartRows } from './part-rows';
import { RatedList } from './rated-list';

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));

/** A lug, padeye or tab on the fitting with its pin. */
@Component({
  selector: 'ms-lug-card',
  imports: [LugDrawing, MatButton, MatIcon, PartRows, PickField, RatedList],
  template: `
    @if (desk.job(); as job) {
      @if (job.lug; as lug) {
        <section>
          <h3>Lug and pin</h3>
          <ms-lug-drawing [lug]="lug" />
          <ms-pick label="Rules" [value]="lug.rules" [choices]="rules" (changed)="put({ rules: $any($event) })" />
          @if (lug.rules === 'BTH-1') {
            <ms-pick label="Design factor" [value]="'' + lug.Nd" [choices]="factors" (changed)="put({ Nd: $any(+$event) })" />
          }
          <ms-pick label="Pin held" [value]="lug.shear" [choices]="shears" (changed)="put({ shear: $any($event) })" />
          <ms-pick label="Face runs" [value]="lug.along" [choices]="ways" (changed)="put({ along: $any($event) })" />
          <ms-pick label="Lug" [value]="lug.metal" [choices]="metals()" (changed)="put({ metal: $event })" />
          <ms-pick label="Pin" [value]="lug.pinClass" [choices]="classes" (changed)="put({ pinClass: $event })" />
          <ms-part-rows part="lug" />
        </section>
        <button mat-stroked-button type="button" (click)="without()"><mat-icon svgIcon="remove" />Take the lug out</button>
        <p class="note">
          BTH-1 counts working loads with its own factor 2 or 3 (lifting shops); EN counts the job’s own factors. Both take all of
          the case’s force on the pin.
        </p>
      } @else {
        <p class="note">The fitting has no lug. A padeye, a damper tab or a shackle plate is one.</p>
        <button mat-stroked-button type="button" (click)="add()"><mat-icon svgIcon="add" />Lug and pin</button>
      }
      <ms-rated-list />
    }
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LugCard {
  protected readonly desk = inject(Desk);
  protected readonly rules = same(['BTH-1', 'EN']);
  protected readonly shears = same(SHEARS);
  protected readonly factors: readonly Choice[] = [
    { value: '2', label: '2, loads well known' },
    { value: '3', label: '3, all others' },
  ];
  protected readonly ways: readonly Choice[] = [
    { value: 'x', label: 'fore and aft' },
    { value: 'y', label: 'athwart' },
  ];
  protected readonly room = inject(StockRoom);
  protected readonly metals = computed(() => this.room.choices(this.desk.job()));
  protected readonly classes = FASTENER_CLASSES.map((c) => ({ value: c.id, label: c.id }));

  protected put(x: Partial<Lug>): void {
    this.desk.change('lug', (j) => (j.lug ? carryStock({ ...j, lug: { ...j.lug, ...x } }, this.room.metals()) : j));
  }

  protected add(): void {
    this.desk.change('add a lug', (j) => ({ ...j, lug: newLug() }));
  }

  protected without(): void {
    this.desk.change('take the lug out', ({ lug: _lug, ...j }) => j);
  }
}
