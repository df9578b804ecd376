// npm run demo: installs what is missing, builds what has changed, starts the server with the demo jobs, prints the address.
import { spawn, spawnSync } from 'node:child_process';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
for (const script of ['setup.mjs', 'build.mjs']) {
  const done = spawnSync(process.execPath, [join(ROOT, 'scripts', script)], { stdio: ['ignore', 'inherit', 'inherit'] });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

const port = process.env.PORT ?? '4178';
const server = spawn(process.execPath, [join(ROOT, 'scripts/serve.mjs')], {
  cwd: ROOT,
  env: { ...process.env, PORT: port, MAST_SHOE_DEMO: '1', LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' },
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
});
let listening = false;
server.on('message', (m) => {
  listening = true;
  console.log(`\nMast Shoe is at http://localhost:${m.listening}\nCtrl+C stops it; the jobs stay in data/.`);
});
server.on('exit', (code) => {
  if (!listening) console.error(`The server did not start. If port ${port} is taken: PORT=4200 npm run demo`);
  process.exit(code ?? 0);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
