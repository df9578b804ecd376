// Bundles the server from its sources (a third of a second) and runs it. One entry for `npm start`, the demo and the tests.
import { build } from 'esbuild';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';

const ROOT = join(import.meta.dirname, '..');
const SOURCE = join(ROOT, 'apps/server/src');

/** Where the bundle of these very sources is; made where it is not there yet, so that servers starting together do not meet. */
async function bundled() {
  const { outputFiles } = await build({
    entryPoints: { main: join(SOURCE, 'main.ts'), worker: join(SOURCE, 'pool/worker.ts') },
    bundle: true,
    splitting: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    outExtension: { '.js': '.mjs' },
    packages: 'external',
    tsconfig: join(ROOT, 'tsconfig.base.json'),
    outdir: '/',
    write: false,
    logLevel: 'warning',
  });
  const hash = createHash('sha256');
  for (const f of outputFiles) hash.update(f.path).update(f.contents);
  const made = hash.digest('hex').slice(0, 16);
  const folder = join(ROOT, 'dist/server', made);
  if (existsSync(folder)) return folder;
  const part = `${folder}.${process.pid}`;
  for (const f of outputFiles) {
    const to = join(part, f.path);
    mkdirSync(dirname(to), { recursive: true });
    writeFileSync(to, f.contents);
  }
  try {
    renameSync(part, folder);
  } catch {
    // Another was there first, with the same.
  }
  return folder;
}

const folder = await bundled();
process.env.MAST_SHOE_EDITION = folder.slice(-16);
await import(pathToFileURL(join(folder, 'main.mjs')).href);
