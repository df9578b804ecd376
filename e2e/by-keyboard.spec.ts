import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, saved, stored, test } from './shop';

/** What the thing that has the keyboard is called. */
const called = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const e = document.activeElement as HTMLInputElement;
    if (e.matches('body, main')) return '';
    return (e.getAttribute('aria-label') ?? e.labels?.[0]?.textContent ?? e.textContent ?? '').trim();
  });

/** Tabs on until what has the keyboard is called so; it may have it already. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  const met: string[] = [await called(page)];
  for (let n = 0; n < 120 && !name.test(met.at(-1)!); n++) {
    await page.keyboard.press('Tab');
    met.push(await called(page));
  }
  if (name.test(met.at(-1)!)) return;
  throw new Error(`nothing called ${name}; met: ${met.join(' | ')}`);
}

/** By the command box, as whoever uses no pointer does. */
async function command(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'What to do' }).waitFor();
  await page.keyboard.type(words);
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Enter');
}

/** Whatever is done, the keyboard is never thrown back to the top of the document. */
const hasIt = (page: Page) => expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');

test('by keyboard alone: from a new job through values, a bolt and a link to the packet', async ({ page }) => {
  await page.goto('/');
  await page.locator('.tags li').first().waitFor();
  await command(page, 'new job');
  await expect(page).toHaveURL(/\/new$/);
  await hasIt(page);
  await tabTo(page, /^Lifting lug/);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('What the job is called')).toBeFocused();
  await page.keyboard.type('Lug by keyboard');
  for (const [label, text] of [
    [/Load lifted/, '400 kg'],
    [/Sling legs/, '2'],
    [/Sling angle from level/, '60'],
    [/Eye height above the plate/, '50'],
    [/Skin thickness/, '12'],
    [/Clear span, fore and aft/, '400'],
  ] as const) {
    await tabTo(page, label);
    await page.keyboard.press('Control+a');
    await page.keyboard.type(text);
  }
  await tabTo(page, /Start the job/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/job\/lug-by-keyboard-[0-9a-f]+\/lay-out$/);
  await page.locator('ms-load-path button.weakest').waitFor();
  await hasIt(page);
  const id = page.url().split('/').at(-2)!;
  const thickness = (await stored(page, id)).plate.thickness.v;

  // A bolt nudged, taken out and had back; what stands beside it has the keyboard then.
  await tabTo(page, /^Bolt B1/);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Delete');
  await expect(page.locator('[data-bolt=B1]')).toHaveCount(0);
  await hasIt(page);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-bolt=B1]')).toHaveCount(1);
  await command(page, 'thicker');
  await saved(page);
  expect((await stored(page, id)).plate.thickness.v).toBeGreaterThan(thickness);

  // A link’s working, and back.
  await command(page, 'working of bolt tension');
  await expect(page.locator('ms-working ms-steps')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('ms-working')).toHaveCount(0);

  // What a word means, at the field.
  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/measure/);
  await tabTo(page, /^Skin thickness/);
  await page.keyboard.press('F1');
  await expect(page.getByRole('tooltip').filter({ hasText: 'Skin, panel, shell' })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.keyboard.press('Tab');
  const download = page.waitForEvent('download');
  await command(page, 'packet');
  const packet = await (await download).path();
  expect(readFileSync(packet).subarray(0, 5).toString()).toBe('%PDF-');
});
