import type { Job } from '@core/job/schema';
import { readJob } from '@core/formats/read-job';
import { query, type Db } from '../database/open-database';

export interface StoredJob {
  readonly job: Job;
  readonly version: number;
  readonly archived: boolean;
  readonly updatedAt: string;
}

interface Row {
  id: string;
  version: number;
  archived: number;
  document: string;
  updated_at: string;
}

/** What came of a save: the new version, or the document that is there instead. */
export type Saved =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly current: StoredJob }
  | { readonly kind: 'missing' };

/** Jobs in SQLite; each save is one transaction and keeps the version it made. */
export class JobStore {
  private readonly sql;

  constructor(private readonly db: Db) {
    this.sql = {
      list: db.prepare<[], Row>(query('list-jobs')),
      get: db.prepare<[string], Row>(query('get-job')),
      insert: db.prepare(query('insert-job')),
      update: db.prepare(query('update-job')),
      keep: db.prepare(query('insert-version')),
      trim: db.prepare(query('trim-versions')),
      version: db.prepare<[string, number], { document: string }>(query('get-version')),
      archive: db.prepare(query('set-archived')),
    };
  }

  list(): StoredJob[] {
    return this.sql.list.all().map(stored);
  }

  get(id: string): StoredJob | undefined {
    const row = this.sql.get.get(id);
    return row && stored(row);
  }

  /** The document as it was at a version, for a three-way merge. */
  at(id: string, version: number): Job | undefined {
    const row = this.sql.version.get(id, version);
    return row && documentOf(row.document);
  }

  /** False where the id is taken. */
  add(job: Job): boolean {
    return this.db.transaction(() => {
      const made = this.sql.insert.run({ id: job.id, document: JSON.stringify(job), now: new Date().toISOString() });
      if (made.changes === 0) return false;
      this.sql.keep.run(job.id);
      return true;
    })();
  }

  /** Saves over `version` only; anything newer is left as it is and handed back. */
  save(job: Job, version: number): Saved {
    return this.db.transaction((): Saved => {
      const changed = this.sql.update.run({ id: job.id, version, document: JSON.stringify(job), now: new Date().toISOString() });
      if (changed.changes === 0) {
        const current = this.get(job.id);
        return current ? { kind: 'stale', current } : { kind: 'missing' };
      }
      this.sql.keep.run(job.id);
      this.sql.trim.run({ id: job.id });
      return { kind: 'saved', version: version + 1 };
    })();
  }

  /** False where there is no such job. */
  setArchived(id: string, archived: boolean): boolean {
    return this.sql.archive.run({ id, archived: archived ? 1 : 0, now: new Date().toISOString() }).changes > 0;
  }
}

function documentOf(text: string): Job {
  const read = readJob(text);
  if ('refusals' in read) throw new Error(`a stored job cannot be read: ${read.refusals[0]?.field} ${read.refusals[0]?.because}`);
  return read.job;
}

const stored = (row: Row): StoredJob => ({
  job: documentOf(row.document),
  version: row.version,
  archived: row.archived === 1,
  updatedAt: row.updated_at,
});
