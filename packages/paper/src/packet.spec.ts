import ICAL from 'ical.js';
import jsQR from 'jsqr';
import { parse } from 'papaparse';
import { judgedWhole } from '@core/chain/on-paper';
import { atEachFoot, oneFoot } from '@core/job/at-foot';
import type { WholeJob } from '@core/job/whole-job';
import { barsCut } from '@core/shop/bars-cut';
import { buyList } from '@core/shop/buy-list';
import { planOf } from '@core/shop/cards/packet';
import { labelsOf } from '@core/shop/labels';
import { madeOf, type MadeOf } from '@core/shop/made-of';
import type { Schedule } from '@core/shop/schedule';
import { type SheetsWanted } from '@core/shop/on-sheet';
import { sheetsWanted } from '@core/shop/sheets-wanted';
import { solveProgramme } from '@core/shop/solve-programme';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import { eightFeet } from '@core/testing/eight-feet';
import { freeLoad } from '@core/testing/test-job';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { labelsPdf, qrSquares } from './labels-pdf';
import { jobPacket, jobReport } from './job-packet';
import { routeIcs } from './route-ics';
import { buyCsv, partsCsv } from './tables-csv';
import { readPdf } from './testing/read-pdf';

const TODAY = '2026-03-04';
const as = { shop: USUAL_SHOP, version: 7, today: TODAY, paper: 'a4' } as const;
const whole = eightFeet();
const of = madeOf(whole) as MadeOf;
async function printed(job: WholeJob, only?: string) {
  const pdf = await jobPacket(job, as, only);
  if (!pdf || 'refusals' in pdf) throw new Error('refused');
  return readPdf(pdf);
}

describe('the packet of a fitting on eight feet', () => {
  let pages: Awaited<ReturnType<typeof printed>>;
  beforeAll(async () => (pages = await printed(whole)));

  it('says on every page which job, version and day, which page of how many, the verdict and what was not judged', () => {
    expect(pages.length).toBeGreaterThan(6);
    pages.forEach((p, i) => {
      expect(p.words).toContain('Rail on eight feet');
      expect(p.words).toContain(`version 7, ${TODAY}; packet, page ${i + 1} of ${pages.length}`);
      expect(p.words).toContain('Checked: every foot holds.');
      expect(p.words).toContain('Not judged: ');
      expect(p.words).toContain('it does not approve them');
      expect([p.width, p.height].map((v) => Math.round(v))).toEqual([210, 297]);
    });
  });
  it('has every card, and no word outside the paper', () => {
    const all = pages.map((p) => p.words).join(' ');
    for (const title of [
      'Packet',
      'Parts',
      'Sheets',
      'Bars',
      'Bends',
      'Drill: ',
      'Fill, paint, bed',
      'Tighten: ',
      'Route',
      'Buy list and cost',
    ])
      expect(all).toContain(title);
    for (const p of pages)
      for (const t of p.texts) {
        expect(t.x).toBeGreaterThan(5);
        expect(t.y).toBeLessThan(p.height - 3);
      }
  });
  it('counts both hands: four plates as drawn and four mirrored, eight brackets off two bars’ worth', () => {
    const all = pages.map((p) => p.words).join(' ');
    expect(all).toContain('4 + 4 mirrored');
    expect(all).toContain('Bracket');
    expect(all).toContain('M10 studding cut to');
  });
});

it('a job that does not hold prints all the same, and says so on each of its pages', async () => {
  const job = oneFoot(lopsidedJob((j) => ({ ...j, loads: [freeLoad({ fz: 400_000, z: 60 })] })));
  const pages = await printed(job);
  expect(pages.length).toBeGreaterThan(2);
  for (const p of pages) expect(p.words).toContain('DOES NOT HOLD AS IT IS');
});

it('one card by itself, in any script; none of a name that there is not', async () => {
  const job = { ...oneFoot(lopsidedJob()), name: 'Łódź Ярославль Ελλάδα' };
  const [page, ...more] = await printed(job, 'route');
  expect(more).toEqual([]);
  expect(page!.words).toContain('Łódź Ярославль Ελλάδα');
  expect(page!.words).toContain('It hangs on:');
  expect(await jobPacket(job, as, 'nothing')).toBeUndefined();
});

it('the calculation report, read again, has the figures of the core: every link’s use, each input with where it is from', async () => {
  const job = oneFoot(lopsidedJob());
  const words = readPdf(await jobReport(job, as))
    .map((p) => p.words)
    .join(' ');
  const at = atEachFoot(job)[0]!.job;
  const { verdict } = judgedWhole(at).judged;
  const shown = verdict.links.filter((l) => l.state === 'sound' || l.state === 'tight');
  expect(shown.length).toBeGreaterThan(8);
  for (const l of shown) expect(words).toContain(`${l.name}: ${l.utilisation.toFixed(2)}`);
  const bolt = verdict.links.find((l) => l.id === 'bolt-tension')!;
  expect(words).toMatch(new RegExp(`= ${bolt.capacity.toFixed(0)} N`));
  expect(words).toContain('ASSUMED');
  expect(words).toContain('EN 1993-1-8');
});

it('labels: one a piece of either hand, the code on each read again by a general reader', async () => {
  const labels = labelsOf(of, (j) => `http://shop.test/jobs/${j.id}`);
  const pieces = of.parts.reduce((n, p) => n + p.count + p.mirrored, 0);
  expect(labels).toHaveLength(pieces);
  const pages = readPdf(await labelsPdf(whole.name, 'version 7', labels, 'letter'));
  expect(pages).toHaveLength(Math.ceil(pieces / 14));
  expect(pages[0]!.words).toContain('other hand (mirrored)');
  const { size, dark } = qrSquares(labels[0]!.address);
  const [quiet, k] = [4, 6];
  const side = (size + 2 * quiet) * k;
  const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const [row, column] = [Math.floor(y / k) - quiet, Math.floor(x / k) - quiet];
      if (row < 0 || column < 0 || row >= size || column >= size || !dark(row, column)) continue;
      pixels.fill(0, 4 * (y * side + x), 4 * (y * side + x) + 3);
    }
  expect(jsQR(pixels, side, side)?.data).toBe('http://shop.test/jobs/eight-feet');
});

it('the route as a calendar, validated by a parser: an event for each operation at its hours', () => {
  const plan = planOf(of, USUAL_SHOP, TODAY) as Schedule;
  const text = routeIcs(plan, { id: whole.id, name: whole.name, issue: 'version 7' });
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown as string);
  expect(calendar.getFirstPropertyValue('version')).toBe('2.0');
  const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
  const worked = plan.operations.filter((o) => o.end > o.start);
  expect(events.map((e) => e.startDate.toUnixTime() / 60)).toEqual(worked.map((o) => o.start));
  expect(events.map((e) => e.endDate.toUnixTime() / 60)).toEqual(worked.map((o) => o.end));
  expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
  expect(events.some((e) => e.description.includes('sign before going on'))).toBe(true);
});

it('parts and buy list as CSV, read by a general reader: as many rows, the same sums, in either way of writing numbers', async () => {
  const says = { job: whole.name, issue: 'version 7', verdict: 'Checked' };
  const rows = (text: string, delimiter: string) =>
    parse<Record<string, string>>(text.replace('\ufeff', ''), { header: true, delimiter, skipEmptyLines: true }).data;
  const parts = rows(partsCsv(of, says), ',');
  expect(parts.map((r) => [r['mark'], Number(r['as_drawn']), Number(r['mirrored'])])).toEqual(
    of.parts.map((p) => [p.mark, p.count, p.mirrored]),
  );
  const cut = await barsCut(whole, USUAL_SHOP, solveProgramme);
  const sheets = (sheetsWanted(whole, USUAL_SHOP.sheetCut) as { wanted: readonly SheetsWanted[]; dropped: number }).wanted;
  const list = buyList({ of, sheets, bars: 'bars' in cut ? cut.bars : [], shop: USUAL_SHOP });
  const bought = rows(buyCsv(list, 'EUR', says, 'comma'), ';');
  const number = (v: string | undefined) => Number(v!.replace(',', '.'));
  expect(bought.slice(0, -1).reduce((sum, r) => sum + number(r['sum']), 0)).toBeCloseTo(number(bought.at(-1)!['sum']), 1);
  expect(number(bought.at(-1)!['sum'])).toBeCloseTo(list.total, 2);
});
