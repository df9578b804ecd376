import Database from 'better-sqlite3';
import { chmodSync, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ROOT } from '../root';
import { keepCopy } from './kept-copy';
import { marked, markClosed, markOpen } from './marker';
import { migrations, type Migration } from './migrations';

export type Db = Database.Database;

const FOLDER = join(ROOT, 'apps/server/src/database');
const HOW_TO_RESTORE = 'bring back a backup with `npm run restore`';

/** The database cannot be used as it lies there; the message says why and what to do. */
export class Unusable extends Error {}

/**
 * Opens the database, WAL and foreign keys on, every commit on disk before it is answered for (synchronous FULL), and looks it
 * through: a file that was here and is gone, empty, damaged or without its last changes is refused, never replaced. Before a
 * migration of a database that has data, a checked copy is kept beside it as `<file>.before-<version>`.
 * Throws `Unusable`, also where the file was made by a newer version of this program.
 */
export function openDatabase(file: string, folder = join(FOLDER, 'migrations')): Db {
  if (file === ':memory:') return ready(new Database(file), file, migrations(folder));
  mkdirSync(dirname(file), { recursive: true });
  const fresh = isFresh(file);
  const db = new Database(file);
  try {
    // What a shop writes is for whoever runs it; rights that somebody gave an older file stay.
    if (fresh) chmodSync(file, 0o600);
    else lookedThrough(db, file);
    ready(db, file, migrations(folder));
    // From here on there is a log of changes, even before the first.
    db.exec('BEGIN IMMEDIATE; COMMIT');
    markOpen(file);
    return db;
  } catch (e) {
    db.close();
    throw e;
  }
}

/** Closes the database, its log of changes written back by whoever closes it last, and marks that nothing is missing then. */
export function closeDatabase(db: Db): void {
  const { name, memory } = db;
  db.close();
  if (!memory && marked(name) && !existsSync(`${name}-wal`)) markClosed(name);
}

/** True where nothing was here yet. Throws where something was, and is gone. */
function isFresh(file: string): boolean {
  const was = marked(file);
  const size = existsSync(file) ? statSync(file).size : -1;
  if (size > 0) {
    if (was === 'open' && !existsSync(`${file}-wal`))
      throw new Unusable(
        `the program was not closed, and the last changes lie in ${file}-wal, which is gone: put it back beside the database, or ${HOW_TO_RESTORE}; to go on without them remove ${file}.mark`,
      );
    return false;
  }
  if (was)
    throw new Unusable(
      `there was a database here and it is ${size === 0 ? 'empty' : 'gone'} (${file}): put it back, or ${HOW_TO_RESTORE}; to begin with an empty one remove ${file}.mark`,
    );
  return true;
}

function lookedThrough(db: Db, file: string): void {
  let found: string;
  try {
    found = db.pragma('integrity_check(1)', { simple: true }) as string;
  } catch (e) {
    found = (e as Error).message;
  }
  if (found !== 'ok')
    throw new Unusable(`the database ${file} is damaged (${found.replace(/\s+/g, ' ')}): keep the file, and ${HOW_TO_RESTORE}`);
}

function ready(db: Db, file: string, all: readonly Migration[]): Db {
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 4000');
  const at = db.pragma('user_version', { simple: true }) as number;
  const newest = all.at(-1)?.version ?? 0;
  if (at > newest) {
    db.close();
    throw new Unusable(`the database is at schema ${at}, this program knows up to ${newest}: start a newer version`);
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

/** SQL of a named query file. */
export function query(name: string): string {
  return readFileSync(join(FOLDER, 'queries', `${name}.sql`), 'utf8');
}
