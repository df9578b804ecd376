// npm run bench [-- shop | spread [--dump DIR]]: bundled without helpers, as the browser runs it, then timed in Node.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { benchDrags } from './bench-drags.mjs';
import { benchEdits } from './bench-edits.mjs';
import { benchShop } from './bench-shop.mjs';

const ROOT = join(import.meta.dirname, '..');
// Under the program's own folder, where its packages are found.
mkdirSync(join(ROOT, 'dist'), { recursive: true });
const folder = mkdtempSync(join(ROOT, 'dist/bench-'));
const outfile = join(folder, 'bench.mjs');
await build({
  entryPoints: [join(ROOT, 'scripts/bench.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  tsconfig: join(ROOT, 'tsconfig.base.json'),
  // Packages read fonts and WebAssembly from beside themselves.
  packages: 'external',
  logLevel: 'error',
});
const { bench, benchSpread, draggable, largestDemo } = await import(pathToFileURL(outfile).href);
const [what, ...args] = process.argv.slice(2);
if (what === 'shop') await benchShop();
else if (what === 'spread') {
  if (!args.includes('--page')) benchSpread(args);
  await benchDrags(draggable());
} else {
  await bench(ROOT);
  await benchEdits(largestDemo());
}
rmSync(folder, { recursive: true });
