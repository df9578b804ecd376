// npm run mutate: [number of mutants] [folder,folder]. A seeded sample of single mistakes in core and server, each put to the tests that run
// through it; prints by folder how many are found. Outside npm test: it takes minutes.
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { bundle, filesIn, ROOT } from './bundle';
import { changesIn, type Mutant } from './mutants';

// A new sample each time, so that no test is written for one; its seed is printed, and given again draws the same.
const [number = '420', folder = '', seed = `${Date.now() % 1_000_000}`] = process.argv.slice(2);
/** What has to be found, by folder, of a hundred: more where a figure comes from. */
const ASKED: Readonly<Record<string, number>> = {
  checks: 80,
  sharing: 80,
  standing: 80,
  loads: 80,
  geometry: 80,
  prove: 80,
  people: 80,
  chain: 75,
  job: 75,
  shop: 75,
  formats: 75,
  survey: 75,
  spread: 75,
  server: 75,
  paper: 75,
};
/** Folders of the server. */
const SERVED: Readonly<Record<string, string>> = { server: 'apps/server/src', people: 'apps/server/src/people' };
const FOLDERS = Object.keys(ASKED).filter((f) => folder === '' || folder.split(',').includes(f));
const rootOf = (f: string) => SERVED[f] ?? (f === 'paper' ? 'packages/paper/src' : `packages/core/src/${f}`);
/** A mutant that runs so much longer than the tests without it has made a loop without end: found. */
const TIMES = 6;
const AT_LEAST = 12_000;
/** Survivors are not put to every test of the project: those of the specs beside them first, then the quickest, up to so many milliseconds. */
const BUDGET = 12_000;
const WORKERS = 2;

/** A small generator that gives the same row for the same seed (mulberry32, public domain). */
function random(a: number): () => number {
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function sample(): Mutant[] {
  const next = random(Number(seed));
  const per = Math.ceil(Number(number) / FOLDERS.length);
  const out: Mutant[] = [];
  for (const f of FOLDERS) {
    const files = filesIn(rootOf(f)).filter((p) => !p.endsWith('.spec.ts') && !/\/(main|demo\/|testing\/|sketch)/.test(p));
    const all = files.sort().flatMap((p) => changesIn(p, readFileSync(join(ROOT, p), 'utf8')));
    for (let i = 0; i < per && all.length > 0; i++) {
      const [taken] = all.splice(Math.floor(next() * all.length), 1);
      out.push({ ...taken!, id: out.length + 1, folder: f });
    }
  }
  return out;
}

interface Told {
  readonly i: number;
  readonly file: string;
  readonly name: string;
  readonly ms: number;
  readonly hits: readonly number[];
  readonly files: readonly number[];
  readonly failed: string;
}

const dry = (path: string): Promise<{ told: Told[]; atLoad: number[] }> =>
  new Promise((done, fail) => {
    const w = new Worker(path, { workerData: {}, resourceLimits: { maxOldGenerationSizeMb: 6000 } });
    w.once('message', (m) => {
      done(m);
      void w.terminate();
    });
    w.once('error', fail);
  });

/** Whether any of the tests finds it. */
function put(path: string, m: Mutant, tests: readonly Told[]): Promise<string> {
  return new Promise((done) => {
    const w = new Worker(path, { workerData: { mutant: m.id, only: tests.map((t) => t.i) }, stdout: true, stderr: true });
    const finish = (how: string) => {
      clearTimeout(timer);
      void w.terminate();
      done(how);
    };
    const allowed = Math.max(AT_LEAST, TIMES * tests.reduce((sum, t) => sum + t.ms, 0));
    const timer = setTimeout(() => finish('killed: endless'), allowed);
    w.on('message', (x: { killed?: string; survived?: boolean }) => {
      if (x.killed) finish(`killed: ${x.killed}`);
      if (x.survived) finish('survived');
    });
    // It broke what it stands in before any test ran.
    w.once('error', () => finish('killed: at load'));
  });
}

/** The tests to put a mutant to: those that reach it; of what is worked out at load, those that run through its file. */
function testsFor(m: Mutant, fileNumber: number, told: readonly Told[]): Told[] {
  const reach = told.filter((t) => t.hits.includes(m.id));
  // What is worked out at load is held by whatever runs through its file, and by the specs beside it or a floor above.
  const beside = (t: Told) => `${dirname(m.file)}/`.startsWith(`${dirname(t.file)}/`);
  const at = reach.length > 0 ? reach : told.filter((t) => t.files.includes(fileNumber) || beside(t));
  let spent = 0;
  return [...at]
    .sort((a, b) => Number(beside(b)) - Number(beside(a)) || a.ms - b.ms)
    .filter((t) => (spent += t.ms) <= BUDGET || beside(t));
}

const short = (s: string) => s.replace(/\s+/g, ' ').slice(0, 90);
const words = (m: Mutant, how: string) =>
  `${m.file}:${m.line}  ${short(m.was)}  →  ${short(m.becomes)}${how.length > 8 ? `  (${how.slice(10)})` : ''}`;

async function group(name: string, specs: readonly string[], mutants: readonly Mutant[]): Promise<Map<Mutant, string>> {
  const out = new Map<Mutant, string>();
  if (mutants.length === 0) return out;
  const files = [...new Set(mutants.map((m) => m.file))];
  const path = await bundle(name, specs, mutants, files);
  const { told } = await dry(path);
  const red = told.filter((t) => t.failed);
  if (red.length > 0)
    console.error(
      `${red.length} tests do not hold here and are left out: ${red
        .map((t) => `${t.name} (${t.failed})`)
        .join('; ')
        .slice(0, 600)}`,
    );
  const good = told.filter((t) => !t.failed);
  const queue = [...mutants];
  const work = async () => {
    for (let m = queue.shift(); m; m = queue.shift()) {
      const tests = testsFor(m, files.indexOf(m.file), good);
      const how = tests.length === 0 ? 'survived: no test runs through it' : await put(path, m, tests);
      out.set(m, how);
      if (how.startsWith('survived')) console.log(words(m, how));
      if (out.size % 20 === 0) console.error(`${name}: ${out.size} of ${mutants.length}`);
    }
  };
  await Promise.all(Array.from({ length: WORKERS }, work));
  return out;
}

const mutants = sample();
const specsIn = (root: string) => filesIn(root).filter((p) => p.endsWith('.spec.ts'));
const results = new Map([
  ...(await group(
    'core',
    specsIn('packages/core/src'),
    mutants.filter((m) => !(m.folder in SERVED) && m.folder !== 'paper'),
  )),
  ...(await group(
    'paper',
    specsIn('packages/paper/src'),
    mutants.filter((m) => m.folder === 'paper'),
  )),
  ...(await group(
    'server',
    specsIn('apps/server/src'),
    mutants.filter((m) => m.folder in SERVED),
  )),
]);
console.log(`\nfolder      mutants  found  rate   asked   (seed ${seed})`);
let missed = false;
for (const f of FOLDERS) {
  const mine = [...results].filter(([m]) => m.folder === f);
  const found = mine.filter(([, how]) => how.startsWith('killed')).length;
  const rate = (100 * found) / Math.max(1, mine.length);
  missed ||= rate < ASKED[f]!;
  console.log(
    `${f.padEnd(11)} ${String(mine.length).padStart(7)} ${String(found).padStart(6)}  ${rate.toFixed(0).padStart(3)} %  ≥ ${ASKED[f]} %`,
  );
}
const found = [...results.values()].filter((how) => how.startsWith('killed')).length;
console.log(
  `all         ${String(results.size).padStart(7)} ${String(found).padStart(6)}  ${((100 * found) / results.size).toFixed(0).padStart(3)} %`,
);
process.exitCode = missed ? 1 : 0;
