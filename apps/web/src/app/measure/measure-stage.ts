import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import { BED_MODULUS } from '@core/job/new-job';
import type { RangeName } from '@core/job/ranges';
import type { Job, Quantity, Skin } from '@core/job/schema';
import { assumed, assumedValues, namedValues, skinGauges } from '@core/job/values';
import { METALS } from '@core/stock/metals';
import { PLYWOODS } from '@core/stock/skins';
import { formatQuantity } from '@core/units/format-quantity';
import { panelView, PlateDrawing } from '../drawing/plate-drawing';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';

type BaseKey = 'length' | 'width' | 'thickness' | 'hole' | 'slot';
type SkinKey = 'thickness' | 'spanX' | 'spanY' | 'aft' | 'starboard' | 'bedModulus';

/** Measure: what is really there. Each value is assumed, and marked, until it is measured or taken from a sheet. */
@Component({
  selector: 'ms-measure-stage',
  imports: [MatButton, MatIconButton, MatIcon, MatTooltip, PickField, QuantityField, PlateDrawing],
  templateUrl: './measure-stage.html',
  styleUrl: './measure-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasureStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly job = computed(() => this.desk.job()!);
  protected readonly view = computed(() => panelView(this.job()));
  protected readonly gauges = computed(() => skinGauges(this.job()));
  protected readonly assumed = computed(() => assumedValues(this.job()).filter((n) => n.stage === 'measure'));
  protected readonly all = computed(() => namedValues(this.job()).filter((n) => n.stage === 'measure').length);

  protected readonly baseRows: readonly { key: BaseKey; of: RangeName }[] = [
    { key: 'length', of: 'baseLength' },
    { key: 'width', of: 'baseWidth' },
    { key: 'thickness', of: 'baseThickness' },
    { key: 'hole', of: 'baseHole' },
    { key: 'slot', of: 'baseSlot' },
  ];
  protected readonly panelRows: readonly { key: SkinKey; of: RangeName }[] = [
    { key: 'spanX', of: 'spanX' },
    { key: 'spanY', of: 'spanY' },
    { key: 'aft', of: 'aft' },
    { key: 'starboard', of: 'starboard' },
  ];
  protected readonly kinds: readonly Choice[] = [
    { value: 'sheet', label: 'metal sheet' },
    { value: 'laminate', label: 'solid laminate' },
    { value: 'plywood', label: 'plywood' },
  ];
  protected readonly metals: readonly Choice[] = METALS.map((m) => ({ value: m.id, label: m.name }));
  protected readonly plywoods: readonly Choice[] = PLYWOODS.map((p) => ({ value: p.id, label: p.name }));

  private change(did: string, f: (j: Job) => Job, field?: string): void {
    this.desk.change(did, f, field);
  }

  protected base(key: BaseKey, q: Quantity): void {
    this.change(`base ${key}`, (j) => ({ ...j, base: { ...j.base, [key]: q } }), `base.${key}`);
  }

  protected skin(key: SkinKey | 'glass', q: Quantity): void {
    this.change(`skin ${key}`, (j) => ({ ...j, skin: { ...j.skin, [key]: q } as Skin }), `skin.${key}`);
  }

  /** Another material keeps what was measured of the panel; the bed modulus is the new material's, assumed. */
  protected kind(kind: string): void {
    this.change(`skin: ${kind}`, (j) => {
      const { thickness, spanX, spanY, aft, starboard } = j.skin;
      const modulus = BED_MODULUS[kind as Skin['kind']];
      const common = { thickness, spanX, spanY, aft, starboard, bedModulus: assumed(modulus, `${modulus} MPa`) };
      const skin: Skin =
        kind === 'laminate'
          ? { kind, glass: assumed(0.35, '35 %'), ...common }
          : kind === 'plywood'
            ? { kind, grade: 'birch', ...common }
            : { kind: 'sheet', metal: 'S235', ...common };
      return { ...j, skin };
    });
  }

  protected material(value: string): void {
    this.change('skin material', (j) => ({
      ...j,
      skin:
        j.skin.kind === 'sheet' ? { ...j.skin, metal: value } : j.skin.kind === 'plywood' ? { ...j.skin, grade: value } : j.skin,
    }));
  }

  protected place(v: number): Quantity {
    return { v, text: formatQuantity(v, 'length', this.job().units), from: this.job().base.holesFrom };
  }

  protected hole(id: string, axis: 'x' | 'y', q: Quantity): void {
    this.change(
      `base hole ${id}`,
      (j) => ({
        ...j,
        base: { ...j.base, holesFrom: 'measured', holes: j.base.holes.map((h) => (h.id === id ? { ...h, [axis]: q.v } : h)) },
      }),
      `hole.${id}.${axis}`,
    );
  }

  protected addHole(): void {
    const used = new Set(this.job().base.holes.map((h) => h.id));
    let n = used.size + 1;
    while (used.has(`H${n}`)) n++;
    this.change('add base hole', (j) => ({ ...j, base: { ...j.base, holes: [...j.base.holes, { id: `H${n}`, x: 0, y: 0 }] } }));
  }

  protected removeHole(id: string): void {
    this.change(`take out base hole ${id}`, (j) => ({
      ...j,
      base: { ...j.base, holes: j.base.holes.filter((h) => h.id !== id) },
    }));
  }

  protected measuredHoles(): void {
    this.change('base holes measured', (j) => ({
      ...j,
      base: { ...j.base, holesFrom: j.base.holesFrom === 'measured' ? 'assumed' : 'measured' },
    }));
  }
}
