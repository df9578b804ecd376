import { signal } from '@angular/core';
import { USUAL_SHOP, type ShopSettings } from '@core/stock/shop-settings';

/** The shop’s settings without a server: changes are kept at once. */
export class TestShop {
  readonly settings = signal<ShopSettings | null>({ ...USUAL_SHOP, zone: 'UTC' });
  readonly version = signal(1);
  readonly failure = signal('');

  fetch(): void {
    // They are here.
  }
  change(f: (s: ShopSettings) => ShopSettings, done?: () => void): void {
    this.settings.update((s) => f(s!));
    this.version.update((v) => v + 1);
    done?.();
  }
}
