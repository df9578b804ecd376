// From a pointer's move to the new field of all cases painted, in Chromium, and how the frames go meanwhile; on the jobs given.
import { onDemoPage, quantile as of } from './bench-page.mjs';

const MOVES = 30;
const WARM = 8;

/** In the page: notes when the pointer moved, and when the picture was first again that of the layout as it is. */
function watch() {
  const seen = { moved: NaN, current: NaN, painted: NaN, frames: [] };
  window.seen = seen;
  const solving = () => /…$|case/.test(document.querySelector('.state .mesh').textContent.trim());
  let asked = false;
  addEventListener('pointermove', () => (seen.moved = performance.now()), { capture: true });
  new MutationObserver(() => {
    if (solving()) asked = true;
    else if (asked) {
      asked = false;
      seen.current = performance.now();
      requestAnimationFrame(() => setTimeout(() => (seen.painted = performance.now())));
    }
  }).observe(document.querySelector('.state'), { subtree: true, childList: true, characterData: true });
  let before = performance.now();
  const frame = (now) => {
    seen.frames.push(now - before);
    before = now;
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
}

async function drag(page, address, job) {
  await page.goto(`${address}/job/${job.id}/spread`);
  await page.locator('.state .mesh', { hasText: 'fine mesh' }).waitFor({ timeout: 60_000 });
  await page.evaluate(watch);
  const box = await page.locator('ms-spread-plan .bolt circle').first().boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  /** Millimetres of the plan. */
  const mm = await page
    .locator('ms-spread-plan svg')
    .first()
    .evaluate((svg) => svg.getScreenCTM().a);
  await page.mouse.move(x, y);
  await page.mouse.down();
  const [current, painted] = [[], []];
  for (let i = 0; i < MOVES + WARM; i++) {
    await page.evaluate(() => (window.seen.painted = NaN));
    await page.mouse.move(x + (2 + 2 * (i % 4)) * mm, y);
    await page.waitForFunction(() => window.seen.painted > window.seen.moved, undefined, { polling: 'raf', timeout: 20_000 });
    const s = await page.evaluate(() => ({
      moved: window.seen.moved,
      current: window.seen.current,
      painted: window.seen.painted,
    }));
    if (i < WARM) continue;
    current.push(s.current - s.moved);
    painted.push(s.painted - s.moved);
  }
  // A hand does not wait for pictures: a move each 16 ms.
  await page.evaluate(() => (window.seen.frames.length = 0));
  for (let i = 0; i < 90; i++) {
    await page.mouse.move(x + (2 + (i % 7)) * mm, y);
    await new Promise((done) => setTimeout(done, 16));
  }
  const frames = await page.evaluate(() => window.seen.frames.slice(1));
  await page.mouse.up();
  return { current, painted, frames };
}

export const benchDrags = (jobs) =>
  onDemoPage('drags in the browser', async (newPage, address) => {
    for (const job of jobs) {
      const page = await newPage();
      const { current, painted, frames } = await drag(page, address, job);
      console.log(
        `spread on the page, ${job.name}, ${job.cases} ${job.cases === 1 ? 'case' : 'cases'}: pointer moved to new field, median ${of(current, 0.5).toFixed(0)} ms, painted ${of(painted, 0.5).toFixed(0)} ms (goal: ${job.goal} ms); frames of a drag: median ${of(frames, 0.5).toFixed(1)} ms, 95 % ${of(frames, 0.95).toFixed(1)} ms (goal: 16.7 ms)`,
      );
      await page.close();
    }
  });
