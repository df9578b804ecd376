import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import DxfParser from 'dxf-parser';
import { oneFoot } from '@core/job/at-foot';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { make } from './make';

const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-make-'));
afterAll(() => rmSync(folder, { recursive: true }));

it('writes the packet and all that goes with it, each file whole; of a job that does not hold too, its cut files named so, and exits 1', async () => {
  const weak = oneFoot(
    lopsidedJob((j) => ({ ...j, plate: { ...j.plate, thickness: { v: 0.5, text: '0.5 mm', from: 'sheet' } } })),
  );
  const { exit, text } = await make(JSON.stringify(weak), true, folder, '2026-03-04');
  const { files, notMade, holds } = JSON.parse(text) as { files: string[]; notMade: string[]; holds: boolean };
  expect([exit, notMade, holds]).toEqual([1, [], false]);
  expect(files.some((f) => /^cut\/1 mounting plate, DOES NOT HOLD.*dxf$/.test(f))).toBe(true);
  expect(readdirSync(folder).sort()).toEqual([
    'buy.csv',
    'cut',
    'labels.pdf',
    'packet.pdf',
    'parts.csv',
    'plan.json',
    'report.pdf',
    'route.ics',
    'templates',
  ]);
  for (const name of files) {
    const content = readFileSync(join(folder, name));
    if (name.endsWith('.pdf')) expect(content.subarray(0, 5).toString()).toBe('%PDF-');
    if (name.endsWith('.dxf')) expect(new DxfParser().parseSync(content.toString())!.entities.length).toBeGreaterThan(0);
    if (name.endsWith('.svg')) expect(content.toString()).toContain('</svg>');
  }
  const plan = JSON.parse(readFileSync(join(folder, 'plan.json'), 'utf8')) as { sheets: unknown[]; buy: { total: number } };
  expect(plan.sheets.length).toBeGreaterThan(0);
  expect(plan.buy.total).toBeGreaterThan(0);
});

it('a file that is no job is refused by name', async () => {
  expect(await make('{}', false, folder)).toMatchObject({ exit: 2 });
});
