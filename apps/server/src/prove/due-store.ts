import type { Task } from '@core/prove/tasks';
import { query, type Db } from '../database/open-database';

/** What each job asks for through the years, as of a version and so many lines of its book. */
export class DueStore {
  private readonly sql;

  constructor(
    db: Db,
    private readonly edition: string,
  ) {
    this.sql = {
      get: db.prepare<[string], { version: number; lines: number; edition: string; tasks: string }>(query('get-asks')),
      put: db.prepare(query('put-asks')),
      behind: db.prepare<[string], { id: string }>(query('list-asks-behind')),
    };
  }

  has(id: string, version: number, lines: number): boolean {
    const row = this.sql.get.get(id);
    return row?.version === version && row.lines === lines && row.edition === this.edition;
  }

  /** As last worked out; undefined where it never was, or by another edition of the program. */
  tasks(id: string): { readonly version: number; readonly lines: number; readonly tasks: readonly Task[] } | undefined {
    const row = this.sql.get.get(id);
    if (row?.edition !== this.edition) return undefined;
    return { version: row.version, lines: row.lines, tasks: JSON.parse(row.tasks) as Task[] };
  }

  /** Jobs whose tasks are behind their document or their book. */
  behind(): { readonly id: string }[] {
    return this.sql.behind.all(this.edition);
  }

  /** `nextOn`, `byUse`: what comes first, by its day and by use. A job deleted meanwhile asks for nothing. */
  put(id: string, version: number, lines: number, tasks: readonly Task[], nextOn: string, byUse = ''): void {
    try {
      this.sql.put.run({ id, version, lines, edition: this.edition, tasks: JSON.stringify(tasks), nextOn, byUse });
    } catch (e) {
      if ((e as { code?: string }).code !== 'SQLITE_CONSTRAINT_FOREIGNKEY') throw e;
    }
  }
}
