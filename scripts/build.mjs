// Builds the web application where its sources have changed since the last build; --force always.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { build as bundle } from 'esbuild';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';

const ROOT = join(import.meta.dirname, '..');
const STAMP = join(ROOT, 'dist/web/.built-from');
/** Smaller ones are not compressed, bytes. */
const LEAST = 1000;
const SOURCES = [
  'apps/web/src',
  'apps/web/public',
  'apps/web/tsconfig.json',
  'apps/web/tsconfig.worker.json',
  'packages/core/src',
  'angular.json',
  'tsconfig.base.json',
  'package-lock.json',
];

function filesOf(path) {
  const whole = join(ROOT, path);
  try {
    return readdirSync(whole, { recursive: true, withFileTypes: true })
      .filter((e) => e.isFile() && !e.name.endsWith('.spec.ts'))
      .map((e) => join(e.parentPath, e.name))
      .sort();
  } catch {
    return [whole];
  }
}

const hash = createHash('sha256');
for (const file of SOURCES.flatMap(filesOf)) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
const now = hash.digest('hex');

if (!process.argv.includes('--force') && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now) {
  console.log('build: nothing has changed');
  process.exit(0);
}
console.log('build: building the web application (about half a minute) …');
// A failed build has been seen to hang instead of exiting, hence the limit.
const done = spawnSync(process.execPath, [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'build'], {
  cwd: ROOT,
  stdio: ['ignore', 'inherit', 'inherit'],
  timeout: 300_000,
  env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
});
if (done.status !== 0) {
  console.error(`build: failed${done.error ? ` (${done.error.message})` : ''}`);
  process.exit(1);
}
const web = join(ROOT, 'dist/web/browser');
const files = readdirSync(web).filter((f) => f !== 'index.html' && f !== 'service-worker.js');
// Fonts and pictures lie in folders.
const deeper = readdirSync(web, { withFileTypes: true })
  .filter((e) => e.isDirectory())
  .flatMap((e) => readdirSync(join(web, e.name)).map((f) => `${e.name}/${f}`));
await bundle({
  entryPoints: [join(ROOT, 'apps/web/src/offline/service-worker.ts')],
  outfile: join(web, 'service-worker.js'),
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  tsconfig: join(ROOT, 'tsconfig.base.json'),
  define: {
    BUILT_FILES: JSON.stringify([...files, ...deeper].filter((f) => /\.[a-z0-9]+$/.test(f)).map((f) => `/${f}`)),
    'process.env.NODE_ENV': '"production"',
  },
  logLevel: 'warning',
});
// Compressed here once, beside each file, so that no answer has to be.
for (const file of filesOf('dist/web/browser').filter((f) => /\.(js|css|svg|html|webmanifest)$/.test(f))) {
  const whole = readFileSync(file);
  if (whole.length < LEAST) continue;
  const params = { [constants.BROTLI_PARAM_QUALITY]: 9, [constants.BROTLI_PARAM_SIZE_HINT]: whole.length };
  writeFileSync(`${file}.br`, brotliCompressSync(whole, { params }));
}
mkdirSync(join(ROOT, 'dist/web'), { recursive: true });
writeFileSync(STAMP, now);
