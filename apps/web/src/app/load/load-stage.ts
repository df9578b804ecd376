import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import { cautionsFor, SCHOOLS } from '@core/chain/cautions';
import { casesOf, casesOfLoad } from '@core/loads/cases';
import { FAMILIES, type FreeLoad, type Job, type Load, type Practice, type Quantity, type WinchLoad } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { formatQuantity } from '@core/units/format-quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { StepsList } from '../load-path/steps-list';
import { LoadDiagram } from './load-diagram';

const FAMILY_WORDS: Readonly<Record<Job['family'], string>> = {
  winch: 'winch',
  seat: 'seat',
  mast: 'mast, stay or chainplate',
  towing: 'hitch or tow point',
  suspension: 'suspension or steering',
  lifting: 'lifting',
  ladder: 'ladder, rail or step',
  general: 'something else',
};

type Factor = 'onYield' | 'onBreak' | 'gammaF' | 'gammaM0' | 'gammaM2';

/** Load: what the fitting does to the plate, with the arithmetic shown. */
@Component({
  selector: 'ms-load-stage',
  imports: [
    MatButton,
    MatIconButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatIcon,
    MatTooltip,
    PickField,
    QuantityField,
    StepsList,
    LoadDiagram,
  ],
  templateUrl: './load-stage.html',
  styleUrl: './load-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly schools = SCHOOLS;
  protected readonly families: readonly Choice[] = FAMILIES.map((f) => ({ value: f, label: FAMILY_WORDS[f] }));
  protected readonly fans: readonly Choice[] = [1, 3, 5, 7, 9].map((n) => ({
    value: String(n),
    label: n === 1 ? 'ahead only' : `${n} across the fan`,
  }));
  protected readonly rules: readonly Choice[] = [
    { value: 'EN', label: 'EN 1993-1-8' },
    { value: 'AISC', label: 'AISC 360-16' },
  ];
  protected readonly factors = computed((): readonly { key: Factor; label: string; range: string }[] =>
    this.job().practice.school === 'working'
      ? [
          { key: 'onBreak', label: 'Safety factor on break', range: '1 to 20' },
          { key: 'onYield', label: 'Safety factor on yield', range: '1 to 10' },
        ]
      : [
          { key: 'gammaF', label: 'γF on the load', range: '1 to 3' },
          { key: 'gammaM0', label: 'γM0 on yield', range: '1 to 2' },
          { key: 'gammaM2', label: 'γM2 on break', range: '1 to 2' },
        ],
  );
  protected readonly wrongFactor = signal('');

  protected readonly job = computed(() => this.desk.job()!);
  protected readonly cases = computed(() => casesOf(this.job(), true));
  private readonly chosen = signal('');
  protected readonly open = computed(
    () =>
      this.cases().find((c) => c.id === this.chosen()) ?? this.cases().find((c) => c.id === this.governing()) ?? this.cases()[0],
  );
  protected readonly governing = computed(() => {
    const v = this.judge.verdict();
    return v?.links.find((l) => l.id === v.weakest)?.caseId ?? '';
  });
  protected readonly cautions = computed(() => cautionsFor(this.job()).slice(0, 2));
  /** The fitted part of the winch fan above what the list offers stays as it is in the file. */
  protected fanChoices(load: WinchLoad): readonly Choice[] {
    const now = String(load.fan);
    return this.fans.some((f) => f.value === now) ? this.fans : [...this.fans, { value: now, label: `${now} across the fan` }];
  }

  protected count(load: Load): string {
    const n = casesOfLoad(load, false).length;
    return `${n} ${n === 1 ? 'case' : 'cases'}`;
  }

  protected show(v: number, dimension: 'force' | 'moment'): string {
    return formatQuantity(v, dimension, this.job().units);
  }

  protected choose(id: string): void {
    this.chosen.set(id);
  }

  private change(did: string, f: (j: Job) => Job, field?: string): void {
    this.desk.change(did, f, field);
  }

  private replace(id: string, f: (l: Load) => Load): (j: Job) => Job {
    return (j) => ({ ...j, loads: j.loads.map((l) => (l.id === id ? f(l) : l)) });
  }

  protected set(load: Load, key: string, q: Quantity): void {
    this.change(
      `${load.name}: ${key}`,
      this.replace(load.id, (l) => ({ ...l, [key]: q }) as Load),
      `${load.id}.${key}`,
    );
  }

  protected rename(load: Load, name: string): void {
    const trimmed = name.trim().slice(0, 80);
    if (trimmed)
      this.change(
        'rename load',
        this.replace(load.id, (l) => ({ ...l, name: trimmed })),
      );
  }

  protected fan(load: Load, n: string): void {
    this.change(
      'fan',
      this.replace(load.id, (l) => ({ ...l, fan: Number(n) }) as Load),
    );
  }

  private freeId(): string {
    const used = new Set(this.job().loads.map((l) => l.id));
    let n = this.job().loads.length + 1;
    while (used.has(`L${n}`)) n++;
    return `L${n}`;
  }

  protected addWinch(): void {
    const load: WinchLoad = {
      kind: 'winch',
      id: this.freeId(),
      name: 'Pull',
      pull: assumed(5000, '5 kN'),
      drumHeight: assumed(120, '120 mm'),
      sideAngle: assumed((20 * Math.PI) / 180, '20°'),
      upAngle: assumed(0, '0°'),
      fan: 3,
    };
    this.change('add a winch load', (j) => ({ ...j, loads: [...j.loads, load] }));
  }

  protected addFree(): void {
    const zero = fromSheet(0, '0');
    const load: FreeLoad = {
      kind: 'free',
      id: this.freeId(),
      name: 'Force at a point',
      fx: zero,
      fy: zero,
      fz: fromSheet(1000, '1 kN'),
      mx: zero,
      my: zero,
      mz: zero,
      x: zero,
      y: zero,
      z: zero,
    };
    this.change('add a load', (j) => ({ ...j, loads: [...j.loads, load] }));
  }

  protected duplicate(load: Load): void {
    const copy = { ...load, id: this.freeId(), name: `${load.name} (copy)`.slice(0, 80) };
    this.change('duplicate load', (j) => ({ ...j, loads: [...j.loads, copy] }));
  }

  protected remove(load: Load): void {
    this.change(`take out ${load.name}`, (j) => ({ ...j, loads: j.loads.filter((l) => l.id !== load.id) }));
  }

  protected practice(part: Partial<Practice>): void {
    this.change('factors', (j) => ({ ...j, practice: { ...j.practice, ...part } }));
  }

  protected family(f: string): void {
    this.change('family', (j) => ({ ...j, family: f as Job['family'] }));
  }

  protected note(text: string): void {
    this.change('note', (j) => ({ ...j, note: text.slice(0, 2000) }));
  }

  protected factor(key: Factor, range: string, text: string): void {
    const value = Number(text.trim().replace(',', '.'));
    const [low, high] = range.split(' to ').map(Number);
    if (!Number.isFinite(value) || text.trim() === '' || value < low! || value > high!) {
      this.wrongFactor.set(`${key}: "${text}" is not a factor — allowed: ${range}`);
      return;
    }
    this.wrongFactor.set('');
    this.practice({ [key]: value });
  }

  protected readonly freeFields = [
    { key: 'fx', of: 'force', label: 'Fx, forward' },
    { key: 'fy', of: 'force', label: 'Fy, to port' },
    { key: 'fz', of: 'force', label: 'Fz, up' },
    { key: 'mx', of: 'moment', label: 'Mx' },
    { key: 'my', of: 'moment', label: 'My' },
    { key: 'mz', of: 'moment', label: 'Mz, twist' },
    { key: 'x', of: 'point', label: 'at x' },
    { key: 'y', of: 'point', label: 'at y' },
    { key: 'z', of: 'point', label: 'at height' },
  ] as const;

  protected quantity(load: FreeLoad, key: (typeof this.freeFields)[number]['key']): Quantity {
    return load[key];
  }
}
