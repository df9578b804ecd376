import Database from 'better-sqlite3';
import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { oneFoot } from '@core/job/at-foot';
import { testJob } from '@core/testing/test-job';
import { readPhoto } from '../prove/photo-files';
import { storesOf } from '../stores';
import { childServer } from '../testing/child-server';
import { faultOf } from './kept-copy';
import { closeDatabase, openDatabase } from './open-database';

/** `npm run kills` asks for a hundred and more. */
const KILLS = Number(process.env['KILLS'] ?? 3);
const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-kill-'));
afterAll(() => rmSync(folder, { recursive: true }));
const job = oneFoot(testJob());

it(
  `killed ${KILLS} times in the middle of edits and photographs: what was acknowledged is there, every version of it, every photograph whole`,
  async () => {
    const data = join(folder, 'edits.sqlite');
    const photos = join(folder, 'photos');
    const db = openDatabase(data);
    storesOf(db, photos).store.add(job);
    closeDatabase(db);
    let version = 1;
    const acknowledged = new Map<number, string>([[1, job.note]]);
    const pictures = new Set<string>();
    for (let kill = 0; kill < KILLS; kill++) {
      const server = await childServer(data);
      let alive = true;
      const edits = (async () => {
        while (alive) {
          const note = `edit over ${version}, kill ${kill}`;
          try {
            const res = await fetch(`${server.address}/api/jobs/t`, {
              method: 'PUT',
              headers: { 'Content-Type': 'application/json', 'If-Match': `"${version}"` },
              body: JSON.stringify({ ...job, note }),
            });
            if (res.status === 200) acknowledged.set((version = (await res.json()).version), note);
            // Our own, whose answer the kill took.
            else if (res.status === 412) acknowledged.set((version = (await res.json()).current.version), '');
          } catch {
            return;
          }
        }
      })();
      const shots = (async () => {
        for (let n = 0; alive; n++) {
          const colour = { r: kill % 256, g: n % 256, b: (kill * 7 + n) % 256 };
          const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: colour } })
            .png()
            .toBuffer();
          try {
            const res = await fetch(`${server.address}/api/jobs/t/photos`, { method: 'POST', body: new Uint8Array(picture) });
            if (res.status === 201) pictures.add((await res.json()).sha256);
          } catch {
            return;
          }
        }
      })();
      await new Promise((done) => setTimeout(done, 700 + ((kill * 61) % 400)));
      await server.kill();
      alive = false;
      await Promise.all([edits, shots]);
    }
    const { store } = storesOf(openDatabase(data), photos);
    const now = store.get('t')!.version;
    // The last one may have been written without its answer.
    expect(now - version).toBeLessThanOrEqual(1);
    for (let v = 1; v <= now; v++) {
      const at = store.at('t', v);
      expect(at).toBeDefined();
      const said = acknowledged.get(v);
      if (said) expect(at!.note).toBe(said);
    }
    expect(acknowledged.size).toBeGreaterThan(KILLS);
    expect(pictures.size).toBeGreaterThan(0);
    for (const sha of pictures) expect(typeof readPhoto(photos, sha)).toBe('object');
  },
  KILLS * 6000 + 20_000,
);

it(
  `killed ${KILLS} times while the database is brought to a newer schema: every document is there after, and the copy of before is whole`,
  async () => {
    const older = mkdtempSync(join(folder, 'older-'));
    const migrations = join(__dirname, 'migrations');
    for (const f of readdirSync(migrations).filter((x) => x < '005')) copyFileSync(join(migrations, f), join(older, f));
    const base = join(folder, 'before.sqlite');
    const db = openDatabase(base, older);
    const [put, version] = [
      db.prepare('INSERT INTO job (id, version, document, created_at, updated_at) VALUES (?, 40, ?, ?, ?)'),
      db.prepare('INSERT INTO job_version VALUES (?, ?, ?, ?)'),
    ];
    db.transaction(() => {
      for (let n = 0; n < 60; n++) {
        put.run(`j${n}`, JSON.stringify({ ...job, id: `j${n}` }), '2026', '2026');
        for (let v = 1; v <= 40; v++) version.run(`j${n}`, v, JSON.stringify({ ...job, id: `j${n}`, note: `then ${v}` }), '2026');
      }
    })();
    closeDatabase(db);
    for (let kill = 0; kill < KILLS; kill++) {
      const data = join(folder, `m${kill}.sqlite`);
      for (const end of ['', '.mark']) copyFileSync(base + end, data + end);
      const server = childServer(data, {}, 500 + ((kill * 37) % 500));
      await server.then((s) => s.kill()).catch(() => undefined);
      const kept = readdirSync(folder).filter((f) => f.startsWith(`m${kill}.sqlite.before`) && !f.endsWith('.part'));
      for (const f of kept) expect([f, faultOf(join(folder, f), 4)]).toEqual([f, '']);
      const after = openDatabase(data);
      const { store } = storesOf(after, folder);
      expect(store.count()).toBe(60);
      for (const n of [0, 31, 59]) {
        expect(store.get(`j${n}`)).toMatchObject({ job: { id: `j${n}` } });
        for (const v of [1, 17, 40]) expect(store.at(`j${n}`, v)?.note).toBe(`then ${v}`);
      }
      closeDatabase(after);
      for (const f of readdirSync(folder).filter((x) => x.startsWith(`m${kill}.sqlite`))) rmSync(join(folder, f));
    }
    expect(existsSync(base)).toBe(true);
    const still = new Database(base, { readonly: true });
    expect(still.pragma('user_version', { simple: true })).toBe(4);
    still.close();
  },
  KILLS * 6000 + 30_000,
);
