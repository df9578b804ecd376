import { defineConfig } from '@playwright/test';
import { CHROMIUM_FLAGS, findChromium } from './scripts/browser.mjs';

/** Real server, real browser: each worker has its own server, which begins with the demo rack. */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/seeded.ts',
  timeout: 120_000,
  expect: { timeout: 25_000 },
  workers: 2,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // What is kept in the browser would stand between a test and the requests it holds back; the tests of it let it in.
    serviceWorkers: 'block',
    // Menus and dialogs open at once, as for people who ask for less motion.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: findChromium() ?? '', args: CHROMIUM_FLAGS },
  },
});
