// The SQLite module is compiled C: a minute and a half of a first start. It comes compiled with the sources for the platform they
// are made on, and is compiled on the spot for every other, or where that one does not load.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync, constants } from 'node:zlib';

const ROOT = join(import.meta.dirname, '../..');
const SHIPPED = join(ROOT, 'apps/server/shipped');
const MANIFEST = join(SHIPPED, 'sqlite.json');
const MODULE = join(ROOT, 'node_modules/better-sqlite3/build/Release/better_sqlite3.node');

/** What a compiled module is made for, and from: the package by its digest in the lock file. */
export function wanted() {
  const lock = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
  const { version, integrity } = lock.packages['node_modules/better-sqlite3'];
  // Else it looks up the names of all connections, for seconds.
  process.report.excludeNetwork = true;
  const libc = process.report.getReport().header.glibcVersionRuntime ? 'glibc' : '';
  return {
    version,
    integrity,
    platform: [process.platform, process.arch, libc].filter(Boolean).join('-'),
    abi: process.versions.modules,
  };
}

const digest = (bytes) => createHash('sha256').update(bytes).digest('hex');
const manifest = () => (existsSync(MANIFEST) ? JSON.parse(readFileSync(MANIFEST, 'utf8')) : undefined);

/** Whether the module in place opens a database and answers: asked in a process of its own, which a wrong one may end. */
export function answers() {
  const ask = "new (require('better-sqlite3'))(':memory:').prepare('SELECT sqlite_version()').get()";
  return spawnSync(process.execPath, ['-e', ask], { cwd: ROOT, stdio: 'ignore' }).status === 0;
}

/** The shipped module unpacked; undefined where it is of another package or platform, or is not what was shipped. */
export function shipped() {
  const has = manifest();
  const want = wanted();
  if (!has || Object.keys(want).some((k) => has[k] !== want[k])) return undefined;
  const bytes = brotliDecompressSync(readFileSync(join(SHIPPED, 'sqlite.node.br')));
  return digest(bytes) === has.sha256 ? bytes : undefined;
}

/** Puts the shipped module where the package looks for it; false where there is none for this machine, or it does not answer here. */
export function place() {
  const bytes = shipped();
  if (!bytes) return false;
  mkdirSync(dirname(MODULE), { recursive: true });
  // Beside it, then in its place: a server that runs from the one that was there must not have it change under it.
  writeFileSync(`${MODULE}.part`, bytes);
  renameSync(`${MODULE}.part`, MODULE);
  if (answers()) return true;
  rmSync(MODULE);
  return false;
}

/** Compiles it as its package says, and puts it into the folder that comes with the sources. */
export function ship() {
  const want = wanted();
  const has = manifest();
  if (has && Object.keys(want).every((k) => has[k] === want[k])) return false;
  rmSync(join(dirname(MODULE), '..'), { recursive: true, force: true });
  const done = (command, ...args) => {
    if (spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' }).status !== 0) throw new Error(`${command} did not succeed`);
  };
  done('npm', 'rebuild', 'better-sqlite3', '--loglevel=error');
  done('strip', '--strip-unneeded', MODULE);
  const bytes = readFileSync(MODULE);
  mkdirSync(SHIPPED, { recursive: true });
  const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
  writeFileSync(join(SHIPPED, 'sqlite.node.br'), brotliCompressSync(bytes, { params }));
  writeFileSync(MANIFEST, `${JSON.stringify({ ...want, sha256: digest(bytes) }, null, 2)}\n`);
  return true;
}
