import type { Db } from '../database/open-database';

/** What came of taking the demo away. */
export interface TakenAway {
  readonly removed: number;
  /** Invented jobs that somebody has worked in since: they stay, as jobs like any other. */
  readonly kept: number;
}

/** Which jobs are invented, and their end. */
export class DemoStore {
  private readonly sql;

  constructor(private readonly db: Db) {
    this.sql = {
      mark: db.prepare('UPDATE job SET demo = 1 WHERE id = ?'),
      logs: db.prepare('DELETE FROM log WHERE job_id IN (SELECT id FROM job WHERE demo = 1 AND version = 1)'),
      jobs: db.prepare('DELETE FROM job WHERE demo = 1 AND version = 1'),
      keep: db.prepare('UPDATE job SET demo = 0 WHERE demo = 1'),
    };
  }

  mark(id: string): void {
    this.sql.mark.run(id);
  }

  /** All of it at once: the invented jobs and their books; what somebody has changed stays. */
  takeAway(): TakenAway {
    return this.db.transaction(() => {
      this.sql.logs.run();
      const removed = this.sql.jobs.run().changes;
      return { removed, kept: this.sql.keep.run().changes };
    })();
  }
}
