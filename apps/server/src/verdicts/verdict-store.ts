import { query, type Db } from '../database/open-database';
import type { Face } from './face';

/** Verdicts with the versions they belong to, and what tags draw. */
export class VerdictStore {
  private readonly sql;

  /** `edition`: which program judges; what another judged is judged again. */
  constructor(
    private readonly db: Db,
    readonly edition: string,
  ) {
    this.sql = {
      has: db.prepare<[object], { there: number }>(query('has-face')),
      put: db.prepare(query('put-verdict')),
      face: db.prepare(query('put-face')),
      unjudged: db.prepare<[string], { id: string; version: number }>(query('list-unjudged')),
      drawn: db.prepare<[string], { job_id: string; version: number; drawn: string }>(query('list-drawn')),
    };
  }

  /** Jobs whose newest version waits for its verdict. */
  unjudged(): { readonly id: string; readonly version: number }[] {
    return this.sql.unjudged.all(this.edition);
  }

  has(id: string, version: number): boolean {
    return this.sql.has.get({ id, version, edition: this.edition }) !== undefined;
  }

  /** Keeps a verdict. A job deleted meanwhile has none. */
  put(id: string, version: number, { verdict, drawn, unreadable }: Face): void {
    const { edition } = this;
    const row = { id, version, edition, now: new Date().toISOString() };
    try {
      this.db.transaction(() => {
        this.sql.put.run({ ...row, state: verdict.state, goodFor: verdict.goodFor, verdict: JSON.stringify(verdict) });
        this.sql.face.run({ ...row, drawn: drawn && JSON.stringify(drawn), unreadable });
      })();
    } catch (e) {
      if ((e as { code?: string }).code !== 'SQLITE_CONSTRAINT_FOREIGNKEY') throw e;
    }
  }

  /** What tags draw, by job, as it is kept: JSON of a job at one foot. */
  drawn(ids: readonly string[]): { readonly id: string; readonly version: number; readonly drawn: string }[] {
    return this.sql.drawn.all(JSON.stringify(ids)).map(({ job_id: id, ...r }) => ({ id, ...r }));
  }
}
