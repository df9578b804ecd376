import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { OwnMetal } from '@core/job/own-stock';
import { failureText } from '../job/job-api';
import { StockRoom, type StoredMetal } from './stock-room';

const METALS = '/api/stock/metals';
const byName = (a: StoredMetal, b: StoredMetal) => a.metal.name.localeCompare(b.metal.name);

/** Fetches the shop's own rows and keeps changes to them on the server; `done` hears what went wrong, or nothing. */
@Injectable({ providedIn: 'root' })
export class StockApi {
  private readonly http = inject(HttpClient);
  private readonly room = inject(StockRoom);

  fetch(): void {
    this.http.get<StoredMetal[]>(METALS).subscribe({
      next: (rows) => {
        this.room.rows.set([...rows].sort(byName));
        this.room.failure.set('');
      },
      error: (e: unknown) => this.room.failure.set(failureText(e)),
    });
  }

  /** Adds the row, or changes it over the version it was opened at. */
  save(metal: OwnMetal, version: number | undefined, done: (failure: string) => void): void {
    const sent =
      version === undefined
        ? this.http.post<StoredMetal>(METALS, metal)
        : this.http.put<StoredMetal>(`${METALS}/${metal.id}?version=${version}`, metal);
    sent.subscribe({
      next: (row) => {
        this.room.rows.update((all) => [...(all ?? []).filter((r) => r.metal.id !== row.metal.id), row].sort(byName));
        done('');
      },
      error: (e: unknown) => done(failureText(e)),
    });
  }

  remove(id: string, done: (failure: string) => void): void {
    this.http.delete<void>(`${METALS}/${id}`).subscribe({
      next: () => {
        this.room.rows.update((all) => (all ?? []).filter((r) => r.metal.id !== id));
        done('');
      },
      error: (e: unknown) => done(failureText(e)),
    });
  }
}
