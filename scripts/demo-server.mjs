import { spawn } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');

/**
 * A server of its own on a free port with the demo jobs in a throw-away database, or in one that begins as a copy of `seeded`.
 * `stop(signal)` resolves when it is gone.
 */
export async function startDemoServer({ data, seeded, port = 0, demo = true, args = [] } = {}) {
  const folder = data ? undefined : mkdtempSync(join(tmpdir(), 'mast-shoe-'));
  const file = data ?? join(folder, 'demo.sqlite');
  if (seeded && !existsSync(file)) copyFileSync(seeded, file);
  const child = spawn(process.execPath, [join(ROOT, 'scripts/serve.mjs'), ...args], {
    cwd: ROOT,
    env: { ...process.env, PORT: String(port), MAST_SHOE_DATA: file, MAST_SHOE_DEMO: demo ? '1' : '0', LOG_LEVEL: 'warn' },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const listening = await new Promise((resolve, reject) => {
    child.on('message', (m) => resolve(m.listening));
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  const gone = new Promise((resolve) => child.on('exit', resolve));
  return {
    address: `http://localhost:${listening}`,
    port: listening,
    pid: child.pid,
    data: file,
    async stop(signal = 'SIGTERM') {
      child.kill(signal);
      await gone;
      if (folder) rmSync(folder, { recursive: true, force: true });
    },
  };
}
