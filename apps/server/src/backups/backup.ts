import { createHash } from 'node:crypto';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join, parse } from 'node:path';
import { faultOf, settle } from '../database/kept-copy';
import type { Db } from '../database/open-database';
import { photoPath, readPhoto } from '../prove/photo-files';
import { BACKUP, backupName, notKept } from './keep-rules';

const DATABASE = 'mast-shoe.sqlite';

/** What a backup says of itself. */
export interface Manifest {
  readonly made: string;
  readonly database: string;
  readonly photos: readonly string[];
  /** Photographs that were gone or damaged already when it was made. */
  readonly lacking: readonly string[];
}

/** A backup that was being written this long ago was never finished, ms. */
const LEFT = 86_400_000;
const PART = '.part-';

const digest = (file: string): string => createHash('sha256').update(readFileSync(file)).digest('hex');

/** Where the backups of a database lie, unless somebody says otherwise: a demo's are never taken for a shop's. */
export const backupsBeside = (file: string): string => join(dirname(file), 'backups', parse(file).name);

/** Backups in a folder, the newest last. */
export const backupsIn = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((f) => BACKUP.test(f))
        .sort()
    : [];

/**
 * A backup of the database as it is, while it is used, and of every photograph: written aside, opened and looked through, and only
 * then given its name. Photographs of all backups stand together once, by what is in them. What the keep rules no longer hold is
 * taken away. Two at once, as by the server and by hand, do not meet: each writes in a folder of its own, and has a name of its own.
 * Throws where it cannot be written or is not whole; the ones before stay.
 */
export async function backUp(db: Db, photos: string, folder: string, now = new Date()): Promise<string> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  clearLeft(folder, now);
  const part = mkdtempSync(join(folder, PART));
  try {
    await write(db, photos, folder, part, now);
    const name = nameIn(folder, part, now);
    for (const old of notKept(backupsIn(folder)).filter((n) => n !== name))
      rmSync(join(folder, old), { recursive: true, force: true });
    return name;
  } catch (e) {
    rmSync(part, { recursive: true, force: true });
    throw e;
  }
}

/** Takes away what was being written when a process ended; another may be doing the same. */
function clearLeft(folder: string, now: Date): void {
  for (const part of readdirSync(folder).filter((f) => f.startsWith(PART))) {
    const at = statSync(join(folder, part), { throwIfNoEntry: false });
    if (at && now.getTime() - at.mtimeMs > LEFT) rmSync(join(folder, part), { recursive: true, force: true });
  }
}

/** Writes a backup into `part`, and looks through it. */
async function write(db: Db, photos: string, folder: string, part: string, now: Date): Promise<void> {
  const file = join(part, DATABASE);
  await db.backup(file);
  chmodSync(file, 0o600);
  const fault = faultOf(file);
  if (fault) throw new Error(`the backup is not whole: ${fault}`);
  const named = db
    .prepare<[], { sha256: string }>('SELECT sha256 FROM photo ORDER BY sha256')
    .all()
    .map((r) => r.sha256);
  const lacking = named.filter((sha) => !keepPhoto(photos, join(folder, 'photos'), sha));
  const manifest: Manifest = {
    made: now.toISOString(),
    database: digest(file),
    photos: named.filter((sha) => !lacking.includes(sha)),
    lacking,
  };
  writeFileSync(join(part, 'manifest.json'), JSON.stringify(manifest, null, 1), { mode: 0o600 });
}

/** Gives a finished backup its name: of the second it was begun in, or the first after it that is free. */
function nameIn(folder: string, part: string, at: Date): string {
  const name = backupName(at);
  try {
    renameSync(part, join(folder, name));
    return name;
  } catch (e) {
    if (!['ENOTEMPTY', 'EEXIST'].includes((e as { code?: string }).code ?? '')) throw e;
    return nameIn(folder, part, new Date(at.getTime() + 1000));
  }
}

/** Both sizes of a photograph into another folder; false where it is not what it was. */
function keepPhoto(from: string, to: string, sha: string): boolean {
  if (typeof readPhoto(from, sha) === 'string') return false;
  for (const thumb of [false, true]) {
    const [a, b] = [photoPath(from, sha, thumb), photoPath(to, sha, thumb)];
    if (!existsSync(a) || existsSync(b)) continue;
    mkdirSync(dirname(b), { recursive: true, mode: 0o700 });
    const part = `${b}.${process.pid}.part`;
    copyFileSync(a, part);
    settle(part, b);
  }
  return true;
}

/** What is wrong with a backup; empty where nothing is. */
export function backupFault(folder: string, name: string): string {
  const at = join(folder, name);
  if (!BACKUP.test(name) || !existsSync(join(at, 'manifest.json')))
    return `there is no backup ${name}; there are ${backupsIn(folder).join(', ') || 'none'}`;
  const manifest = JSON.parse(readFileSync(join(at, 'manifest.json'), 'utf8')) as Manifest;
  const file = join(at, DATABASE);
  if (!existsSync(file)) return 'its database is missing';
  if (digest(file) !== manifest.database) return 'its database is not what was written';
  const fault = faultOf(file);
  if (fault) return fault;
  const bad = manifest.photos.filter((sha) => typeof readPhoto(join(folder, 'photos'), sha) === 'string');
  return bad.length > 0 ? `${bad.length} of its photographs are missing or damaged` : '';
}

/**
 * Brings a backup back as the database at `file`, with its photographs beside it. What is there now is moved aside, never written
 * over. Throws where the backup is not whole; nothing is touched then. Returns where the former database went.
 */
export function restore(folder: string, name: string, file: string): string | undefined {
  const fault = backupFault(folder, name);
  if (fault) throw new Error(`the backup ${name} cannot be brought back: ${fault}`);
  const { photos } = JSON.parse(readFileSync(join(folder, name, 'manifest.json'), 'utf8')) as Manifest;
  mkdirSync(dirname(file), { recursive: true });
  const part = `${file}.part`;
  copyFileSync(join(folder, name, DATABASE), part);
  chmodSync(part, 0o600);
  const beside = join(dirname(file), 'photos');
  for (const sha of photos)
    if (!keepPhoto(join(folder, 'photos'), beside, sha)) throw new Error(`photograph ${sha} cannot be brought back`);
  const aside = existsSync(file) ? `${file}.before-restore-${backupName(new Date())}` : undefined;
  for (const end of ['', '-wal', '-shm', '.mark'])
    if (existsSync(file + end)) renameSync(file + end, `${aside ?? `${file}.left`}${end}`);
  settle(part, file);
  return aside;
}
