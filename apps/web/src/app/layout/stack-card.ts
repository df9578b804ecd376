import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { withClass } from '@core/job/bolt-class';
import { jobOfKind } from '@core/job/fastener-kinds';
import { HOLDINGS, isHeldByThreadOf, type FastenerKind } from '@core/job/joint';
import { changedKind } from '@core/job/kind-edits';
import { HEADS } from '@core/stock/heads';
import type { Far, Job, Quantity } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { isResolved, resolve } from '@core/job/resolve';
import { boltRows } from '@core/shop/bolt-length';
import { boltLines, tightenWords } from '@core/shop/bolt-words';
import { byFriction, FRICTION, NUT_FACTOR } from '@core/shop/tightening';
import { massOf, roughCost } from '@core/shop/weight-and-cost';
import { classesFor } from '@core/stock/fastener-classes';
import { FASTENER_SIZES, fastenerSize } from '@core/stock/fasteners';
import { metal } from '@core/stock/metals';
import { nutsFor } from '@core/stock/nuts';
import { INCH_PLATE, MM_PLATE } from '@core/stock/plate-thicknesses';
import { formatQuantity } from '@core/units/format-quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { StockRoom } from '../stock/stock-room';
import { carryStock } from '@core/job/carry-stock';
import { withSize } from './edits';

const STOCK: readonly Choice[] = [...MM_PLATE, ...INCH_PLATE].map((t) => ({ value: t.text, label: t.text }));

/** What the stack is made of: plate, fasteners, far side. Changed without leaving the plan. */
@Component({
  selector: 'ms-stack-card',
  imports: [MatButtonToggle, MatButtonToggleGroup, PickField, QuantityField],
  template: `
    @if (desk.job(); as job) {
      <section>
        <h3>Plate</h3>
        <ms-pick
          label="Thickness"
          [value]="job.plate.thickness.text"
          [choices]="stock(job.plate.thickness.text)"
          (changed)="plate($event)"
        />
        <ms-pick label="Metal" [value]="job.plate.metal" [choices]="metals()" (changed)="plateMetal($event)" />
        @if (!job.plate.outline) {
          <ms-quantity
            of="corner"
            label="Corner radius"
            [provenance]="false"
            [value]="sheetLength(job.plate.corner, job)"
            [system]="job.units"
            (changed)="setCorner($event)"
          />
        }
      </section>
      <section>
        <h3>Fasteners, {{ job.bolts.items.length }}</h3>
        @if (kinds().length > 1) {
          <mat-button-toggle-group
            class="kinds"
            aria-label="Kind of fastener"
            [hideSingleSelectionIndicator]="true"
            [value]="kind() ?? ''"
            (change)="chosen.set($event.value)"
          >
            @for (k of kinds(); track k.value) {
              <mat-button-toggle [value]="k.value">{{ k.label }}</mat-button-toggle>
            }
          </mat-button-toggle-group>
        }
        @if (inHand(); as bolts) {
          <ms-pick label="Size" [value]="bolts.size" [choices]="sizes" (changed)="size($event)" />
          <ms-pick label="Class" [value]="bolts.class" [choices]="classes()" (changed)="grade($event)" />
          <ms-pick label="Nut" [value]="bolts.nut" [choices]="nuts()" (changed)="nut($event)" />
          <ms-pick label="Hole" [value]="bolts.fit" [choices]="holes()" (changed)="fit($event)" />
        }
        @if (other(); as k) {
          <ms-pick label="Holding" [value]="k.holding ?? ''" [choices]="holdings()" (changed)="said('holding', $event)" />
          <ms-pick label="Head" [value]="k.head ?? ''" [choices]="heads()" (changed)="said('head', $event)" />
          @if (threaded(k)) {
            <ms-quantity
              of="engagement"
              [value]="k.engagement ?? job.joint.engagement"
              [system]="job.units"
              (changed)="change('thread engaged', kindPart({ engagement: $event }))"
            />
          }
        }
      </section>
      <section>
        <h3>Far side</h3>
        <ms-pick label="Under the nuts" [value]="job.far.kind" [choices]="farKinds" (changed)="far($event)" />
        @if (farPlate(); as f) {
          <ms-pick
            label="Thickness"
            [value]="f.thickness.text"
            [choices]="stock(f.thickness.text)"
            (changed)="farThickness($event)"
          />
          <ms-pick label="Metal" [value]="f.metal" [choices]="metals()" (changed)="farMetal($event)" />
          @if (f.kind === 'plate') {
            <ms-pick label="Plates" [value]="'' + (f.layers ?? 1)" [choices]="counts" (changed)="farPart({ layers: +$event })" />
            <ms-quantity
              of="past"
              label="Past the plate"
              [provenance]="false"
              [value]="sheetLength(f.past ?? 0, job)"
              [system]="job.units"
              (changed)="farPart({ past: $event.v })"
            />
          }
          @if (f.kind === 'plate washer') {
            <ms-quantity
              of="plateWasher"
              label="Side of the square"
              [provenance]="false"
              [value]="f.outside"
              [system]="job.units"
              (changed)="farPart({ outside: $event })"
            />
          }
          @if (f.kind === 'strips') {
            <ms-quantity
              of="plateWasher"
              label="Strip width"
              [provenance]="false"
              [value]="f.width"
              [system]="job.units"
              (changed)="farPart({ width: $event })"
            />
            <ms-pick label="Strips run" [value]="f.along" [choices]="ways" (changed)="farPart({ along: $any($event) })" />
          }
        }
      </section>
      @if (weight(); as w) {
        <dl>
          <dt>Mass</dt>
          <dd>{{ w.mass }}</dd>
          <dt>Rough cost</dt>
          <dd>{{ w.cost }}</dd>
          <dt>Grip</dt>
          <dd>{{ w.grip }}</dd>
          <dt>Bolts</dt>
          <dd>
            @for (b of w.bolts; track b.words) {
              <div [title]="b.ids.join(', ')">{{ b.ids.length }} {{ b.words }}</div>
            }
          </dd>
          <dt>Tighten to</dt>
          <dd [title]="w.torqueTip">{{ w.torque }}</dd>
        </dl>
      }
    }
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
    .kinds {
      --mat-button-toggle-height: 28px;

      display: flex;
      margin: 4px 0;
    }
    .kinds mat-button-toggle {
      flex: 1 1 auto;
    }
    dl {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 2px 8px;
      margin: 0;
      padding: 6px 8px;
      border: 1px solid var(--rule-strong);
      background: var(--paper);
    }
    dt {
      white-space: nowrap;
      font: 500 14.5px var(--label);
    }
    dd {
      margin: 0;
      font-weight: 600;
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StackCard {
  protected readonly desk = inject(Desk);
  protected readonly room = inject(StockRoom);
  protected readonly metals = computed(() => this.room.choices(this.desk.job()));
  protected readonly sizes: readonly Choice[] = FASTENER_SIZES.map((s) => ({ value: s.id, label: s.id }));
  protected readonly farKinds: readonly Choice[] = [
    { value: 'washer', label: 'washers' },
    { value: 'large washer', label: 'large washers' },
    { value: 'plate washer', label: 'plate washers' },
    { value: 'strips', label: 'loose strips' },
    { value: 'plate', label: 'backing plate' },
  ];
  protected readonly ways: readonly Choice[] = [
    { value: 'x', label: 'fore and aft' },
    { value: 'y', label: 'athwart' },
  ];
  protected readonly counts: readonly Choice[] = ['1', '2', '3', '4'].map((n) => ({
    value: n,
    label: n === '1' ? '1' : `${n} loose`,
  }));
  /** What is cut from plate on the far side, if anything is. */
  protected readonly farPlate = computed(() => {
    const far = this.desk.job()?.far;
    return far && 'metal' in far ? far : undefined;
  });

  /** The kind that was chosen here; that of the picked bolt until one is. */
  protected readonly chosen = linkedSignal<string, string>({
    source: () => {
      const p = this.desk.picked();
      const b = p?.kind === 'bolt' && this.desk.job()?.bolts.items.find((x) => x.id === p.id);
      return b ? (b.kind ?? '') : '-';
    },
    computation: (now, before) => (now === '-' ? (before?.value ?? '') : now),
  });
  /** The kind in hand; undefined is the joint's own. */
  protected readonly kind = computed(() => this.desk.job()?.bolts.kinds?.find((k) => k.id === this.chosen())?.id);
  protected readonly other = computed(() => this.desk.job()?.bolts.kinds?.find((k) => k.id === this.kind()));
  protected readonly kinds = computed((): readonly Choice[] => {
    const job = this.desk.job();
    if (!job?.bolts.kinds) return [];
    const count = (id: string | undefined) => job.bolts.items.filter((b) => b.kind === id).length;
    return [undefined, ...job.bolts.kinds.map((k) => k.id)].map((id) => ({
      value: id ?? '',
      label: `${jobOfKind(job, id).bolts.size} · ${count(id)}`,
    }));
  });
  protected readonly inHand = computed(() => {
    const job = this.desk.job();
    return job && jobOfKind(job, this.kind()).bolts;
  });
  private readonly family = computed(() => fastenerSize(this.inHand()?.size ?? '')?.family ?? 'metric');
  protected readonly classes = computed((): readonly Choice[] =>
    classesFor(this.family()).map((c) => ({ value: c.id, label: c.id })),
  );
  protected readonly nuts = computed((): readonly Choice[] => nutsFor(this.family()).map((n) => ({ value: n.id, label: n.id })));
  protected readonly holdings = computed((): readonly Choice[] => [
    { value: '', label: `as the joint: ${this.desk.job()?.joint.holding}` },
    ...HOLDINGS.map((h) => ({ value: h, label: h })),
  ]);
  protected readonly heads = computed((): readonly Choice[] => [
    { value: '', label: `as the joint: ${this.desk.job()?.joint.head}` },
    ...HEADS.map((h) => ({ value: h.id, label: h.name })),
  ]);
  protected threaded(k: FastenerKind): boolean {
    const holding = k.holding ?? this.desk.job()!.joint.holding;
    return isHeldByThreadOf({ holding }) || holding === 'lag screw';
  }
  /** A change of the other kind in hand. */
  protected kindPart(change: Partial<FastenerKind>): (j: Job) => Job {
    const id = this.kind()!;
    return (j) => changedKind(j, id, change);
  }
  protected said(key: 'holding' | 'head', value: string): void {
    const id = this.kind()!;
    this.change(`${key} ${value || 'as the joint'}`, (j) => {
      const kinds = j.bolts.kinds!.map((k) => {
        if (k.id !== id) return k;
        const { [key]: _was, ...rest } = k;
        return (value === '' ? rest : { ...rest, [key]: value }) as FastenerKind;
      });
      return { ...j, bolts: { ...j.bolts, kinds } };
    });
  }
  protected readonly holes = computed((): readonly Choice[] => {
    const job = this.desk.job();
    const size = fastenerSize(this.inHand()?.size ?? '');
    if (!job || !size) return [];
    return (['fine', 'medium', 'coarse'] as const).map((f) => ({
      value: f,
      label: `${f}, ${formatQuantity(size.hole[f], 'length', job.units)}`,
    }));
  });
  protected readonly weight = computed(() => {
    const job = this.desk.shown();
    const r = job && resolve(job);
    if (!job || !r || !isResolved(r)) return undefined;
    return {
      mass: formatQuantity(massOf(r), 'mass', job.units),
      cost: `about ${roughCost(r).toFixed(0)}`,
      grip: r.bolts.length > 0 ? formatQuantity(boltRows(r)[0]!.length.grip, 'length', job.units) : '–',
      bolts: boltLines(r),
      torque: r.bolts.length > 0 ? tightenWords(r) : 'nothing: it is welded',
      torqueTip: `T = K·d·F with K ${NUT_FACTOR} at 75 % of proof, for a joint taken apart again (common practice). By friction μ ${FRICTION} at 90 % of yield: ${formatQuantity(byFriction(r).torque, 'moment', job.units)} (VDI 2230).`,
    };
  });

  /** The stock list, with the present thickness in it even where it is not stock. */
  protected stock(now: string): readonly Choice[] {
    return STOCK.some((s) => s.value === now) ? STOCK : [{ value: now, label: `${now} (not stock)` }, ...STOCK];
  }

  private thickness(text: string): Quantity {
    const found = [...MM_PLATE, ...INCH_PLATE].find((t) => t.text === text)!;
    return fromSheet(found.thickness, found.text);
  }

  protected change(did: string, f: (j: Job) => Job): void {
    this.desk.change(did, f);
  }

  protected plate(text: string): void {
    this.change(`plate ${text}`, (j) => ({ ...j, plate: { ...j.plate, thickness: this.thickness(text) } }));
  }
  protected plateMetal(id: string): void {
    const own = this.room.metals();
    this.change(`plate ${metal(id, own)?.name ?? id}`, (j) => carryStock({ ...j, plate: { ...j.plate, metal: id } }, own));
  }
  protected sheetLength(v: number, job: Job): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', job.units));
  }
  protected setCorner(q: Quantity): void {
    this.desk.change('corner radius', (j) => ({ ...j, plate: { ...j.plate, corner: q.v } }), 'corner');
  }
  /** Size, class, nut and hole of the kind in hand: changed as if the joint were all of it, and written where that kind stands. */
  private changeKind(did: string, f: (j: Job) => Job): void {
    const kind = this.kind();
    this.change(did, (j) => {
      if (kind === undefined) return f(j);
      const { size, class: grade, nut, fit } = f(jobOfKind(j, kind)).bolts;
      return changedKind(j, kind, { size, class: grade, nut, fit });
    });
  }
  protected size(id: string): void {
    this.changeKind(`fastener ${id}`, (j) => withSize(j, id));
  }
  protected grade(id: string): void {
    this.changeKind(`class ${id}`, (j) => ({ ...j, bolts: withClass(j.bolts, id) }));
  }
  protected nut(id: string): void {
    this.changeKind(`nut class ${id}`, (j) => ({ ...j, bolts: { ...j.bolts, nut: id } }));
  }
  protected fit(fit: string): void {
    this.changeKind(`${fit} holes`, (j) => ({ ...j, bolts: { ...j.bolts, fit: fit as Job['bolts']['fit'] } }));
  }
  protected far(kind: string): void {
    const start = { metal: this.desk.job()!.plate.metal, thickness: fromSheet(5, '5 mm') };
    const made: Readonly<Record<string, Far>> = {
      plate: { kind: 'plate', ...start },
      'plate washer': { kind: 'plate washer', ...start, outside: fromSheet(40, '40 mm') },
      strips: { kind: 'strips', ...start, width: fromSheet(40, '40 mm'), along: 'x' },
    };
    const far: Far = made[kind] ?? { kind: kind as 'washer' | 'large washer' };
    this.change(kind === 'plate' ? 'backing plate' : kind, (j) => ({ ...j, far }));
  }
  protected farPart(x: Record<string, unknown>): void {
    this.change('far side', (j) => ('metal' in j.far ? { ...j, far: { ...j.far, ...x } as Far } : j));
  }
  protected farThickness(text: string): void {
    this.change(`far side ${text}`, (j) => ('metal' in j.far ? { ...j, far: { ...j.far, thickness: this.thickness(text) } } : j));
  }
  protected farMetal(id: string): void {
    const own = this.room.metals();
    this.change('far side metal', (j) => ('metal' in j.far ? carryStock({ ...j, far: { ...j.far, metal: id } }, own) : j));
  }
}
