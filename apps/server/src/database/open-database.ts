import Database from 'better-sqlite3';
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

export type Db = Database.Database;

const MIGRATIONS = join(import.meta.dirname, 'migrations');

/** Numbered SQL files, in order; the number is the schema version after it. */
function migrations(folder: string): { version: number; sql: string }[] {
  return readdirSync(folder)
    .filter((f) => /^\d{3}_.*\.sql$/.test(f))
    .sort()
    .map((f) => ({ version: Number(f.slice(0, 3)), sql: readFileSync(join(folder, f), 'utf8') }));
}

/**
 * Opens the database, WAL and foreign keys on, every commit on disk before it is answered for (synchronous FULL).
 * Before a migration of a database that has data, a copy is kept beside it as `<file>.before-<version>`.
 * Throws when the file was made by a newer version of this program.
 */
export function openDatabase(file: string, folder = MIGRATIONS): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const fresh = file !== ':memory:' && !existsSync(file);
  const db = new Database(file);
  // What a shop writes is for whoever runs it; rights that somebody gave an older file stay.
  if (fresh) chmodSync(file, 0o600);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  const at = db.pragma('user_version', { simple: true }) as number;
  const all = migrations(folder);
  const newest = all.at(-1)?.version ?? 0;
  if (at > newest) {
    db.close();
    throw new Error(`the database is at schema ${at}, this program knows up to ${newest}: start a newer version`);
  }
  const pending = all.filter((m) => m.version > at);
  if (pending.length > 0 && at > 0 && file !== ':memory:') keepCopy(db, `${file}.before-${newest}`);
  for (const m of pending) {
    db.transaction(() => {
      db.exec(m.sql);
      db.pragma(`user_version = ${m.version}`);
    })();
  }
  return db;
}

function keepCopy(db: Db, to: string): void {
  if (!existsSync(to)) db.prepare('VACUUM INTO ?').run(to);
}

/** SQL of a named query file. */
export function query(name: string): string {
  return readFileSync(join(import.meta.dirname, 'queries', `${name}.sql`), 'utf8');
}
