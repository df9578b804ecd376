import type { Page } from '@playwright/test';
import { atFirst, changedAtFirst, copyOf, expect, go, openStage, pick, saved, test } from './shop';

const picture = (page: Page) =>
  page
    .locator('ms-spread-plan canvas')
    .first()
    .evaluate((c: HTMLCanvasElement) => c.toDataURL());
const fine = (page: Page) =>
  expect(page.locator('.state .mesh')).toContainText(/fine mesh, \d+ unknowns(,|$)/, { timeout: 30_000 });
const figure = (page: Page, what: RegExp) => page.locator('ms-spread-figures tr', { hasText: what }).locator('td').first();

async function openSpread(page: Page, job: string): Promise<void> {
  const id = await copyOf(page, job);
  await openStage(page, id, 'spread');
  await fine(page);
}

test('dragging a bolt changes the field, the bars and the figures; undo brings the same picture back', async ({ page }) => {
  await openSpread(page, 'core-sampler-winch');
  const before = await picture(page);
  const pull = await figure(page, /Bolt B\d/).textContent();
  const bolt = page.getByRole('button', { name: /^Bolt B2,?/ }).and(page.locator('.bolt'));
  const name = await bolt.getAttribute('aria-label');
  const box = (await bolt.locator('circle').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++) await page.mouse.move(box.x + box.width / 2 + 2 * i, box.y + box.height / 2 + i);
  // Still held: what is under the pointer is shown.
  await expect.poll(() => picture(page)).not.toBe(before);
  await page.mouse.up();
  await fine(page);
  await expect(figure(page, /Bolt B\d/)).not.toHaveText(pull!);
  expect(await bolt.getAttribute('aria-label')).not.toBe(name);
  await saved(page);
  await page.keyboard.press('Control+z');
  await fine(page);
  await expect(figure(page, /Bolt B\d/)).toHaveText(pull!);
  await expect.poll(() => picture(page)).toBe(before);
});

test('a proof solve can be stopped: the page lives, and the next solve is right', async ({ page }) => {
  await openSpread(page, 'stay-plate-port');
  const gives = page.locator('ms-spread-figures .big-number');
  const before = await gives.textContent();
  await page.getByRole('button', { name: 'Proof mesh' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.locator('.state .mesh')).toHaveText('stopped');
  await page.getByRole('button', { name: 'Solve again' }).click();
  await fine(page);
  await expect(gives).toHaveText(before!);
  // By key: the probe walks, and says what is there.
  await page.getByRole('group', { name: /arrow keys move the probe/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.probe text')).toHaveText(/−?-?\d+\.\d\d mm/);
});

test('two loose plates beside one: worse by the law of t³; strips behind beside one plate: worse', async ({ page }) => {
  await openSpread(page, 'buoy-lifting-eye');
  await page.getByRole('radio', { name: 'Compare' }).click();
  const solveBoth = async (name: string) => {
    await pick(page, 'Beside this layout', name);
    await page.getByRole('button', { name: 'Solve both' }).click();
    await expect(page.locator('ms-spread-compare table')).toBeVisible({ timeout: 40_000 });
    await expect(page.locator('ms-spread-plan')).toHaveCount(2);
  };
  const number = async (row: number, side: 0 | 1) =>
    parseFloat((await page.locator('ms-spread-compare tr:not(.words)').nth(row).locator('td').nth(side).textContent())!);
  await solveBoth('two loose plates of half the thickness');
  await expect(page.locator('ms-spread-compare .law')).toHaveText(/4\.0 times as soft: 2 × [\d.]+³ against [\d.]+³/);
  expect(await number(1, 1)).toBeGreaterThan(await number(1, 0));
  await solveBoth('two strips behind');
  expect(await number(1, 1)).toBeGreaterThan(await number(1, 0));
  await expect(page.locator('ms-spread-compare .words', { hasText: /% more|times as much/ }).first()).toBeVisible();
  // The other layout can be taken, and undone.
  await page.getByRole('button', { name: 'Take the other layout' }).click();
  await saved(page);
  await page.keyboard.press('Control+z');
  await saved(page);
});

test('no bearer at all is refused by name, a bad stiffness too; checks judged as solved say so in their working', async ({
  page,
}) => {
  await openSpread(page, 'stay-plate-port');
  await page.getByRole('radio', { name: 'Rests on' }).click();
  for (const bearer of ['Aft', 'Fore', 'Starboard', 'Port']) await pick(page, `${bearer} bearer`, 'no bearer');
  await expect(page.locator('.over[role=alert]')).toContainText('no bearer holds the skin');
  await pick(page, 'Aft bearer', 'clamped');
  await pick(page, 'Fore bearer', 'clamped');
  await expect(page.locator('.over[role=alert]')).toHaveCount(0);
  await fine(page);
  const given = page.getByRole('textbox', { name: /^Each bolt/ });
  await given.fill('-5');
  await given.press('Tab');
  await expect(page.locator('ms-spread-rests [role=alert]')).toContainText('Bolt stiffness: allowed 1 to 1000000000 N/mm');
  await given.fill('200000');
  await given.press('Tab');
  await expect(page.locator('ms-spread-rests [role=alert]')).toHaveCount(0);
  await pick(page, 'Pulls and stresses', 'as solved');
  await page.getByRole('button', { name: /^Bolt tension/ }).click();
  await expect(page.locator('ms-working')).toContainText(/with its prying, spread solver, fine mesh/, { timeout: 30_000 });
});

test('on a solid bed: the plate is solved with its bolts, ribs stiffen its base, and what is written wrong stays to be mended', async ({
  page,
}) => {
  await go(page, '/');
  const { job } = await (await page.request.get('/api/jobs/stay-plate-port')).json();
  const { spanX, spanY, aft, starboard } = atFirst(job)['skin'];
  const sheet = (v: number, text: string) => ({ v, text, from: 'sheet' });
  const skin = {
    kind: 'bed',
    strength: sheet(20, '20 MPa'),
    thickness: sheet(200, '200 mm'),
    bedModulus: sheet(30_000, '30000 MPa'),
    ...{ spanX, spanY, aft, starboard },
  };
  const id = `t-${crypto.randomUUID().slice(0, 8)}`;
  expect(
    (
      await page.request.post('/api/jobs', { data: { ...changedAtFirst(job, { skin }), id, name: 'Stay plate on a bed' } })
    ).status(),
  ).toBe(201);
  await openStage(page, id, 'spread');
  await fine(page);
  await expect(page.locator('ms-spread-figures')).toContainText('plate moves on its bed');
  await expect(page.locator('ms-spread-figures')).toContainText('Pressure on the bed');
  const plate = await figure(page, /Plate\s*mean over/).textContent();
  await page.getByRole('radio', { name: 'Rests on' }).click();
  await expect(page.locator('ms-spread-rests')).not.toContainText('Aft bearer');
  const ribs = page.getByRole('textbox', { name: /^Ribs on the base/ });
  await ribs.fill('3 × 900 × 6');
  await ribs.press('Tab');
  await expect(page.locator('ms-spread-rests [role=alert]')).toHaveText('“3 × 900 × 6”: Rib height: allowed 1 to 300 mm');
  await expect(ribs).toHaveValue('3 × 900 × 6');
  await ribs.fill('3 × 60 × 6');
  await ribs.press('Tab');
  await expect(page.locator('ms-spread-rests [role=alert]')).toHaveCount(0);
  await saved(page);
  await page.getByRole('radio', { name: 'Figures' }).click();
  await fine(page);
  await expect(figure(page, /Plate\s*mean over/)).not.toHaveText(plate!);
});
