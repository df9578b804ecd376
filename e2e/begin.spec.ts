import { expect, saved, stored, test } from './shop';

test('from the rack to an answer in ten acts: a trade, a name, six values, and the job that holds them', async ({ page }) => {
  await page.goto('/');
  let acts = 0;
  const act = async (done: Promise<void>) => {
    await done;
    acts++;
  };
  await act(page.getByRole('link', { name: 'New job', exact: true }).click());
  await act(page.getByRole('button', { name: /Lifting lug/ }).click());
  await act(page.getByLabel('What the job is called').fill('Lug, pump house hatch'));
  for (const [label, text] of [
    ['Load lifted', '1,250.5 kg'],
    ['Sling legs', '2'],
    ['Sling angle from level', '45'],
    ['Eye height above the plate', '45+5'],
    ['Skin thickness', '3/8'],
    ['Clear span, fore and aft', '600'],
  ])
    await act(page.getByLabel(label!).fill(text!));
  await act(page.getByRole('button', { name: 'Start the job' }).click());
  expect(acts).toBe(10);
  await expect(page).toHaveURL(/\/job\/lug-pump-house-hatch-[0-9a-f]+\/lay-out$/);
  await expect(page.locator('ms-headline')).toContainText(/holds|does not hold|not shown to hold/);
  await expect(page.locator('ms-load-path button.weakest')).toBeVisible();
  const job = await stored(page, page.url().split('/').at(-2)!);
  expect(job.name).toBe('Lug, pump house hatch');
  const { mass, height } = job.loads[0].values;
  expect([mass.v, height.v, job.skin.thickness.v, mass.from]).toEqual([1250.5, 50, expect.closeTo(9.525, 9), 'measured']);
  // The whole chain is in view, and nothing of it runs over its neighbour.
  const boxes = await page
    .locator('ms-load-path ol li')
    .evaluateAll((all) => all.map((li) => li.getBoundingClientRect().toJSON()));
  for (const [i, b] of boxes.entries()) {
    expect(b.right).toBeLessThanOrEqual(1281);
    if (i > 0) expect(b.left).toBeGreaterThanOrEqual(boxes[i - 1]!.right - 1);
  }
  const cut = await page
    .locator('ms-load-path li:not(.edge-on) .value')
    .evaluateAll((all) => all.filter((e) => e.scrollWidth > e.clientWidth + 1).length);
  expect(cut).toBe(0);
  await page.getByLabel('Job name').fill('Hatch lug');
  await page.getByLabel('Job name').press('Tab');
  await saved(page);
});
