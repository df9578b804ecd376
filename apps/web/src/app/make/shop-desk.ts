import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import type { ShopSettings } from '@core/stock/shop-settings';
import { failureText } from '../job/job-api';

interface StoredShop {
  readonly settings: ShopSettings;
  readonly version: number;
}

/** What the shop says of itself, for all its jobs: fetched once, changed over the version that was seen. */
@Injectable({ providedIn: 'root' })
export class ShopDesk {
  private readonly http = inject(HttpClient);
  /** Of what the server has. */
  readonly version = signal(0);
  /** Null until they came. */
  readonly settings = signal<ShopSettings | null>(null);
  readonly failure = signal('');

  fetch(): void {
    this.http.get<StoredShop>('/api/shop').subscribe({
      next: (s) => this.take(s),
      error: (e: unknown) => this.failure.set(failureText(e)),
    });
  }

  /** Shown at once and sent; what the server refuses is taken back, what was changed elsewhere meanwhile is shown. */
  change(f: (s: ShopSettings) => ShopSettings, done?: () => void): void {
    const before = this.settings();
    if (!before) return;
    const next = f(before);
    this.settings.set(next);
    this.http.put<StoredShop>(`/api/shop?version=${this.version()}`, next).subscribe({
      next: (s) => {
        this.take(s);
        done?.();
      },
      error: (e: unknown) => {
        this.settings.set(before);
        this.failure.set(failureText(e));
        const elsewhere =
          e instanceof HttpErrorResponse && e.status === 409 ? (e.error as { current?: StoredShop }).current : undefined;
        if (elsewhere) this.take(elsewhere, 'The shop’s settings were changed elsewhere; they are shown as they are now.');
      },
    });
  }

  private take({ settings, version }: StoredShop, said = ''): void {
    this.settings.set(settings);
    this.version.set(version);
    this.failure.set(said);
  }
}
