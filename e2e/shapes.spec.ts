import DxfParser from 'dxf-parser';
import { copyOf, dragBy, expect, openStage, pick, saved, stored, test } from './shop';

test('a plate is wrapped round its holes, a corner moved by pointer and by key, rounded, and cut as it is drawn', async ({
  page,
}) => {
  const id = await copyOf(page, 'core-sampler-winch');
  await openStage(page, id, 'lay-out');
  await page.getByRole('radio', { name: 'shape' }).click();
  await page.getByLabel('At a margin of').fill('1 in');
  await page.getByRole('button', { name: 'Wrap', exact: true }).click();
  await saved(page);
  const wrapped = (await stored(page, id)).plate;
  expect(wrapped.outline.corners).toHaveLength(8);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-node]')).toHaveCount(0);

  await page.getByRole('button', { name: 'Corner by corner' }).click();
  const node = page.locator('[data-node="-1 2"]');
  const at = async () => (await stored(page, id)).plate.outline.corners[2];
  await node.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await saved(page);
  const nudged = await at();
  await dragBy(page, node, -22, 13);
  await saved(page);
  const dragged = await at();
  expect([Math.round(dragged.x - nudged.x), Math.round(dragged.y - nudged.y)]).toEqual([-22, 13]);
  await pick(page, 'It is', 'clipped');
  await page.getByLabel('Leg of the clip').fill('25');
  await page.getByLabel('Edge after it pulled out by').fill('9999');
  await expect(page.locator('ms-corner-card [role=alert]')).toContainText('allowed');
  await page.keyboard.press('Escape');
  await saved(page);
  expect(await at()).toMatchObject({ make: 'clip', size: 25 });
  // An act is a step: the clip’s size, the clip, the drag and the nudge go back one by one.
  const text = await (await page.request.get(`/api/jobs/${id}/plate.dxf`)).text();
  const entities = new DxfParser().parseSync(text)!.entities as unknown as { layer: string; vertices?: unknown[] }[];
  expect(entities.find((e) => e.layer === 'PLATE_OUTLINE')!.vertices).toHaveLength(8);
  await expect(page.locator('ms-load-path ol')).toBeVisible();
});

test('a corner over another edge is refused by its place, and undone in one step', async ({ page }) => {
  const id = await copyOf(page, 'stay-plate-port');
  await openStage(page, id, 'lay-out');
  await page.getByRole('radio', { name: 'shape' }).click();
  await page.getByRole('button', { name: 'Corner by corner' }).click();
  await page.locator('[data-node="-1 0"]').focus();
  await page.getByLabel('Forward of centre').fill('900');
  await expect(page.locator('ms-shape-card [role=alert]')).toContainText('The outline cannot be cut');
  await expect(page.locator('ms-headline .says')).toContainText('needs putting right');
  await page.locator('[data-node="-1 0"]').focus();
  await page.keyboard.press('Control+z');
  await expect(page.locator('ms-shape-card [role=alert]')).toHaveCount(0);
  await saved(page);
});
