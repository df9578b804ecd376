import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, go, openStage, test } from './shop';

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** One pass without a second page to finish in, which only pages with frames need; what passes is not written out. */
const auditOf = (page: Page) =>
  new AxeBuilder({ page })
    .options({ resultTypes: ['violations'] })
    .withTags(RULES)
    .setLegacyMode(true);

async function broken(audit: AxeBuilder): Promise<string[]> {
  const { violations } = await audit.analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
}

test('WCAG 2.2 AA by axe: rack, new job, history, words of the trade, and how a fitting stands', async ({ page }) => {
  const all: string[] = [];
  const look = async (where: string) => all.push(...(await broken(auditOf(page))).map((words) => `${where}: ${words}`));
  await go(page, '/');
  await page.locator('.tags li').first().waitFor();
  await look('rack');
  await go(page, '/new');
  await page.getByRole('button', { name: /Ladder bracket/ }).click();
  await page.locator('.answer.sound').waitFor();
  await look('new job');
  await go(page, '/history/core-sampler-winch');
  await page.locator('table').first().waitFor();
  await look('history');
  await go(page, '/words');
  await page.locator('ms-word').first().waitFor();
  await look('words');
  await openStage(page, 'a-frame-four-feet', 'load');
  await page.getByRole('radio', { name: 'How it stands' }).click();
  await page.locator('ms-foot-key li', { hasText: 'decides' }).waitFor();
  await look('how it stands');
  expect(all).toEqual([]);
});

test('WCAG 2.2 AA by axe: every stage, the working of a link, and what opens over the page', async ({ page }) => {
  const all: string[] = [];
  const look = async (where: string) => all.push(...(await broken(auditOf(page))).map((words) => `${where}: ${words}`));
  await openStage(page, 'core-sampler-winch', 'load');
  for (const stage of ['Load', 'Measure', 'Spread', 'Choose', 'Make', 'Lay out']) {
    await page
      .locator('ms-traveller')
      .getByRole('link', { name: new RegExp(`^${stage}`) })
      .click();
    await page.locator('#stage > :not(router-outlet)').first().waitFor();
    await look(stage);
  }
  await page.locator('ms-load-path ol button').first().click();
  await page.locator('ms-working ms-steps').waitFor();
  await look('working');
  await page.keyboard.press('Escape');
  await page.keyboard.press('+');
  await page.locator('ms-crank').waitFor();
  for (const [where, open, shows] of [
    ['command box', () => page.keyboard.press('Control+k'), 'ms-command-box'],
    ['keys', () => page.keyboard.press('?'), 'ms-key-list'],
    ['help', () => page.getByRole('button', { name: 'Help' }).click(), '.mat-mdc-menu-panel'],
    ['what is new', () => page.getByRole('menuitem', { name: 'What is new' }).click(), 'ms-news'],
  ] as const) {
    await open();
    await page.locator(shows).waitFor();
    await look(where);
    if (where !== 'help') await page.keyboard.press('Escape');
  }
  await page.getByRole('button', { name: 'Help' }).click();
  await page.getByRole('menuitem', { name: 'Short tour' }).click();
  await page.getByRole('dialog', { name: 'Tour' }).waitFor();
  await look('tour');
  await page.getByRole('button', { name: 'Leave', exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  expect(all).toEqual([]);
});

/** The sheet and what lies over it; the traveller, head and chain round it are looked at with the stages. */
async function violationsIn(page: Page, where: string): Promise<string[]> {
  const sheet = auditOf(page).exclude('ms-load-path').exclude('ms-traveller').exclude('header');
  return (await broken(sheet)).map((words) => `${where}: ${words}`);
}

const SHEETS = ['Hole patterns', 'As built', 'Behind the skin', 'Measure next'];

test('WCAG 2.2 AA by axe: every sheet of Measure, with the instruments out, and of Load', async ({ page }) => {
  const found = (where: string) => violationsIn(page, where);
  const all: string[] = [];
  await openStage(page, 'fold-down-bench-left', 'measure');
  await page.locator('ms-instruments button').first().click();
  await page.getByLabel('Display').waitFor();
  for (const sheet of SHEETS) {
    await page.getByRole('radio', { name: sheet }).click();
    if (sheet === 'Hole patterns') {
      await page.getByRole('button', { name: /Structure, right/ }).click();
      await page.locator('.remedy').first().waitFor();
    }
    all.push(...(await found(sheet)));
  }
  await openStage(page, 'sensor-mast-foot', 'load');
  for (const sheet of ['Take-off', 'Envelope']) {
    await page.getByRole('radio', { name: sheet }).click();
    all.push(...(await found(sheet)));
  }
  await page.getByRole('button', { name: 'Add a load' }).click();
  await page.getByRole('dialog').waitFor();
  await page.waitForTimeout(300);
  all.push(...(await found('builders')));
  expect(all).toEqual([]);
});

test('WCAG 2.2 AA by axe: the sheets of the layout, a part, the stock room, and two jobs side by side', async ({ page }) => {
  const found = (where: string) => violationsIn(page, where);
  const all: string[] = [];
  await openStage(page, 'damper-tab-trailer', 'lay-out');
  for (const sheet of ['shape', 'holes', 'joint', 'welds', 'lug', 'rules']) {
    await page.getByRole('radio', { name: sheet }).click();
    all.push(...(await found(sheet)));
  }
  await openStage(page, 'generator-skid-rails', 'lay-out');
  await page.getByRole('button', { name: 'Parts' }).click();
  all.push(...(await found('parts')));
  await page.getByRole('button', { name: /^Open Skid rail/ }).click();
  await page.locator('ms-part-sheet').waitFor();
  all.push(...(await found('a part')));
  await go(page, '/stock');
  await page.getByRole('button', { name: 'Metal', exact: true }).click();
  all.push(...(await found('stock room')));
  await go(page, '/compare?a=damper-tab-trailer&b=damper-tab-supported');
  await page.locator('.links tbody tr').first().waitFor();
  all.push(...(await found('side by side')));
  expect(all).toEqual([]);
});

test('nothing scrolls off the page on the working stages, at 1280 × 800 and at 1024 × 768', async ({ page }) => {
  await openStage(page, 'core-sampler-winch', 'load');
  for (const stage of ['Load', 'Measure', ...SHEETS, 'Lay out', 'Spread', 'Choose', 'Make']) {
    await page.setViewportSize({ width: 1280, height: 800 });
    if (SHEETS.includes(stage)) await page.getByRole('radio', { name: stage }).click();
    else
      await page
        .locator('ms-traveller')
        .getByRole('link', { name: new RegExp(`^${stage}`) })
        .click();
    for (const [width, height] of [
      [1280, 800],
      [1024, 768],
    ] as const) {
      await page.setViewportSize({ width, height });
      const over = () =>
        page.evaluate(() => [
          document.documentElement.scrollHeight - innerHeight,
          document.documentElement.scrollWidth - innerWidth,
        ]);
      await expect.poll(over, { message: `${stage} at ${width} × ${height}` }).toEqual([0, 0]);
    }
  }
});

test('WCAG 2.2 AA by axe: every sheet of Prove, and what is due', async ({ page }) => {
  const all: string[] = [];
  await openStage(page, 'buoy-lifting-eye', 'prove');
  await page.locator('ms-prove-stage .built').waitFor();
  for (const name of ['Fit-up', 'Tighten', 'Proof', 'Logbook', 'Record', 'After']) {
    await page.getByRole('radio', { name, exact: true }).click();
    await page
      .locator('ms-fit-up h2, ms-tighten tbody tr, ms-proof h3, ms-logbook li, ms-record h3, ms-after h3')
      .first()
      .waitFor();
    all.push(...(await violationsIn(page, name)));
  }
  await go(page, '/due');
  await page.locator('tbody tr').first().waitFor();
  all.push(...(await violationsIn(page, 'Due')));
  expect(all).toEqual([]);
});
