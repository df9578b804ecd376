import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { copyOf, expect, openStage, pick, saved, stored, test } from './shop';
import type { Page } from '@playwright/test';

const sheet = async (page: Page, name: string) => {
  const choice = page.getByRole('radio', { name, exact: true });
  await choice.click();
  await expect(choice).toBeChecked();
};

/** Every page of a PDF in words. */
async function wordsOf(pdf: Buffer): Promise<string[]> {
  const doc = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: true }).promise;
  return Promise.all(
    Array.from({ length: doc.numPages }, async (_, i) => {
      const { items } = await (await doc.getPage(i + 1)).getTextContent();
      return items
        .map((t) => ('str' in t ? t.str : ''))
        .join(' ')
        .replace(/\s+/g, ' ');
    }),
  );
}
async function packet(page: Page): Promise<string[]> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Packet, PDF' }).click(),
  ]);
  return wordsOf(readFileSync(await download.path()));
}

test('a packet, then a thicker plate: the old one is older than the job, the new one has the new thickness on its pages', async ({
  page,
}) => {
  const id = await copyOf(page, 'stay-plate-port');
  await openStage(page, id, 'make');
  const before = (await stored(page, id)).plate.thickness.text as string;
  const first = await packet(page);
  expect(first[0]).toContain('page 1 of');
  expect(first.join(' ')).toContain(`${before} `);
  const older = page.locator('ms-packet-panel .older');
  await expect(older).toHaveCount(0);

  await page.getByRole('link', { name: /^Lay out/ }).click();
  await page.locator('[data-bolt=B1]').focus();
  await page.keyboard.press('.');
  await saved(page);
  const after = (await stored(page, id)).plate.thickness.v as number;
  await page.getByRole('link', { name: /^Make/ }).click();
  await expect(older).toContainText('of version 1: older than the job, which is version 2');
  const second = await packet(page);
  for (const words of second) expect(words).toContain('version 2');
  expect(second.join(' ')).toMatch(new RegExp(`, ${after} mm`));
  await expect(older).toHaveCount(0);
});

test('a printer’s square is measured once, kept with the shop, and the next template is corrected for it', async ({ page }) => {
  const id = await copyOf(page, 'damper-tab-trailer');
  await openStage(page, id, 'make');
  await page.getByLabel('Name of a new printer').fill('Back office');
  await page.getByRole('button', { name: 'Add a printer' }).click();
  await page.getByLabel('Square across, mm').fill('49.75');
  await page.getByLabel('Square across, mm').press('Enter');
  await expect(page.locator('ms-printer-field')).toContainText('Corrected for Back office: −0.50 % across');
  const href = page.getByRole('link', { name: 'Template, PDF' });
  await expect(href).toHaveAttribute('href', /printer=Back/);
  const take = async (more: string) =>
    wordsOf(await (await page.request.get(`${await href.getAttribute('href')}${more}`)).body());
  expect((await take(''))[0]).toContain('Corrected for Back office');
  expect((await take('&correct=no'))[0]).toContain('NOT TO SCALE on Back office');
  await page.reload();
  await pick(page, 'Printer', 'Back office');
  await expect(page.getByLabel('Square across, mm')).toHaveValue('49.75');
});

test('the route moves when the temperature falls, and refuses what is too cold by the day', async ({ page }) => {
  const id = await copyOf(page, 'core-sampler-winch');
  const whole = (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
    job: { feet: { design: { joint: { bedding: string } } }[] };
    version: number;
  };
  whole.job.feet[0]!.design.joint.bedding = 'bedded';
  await page.request.put(`/api/jobs/${id}`, { data: whole.job, headers: { 'If-Match': `"${whole.version}"` } });
  await openStage(page, id, 'make');
  await sheet(page, 'Route');
  const done = page.locator('ms-route-sheet ms-make-card p').first();
  await expect(done).toContainText(/^Done /);
  const warm = await done.textContent();
  const say = async (celsius: string) => {
    await page.getByLabel('Temperature, °C', { exact: true }).fill(celsius);
    await page.getByLabel('Temperature, °C', { exact: true }).press('Enter');
  };
  await say('8');
  await expect(done).not.toHaveText(warm!);
  await expect(page.locator('.chart .op').first()).toBeVisible();
  await say('-10');
  await expect(page.locator('ms-route-sheet')).toContainText(/sealant at −10 °C on \d{4}-\d\d-\d\d/);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(done).toContainText(/^Done /);
  // Dragged two days on, and back by undo.
  const bar = page.locator('[data-op=drill]');
  const day = (await page.locator('.chart .day').first().boundingBox())!.width;
  const at = (await bar.boundingBox())!;
  await page.mouse.move(at.x + 2, at.y + 6);
  await page.mouse.down();
  await page.mouse.move(at.x + 2 + 2.1 * day, at.y + 6, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'As early as may be again' })).toBeVisible();
  const ics = await page.evaluate((at) => fetch(at).then((r) => r.text()), `/api/jobs/${id}/route.ics`);
  expect(ics).toContain('BEGIN:VCALENDAR');
});

test('a part as SVG, measured by the browser: as wide, as high and with its holes where the drawing has them', async ({
  page,
}) => {
  const id = await copyOf(page, 'stretcher-rack-ends');
  const job = await stored(page, id);
  const svg = await (await page.request.get(`/api/jobs/${id}/part.svg?part=plate`)).text();
  await page.setContent(svg.replace(/^<\?xml.*?\?>/, ''));
  const seen = await page.evaluate(() => {
    const root = document.querySelector('svg')!;
    const px = root.getBoundingClientRect();
    const cut = document.querySelector<SVGGraphicsElement>('#cut')!.getBBox();
    const circles = Array.from(document.querySelectorAll('circle')).map((c) => [
      c.cx.baseVal.value,
      c.cy.baseVal.value,
      c.r.baseVal.value,
    ]);
    return { wide: (px.width * 25.4) / 96, high: (px.height * 25.4) / 96, cut: [cut.width, cut.height], circles };
  });
  const { x0, x1, y0, y1 } = job.plate;
  expect(seen.wide).toBeCloseTo(x1 - x0, 1);
  expect(seen.high).toBeCloseTo(y1 - y0, 1);
  expect(seen.cut[0]).toBeCloseTo(x1 - x0, 1);
  expect(seen.cut[1]).toBeCloseTo(y1 - y0, 1);
  for (const b of job.bolts.items as { x: number; y: number }[])
    expect(seen.circles.some(([x, y]) => Math.hypot(x! - (b.x - x0), y! - (y1 - b.y)) < 0.01)).toBe(true);
});

test('WCAG 2.2 AA by axe: every sheet of Make', async ({ page }) => {
  await openStage(page, 'generator-skid-rails', 'make');
  for (const name of ['Parts', 'Sheets', 'Bars', 'Bend', 'Drill', 'Weld', 'Bed', 'Tighten', 'Route', 'Buy', 'Shop']) {
    await sheet(page, name);
    await page.locator('ms-make-stage .sheets > :nth-child(2)').waitFor();
    if (name === 'Bars') await page.locator('ms-cut-plan svg').first().waitFor();
    const { violations } = await new AxeBuilder({ page })
      .options({ resultTypes: ['violations'] })
      .include('ms-make-stage .sheets')
      .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
      .setLegacyMode(true)
      .analyze();
    expect(violations.map((v) => `${name} ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
  }
});

test('at 390 wide the route is read as its table, and nothing runs off to the side', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openStage(page, 'stay-plate-port', 'make');
  await sheet(page, 'Route');
  await expect(page.locator('ms-route-sheet table')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
