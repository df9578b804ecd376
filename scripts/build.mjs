// Builds the web application where its sources have changed since the last build; --force always.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const STAMP = join(ROOT, 'dist/web/.built-from');
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
mkdirSync(join(ROOT, 'dist/web'), { recursive: true });
writeFileSync(STAMP, now);
