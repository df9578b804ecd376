import type { WholeJob } from '@core/job/whole-job';
import { readJob } from '@core/formats/read-job';
import { refusalText } from '@core/units/refusal';
import { query, type Db } from '../database/open-database';

export interface StoredJob {
  readonly job: WholeJob;
  readonly version: number;
  readonly archived: boolean;
  readonly updatedAt: string;
}

/** A row whose document does not read as a job. It stays as it is, and can be taken out as text. */
export interface Unreadable {
  readonly id: string;
  readonly text: string;
  readonly because: string;
  readonly version: number;
  readonly archived: boolean;
  readonly updatedAt: string;
}

export const isUnreadable = (x: StoredJob | Unreadable): x is Unreadable => 'because' in x;

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
  | { readonly kind: 'stale'; readonly current: StoredJob | Unreadable }
  | { readonly kind: 'missing' };

/** Jobs in SQLite; each save is one transaction and keeps the version it made. */
export class JobStore {
  private readonly sql;

  constructor(private readonly db: Db) {
    this.sql = {
      list: db.prepare<[], Row>(query('list-jobs')),
      count: db.prepare<[], { jobs: number }>(query('count-jobs')),
      get: db.prepare<[string], Row>(query('get-job')),
      insert: db.prepare(query('insert-job')),
      update: db.prepare(query('update-job')),
      keep: db.prepare(query('insert-version')),
      trim: db.prepare(query('trim-versions')),
      version: db.prepare<[string, number], { document: string }>(query('get-version')),
      versions: db.prepare<[string], { version: number; saved_at: string }>(query('list-versions')),
      archive: db.prepare(query('set-archived')),
    };
  }

  /** What is done inside is there whole, or not at all. */
  atOnce<T>(f: () => T): T {
    return this.db.transaction(f)();
  }

  list(): (StoredJob | Unreadable)[] {
    return this.sql.list.all().map(stored);
  }

  count(): number {
    return this.sql.count.get()!.jobs;
  }

  get(id: string): StoredJob | Unreadable | undefined {
    const row = this.sql.get.get(id);
    return row && stored(row);
  }

  /** The document as it was at a version, for a three-way merge; undefined where it is not kept or does not read. */
  at(id: string, version: number): WholeJob | undefined {
    const row = this.sql.version.get(id, version);
    const read = row && documentOf(row.document);
    return read && 'job' in read ? read.job : undefined;
  }

  /** Versions that are kept, the newest first. */
  versions(id: string): { readonly version: number; readonly savedAt: string }[] {
    return this.sql.versions.all(id).map((v) => ({ version: v.version, savedAt: v.saved_at }));
  }

  /** False where the id is taken. */
  add(job: WholeJob): boolean {
    return this.db.transaction(() => {
      const made = this.sql.insert.run({ id: job.id, document: JSON.stringify(job), now: new Date().toISOString() });
      if (made.changes === 0) return false;
      this.sql.keep.run(job.id);
      return true;
    })();
  }

  /** Saves over `version` only; anything newer is left as it is and handed back. */
  save(job: WholeJob, version: number): Saved {
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

/** One row that does not read is never a reason to show nothing: whatever it throws is that row's own. */
function documentOf(text: string): { job: WholeJob } | { because: string } {
  try {
    const read = readJob(text);
    return 'job' in read ? read : { because: read.refusals.map(refusalText).join('; ') };
  } catch (error) {
    return { because: error instanceof Error ? error.message : String(error) };
  }
}

function stored(row: Row): StoredJob | Unreadable {
  const kept = { version: row.version, archived: row.archived === 1, updatedAt: row.updated_at };
  const read = documentOf(row.document);
  return 'job' in read ? { ...kept, job: read.job } : { ...kept, id: row.id, text: row.document, because: read.because };
}
