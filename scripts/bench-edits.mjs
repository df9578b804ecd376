// From a keystroke in a load's field to the new verdict painted, in Chromium, on the job given.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, findChromium } from './browser.mjs';
import { startDemoServer } from './demo-server.mjs';

const EDITS = 80;

/** In the page: types `n` values into the first field of the open load and times each to the frame that shows its verdict. */
async function typeAndTime(n) {
  const box = document.querySelector('ms-load-card ms-quantity input');
  const figure = document.querySelector('header .figure');
  const frame = () => new Promise((done) => requestAnimationFrame(done));
  const start = parseFloat(box.value);
  const unit = box.value.replace(/^[\d.,\s]+/, '');
  const ways = { model: [], painted: [] };
  for (let i = 0; i < n; i++) {
    await new Promise((done) => setTimeout(done, 60));
    await frame();
    const before = figure.textContent;
    const changed = new Promise((done) => {
      const watch = new MutationObserver(() => {
        if (figure.textContent === before) return;
        watch.disconnect();
        done(performance.now());
      });
      watch.observe(figure, { subtree: true, childList: true, characterData: true });
      setTimeout(() => done(NaN), 1000);
    });
    box.value = `${(start * (1.2 + (i % 2) * 0.3)).toFixed(2)} ${unit}`;
    const started = performance.now();
    box.dispatchEvent(new Event('input', { bubbles: true }));
    const at = await changed;
    await frame();
    ways.model.push(at - started);
    ways.painted.push(performance.now() - started);
  }
  return ways;
}

export async function benchEdits(job) {
  const executablePath = findChromium();
  if (!executablePath || !existsSync(join(import.meta.dirname, '../dist/web/browser/index.html'))) {
    console.log('edits in the browser: not measured (npm test installs Chromium, npm run build builds)');
    return;
  }
  const server = await startDemoServer();
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_FLAGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${server.address}/job/${job.id}/load`);
    await page.locator('ms-load-path ol').waitFor();
    await page.evaluate(typeAndTime, 20);
    const { model, painted } = await page.evaluate(typeAndTime, EDITS);
    const of = (list, q) => [...list].sort((a, b) => a - b)[Math.floor(q * (list.length - 1))].toFixed(1);
    console.log(
      `edit to new verdict on the page, ${job.name}: median ${of(model, 0.5)} ms, 95 % ${of(model, 0.95)} ms (goal: median 16.7 ms, one frame); to the end of the frame that shows it: median ${of(painted, 0.5)} ms; ${EDITS} keystrokes in Chromium`,
    );
  } finally {
    await browser.close();
    await server.stop();
  }
}
