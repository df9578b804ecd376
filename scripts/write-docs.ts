// npm run docs: the JSON Schema of the job file and the table of methods, written from the code. --check fails where they are old.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { WAYS_TO_FAIL } from '@core/chain/ways-to-fail';
import { CHECKS } from '@core/checks/registry';
import { jobSchema } from '@core/formats/field-words';
import { PACKS } from '@core/checks/whole/packs';
import { RULE_WORDS } from '@core/loads/at-foot';
import { BUILDERS } from '@core/loads/registry';
import { STANDING_RULES } from '@core/standing/stands';
import { kindOf } from '@core/reference/kinds';
import { REFERENCE_VALUES, relativeError, WORKED_FORMULAS } from '@core/reference/values';

const DOCS = join(import.meta.dirname, '../docs');

function schema(): string {
  return `${JSON.stringify(jobSchema().schema, null, 2)}\n`;
}

/** The table between the marks of methods.md. */
function methods(): string {
  const path = join(DOCS, 'methods.md');
  const text = readFileSync(path, 'utf8');
  const rows = CHECKS.map((c) => `| ${c.name} | ${c.element} | ${c.says} | ${c.source} | ${c.range} | ${held(c.id)} |`);
  const checks = [
    '| link | part | what must hold | source | range | held to |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows,
  ].join('\n');
  const tables = { checks, builders: builders(), standing: standing(), packs: packs(), ways: ways(), spread: spread() };
  return Object.entries(tables).reduce((all, [name, table]) => put(all, name, table), text);
}

/** What is judged of each part, and what is not. */
function ways(): string {
  const name = (id: string) => CHECKS.find((c) => c.id === id)!.name;
  const rows = WAYS_TO_FAIL.flatMap((w) => [
    ...(w.judged.length > 0 ? [`| ${w.part} | judged | ${w.judged.map(name).join(', ')} |`] : []),
    ...w.not.map((u) => `| ${w.part} | not judged | ${u.what} (${u.of}) |`),
  ]);
  return ['| part | | what |', '| --- | --- | --- |', ...rows].join('\n');
}

/** The plates and beams the spread solver is held to, with what it comes to. */
function spread(): string {
  const rows = REFERENCE_VALUES.filter((v) => v.of === 'spread').map(
    (v) =>
      `| ${v.what} | ${v.source} | ${Number(v.expected.toFixed(5))} | ${v.got().toPrecision(4)} | ${(100 * relativeError(v)).toFixed(2)} % |`,
  );
  return ['| case | source | reference | result | error |', '| --- | --- | --- | --- | --- |', ...rows].join('\n');
}

/** How many figures from outside hold a check, and the largest relative error against them. */
function held(id: string): string {
  const values = REFERENCE_VALUES.filter((v) => v.of === id);
  const put = WORKED_FORMULAS.filter((v) => v.of === id);
  if (values.length + put.length === 0) return 'its specs: refuses or reminds, no figure';
  const worst = Math.max(...[...values, ...put].map(relativeError));
  const kinds = (['published', 'by hand', 'from memory'] as const).flatMap((k) => {
    const n = values.filter((v) => kindOf(v) === k).length;
    return n > 0 ? [`${n} ${k}`] : [];
  });
  const words = [...kinds, ...(put.length > 0 ? [`${put.length} put into its formula`] : [])].join(', ');
  return `${words}; largest error ${(100 * worst).toFixed(2)} %`;
}

/** Every rule pack with its rules and its gaps. */
function packs(): string {
  const rows = PACKS.flatMap((p) => [
    ...p.rules.map((r) => `| ${p.name} | ${r.id} | ${r.says} | ${r.kind} | ${r.source} |`),
    `| ${p.name} | gaps | ${p.gaps.join('; ')} | not judged | |`,
  ]);
  return ['| pack | rule | what it asks | kind | source |', '| --- | --- | --- | --- | --- |', ...rows].join('\n');
}

const put = (text: string, name: string, table: string) =>
  text.replace(
    new RegExp(`(<!-- ${name} -->\\n)[\\s\\S]*?\\n?(<!-- end of ${name} -->)`),
    (_all, a: string, b: string) => `${a}${table}\n${b}`,
  );

/** Every family of fitting: what it yields, by which source, with which factors, and the figures it is held to. */
function builders(): string {
  const rows = BUILDERS.map((b) => {
    const factors = Object.values(b.factors).map((f) => `${f.label} ${f.usual} (${f.source})`);
    const worked = b.worked.map((w) => `${w.title}: ${w.source}`);
    return `| ${b.name} | ${b.says} | ${b.source} | ${factors.join('; ') || 'none'} | ${worked.join('; ')} |`;
  });
  return [
    '| builder | what it does | source | usual factors | worked outside the program |',
    '| --- | --- | --- | --- | --- |',
    ...rows,
  ].join('\n');
}

/** The rules by which a load comes to several feet. */
function standing(): string {
  const rows = STANDING_RULES.map((rule) => `| ${rule} | ${RULE_WORDS[rule]} |`);
  return ['| rule | what it does |', '| --- | --- |', ...rows].join('\n');
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
