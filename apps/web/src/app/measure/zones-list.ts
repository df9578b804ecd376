import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { withSkinKind } from '@core/job/skin-kinds';
import { carryStock } from '@core/job/carry-stock';
import { outlineOf } from '@core/job/outlines';
import type { Quantity } from '@core/job/schema';
import { CORES, type ZoneSkin } from '@core/job/skin';
import type { Zone } from '@core/job/survey';
import { SKIN_ROWS } from '@core/job/values';
import { coreValues } from '@core/stock/cores';
import { PLYWOODS } from '@core/stock/skins';
import { TIMBER_CLASSES } from '@core/stock/timber';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet } from '@core/units/quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { freeId } from '../load/edits';
import { StockRoom } from '../stock/stock-room';
import { changeSurvey } from './edits';

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));
const KINDS: readonly Choice[] = [
  { value: 'sheet', label: 'metal sheet' },
  { value: 'laminate', label: 'solid laminate' },
  { value: 'sandwich', label: 'sandwich' },
  { value: 'plywood', label: 'plywood' },
  { value: 'timber', label: 'timber' },
];

/** Zones where the panel's skin is another: solid in a cored deck, a doubled or repaired part. Bolts there are judged by it. */
@Component({
  selector: 'ms-zones',
  imports: [MatButton, MatIconButton, MatIcon, PickField, QuantityField],
  template: `
    <div class="head">
      <h2>Zones of another skin</h2>
      <button mat-stroked-button type="button" [disabled]="zones().length >= 8" (click)="add()">
        <mat-icon svgIcon="add" />Zone
      </button>
    </div>
    @for (z of zones(); track z.id) {
      <div class="zone">
        <b>{{ z.id }}</b>
        <input
          class="word"
          [attr.aria-label]="'Note on zone ' + z.id"
          placeholder="solid, doubled, repaired"
          maxlength="80"
          [value]="z.note"
          (change)="put(z, { note: $any($event.target).value }, 'note')"
        />
        <button mat-icon-button type="button" [attr.aria-label]="'Take out zone ' + z.id" (click)="takeOut(z)">
          <mat-icon svgIcon="close" />
        </button>
        @for (c of corners; track c.key) {
          <ms-quantity
            of="position"
            [label]="c.label"
            [provenance]="false"
            [value]="place(z[c.key])"
            [system]="units()"
            (changed)="corner(z, c.key, $event.v)"
          />
        }
        <ms-pick class="wide" label="Skin there" [value]="z.skin.kind" [choices]="kinds" (changed)="kind(z, $any($event))" />
        @if (made(z); as m) {
          <ms-pick
            class="wide"
            [label]="m.label"
            [value]="m.value"
            [choices]="m.choices"
            (changed)="material(z, m.key, $event)"
          />
        }
        <ms-quantity
          class="wide"
          of="skinThickness"
          [value]="z.skin.thickness"
          [system]="units()"
          (changed)="skin(z, 'thickness', $event)"
        />
        @for (row of rows(z); track row[0]) {
          <ms-quantity
            class="wide"
            [of]="row[1]"
            [value]="valueOf(z, row[0])"
            [system]="units()"
            (changed)="skin(z, row[0], $event)"
          />
        }
      </div>
    } @empty {
      <p class="note">One skin all over. Where it is cored here and solid there, two layers or a repair: mark the zone.</p>
    }
  `,
  styleUrl: './sheet.scss',
  styles: `
    :host {
      display: block;
      margin-top: 16px;
    }
    .zone {
      display: grid;
      grid-template-columns: 1fr 1fr 30px;
      gap: 0 10px;
      align-items: center;
      margin-top: 8px;
      padding: 4px 8px;
      border: 1px solid var(--rule-strong);
      background: var(--card);
    }
    .zone b {
      grid-column: 1;
    }
    .zone ms-quantity {
      grid-column: span 3;
      border-bottom: 0;
      padding: 1px 0;
    }
    .wide {
      grid-column: span 3;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ZonesList {
  private readonly desk = inject(Desk);
  private readonly room = inject(StockRoom);
  private readonly job = computed(() => this.desk.job()!);
  protected readonly units = computed(() => this.job().units);
  protected readonly zones = computed(() => this.job().survey.zones ?? []);
  protected readonly kinds = KINDS;
  protected readonly corners = [
    { key: 'x0', label: 'from, aft' },
    { key: 'x1', label: 'to, fore' },
    { key: 'y0', label: 'from, starboard' },
    { key: 'y1', label: 'to, port' },
  ] as const;

  protected place(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.units()));
  }
  protected rows = (z: Zone) => SKIN_ROWS[z.skin.kind];
  protected valueOf(z: Zone, key: string): Quantity {
    return (z.skin as unknown as Record<string, Quantity>)[key]!;
  }
  protected made(z: Zone): { label: string; key: string; value: string; choices: readonly Choice[] } | undefined {
    const s = z.skin;
    if (s.kind === 'sheet') return { label: 'Metal', key: 'metal', value: s.metal, choices: this.room.choices(this.job(), true) };
    if (s.kind === 'plywood')
      return { label: 'Grade', key: 'grade', value: s.grade, choices: PLYWOODS.map((p) => ({ value: p.id, label: p.name })) };
    if (s.kind === 'timber') return { label: 'Class', key: 'grade', value: s.grade, choices: same(TIMBER_CLASSES) };
    if (s.kind === 'sandwich') return { label: 'Core', key: 'core', value: s.core, choices: same(CORES) };
    return undefined;
  }

  private list(did: string, f: (zones: readonly Zone[]) => readonly Zone[], field?: string): void {
    const own = this.room.metals();
    this.desk.change(
      did,
      (j) => {
        const { zones = [], ...rest } = j.survey;
        const next = f(zones);
        return carryStock(
          changeSurvey(() => ({}))({ ...j, survey: next.length === 0 ? rest : { ...rest, zones: [...next] } }),
          own,
        );
      },
      field,
    );
  }
  protected put(z: Zone, x: Partial<Zone>, key: string): void {
    this.list(`zone ${z.id}`, (all) => all.map((o) => (o.id === z.id ? { ...o, ...x } : o)), `zone.${z.id}.${key}`);
  }
  protected corner(z: Zone, key: 'x0' | 'x1' | 'y0' | 'y1', v: number): void {
    this.put(z, { [key]: v }, key);
  }
  protected skin(z: Zone, key: string, q: Quantity): void {
    this.put(z, { skin: { ...z.skin, [key]: q } as ZoneSkin }, key);
  }
  /** Another core brings its own values, assumed until the maker's stand there. */
  protected material(z: Zone, key: string, value: string): void {
    const core = key === 'core' ? coreValues(value) : {};
    this.put(z, { skin: { ...z.skin, [key]: value, ...core } as ZoneSkin }, 'material');
  }
  protected kind(z: Zone, kind: ZoneSkin['kind']): void {
    this.put(z, { skin: this.skinOf(kind) }, 'kind');
  }
  private skinOf(kind: ZoneSkin['kind']): ZoneSkin {
    const job = this.job();
    // As another skin of a whole panel would begin, less the panel.
    const { spanX: _x, spanY: _y, aft: _a, starboard: _s, bedModulus: _b, ...skin } = withSkinKind(job, kind).skin;
    return { ...skin, thickness: { ...job.skin.thickness, from: 'assumed' } } as ZoneSkin;
  }
  protected add(): void {
    const { x1, y0, y1 } = outlineOf(this.job());
    const fresh = (all: readonly Zone[]): Zone => ({
      id: freeId(all, 'Z'),
      note: '',
      x0: 0,
      x1: x1 + 20,
      y0: y0 - 20,
      y1: y1 + 20,
      skin: this.skinOf('laminate'),
    });
    this.list('mark a zone', (all) => [...all, fresh(all)]);
  }
  protected takeOut(z: Zone): void {
    this.list(`take out zone ${z.id}`, (all) => all.filter((o) => o.id !== z.id));
  }
}
