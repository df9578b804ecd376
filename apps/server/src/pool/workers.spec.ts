import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { NotStarted, threads, type Workers } from './workers';

let folder: string;
let workers: Workers;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'mast-shoe-pool-'))));
afterEach(async () => {
  await workers.end();
  rmSync(folder, { recursive: true, force: true });
});
const from = (source: string, ended?: (e: Error) => void): Workers => {
  const file = join(folder, 'worker.mjs');
  writeFileSync(file, source);
  return (workers = threads(pathToFileURL(file), ended));
};
const TASK = { kind: 'face', text: '{}' } as const;

it('a worker that does not start, as without one of its packages, takes nothing down: what is asked is refused with the reason', async () => {
  const said: string[] = [];
  const pool = from(`throw new Error('Cannot find module some-font\\nRequire stack')`, (e) => said.push(e.message));
  // The thread it was given to ends under it; from then on nothing waits for one that never comes.
  await expect(pool.run(TASK)).rejects.toThrow('some-font');
  await expect(pool.run(TASK)).rejects.toThrow(NotStarted);
  await expect(pool.run(TASK)).rejects.toThrow(/does not start: Cannot find module some-font$/);
  expect(said.every((s) => s.includes('some-font'))).toBe(true);
});

it('one that starts answers', async () => {
  const pool = from('export default (task) => ({ kind: task.kind })');
  expect(await pool.run(TASK)).toEqual({ kind: 'face' });
});
