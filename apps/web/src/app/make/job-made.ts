import { computed, inject, Injectable } from '@angular/core';
import { madeOf } from '@core/shop/made-of';
import { refusalText } from '@core/units/refusal';
import { fieldWords } from '../fields/show';
import { Desk } from '../job/desk';

/** The open job laid out for making, for all sheets of the stage. */
@Injectable()
export class JobMade {
  private readonly desk = inject(Desk);
  private readonly found = computed(() => madeOf(this.desk.whole()!));

  readonly of = computed(() => {
    const f = this.found();
    return 'refusals' in f ? undefined : f;
  });
  readonly refusals = computed(() => {
    const f = this.found();
    return 'refusals' in f ? f.refusals.map((x) => refusalText({ ...x, field: fieldWords(x.field) })) : [];
  });
}
