// npm test: installs what is missing, then type check, lint, unit tests and browser tests. Last line: "N passed, N failed".
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { setPriority, tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const REPORTS = mkdtempSync(join(tmpdir(), 'mast-shoe-reports-'));
const bin = (path) => join(ROOT, 'node_modules', path);
/** The compiler in native code, which checks all in a tenth of the time; Angular’s build has the one it is made for. */
const TSC = bin('typescript-native/bin/tsc');
/** Gives way to whatever else runs. */
const LOW = 15;
let passed = 0;
let failed = 0;

/** Runs to its end with its words as they come; whether it succeeded. */
async function run(title, args, env = {}) {
  console.log(`\n== ${title}`);
  const started = Date.now();
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  const ok = await new Promise((done) => child.on('close', (code) => done(code === 0)));
  console.log(`== ${title}: ${ok ? 'ok' : 'FAILED'}, ${((Date.now() - started) / 1000).toFixed(0)} s`);
  return ok;
}

/** Checks that count as one each, one after another; their words are kept together and printed when each ends. */
async function each(checks, behind = false) {
  const good = [];
  for (const [title, ...args] of checks) {
    const started = Date.now();
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    if (behind) setPriority(child.pid, LOW);
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

if (!(await run('setup', [join(ROOT, 'scripts/setup.mjs'), '--browser']))) {
  console.log('\n0 passed, 1 failed');
  process.exit(1);
}

async function unitTests() {
  const report = join(REPORTS, 'jest.json');
  const runner = [bin('jest/bin/jest.js'), '--config', 'jest.together.config.mjs', '--testTimeout=30000', '--maxWorkers=100%'];
  const ok = await run('unit tests', [...runner, '--json', `--outputFile=${report}`]);
  count('unit tests', report, (r) => ({ good: r.numPassedTests, bad: r.numFailedTests + r.numRuntimeErrorTestSuites }), ok);
}

async function browserTests() {
  const report = join(REPORTS, 'browser.json');
  const ok = await run('browser tests', [bin('@playwright/test/cli.js'), 'test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: report });
  count('browser tests', report, ({ stats }) => ({ good: stats.expected + stats.flaky, bad: stats.unexpected }), ok);
}

// The unit tests need no build and are made beside it.
const [[built]] = await Promise.all([
  each([['type check and build: web, templates and workers', join(ROOT, 'scripts/build.mjs'), '--build']]),
  unitTests(),
]);
// A browser waits now and then; what is only read fills those gaps, and never takes a processor from it.
await Promise.all([
  built ? browserTests() : undefined,
  each(
    [
      ['type check: core, server, command line, tests', TSC, '-p', 'tsconfig.json'],
      ['type check: web tests', TSC, '-p', 'apps/web/tsconfig.spec.json', '--noEmit'],
      ['type check: service worker', TSC, '-p', 'apps/web/tsconfig.offline.json'],
      ['lint', bin('eslint/bin/eslint.js'), '.', '--max-warnings=0'],
      ['docs written from the code are current', '--import', 'tsx', join(ROOT, 'scripts/write-docs.ts'), '--check'],
      ['kernel compiled from its source is current', join(ROOT, 'scripts/build-kernel.mjs'), '--check'],
      ['icons taken from the symbol font are current', join(ROOT, 'scripts/build-icons.mjs'), '--check'],
    ],
    true,
  ),
]);
rmSync(REPORTS, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
