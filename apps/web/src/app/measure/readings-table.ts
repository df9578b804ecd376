import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Job, Quantity } from '@core/job/schema';
import { OVER, type Pattern, type Reading } from '@core/job/survey';
import { centreOf, centresFrom } from '@core/survey/centres';
import { formatQuantity } from '@core/units/format-quantity';
import { assumed } from '@core/units/quantity';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { freeId } from '../load/edits';
import { changePattern } from './edits';

const OVER_WORDS: Readonly<Record<Reading['over'], string>> = {
  centres: 'centres',
  inside: 'inside edges',
  outside: 'outside edges',
};

/** Caliper and tape readings between holes, made into centres: chain, baseline and diagonals together. */
@Component({
  selector: 'ms-readings',
  imports: [MatButton, MatIconButton, MatIcon, QuantityField],
  template: `
    <div class="head">
      <h3>Readings</h3>
      @if (pattern().readings.length > 0) {
        <button mat-flat-button type="button" (click)="workOut()">Work out the centres</button>
      }
      <button mat-stroked-button type="button" [disabled]="pattern().holes.length < 2" (click)="add()">
        <mat-icon svgIcon="add" />Reading
      </button>
    </div>
    @if (pattern().readings.length > 0) {
      <table>
        <thead>
          <tr>
            <th>From</th>
            <th>To</th>
            <th>Way</th>
            <th>Over</th>
            <th>Reads</th>
            <th class="number">Centres</th>
            <th class="number">Off by</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          @for (r of pattern().readings; track r.id) {
            <tr [class.astray]="centres().astray.includes(r.id)">
              <td>
                <select [attr.aria-label]="r.id + ' from'" (change)="edit(r, { from: $any($event.target).value })">
                  <option value="" [selected]="r.from === ''">datum</option>
                  @for (h of pattern().holes; track h.id) {
                    <option [value]="h.id" [selected]="r.from === h.id">{{ h.id }}</option>
                  }
                </select>
              </td>
              <td>
                <select [attr.aria-label]="r.id + ' to'" (change)="edit(r, { to: $any($event.target).value })">
                  @for (h of pattern().holes; track h.id) {
                    <option [value]="h.id" [selected]="r.to === h.id">{{ h.id }}</option>
                  }
                </select>
              </td>
              <td>
                <select [attr.aria-label]="r.id + ' way'" (change)="edit(r, { way: $any($event.target).value })">
                  <option value="x" [selected]="r.way === 'x'">fore–aft</option>
                  <option value="y" [selected]="r.way === 'y'">athwart</option>
                  <option value="direct" [selected]="r.way === 'direct'">straight</option>
                </select>
              </td>
              <td>
                <select [attr.aria-label]="r.id + ' over'" (change)="edit(r, { over: $any($event.target).value })">
                  @for (o of overs; track o) {
                    <option [value]="o" [selected]="r.over === o">{{ words[o] }}</option>
                  }
                </select>
              </td>
              <td>
                <ms-quantity
                  of="reading"
                  [label]="r.from ? r.from + ' to ' + r.to : 'datum to ' + r.to"
                  class="bare"
                  [provenance]="false"
                  [value]="r.reading"
                  [system]="job().units"
                  (changed)="edit(r, { reading: $event })"
                />
              </td>
              <td class="number" [title]="sum(r)">{{ show(centre(r)) }}</td>
              <td class="number" [class.out]="off(r.id) > 0.5">{{ offText(r.id) }}</td>
              <td>
                <button mat-icon-button type="button" [attr.aria-label]="'Take out reading ' + r.id" (click)="remove(r)">
                  <mat-icon svgIcon="close" />
                </button>
              </td>
            </tr>
          }
        </tbody>
      </table>
      @if (centres().open > 0 || centres().unread.length > 0) {
        <p class="note">
          The readings leave {{ centres().open }} {{ centres().open === 1 ? 'distance' : 'distances' }} open{{
            centres().unread.length > 0 ? '; nothing was read at ' + centres().unread.join(', ') : ''
          }}: those stay as drawn.
        </p>
      }
      @if (centres().astray.length > 0) {
        <p class="warn">Readings to a hole that is not in the pattern are left out.</p>
      }
    } @else {
      <p class="note">
        Edge to edge, over the holes, centre to centre, from a datum corner, or across the diagonals: as you read it.
      </p>
    }
  `,
  styleUrl: './sheet.scss',
  styles: `
    :host {
      display: block;
      height: auto;
      margin-top: 12px;
    }
    td ms-quantity {
      --quantity-width: 76px;
    }
    .astray {
      opacity: 0.6;
    }
    select {
      max-width: 92px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingsTable {
  private readonly desk = inject(Desk);
  readonly job = input.required<Job>();
  readonly pattern = input.required<Pattern>();

  protected readonly overs = OVER;
  protected readonly words = OVER_WORDS;
  protected readonly centres = computed(() => centresFrom(this.pattern()));

  protected show(v: number): string {
    return formatQuantity(v, 'length', this.job().units);
  }

  protected centre(r: Reading): number {
    return centreOf(r, this.pattern().hole.v, false).c;
  }

  /** The arithmetic of one reading, for its tooltip. */
  protected sum(r: Reading): string {
    const { c, steps } = centreOf(r, this.pattern().hole.v);
    return `${steps[0]!.text} = ${this.show(c)}: ${steps[0]!.note}, d ${this.show(this.pattern().hole.v)}`;
  }

  protected off(id: string): number {
    return Math.abs(this.centres().residuals.find((r) => r.id === id)?.off ?? 0);
  }

  protected offText(id: string): string {
    const v = this.off(id);
    return this.centres().astray.includes(id) ? '—' : v < 0.005 ? '0' : this.job().units === 'mm' ? v.toFixed(2) : this.show(v);
  }

  private change(did: string, f: (p: Pattern) => Pattern, field?: string): void {
    this.desk.change(did, changePattern(this.pattern().id, f), field);
  }

  protected add(): void {
    const [a, b] = this.nextPair();
    this.change('add a reading', (p) => ({
      ...p,
      readings: [
        ...p.readings,
        { id: freeId(p.readings, 'M'), from: a.id, to: b.id, way: 'direct', over: 'inside', reading: this.drawn(a, b) },
      ],
    }));
  }

  /** What the reading would be as drawn, until it is taken. */
  private drawn(a: Pattern['holes'][number], b: Pattern['holes'][number]): Quantity {
    const v = Math.max(0, Math.hypot(a.x - b.x, a.y - b.y) - this.pattern().hole.v);
    return assumed(v, this.show(v));
  }

  /** The next two holes round the pattern that no reading joins yet; then the diagonals. */
  private nextPair(): readonly [Pattern['holes'][number], Pattern['holes'][number]] {
    const { holes, readings } = this.pattern();
    const n = holes.length;
    for (let step = 1; step < n; step++)
      for (let i = 0; i < n; i++) {
        const [a, b] = [holes[i]!, holes[(i + step) % n]!];
        if (!readings.some((r) => (r.from === a.id && r.to === b.id) || (r.from === b.id && r.to === a.id))) return [a, b];
      }
    return [holes[0]!, holes[1]!];
  }

  protected edit(r: Reading, change: Partial<Reading>): void {
    const field = 'reading' in change ? `${this.pattern().id}.${r.id}` : undefined;
    this.change(
      `reading ${r.id}`,
      (p) => ({ ...p, readings: p.readings.map((x) => (x.id === r.id ? { ...x, ...change } : x)) }),
      field,
    );
  }

  protected remove(r: Reading): void {
    this.change(`take out reading ${r.id}`, (p) => ({ ...p, readings: p.readings.filter((x) => x.id !== r.id) }));
  }

  protected workOut(): void {
    const { holes } = this.centres();
    this.change('centres from the readings', (p) => ({
      ...p,
      from: 'measured',
      holes: holes.map((h) => ({ id: h.id, x: Math.round(h.x * 1000) / 1000, y: Math.round(h.y * 1000) / 1000 })),
    }));
    this.desk.said.set('Centres worked out from the readings');
  }
}
