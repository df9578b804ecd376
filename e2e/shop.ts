import { expect, test as base, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { startDemoServer, type DemoServer } from '../scripts/demo-server.mjs';
import { fromSeeded } from './seeded';

/** Each worker has its own server and demo jobs; a test that stops or breaks the server starts one for itself. */
export const test = base.extend<
  { anew: boolean; quiet: void },
  { shop: DemoServer; shared: BrowserContext; stays: { page?: Page | undefined } }
>({
  /** Whether a test wants a page nobody has worked on; else it may be given the one of the test before, as a tab left open all day. */
  anew: [false, { option: true }],
  stays: [async ({}, use) => use({}), { scope: 'worker' }],
  shop: [
    async ({}, use) => {
      const server = await startDemoServer(fromSeeded());
      await use(server);
      await server.stop();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ shop }, use) => use(shop.address),
  /** One browser for all tests of a worker: what the page is made of is compiled once. What a test left in it is cleared after it. */
  shared: [
    async ({ browser, shop }, use) => {
      const context = await browser.newContext({
        baseURL: shop.address,
        viewport: { width: 1280, height: 800 },
        acceptDownloads: true,
        serviceWorkers: 'block',
        reducedMotion: 'reduce',
      });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ shared, shop, stays }, use) => {
    await use(shared);
    await shared.unrouteAll({ behavior: 'ignoreErrors' });
    await shared.setOffline(false);
    await shared.clearPermissions();
    await shared.clearCookies();
    await Promise.all(shared.pages().map((p) => (p === stays.page ? undefined : p.close())));
    const page = await shared.newPage();
    const cdp = await shared.newCDPSession(page);
    await cdp.send('Storage.clearDataForOrigin', { origin: shop.address, storageTypes: 'local_storage,indexeddb,cache_storage' });
    await page.close();
  },
  page: async ({ context, viewport, anew, stays }, use, info) => {
    if (anew) {
      // It would also tell the others in its browser what it hears from the server.
      await stays.page?.close();
      stays.page = undefined;
    }
    const page = stays.page ?? (await context.newPage());
    if (viewport) await page.setViewportSize(viewport);
    await page.mouse.move(0, 0);
    await use(page);
    page.removeAllListeners();
    if (anew) return;
    const fit = info.status === info.expectedStatus && (await holdsTheApplication(page));
    if (fit) await leave(page);
    // What a test left open over every page would lie over the next.
    stays.page = fit && (await page.getByRole('dialog').count()) === 0 ? page : undefined;
  },
  /** No test may leave an error in the console: the content policy and the application both speak there. */
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('pageerror', (e) => errors.push(e.message));
      page.on('console', (m) => {
        if (m.type() === 'error' && !/Failed to load resource/.test(m.text())) errors.push(m.text());
      });
      await use();
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

const holdsTheApplication = async (page: Page): Promise<boolean> =>
  !page.isClosed() && (await page.evaluate(() => document.querySelector('ms-root[ng-version]') !== null));

/** To an address that shows nothing. */
export const leave = (page: Page) =>
  page.evaluate(() => {
    history.pushState(null, '', '/between-tests');
    dispatchEvent(new PopStateEvent('popstate'));
  });

/** Goes to an address as a link does: where the page is there already it stays, and only what it shows is made anew. */
export async function go(page: Page, to: string): Promise<void> {
  if (!(await holdsTheApplication(page))) return void (await page.goto(to));
  // By way of an address that shows nothing, so that nothing of the page before is taken for the next.
  await leave(page);
  await page.locator('ms-nowhere').waitFor();
  await page.evaluate((at) => {
    history.pushState(null, '', at);
    dispatchEvent(new PopStateEvent('popstate'));
  }, to);
  await page.locator('ms-nowhere').waitFor({ state: 'detached' });
}

/** A fresh copy of a demo job, so that tests do not meet in one. */
export async function copyOf(page: Page, id: string): Promise<string> {
  const { job } = await (await page.request.get(`/api/jobs/${id}`)).json();
  const copy = { ...job, id: `t-${crypto.randomUUID().slice(0, 8)}`, name: `${job.name} test`.slice(0, 80) };
  expect((await page.request.post('/api/jobs', { data: copy })).status()).toBe(201);
  return copy.id;
}

export async function openStage(page: Page, id: string, stage: string): Promise<void> {
  await go(page, `/job/${id}/${stage}`);
  await page.locator('ms-load-path').waitFor();
  await expect(page.locator('ms-load-path ol, ms-load-path div.refused')).toBeVisible();
}

export const weakest = (page: Page): Locator => page.locator('ms-load-path button.weakest .name');
/** Waits until what was just done is saved; the page is let draw first, so that it does not read what it said before. */
export async function saved(page: Page): Promise<void> {
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  await expect(page.locator('header .save')).toHaveText('saved');
}
/** The document as it is kept, with all its feet. */
export const storedWhole = async (page: Page, id: string) => (await (await page.request.get(`/api/jobs/${id}`)).json()).job;
/** The job as it stands at its first foot. */
export const stored = async (page: Page, id: string) => atFirst(await storedWhole(page, id));
// A document as JSON: what is asked of it is asserted by the tests themselves.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Kept = Record<string, any>;
export const atFirst = (whole: Kept): Kept => {
  const [{ design, skin, survey }] = whole['feet'];
  return { ...whole, ...design, skin, survey };
};
/** The whole with something else at its first foot. */
export const changedAtFirst = (whole: Kept, { skin, survey, ...design }: Kept): Kept => {
  const [first, ...others] = whole['feet'];
  const changed = { ...first, design: { ...first.design, ...design }, ...(skin ? { skin } : {}), ...(survey ? { survey } : {}) };
  return { ...whole, feet: [changed, ...others] };
};

/** Chooses from a select of the job card by its label. */
export async function pick(page: Page, label: string, option: string | RegExp, nth = 0): Promise<void> {
  await page.locator('ms-pick', { hasText: label }).nth(nth).getByRole('combobox').click();
  await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
}

/** Picks from a menu by its button; pressed again where the press fell while the menu was still opening. */
export async function fromMenu(page: Page, button: string, item: string): Promise<void> {
  await page.getByRole('button', { name: button, exact: true }).click();
  const row = page.getByRole('menuitem', { name: item });
  await row.waitFor();
  await expect(async () => {
    if (await row.isVisible()) await row.click({ timeout: 1000 });
    await expect(row).toBeHidden({ timeout: 1000 });
  }).toPass({ timeout: 20_000 });
}

/** Drags with the pointer by millimetres of the plan. */
export async function dragBy(page: Page, what: Locator, dx: number, dy: number, steps = 8): Promise<void> {
  const box = (await what.boundingBox())!;
  const perMm = await page.locator('svg.hands').evaluate((svg) => (svg as SVGSVGElement).getScreenCTM()!.a);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx * perMm, y - dy * perMm, { steps });
  await page.mouse.up();
}

/** From the rack to a job in which nothing is said yet. */
export async function emptyJob(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'New job', exact: true }).click();
  await page.getByRole('button', { name: /Something else/ }).click();
  await page.getByLabel('What the job is called').fill('New job');
  await page.getByRole('button', { name: 'Start the job' }).click();
}
