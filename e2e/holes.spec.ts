import DxfParser from 'dxf-parser';
import { copyOf, dragBy, expect, go, openStage, pick, saved, stored, storedWhole, test } from './shop';

test('holes: a ring of bolts, one slotted at an angle, a hole of the plate’s own moved by pointer and by key, all of it cut', async ({
  page,
}) => {
  const id = await copyOf(page, 'core-sampler-winch');
  await openStage(page, id, 'lay-out');
  await page.getByRole('radio', { name: 'holes' }).click();
  await pick(page, 'Pattern', 'a ring');
  await page.getByLabel('Pitch circle').fill('230');
  await page.getByLabel('First at').fill('45');
  await page.getByRole('button', { name: 'In place of all' }).click();
  await saved(page);
  const ring = (await stored(page, id)).bolts.items as { x: number; y: number }[];
  expect(ring.map((b) => Math.hypot(b.x, b.y))).toEqual([115, 115, 115, 115].map((r) => expect.closeTo(r, 3)));

  await page.locator('[data-bolt="B1"]').focus();
  await page.getByRole('button', { name: 'Make it a slot' }).click();
  await page.getByLabel('Plate, slot long').fill('30');
  await page.getByLabel('Turned, fore to port').fill('-45');
  await page.getByLabel('Skin', { exact: true }).fill('12');
  await expect(page.locator('svg.plan path.slot')).toHaveCount(1);

  await page.getByRole('button', { name: 'Hole', exact: true }).click();
  const hole = page.locator('[data-hole="P1"]');
  await dragBy(page, hole, -8, 30);
  await hole.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await saved(page);
  const { bolts, plate } = await stored(page, id);
  expect(bolts.items[0].holes).toMatchObject({ slot: { v: 30 }, skin: { v: 12 }, turn: expect.closeTo(-Math.PI / 4, 6) });
  expect(plate.holes[0]).toMatchObject({ id: 'P1', purpose: 'locating', x: 102, y: 40 });

  const dxf = await (await page.request.get(`/api/jobs/${id}/plate.dxf`)).text();
  const holes = new DxfParser().parseSync(dxf)!.entities.filter((e) => e.layer === 'HOLES');
  expect(holes.filter((e) => e.type === 'LWPOLYLINE')).toHaveLength(1);
  expect(holes.filter((e) => e.type === 'CIRCLE').length).toBe(3 + 1 + (await stored(page, id)).base.holes.length);
  // One act, one undo: the nudge, then the drag.
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await stored(page, id)).plate.holes[0]).toMatchObject({ x: 110, y: 0 });
});

test('a mirrored pair: drawn once, cut in both hands; an earlier version is set beside what it is now', async ({ page }) => {
  const id = await copyOf(page, 'stretcher-rack-ends');
  await openStage(page, id, 'lay-out');
  await page.getByRole('button', { name: 'Parts' }).click();
  const plate = page.locator('ms-parts-drawer li').first();
  await expect(plate).toContainText('1 a foot, 4 in all: 2 + 2 mirrored');
  await page.getByRole('button', { name: 'Plan' }).click();
  const at = async () => (await page.locator('[data-bolt="B4"]').getAttribute('cy'))!;
  const here = Number(await at());
  const feet = (await storedWhole(page, id)).feet as { name: string; like?: { mirrored: boolean } }[];
  const other = feet.find((f) => f.like?.mirrored)!.name;
  await page
    .locator('ms-foot-key')
    .getByRole('button', { name: new RegExp(`^${other}`) })
    .click();
  await expect.poll(async () => Number(await at())).toBe(-here);

  await page.locator('[data-bolt="B4"]').focus();
  await page.keyboard.press('ArrowRight');
  await saved(page);
  await go(page, `/compare?a=${id}&av=1`);
  await expect(page.locator('.values tbody th')).toHaveText(['Places of the bolts']);
  await expect(page.locator('.links tbody tr').first()).toBeVisible();
  await pick(page, 'Version', /^1, /, 1);
  await expect(page.getByText('Nothing: both say the same.')).toBeVisible();
});
