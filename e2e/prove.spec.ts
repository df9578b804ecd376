import type { Page } from '@playwright/test';
import { copyOf, expect, go, test } from './shop';

test.use({ viewport: { width: 390, height: 844 } });

const sheet = async (page: Page, id: string, name: string) => {
  await go(page, `/job/${id}/prove?sheet=${name}`);
  await expect(page.locator('ms-prove-stage .standing .built')).toBeVisible();
};
const book = async (page: Page, id: string) => (await (await page.request.get(`/api/jobs/${id}/log`)).json()).lines;
const kinds = async (page: Page, id: string): Promise<string[]> =>
  (await book(page, id)).map((l: { entry: { body: { kind: string } } }) => l.entry.body.kind);
/** What was just written is there: the page is let draw first, so that it does not read what it said before. */
async function onServer(page: Page): Promise<void> {
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  await expect(page.locator('.queue')).toContainText('all on the server');
}
const figure = (page: Page, of: 'As drawn' | 'As built') => page.locator('.standing > div', { hasText: of }).locator('b');

async function asAda(page: Page): Promise<void> {
  await page.getByLabel('Written by').selectOption('AM');
}
async function found(page: Page, ...readings: string[]): Promise<void> {
  for (const r of readings) {
    await page.getByLabel('Found').fill(r);
    await page.getByRole('button', { name: 'Add reading' }).click();
  }
  await page.getByRole('button', { name: 'Write it down' }).first().click();
}

test('fit-up with one bad hole: measured, out, decided, and the path judged again beside the drawn one', async ({ page }) => {
  const id = await copyOf(page, 'roller-arm-links');
  await sheet(page, id, 'fit-up');
  // Nobody is named: nothing is written, and it says so.
  await found(page, '8.1');
  await expect(page.getByRole('alert')).toContainText('Say who writes first');
  await asAda(page);
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await onServer(page);
  expect(await kinds(page, id)).toEqual(['dimension']);
  // What is no length is refused by its name, and stays to be mended.
  await page.getByRole('button', { name: 'Hole B1, forward' }).click();
  await page.getByLabel('Found').fill('twelve');
  await page.getByRole('button', { name: 'Add reading' }).click();
  await expect(page.locator('ms-fit-up .error')).toContainText('allowed: −5000');
  const drawn = Number.parseFloat((await page.locator('ms-fit-up .at p b').first().textContent())!.replace('−', '-'));
  const bad = `${drawn + Math.sign(drawn) * 8}`;
  await page.getByLabel('Found').fill('');
  await found(page, bad, `${Number(bad) + 0.06}`, `${Number(bad) - 0.02}`);
  await expect(page.locator('ms-fit-up h2')).toContainText('Hole B1, forward');
  await expect(page.locator('ms-fit-up .at .bad').first()).toContainText('out by');
  await page.getByLabel('Accept as it is').check();
  await page.getByRole('button', { name: 'Decide' }).click();
  await expect(page.locator('ms-fit-up .error')).toContainText('reason: it is empty');
  await page.getByLabel('Reason').fill('the drill ran off');
  await page.getByRole('button', { name: 'Decide' }).click();
  await onServer(page);
  // Nearer to the edge of the plate: the edge decides now.
  await expect(page.locator('.standing .built')).toContainText('does not hold, Edge and pitch');
  await expect(page.locator('.standing .built')).toHaveClass(/fails/);
  expect(Number(await figure(page, 'As built').textContent())).toBeGreaterThan(1);
  expect(Number(await figure(page, 'As drawn').textContent())).toBeLessThan(1);
  const lines = await book(page, id);
  expect(lines.at(-1).entry).toMatchObject({
    by: 'AM',
    about: { bolt: 'B1' },
    body: { decide: 'accept', reason: 'the drill ran off' },
  });
  expect(lines.at(-2).entry.body.readings).toHaveLength(3);
  // Drawn out and filled, it counts as drawn until it is measured again.
  await page.getByRole('button', { name: 'Hole B1, forward' }).click();
  await page.getByLabel('Fill and drill again').check();
  await page.getByLabel('Reason').fill('the edge is too near');
  await page.getByRole('button', { name: 'Decide' }).click();
  await expect(page.locator('.standing .built')).not.toHaveClass(/fails/);
  await expect(page.locator('ms-fit-up tr', { hasText: 'Hole B1, forward' })).toContainText(
    'fill and redrill, then measure again',
  );
});

test('tightening of a star pattern with one cross thread: next bolt lit, trace named, slackened, done again, witness marks', async ({
  page,
}) => {
  const id = await copyOf(page, 'buoy-lifting-eye');
  await sheet(page, id, 'tighten');
  await asAda(page);
  const next = page.locator('ms-tighten .big').first();
  const order: string[] = [];
  await page.getByRole('button', { name: 'Take out the wrench' }).click();
  const pull = async (fault = 'none') => {
    await page.getByLabel('Wrench fault').selectOption(fault);
    const asked = (await next.textContent())!.trim();
    const bolt = asked.split(' ')[0]!;
    await page.getByRole('button', { name: 'Pull the wrench' }).click();
    await expect(page.locator('ms-tighten p', { hasText: `${bolt}: ` }).first()).toBeVisible();
    // A bolt pulled before is named from then: only the next one lit says that this pull is written down.
    if (fault === 'none') await expect(next).not.toHaveText(asked);
    return bolt;
  };
  order.push(await pull());
  const crossed = await pull('cross thread');
  await expect(page.locator('ms-tighten .bad').first()).toContainText('cross thread: ');
  await expect(next).toContainText(crossed);
  await expect(page.locator('ms-tighten li.bad', { hasText: `${crossed}: cross thread` })).toBeVisible();
  await page.getByRole('button', { name: `Slacken ${crossed}` }).click();
  await page.getByLabel('Why it is slackened').fill('thread crossed, new bolt');
  await page.getByRole('button', { name: 'Slackened', exact: true }).click();
  for (let i = 0; i < 3; i++) order.push(await pull());
  expect(order[1]).toBe(crossed);
  expect(new Set(order).size).toBe(4);
  await expect(page.locator('ms-tighten')).toContainText('Round 2 of 4');
  // The rest by a wrench without a wire: its torque is typed.
  for (let n = 0; n < 12; n++) {
    const asked = (await next.textContent())!.trim();
    const target = /to ([\d.]+ \S+)/.exec(asked)![1]!;
    await page.getByLabel('Torque read').fill(target);
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(next).not.toHaveText(asked);
    if (n < 11) await expect(page.getByLabel('Torque read')).toHaveValue('');
  }
  await expect(page.getByText('All at their torque')).toBeVisible();
  for (const [what, is] of [
    ['bolts fitted', '1/2-13 Gr 5'],
    ['nut class', '8'],
    ['lubrication', 'lightly oiled'],
  ] as const) {
    await page.getByLabel(what, { exact: true }).fill(is);
    await page
      .locator('form', { has: page.getByLabel(what, { exact: true }) })
      .getByRole('button', { name: 'Confirm' })
      .click();
  }
  for (const b of order) await page.getByRole('button', { name: `Mark ${b}` }).click();
  await expect(page.getByText('Missed so far')).toHaveCount(0);
  await onServer(page);
  const lines = await book(page, id);
  expect(lines.filter((l: any) => l.entry.body.kind === 'tightened')).toHaveLength(17);
  const trace = lines.find((l: any) => l.entry.body.reads === 'cross thread').entry.body;
  expect(trace.trace.length).toBeGreaterThan(5);
  expect(trace.because).toContain('as steep as bolt and plates');
});

test('a proof pull inside its band, drawn first; signed, stamped only when nothing is open; the record leaves', async ({
  page,
}) => {
  const id = await copyOf(page, 'stay-plate-port');
  await sheet(page, id, 'proof');
  await asAda(page);
  await page.getByRole('button', { name: 'Draw the curve first' }).click();
  await expect(page.locator('ms-proof-chart')).toBeVisible({ timeout: 40_000 });
  await page.getByText('What the band is made of').click();
  await expect(page.locator('ms-proof details')).toContainText('the solver itself');
  await page.getByRole('button', { name: 'Rig load cell and dial' }).click();
  await page.getByLabel('Time runs').selectOption('20');
  await page.getByRole('button', { name: 'Everybody clear: pull' }).click();
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Next step' }).click({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Take the load off' }).click({ timeout: 20_000 });
  await expect(page.locator('ms-proof .good', { hasText: 'passed' })).toBeVisible({ timeout: 20_000 });
  await page.getByLabel('Remarks').fill('nothing moved that should not');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await onServer(page);
  const lines = await book(page, id);
  const proof = lines.at(-1).entry.body;
  expect(proof).toMatchObject({ kind: 'proof', result: 'passed', remarks: 'nothing moved that should not' });
  const samples = lines.filter((l: any) => l.entry.body.kind === 'samples').flatMap((l: any) => l.entry.body.samples);
  expect(samples.length).toBeGreaterThan(60);
  expect(samples.every((s: any, i: number) => i === 0 || s.t > samples[i - 1].t)).toBe(true);
  // The record: signed by a name, not stamped while points are open.
  await page.getByRole('radio', { name: 'Record' }).click();
  await expect(page.locator('ms-record')).toContainText('it cannot be stamped');
  await page.getByLabel('Name under Prove').fill('Ada Marsh');
  await page
    .locator('form', { has: page.getByLabel('Name under Prove') })
    .getByRole('button', { name: 'Sign' })
    .click();
  await expect(page.locator('ms-record .good', { hasText: 'Prove' })).toBeVisible();
  await onServer(page);
  const waits = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Record, PDF' }).click();
  expect((await waits).suggestedFilename()).toContain('record, v1.pdf');
  const html = await (await page.request.get(`/api/jobs/${id}/record.html`)).text();
  expect(html).toContain('It is no approval');
  expect(html).toContain('nothing moved that should not');
});

test('offline for a while, with a photograph and a reload: nothing lost, nothing twice, in order, and it says what is not on the server', async ({
  page,
}) => {
  const id = await copyOf(page, 'dive-ladder-top');
  await sheet(page, id, 'logbook');
  await asAda(page);
  const write = async (text: string) => {
    await page.getByLabel('Words').fill(text);
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByLabel('Words')).toHaveValue('');
  };
  await write('before');
  await onServer(page);
  // The log does not get through any more; the page itself still does, so that it can be loaded anew.
  let answered = 0;
  await page.route(/\/(log|photos)$/, async (route) => {
    if (route.request().method() !== 'POST') return route.fallback();
    // Once the server takes it and its answer is lost on the way.
    if (answered++ === 0) await route.fetch();
    await route.abort('internetdisconnected');
  });
  await write('one');
  await write('two');
  await page
    .locator('ms-photo input')
    .setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.locator('ms-photo .error')).toContainText('allowed: JPEG, PNG or WebP');
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await page.getByLabel('Words').fill('from below');
  await page.locator('ms-photo input').setInputFiles({ name: 'b2.png', mimeType: 'image/png', buffer: png });
  await expect(page.locator('.queue')).toContainText('3 not on the server yet, kept on this device');
  await expect(page.locator('ms-logbook li.coming')).toHaveCount(3);
  await page.reload();
  await expect(page.locator('.queue')).toContainText('3 not on the server yet');
  await write('after the reload');
  await page.unroute(/\/(log|photos)$/);
  await onServer(page);
  await expect(page.locator('ms-logbook li.coming')).toHaveCount(0);
  const lines = await book(page, id);
  expect(lines.map((l: any) => l.entry.body.text ?? l.entry.body.caption)).toEqual([
    'before',
    'one',
    'two',
    'from below',
    'after the reload',
  ]);
  expect(new Set(lines.map((l: any) => l.entry.id)).size).toBe(5);
  await expect(page.locator('ms-logbook img')).toHaveJSProperty('complete', true);
  await page.getByRole('button', { name: 'Verify the chain' }).click();
  await expect(page.locator('ms-logbook .tools')).toContainText('whole: 5 lines');
  // A correction points at what it corrects.
  await page.getByRole('button', { name: 'Correct line 2', exact: true }).click();
  await page.getByLabel('Words').fill('one, as it should read');
  await page.getByRole('button', { name: 'Write the correction' }).click();
  await expect(page.locator('ms-logbook li.gone')).toContainText('corrected later');
});
