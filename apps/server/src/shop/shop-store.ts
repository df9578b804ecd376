import { ShopSettings, USUAL_SHOP } from '@core/stock/shop-settings';
import { query, type Db } from '../database/open-database';

/** What the shop says of itself, with the version a change has to name; 0 while nobody has said anything. */
export interface StoredShop {
  readonly settings: ShopSettings;
  readonly version: number;
}

/** The shop's own settings in SQLite, and which version of each job was last printed. */
export class ShopStore {
  private readonly sql;
  /** As it was read last: it is asked at every look at the rack, and seldom changed. */
  private last: { readonly document: string; readonly stored: StoredShop } | undefined;

  constructor(db: Db) {
    this.sql = {
      get: db.prepare<[], { version: number; document: string }>(query('get-shop')),
      insert: db.prepare(query('insert-shop')),
      update: db.prepare(query('update-shop')),
      packet: db.prepare<[string], { version: number; printed_at: string }>(query('get-packet')),
      printed: db.prepare(query('put-packet')),
    };
  }

  /** The usual ones while none are kept; what a later program added to them is as usual too. */
  get(): StoredShop {
    const row = this.sql.get.get();
    if (!row) return { settings: USUAL_SHOP, version: 0 };
    if (this.last?.document === row.document && this.last.stored.version === row.version) return this.last.stored;
    const kept = JSON.parse(row.document) as Partial<ShopSettings>;
    const settings = ShopSettings.parse({ ...USUAL_SHOP, ...kept, rates: { ...USUAL_SHOP.rates, ...kept.rates } });
    const stored = { settings, version: row.version };
    this.last = { document: row.document, stored };
    return stored;
  }

  /** False where they are newer than `version`. */
  put(settings: ShopSettings, version: number): boolean {
    const row = { document: JSON.stringify(settings), now: new Date().toISOString() };
    const done = version === 0 ? this.sql.insert.run(row) : this.sql.update.run({ ...row, version });
    return done.changes > 0;
  }

  /** The version of a job that was last printed as a packet. */
  packet(job: string): { readonly version: number; readonly at: string } | undefined {
    const row = this.sql.packet.get(job);
    return row && { version: row.version, at: row.printed_at };
  }

  printed(job: string, version: number): void {
    this.sql.printed.run({ job, version, now: new Date().toISOString() });
  }
}
