import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from '../root';

/** The real server in a process of its own, over a database file; to be killed. */
export async function childServer(
  data: string,
  settings: Readonly<Record<string, string>> = {},
  /** ms until it is killed, whether it listens by then or not. */
  killedAfter?: number,
): Promise<{ readonly address: string; kill(): Promise<void> }> {
  const child = spawn(process.execPath, [join(ROOT, 'scripts/serve.mjs')], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', MAST_SHOE_DATA: data, LOG_LEVEL: 'silent', ...settings },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  if (killedAfter !== undefined) setTimeout(() => child.kill('SIGKILL'), killedAfter);
  const port = await new Promise<number>((resolve, reject) => {
    child.on('message', (m: { listening: number }) => resolve(m.listening));
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return {
    address: `http://127.0.0.1:${port}`,
    kill: () => {
      child.kill('SIGKILL');
      return gone;
    },
  };
}
