import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { atFirst, changedAtFirst, copyOf, expect, go, openStage, saved, stored, test } from './shop';

const file = (text: string) => ({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(text) });

test('files that are not right are refused by field and range; the rack stays as it was', async ({ page }) => {
  await go(page, '/');
  await page.locator('.tags li').first().waitFor();
  const count = await page.locator('.tags li').count();
  const good = await (await page.request.get('/api/jobs/dive-ladder-top/job.json')).text();
  const say = async (text: string, expected: RegExp) => {
    await page.getByLabel('Job file').setInputFiles(file(text));
    await expect(page.getByRole('alert')).toContainText(expected);
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(page.locator('.tags li')).toHaveCount(count);
  };
  await say(good.slice(0, 800), /ends too early, as if cut off \(line \d+/);
  await say(good.replace('"version": 4', '"version": 12'), /version: version 12 is not known here — allowed: 1 to 4/);
  await say(good.replace('"corner": 12', '"corner": -12'), /plate.corner: Corner radius — allowed: 0 up to 500 mm/);
  const large = join(mkdtempSync(join(tmpdir(), 'mast-shoe-large-')), 'large.json');
  writeFileSync(large, Buffer.alloc(40_000_000, 'x'));
  await page.getByLabel('Job file').setInputFiles(large);
  await expect(page.getByRole('alert')).toContainText(/is 40.0 MB — allowed: up to 2 MB/);
  rmSync(large);
});

test('a bad number says the field and the range, loses nothing, and changes nothing', async ({ page }) => {
  const id = await copyOf(page, 'sensor-mast-foot');
  await openStage(page, id, 'measure');
  const skin = page.getByLabel('Skin thickness', { exact: true });
  for (const [typed, said] of [
    ['0', /0 is too small — allowed: over 0 up to 200 mm/],
    ['-3', /-3 is too small/],
    ['NaN', /not a number/],
    ['1,250', /two ways; write 1250 or 1.250/],
    ['10 ga', /metal it belongs to is not known/],
  ] as const) {
    await skin.fill(typed);
    await expect(page.getByRole('alert')).toContainText(said);
    await skin.press('Enter');
    await expect(skin).toHaveValue(typed);
    expect((await stored(page, id)).skin.thickness.v).toBe(18);
  }
  await skin.press('Escape');
  await expect(skin).toHaveValue('18 mm');
});

test('layouts that cannot be made are refused on the spot, and undo brings back the one before', async ({ page }) => {
  const id = await copyOf(page, 'sensor-mast-foot');
  await openStage(page, id, 'lay-out');
  await page.locator('[data-bolt=B1]').focus();
  const x = page.getByLabel('Forward of centre');
  await x.fill('180');
  await expect(page.locator('ms-load-path')).toContainText('lies 30 mm outside the plate');
  await x.fill('10');
  await page.getByLabel('To port of centre').fill('0');
  await expect(page.locator('ms-load-path')).toContainText('stands under the base where the base has no hole');
  await page.getByLabel('To port of centre').fill('-125');
  await x.fill('124');
  await expect(page.locator('ms-load-path')).toContainText('its hole overlaps that of B4 (1 mm between centres)');
  await page.locator('h3', { hasText: 'Fasteners' }).click();
  for (const bolt of ['B1', 'B2', 'B3', 'B4']) {
    await page.locator(`[data-bolt=${bolt}]`).focus();
    await page.keyboard.press('Delete');
  }
  await expect(page.locator('ms-load-path')).toContainText('there are no bolts');
  await go(page, `/job/${id}/make`);
  await expect(page.getByRole('alert').filter({ hasText: 'there are no bolts' }).first()).toBeVisible();
  for (let i = 0; i < 9; i++) await page.keyboard.press('Control+z');
  await expect(page.locator('ms-load-path ol')).toBeVisible();
  await saved(page);
  expect((await stored(page, id)).bolts.items).toHaveLength(4);
});

test('all spacers in one line under a moment about it: a hinge, said so', async ({ page }) => {
  const id = await copyOf(page, 'sensor-mast-foot');
  const { job, version } = await (await page.request.get(`/api/jobs/${id}`)).json();
  const items = [
    { id: 'B1', x: 105, y: 0 },
    { id: 'B2', x: -105, y: 0 },
  ];
  await page.request.put(`/api/jobs/${id}`, {
    data: changedAtFirst(job, {
      bolts: { ...atFirst(job)['bolts'], items },
      joint: { ...atFirst(job)['joint'], packing: 'spacers' },
    }),
    headers: { 'If-Match': `"${version}"` },
  });
  await openStage(page, id, 'lay-out');
  await expect(page.locator('ms-load-path')).toContainText('all bolts stand in one line, and this case turns the base about it');
});
