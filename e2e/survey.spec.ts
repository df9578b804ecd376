import type { Page } from '@playwright/test';
import { atFirst, changedAtFirst, expect, go, openStage, pick, saved, stored, test, weakest } from './shop';

/** A new job under a winch, with what must be so for the survey already measured. */
async function newJobFrom(page: Page): Promise<string> {
  const { job } = await (await page.request.get('/api/jobs/fold-down-bench-left')).json();
  const copy = {
    ...changedAtFirst(job, {
      survey: {
        ...atFirst(job)['survey'],
        sides: 'one',
        patterns: [],
        log: [],
        diagonals: {},
        shims: [],
        hidden: [],
        existing: [],
      },
    }),
    id: `t-${crypto.randomUUID().slice(0, 8)}`,
    name: 'Survey test',
  };
  expect((await page.request.post('/api/jobs', { data: copy })).status()).toBe(201);
  return copy.id;
}

const study = (page: Page) => page.locator('ms-pattern-study');
const centre = (page: Page, hole: string, axis: 'forward' | 'to port') =>
  page.locator('.hole', { has: page.getByText(hole, { exact: true }) }).getByLabel(axis);

/** Lays the stand-in on a value and sends its reading into a field, as many times as asked. */
async function read(page: Page, field: ReturnType<typeof centre>, value: number, times = 1): Promise<void> {
  await field.click();
  await page.getByLabel('stand-in lies on').fill(String(value));
  await page.getByLabel('stand-in lies on').press('Enter');
  await expect(page.getByLabel('Display')).toHaveText(`${value.toFixed(2)} mm`);
  for (let i = 1; i <= times; i++) {
    await page.getByRole('button', { name: 'Send reading' }).click();
    if (i > 1) await expect(page.locator('.took')).toContainText(`of ${i}, spread`);
    // What was said before may still stand there: the reading has arrived when the field has it.
    await expect.poll(async () => Math.abs(Number.parseFloat(await field.inputValue()) - value)).toBeLessThan(0.1);
  }
}

test('a two-sided survey with the caliper: one bad reading found, adapter plate taken, packers, and what to measure next', async ({
  page,
}) => {
  await go(page, '/');
  const id = await newJobFrom(page);
  await openStage(page, id, 'measure');
  await page.getByRole('radio', { name: 'Hole patterns' }).click();
  await expect(page).toHaveURL(/sheet=patterns/);
  await pick(page, 'This is', 'a left and right pair');

  // The fitting as it is drawn; the structure by caliper, both sides.
  await page.getByRole('button', { name: 'Fitting, left' }).click();
  await page.getByRole('button', { name: 'Start from the base’s holes' }).click();
  await page.getByRole('button', { name: 'Structure, left' }).click();
  await page.getByRole('button', { name: 'Start from the bolts as laid out' }).click();
  await page.getByRole('button', { name: 'Take out', exact: true }).last().click();
  await expect(page.getByLabel('Display')).toBeVisible();
  await read(page, centre(page, 'H1', 'forward'), 86.4, 3);
  await expect(page.locator('.how').first()).toContainText(/median of 3, spread 0\.0\d mm · caliper stand-in/);
  await read(page, centre(page, 'H1', 'to port'), 60.1);
  await read(page, centre(page, 'H4', 'forward'), 86.2);
  await read(page, centre(page, 'H2', 'to port'), 60.2);

  // The right is the mirror until it is read; one reading of it is bad, and stands out by its residual.
  await page.getByRole('button', { name: 'Structure, right' }).click();
  await page.getByRole('button', { name: 'Mirror the other side' }).click();
  await expect(study(page)).toContainText('The two sides are alike');
  await read(page, centre(page, 'H3', 'to port'), 68.2);
  await expect(study(page).locator('.warn')).toContainText(/H3 stands out: \d\.\d mm off the other side/);
  await expect(study(page)).toContainText('The two sides differ');
  await read(page, centre(page, 'H3', 'to port'), 62);
  await expect(study(page).locator('.warn')).toHaveCount(0);
  await saved(page);
  const right = (await stored(page, id)).survey.patterns.find((p: { id: string }) => p.id === 'structure-right');
  expect(right.from).toBe('measured');
  expect(Math.abs(right.holes[2].y - 62)).toBeLessThan(0.03);
  expect(right.holes[2].taken.y).toMatchObject({ with: 'caliper stand-in', at: expect.stringMatching(/^20/) });

  // Faults are said and nothing is lost.
  await page.getByLabel('fault').selectOption('low battery');
  await centre(page, 'H3', 'to port').click();
  await page.getByRole('button', { name: 'Send reading' }).click();
  await expect(page.locator('ms-instruments .error')).toContainText('low battery: the reading was not sent');
  await page.getByLabel('fault').selectOption('none');
  await page.getByLabel('stand-in lies on').fill('400');
  await page.getByLabel('stand-in lies on').press('Enter');
  await page.getByRole('button', { name: 'Send reading' }).click();
  await expect(page.locator('ms-instruments .error')).toContainText('outside its range of 0 to 300 mm');

  // Left: the patterns are far apart; the adapter plate is taken as one step.
  await page.getByRole('button', { name: 'Structure, left' }).click();
  await expect(study(page).locator('.verdict')).toContainText('They miss by');
  const adapter = study(page).locator('.remedy', { hasText: 'Adapter plate with both patterns' });
  await expect(adapter).toContainText(/Then holds, good for \d+\.\d\d × load, weakest Plate bending/);
  const promised = /good for (\d+\.\d\d)/.exec((await adapter.textContent())!)![1]!;
  await adapter.getByRole('button', { name: 'Take: Adapter plate' }).click();
  await expect(page.locator('header .figure')).toContainText(promised);
  await saved(page);
  const made = await stored(page, id);
  // The structure's own spacing, as read: 86.4 + 88 mm between H1 and H2.
  const [b1, b2] = made.bolts.items;
  expect(Math.abs(Math.hypot(b1.x - b2.x, b1.y - b2.y) - 174.4)).toBeLessThan(0.05);
  expect(made.base.holes).toHaveLength(4);

  // Packers from gaps at the bolts.
  await page.getByRole('radio', { name: 'As built' }).click();
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Gap' }).first().click();
  await page.locator('.shim').nth(2).getByRole('textbox', { name: 'gap' }).fill('1.2');
  await page.locator('.shim').nth(3).getByRole('textbox', { name: 'gap' }).fill('0,9 mm');
  await expect(page.locator('.packers')).toContainText('B3 1.2 mm');
  await expect(page.locator('.packers')).toContainText('B4 0.9 mm');
  await expect(page.locator('ms-survey-plan')).toContainText('B3 packer 1.2');

  // What to measure next: named, measured there, and the next one named.
  await page.getByRole('link', { name: /The result rests on \d assumed/ }).click();
  await expect(page).toHaveURL(/sheet=next/);
  const first = (await page.locator('ms-next .verdict b').textContent())!;
  expect(first.length).toBeGreaterThan(3);
  const before = Number(/rests on (\d+)/.exec((await page.locator('ms-next h2').textContent())!)![1]);
  const field = page.locator('ms-next').getByLabel(first, { exact: true });
  await field.press('End');
  await field.press('Space');
  await field.press('Enter');
  await expect(page.locator('ms-next h2')).toContainText(
    before === 1 ? 'Everything the result rests on' : `rests on ${before - 1} assumed`,
  );
  if (before > 1) await expect(page.locator('ms-next .verdict b')).not.toHaveText(first);
});

test('a hidden cable keeps a bolt out, and a drawing brings a pattern in; a bad one says which line', async ({ page }) => {
  await go(page, '/');
  const id = await newJobFrom(page);
  await openStage(page, id, 'measure');
  await page.getByRole('radio', { name: 'Behind the skin' }).click();
  await page.getByRole('button', { name: 'Mark' }).click();
  await page.getByLabel('from, aft').fill('80');
  await page.getByLabel('to, fore').fill('100');
  await expect(page.locator('ms-load-path')).toContainText('keep-out zone of the cable');
  await page.locator('h2', { hasText: 'Hidden' }).click();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(weakest(page)).toBeVisible();
  await expect(page.locator('ms-load-path')).not.toContainText('keep-out zone of the cable');
  await saved(page);

  const drawing = await page.request.get(`/api/jobs/${id}/plate.dxf`);
  expect(drawing.status()).toBe(200);
  const text = await drawing.text();
  await page.getByRole('radio', { name: 'Hole patterns' }).click();
  const choose = async (name: string, body: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'From a DXF' }).click(),
    ]);
    await chooser.setFiles({ name, mimeType: 'application/dxf', buffer: Buffer.from(body) });
  };
  await choose('cut.dxf', text.slice(0, text.lastIndexOf('EOF')));
  await expect(page.locator('ms-pattern-sheet [role=alert]')).toContainText(/cut\.dxf: line \d+: it ends without EOF/);
  await choose('whole.dxf', text);
  await expect(page.locator('ms-pattern-sheet [role=status]').first()).toContainText(/\d+ holes taken from whole\.dxf/);
  await saved(page);
  // All of what was imported, and nothing of what was there before it.
  const made = await stored(page, id);
  const places = (holes: { x: number; y: number }[]) => holes.map((h) => `${h.x} ${h.y}`).sort();
  expect(made.survey.patterns).toHaveLength(1);
  expect(places(made.survey.patterns[0].holes)).toEqual(
    // The drawing has the fitting’s own holes too.
    places([...made.bolts.items, ...made.base.holes]),
  );

  // Two holes from a table, as the first that is known of the other pattern.
  await page.getByRole('button', { name: /^Fitting/ }).click();
  await page.getByRole('button', { name: 'From a table' }).click();
  await page.locator('ms-csv-import textarea').fill('hole,x,y\nA1,31.5,12\nA2,-30,-14.5\n');
  await page.getByRole('button', { name: 'Take 2' }).click();
  await saved(page);
  const fitting = (await stored(page, id)).survey.patterns.find((p: { of: string }) => p.of === 'fitting');
  expect(fitting.holes).toEqual([
    { id: 'A1', x: 31.5, y: 12 },
    { id: 'A2', x: -30, y: -14.5 },
  ]);
  expect(fitting).toMatchObject({ from: 'sheet', readings: [] });
});
