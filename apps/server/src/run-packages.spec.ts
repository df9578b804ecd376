import { readdirSync, readFileSync } from 'node:fs';
import { builtinModules } from 'node:module';
import { join } from 'node:path';

const ROOT = join(__dirname, '../../..');
const { dependencies } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')) as { dependencies: Record<string, string> };

/** Packages a source file loads when it runs; types alone are gone by then. */
function loaded(text: string): string[] {
  const from = [
    ...text.matchAll(/^(?:import|export)\s+(?!type\b)[^;]*?from\s+'([^']+)'/gm),
    ...text.matchAll(/^import\s+'([^']+)'/gm),
  ];
  const late = [...text.matchAll(/(?:\bimport|\brequire|\.resolve)\(\s*['"`]([^'"`]+)['"`]/g)];
  return [...from, ...late]
    .map((m) => m[1]!)
    .filter((name) => !name.startsWith('.') && !/^@(?:core|paper)\//.test(name) && !name.startsWith('node:'))
    .map((name) =>
      name
        .split('/')
        .slice(0, name.startsWith('@') ? 2 : 1)
        .join('/'),
    )
    .filter((name) => !builtinModules.includes(name));
}

const sources = ['apps/server/src', 'apps/cli/src', 'packages/core/src', 'packages/paper/src'].flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.spec.ts') && !/(^|[\\/])testing[\\/]/.test(f))
    .map((f) => join(folder, f)),
);

it('what server and command line load is among the packages of a first start, which leaves out those that build and test', () => {
  const all = sources.flatMap((f) => loaded(readFileSync(join(ROOT, f), 'utf8')).map((name) => ({ f, name })));
  const names = new Set(all.map(({ name }) => name));
  expect([...names]).toEqual(expect.arrayContaining(['express', 'better-sqlite3', 'zod', 'pdfkit', 'dejavu-fonts-ttf']));
  expect(all.filter(({ name }) => !(name in dependencies))).toEqual([]);
});

it('the scripts of a first start load nothing that is not among them', () => {
  const started = ['run', 'setup', 'build', 'serve', 'browser', 'page/built-from', 'page/shipped', 'database/module'].map((s) =>
    join('scripts', `${s}.mjs`),
  );
  const all = started.flatMap((f) => loaded(readFileSync(join(ROOT, f), 'utf8')));
  expect(all).toContain('esbuild');
  expect(all.filter((name) => !(name in dependencies))).toEqual([]);
});
