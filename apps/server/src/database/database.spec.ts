import Database from 'better-sqlite3';
import {
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
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_RACK } from '../demo/lake-sorrow';
import { JobStore } from '../jobs/job-store';
import { served } from '../testing/served';
import { testStores } from '../testing/stores';
import { closeDatabase, openDatabase, Unusable } from './open-database';
import { troubleOf } from './trouble';

const [winch, bench] = DEMO_RACK;
const folders: string[] = [];
const folder = () => {
  const f = mkdtempSync(join(tmpdir(), 'mast-shoe-db-'));
  folders.push(f);
  return f;
};
afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true })));

/** A closed database with some jobs in it. */
function filled(): string {
  const file = join(folder(), 'a.sqlite');
  const db = openDatabase(file);
  const { store } = testStores(db);
  for (const job of DEMO_RACK) store.add(job);
  closeDatabase(db);
  return file;
}
const why = (file: string): string => {
  try {
    openDatabase(file).close();
    return 'opened';
  } catch (e) {
    expect(e).toBeInstanceOf(Unusable);
    return (e as Error).message;
  }
};

it('runs with a write-ahead log and foreign keys, for its owner alone, and remembers after closing', () => {
  const file = join(folder(), 'a.sqlite');
  const db = openDatabase(file);
  expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
  expect(db.pragma('foreign_keys', { simple: true })).toBe(1);
  expect(db.pragma('synchronous', { simple: true })).toBe(2);
  for (const f of ['', '-wal', '.mark']) expect(statSync(file + f).mode & 0o077).toBe(0);
  new JobStore(db).add(winch!);
  closeDatabase(db);
  expect(new JobStore(openDatabase(file)).get(winch!.id)).toMatchObject({ job: winch });
});

describe('a database that was here and is not whole is refused, never replaced', () => {
  it('gone, or empty', () => {
    const file = filled();
    renameSync(file, `${file}.away`);
    expect(why(file)).toMatch(/there was a database here and it is gone .*npm run restore.*to begin with an empty one/);
    writeFileSync(file, '');
    expect(why(file)).toContain('it is empty');
    expect(statSync(file).size).toBe(0);
    rmSync(file);
    rmSync(`${file}.mark`);
    expect(why(file)).toBe('opened');
  });
  it('not closed, and its last changes gone', () => {
    const file = filled();
    const db = openDatabase(file);
    new JobStore(db).save({ ...winch!, name: 'Acknowledged' }, 1);
    // As a kill leaves it, on another machine's disk.
    const away = join(folder(), 'a.sqlite');
    for (const f of ['', '-wal', '.mark']) writeFileSync(away + f, readFileSync(file + f));
    expect(new JobStore(openDatabase(away)).get(winch!.id)).toMatchObject({ job: { name: 'Acknowledged' } });
    rmSync(`${away}-wal`);
    expect(why(away)).toMatch(/the last changes lie in .*-wal, which is gone/);
    closeDatabase(db);
  });
  it('every page of it: a page overwritten is found at the start, or it was a page that nothing rests on', () => {
    const file = filled();
    const whole = readFileSync(file);
    const pages = whole.length / 4096;
    let found = 0;
    for (let page = 0; page < pages; page += Math.max(1, Math.floor(pages / 25))) {
      const bad = Buffer.from(whole);
      bad.fill(0x5a, page * 4096, (page + 1) * 4096);
      writeFileSync(file, bad);
      const says = why(file);
      if (says !== 'opened') {
        expect(says).toMatch(/damaged .*keep the file, and bring back a backup/);
        found++;
        continue;
      }
      // Text pages have no checksum in SQLite: the document itself has, and is refused when it is read.
      const db = openDatabase(file);
      const store = new JobStore(db);
      const served = DEMO_RACK.filter((job) => {
        const at = store.get(job.id);
        if (at && 'job' in at) expect(at.job).toEqual(job);
        return at && 'job' in at;
      });
      expect(served.length).toBeLessThanOrEqual(DEMO_RACK.length);
      closeDatabase(db);
    }
    expect(found).toBeGreaterThan(2);
  });
  it('a file that is no database', () => {
    const file = join(folder(), 'b.sqlite');
    writeFileSync(file, 'these are only words, many of them, and no database at all'.repeat(20));
    expect(why(file)).toContain('damaged');
  });
});

describe('while it runs', () => {
  it('nothing is acknowledged once the file was moved, replaced or removed; put back, it goes on', async () => {
    const file = filled();
    const { http, db } = served([], openDatabase(file));
    const put = () => http.put(`/api/jobs/${winch!.id}`).set('If-Match', '"1"').send(winch);
    renameSync(file, `${file}.away`);
    expect((await put().expect(503)).body.title).toContain('moved, replaced or removed');
    writeFileSync(file, 'another');
    await put().expect(503);
    await http.get(`/api/jobs/${winch!.id}`).expect(200);
    rmSync(file);
    renameSync(`${file}.away`, file);
    await put().expect(200);
    closeDatabase(db);
  });
  it('a disk that is full is said in words, and what is there stays', async () => {
    const file = filled();
    const { http, db } = served([], openDatabase(file));
    const pages = db.pragma('page_count', { simple: true }) as number;
    db.pragma(`max_page_count = ${pages}`);
    const big = { ...bench!, note: 'x'.repeat(1900), making: undefined };
    let full;
    for (let v = 1; v < 400 && !full; v++) {
      const res = await http
        .put(`/api/jobs/${bench!.id}`)
        .set('If-Match', `"${v}"`)
        .send({ ...big, note: `${v}${big.note}` });
      if (res.status !== 200) full = res;
    }
    expect(full!.status).toBe(507);
    expect(full!.body).toMatchObject({
      title: 'The server’s disk is full',
      detail: expect.stringContaining('kept in the browser'),
    });
    db.pragma('max_page_count = 1000000');
    await http.put(`/api/jobs/${winch!.id}`).set('If-Match', '"1"').send(winch).expect(200);
    closeDatabase(db);
  });
  it('locked by another program', async () => {
    const file = filled();
    const { http, db } = served([], openDatabase(file));
    db.pragma('busy_timeout = 10');
    const other = new Database(file);
    other.exec('BEGIN IMMEDIATE');
    const { body } = await http.put(`/api/jobs/${winch!.id}`).set('If-Match', '"1"').send(winch).expect(503);
    expect(body.title).toBe('The database is locked by another program');
    other.exec('ROLLBACK');
    other.close();
    await http.put(`/api/jobs/${winch!.id}`).set('If-Match', '"1"').send(winch).expect(200);
    closeDatabase(db);
  });
  it.each(['SQLITE_CORRUPT_VTAB', 'SQLITE_IOERR_WRITE', 'SQLITE_READONLY_DBMOVED', 'ENOSPC'])('%s has words', (code) =>
    expect(troubleOf({ code })?.detail).toMatch(/kept in the browser/),
  );
  it('what is no trouble of the database is none', () => {
    expect(troubleOf(new Error('x'))).toBeUndefined();
    expect(troubleOf(null)).toBeUndefined();
  });
});

describe('migrations', () => {
  const steps = () => {
    const at = folder();
    writeFileSync(join(at, '001_one.sql'), 'CREATE TABLE one (x INTEGER) STRICT; INSERT INTO one VALUES (7);');
    return at;
  };
  it('a whole copy is kept before data is migrated; one that a kill left broken is written again', () => {
    const at = folder();
    const file = join(at, 'b.sqlite');
    const migrations = steps();
    closeDatabase(openDatabase(file, migrations));
    expect(readdirSync(at).some((f) => f.includes('before'))).toBe(false);
    writeFileSync(join(migrations, '002_two.sql'), 'CREATE TABLE two (x INTEGER) STRICT;');
    writeFileSync(`${file}.before-2`, 'SQLite format 3\u0000 and half a page');
    writeFileSync(`${file}.before-2.part`, 'half');
    const db = openDatabase(file, migrations);
    expect(db.pragma('user_version', { simple: true })).toBe(2);
    closeDatabase(db);
    const copy = new Database(`${file}.before-2`, { readonly: true });
    expect(copy.pragma('user_version', { simple: true })).toBe(1);
    expect(copy.prepare('SELECT x FROM one').get()).toEqual({ x: 7 });
    copy.close();
    expect(existsSync(`${file}.before-2.part`)).toBe(false);
    rmSync(join(migrations, '002_two.sql'));
    expect(() => openDatabase(file, migrations)).toThrow('start a newer version');
  });
  it('a copy that cannot be written stops the upgrade, and nothing is changed', () => {
    const at = folder();
    const file = join(at, 'c.sqlite');
    const migrations = steps();
    closeDatabase(openDatabase(file, migrations));
    writeFileSync(join(migrations, '002_two.sql'), 'CREATE TABLE two (x INTEGER) STRICT;');
    // Something stands where it would be written, which the administrator may not overwrite either.
    mkdirSync(join(`${file}.before-2.part`, 'x'), { recursive: true });
    expect(() => openDatabase(file, migrations)).toThrow();
    const still = new Database(file, { readonly: true });
    expect(still.pragma('user_version', { simple: true })).toBe(1);
    still.close();
    rmSync(`${file}.before-2.part`, { recursive: true });
    expect(openDatabase(file, migrations).pragma('user_version', { simple: true })).toBe(2);
  });
  it('a failing migration leaves the schema as it was', () => {
    const file = join(folder(), 'c.sqlite');
    const migrations = folder();
    writeFileSync(join(migrations, '001_bad.sql'), 'CREATE TABLE ok (x INTEGER) STRICT; CREATE TABL oops;');
    expect(() => openDatabase(file, migrations)).toThrow();
    writeFileSync(join(migrations, '001_bad.sql'), 'CREATE TABLE ok (x INTEGER) STRICT;');
    expect(openDatabase(file, migrations).pragma('user_version', { simple: true })).toBe(1);
  });
  it('a rack of before is listed and found, its versions with it, a broken row too', async () => {
    const file = join(folder(), 'd.sqlite');
    const older = folder();
    for (const f of readdirSync(join(__dirname, 'migrations')).filter((x) => x < '005'))
      writeFileSync(join(older, f), readFileSync(join(__dirname, 'migrations', f)));
    const old = openDatabase(file, older);
    const put = old.prepare('INSERT INTO job (id, version, document, created_at, updated_at) VALUES (?, 2, ?, ?, ?)');
    put.run(winch!.id, JSON.stringify(winch), '2026', '2026');
    put.run('broken', '{"name": "half', '2026', '2026');
    const version = old.prepare('INSERT INTO job_version VALUES (?, ?, ?, ?)');
    for (const v of [1, 2]) version.run(winch!.id, v, JSON.stringify({ ...winch, note: `then ${v}` }), `2026-0${v}`);
    closeDatabase(old);
    const { http, store, judged } = served([], openDatabase(file));
    await judged();
    expect((await http.get('/api/jobs?q=winch').expect(200)).body.tags).toMatchObject([{ id: winch!.id, name: winch!.name }]);
    const { tags } = (await http.get('/api/jobs').expect(200)).body;
    expect(tags).toHaveLength(2);
    expect(tags.find((t: { id: string }) => t.id === 'broken').unreadable).toContain('ends too early');
    expect(store.at(winch!.id, 1)?.note).toBe('then 1');
    store.save({ ...winch!, note: 'now' }, 2);
    expect([2, 3].map((v) => store.at(winch!.id, v)?.note)).toEqual(['then 2', 'now']);
  });
});
