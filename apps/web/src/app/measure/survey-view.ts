import { computed, Injectable, signal } from '@angular/core';
import type { Pattern, Side } from '@core/job/survey';

/** Which of the patterns is being worked on, for the sheet and the plan alike. */
@Injectable()
export class SurveyView {
  readonly side = signal<Side>('left');
  readonly of = signal<Pattern['of']>('structure');
  readonly key = computed(() => `${this.of()}-${this.side()}`);
}
