import { emptyJob, expect, go, test } from './shop';

// All seventeen are asked, drawn and computed one by one in load-stage.spec and builders.spec; here every fourth, as hands do it.
test('every family of fitting has a builder, and its worked example comes out at the figure of its source', async ({ page }) => {
  await go(page, '/');
  await emptyJob(page);
  await expect(page).toHaveURL(/\/load$/);
  await page.getByRole('button', { name: 'Add a load' }).first().click();
  const kinds = page.getByRole('dialog').locator('li button');
  const count = 17;
  await expect(kinds).toHaveCount(count);
  await page.getByRole('button', { name: 'Not now' }).click();
  for (let i = 0; i < count; i += 4) {
    await page.getByRole('button', { name: 'Add a load' }).first().click();
    const name = (await kinds.nth(i).locator('b').textContent())!;
    await kinds.nth(i).click();
    await page.getByRole('button', { name: `Worked examples for ${name}` }).click();
    await page.getByRole('menuitem').first().click();
    const example = page.locator('.example');
    await expect(example).toContainText(/\S+ here, \S+.* expected\./);
    await expect(example).not.toHaveClass(/off/);
    await expect(page.locator('ms-load-sketch .handle').first()).toBeVisible();
    const title = await page.locator('article .name').inputValue();
    await page.getByRole('button', { name: `Take out ${title}` }).click();
    await expect(page.locator('article')).toHaveCount(0);
  }
});

test('a take-off from a table with bad lines, and loads combined; the school says what it moved', async ({ page }) => {
  await go(page, '/');
  await emptyJob(page);
  const add = async (name: RegExp) => {
    await page.getByRole('button', { name: 'Add a load' }).first().click();
    await page.getByRole('dialog').getByRole('button', { name }).click();
  };
  await add(/^Cradle/);
  await page.getByRole('radio', { name: 'Take-off' }).click();
  await page.getByRole('button', { name: 'From a table' }).click();
  await page
    .getByLabel(/^Name, kind, mass/)
    .fill(
      '\uFEFFname;kind;mass (kg);x (mm);z (mm)\r\nFrame;structure;12,5;0;150\r\nTank;water;-4;0;200\r\nPump;equipment;"9,5 kg";40;260\r\n',
    );
  await expect(page.locator('ms-csv-import li')).toContainText('line 3');
  await page.getByRole('button', { name: 'Keep the 2 good, leave out 1' }).click();
  // By hand: (12.5·150 + 9.5·260)/22 = 197.5 mm up, 9.5·40/22 = 17.3 mm forward.
  await expect(page.locator('.total')).toContainText('22.00 kg at 17.3 mm forward, 0 mm to port, 197.5 mm up');
  await add(/^Roof or tower/);
  await page.getByRole('button', { name: 'Combine' }).click();
  await page.getByRole('radio', { name: 'Picture' }).click();
  // 6 of the cradle, 4 of the wind, and each with each.
  await expect(page.locator('.cases tbody tr')).toHaveCount(6 + 4 + 24);
  await page.getByRole('radio', { name: 'Limit states' }).click();
  await page.getByRole('button', { name: 'ASCE 7' }).click();
  await expect(page.locator('header .under')).toContainText('permanent × 1.2, 0.9 where it helps, variable × 1.6');
  await expect(page.locator('ms-school-card')).toContainText('What that moved');
  await page.getByRole('radio', { name: 'Crash' }).click();
  await expect(page.locator('ms-school-card')).toContainText('never use it for a load that comes back');
  await page.getByRole('radio', { name: 'Envelope' }).click();
  // Thirty-four cases are judged first: long where the other tests have the machine.
  await expect(page.locator('ms-envelope tbody tr').first()).toBeVisible({ timeout: 40_000 });
});
