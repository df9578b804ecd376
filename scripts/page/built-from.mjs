import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

export const ROOT = join(import.meta.dirname, '../..');
/** The page as it is served. */
export const BUILT = join(ROOT, 'dist/web/browser');
/** The page as it comes with the sources, so that a first start need not build it nor install what builds it. */
export const SHIPPED = join(ROOT, 'apps/web/shipped');
const STAMP = join(ROOT, 'dist/web/.built-from');
const SHIPPED_STAMP = join(SHIPPED, 'built-from');
const SOURCES = [
  'apps/web/src',
  'apps/web/public',
  'apps/web/tsconfig.json',
  'apps/web/tsconfig.worker.json',
  'packages/core/src',
  'scripts/page/built.mjs',
  'angular.json',
  'tsconfig.base.json',
  'package-lock.json',
];

/** Every file of a folder, by its whole path in order; a file by itself. */
export function filesOf(path) {
  try {
    return readdirSync(path, { recursive: true, withFileTypes: true })
      .filter((e) => e.isFile())
      .map((e) => join(e.parentPath, e.name))
      .sort();
  } catch {
    return [path];
  }
}

/** Digest of all the page is built from. */
export function sources() {
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap((s) => filesOf(join(ROOT, s))).filter((f) => !f.endsWith('.spec.ts')))
    hash.update(file.slice(ROOT.length).replaceAll('\\', '/')).update(readFileSync(file));
  return hash.digest('hex');
}

const read = (file) => (existsSync(file) ? readFileSync(file, 'utf8').trim() : '');
/** What the page in `dist` is from, and whether it was built there or came with the sources; empty where there is none. */
export function standing() {
  const [from = '', how = ''] = read(STAMP).split(' ');
  return { from, how };
}
export function stands(from, how) {
  mkdirSync(dirname(STAMP), { recursive: true });
  writeFileSync(STAMP, `${from} ${how}`);
}
/** Digest of the sources the shipped page was built from; empty where none is shipped. */
export const shippedFrom = () => read(SHIPPED_STAMP);
export const ships = (from) => writeFileSync(SHIPPED_STAMP, `${from}\n`);
