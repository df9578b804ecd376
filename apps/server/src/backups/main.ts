import Database from 'better-sqlite3';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { marked } from '../database/marker';
import { closeDatabase } from '../database/open-database';
import { ROOT } from '../root';
import { backUp, backupFault, backupsBeside, backupsIn, restore } from './backup';

const DATA = process.env['MAST_SHOE_DATA'] ?? join(ROOT, 'data', 'mast-shoe.sqlite');
const FOLDER = process.env['MAST_SHOE_BACKUPS'] ?? backupsBeside(DATA);
const USAGE = `usage: npm run backup                 backs up now, also while the server runs
       npm run backup -- --list       backups there are, each looked through
       npm run restore -- NAME|latest brings one back; the server must be stopped`;

async function main([what, name, ...more]: string[]): Promise<number> {
  if (what === 'backup' && name === undefined) {
    if (!existsSync(DATA)) return says(`there is no database at ${DATA}`, 2);
    const db = new Database(DATA, { fileMustExist: true });
    const made = await backUp(db, join(dirname(DATA), 'photos'), FOLDER);
    closeDatabase(db);
    return says(`backed up as ${made} in ${FOLDER}`);
  }
  if (what === 'backup' && name === '--list' && more.length === 0) {
    const lines = backupsIn(FOLDER).map((b) => `${b}  ${backupFault(FOLDER, b) || 'whole'}`);
    return says(lines.join('\n') || `there is no backup in ${FOLDER}`);
  }
  if (what === 'restore' && name && more.length === 0) {
    if (marked(DATA) === 'open' && existsSync(DATA) && inUse())
      return says('the database is in use: stop the server first; nothing was changed', 2);
    const wanted = name === 'latest' ? backupsIn(FOLDER).at(-1) : name;
    if (!wanted) return says(`there is no backup in ${FOLDER}`, 2);
    const aside = restore(FOLDER, wanted, DATA);
    return says(`${wanted} is back as ${DATA}${aside ? `; what was there is ${aside}` : ''}`);
  }
  return says(USAGE, 2);
}

/** Whether another process has the database open: the log of changes is taken away by whoever closes it last. */
function inUse(): boolean {
  let db: Database.Database | undefined;
  try {
    db = new Database(DATA, { fileMustExist: true });
    db.pragma('locking_mode = EXCLUSIVE');
    db.exec('BEGIN EXCLUSIVE; COMMIT');
    return false;
  } catch (e) {
    return String((e as { code?: string }).code).startsWith('SQLITE_BUSY');
  } finally {
    if (db) closeDatabase(db);
  }
}

function says(text: string, exit = 0): number {
  (exit === 0 ? console.log : console.error)(text);
  return exit;
}

try {
  process.exitCode = await main(process.argv.slice(2));
} catch (e) {
  process.exitCode = says((e as Error).message, 1);
}
