import { computed, Injectable, signal } from '@angular/core';
import type { OwnMetal } from '@core/job/own-stock';
import type { Job } from '@core/job/schema';
import { METALS } from '@core/stock/metals';
import type { Choice } from '../fields/pick-field';

/** A row of the shop's own, with the version a change names. */
export interface StoredMetal {
  readonly metal: OwnMetal;
  readonly version: number;
  readonly updatedAt: string;
}

/** The shop's own rows as this page knows them, and what a job may pick from. */
@Injectable({ providedIn: 'root' })
export class StockRoom {
  /** Null until they are fetched. */
  readonly rows = signal<readonly StoredMetal[] | null>(null);
  readonly failure = signal('');
  readonly metals = computed(() => (this.rows() ?? []).map((r) => r.metal));

  /** Metals to pick from in a job: built in, the shop's own, and what the job carries though the shop has it no more. */
  choices(job: Job | null, skin = false): readonly Choice[] {
    const own = new Map([...this.metals(), ...(job?.ownStock.metals ?? [])].map((m) => [m.id, m]));
    return [...METALS.filter((m) => !skin || m.group !== 'laminate'), ...own.values()].map((m) => ({
      value: m.id,
      label: m.name,
    }));
  }
}
