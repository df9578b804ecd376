import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatOption, MatSelect } from '@angular/material/select';

export interface Choice {
  readonly value: string;
  readonly label: string;
}

let count = 0;

/** One choice of the job card, from a short list. */
@Component({
  selector: 'ms-pick',
  imports: [MatSelect, MatOption],
  template: `
    <span class="label" [id]="id">{{ label() }}</span>
    <mat-select [value]="value()" [aria-labelledby]="id" (selectionChange)="changed.emit($event.value)" panelWidth="auto">
      @for (c of choices(); track c.value) {
        <mat-option [value]="c.value">{{ c.label }}</mat-option>
      }
    </mat-select>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(96px, auto);
      align-items: center;
      gap: 10px;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
    }
    .label {
      font: 500 14.5px/1.2 var(--label);
      color: var(--ink);
      letter-spacing: 0;
    }
    mat-select {
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      background: var(--field);
      font-weight: 600;
      max-width: var(--pick-width, 190px);
    }
    mat-select:focus-visible {
      outline: 2px solid var(--accent);
      outline-offset: 1px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PickField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly changed = output<string>();
  protected readonly id = `p${++count}`;
}
