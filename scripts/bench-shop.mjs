// npm run bench -- shop: a rack of a thousand jobs. List, health while verdicts are worked out and a packet is made, first tag on the
// page and what comes over the wire for it, and how long a start takes.
import { chromium } from '@playwright/test';
import autocannon from 'autocannon';
import { CHROMIUM_FLAGS, findChromium } from './browser.mjs';
import { startDemoServer } from './demo-server.mjs';

const JOBS = 1000;
const ms = (n) => `${n.toFixed(1)} ms`;

/** Times of many requests, one after another. */
async function timed(url, many, between = 0) {
  const times = [];
  for (let i = 0; i < many; i++) {
    const from = performance.now();
    const res = await fetch(url);
    await res.arrayBuffer();
    if (!res.ok) throw new Error(`${url}: ${res.status}`);
    times.push(performance.now() - from);
    if (between) await new Promise((done) => setTimeout(done, between));
  }
  times.sort((a, b) => a - b);
  const at = (q) => times[Math.min(times.length - 1, Math.floor(q * times.length))];
  return {
    median: at(0.5),
    p99: at(0.99),
    most: times.at(-1),
    text: `median ${ms(at(0.5))}, p99 ${ms(at(0.99))}, most ${ms(times.at(-1))}`,
  };
}

export async function benchShop() {
  // What this machine takes for the least there is to ask, with nothing else to do: no figure below can be less.
  const idle = await startDemoServer({ demo: false });
  console.log(`health, an empty server with nothing to do ${(await timed(`${idle.address}/api/health`, 400, 10)).text}`);
  await idle.stop();
  const started = performance.now();
  const shop = await startDemoServer();
  console.log(`start with the demo to seed            ${ms(performance.now() - started)}`);
  try {
    const { tags } = await (await fetch(`${shop.address}/api/jobs`)).json();
    const documents = await Promise.all(
      tags.map(async (t) => (await (await fetch(`${shop.address}/api/jobs/${t.id}`)).json()).job),
    );
    const from = performance.now();
    for (let n = tags.length; n < JOBS; n++) {
      const job = { ...documents[n % documents.length], id: `bench-${n}`, name: `Bench ${n}`, customer: `Customer ${n % 40}` };
      const res = await fetch(`${shop.address}/api/jobs`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(job),
      });
      if (res.status !== 201) throw new Error(`a job was not taken: ${res.status}`);
    }
    console.log(`a job put on the rack                  ${ms((performance.now() - from) / (JOBS - tags.length))} each`);
    const waiting = async () => (await (await fetch(`${shop.address}/api/jobs?many=1`)).json()).waiting;
    console.log(`verdicts still to come                 ${await waiting()}`);
    const packet = fetch(`${shop.address}/api/jobs/stretcher-rack-ends/packet.pdf`).then((r) => r.arrayBuffer());
    const [health, list, search] = await Promise.all([
      timed(`${shop.address}/api/health`, 400, 10),
      timed(`${shop.address}/api/jobs`, 100, 40),
      timed(`${shop.address}/api/jobs?q=bench%2012&sort=worst`, 100, 40),
    ]);
    await packet;
    console.log(`health, verdicts and a packet meanwhile ${health.text}`);
    console.log(`list of ${JOBS}, first page, meanwhile       ${list.text}`);
    console.log(`search, worst first, meanwhile          ${search.text}`);
    // Ten people at once, each asking again as soon as it is answered.
    for (const [name, path] of [
      ['health', '/api/health'],
      ['list', '/api/jobs'],
      ['a job', `/api/jobs/${tags[0].id}`],
    ]) {
      const { requests, latency, errors, timeouts, non2xx } = await autocannon({
        url: shop.address + path,
        connections: 10,
        duration: 6,
      });
      if (errors + timeouts + non2xx > 0) throw new Error(`${name}: ${errors} errors, ${timeouts} timeouts, ${non2xx} refused`);
      console.log(
        `${`autocannon, 10 connections, ${name}`.padEnd(39)} ${requests.average.toFixed(0)} a second, median ${latency.p50} ms, p99 ${latency.p99} ms`,
      );
    }
    const browser = await chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('Network.enable');
    let wire = 0;
    cdp.on('Network.loadingFinished', ({ encodedDataLength }) => (wire += encodedDataLength));
    // By the page's own clock, from the moment it was asked for: the driver of the browser looks now and then only.
    await page.addInitScript(() => {
      const seen = new MutationObserver(() => {
        if (!document.querySelector('.tags li')) return;
        globalThis.firstTag = performance.now();
        seen.disconnect();
      });
      seen.observe(document, { childList: true, subtree: true });
    });
    await page.goto(shop.address, { waitUntil: 'commit' });
    await page.locator('.tags li').first().waitFor();
    console.log(`first tag on a cold page                ${ms(await page.evaluate(() => globalThis.firstTag))}`);
    await page.waitForTimeout(3000);
    console.log(`cold rack over the wire, drawings too   ${(wire / 1000).toFixed(0)} kB`);
    await browser.close();
    const left = performance.now();
    const before = await waiting();
    await new Promise((done) => setTimeout(done, 20_000));
    const after = await waiting();
    const rate = (before - after) / ((performance.now() - left) / 1000);
    console.log(`verdicts worked out beside that         ${rate.toFixed(1)} a second`);
  } finally {
    await shop.stop('SIGKILL');
  }
  const empty = performance.now();
  const again = await startDemoServer({ demo: false });
  console.log(`start, empty                           ${ms(performance.now() - empty)}`);
  await again.stop();
}
