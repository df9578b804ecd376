// npm start, npm run demo: installs what is missing, builds what has changed, starts the server, prints the address.
// --demo: with invented jobs on an empty rack, in a database of their own. --lan: on the shop's network, for people set up.
import { spawn, spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT, shippedFrom, sources, standing } from './page/built-from.mjs';

// Where the page came built with these sources, what builds it need not be installed.
const made = [shippedFrom(), standing().from].includes(sources());
for (const step of [['setup.mjs', ...(made ? ['--to-run'] : [])], ['build.mjs']]) {
  const [script, ...args] = step;
  const done = spawnSync(process.execPath, [join(ROOT, 'scripts', script), ...args], { stdio: ['ignore', 'inherit', 'inherit'] });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

const demo = process.argv.includes('--demo');
const rest = process.argv.slice(2).filter((a) => a !== '--demo');
const port = process.env.PORT ?? '4178';
const data = process.env.MAST_SHOE_DATA ?? join(ROOT, 'data', demo ? 'demo.sqlite' : 'mast-shoe.sqlite');
const server = spawn(process.execPath, [join(ROOT, 'scripts/serve.mjs'), ...rest], {
  cwd: ROOT,
  env: {
    ...process.env,
    PORT: port,
    MAST_SHOE_DATA: data,
    MAST_SHOE_DEMO: demo ? '1' : '0',
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  },
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
});
let listening = false;
server.on('message', ({ listening: at, scheme, hosts }) => {
  listening = true;
  console.log(`\nMast Shoe is at ${scheme}://localhost:${at}`);
  for (const host of hosts) console.log(`             and ${scheme}://${host}:${at}`);
  console.log(`Ctrl+C stops it; ${demo ? 'the invented jobs stay' : 'the jobs stay'} in ${data.slice(ROOT.length + 1)}.`);
});
server.on('exit', (code) => {
  if (!listening) console.error('The server did not start; the reason stands above.');
  process.exit(code ?? 0);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
