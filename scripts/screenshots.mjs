// One picture of each main view, from the demo jobs, at 1280×800: npm run screenshots [names …]
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM_FLAGS, findChromium } from './browser.mjs';
import { startDemoServer } from './demo-server.mjs';

const OUT = process.env.SHOTS ?? join(import.meta.dirname, '../docs/screenshots');
const WINCH = '/job/core-sampler-winch';

/** Where each picture is taken and what is done first. */
const VIEWS = {
  rack: {
    at: '/',
    wait: '.tags path.plate',
    first: (page) => page.waitForFunction(() => !/being judged/.test(document.body.innerText)),
  },
  load: { at: `${WINCH}/load` },
  standing: {
    at: '/job/a-frame-four-feet/load',
    async first(page) {
      await page.getByRole('radio', { name: 'How it stands' }).click();
      await page.locator('ms-foot-key li', { hasText: 'decides' }).waitFor();
    },
  },
  measure: { at: `${WINCH}/measure` },
  patterns: {
    at: '/job/fold-down-bench-left/measure?sheet=patterns',
    async first(page) {
      await page.getByRole('button', { name: /Structure, right/ }).click();
      await page.locator('.remedy').first().waitFor();
      await page.locator('ms-instruments button').first().click();
      await page.getByLabel('Display').waitFor();
    },
  },
  'lay-out': { at: `${WINCH}/lay-out`, first: (page) => page.locator('[data-bolt=B2]').focus() },
  working: { at: '/job/sensor-mast-foot/lay-out', first: (page) => page.getByRole('button', { name: /^Plate bending/ }).click() },
  clear: {
    at: `${WINCH}/lay-out`,
    async first(page) {
      await page.locator('ms-load-path button.weakest').click();
      await page.locator('ms-clearings .one').first().waitFor();
    },
  },
  shapes: {
    at: '/job/stretcher-rack-ends/lay-out',
    async first(page) {
      await page.getByRole('radio', { name: 'shape' }).click();
      await page.locator('[data-node="-1 3"]').focus();
    },
  },
  parts: {
    at: '/job/stretcher-rack-ends/lay-out',
    async first(page) {
      await page.getByRole('button', { name: 'Parts' }).click();
      await page.locator('ms-parts-drawer li').nth(2).waitFor();
    },
  },
  begin: {
    at: '/new',
    wait: '.starters svg',
    async first(page) {
      await page.getByRole('button', { name: /Ladder bracket/ }).click();
      await page.locator('.answer b').waitFor();
    },
  },
  spread: { at: `${WINCH}/spread`, first: (page) => page.getByText(/fine mesh, /).waitFor() },
  stock: { at: '/stock', wait: 'tbody tr' },
  choose: {
    at: '/job/sensor-mast-foot/choose',
    async first(page) {
      await page.getByRole('button', { name: /^Try \d+/ }).click();
      await page.getByText(/hold$/).first().waitFor();
      await page.locator('ms-options-chart canvas').first().waitFor();
      await page.locator('aside li button').first().hover();
    },
  },
  make: {
    at: '/job/rail-on-three-pads/make',
    async first(page) {
      await page.getByRole('radio', { name: 'Route', exact: true }).click();
      await page.getByLabel('First day').fill('2026-03-02');
      await page.locator('[data-op=bed]').waitFor();
    },
  },
  tighten: {
    at: '/job/stay-plate-port/prove?sheet=tighten',
    async first(page) {
      await page.getByLabel('Written by').selectOption('JF');
      await page.getByRole('button', { name: 'Take out the wrench' }).click();
      await page.getByLabel('Wrench fault').selectOption('cross thread');
      await page.getByRole('button', { name: 'Pull the wrench' }).click();
      await page.locator('ms-tighten p.bad').waitFor();
    },
  },
  proof: {
    at: '/job/stay-plate-port/prove?sheet=proof',
    async first(page) {
      await page.getByLabel('Written by').selectOption('JF');
      await page.getByRole('button', { name: 'Draw the curve first' }).click();
      await page.locator('ms-proof-chart').waitFor({ timeout: 40_000 });
      await page.getByRole('button', { name: 'Rig load cell and dial' }).click();
      await page.getByLabel('Time runs').selectOption('20');
      await page.getByRole('button', { name: 'Everybody clear: pull' }).click();
      for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Next step' }).click();
      await page.locator('.steps .here b').waitFor();
      await page.locator('#stage').evaluate((e) => e.scrollTo(0, 0));
    },
  },
  logbook: { at: '/job/buoy-lifting-eye/prove?sheet=logbook', first: (page) => page.locator('ms-logbook li').nth(3).waitFor() },
  due: { at: '/due', wait: 'tbody tr' },
};

mkdirSync(OUT, { recursive: true });
const wanted = process.argv.slice(2);
const server = await startDemoServer();
const browser = await chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS });
try {
  const page = await browser.newPage({
    viewport: { width: Number(process.env.WIDTH ?? 1280), height: Number(process.env.HEIGHT ?? 800) },
  });
  page.on('console', (m) => ['error', 'warning'].includes(m.type()) && console.error(`console ${m.type()}: ${m.text()}`));
  page.on('pageerror', (e) => console.error(`page error: ${e.message}`));
  for (const [name, view] of Object.entries(VIEWS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    await page.goto(server.address + view.at);
    await page
      .locator(view.wait ?? 'ms-load-path ol')
      .first()
      .waitFor();
    await view.first?.(page);
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(400);
    // With a palette: a screen has few colours, and the pictures are kept with the sources.
    await sharp(await page.screenshot())
      .png({ palette: true, compressionLevel: 9, effort: 10 })
      .toFile(join(OUT, `${name}.png`));
    console.log(name);
  }
} finally {
  await browser.close();
  await server.stop();
}
