import { build } from 'esbuild';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { withSwitches, type Mutant } from './mutants';

export const ROOT = join(import.meta.dirname, '../..');
const OUT = join(ROOT, 'dist/mutate');

/** TypeScript files under a folder, from the root. */
export const filesIn = (folder: string): string[] =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((p) => p.endsWith('.ts'))
    .map((p) => `${folder}/${p}`)
    .sort();

/** Specs and the sources they test in one file, a switch at each mutant. */
export async function bundle(
  name: string,
  specs: readonly string[],
  mutants: readonly Mutant[],
  files: readonly string[],
): Promise<string> {
  mkdirSync(OUT, { recursive: true });
  const entry = join(OUT, `${name}.entry.ts`);
  const lines = specs.map((s) => `await import(${JSON.stringify(`spec:${join(ROOT, s)}`)});`);
  writeFileSync(
    entry,
    `import { runAll } from ${JSON.stringify(join(ROOT, 'scripts/mutate/harness.ts'))};\n(async () => {\n${lines.join('\n')}\nawait runAll();\n})();\n`,
  );
  const outfile = join(OUT, `${name}.cjs`);
  await build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    packages: 'external',
    logLevel: 'error',
    plugins: [
      {
        name: 'mutants',
        setup(b) {
          b.onResolve({ filter: /^spec:/ }, (a) => ({ path: a.path.slice(5) }));
          b.onResolve({ filter: /^@core\// }, (a) => ({ path: join(ROOT, 'packages/core/src', `${a.path.slice(6)}.ts`) }));
          b.onResolve({ filter: /^@paper\// }, (a) => ({ path: join(ROOT, 'packages/paper/src', `${a.path.slice(7)}.ts`) }));
          b.onResolve({ filter: /^\./ }, (a) => {
            const at = join(dirname(a.importer), a.path);
            return existsSync(`${at}.ts`) ? { path: `${at}.ts` } : undefined;
          });
          b.onLoad({ filter: /\.ts$/ }, ({ path }) => {
            const relative = path.slice(ROOT.length + 1);
            let text = readFileSync(path, 'utf8');
            const mine = mutants.filter((m) => m.file === relative);
            const number = files.indexOf(relative);
            if (number >= 0) text = withSwitches(text, mine, number);
            if (path.endsWith('.spec.ts')) text = `globalThis.__spec(${JSON.stringify(relative)});\n${text}`;
            const here = JSON.stringify(dirname(path));
            const contents = text
              .replaceAll('import.meta.dirname', here)
              .replaceAll('import.meta.url', JSON.stringify(`file://${path}`))
              .replace(/\b__dirname\b/g, here);
            return { contents, loader: 'ts' };
          });
        },
      },
    ],
  });
  return outfile;
}
