import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { Router } from '@angular/router';
import { assumedValues, namedValues } from '@core/job/values';
import { MatTooltip } from '@angular/material/tooltip';
import { TypedAs } from '../fields/typed-as';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { InstrumentPanel } from '../instruments/instrument-panel';
import { AsBuiltSheet } from './as-built-sheet';
import { BaseAndSkin } from './base-and-skin';
import { BehindSheet } from './behind-sheet';
import { NextSheet } from './next-sheet';
import { PatternSheet } from './pattern-sheet';
import { SurveyPlan, type Sheet } from './survey-plan';
import { SurveyView } from './survey-view';
import { Surveyor } from './surveyor';

const SHEETS: readonly { readonly sheet: Sheet; readonly name: string }[] = [
  { sheet: 'base', name: 'Base and skin' },
  { sheet: 'patterns', name: 'Hole patterns' },
  { sheet: 'as-built', name: 'As built' },
  { sheet: 'behind', name: 'Behind the skin' },
  { sheet: 'next', name: 'Measure next' },
];

/** Measure: what is really there. Each value is assumed, and marked, until it is measured or taken from a sheet. */
@Component({
  selector: 'ms-measure-stage',
  imports: [
    MatButtonToggle,
    MatButtonToggleGroup,
    MatTooltip,
    AsBuiltSheet,
    BaseAndSkin,
    BehindSheet,
    InstrumentPanel,
    NextSheet,
    PatternSheet,
    SurveyPlan,
  ],
  providers: [Surveyor, SurveyView],
  templateUrl: './measure-stage.html',
  styleUrl: './measure-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasureStage {
  private readonly router = inject(Router);
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly surveyor = inject(Surveyor);
  protected readonly typedAs = inject(TypedAs);

  /** Which sheet is open, from the address, so that a reload and a link keep it. */
  readonly sheet = input<string>();
  protected readonly sheets = SHEETS;
  protected readonly shown = computed((): Sheet => SHEETS.find((s) => s.sheet === this.sheet())?.sheet ?? 'base');

  protected readonly job = computed(() => this.desk.job()!);
  protected readonly assumed = computed(() => assumedValues(this.job()).filter((n) => n.stage === 'measure'));
  protected readonly all = computed(() => namedValues(this.job()).filter((n) => n.stage === 'measure').length);

  constructor() {
    // Worked out only where it is shown.
    effect(() => {
      const job = this.desk.job();
      if (job && (this.shown() === 'patterns' || this.shown() === 'next')) this.surveyor.study(job);
    });
  }

  protected open(sheet: Sheet): void {
    void this.router.navigate([], { queryParams: { sheet: sheet === 'base' ? null : sheet } });
  }
}
