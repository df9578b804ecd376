import AxeBuilder from '@axe-core/playwright';
import { expect, go, openStage, test } from './shop';

test.use({ anew: true });

const ground = (page: import('@playwright/test').Page) => page.evaluate(() => getComputedStyle(document.body).backgroundColor);

test('the dark card is read as well as the light one, on every stage; it is chosen, kept, and follows the system', async ({
  page,
}) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  const bad: string[] = [];
  const look = async (where: string) => {
    const { violations } = await new AxeBuilder({ page }).withRules(['color-contrast']).setLegacyMode(true).analyze();
    for (const v of violations) for (const n of v.nodes) bad.push(`${where}: ${n.target.join(' ')}`);
  };
  await go(page, '/');
  await page.locator('.tags li').first().waitFor();
  await look('rack');
  await openStage(page, 'core-sampler-winch', 'load');
  for (const stage of ['Load', 'Measure', 'Lay out', 'Spread', 'Choose', 'Make', 'Prove']) {
    await page
      .locator('ms-traveller')
      .getByRole('link', { name: new RegExp(`^${stage}`) })
      .click();
    await page.locator('#stage > :not(router-outlet)').first().waitFor();
    await look(stage);
  }
  expect(bad).toEqual([]);
  expect(await ground(page)).toBe('rgb(26, 25, 22)');

  await page.getByRole('button', { name: 'Help' }).click();
  await page.getByRole('menuitemradio', { name: 'Light card' }).click();
  expect(await ground(page)).toBe('rgb(243, 238, 225)');
  await page.reload();
  await page.locator('ms-load-path').waitFor();
  expect(await ground(page)).toBe('rgb(243, 238, 225)');
  // Paper is paper, whatever the screen.
  await page.getByRole('button', { name: 'Help' }).click();
  await page.getByRole('menuitemradio', { name: 'Dark card' }).click();
  expect(await ground(page)).toBe('rgb(26, 25, 22)');
  await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
  expect(await ground(page)).toBe('rgb(255, 255, 255)');
  // Where the system forces its colours, drawings are written in them too.
  await page.emulateMedia({ media: 'screen', colorScheme: 'dark', forcedColors: 'active' });
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--ink').trim())).toBe(
    'CanvasText',
  );
});

test('in the hand, 390 wide: nothing runs off the side, and every target is 24 px', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const bad: string[] = [];
  for (const [where, at, wait] of [
    ['rack', '/', '.tags li'],
    ['new job', '/new', '.starters svg'],
    ['words', '/words', 'ms-word'],
    ['history', '/history/core-sampler-winch', 'tbody tr'],
    ['due', '/due', 'tbody tr, .note'],
    ['people', '/people', 'main'],
    ['prove', '/job/buoy-lifting-eye/prove', 'ms-prove-stage .built'],
  ] as const) {
    await go(page, at);
    await page.locator(wait).first().waitFor();
    const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    if (over > 0) bad.push(`${where}: ${over} px over`);
    const { violations } = await new AxeBuilder({ page }).withRules(['target-size']).setLegacyMode(true).analyze();
    for (const v of violations) for (const n of v.nodes) bad.push(`${where}: ${n.target.join(' ')}`);
  }
  expect(bad).toEqual([]);
});
