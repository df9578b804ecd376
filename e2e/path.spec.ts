import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import DxfParser from 'dxf-parser';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import {
  copyOf,
  dragBy,
  emptyJob,
  expect,
  go,
  fromMenu,
  leave,
  openStage,
  pick,
  saved,
  stored,
  storedWhole,
  test,
  weakest,
} from './shop';

test('from a load on a fitting to a plate you can cut', async ({ page }) => {
  // The rack: demo jobs, then a new one.
  await go(page, '/');
  for (const name of ['Fold-down bench', 'Sensor-mast foot', 'Weather-buoy lifting eye', 'Dive-ladder top']) {
    await expect(page.locator('.tags li', { hasText: name }).first()).toContainText(/holds.*good for \d\.\d\d × load/);
  }
  await expect(page.locator('.tags li', { hasText: 'Core-sampler winch' }).first()).toContainText(
    /does not hold, by hand\s+good for 0\.15 × load/,
  );
  await emptyJob(page);
  await expect(page).toHaveURL(/\/load$/);
  const id = page.url().split('/').at(-2)!;
  await expect(page.locator('ms-load-path')).toContainText('there is no load case');

  // Load: a winch, its arithmetic shown.
  await page.getByRole('button', { name: 'Add a load' }).first().click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Winch/ })
    .click();
  await page.getByLabel('Rated pull, first layer', { exact: true }).fill('900 lb');
  await page.getByLabel('Line height above the base', { exact: true }).fill('5 1/2"');
  await page.getByLabel('Pull angle to each side', { exact: true }).fill('20');
  await page.getByLabel('Pull angle to each side', { exact: true }).press('Enter');
  await expect(page.locator('ms-steps').first()).toContainText('= P \\cdot \\cos\\left(\\beta\\right)');
  await expect(page.locator('.cases tbody tr')).toHaveCount(3);
  // 900 lb ahead is 4003 N; at 139.7 mm it turns the plate by 559 N·m.
  await expect(page.locator('.cases tbody tr', { hasText: 'ahead' })).toContainText('4.00 kN');
  await expect(page.locator('.cases tbody tr', { hasText: 'ahead' })).toContainText('559 N·m');
  await expect(page.locator('.cases tbody .governs')).toHaveCount(1);
  // The line's height dragged on the picture: the cases follow, as one step.
  const handle = page.locator('.handle', { hasText: 'line height' });
  const at = (await handle.locator('circle').nth(1).boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2, at.y - 20, { steps: 5 });
  await page.mouse.up();
  await expect(page.locator('.cases tbody tr', { hasText: 'ahead' })).not.toContainText('559 N·m');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.cases tbody tr', { hasText: 'ahead' })).toContainText('559 N·m');

  // Measure: what was assumed is measured.
  await page
    .getByRole('link', { name: /Measure/ })
    .first()
    .click();
  await expect(page.locator('.picture > h3')).toContainText('values assumed');
  const before = Number((await page.locator('.picture > h3').textContent())!.split(' ')[0]);
  await page.getByRole('radio', { name: 'measured', exact: true }).click();
  await page.getByLabel('Skin thickness', { exact: true }).fill('6');
  await page.getByLabel('Skin thickness', { exact: true }).press('Enter');
  await expect(page.locator('.picture > h3')).toContainText(`${before - 1} of`);

  // Lay out: washers instead of a backing plate, then a bolt dragged to the edge changes the weakest link.
  await page.getByRole('link', { name: /Lay out/ }).click();
  await expect(weakest(page)).toHaveText('Skin bending');
  await pick(page, 'Under the nuts', 'washers');
  await pick(page, 'Under the nuts', 'backing plate');
  await expect(weakest(page)).toHaveText('Skin bending');
  await dragBy(page, page.locator('[data-bolt=B1]'), 17, 0);
  await expect(weakest(page)).toHaveText('Edge and pitch');
  await expect(page.locator('ms-load-path button.weakest')).toContainText('lets go');
  await saved(page);
  const dragged = (await stored(page, id)).bolts.items[0];
  expect(dragged.x).toBe(107);
  await page.reload();
  await expect(weakest(page)).toHaveText('Edge and pitch');

  // Undo lives through the reload; redo too.
  await page.keyboard.press('Control+z');
  await expect(weakest(page)).toHaveText('Skin bending');
  await page.keyboard.press('Control+y');
  await expect(weakest(page)).toHaveText('Edge and pitch');
  await page.keyboard.press('Control+z');

  // Click a number: formula, numbers, result, source.
  await page.locator('ms-load-path button', { hasText: 'Plate bending' }).click();
  const working = page.getByRole('region', { name: 'Working' });
  await expect(working).toContainText('EN 1993-1-8 §6.2.4');
  await expect(working).toContainText('1.25 \\cdot m');
  await expect(working).toContainText('by AISC Part 9');
  await page.keyboard.press('Escape');
  await expect(working).toHaveCount(0);

  // Both schools, the job says which.
  await page.getByRole('link', { name: /Load/ }).first().click();
  await page.getByRole('radio', { name: 'Limit states' }).click();
  await expect(page.locator('header .under')).toContainText('Limit states, permanent × 1.35, 0.9 where it helps, variable × 1.5');
  await expect(page.locator('.moved')).toContainText(/Skin bending \d\.\d\d → \d\.\d\d/);
  await page.getByRole('radio', { name: 'Working load' }).click();

  // Choose: try the stock, preview, take one, undo, take again.
  await page.getByRole('link', { name: /Choose/ }).click();
  await page.getByRole('button', { name: /^Try \d+/ }).click();
  await expect(page.locator('.search')).toContainText(/\d+ of 6804 hold/, { timeout: 30_000 });
  const first = page.locator('aside li button').first();
  await first.hover();
  await expect(page.locator('header .preview')).toBeVisible();
  const name = (await first.locator('span').first().textContent())!;
  await first.click();
  await page.mouse.move(700, 20);
  await saved(page);
  const chosen = await stored(page, id);
  expect(name).toContain(chosen.plate.thickness.text);
  expect(name).toContain(chosen.bolts.size);
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await stored(page, id)).bolts.items[0].x).toBe(90);
  await page.keyboard.press('Control+y');
  await saved(page);

  // Make: PDF, DXF, CSV read again by others than their makers.
  await page.getByRole('link', { name: /Make/ }).click();
  const job = await stored(page, id);
  const take = async (link: string) => {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: link }).click()]);
    return readFileSync(await download.path());
  };
  const pdf = await getDocument({ data: new Uint8Array(await take('Template, PDF')), useSystemFonts: true }).promise;
  const sheets = Number((await page.locator('.bar .note').textContent())!.split(' ')[0]);
  // Every sheet, and the notes.
  expect(pdf.numPages).toBe(sheets + 1);
  for (let n = 1; n <= pdf.numPages; n++) {
    const [, , width, height] = (await pdf.getPage(n)).view;
    // A4 is 210 × 297 mm.
    expect([width! * (25.4 / 72), height! * (25.4 / 72)].sort((a, b) => a - b).map((v) => Math.round(v * 100) / 100)).toEqual([
      210, 297,
    ]);
  }
  const words = (await (await pdf.getPage(1)).getTextContent()).items.map((i) => ('str' in i ? i.str : '')).join(' ');
  expect(words).toContain('50 × 50 mm');
  expect(words).toContain('fold under here');
  expect(words).toMatch(/does not\s+approve/);
  expect(words).toContain('ASSUMED');

  const dxf = new DxfParser().parseSync((await take('DXF with words')).toString())!;
  const circles = (dxf.entities as unknown as { layer: string; center: { x: number; y: number }; radius: number }[]).filter(
    (e) => e.layer === 'HOLES',
  );
  // The bolts, and after them the fitting’s own holes.
  expect(circles).toHaveLength(job.bolts.items.length + job.base.holes.length);
  circles.slice(0, job.bolts.items.length).forEach((c, i) => {
    expect(Math.abs(c.center.x - job.bolts.items[i].x)).toBeLessThan(0.01);
    expect(Math.abs(c.center.y - job.bolts.items[i].y)).toBeLessThan(0.01);
  });
  const csv = (await take('Drill list, CSV')).toString().trim().split('\n');
  expect(csv).toHaveLength(job.bolts.items.length + job.base.holes.length + 1);
  expect(Number(csv[1]!.split(',')[2])).toBeCloseTo(job.bolts.items[0].x - job.plate.x0, 2);

  // Out as a file, and in again as a copy.
  const file = await take('Job file, JSON');
  expect(JSON.parse(file.toString())).toEqual(await storedWhole(page, job.id));
  await go(page, '/');
  await page.locator('.tags li').first().waitFor();
  const count = Number.parseInt(await page.locator('.found').innerText(), 10);
  await page.getByLabel('Job file').setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: file });
  await expect(page.locator('.found')).toContainText(`${count + 1} jobs`);
});

test('the rack: copy, name, find, archive, bin, for good, table, history', async ({ page }) => {
  await go(page, '/');
  const tag = (name: string) => page.locator('.tags li', { hasText: name });
  await fromMenu(page, 'More for Dive-ladder top bracket, pontoon', 'Copy');
  await expect(tag('pontoon (copy)')).toBeVisible();
  await fromMenu(page, 'More for Dive-ladder top bracket, pontoon (copy)', 'Name, customer');
  await page.getByLabel('Name', { exact: true }).fill('Ladder, starboard');
  await page.getByRole('textbox', { name: 'Customer' }).fill('Ålesund fish farm');
  await page.getByLabel('On which vessel or vehicle').press('Enter');
  await expect(tag('Ladder, starboard')).toContainText('Ålesund fish farm · Pontoon');
  await fromMenu(page, 'More for Ladder, starboard', 'Archive');
  await expect(tag('Ladder, starboard')).toHaveCount(0);
  await expect(page.locator('.done[role=status]')).toContainText('Ladder, starboard is in the archive.');
  const place = (name: RegExp) => page.getByRole('radio', { name });
  await place(/^Archive 1/).click();
  await fromMenu(page, 'More for Ladder, starboard', 'Back to the rack');
  await expect(page.getByText('The archive is empty.')).toBeVisible();
  await place(/^Rack/).click();
  await page.getByLabel('Find a job').fill('alesund lad');
  await expect(page.locator('.tags li')).toHaveCount(1);
  await page.getByRole('radio', { name: 'Table' }).click();
  await expect(page.getByRole('row', { name: /Ladder, starboard/ })).toContainText('Skin bending');
  await page.getByRole('radio', { name: 'Tags' }).click();
  await fromMenu(page, 'More for Ladder, starboard', 'History');
  await expect(page.getByRole('row', { name: /^2, now/ })).toContainText(/name, customer, vessel or vehicle.*good for/);
  await page.getByRole('button', { name: 'Bring back version 1' }).click();
  await expect(page.getByRole('status')).toContainText('Version 1 is back, as version 3.');
  await page.getByRole('link', { name: 'The rack' }).click();
  await fromMenu(page, 'More for Dive-ladder top bracket, pontoon (copy)', 'Put in the bin');
  await place(/^Bin 1/).click();
  await fromMenu(page, 'More for Dive-ladder top bracket, pontoon (copy)', 'Delete for good');
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByText('The bin is empty.')).toBeVisible();
});

test('keys: nudge, exact place, thickness, size, class, units, mirror, dimensions, command box', async ({ page }) => {
  const id = await copyOf(page, 'sensor-mast-foot');
  await openStage(page, id, 'lay-out');
  const b1 = page.locator('[data-bolt=B1]');
  await b1.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Alt+ArrowLeft');
  await saved(page);
  expect((await stored(page, id)).bolts.items[0]).toMatchObject({ x: 125.9, y: 115 });
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Forward of centre')).toBeFocused();
  await page.keyboard.type('4 1/8"');
  await page.keyboard.press('Enter');
  await saved(page);
  expect((await stored(page, id)).bolts.items[0].x).toBeCloseTo(104.8, 6);

  await page.locator('h3', { hasText: 'Fasteners' }).click();
  await page.locator('body').press('.');
  await page.locator('body').press(']');
  await page.locator('body').press('g');
  await saved(page);
  const j = await stored(page, id);
  expect([j.plate.thickness.text, j.bolts.size, j.bolts.class]).toEqual(['10 mm', 'M10', 'A4-80']);
  await page.locator('body').press(',');
  await page.locator('body').press('[');
  await page.locator('body').press('u');
  await expect(page.locator('.tools')).toContainText('inch');
  await page.locator('body').press('u');
  await page.locator('body').press('a');
  await expect(page.locator('.grip.bolt')).toHaveCount(5);
  await page.locator('body').press('Delete');
  await expect(page.locator('.grip.bolt')).toHaveCount(4);
  await page.locator('body').press('m');
  await saved(page);
  expect((await stored(page, id)).bolts.items[0].y).toBe(-115);

  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'What to do' }).fill('aisc');
  await page.keyboard.press('Enter');
  await expect(page.locator('header .under')).toContainText('AISC');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Thinner plate, next in stock');
});

/** Every place what is found by `selector` has from now on, looked at with each frame. */
const placesOf = (page: Page, selector: string) =>
  page.evaluateHandle((found) => {
    const places = new Set<string>();
    const look = () => {
      const box = document.querySelector(found)?.getBoundingClientRect();
      if (box?.width) places.add(`${box.x.toFixed(0)}, ${box.y.toFixed(0)}`);
      requestAnimationFrame(look);
    };
    look();
    return places;
  }, selector);

test('what is pressed stays where it is while an edit is judged and saved, and while a page gets its first verdict', async ({
  page,
}) => {
  const id = await copyOf(page, 'generator-skid-rails');
  await openStage(page, id, 'lay-out');
  await expect(page.locator('ms-verdict-figure .figure')).toBeVisible();
  const undo = page.getByRole('button', { name: 'Undo' });
  const watched = [await placesOf(page, 'header [aria-label=Undo]'), await placesOf(page, 'main#stage')];
  await page.locator('[data-bolt=B1]').focus();
  await page.keyboard.press('ArrowRight');
  await saved(page);
  await undo.click();
  await expect(undo).toBeDisabled();
  await saved(page);
  await expect(page.locator('ms-verdict-figure .figure')).toBeVisible();
  for (const w of watched) expect(await w.evaluate((places) => [...places])).toHaveLength(1);
  for (const [stage, pressed] of [
    ['make', 'ms-packet-panel button'],
    ['prove?sheet=tighten', 'ms-tighten .bar button'],
  ] as const) {
    const other = await copyOf(page, 'core-sampler-winch');
    await leave(page);
    const places = await placesOf(page, pressed);
    await openStage(page, other, stage);
    await expect(page.locator('ms-headline .says')).toBeVisible();
    if (stage === 'make') await expect(page.locator('.verdict')).toContainText('does not hold');
    else await expect(page.locator('.standing .built')).toBeVisible();
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    expect(await places.evaluate((all) => [...all])).toHaveLength(1);
  }
});

test('a face dragged in the section falls on the next stock thickness; edges and corners drag too', async ({ page }) => {
  const id = await copyOf(page, 'sensor-mast-foot');
  await openStage(page, id, 'lay-out');
  const face = page.getByRole('slider', { name: /^Plate thickness/ });
  const box = (await face.boundingBox())!;
  const scale = await page.locator('svg[msSection]').evaluate((svg) => (svg as SVGSVGElement).getScreenCTM()!.d);
  await page.mouse.move(box.x + 40, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + box.height / 2 - 3.6 * scale, { steps: 4 });
  await page.mouse.up();
  await saved(page);
  expect((await stored(page, id)).plate.thickness.text).toBe('12 mm');
  await page.getByRole('slider', { name: /^Backing plate thickness/ }).focus();
  await page.keyboard.press('ArrowDown');
  await saved(page);
  expect((await stored(page, id)).far.thickness.text).toBe('8 mm');
  await dragBy(page, page.locator('.grip.corner').nth(2), 20, 10);
  await saved(page);
  const { plate } = await stored(page, id);
  expect([plate.x1, plate.y1]).toEqual([170, 160]);
});
