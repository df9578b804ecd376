// npm run kernel: compiles packages/core/wasm to the bytes the core carries. --check fails where those are old.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { main } from 'assemblyscript/asc';

const ROOT = join(import.meta.dirname, '..');
const TARGET = join(ROOT, 'packages/core/src/spread/kernel.ts');
const out = mkdtempSync(join(tmpdir(), 'mast-shoe-kernel-'));
const flags = ['-O3', '--noAssert', '--runtime', 'stub', '--importMemory', '--enable', 'simd', '--initialMemory', '1'];
const { error, stderr } = await main([
  'packages/core/wasm/multifrontal.ts',
  '--baseDir',
  ROOT,
  ...flags,
  '-o',
  join(out, 'k.wasm'),
]);
if (error) {
  console.error(stderr.toString());
  process.exit(1);
}
const bytes = readFileSync(join(out, 'k.wasm')).toString('base64');
rmSync(out, { recursive: true });
const text = `/** WebAssembly of packages/core/wasm/multifrontal.ts, made by \`npm run kernel\`. */\nexport const KERNEL =\n  '${bytes}';\n`;
if (!process.argv.includes('--check')) writeFileSync(TARGET, text);
else if (readFileSync(TARGET, 'utf8') !== text) {
  console.error('kernel.ts is not what packages/core/wasm compiles to: npm run kernel');
  process.exit(1);
}
