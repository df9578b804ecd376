// npm run docs: the JSON Schema of the job file and the table of methods, written from the code. --check fails where they are old.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { CHECKS } from '@core/checks/registry';
import { Job } from '@core/job/schema';

const DOCS = join(import.meta.dirname, '../docs');

function schema(): string {
  return `${JSON.stringify({ ...z.toJSONSchema(Job, { target: 'draft-2020-12', io: 'input' }), title: 'Mast Shoe job, version 1' }, null, 2)}\n`;
}

/** The table between the marks of methods.md. */
function methods(): string {
  const path = join(DOCS, 'methods.md');
  const text = readFileSync(path, 'utf8');
  const rows = CHECKS.map((c) => `| ${c.name} | ${c.element} | ${c.says} | ${c.source} | ${c.range} |`);
  const table = ['| link | part | what must hold | source | range |', '| --- | --- | --- | --- | --- |', ...rows].join('\n');
  return text.replace(/(<!-- checks -->\n)[\s\S]*?(\n<!-- end of checks -->)/, `$1${table}$2`);
}

const outputs = { 'job.schema.json': schema(), 'methods.md': methods() };
const check = process.argv.includes('--check');
for (const [name, text] of Object.entries(outputs)) {
  const path = join(DOCS, name);
  let old = '';
  try {
    old = readFileSync(path, 'utf8');
  } catch {
    // not written yet
  }
  if (old === text) continue;
  if (check) {
    console.error(`docs/${name} is older than the code: npm run docs`);
    process.exitCode = 1;
  } else {
    writeFileSync(path, text);
    console.log(`docs/${name} written`);
  }
}
