// npm run soak -- [minutes]: ten people on the shop's network, two to a job, each moving bolts of their own by key. At the end every
// move the page called saved must be in the document, moved by nobody else's; memory of server and pages is read on the way.
import { chromium } from '@playwright/test';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_FLAGS, findChromium } from './browser.mjs';
import { startDemoServer } from './demo-server.mjs';

const PEOPLE = 10;
const JOBS = PEOPLE / 2;
const PASSPHRASE = 'ten otters on a pontoon';
/** Between two moves of one hand, ms. */
const REST = 400;
const SAMPLED = 60_000;
/** How long one save may take, ms. */
const PATIENCE = 180_000;
const initials = (n) => `P${String.fromCharCode(65 + n)}`;
const mb = (bytes) => `${(bytes / 1e6).toFixed(0)} MB`;

const answer = async (res) => {
  if (!res.ok) throw new Error(`${res.url}: ${res.status} ${await res.text()}`);
  return res.json();
};

/** Five jobs of two hands each, and ten people who may work; put there before anything listens on the network. */
async function setUp(data) {
  const shop = await startDemoServer({ data });
  try {
    await put(shop.address);
  } finally {
    await shop.stop();
  }
}

async function put(address) {
  const send = (path, body) =>
    fetch(address + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    }).then(answer);
  for (let n = 0; n < PEOPLE; n++)
    await send('/api/people', {
      initials: initials(n),
      name: `Person ${n}`,
      role: n === 0 ? 'keep' : 'work',
      passphrase: PASSPHRASE,
    });
  const { job } = await answer(await fetch(`${address}/api/jobs/sensor-mast-foot`));
  for (let n = 0; n < JOBS; n++) await send('/api/jobs', { ...job, id: `soak-${n}`, name: `Soak ${n}` });
}

/** Waits for what was done to be saved; where somebody else was quicker the page asks, and the two are merged. How often it asked. */
async function savedOrMerged(page) {
  const until = Date.now() + PATIENCE;
  let asked = 0;
  for (;;) {
    const saved = page.locator('header .save', { hasText: /^saved$/ });
    const clash = page.locator('ms-clash');
    await saved
      .or(clash)
      .first()
      .waitFor({ timeout: Math.max(1, until - Date.now()) })
      .catch(() => undefined);
    if (await saved.count()) return asked;
    if (Date.now() > until) {
      const says = await page.locator('header .save').textContent();
      throw new Error(
        `${page.url()}: not saved after ${PATIENCE / 1000} s; the page says “${says?.trim()}”, and asked ${asked} times`,
      );
    }
    if (await clash.count()) {
      asked++;
      // The first of its buttons merges; pressed without waiting for ten pages to be drawn still.
      await clash
        .locator('button')
        .first()
        .evaluate((b) => b.click())
        .catch(() => undefined);
    }
  }
}

/** One hand: nudges its own two bolts to and fro, each a millimetre, waiting for what it did to be saved. */
async function hand(page, bolts, until) {
  const moved = Object.fromEntries(bolts.map((b) => [b, 0]));
  let saves = 0;
  let clashes = 0;
  let missed = 0;
  while (Date.now() < until) {
    const bolt = bolts[saves % bolts.length];
    // Never further than the plate is wide: to and fro by turns.
    const way = moved[bolt] > 3 ? -1 : moved[bolt] < -3 ? 1 : Math.random() < 0.5 ? 1 : -1;
    const there = page.locator(`[data-bolt=${bolt}]`);
    await there.focus();
    const before = await there.getAttribute('aria-label');
    await page.keyboard.press(way > 0 ? 'ArrowRight' : 'ArrowLeft');
    // Counted once the page shows it: what it says of saving is of this move only then. A key that fell on a page just drawn anew moved nothing.
    let taken = false;
    for (let n = 0; n < 150 && !taken; n++) {
      taken = (await there.getAttribute('aria-label')) !== before;
      if (!taken) await page.waitForTimeout(20);
    }
    if (taken) moved[bolt] += way;
    else missed++;
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    clashes += await savedOrMerged(page);
    saves++;
    await page.waitForTimeout(REST * (0.5 + Math.random()));
  }
  return { moved, saves, clashes, missed };
}

const minutes = Number(process.argv[2] ?? 30);
if (!(minutes > 0 && minutes <= 600)) {
  console.error('minutes: allowed: over 0 up to 600');
  process.exit(2);
}
const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-soak-'));
const data = join(folder, 'jobs.sqlite');
await setUp(data);
const shop = await startDemoServer({ data, args: ['--lan'] });
const browser = await chromium.launch({ executablePath: findChromium(), args: [...CHROMIUM_FLAGS, '--js-flags=--expose-gc'] });
let bad = 0;
try {
  const pages = [];
  for (let n = 0; n < PEOPLE; n++) {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      baseURL: shop.address,
      reducedMotion: 'reduce',
    });
    await answer(
      await fetch(`${shop.address}/api/session`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ initials: initials(n), passphrase: PASSPHRASE }),
      }).then(async (res) => {
        const [pair] = res.headers.getSetCookie()[0].split(';');
        const [name, value] = pair.split('=');
        await context.addCookies([{ name, value, url: shop.address, httpOnly: true }]);
        return res;
      }),
    );
    const page = await context.newPage();
    await page.goto(`/job/soak-${n % JOBS}/lay-out`);
    await page.locator('ms-load-path ol').waitFor({ timeout: 60_000 });
    pages.push(page);
  }
  const first = await answer(
    await pages[0].request.get('/api/jobs/soak-0').then((r) => ({ ok: r.ok(), json: () => r.json(), url: r.url() })),
  );
  const start = Object.fromEntries(first.job.feet[0].design.bolts.items.map((b) => [b.id, b.x]));
  const memory = async (page) => {
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('HeapProfiler.collectGarbage');
    const { usedSize } = await cdp.send('Runtime.getHeapUsage');
    await cdp.detach();
    return usedSize;
  };
  const server = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${shop.pid}/status`, 'utf8'))[1]) * 1024;
  const sample = async (at) => {
    const heaps = await Promise.all(pages.map(memory));
    console.log(`${at.padEnd(10)} server ${mb(server())}, pages' heaps ${mb(Math.min(...heaps))} to ${mb(Math.max(...heaps))}`);
  };
  await sample('start');
  const began = Date.now();
  const sampling = setInterval(
    () => void sample(`${Math.round((Date.now() - began) / 60_000)} min`).catch(() => undefined),
    SAMPLED,
  );
  const hands = await Promise.all(
    pages.map((page, n) => hand(page, n < JOBS ? ['B1', 'B2'] : ['B3', 'B4'], began + minutes * 60_000)),
  );
  clearInterval(sampling);
  await Promise.all(pages.map(savedOrMerged));
  await sample('end');
  for (let n = 0; n < JOBS; n++) {
    const res = await pages[0].request.get(`/api/jobs/soak-${n}`);
    const { job, version } = await res.json();
    for (const [of, at] of [
      [hands[n], n],
      [hands[n + JOBS], n + JOBS],
    ])
      for (const [bolt, by] of Object.entries(of.moved)) {
        const x = job.feet[0].design.bolts.items.find((b) => b.id === bolt).x;
        if (Math.abs(x - start[bolt] - by) > 1e-6) {
          bad++;
          console.error(`soak-${n}: ${bolt} of ${initials(at)} stands at ${x}, ${start[bolt] + by} was saved`);
        }
      }
    if (process.env.STORY && bad > 0) {
      const { versions } = await (await pages[0].request.get(`/api/jobs/soak-${n}/versions`)).json();
      for (const v of versions.reverse()) {
        const then = (await (await pages[0].request.get(`/api/jobs/soak-${n}/versions/${v.version}`)).json()).job;
        console.log(v.version, v.who, v.did, then.feet[0].design.bolts.items.map((b) => b.x).join(' '));
      }
    }
    console.log(`soak-${n}: version ${version}`);
  }
  const saves = hands.reduce((sum, h) => sum + h.saves, 0);
  console.log(
    `${saves} edits called saved in ${minutes} min, by ${PEOPLE} browsers; ${hands.reduce((s, h) => s + h.clashes, 0)} clashes shown, ${hands.reduce((s, h) => s + h.missed, 0)} keys not taken; ${bad} lost`,
  );
} finally {
  await browser.close();
  await shop.stop();
  rmSync(folder, { recursive: true, force: true });
}
process.exit(bad === 0 ? 0 : 1);
