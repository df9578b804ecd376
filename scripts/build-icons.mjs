// npm run icons: the outlines of the icons the page names, taken from the packaged symbol font into one small file of paths.
// --check: whether that file is what the sources ask for.
import { create } from 'fontkit';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const APP = join(ROOT, 'apps/web/src/app');
const TRADES = ['loads', 'job'].map((folder) => join(ROOT, 'packages/core/src', folder));
const OUT = join(APP, 'icons/paths.ts');

const texts = [APP, ...TRADES].flatMap((folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile() && /\.(ts|html)$/.test(e.name) && !/\.spec\.ts$/.test(e.name))
    .map((e) => join(e.parentPath, e.name))
    .filter((f) => f !== OUT)
    .map((f) => readFileSync(f, 'utf8')),
);
// Named in a template: svgIcon="name", or one of some names in [svgIcon]="…"; `icon: 'name'` of the trades, and tables called ICONS.
const names = new Set();
for (const text of texts) {
  for (const [, name] of text.matchAll(/(?<!\[)svgIcon="([a-z0-9_]+)"/g)) names.add(name);
  for (const [, code] of text.matchAll(/\[svgIcon\]="([^"]+)"/g))
    for (const [, name] of code.matchAll(/'([a-z0-9_]+)'/g)) names.add(name);
  for (const [, name] of text.matchAll(/\bicon: '([a-z0-9_]+)'/g)) names.add(name);
  for (const [, table] of text.matchAll(/\bICONS?\b[^=;]*= \{([^}]*)\}/g))
    for (const [, name] of table.matchAll(/'([a-z0-9_]+)'/g)) names.add(name);
}

// As it stands in the font: weight 400, for 24 px.
const font = create(readFileSync(createRequire(import.meta.url).resolve('material-symbols/material-symbols-outlined.woff2')));
const UNITS = font.unitsPerEm;
const shape = (name) => {
  const { glyphs } = font.layout(name);
  if (glyphs.length !== 1) throw new Error(`the symbol font has no icon "${name}"`);
  // To a box of 960, y downwards, whole numbers: a hair's breadth at the size they are drawn.
  const scale = 960 / UNITS;
  return glyphs[0].path
    .scale(scale, -scale)
    .translate(0, 960)
    .toSVG()
    .replace(/-?\d+(\.\d+)?/g, (n) => String(Math.round(Number(n))));
};
const rows = [...names].sort().map((name) => `  ${name}: '${shape(name)}',`);
const made = `/** Outlines of the icons that are used, in a box of 960; written by \`npm run icons\` from the packaged symbol font (Apache 2.0). */\nexport const ICONS = {\n${rows.join('\n')}\n};\n`;

if (process.argv.includes('--check')) {
  if (readFileSync(OUT, 'utf8') !== made) {
    console.error('icons: apps/web/src/app/icons/paths.ts is not what the sources ask for; run npm run icons');
    process.exit(1);
  }
  console.log(`icons: ${names.size}, current`);
} else {
  writeFileSync(OUT, made);
  console.log(`icons: ${names.size}, ${(made.length / 1000).toFixed(0)} kB`);
}
