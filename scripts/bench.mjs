// npm run bench [-- spread [--dump DIR]]: bundled without helpers, as the browser runs it, then timed in Node.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { benchDrags } from './bench-drags.mjs';
import { benchEdits } from './bench-edits.mjs';

const ROOT = join(import.meta.dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-bench-'));
const outfile = join(folder, 'bench.mjs');
await build({
  entryPoints: [join(ROOT, 'scripts/bench.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  tsconfig: join(ROOT, 'tsconfig.base.json'),
  logLevel: 'error',
});
const { bench, benchSpread, draggable, largestDemo } = await import(pathToFileURL(outfile).href);
const [what, ...args] = process.argv.slice(2);
if (what === 'spread') {
  if (!args.includes('--page')) benchSpread(args);
  await benchDrags(draggable());
} else {
  await bench(ROOT);
  await benchEdits(largestDemo());
}
rmSync(folder, { recursive: true });
