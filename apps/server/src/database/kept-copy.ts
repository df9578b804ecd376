import Database from 'better-sqlite3';
import { chmodSync, closeSync, existsSync, fsyncSync, openSync, renameSync, rmSync } from 'node:fs';
import type { Db } from './open-database';

/** What is wrong with a database file, opened to look only; empty where nothing is. */
export function faultOf(file: string, schema?: number): string {
  let db: Db | undefined;
  try {
    db = new Database(file, { readonly: true, fileMustExist: true });
    const found = db.pragma('integrity_check(1)', { simple: true }) as string;
    if (found !== 'ok') return found;
    const at = db.pragma('user_version', { simple: true }) as number;
    return schema !== undefined && at !== schema ? `it is of schema ${at}, not ${schema}` : '';
  } catch (e) {
    return (e as Error).message;
  } finally {
    db?.close();
  }
}

/** A copy of the database as it is, written aside, looked through and only then given its name; a sound one that is there stays. */
export function keepCopy(db: Db, to: string): void {
  const schema = db.pragma('user_version', { simple: true }) as number;
  if (existsSync(to) && faultOf(to, schema) === '') return;
  const part = `${to}.part`;
  rmSync(part, { force: true });
  db.prepare('VACUUM INTO ?').run(part);
  chmodSync(part, 0o600);
  const fault = faultOf(part, schema);
  if (fault) {
    rmSync(part, { force: true });
    throw new Error(`the copy before the upgrade is not whole (${fault}); nothing was changed`);
  }
  settle(part, to);
}

/** Gives a finished file its name, once it is on the disk. */
export function settle(part: string, to: string): void {
  const file = openSync(part, 'r');
  fsyncSync(file);
  closeSync(file);
  renameSync(part, to);
}
