import { query, type Db } from '../database/open-database';
import { digest, freshToken } from './session-store';

/** A link as it is listed: known by the first letters of its hash, as the link itself is shown once. */
export interface ListedLink {
  readonly mark: string;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly until: string;
}

/** Links that show one job, and no more, to whoever has them. */
export class LinkStore {
  private readonly sql;

  constructor(db: Db) {
    this.sql = {
      insert: db.prepare(query('insert-link')),
      get: db.prepare<[string], { job_id: string; until: string }>(query('get-link')),
      list: db.prepare<[string], { mark: string; made_by: string; made_at: string; until: string }>(query('list-links')),
      delete: db.prepare(query('delete-link')),
    };
  }

  /** A new link's token; it is kept nowhere. */
  make(job: string, by: string, days: number, now = Date.now()): string {
    const token = freshToken();
    const until = new Date(now + days * 86_400_000).toISOString();
    this.sql.insert.run({ hash: digest(token), job, by, now: new Date(now).toISOString(), until });
    return token;
  }

  /** The job a link shows; undefined where it is over, or none. */
  jobOf(token: string, now = Date.now()): string | undefined {
    const row = this.sql.get.get(digest(token));
    return row && Date.parse(row.until) > now ? row.job_id : undefined;
  }

  of(job: string): ListedLink[] {
    return this.sql.list.all(job).map(({ mark, made_by, made_at, until }) => ({ mark, madeBy: made_by, madeAt: made_at, until }));
  }

  /** False where there is none. */
  end(job: string, mark: string): boolean {
    return this.sql.delete.run({ job, mark }).changes > 0;
  }
}
