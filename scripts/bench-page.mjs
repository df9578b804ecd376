// A page of Chromium on the demo jobs, for what is timed as a person sees it.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, findChromium } from './browser.mjs';
import { startDemoServer } from './demo-server.mjs';

export const quantile = (list, q) => [...list].sort((a, b) => a - b)[Math.floor(q * (list.length - 1))];

/** Runs `time` with a browser and the server's address; says that `what` is not measured where either is missing. */
export async function onDemoPage(what, time) {
  const executablePath = findChromium();
  if (!executablePath || !existsSync(join(import.meta.dirname, '../dist/web/browser/index.html'))) {
    console.log(`${what}: not measured (npm test installs Chromium, npm run build builds)`);
    return;
  }
  const server = await startDemoServer();
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_FLAGS });
  try {
    await time(() => browser.newPage({ viewport: { width: 1280, height: 800 } }), server.address);
  } finally {
    await browser.close();
    await server.stop();
  }
}
