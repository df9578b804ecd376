import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDemoServer } from '../scripts/demo-server.mjs';

/** Where a server of the tests begins: the demo rack, hung and judged. */
export const fromSeeded = (): { seeded: string } => ({ seeded: process.env['MAST_SHOE_SEEDED']! });

/** The rack of a server that asks for nothing more: each job with its verdict. */
async function judged(address: string): Promise<boolean> {
  const { total, waiting } = (await (await fetch(`${address}/api/jobs`)).json()) as { total: number; waiting: number };
  return total > 0 && waiting === 0;
}

/** The demo rack is hung and judged once; each server of the tests begins with a copy of it. */
export default async function seeded(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-seeded-'));
  const data = join(folder, 'demo.sqlite');
  const server = await startDemoServer({ data });
  for (const until = Date.now() + 120_000; !(await judged(server.address));) {
    if (Date.now() > until) throw new Error('the demo rack is not judged after two minutes');
    await new Promise((done) => setTimeout(done, 500));
  }
  await server.stop();
  process.env['MAST_SHOE_SEEDED'] = data;
  return () => rmSync(folder, { recursive: true, force: true });
}
