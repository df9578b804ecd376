import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatProgressBar } from '@angular/material/progress-bar';
import { cubeLaw, differences, VARIANTS } from '@core/options/compare';
import type { Job } from '@core/job/schema';
import { figuresFor } from '@core/spread/view';
import { PickField } from '../fields/pick-field';
import { showAmount } from '../fields/show';
import { showField } from './field-picture';
import type { Comparer } from './comparer';

/** Picks a layout to set beside this one, and says in words how they differ. */
@Component({
  selector: 'ms-spread-compare',
  imports: [MatButton, MatIcon, MatProgressBar, PickField],
  template: `
    <ms-pick label="Beside this layout" [value]="variant()" [choices]="choices()" (changed)="picked.emit($event)" />
    <p class="note">{{ look() }}</p>
    @if (comparer().solving(); as s) {
      <mat-progress-bar mode="indeterminate" aria-label="Solving both" />
      <p class="note" role="status">
        Solving {{ s.side === 'here' ? 'this layout' : 'the other'
        }}{{ s.of > 0 ? ', case ' + (s.done + 1) + ' of ' + s.of : '' }}
      </p>
      <button mat-stroked-button type="button" (click)="comparer().stop()"><mat-icon svgIcon="stop" />Stop</button>
    } @else {
      <button mat-flat-button type="button" [disabled]="!other()" (click)="compare.emit()">
        <mat-icon svgIcon="compare" />Solve both
      </button>
    }
    @if (comparer().refusal(); as no) {
      <p class="error" role="alert">
        {{ no.side === 'here' ? 'This layout' : 'The other' }}: {{ no.because }} — allowed: {{ no.allowed }}
      </p>
    }
    @if (comparer().broken()) {
      <p class="error" role="alert">{{ comparer().broken() }}</p>
    }
    @if (rows().length > 0) {
      <table>
        <tr>
          <th></th>
          <th scope="col">this</th>
          <th scope="col">other</th>
        </tr>
        @for (d of rows(); track d.what) {
          <tr>
            <th scope="row">{{ d.what }}</th>
            <td>{{ amount(d.here, d.unit) }}</td>
            <td>{{ amount(d.there, d.unit) }}</td>
          </tr>
          <tr class="words" [class.more]="d.way === 'more'">
            <td colspan="3">{{ d.words }}</td>
          </tr>
        }
      </table>
      @if (law()) {
        <p class="law">{{ law() }}</p>
      }
      <button mat-stroked-button type="button" (click)="taken.emit()">Take the other layout</button>
    }
  `,
  styles: `
    table {
      width: 100%;
      margin: 8px 0;
      border-collapse: collapse;
    }
    th {
      padding-top: 4px;
      font: 500 14.5px/1.2 var(--label);
      text-align: left;
    }
    th[scope='col'] {
      text-align: right;
      color: var(--ink-soft);
    }
    td {
      padding-top: 4px;
      font-size: 14px;
      font-weight: 600;
      font-variant-numeric: tabular-nums;
      text-align: right;
      white-space: nowrap;
    }
    .words {
      border-bottom: 1px solid var(--rule);
    }
    .words td {
      padding: 0 0 3px;
      color: var(--ink-soft);
      font: 600 14px/1.2 var(--label);
    }
    .words.more td {
      color: var(--accent);
    }
    .law {
      margin: 6px 0;
      padding-left: 8px;
      border-left: 4px solid var(--marking);
      font-size: 13.5px;
      line-height: 1.3;
    }
    .note {
      margin: 4px 0 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CompareCard {
  readonly job = input.required<Job>();
  readonly variant = input.required<string>();
  readonly other = input.required<Job | undefined>();
  readonly caseId = input.required<string>();
  readonly comparer = input.required<Comparer>();
  readonly picked = output<string>();
  readonly compare = output<void>();
  readonly taken = output<void>();

  protected readonly choices = computed(() =>
    VARIANTS.filter((v) => v.apply(this.job()) !== undefined).map((v) => ({ value: v.id, label: v.name })),
  );
  protected readonly look = computed(() => VARIANTS.find((v) => v.id === this.variant())?.look ?? '');
  protected readonly rows = computed(() => {
    const [here, there] = [this.comparer().here(), this.comparer().there()];
    const a = here && figuresFor(here.figures, this.caseId());
    const b = there && figuresFor(there.figures, this.caseId());
    return a && b ? differences(a, b) : [];
  });
  protected readonly law = computed(() => {
    const [here, there] = [this.comparer().here(), this.comparer().there()];
    return here && there ? cubeLaw(here.job, there.job) : '';
  });

  protected amount(v: number, unit: Parameters<typeof showAmount>[1]): string {
    return unit === 'mm' ? showField(v, unit, this.job().units) : showAmount(v, unit, this.job().units);
  }
}
