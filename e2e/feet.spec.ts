import { atFirst, copyOf, expect, openStage, pick, saved, stored, storedWhole, test } from './shop';

const foot = (name: string) => new RegExp(`^${name}`);

test('a winch is stood on four feet: what comes to each, one in hand, one made its own, each with files of its own', async ({
  page,
}) => {
  const id = await copyOf(page, 'core-sampler-winch');
  await openStage(page, id, 'load');
  await page.getByRole('radio', { name: 'How it stands' }).click();
  await page.getByRole('button', { name: 'Four feet' }).click();
  await page.getByLabel('Apart, fore and aft').fill('40 in');
  await page.getByLabel('Apart, across').fill('0');
  await expect(page.locator('ms-standing [role=alert]')).toContainText('over 0 up to');
  await page.getByLabel('Apart, across').fill('700');
  await page.getByRole('button', { name: 'Place the feet' }).click();
  await expect(page.locator('ms-foot-key button')).toHaveCount(4);
  await saved(page);
  const whole = await storedWhole(page, id);
  expect(whole.feet.map((f: { x: number; y: number }) => [f.x, f.y])).toEqual([
    [508, 350],
    [508, -350],
    [-508, 350],
    [-508, -350],
  ]);
  // Four equal feet: a quarter of the pull along, and what tips goes by M/(2·1016).
  const along = page.locator('ms-standing tbody tr').first();
  await expect(along).toContainText('kN');
  await expect(page.locator('ms-standing .rules')).toContainText('feet take force only');
  await expect(page.locator('ms-standing ms-steps .katex').first()).toBeVisible();

  // From foot to foot by one press; the mirrored hand is drawn mirrored.
  await page
    .locator('ms-foot-key')
    .getByRole('button', { name: foot('Aft starboard') })
    .click();
  await expect(page.locator('ms-headline .says')).toContainText('Aft starboard: ');
  await page.getByRole('link', { name: /^Lay out/ }).click();
  const b1 = page.locator('[data-bolt=B1]');
  const before = (await stored(page, id)).bolts.items[0];
  await b1.focus();
  await page.keyboard.press('ArrowRight');
  await saved(page);
  // Drawn at one, drawn at all made alike.
  expect((await stored(page, id)).bolts.items[0]).toEqual({ ...before, x: before.x + 1 });
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await stored(page, id)).bolts.items[0]).toEqual(before);

  await page.getByRole('link', { name: /^Load/ }).click();
  await page.getByRole('radio', { name: 'How it stands' }).click();
  await pick(page, 'It is made', 'by itself');
  await page.getByRole('link', { name: /^Lay out/ }).click();
  await page.locator('[data-bolt=B1]').focus();
  await page.keyboard.press('.');
  await saved(page);
  const own = await storedWhole(page, id);
  expect(own.feet[3].like).toBeUndefined();
  expect(own.feet[3].design.plate.thickness.v).toBeGreaterThan(own.feet[0].design.plate.thickness.v);

  await page.getByRole('link', { name: /^Make/ }).click();
  const link = page.getByRole('link', { name: 'DXF with words' });
  const { headers, status } = await page.request
    .get((await link.getAttribute('href'))!)
    .then((r) => ({ headers: r.headers(), status: r.status() }));
  expect(status).toBe(200);
  expect(decodeURIComponent(headers['content-disposition']!)).toContain('Aft starboard');
});

test('feet in a line under a moment about it are refused by name, and hold once they take it', async ({ page }) => {
  const id = await copyOf(page, 'dive-ladder-top');
  await openStage(page, id, 'load');
  await page.getByRole('radio', { name: 'How it stands' }).click();
  await page.getByRole('button', { name: 'Two brackets' }).click();
  await page.getByRole('button', { name: 'Place the feet' }).click();
  await expect(page.locator('ms-foot-key button')).toHaveCount(2);
  await expect(page.locator('ms-headline .says')).toContainText(/holds|does not hold|not shown/);
  await page.getByLabel(/^only rests/).check();
  await expect(page.locator('.loads [role=alert], ms-headline .says').first()).toContainText(/standing|holds/);
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'One plate' }).click();
  await expect(page.locator('ms-foot-key')).toHaveCount(0);
  await saved(page);
  expect(atFirst(await storedWhole(page, id))['feet']).toHaveLength(1);
});
