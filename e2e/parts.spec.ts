import DxfParser from 'dxf-parser';
import { atFirst, changedAtFirst, copyOf, expect, go, openStage, pick, saved, stored, storedWhole, test } from './shop';

test('one joint of two kinds of bolt: a bolt made of the other kind, drawn, listed and undone', async ({ page }) => {
  const id = await copyOf(page, 'stay-plate-port');
  await openStage(page, id, 'lay-out');
  const bolts = page.locator('ms-stack-card dd').filter({ hasText: ' × ' });
  await expect(bolts).not.toContainText('M12');
  await page.locator('[data-bolt="B2"]').focus();
  await pick(page, 'Fastener', 'another kind…');
  await expect(page.locator('ms-stack-card mat-button-toggle')).toHaveCount(2);
  await saved(page);
  const job = await stored(page, id);
  expect(job.bolts.kinds).toHaveLength(1);
  const own = job.bolts.kinds[0].id;
  expect(job.bolts.items.filter((b: { kind?: string }) => b.kind === own).map((b: { id: string }) => b.id)).toEqual(['B2']);
  await pick(page, 'Size', 'M12');
  await expect(bolts).toContainText('1 M12 ×');
  await expect(page.locator('ms-headline')).toContainText(/holds|tight|lets go|needs/);
  await saved(page);
  const sizes = (await stored(page, id)).bolts;
  expect([sizes.kinds[0].size, sizes.size === 'M12']).toEqual(['M12', false]);
  await page.locator('[data-bolt="B2"]').focus();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await stored(page, id)).bolts.kinds).toBeUndefined();
});

test('a foot held by welds alone: an edge left bare works the rest harder, and with none it is refused', async ({ page }) => {
  const id = await copyOf(page, 'mast-socket-welded');
  await openStage(page, id, 'lay-out');
  await page.getByRole('radio', { name: 'welds' }).click();
  await expect(page.locator('ms-load-path')).toContainText('Doubler weld');
  await expect(page.locator('ms-headline .says')).toContainText('holds');
  const used = async () => {
    await saved(page);
    const text = await page.locator('ms-load-path li', { hasText: 'Doubler weld' }).innerText();
    return Number(/\d\.\d\d/.exec(text)![0]);
  };
  const before = await used();
  await page
    .getByRole('checkbox', { name: /port edge/ })
    .first()
    .uncheck();
  await expect.poll(used).toBeGreaterThan(before);
  for (const name of [/starboard edge/, /fore edge/, /aft edge/]) await page.getByRole('checkbox', { name }).uncheck();
  await expect(page.locator('ms-headline .says')).toContainText('needs putting right');
  await page.keyboard.press('Control+z');
  await expect(page.locator('ms-headline .says')).not.toContainText('needs putting right');
});

test('a bent rail is made from flat bar, seen flat and from the side, and cut; a link is judged for its part of the load', async ({
  page,
}) => {
  const id = await copyOf(page, 'core-sampler-winch');
  await openStage(page, id, 'lay-out');
  await page.getByRole('button', { name: 'Parts' }).click();
  const drawer = page.locator('ms-parts-drawer');
  await expect(drawer).toContainText('mounting plate');
  await drawer.getByRole('button', { name: 'Part' }).click();
  await page.getByRole('menuitem', { name: 'from flat bar' }).click();
  const sheet = page.locator('ms-part-sheet');
  await expect(sheet).toContainText('Rail');
  await page.locator('ms-part-stock').getByRole('button', { name: 'Bend' }).first().click();
  await expect(sheet.getByRole('img', { name: /from the side, bent/ })).toBeVisible();
  await page.locator('ms-part-holes').getByRole('button', { name: 'Hole', exact: true }).click();
  await pick(page, 'In leg', 'leg 2');
  await page.getByLabel('From its outside').fill('12 mm');
  await page.keyboard.press('Tab');
  await expect(page.locator('ms-part-card [role=alert]').first()).toContainText('goes through it');
  await page.getByLabel('From its outside').fill('45 mm');
  await page.keyboard.press('Tab');
  await expect(page.locator('ms-part-card [role=alert]')).toHaveCount(0);
  await saved(page);
  const rail = (await stored(page, id)).parts[0];
  expect([rail.stock.legs.length, rail.stock.bends.length, rail.holes[0].leg]).toEqual([2, 1, 1]);

  await page.getByRole('button', { name: 'All parts' }).click();
  await drawer.getByRole('button', { name: 'Part' }).click();
  await page.getByRole('menuitem', { name: 'link with its pin' }).click();
  await expect(page.locator('ms-load-path')).toContainText('Link body');
  await page.keyboard.press('Control+z');
  await expect(page.locator('ms-load-path li', { hasText: 'Link body' })).toHaveCount(0);
  await saved(page);
});

test('an outline goes out as DXF and comes in again with its arcs', async ({ page }) => {
  await go(page, '/');
  const out = await page.request.get('/api/jobs/sampling-pump-brace/plate.dxf');
  const text = await out.text();
  const drawn = new DxfParser().parseSync(text)!.entities.find((e) => e.layer === 'PLATE_OUTLINE') as unknown as {
    vertices: { bulge?: number }[];
  };
  expect(drawn.vertices.filter((v) => v.bulge).length).toBeGreaterThan(3);
  const id = await copyOf(page, 'stay-plate-port');
  await openStage(page, id, 'lay-out');
  await page.getByRole('radio', { name: 'shape' }).click();
  await page.getByLabel('DXF outline').setInputFiles({ name: 'plate.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from(text) });
  await expect(page.locator('[data-node]')).toHaveCount(drawn.vertices.length);
  await saved(page);
  const { corners } = (await stored(page, id)).plate.outline;
  expect(corners.map((c: { bulge: number }) => Number(c.bulge.toFixed(4)))).toEqual(
    drawn.vertices.map((v) => Number((v.bulge ?? 0).toFixed(4))),
  );
  // A contour that does not close is refused by its place, and the plate stays as it is.
  const open = text.replace(/(LWPOLYLINE[\s\S]*?\n\s*70\n\s*)1(\r?\n)/, '$10$2');
  await page.getByLabel('DXF outline').setInputFiles({ name: 'open.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from(open) });
  await expect(page.locator('ms-shape-card [role=alert]')).toContainText(/open|closed/);
  expect((await stored(page, id)).plate.outline.corners).toHaveLength(corners.length);
});

test('from the parts to the saw: a longer rail takes another bar, its holes their bits, its bolts their rounds', async ({
  page,
}) => {
  const id = await copyOf(page, 'generator-skid-rails');
  await openStage(page, id, 'make');
  const sheet = (name: string) => page.getByRole('radio', { name, exact: true }).click();
  await sheet('Parts');
  await expect(page.locator('ms-parts-card')).toContainText('Skid rail, ends turned up');
  await sheet('Bars');
  await expect(page.locator('ms-cut-plan')).toContainText('1 × 6000 mm to buy');
  await expect(page.locator('ms-cut-plan .piece')).toHaveCount(2);
  // The rail four metres long: one bar each.
  const whole = await storedWhole(page, id);
  const rail = atFirst(whole)['parts'] as { stock: { legs: { v: number; text: string; from: string }[] } }[];
  rail[0]!.stock.legs[1] = { v: 4000, text: '4 m', from: 'measured' };
  const { version } = await (await page.request.get(`/api/jobs/${id}`)).json();
  await page.request.put(`/api/jobs/${id}`, {
    data: changedAtFirst(whole, { parts: rail }),
    headers: { 'If-Match': `"${version}"` },
  });
  await page.reload();
  await sheet('Bars');
  await expect(page.locator('ms-cut-plan')).toContainText('2 × 6000 mm to buy');
  await sheet('Drill');
  await page.locator('ms-drill-card td button').first().click();
  await expect(page.locator('ms-drill-card ms-steps')).toContainText('1000');
  await sheet('Tighten');
  await expect(page.locator('ms-torque-sheet tbody tr')).toHaveCount(4);
});
