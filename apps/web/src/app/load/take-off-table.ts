import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Job, Load, Quantity } from '@core/job/schema';
import { builderOf } from '@core/loads/registry';
import { PART_KINDS, PART_RANGES, takeOff, type Part } from '@core/loads/take-off';
import { formatQuantity } from '@core/units/format-quantity';
import { assumed, fromSheet } from '@core/units/quantity';
import { isRefusal, type Refusal } from '@core/units/refusal';
import { CsvImport, type ReadRows } from '../fields/csv-import';
import { Importer } from '../imports/importer';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { changeLoad, freeId } from './edits';

/** Weight take-off: what the load is made of, its total, its centroid and each line's share. */
@Component({
  selector: 'ms-take-off',
  imports: [MatButton, MatIconButton, MatIcon, CsvImport, QuantityField],
  template: `
    <div class="bar">
      <button mat-stroked-button type="button" (click)="add()"><mat-icon svgIcon="add" />Line</button>
      <button mat-stroked-button type="button" (click)="importing.set(!importing())">
        <mat-icon svgIcon="table_view" />From a table
      </button>
      @if (total(); as t) {
        <p class="total">
          <b>{{ show(t.mass, 'mass') }}</b> at {{ show(t.centroid.x, 'length') }} forward, {{ show(t.centroid.y, 'length') }} to
          port, {{ show(t.centroid.z, 'length') }} up
        </p>
      }
    </div>
    @if (importing()) {
      <ms-csv-import
        what="Name, kind, mass, x, y, z, with their units in the headings or the cells"
        example="name;mass (kg);x (mm);z (mm)&#10;Frame;42,5;0;310"
        [reader]="reader"
        (taken)="take($event)"
        (done)="importing.set(false)"
      />
    }
    @if (load().parts.length > 0) {
      <table>
        <thead>
          <tr>
            <th>What, and its kind</th>
            <th>Mass</th>
            <th>Forward</th>
            <th>To port</th>
            <th>Up</th>
            <th>Share</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          @for (p of load().parts; track p.id; let i = $index) {
            <tr>
              <td>
                <input
                  class="word"
                  [attr.aria-label]="'What is line ' + p.id"
                  maxlength="80"
                  [title]="p.name"
                  [value]="p.name"
                  (change)="rename(p, $any($event.target).value)"
                />
                <select
                  [attr.aria-label]="'Kind of ' + p.name"
                  [value]="p.kind"
                  (change)="edit(p, 'kind', $any($event.target).value)"
                >
                  @for (k of kinds; track k) {
                    <option [value]="k" [selected]="k === p.kind">{{ k }}</option>
                  }
                </select>
              </td>
              @for (k of keys; track k) {
                <td>
                  <ms-quantity
                    class="bare"
                    [of]="ranges[k]"
                    [label]="ranges[k].label + ' of ' + p.name"
                    [provenance]="false"
                    [value]="p[k]"
                    [system]="job().units"
                    (changed)="edit(p, k, $event)"
                  />
                </td>
              }
              <td class="share">{{ percent(i) }}</td>
              <td>
                <button mat-icon-button type="button" [attr.aria-label]="'Take out ' + p.name" (click)="remove(p)">
                  <mat-icon svgIcon="close" />
                </button>
              </td>
            </tr>
          }
        </tbody>
      </table>
      <p class="note">
        Its total{{ names().z ? ' and centroid stand' : ' stands' }} in for the builder’s own
        {{ names().z ? 'mass and centre' : 'mass' }}. The centroid is drawn on the picture.
      </p>
    } @else {
      <p class="note">
        No lines yet: the builder’s own mass is used. Add what the load is made of, one by one or from a table, and the total and
        centroid take its place.
      </p>
    }
  `,
  styles: `
    .bar {
      display: flex;
      align-items: center;
      flex-wrap: wrap;
      gap: 6px;
      margin-bottom: 6px;
    }
    .total {
      margin: 0 0 0 8px;
    }
    .total b {
      font: 600 19px var(--label);
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th {
      font: 600 13px var(--label);
      text-align: left;
    }
    td {
      padding: 1px 3px 1px 0;
      border-bottom: 1px solid var(--rule);
    }
    .word {
      width: 100%;
      min-width: 0;
      padding: 3px 4px;
      text-overflow: ellipsis;
      border: 1px solid var(--rule);
      background: var(--field);
      font: 500 14px var(--text);
      color: var(--ink);
    }
    select {
      min-height: 25px;
      margin-top: 1px;
      padding: 1px 0;
      border: 0;
      background: var(--field);
      color: var(--ink);
      font: 500 13px var(--label);
    }
    ms-quantity {
      --quantity-width: 70px;
    }
    td:first-child {
      width: 99%;
    }
    .share {
      font-weight: 600;
      text-align: right;
      white-space: nowrap;
    }
    td:last-child button {
      margin-right: -8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeOffTable {
  private readonly desk = inject(Desk);
  readonly job = input.required<Job>();
  readonly load = input.required<Load>();

  protected readonly kinds = PART_KINDS;
  protected readonly ranges = PART_RANGES;
  protected readonly keys = ['mass', 'x', 'y', 'z'] as const;
  protected readonly importing = signal(false);
  protected readonly total = computed(() => takeOff(this.load().parts));
  protected readonly names = computed(() => builderOf(this.load().kind).takeOff ?? { mass: '' });

  private readonly importer = inject(Importer);
  protected readonly reader = async (text: string): Promise<ReadRows<Part> | Refusal> => {
    const read = await this.importer.read('take-off', text, this.job().units);
    return isRefusal(read) ? read : { rows: read.parts, errors: read.errors };
  };

  private change(did: string, f: (parts: readonly Part[]) => readonly Part[], field?: string): void {
    this.desk.change(
      `${this.load().name}: ${did}`,
      changeLoad(this.load().id, (l) => ({ ...l, parts: f(l.parts) })),
      field,
    );
  }

  protected show(v: number, dimension: 'mass' | 'length'): string {
    return formatQuantity(v, dimension, this.job().units);
  }

  protected percent(i: number): string {
    const share = this.total()?.shares[i];
    return share === undefined ? '' : `${(share * 100).toFixed(0)} %`;
  }

  protected add(): void {
    const zero = fromSheet(0, '0');
    this.change('add a line', (parts) => [
      ...parts,
      { id: freeId(parts, 'P'), name: 'Equipment', kind: 'equipment', mass: assumed(10, '10 kg'), x: zero, y: zero, z: zero },
    ]);
  }

  protected take(rows: readonly Part[]): void {
    this.change('take-off from a table', (parts) =>
      rows.reduce<readonly Part[]>((all, p) => [...all, { ...p, id: freeId(all, 'P') }], parts),
    );
  }

  protected edit(p: Part, key: 'kind' | 'mass' | 'x' | 'y' | 'z', value: Quantity | string): void {
    this.change(
      `${p.name} ${key}`,
      (parts) => parts.map((x) => (x.id === p.id ? ({ ...x, [key]: value } as Part) : x)),
      `${this.load().id}.${p.id}.${key}`,
    );
  }

  protected rename(p: Part, name: string): void {
    const trimmed = name.trim().slice(0, 80);
    if (trimmed) this.change('rename a line', (parts) => parts.map((x) => (x.id === p.id ? { ...x, name: trimmed } : x)));
  }

  protected remove(p: Part): void {
    this.change(`take out ${p.name}`, (parts) => parts.filter((x) => x.id !== p.id));
  }
}
