import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { pino } from 'pino';
import sharp from 'sharp';
import { testId } from '@core/testing/log-lines';
import { closeDatabase, openDatabase } from '../database/open-database';
import { DEMO_RACK } from '../demo/lake-sorrow';
import { photoPath } from '../prove/photo-files';
import { storesOf } from '../stores';
import { backUp, backupFault, backupsBeside, backupsIn, restore } from './backup';
import { backupName, notKept } from './keep-rules';
import { Nightly } from './nightly';

const folders: string[] = [];
const folder = () => {
  const f = mkdtempSync(join(tmpdir(), 'mast-shoe-backup-'));
  folders.push(f);
  return f;
};
afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true, force: true })));

/** A shop that has worked: jobs, books and a photograph. */
async function shop() {
  const at = folder();
  const file = join(at, 'data.sqlite');
  const db = openDatabase(file);
  const stores = storesOf(db, join(at, 'photos'));
  for (const job of DEMO_RACK.slice(0, 4)) stores.store.add(job);
  const body = { kind: 'note', did: 'inspected', text: 'seen' } as const;
  const entries = [1, 2, 3].map((n) => ({
    id: testId(n),
    at: '2026-05-02T10:00:00.000Z',
    by: 'AM',
    version: 1,
    about: {},
    body,
  }));
  stores.book.append(DEMO_RACK[1]!.id, entries);
  const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#c99a3c' } })
    .png()
    .toBuffer();
  const photo = await stores.photos.add(picture);
  if ('because' in photo) throw new Error(photo.because);
  return { at, file, db, stores, sha: photo.sha256, backups: join(at, 'backups') };
}
/** Every row of every table that is written to, as text: two databases with the same are the same. */
function rows(file: string): string {
  const db = new Database(file, { readonly: true });
  const tables = ['job', 'kept_version', 'log', 'photo', 'shop', 'deed'];
  const all = tables.map((t) => db.prepare(`SELECT * FROM ${t} ORDER BY 1, 2`).raw().all());
  db.close();
  return JSON.stringify(all, (_k, v: unknown) => v);
}

it('the drill: backed up while it is used, brought back on another machine, the same row by row and byte by byte', async () => {
  const { file, db, stores, sha, backups, at } = await shop();
  const name = await backUp(db, join(at, 'photos'), backups);
  expect(backupFault(backups, name)).toBe('');
  const then = rows(file);
  // Whatever is done afterwards is not in it.
  stores.store.save({ ...DEMO_RACK[0]!, name: 'Later' }, 1);
  const elsewhere = join(folder(), 'data.sqlite');
  expect(restore(backups, name, elsewhere)).toBeUndefined();
  expect(rows(elsewhere)).toBe(then);
  const beside = join(elsewhere, '../photos');
  for (const thumb of [false, true])
    expect(readFileSync(photoPath(beside, sha, thumb))).toEqual(readFileSync(photoPath(join(at, 'photos'), sha, thumb)));
  const again = storesOf(openDatabase(elsewhere), beside);
  expect(again.store.get(DEMO_RACK[0]!.id)).toMatchObject({ version: 1, job: { name: DEMO_RACK[0]!.name } });
  expect(again.book.lines(DEMO_RACK[1]!.id)).toEqual(stores.book.lines(DEMO_RACK[1]!.id));
  // Over what is there: that is moved aside whole, with its last changes.
  closeDatabase(db);
  const aside = restore(backups, name, file)!;
  expect(rows(file)).toBe(then);
  const former = openDatabase(aside);
  expect(storesOf(former, at).store.get(DEMO_RACK[0]!.id)).toMatchObject({ job: { name: 'Later' } });
});

it('a backup that is not whole is not brought back, and nothing is touched', async () => {
  const { at, file, db, sha, backups } = await shop();
  const name = await backUp(db, join(at, 'photos'), backups);
  closeDatabase(db);
  const before = readFileSync(file);
  const copy = join(backups, name, 'mast-shoe.sqlite');
  const good = readFileSync(copy);
  const photo = photoPath(join(backups, 'photos'), sha);
  const spoil: readonly (readonly [() => void, RegExp])[] = [
    [() => writeFileSync(copy, good.subarray(0, 9000)), /not what was written/],
    [() => rmSync(copy), /database is missing/],
    [() => writeFileSync(photo, 'half'), /1 of its photographs/],
  ];
  for (const [how, says] of spoil) {
    const kept = readFileSync(photo);
    how();
    expect(() => restore(backups, name, file)).toThrow(says);
    expect(readFileSync(file)).toEqual(before);
    writeFileSync(copy, good);
    writeFileSync(photo, kept);
  }
  expect(() => restore(backups, '2020-01-01T000000', file)).toThrow(`there are ${name}`);
  expect(() => restore(backups, '../..', file)).toThrow('there is no backup');
});

it('two at once, as by the server and by hand, are both made, each whole; what was never finished is cleared away', async () => {
  const { at, db, backups } = await shop();
  const now = new Date('2026-05-02T10:00:00Z');
  const left = join(backups, '.part-left');
  mkdirSync(left, { recursive: true });
  utimesSync(left, new Date('2026-05-01T09:00:00Z'), new Date('2026-05-01T09:00:00Z'));
  // The rules keep one of a day: of two at once each process keeps its own, and the next that is made takes the older away.
  const made = await Promise.all([1, 2].map(() => backUp(db, join(at, 'photos'), backups, now)));
  expect(made.toSorted()).toEqual(['2026-05-02T100000', '2026-05-02T100001']);
  for (const name of backupsIn(backups)) expect(backupFault(backups, name)).toBe('');
  expect(backupsIn(backups)).toContain('2026-05-02T100001');
  expect(readdirSync(backups).filter((f) => f.startsWith('.'))).toEqual([]);
  closeDatabase(db);
});

it('a photograph that was gone already is said to lack, and keeps no backup from being made', async () => {
  const { at, db, sha, backups } = await shop();
  rmSync(photoPath(join(at, 'photos'), sha));
  const name = await backUp(db, join(at, 'photos'), backups);
  expect(JSON.parse(readFileSync(join(backups, name, 'manifest.json'), 'utf8'))).toMatchObject({ photos: [], lacking: [sha] });
  expect(backupFault(backups, name)).toBe('');
  closeDatabase(db);
});

it('keeps the newest of each day for a fortnight, of each week for two months, of each month for a year', () => {
  const from = Date.UTC(2025, 0, 1, 2);
  const all = Array.from({ length: 800 }, (_, n) => backupName(new Date(from + n * 12 * 3_600_000)));
  let kept = [] as string[];
  // As it runs: one at a time, the rules after each.
  for (const name of all) {
    kept.push(name);
    const out = new Set(notKept(kept));
    kept = kept.filter((n) => !out.has(n));
  }
  expect(kept.at(-1)).toBe(all.at(-1));
  const days = [...new Set(kept.map((n) => n.slice(0, 10)))];
  // 400 days end on 2026-02-04: fourteen days, then Mondays' weeks, then months.
  expect(days.filter((d) => d >= '2026-01-22')).toHaveLength(14);
  expect(new Set(kept.map((n) => n.slice(0, 7))).size).toBe(12);
  expect(kept.length).toBeLessThanOrEqual(14 + 8 + 12);
  expect(kept.length).toBeGreaterThan(26);
  expect(notKept([all[0]!])).toEqual([]);
});

it('the backups of a demo lie apart from those of the shop beside it', () =>
  expect([backupsBeside('/d/demo.sqlite'), backupsBeside('/d/mast-shoe.sqlite')]).toEqual([
    '/d/backups/demo',
    '/d/backups/mast-shoe',
  ]));

it('once a day by itself; a failure is said, and the ones before stay', async () => {
  const { at, db, backups } = await shop();
  const log = pino({ level: 'silent' });
  const parts = { db, photos: join(at, 'photos'), folder: backups, log };
  const nightly = new Nightly(parts);
  expect(nightly.state()).toEqual({ last: '', many: 0, failed: '' });
  nightly.start();
  await nightly.stop();
  expect(nightly.state()).toMatchObject({ many: 1, failed: '' });
  expect(Date.now() - new Date(nightly.state().last).getTime()).toBeLessThan(60_000);
  // Started again within the day it has nothing to do.
  const again = new Nightly(parts);
  again.start();
  await again.stop();
  expect(backupsIn(backups)).toHaveLength(1);
  const blocked = join(at, 'blocked');
  writeFileSync(blocked, 'a file where the folder should be');
  const bad = new Nightly({ ...parts, folder: join(blocked, 'x') });
  bad.start();
  await bad.stop();
  expect(bad.state().failed).toMatch(/ENOTDIR|not a directory/);
  expect(existsSync(join(backups, backupsIn(backups)[0]!))).toBe(true);
  closeDatabase(db);
});
