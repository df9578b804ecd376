import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { map, type Observable } from 'rxjs';
import type { BarPlan } from '@core/shop/bar-cutting';
import type { Refusal } from '@core/units/refusal';

/** What one kind of bar is cut into, or why it cannot be. */
export interface StockPlan {
  readonly stock: string;
  readonly plan: BarPlan | Refusal;
}

/** Cut plans, worked out on the server from the job as saved: an integer programme, up to some seconds. */
@Injectable({ providedIn: 'root' })
export class CutPlanApi {
  private readonly http = inject(HttpClient);

  /** By the shop’s saw and the offcuts on its rack. */
  plan(job: string): Observable<readonly StockPlan[]> {
    return this.http.get<{ plans: readonly StockPlan[] }>(`/api/jobs/${job}/cut-plan.json`).pipe(map((r) => r.plans));
  }
}
