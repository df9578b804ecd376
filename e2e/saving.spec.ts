import type { BrowserContext, Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDemoServer } from '../scripts/demo-server.mjs';
import { fromSeeded } from './seeded';
import { atFirst, copyOf, expect, go, openStage, saved, stored, test } from './shop';

test.use({ anew: true });

/** One job open in two tabs, both on the same version. */
async function twoTabs(page: Page, context: BrowserContext): Promise<{ id: string; other: Page }> {
  // What the other saves is not heard here, as on a line that is down; else it would come in before anything meets.
  await context.route('**/api/live', (route) => route.abort());
  const id = await copyOf(page, 'sensor-mast-foot');
  await openStage(page, id, 'lay-out');
  const other = await context.newPage();
  await openStage(other, id, 'lay-out');
  return { id, other };
}

test('two tabs that change what does not meet: both stand, whoever saves second, and nobody is asked', async ({
  page,
  context,
}) => {
  const { id, other } = await twoTabs(page, context);

  await page.locator('[data-bolt=B1]').focus();
  await page.keyboard.press('ArrowRight');
  await saved(page);
  await other.locator('[data-bolt=B3]').focus();
  await other.keyboard.press('Shift+ArrowRight');
  await saved(other);
  await expect(other.getByRole('alertdialog')).toHaveCount(0);
  await expect(other.locator('[data-bolt=B1]')).toHaveAttribute('aria-label', /126 mm forward/);
  const merged = (await stored(page, id)).bolts.items;
  expect([merged[0].x, merged[2].x]).toEqual([126, -115]);
});

test('where both moved the same bolt, both are shown and can be kept', async ({ page, context }) => {
  const { id, other } = await twoTabs(page, context);
  await page.locator('[data-bolt=B1]').focus();
  await page.keyboard.press('ArrowRight');
  await saved(page);
  await other.locator('[data-bolt=B1]').focus();
  await other.keyboard.press('Shift+ArrowLeft');
  const card = other.getByRole('alertdialog', { name: 'Changed elsewhere too' });
  await expect(card).toContainText('bolts › B1 › x');
  await expect(card).toContainText('115');
  await expect(card).toContainText('126');
  await expect(card.getByRole('button', { name: 'Merge' })).toBeFocused();
  await card.getByRole('button', { name: 'Keep both' }).click();
  await expect(other).not.toHaveURL(new RegExp(id));
  await expect(other.getByLabel('Job name')).toHaveValue(/\(mine\)$/);
  const copy = other.url().split('/').at(-2)!;
  expect((await stored(page, copy)).bolts.items[0].x).toBe(115);
  expect((await stored(page, id)).bolts.items[0].x).toBe(126);
});

test('an answer held back belongs to its own job: another job opened meanwhile, and saved in a second tab, is not put over', async ({
  page,
  context,
}) => {
  await context.route('**/api/live', (route) => route.abort());
  await go(page, '/');
  const a = await copyOf(page, 'sensor-mast-foot');
  const b = await copyOf(page, 'stay-plate-port');
  const other = await context.newPage();
  await openStage(other, b, 'lay-out');
  await openStage(page, a, 'lay-out');
  let answer: () => void = () => undefined;
  const held = new Promise<void>((go) => (answer = go));
  await page.route(`**/api/jobs/${a}`, async (route) => {
    if (route.request().method() !== 'PUT') return route.continue();
    const response = await route.fetch();
    await held;
    return route.fulfill({ response });
  });
  await page.locator('[data-bolt=B1]').focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await stored(page, a)).bolts.items[0].x).toBe(126);
  // Within the page, as by a click on the rack: the tab lives on.
  await page.getByRole('link', { name: 'The rack' }).click();
  await page.locator(`a[href="/job/${b}/lay-out"]`).click();
  await expect(page.locator('header .save')).toContainText('1 other job not sent yet');
  await other.locator('[data-bolt=B1]').focus();
  await other.keyboard.press('ArrowRight');
  await saved(other);
  const theirs = (await stored(page, b)).bolts.items[0].x;
  answer();
  await saved(page);
  await page.locator('[data-bolt=B3]').focus();
  await page.keyboard.press('ArrowUp');
  await saved(page);
  expect((await stored(page, b)).bolts.items[0].x).toBe(theirs);
  expect((await stored(page, b)).id).toBe(b);
  expect((await stored(page, a)).bolts.items[0].x).toBe(126);
});

test('an edit made while the server is away, its tab closed, is sent from the next tab', async ({ page, context }) => {
  const id = await copyOf(page, 'sensor-mast-foot');
  const left = await context.newPage();
  await openStage(left, id, 'lay-out');
  await left.route(`**/api/jobs/${id}`, (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
  await left.locator('[data-bolt=B1]').focus();
  await left.keyboard.press('ArrowRight');
  await expect(left.locator('header .save')).toContainText('the server does not answer');
  await left.close();
  expect((await stored(page, id)).bolts.items[0].x).toBe(125);
  await go(page, '/');
  await expect.poll(async () => (await stored(page, id)).bolts.items[0].x).toBe(126);
});

test('survives kill -9 of the server: what was saved is there, what was not is kept and saved when it is back', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-kill-'));
  const data = join(folder, 'jobs.sqlite');
  const first = await startDemoServer({ data, ...fromSeeded() });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  try {
    await page.goto(`${first.address}/job/sensor-mast-foot/lay-out`);
    await page.locator('[data-bolt=B1]').focus();
    await page.keyboard.press('ArrowRight');
    await saved(page);
    await first.stop('SIGKILL');
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('header .save')).toContainText('the server does not answer');
    const second = await startDemoServer({ data, port: first.port });
    try {
      const kept = await (await page.request.get(`${second.address}/api/jobs/sensor-mast-foot`)).json();
      expect([126, 127]).toContain(atFirst(kept.job)['bolts'].items[0].x);
      await saved(page);
      const now = await (await page.request.get(`${second.address}/api/jobs/sensor-mast-foot`)).json();
      expect(atFirst(now.job)['bolts'].items[0].x).toBe(127);
      await page.reload();
      await expect(page.locator('[data-bolt=B1]')).toHaveAttribute('aria-label', /127 mm forward/);
      await page.keyboard.press('Control+z');
      await expect(page.locator('[data-bolt=B1]')).toHaveAttribute('aria-label', /126 mm forward/);
      await saved(page);
    } finally {
      await page.close();
      await second.stop();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
