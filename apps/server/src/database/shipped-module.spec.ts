import Database from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync, constants } from 'node:zlib';

const ROOT = join(__dirname, '../../../..');
const SHIPPED = join(ROOT, 'apps/server/shipped');
const FROM = join(ROOT, 'node_modules/better-sqlite3/deps');
const manifest = JSON.parse(readFileSync(join(SHIPPED, 'sqlite.json'), 'utf8')) as Record<string, string>;
const bytes = brotliDecompressSync(readFileSync(join(SHIPPED, 'sqlite.node.br')));
const here =
  manifest['abi'] === process.versions.modules && manifest['platform']!.startsWith(`${process.platform}-${process.arch}`);

let folder: string;
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'mast-shoe-module-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the SQLite module that comes compiled', () => {
  const source = readFileSync(join(FROM, 'sqlite3/sqlite3.c'), 'utf8');
  const sourceId = /#define SQLITE_SOURCE_ID\s+"([^"]+)"/.exec(source)![1]!;

  it('is of the package in the lock file, and of its very SQLite (the amalgamation’s own source id)', () => {
    const lock = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
    expect(manifest).toMatchObject({ integrity: lock.packages['node_modules/better-sqlite3'].integrity });
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(manifest['sha256']);
    expect(bytes.includes(sourceId)).toBe(true);
  });

  // On another platform it is not used, and cannot be loaded.
  (here ? it : it.skip)('is compiled with what its package asks for, full-text search with it', () => {
    const file = join(folder, 'sqlite.node');
    writeFileSync(file, bytes);
    const db = new Database(':memory:', { nativeBinding: file });
    expect(db.prepare('SELECT sqlite_source_id()').pluck().get()).toBe(sourceId);
    const options = db.prepare('PRAGMA compile_options').pluck().all() as string[];
    const asked = readFileSync(join(FROM, 'defines.gypi'), 'utf8').matchAll(/'SQLITE_(ENABLE_[A-Z0-9_]+|THREADSAFE=2|DQS=0)'/g);
    // Those SQLite tells of at all: it has a list of them, each as a string.
    const told = [...asked].map((m) => m[1]!).filter((o) => source.includes(`"${o.split('=')[0]!}`));
    expect(told).toEqual(expect.arrayContaining(['ENABLE_FTS5', 'ENABLE_RTREE', 'DQS=0', 'THREADSAFE=2']));
    expect(options).toEqual(expect.arrayContaining(told));
    db.close();
  });

  it('is not used where it is not what was shipped, or was made for another Node: it is compiled then', () => {
    cpSync(join(ROOT, 'scripts/database'), join(folder, 'scripts/database'), { recursive: true });
    cpSync(SHIPPED, join(folder, 'apps/server/shipped'), { recursive: true });
    cpSync(join(ROOT, 'package-lock.json'), join(folder, 'package-lock.json'));
    const used = () => {
      const ask = `import(${JSON.stringify(join(folder, 'scripts/database/module.mjs'))}).then((m) => console.log(m.shipped() ? 'used' : 'not used'))`;
      return spawnSync(process.execPath, ['-e', ask], { encoding: 'utf8' }).stdout.trim();
    };
    const at = (name: string) => join(folder, 'apps/server/shipped', name);
    expect(used()).toBe(here ? 'used' : 'not used');
    writeFileSync(at('sqlite.json'), JSON.stringify({ ...manifest, abi: '1' }));
    expect(used()).toBe('not used');
    writeFileSync(at('sqlite.json'), JSON.stringify(manifest));
    const other = Buffer.concat([bytes.subarray(0, -1), Buffer.from([7])]);
    writeFileSync(at('sqlite.node.br'), brotliCompressSync(other, { params: { [constants.BROTLI_PARAM_QUALITY]: 1 } }));
    expect(used()).toBe('not used');
  });
});
