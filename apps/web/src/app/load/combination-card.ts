import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { ACTION_WORDS, casesOfLoad, loadFactor } from '@core/loads/cases';
import type { Job } from '@core/job/schema';
import type { Combination } from '@core/loads/schema';
import { FactorField } from '../fields/factor-field';
import { Desk } from '../job/desk';
import { changeCombination } from './edits';

/** Loads acting together, each with the job's factor or its own. */
@Component({
  selector: 'ms-combination-card',
  imports: [MatIconButton, MatIcon, FactorField],
  template: `
    <header>
      <input
        class="name"
        [attr.aria-label]="'Name of combination ' + combination().id"
        maxlength="80"
        [value]="combination().name"
        (change)="rename($any($event.target).value)"
      />
      <span class="note">{{ count() }}</span>
      <button mat-icon-button type="button" [attr.aria-label]="'Take out ' + combination().name" (click)="remove()">
        <mat-icon svgIcon="delete" />
      </button>
    </header>
    @for (row of rows(); track row.id) {
      <div class="row">
        <label
          ><input type="checkbox" [checked]="row.inside" (change)="put(row.id, $any($event.target).checked)" />{{
            row.name
          }}</label
        >
        @if (row.inside) {
          <ms-factor
            [label]="row.action"
            [value]="row.factor"
            [usual]="row.usual"
            [low]="-3"
            [high]="3"
            source="the job’s factor"
            (changed)="factor(row.id, row.usual, $event)"
          />
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 8px;
      padding: 2px 10px 8px;
      background: var(--card);
      border: 1px solid var(--rule-strong);
    }
    header {
      display: flex;
      align-items: center;
      gap: 4px;
    }
    .name {
      flex: 1;
      min-width: 0;
      padding: 2px 4px;
      border: 1px solid transparent;
      background: none;
      font: 600 16px/1.2 var(--label);
      color: var(--ink);
    }
    .name:hover {
      border-color: var(--rule-strong);
    }
    label {
      display: flex;
      gap: 6px;
      align-items: center;
      padding: 2px 0;
      font: 500 14.5px/1.2 var(--label);
    }
    ms-factor {
      margin-left: 20px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CombinationCard {
  private readonly desk = inject(Desk);
  readonly job = input.required<Job>();
  readonly combination = input.required<Combination>();

  protected readonly rows = computed(() => {
    const { practice, loads } = this.job();
    return loads.map((l) => {
      const part = this.combination().parts.find((p) => p.load === l.id);
      const action = casesOfLoad(l, false)[0]?.action ?? 'variable';
      const usual = loadFactor(practice, action);
      return {
        id: l.id,
        name: l.name,
        inside: part !== undefined,
        action: ACTION_WORDS[action],
        usual,
        factor: part?.factor ?? usual,
      };
    });
  });
  protected readonly count = computed(() => {
    const { loads } = this.job();
    const n = this.combination().parts.reduce(
      (k, p) => {
        const load = loads.find((l) => l.id === p.load);
        return k * (load ? casesOfLoad(load, false).length : 0);
      },
      this.combination().parts.length > 0 ? 1 : 0,
    );
    return `${n} ${n === 1 ? 'case' : 'cases'}`;
  });

  private change(did: string, f: (c: Combination) => Combination): void {
    this.desk.change(`${this.combination().name}: ${did}`, changeCombination(this.combination().id, f));
  }

  protected rename(name: string): void {
    const trimmed = name.trim().slice(0, 80);
    if (trimmed) this.change('rename', (c) => ({ ...c, name: trimmed }));
  }

  protected put(load: string, inside: boolean): void {
    this.change(inside ? 'put in a load' : 'leave out a load', (c) => ({
      ...c,
      parts: inside ? [...c.parts, { load, factor: null }] : c.parts.filter((p) => p.load !== load),
    }));
  }

  protected factor(load: string, usual: number, value: number): void {
    this.change('factor', (c) => ({
      ...c,
      parts: c.parts.map((p) => (p.load === load ? { ...p, factor: value === usual ? null : value } : p)),
    }));
  }

  protected remove(): void {
    const { id, name } = this.combination();
    this.desk.change(`take out ${name}`, (j) => ({ ...j, combinations: j.combinations.filter((c) => c.id !== id) }));
  }
}
