import AxeBuilder from '@axe-core/playwright';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { startDemoServer } from '../scripts/demo-server.mjs';
import { fromSeeded } from './seeded';
import { copyOf, expect, openStage, saved, stored, test } from './shop';

test.use({ anew: true });

const WORDS = 'seven otters on a pontoon';

test('two people in one job: each is seen by the other, and what one saves comes in at the other', async ({ page, context }) => {
  const id = await copyOf(page, 'sensor-mast-foot');
  await openStage(page, id, 'lay-out');
  const other = await context.newPage();
  await openStage(other, id, 'lay-out');
  await expect(page.locator('.others')).toHaveText('also here: another tab');
  await expect(other.locator('.others')).toHaveText('also here: another tab');
  await page.locator('[data-bolt=B1]').focus();
  await page.keyboard.press('ArrowRight');
  await expect(other.locator('[data-bolt=B1]')).toHaveAttribute('aria-label', /126 mm forward/);
  await other.locator('[data-bolt=B3]').focus();
  await other.keyboard.press('Shift+ArrowRight');
  await saved(other);
  await expect(page.locator('[data-bolt=B3]')).toHaveAttribute('aria-label', /-115 mm forward/);
  await other.close();
  await expect(page.locator('.others')).toHaveCount(0);
  // What came in is said until something is changed here.
  await expect(page.locator('.came')).toHaveText('what another tab changed came in');
  const { items } = (await stored(page, id)).bolts;
  expect([items[0].x, items[2].x]).toEqual([126, -115]);
  // Undo takes back what was done here, and nothing of theirs.
  await page.keyboard.press('Control+z');
  await saved(page);
  const { items: undone } = (await stored(page, id)).bolts;
  expect([undone[0].x, undone[2].x]).toEqual([125, -115]);
});

test('a worker that ends quietly is noticed: the verdict goes, and comes back from a new one', async ({ page }) => {
  await openStage(page, 'sensor-mast-foot', 'lay-out');
  await expect(page.locator('ms-load-path ol')).toBeVisible();
  await page.waitForTimeout(800);
  const before = page.workers();
  for (const w of before) await w.evaluate(() => self.close()).catch(() => undefined);
  await expect.poll(() => page.workers().some((w) => !before.includes(w)), { timeout: 20_000 }).toBe(true);
  await expect(page.locator('ms-load-path ol')).toBeVisible();
  await expect(page.locator('.broken')).toHaveCount(0);
});

test('on the shop’s network: set up on the machine, come in with a passphrase, do what the role may, a link for a guest', async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-lan-'));
  const data = join(folder, 'jobs.sqlite');
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const set = await startDemoServer({ data, ...fromSeeded() });
  try {
    await page.goto(`${set.address}/people`);
    for (const [initials, name, role] of [
      ['KE', 'Karin Eide', 'keep'],
      ['JF', 'Jonas Fenn', 'work'],
      ['LO', 'Lise Orm', 'look'],
    ]) {
      await page.getByLabel('Initials').fill(initials!);
      await page.getByRole('textbox', { name: 'Name', exact: true }).fill(name!);
      await page.locator('.fresh select').selectOption(role!);
      await page.getByLabel('Passphrase, 12 characters or more').fill(WORDS);
      await page.getByRole('button', { name: 'Let in' }).click();
      await expect(page.getByRole('status')).toContainText(`${name} may come in.`);
    }
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  } finally {
    await page.context().close();
    await set.stop();
  }
  const lan = await startDemoServer({ data, args: ['--lan'] });
  try {
    const [jonas, lise] = [await enter(browser, lan.address, 'JF'), await enter(browser, lan.address, 'LO')];
    await jonas.getByRole('link', { name: 'Open Sensor-mast foot, wheelhouse roof' }).click();
    await jonas.locator('[data-bolt=B1]').focus();
    await jonas.keyboard.press('ArrowRight');
    await saved(jonas);
    await lise.goto(`${lan.address}/job/sensor-mast-foot/lay-out`);
    await expect(lise.locator('.others')).toHaveText('also here: JF');
    await lise.locator('[data-bolt=B1]').focus();
    await lise.keyboard.press('ArrowRight');
    await expect(lise.locator('header .save')).toContainText('you may look; this needs somebody who may work');
    // A session that is over: what is written waits behind the door.
    await jonas.context().clearCookies();
    await jonas.locator('[data-bolt=B1]').focus();
    await jonas.keyboard.press('ArrowRight');
    await expect(jonas.locator('ms-door')).toBeVisible();
    await passDoor(jonas, 'JF');
    await saved(jonas);
    const { job } = await (await jonas.request.get(`${lan.address}/api/jobs/sensor-mast-foot`)).json();
    expect(job.feet[0].design.bolts.items[0].x).toBe(127);
    // A guest with a link sees the record of one job, and nothing else.
    const made = await jonas.request.post(`${lan.address}/api/jobs/sensor-mast-foot/links`, { data: { days: 7 } });
    const { path } = await made.json();
    const guest = await browser.newPage();
    await guest.goto(lan.address + path);
    await expect(guest.locator('body')).toContainText('Sensor-mast foot, wheelhouse roof');
    expect((await guest.request.get(`${lan.address}/api/jobs`)).status()).toBe(401);
    for (const p of [jonas, lise, guest]) await p.context().close();
  } finally {
    await lan.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});

async function passDoor(page: Page, initials: string): Promise<void> {
  await page.getByLabel('Initials').fill(initials);
  await page.getByLabel('Passphrase').fill(WORDS);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.locator('ms-door')).toHaveCount(0);
}

async function enter(browser: Browser, address: string, initials: string): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })).newPage();
  await page.goto(address);
  await passDoor(page, initials);
  return page;
}

test('without anybody who keeps the shop nothing listens on the network; a restore brings a shop back', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-drill-'));
  const data = join(folder, 'jobs.sqlite');
  const env = { ...process.env, MAST_SHOE_DATA: data, PORT: '0' };
  const run = (...args: string[]) => spawnSync(process.execPath, args, { env, encoding: 'utf8', timeout: 60_000 });
  const says = (...args: string[]) => {
    const { stdout, stderr } = run(...args);
    return stdout + stderr;
  };
  const refused = run('scripts/serve.mjs', '--lan');
  expect([refused.status, refused.stdout]).toEqual([1, expect.stringContaining('nobody is set up who keeps the shop')]);
  const server = await startDemoServer({ data, ...fromSeeded() });
  const kept = await (await fetch(`${server.address}/api/jobs/core-sampler-winch/job.json`)).text();
  const main = ['--import', 'tsx', 'apps/server/src/backups/main.ts'];
  expect(says(...main, 'backup')).toContain('backed up as');
  expect(says(...main, 'restore', 'latest')).toContain('stop the server first');
  await server.stop('SIGKILL');
  for (const end of ['', '-wal', '-shm']) rmSync(data + end, { force: true });
  expect(says('scripts/serve.mjs')).toContain('npm run restore');
  expect(says(...main, 'restore', 'latest')).toContain('is back as');
  const again = await startDemoServer({ data, demo: false });
  expect(await (await fetch(`${again.address}/api/jobs/core-sampler-winch/job.json`)).text()).toBe(kept);
  await again.stop();
  expect(readFileSync(data).subarray(0, 15).toString()).toBe('SQLite format 3');
  rmSync(folder, { recursive: true, force: true });
});
