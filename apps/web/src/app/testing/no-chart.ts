import { Component, input, output } from '@angular/core';
import type { SoundOption } from '@core/options/choose';

/** Stands in for the chart: the page of a unit test has no canvas to draw on. */
@Component({ selector: 'ms-options-chart', template: '' })
export class OptionsChart {
  readonly options = input<readonly SoundOption[]>();
  readonly best = input();
  readonly current = input();
  readonly system = input();
  readonly names = input();
  readonly hovered = output<SoundOption | null>();
  readonly taken = output<SoundOption>();
}
