import { query, type Db } from '../database/open-database';

/** Something done besides writing in a document: by whom, and of what. */
export interface Deed {
  readonly at: string;
  readonly who: string;
  readonly did: string;
  readonly of: string;
  readonly detail: string;
}

/** Most deeds that are listed. */
const MOST = 500;

/** The log of who did what: archive, bin, stock, shop, people. */
export class DeedStore {
  private readonly sql;

  constructor(db: Db) {
    this.sql = {
      insert: db.prepare(query('insert-deed')),
      list: db.prepare<[{ of: string; limit: number }], Deed>(query('list-deeds')),
    };
  }

  add(who: string, did: string, of: string, detail = ''): void {
    this.sql.insert.run({ at: new Date().toISOString(), who, did, of, detail });
  }

  /** The newest first; of one thing, or of all. */
  of(of = ''): Deed[] {
    return this.sql.list.all({ of, limit: MOST });
  }
}
