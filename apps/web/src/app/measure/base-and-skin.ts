import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import { withSkinKind, type SkinChoice } from '@core/job/skin-kinds';
import { carryStock } from '@core/job/carry-stock';
import { isLongBase } from '@core/job/long-base';
import type { RangeName } from '@core/job/ranges';
import { CORES, type Job, type Quantity, type Skin } from '@core/job/schema';
import { assumed, skinGauges, SKIN_ROWS } from '@core/job/values';
import { coreValues } from '@core/stock/cores';
import { PLYWOODS } from '@core/stock/skins';
import { TIMBER_CLASSES } from '@core/stock/timber';
import { formatQuantity } from '@core/units/format-quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { StockRoom } from '../stock/stock-room';
import { freeId } from '../load/edits';
import { HoleRow } from './hole-row';
import { sectionNamed, sectionsFor, withSection } from './sections';

type BaseKey = 'length' | 'width' | 'thickness' | 'hole' | 'slot';
type SkinKey = string;

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));

/** The fitting’s own footprint, the skin under it and the bearers round it. */
@Component({
  selector: 'ms-base-and-skin',
  imports: [MatButton, MatCheckbox, MatIcon, HoleRow, MatTooltip, PickField, QuantityField],
  templateUrl: './base-and-skin.html',
  styleUrl: './sheet.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BaseAndSkin {
  protected readonly desk = inject(Desk);
  protected readonly job = computed(() => this.desk.job()!);
  protected readonly gauges = computed(() => skinGauges(this.job()));

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
  /** What only this kind of skin has. */
  protected readonly ownRows = computed(() =>
    SKIN_ROWS[this.job().skin.kind].filter(([key]) => !(this.round() && key === 'width')).map(([key, of]) => ({ key, of })),
  );
  private readonly round = computed(() => this.choice() === 'round');
  protected readonly choice = computed((): SkinChoice => {
    const s = this.job().skin;
    return s.kind === 'hollow' && s.form === 'round' ? 'round' : s.kind;
  });
  protected readonly kinds: readonly Choice[] = [
    { value: 'sheet', label: 'metal sheet' },
    { value: 'laminate', label: 'solid laminate' },
    { value: 'sandwich', label: 'sandwich' },
    { value: 'plywood', label: 'plywood' },
    { value: 'timber', label: 'timber' },
    { value: 'hollow', label: 'square or rectangular tube' },
    { value: 'round', label: 'round tube or pipe' },
    { value: 'flange', label: 'beam, channel or angle' },
    { value: 'bed', label: 'solid bed' },
  ];
  protected readonly walls: readonly Choice[] = [
    { value: 'both walls', label: 'both walls' },
    { value: 'one wall', label: 'one wall' },
  ];
  /** A section off the stock list sets all its measures at once. */
  protected readonly sections = computed(() => sectionsFor(this.job().skin));
  protected readonly section = computed(() => sectionNamed(this.job().skin));

  protected setSection(words: string): void {
    if (words !== '') this.desk.change(`section ${words}`, (j) => ({ ...j, skin: withSection(j.skin, words) }));
  }

  protected readonly forms: readonly Choice[] = [
    { value: 'beam', label: 'beam, web in the middle' },
    { value: 'channel', label: 'channel' },
    { value: 'angle', label: 'angle' },
  ];
  protected readonly flange = computed(() => {
    const s = this.job().skin;
    return s.kind === 'flange' ? s : undefined;
  });
  protected readonly webSides: readonly Choice[] = [
    { value: 'port', label: 'to port' },
    { value: 'starboard', label: 'to starboard' },
  ];

  /** What the thickness of this kind of skin is called. */
  protected readonly thicknessName = computed(
    () =>
      ({
        hollow: this.round() ? 'Outside diameter' : 'Section depth',
        flange: 'Flange thickness',
        timber: 'Timber thickness',
        sandwich: 'Thickness, faces and core',
      })[this.job().skin.kind as string] ?? '',
  );
  protected readonly ways: readonly Choice[] = [
    { value: 'x', label: 'fore and aft' },
    { value: 'y', label: 'athwart' },
  ];
  private readonly room = inject(StockRoom);
  private readonly metals = computed(() => this.room.choices(this.job(), true));

  protected readonly baseMetals = computed((): readonly Choice[] => [
    { value: '', label: 'not said: as S235' },
    ...this.metals(),
  ]);

  protected baseMetal(id: string): void {
    const own = this.room.metals();
    this.desk.change('base metal', (j) => {
      const { metal: _, ...base } = j.base;
      return carryStock({ ...j, base: id === '' ? base : { ...base, metal: id } }, own);
    });
  }

  /** The one pick each kind of skin has, if any: its metal, grade or core. */
  protected readonly made = computed(() => {
    const s = this.job().skin;
    switch (s.kind) {
      case 'sheet':
      case 'hollow':
      case 'flange':
        return { label: 'Metal', key: 'metal', value: s.metal, choices: this.metals() };
      case 'plywood':
        return { label: 'Grade', key: 'grade', value: s.grade, choices: PLYWOODS.map((p) => ({ value: p.id, label: p.name })) };
      case 'timber':
        return { label: 'Class', key: 'grade', value: s.grade, choices: same(TIMBER_CLASSES) };
      case 'sandwich':
        return { label: 'Core', key: 'core', value: s.core, choices: same(CORES) };
      default:
        return undefined;
    }
  });

  protected readonly grain = computed(() => {
    const s = this.job().skin;
    return s.kind === 'timber' ? s.grain : undefined;
  });
  protected readonly through = computed(() => {
    const s = this.job().skin;
    return s.kind === 'hollow' ? s.through : undefined;
  });

  protected valueOf(key: SkinKey): Quantity {
    return (this.job().skin as unknown as Record<string, Quantity>)[key]!;
  }

  protected base(key: BaseKey, q: Quantity): void {
    this.desk.change(`base ${key}`, (j) => ({ ...j, base: { ...j.base, [key]: q } }), `base.${key}`);
  }

  /** So long that it bends: somebody must say why it is stiff, and where its load comes in. */
  protected readonly rail = computed(() => isLongBase(this.job().base));
  protected readonly entry = computed((): Quantity => this.job().base.entry ?? assumed(0, 'not said'));

  protected stiffBecause(why: string): void {
    this.desk.change('why the base is stiff', (j) => {
      const { stiff: _, ...base } = j.base;
      return { ...j, base: why.trim() === '' ? base : { ...base, stiff: why.trim() } };
    });
  }

  protected enters(entry: Quantity): void {
    this.desk.change('where the load comes in', (j) => ({ ...j, base: { ...j.base, entry } }), 'base.entry');
  }

  protected slotWay(way: string): void {
    this.desk.change('base slots run', (j) => ({ ...j, base: { ...j.base, slotAlong: way as Job['base']['slotAlong'] } }));
  }

  protected skin(key: SkinKey, q: Quantity): void {
    // A round tube is as wide as it is deep.
    const also = this.round() && key === 'thickness' ? { width: q } : {};
    this.desk.change(`skin ${key}`, (j) => ({ ...j, skin: { ...j.skin, [key]: q, ...also } as Skin }), `skin.${key}`);
  }

  protected kind(kind: string): void {
    this.desk.change(`skin: ${kind}`, (j) => withSkinKind(j, kind as SkinChoice));
  }

  protected material(key: string, value: string): void {
    // Another core brings its own values, assumed until the maker's stand there.
    const core = key === 'core' ? coreValues(value) : {};
    this.desk.change('skin material', (j) =>
      carryStock({ ...j, skin: { ...j.skin, [key]: value, ...core } as Skin }, this.room.metals()),
    );
  }

  protected place(v: number): Quantity {
    return { v, text: formatQuantity(v, 'length', this.job().units), from: this.job().base.holesFrom };
  }

  protected hole(id: string, axis: 'x' | 'y', q: Quantity): void {
    this.desk.change(
      `base hole ${id}`,
      (j) => ({
        ...j,
        base: { ...j.base, holesFrom: q.from, holes: j.base.holes.map((h) => (h.id === id ? { ...h, [axis]: q.v } : h)) },
      }),
      `hole.${id}.${axis}`,
    );
  }

  /** Its holes are not all of one size. */
  protected readonly ownSizes = computed(() => this.job().base.holes.some((h) => h.d !== undefined));

  protected eachOwnSize(own: boolean): void {
    this.desk.change(own ? 'base holes each its own size' : 'base holes all alike', (j) => ({
      ...j,
      base: {
        ...j.base,
        holes: j.base.holes.map(({ d, ...h }) => (own ? { ...h, d: d ?? { ...j.base.hole, from: 'assumed' as const } } : h)),
      },
    }));
  }

  protected holeSize(id: string, d: Quantity): void {
    this.desk.change(
      `base hole ${id}`,
      (j) => ({ ...j, base: { ...j.base, holes: j.base.holes.map((h) => (h.id === id ? { ...h, d } : h)) } }),
      `hole.${id}.d`,
    );
  }

  protected addHole(): void {
    this.desk.change('add base hole', (j) => ({
      ...j,
      base: { ...j.base, holes: [...j.base.holes, { id: freeId(j.base.holes, 'H'), x: 0, y: 0 }] },
    }));
  }

  protected removeHole(id: string): void {
    this.desk.change(`take out base hole ${id}`, (j) => ({
      ...j,
      base: { ...j.base, holes: j.base.holes.filter((h) => h.id !== id) },
    }));
  }

  protected measuredHoles(): void {
    this.desk.change('base holes measured', (j) => ({
      ...j,
      base: { ...j.base, holesFrom: j.base.holesFrom === 'measured' ? 'assumed' : 'measured' },
    }));
  }
}
