import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Rated } from '@core/job/rated';
import { assumed } from '@core/job/values';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';

/** Eye bolts, shackles and other bought fittings, held to their makers' ratings. */
@Component({
  selector: 'ms-rated-list',
  imports: [MatButton, MatIcon, PickField, QuantityField],
  template: `
    <h3>Rated fittings</h3>
    @for (x of rated(); track x.id) {
      <fieldset>
        <legend>{{ x.name }}</legend>
        <ms-pick label="It is" [value]="x.kind" [choices]="kinds" (changed)="put(x.id, { kind: $any($event), name: $event })" />
        <ms-quantity
          of="wll"
          label="Working load limit"
          [value]="x.wll"
          [system]="units()"
          (changed)="put(x.id, { wll: $event })"
        />
        <ms-pick label="Its axis" [value]="x.axis" [choices]="axes" (changed)="put(x.id, { axis: $any($event) })" />
        <ms-quantity
          of="part"
          label="Part of the load on one"
          [value]="x.carries"
          [system]="units()"
          (changed)="put(x.id, { carries: $event })"
        />
        <button mat-button type="button" (click)="takeOut(x.id)"><mat-icon svgIcon="close" />Take it out</button>
      </fieldset>
    }
    <button mat-stroked-button type="button" (click)="add()"><mat-icon svgIcon="add" />Eye bolt or shackle</button>
  `,
  styles: `
    h3 {
      margin: 12px 0 3px;
    }
    fieldset {
      margin: 0 0 8px;
      padding: 2px 8px 4px;
      border: 1px solid var(--rule-strong);
    }
    legend {
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RatedList {
  private readonly desk = inject(Desk);
  protected readonly units = computed(() => this.desk.job()!.units);
  protected readonly rated = computed(() => this.desk.job()!.rated ?? []);
  protected readonly kinds: readonly Choice[] = ['eye bolt', 'shackle', 'other'].map((value) => ({ value, label: value }));
  protected readonly axes: readonly Choice[] = [
    { value: 'z', label: 'up from the plate' },
    { value: 'x', label: 'fore and aft' },
    { value: 'y', label: 'athwart' },
  ];

  private list(did: string, f: (list: readonly Rated[]) => readonly Rated[], field?: string): void {
    this.desk.change(
      did,
      ({ rated = [], ...j }) => {
        const next = f(rated);
        return next.length === 0 ? j : { ...j, rated: [...next] };
      },
      field,
    );
  }
  protected put(id: string, x: Partial<Rated>): void {
    this.list(
      `rated fitting ${id}`,
      (all) => all.map((r) => (r.id === id ? { ...r, ...x } : r)),
      `rated.${id}.${Object.keys(x)[0]}`,
    );
  }
  protected add(): void {
    const used = new Set(this.rated().map((r) => r.id));
    let n = 1;
    while (used.has(`R${n}`)) n++;
    const fresh: Rated = {
      id: `R${n}`,
      name: 'eye bolt',
      kind: 'eye bolt',
      wll: assumed(3400, '3.4 kN'),
      axis: 'z',
      carries: assumed(1, '1'),
    };
    this.list('a rated fitting', (all) => [...all, fresh]);
  }
  protected takeOut(id: string): void {
    this.list(`rated fitting ${id} out`, (all) => all.filter((r) => r.id !== id));
  }
}
