import { spawnSync } from 'node:child_process';
import { build as bundle } from 'esbuild';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { BUILT, filesOf, ROOT } from './built-from.mjs';
import { compress } from './shipped.mjs';

/** Older forms of a font that is there as WOFF2 too, which every browser the page runs in reads. */
function dropOlderFonts() {
  for (const file of filesOf(join(BUILT, 'media')).filter((f) => /\.(woff|ttf)$/.test(f))) rmSync(file);
  for (const css of filesOf(BUILT).filter((f) => f.endsWith('.css'))) {
    const without = readFileSync(css, 'utf8').replace(/,\s*url\([^)]*\.(?:woff|ttf)"?\)\s*format\("(?:woff|truetype)"\)/g, '');
    const lost = [...without.matchAll(/url\("?([^)"]+\.(?:woff2?|ttf))"?\)/g)]
      .map((m) => m[1])
      .filter((u) => !existsSync(join(BUILT, u)));
    if (lost.length > 0) throw new Error(`no such font: ${lost[0]}`);
    writeFileSync(css, without);
  }
}

/** Builds the page from its sources into `dist`, its service worker with it; throws where that does not go. */
export async function buildPage() {
  console.log('build: building the web application (half a minute to two) …');
  // A failed build has been seen to hang instead of exiting, hence the limit.
  const done = spawnSync(process.execPath, [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'build'], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    timeout: 300_000,
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
  if (done.status !== 0) throw new Error(`the web application does not build${done.error ? ` (${done.error.message})` : ''}`);
  dropOlderFonts();
  const names = filesOf(BUILT).map((f) => `/${relative(BUILT, f).replaceAll('\\', '/')}`);
  await bundle({
    entryPoints: [join(ROOT, 'apps/web/src/offline/service-worker.ts')],
    outfile: join(BUILT, 'service-worker.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    tsconfig: join(ROOT, 'tsconfig.base.json'),
    define: {
      BUILT_FILES: JSON.stringify(names.filter((n) => n !== '/index.html' && n !== '/service-worker.js')),
      'process.env.NODE_ENV': '"production"',
    },
    logLevel: 'warning',
  });
  compress();
}
