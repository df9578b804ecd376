// From a keystroke in a load's field to the new verdict painted, in Chromium, on the job given.
import { onDemoPage, quantile as of } from './bench-page.mjs';

const EDITS = 80;

/** In the page: types `n` values into the first field of the open load and times each to the frame that shows its verdict. */
async function typeAndTime(n) {
  const box = document.querySelector('ms-load-card ms-quantity input');
  const figure = document.querySelector('ms-headline .says b');
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

export const benchEdits = (job) =>
  onDemoPage('edits in the browser', async (newPage, address) => {
    const page = await newPage();
    await page.goto(`${address}/job/${job.id}/load`);
    await page.locator('ms-load-path ol').waitFor();
    await page.evaluate(typeAndTime, 20);
    const { model, painted } = await page.evaluate(typeAndTime, EDITS);
    console.log(
      `edit to new verdict on the page, ${job.name}: median ${of(model, 0.5).toFixed(1)} ms, 95 % ${of(model, 0.95).toFixed(1)} ms (goal: median 16.7 ms, one frame); to the end of the frame that shows it: median ${of(painted, 0.5).toFixed(1)} ms; ${EDITS} keystrokes in Chromium`,
    );
  });
