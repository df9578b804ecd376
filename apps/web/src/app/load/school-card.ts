import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { SCHOOLS } from '@core/chain/cautions';
import type { Verdict } from '@core/chain/evaluate';
import { USUAL_GAMMA_INF } from '@core/loads/cases';
import { whatMoved } from '@core/chain/what-moved';
import type { Job, Practice } from '@core/job/schema';
import { FactorField } from '../fields/factor-field';
import { PickField, type Choice } from '../fields/pick-field';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';

type FactorKey = 'onYield' | 'onBreak' | 'gammaG' | 'gammaGInf' | 'gammaQ' | 'gammaM0' | 'gammaM2';

interface Row {
  readonly key: FactorKey;
  readonly label: string;
  readonly low: number;
  readonly high: number;
  readonly source: string;
}

const WORKING: readonly Row[] = [
  { key: 'onBreak', label: 'On break', low: 1, high: 20, source: '3 structure, 5 lifting' },
  { key: 'onYield', label: 'On yield', low: 1, high: 10, source: 'common practice' },
];
const LIMIT: readonly Row[] = [
  { key: 'gammaG', label: 'γG, lasting loads', low: 0.5, high: 3, source: 'EN 1990 1.35' },
  { key: 'gammaGInf', label: 'γG,inf, weight that helps', low: 0, high: 1.5, source: 'EN 1990 0.9 · ASCE 7 0.9' },
  { key: 'gammaQ', label: 'γQ, passing loads', low: 0.5, high: 3, source: 'EN 1990 1.5' },
  { key: 'gammaM0', label: 'γM0 on yield', low: 1, high: 2, source: 'EN 1993 1.00' },
  { key: 'gammaM2', label: 'γM2 on break', low: 1, high: 2, source: 'EN 1993 1.25' },
];

/** The school of factors the job is judged by, when people use it, and what changing it moved. */
@Component({
  selector: 'ms-school-card',
  imports: [MatButtonToggle, MatButtonToggleGroup, FactorField, PickField],
  template: `
    <h3>Factors</h3>
    <mat-button-toggle-group
      aria-label="Factor school"
      [hideSingleSelectionIndicator]="true"
      [value]="job().practice.school"
      (change)="change({ school: $event.value })"
    >
      @for (s of names; track s) {
        <mat-button-toggle [value]="s">{{ schools[s].short }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
    <p class="note">{{ schools[job().practice.school].why }}</p>
    @if (job().practice.school === 'limit') {
      <div class="presets">
        <button type="button" (click)="change({ gammaG: 1.35, gammaQ: 1.5 })">EN 1990</button>
        <button type="button" (click)="change({ gammaG: 1.2, gammaQ: 1.6 })">ASCE 7</button>
      </div>
    }
    @for (f of factors(); track f.key) {
      <ms-factor
        [label]="f.label"
        [value]="valueOf(f.key)"
        [low]="f.low"
        [high]="f.high"
        [source]="f.source"
        (changed)="change(one(f.key, $event))"
      />
    }
    @if (job().practice.school === 'limit' && job().practice.rules === 'AISC') {
      <p class="note">Strength × φ: 0.90 on yield, 0.75 on break (AISC 360 J).</p>
    }
    <ms-pick label="Rules" [value]="job().practice.rules" [choices]="rules" (changed)="change({ rules: $any($event) })" />
    @if (moved(); as m) {
      <div class="moved" role="status">
        <b>What that moved</b>
        @for (x of m.slice(0, 4); track x.name) {
          <span>{{ x.name }} {{ show(x.from) }} → {{ show(x.to) }}</span>
        } @empty {
          <span>Nothing by 0.005 or more.</span>
        }
        @if (m.length > 4) {
          <span class="note">and {{ m.length - 4 }} more by less</span>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    h3 {
      margin: 0 0 4px;
    }
    mat-button-toggle-group {
      width: 100%;
    }
    mat-button-toggle {
      flex: 1 1 auto;
    }
    mat-button-toggle ::ng-deep .mat-button-toggle-label-content {
      padding: 0 4px !important;
      font-size: 14px;
    }
    mat-button-toggle-group {
      --mat-button-toggle-height: 30px;
    }
    .note {
      margin: 6px 0;
      font-size: 12.5px;
    }
    ms-factor {
      grid-template-columns: minmax(0, 1fr) 52px 74px;
    }
    .presets {
      display: flex;
      gap: 6px;
    }
    .presets button {
      padding: 2px 8px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: none;
      color: var(--ink);
      font: 600 13px var(--label);
      cursor: pointer;
    }
    .moved {
      display: grid;
      gap: 1px;
      margin-top: 8px;
      padding: 5px 8px;
      border-left: 4px solid var(--accent);
      background: var(--accent-soft);
      font-size: 13px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SchoolCard {
  private readonly desk = inject(Desk);
  private readonly judge = inject(Judge);
  readonly job = input.required<Job>();

  protected readonly schools = SCHOOLS;
  protected readonly names = ['working', 'limit', 'ultimate'] as const;
  protected readonly rules: readonly Choice[] = [
    { value: 'EN', label: 'EN 1993-1-8' },
    { value: 'AISC', label: 'AISC 360-16' },
  ];
  protected readonly factors = computed((): readonly Row[] => {
    const { school } = this.job().practice;
    if (school === 'working') return WORKING;
    // AISC 360 has its own φ on strength; EN's γM do not enter.
    const enters = (row: Row) => this.job().practice.rules === 'EN' || !row.key.startsWith('gammaM');
    return school === 'limit' ? LIMIT.filter(enters) : [];
  });

  /** The verdict before the last change made here, and the practice that change made. */
  private readonly before = signal<{ verdict: Verdict; practice: Practice } | null>(null);
  protected readonly moved = computed(() => {
    const before = this.before();
    const now = this.judge.verdict();
    const judged = this.judge.judged();
    if (!before || !now || JSON.stringify(judged?.practice) !== JSON.stringify(before.practice)) return undefined;
    return whatMoved(before.verdict, now);
  });

  protected valueOf = (key: FactorKey): number => this.job().practice[key] ?? USUAL_GAMMA_INF;
  protected one = (key: FactorKey, v: number): Partial<Practice> => ({ [key]: v });

  protected change(part: Partial<Practice>): void {
    const verdict = this.judge.verdict();
    const practice = { ...this.job().practice, ...part };
    this.before.set(verdict && { verdict, practice });
    this.desk.change('factors', (j) => ({ ...j, practice: { ...j.practice, ...part } }));
  }

  protected show(v: number): string {
    return Number.isNaN(v) ? 'none' : v.toFixed(2);
  }
}
