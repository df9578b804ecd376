import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDemoServer } from '../scripts/demo-server.mjs';
import { fromSeeded } from './seeded';
import { expect, saved, test } from './shop';

test('the server away: the page opens all the same, jobs seen before with it; an edit, its tab closed, is sent when it is back', async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-away-'));
  const data = join(folder, 'jobs.sqlite');
  const first = await startDemoServer({ data, ...fromSeeded() });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'allow' });
  const page = await context.newPage();
  const at = (job: string) => `${first.address}/job/${job}/lay-out`;
  try {
    await page.goto(first.address);
    await expect(page.locator('.tags li').first()).toBeVisible();
    // The program keeps all its files; the job is kept as it is looked at.
    await page.evaluate(() => navigator.serviceWorker.ready);
    await expect
      .poll(() => page.evaluate(async () => (await (await caches.open('mast-shoe-built')).keys()).length), { timeout: 60_000 })
      .toBeGreaterThan(80);
    await page.goto(at('sensor-mast-foot'));
    await expect(page.locator('ms-load-path ol')).toBeVisible();
    await first.stop('SIGKILL');
    await page.reload();
    await expect(page.locator('ms-load-path ol')).toBeVisible({ timeout: 30_000 });
    await expect(page.locator('header .save')).toContainText('the server is away: as it was last seen here', { timeout: 30_000 });
    await page.locator('[data-bolt=B1]').focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('header .save')).toContainText('not saved, trying again');
    // A stage that was never opened opens too.
    await page.locator('ms-traveller li a', { hasText: 'Spread' }).click();
    await expect(page.locator('main#stage svg').first()).toBeVisible();
    await page.close();
    const next = await context.newPage();
    await next.goto(first.address);
    await expect(next.getByText('The server does not answer: what hangs here is as it was last seen.')).toBeVisible({
      timeout: 30_000,
    });
    await expect(next.locator('.tags li').first()).toBeVisible();
    // A job that was never looked at is not there, and says so.
    await next.goto(at('dive-ladder-top'));
    await expect(next.getByText('The job cannot be opened')).toBeVisible({ timeout: 30_000 });
    const second = await startDemoServer({ data, port: first.port });
    try {
      await next.goto(at('sensor-mast-foot'));
      await expect(next.locator('[data-bolt=B1]')).toHaveAttribute('aria-label', /126 mm forward/);
      await saved(next);
      const { job } = await (await next.request.get(`${second.address}/api/jobs/sensor-mast-foot`)).json();
      expect(job.feet[0].design.bolts.items[0].x).toBe(126);
    } finally {
      await context.close();
      await second.stop();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
