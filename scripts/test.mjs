// npm test: installs what is missing, then type check, lint, unit tests and browser tests. Last line: "N passed, N failed".
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const REPORTS = mkdtempSync(join(tmpdir(), 'mast-shoe-reports-'));
const bin = (path) => join(ROOT, 'node_modules', path);
let passed = 0;
let failed = 0;

function run(title, args, env = {}) {
  console.log(`\n== ${title}`);
  const started = Date.now();
  const done = spawnSync(process.execPath, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  console.log(`== ${title}: ${done.status === 0 ? 'ok' : 'FAILED'}, ${((Date.now() - started) / 1000).toFixed(0)} s`);
  return done.status === 0;
}

/** Checks that count as one each, one after another; their words are kept together and printed when each ends. */
async function each(checks) {
  const good = [];
  for (const [title, ...args] of checks) {
    const started = Date.now();
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    child.stdout.on('data', (d) => (said += d));
    child.stderr.on('data', (d) => (said += d));
    const ok = await new Promise((done) => child.on('close', (code) => done(code === 0)));
    console.log(`\n== ${title}\n${said}== ${title}: ${ok ? 'ok' : 'FAILED'}, ${((Date.now() - started) / 1000).toFixed(0)} s`);
    if (ok) passed++;
    else failed++;
    good.push(ok);
  }
  return good;
}

/** Test results from a runner's JSON; a runner that wrote none, or ran nothing, has failed. */
function count(title, file, read, ok) {
  try {
    const { good, bad } = read(JSON.parse(readFileSync(file, 'utf8')));
    passed += good;
    failed += bad;
    if (good + bad === 0 || (!ok && bad === 0)) failed++;
  } catch (e) {
    console.error(`${title}: no report (${e.message})`);
    failed++;
  }
}

if (!run('setup', [join(ROOT, 'scripts/setup.mjs'), '--browser'])) {
  console.log('\n0 passed, 1 failed');
  process.exit(1);
}
// The build on one processor, what needs no build beside it.
const [[built]] = await Promise.all([
  each([
    ['type check and build: web, templates and workers', join(ROOT, 'scripts/build.mjs')],
    ['docs written from the code are current', '--import', 'tsx', join(ROOT, 'scripts/write-docs.ts'), '--check'],
    ['kernel compiled from its source is current', join(ROOT, 'scripts/build-kernel.mjs'), '--check'],
    ['icons taken from the symbol font are current', join(ROOT, 'scripts/build-icons.mjs'), '--check'],
  ]),
  each([
    ['type check: core, server, command line, tests', bin('typescript/bin/tsc'), '-p', 'tsconfig.json'],
    ['type check: web tests', bin('typescript/bin/tsc'), '-p', 'apps/web/tsconfig.spec.json', '--noEmit'],
    ['type check: service worker', bin('typescript/bin/tsc'), '-p', 'apps/web/tsconfig.offline.json'],
    ['lint', bin('eslint/bin/eslint.js'), '.', '--max-warnings=0'],
  ]),
]);

const jest = join(REPORTS, 'jest.json');
const jestOk = run('unit tests', [
  bin('jest/bin/jest.js'),
  '--config',
  'jest.together.config.mjs',
  '--json',
  `--outputFile=${jest}`,
  '--testTimeout=30000',
  '--maxWorkers=100%',
]);
count('unit tests', jest, (r) => ({ good: r.numPassedTests, bad: r.numFailedTests + r.numRuntimeErrorTestSuites }), jestOk);

if (built) {
  const browser = join(REPORTS, 'browser.json');
  const ok = run('browser tests', [bin('@playwright/test/cli.js'), 'test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: browser });
  count('browser tests', browser, ({ stats }) => ({ good: stats.expected + stats.flaky, bad: stats.unexpected }), ok);
}
rmSync(REPORTS, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
