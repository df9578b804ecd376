import { createHash } from 'node:crypto';
import type { WholeJob } from '@core/job/whole-job';
import { readJob } from '@core/formats/read-job';
import { refusalText } from '@core/units/refusal';
import { query, type Db } from '../database/open-database';
import type { TagVerdict } from '../verdicts/face';
import { pack, unpack, type Body } from './packed-version';

export interface StoredJob {
  readonly job: WholeJob;
  readonly version: number;
  readonly archived: boolean;
  readonly binned: boolean;
  readonly updatedAt: string;
}

/** A row whose document does not read as a job. It stays as it is, and can be taken out as text. */
export interface Unreadable {
  readonly id: string;
  readonly text: string;
  readonly because: string;
  readonly version: number;
  readonly archived: boolean;
  readonly binned: boolean;
  readonly updatedAt: string;
}

export const isUnreadable = (x: StoredJob | Unreadable): x is Unreadable => 'because' in x;

interface Row {
  id: string;
  version: number;
  archived: number;
  binned_at: string | null;
  document: string;
  updated_at: string;
  sha256: string;
}

/** What came of a save: the new version, or the document that is there instead. */
export type Saved =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly current: StoredJob | Unreadable }
  | { readonly kind: 'binned' }
  | { readonly kind: 'missing' };

/** By whom a thing is done, and what: kept with the version it made. */
export interface By {
  readonly who: string;
  readonly did: string;
}
const NOBODY: By = { who: '', did: '' };

/** A document that was written, and by whom. */
export interface Change {
  readonly id: string;
  readonly version: number;
  readonly who: string;
}

export interface KeptVersion extends By {
  readonly version: number;
  readonly savedAt: string;
  /** As it was judged then; null where it was not. */
  readonly verdict: TagVerdict | null;
}

/** What came of deleting for good. */
export type Deleted = 'deleted' | 'missing' | 'not in the bin' | 'has a logbook';

/** Jobs in SQLite; each save is one transaction and keeps the version it made, with who made it and what was done. */
export class JobStore {
  private readonly sql;
  private readonly changed = new Set<(change: Change) => void>();

  constructor(private readonly db: Db) {
    this.sql = {
      count: db.prepare<[], { jobs: number }>(query('count-jobs')),
      get: db.prepare<[string], Row>(query('get-job')),
      live: db.prepare<[], { id: string; version: number; name: string; document: string }>(query('list-live')),
      insert: db.prepare(query('insert-job')),
      update: db.prepare(query('update-job')),
      keep: db.prepare(query('insert-version')),
      bodies: db.prepare<[{ id: string; version: number }], Body>(query('list-bodies')),
      versions: db.prepare<[string], { version: number; saved_at: string; who: string; did: string; verdict: string | null }>(
        query('list-versions'),
      ),
      archive: db.prepare(query('set-archived')),
      bin: db.prepare(query('set-binned')),
      delete: db.prepare(query('delete-job')),
      lines: db.prepare<[string], { lines: number }>(query('count-log-lines')),
      deed: db.prepare(query('insert-deed')),
    };
  }

  /** Hears of every job whose document was added or changed. */
  onChange(f: (change: Change) => void): void {
    this.changed.add(f);
  }

  /** What is done inside is there whole, or not at all. */
  atOnce<T>(f: () => T): T {
    return this.db.transaction(f)();
  }

  count(): number {
    return this.sql.count.get()!.jobs;
  }

  /** What is neither archived nor in the bin, as it is kept. */
  live(): { readonly id: string; readonly version: number; readonly name: string; readonly document: string }[] {
    return this.sql.live.all();
  }

  get(id: string): StoredJob | Unreadable | undefined {
    const row = this.sql.get.get(id);
    return row && stored(row);
  }

  /** The document as it is kept, unread. */
  text(id: string): { readonly text: string; readonly version: number } | undefined {
    const row = this.sql.get.get(id);
    return row && { text: row.document, version: row.version };
  }

  /** The document as it was at a version, for a three-way merge; undefined where it is not kept or does not read. */
  at(id: string, version: number): WholeJob | undefined {
    const text = this.textAt(id, version);
    const read = text === undefined ? undefined : documentOf(text);
    return read && 'job' in read ? read.job : undefined;
  }

  private textAt(id: string, version: number): string | undefined {
    const bodies = this.sql.bodies.all({ id, version });
    return bodies[0]?.version === version ? unpack(bodies) : undefined;
  }

  /** Every version there was, the newest first. */
  versions(id: string): KeptVersion[] {
    return this.sql.versions.all(id).map(({ saved_at, verdict, ...v }) => ({
      ...v,
      savedAt: saved_at,
      verdict: verdict === null ? null : (JSON.parse(verdict) as TagVerdict),
    }));
  }

  /** False where the id is taken. */
  add(job: WholeJob, by: By = NOBODY): boolean {
    const now = new Date().toISOString();
    const document = JSON.stringify(job);
    const done = this.db.transaction(() => {
      if (this.sql.insert.run({ ...listed(job), document, sha256: digest(document), now }).changes === 0) return false;
      this.sql.keep.run({ id: job.id, version: 1, now, ...by, ...pack(1, document, undefined) });
      return true;
    })();
    if (done) this.say({ id: job.id, version: 1, who: by.who });
    return done;
  }

  /** Saves over `version` only; anything newer is left as it is and handed back. */
  save(job: WholeJob, version: number, by: By = NOBODY): Saved {
    const now = new Date().toISOString();
    const document = JSON.stringify(job);
    const saved = this.db.transaction((): Saved => {
      const before = this.sql.get.get(job.id);
      if (this.sql.update.run({ ...listed(job), version, document, sha256: digest(document), now }).changes === 0) {
        if (!before) return { kind: 'missing' };
        return before.binned_at === null ? { kind: 'stale', current: stored(before) } : { kind: 'binned' };
      }
      const next = version + 1;
      this.sql.keep.run({
        id: job.id,
        version: next,
        now,
        ...by,
        ...pack(next, document, before!.sha256 === '' ? undefined : before!.document),
      });
      return { kind: 'saved', version: next };
    })();
    if (saved.kind === 'saved') this.say({ id: job.id, version: saved.version, who: by.who });
    return saved;
  }

  /** False where there is no such job. */
  setArchived(id: string, archived: boolean, who = ''): boolean {
    return this.set(
      id,
      this.sql.archive,
      { archived: archived ? 1 : 0 },
      { who, did: archived ? 'archived' : 'back on the rack' },
    );
  }

  /** False where there is no such job. */
  setBinned(id: string, binned: boolean, who = ''): boolean {
    const at = binned ? new Date().toISOString() : null;
    return this.set(id, this.sql.bin, { binned: at }, { who, did: binned ? 'put in the bin' : 'out of the bin' });
  }

  private set(id: string, how: { run(row: object): { changes: number } }, what: object, by: By): boolean {
    return this.db.transaction(() => {
      if (!this.sql.get.get(id)) return false;
      const now = new Date().toISOString();
      if (how.run({ id, now, ...what }).changes > 0) this.sql.deed.run({ at: now, ...by, of: id, detail: '' });
      return true;
    })();
  }

  /** Deletes a job in the bin for good, with all its versions. One that has a logbook is kept: the book is never removed. */
  delete(id: string, who = ''): Deleted {
    return this.db.transaction((): Deleted => {
      const row = this.sql.get.get(id);
      if (!row) return 'missing';
      if (this.sql.lines.get(id)!.lines > 0) return 'has a logbook';
      if (this.sql.delete.run(id).changes === 0) return 'not in the bin';
      const { document: text } = row;
      const name = /"name":"([^"]{0,80})"/.exec(text)?.[1] ?? '';
      this.sql.deed.run({ at: new Date().toISOString(), who, did: 'deleted for good', of: id, detail: name });
      return 'deleted';
    })();
  }

  private say(change: Change): void {
    for (const f of this.changed) f(change);
  }
}

const digest = (text: string): string => createHash('sha256').update(text).digest('hex');

/** What the rack lists of a document. */
const listed = ({ id, name, family, customer = '', aboard = '', note }: WholeJob) => ({
  id,
  name,
  family,
  customer,
  aboard,
  note,
});

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
  const { version, archived, binned_at, updated_at: updatedAt } = row;
  const kept = { version, archived: archived === 1, binned: binned_at !== null, updatedAt };
  const read = documentOf(row.document);
  const bad = (because: string): Unreadable => ({ ...kept, id: row.id, text: row.document, because });
  if (!('job' in read)) return bad(read.because);
  // A figure that changed on the disk would read as well as the right one.
  if (row.sha256 !== '' && digest(row.document) !== row.sha256) return bad('it is not what was written: the disk has damaged it');
  return { ...kept, job: read.job };
}
