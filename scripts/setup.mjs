// Installs what is missing: npm packages always, Chromium with --browser. Says so plainly when nothing is.
// --to-run: only the packages that run it; those that build and test it can come later.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { findChromium } from './browser.mjs';
import { place } from './database/module.mjs';

const ROOT = join(import.meta.dirname, '..');
const STAMP = join(ROOT, 'node_modules/.mast-shoe-installed');

const onPath = (command) => spawnSync('which', [command], { stdio: 'ignore' }).status === 0;

/** How often it says that it is still at it, ms: npm itself is silent. */
const TELLS = 20_000;

/** Whether it succeeded. */
async function attempt(command, args, env = {}) {
  const started = Date.now();
  const tell = setInterval(() => console.log(`setup: ${command}, ${Math.round((Date.now() - started) / 1000)} s …`), TELLS);
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], env: { ...env, ...process.env } });
  const code = await new Promise((done) => child.on('error', () => done(1)).on('close', done));
  clearInterval(tell);
  return code === 0;
}

async function run(command, args, env) {
  if (await attempt(command, args, env)) return;
  console.error(`setup: "${command} ${args.join(' ')}" did not succeed`);
  process.exit(1);
}

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  console.error(`setup: Node ${process.versions.node} is too old; Node 20.19 or newer is needed`);
  process.exit(1);
}

/** Where none that was compiled before is for this machine. */
async function compileDatabase() {
  const missing = ['python3', 'make', 'g++'].filter((c) => !onPath(c));
  if (missing.length > 0) console.warn(`setup: ${missing.join(', ')} not found; compiling the SQLite module will need them`);
  console.log('setup: compiling the SQLite module (one to two minutes) …');
  // -O1: it compiles in half the time, and no job here is large enough to feel the difference.
  await run('npm', ['rebuild', 'better-sqlite3', '--loglevel=error'], { CFLAGS: '-O1', CXXFLAGS: '-O1' });
}

/** True where it installed something. */
async function installPackages() {
  // What is compiled is for one Node: with another it is made anew.
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .update(process.versions.modules)
    .digest('hex');
  const has = existsSync(STAMP) ? readFileSync(STAMP, 'utf8') : '';
  // Who builds and tests here keeps what that takes.
  const toRun = process.argv.includes('--to-run') && !has.endsWith(' all');
  if (has === `${lock} all` || (toRun && has === `${lock} to run`)) return false;
  console.log(
    `setup: installing the npm packages ${toRun ? 'that run it (half a minute' : '(half a minute to four minutes'} the first time) …`,
  );
  // Not `npm ci`: it refuses a lock file that leaves out other platforms' optional packages, as npm 11 writes it.
  // Of what packages would run on installing, only the SQLite module is needed; the others have what they need made ready.
  const some = toRun ? ['--omit=dev'] : [];
  await run('npm', ['install', '--ignore-scripts', ...some, '--no-save', '--no-audit', '--no-fund', '--loglevel=error']);
  if (!place()) await compileDatabase();
  writeFileSync(STAMP, `${lock} ${toRun ? 'to run' : 'all'}`);
  return true;
}

/** True where it installed something. */
async function installChromium() {
  if (findChromium()) return false;
  if (!onPath('apt-get')) {
    console.error('setup: Chromium is not installed and this is not Debian; install it and put it on the PATH');
    process.exit(1);
  }
  console.log('setup: installing Chromium from Debian (about a minute) …');
  const root = process.getuid?.() === 0;
  const apt = (f, ...args) => (root ? f('apt-get', args) : f('sudo', ['apt-get', ...args]));
  const install = ['install', '-y', '-qq', '--no-install-recommends'];
  await apt(run, 'update', '-qq');
  // Without a window it does the same work in three fifths of the time; where Debian has no such package, the whole of it.
  if (!(await apt(attempt, ...install, 'chromium-headless-shell'))) await apt(run, ...install, 'chromium');
  return true;
}

checkNode();
// Both at once: one compiles, the other unpacks.
const steps = [installPackages(), ...(process.argv.includes('--browser') ? [installChromium()] : [])];
const installed = (await Promise.all(steps)).some(Boolean);
console.log(installed ? 'setup: done' : 'setup: nothing needed installing');
