import { OwnMetal } from '@core/job/own-stock';
import { query, type Db } from '../database/open-database';

interface Row {
  id: string;
  version: number;
  document: string;
  updated_at: string;
}

/** A row of the shop's own stock, with the version a change has to name. */
export interface StoredMetal {
  readonly metal: OwnMetal;
  readonly version: number;
  readonly updatedAt: string;
}

/** The shop's own rows in SQLite; a change over a newer row is handed back, as with jobs. */
export class StockStore {
  private readonly sql;

  constructor(db: Db) {
    this.sql = {
      list: db.prepare<[], Row>(query('list-own-metals')),
      get: db.prepare<[string], Row>(query('get-own-metal')),
      insert: db.prepare(query('insert-own-metal')),
      update: db.prepare(query('update-own-metal')),
      delete: db.prepare(query('delete-own-metal')),
    };
  }

  metals(): StoredMetal[] {
    return this.sql.list.all().map(stored);
  }

  metal(id: string): StoredMetal | undefined {
    const row = this.sql.get.get(id);
    return row && stored(row);
  }

  /** False where the id is taken. */
  add(m: OwnMetal): boolean {
    return this.sql.insert.run({ id: m.id, document: JSON.stringify(m), now: new Date().toISOString() }).changes > 0;
  }

  /** False where the row is newer than `version`, or gone. */
  change(m: OwnMetal, version: number): boolean {
    return this.sql.update.run({ id: m.id, version, document: JSON.stringify(m), now: new Date().toISOString() }).changes > 0;
  }

  /** False where there is no such row. */
  remove(id: string): boolean {
    return this.sql.delete.run(id).changes > 0;
  }
}

const stored = (row: Row): StoredMetal => ({
  metal: OwnMetal.parse(JSON.parse(row.document)),
  version: row.version,
  updatedAt: row.updated_at,
});
