import { oneFoot } from '../job/at-foot';
import type { FreePart } from '../job/free-part';
import type { WholeJob } from '../job/whole-job';
import { fromSheet } from '../job/values';
import { USUAL_SHOP } from '../stock/shop-settings';
import { testJob } from '../testing/test-job';
import { barPlan } from './bar-cutting';
import { barsWanted } from './bars-wanted';
import { buyList, hireOf, money, type BarsCut } from './buy-list';
import { madeOf, type MadeOf } from './made-of';
import { type SheetsWanted } from './on-sheet';
import { sheetsWanted } from './sheets-wanted';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const rail = (length: number, count: number): FreePart => ({
  id: 'P1',
  name: 'Rail',
  use: 'rail',
  metal: 'S275',
  count,
  holes: [],
  stock: { form: 'flat bar', width: mm(50), thickness: mm(6), legs: [mm(length)], bends: [] },
});

/** By first-fit alone: enough for one length. */
const byFirstFit = async () => undefined;
async function bought(whole: WholeJob, shop = USUAL_SHOP) {
  const of = madeOf(whole) as MadeOf;
  const sheets = (sheetsWanted(whole, shop.sheetCut, shop.offcuts) as { wanted: readonly SheetsWanted[]; dropped: number })
    .wanted;
  const { wanted } = barsWanted(whole, shop.offcuts) as { wanted: { stock: string; pieces: never[]; bars: never[] }[] };
  const bars: BarsCut[] = await Promise.all(
    wanted.map(async (w) => ({ stock: w.stock, plan: await barPlan(w.pieces, w.bars, shop.saw, byFirstFit) })),
  );
  return buyList({ of, sheets, bars, shop });
}
const job = (parts: FreePart[] = []) => oneFoot(testJob({ fz: 500 }, (j) => ({ ...j, parts })));

it('metal is bought by whole sheets: 2000 × 1000 × t at its density, the shop’s rate a kilogram (by hand)', async () => {
  const { lines, total, groups } = await bought(job());
  const sheet = lines.find((l) => l.what.includes('sheet 2000'))!;
  const t = testJob().plate.thickness.v;
  expect(sheet.count).toBe(1);
  expect(sheet.sum).toBeCloseTo(2 * t * 7.85 * USUAL_SHOP.rates.steel, 6);
  expect(total).toBeCloseTo(
    Object.values(groups).reduce((a, b) => a + b),
    9,
  );
});
it('four bolts are one pack of ten; eleven would be two', async () => {
  const pack = (await bought(job())).lines.find((l) => l.group === 'fasteners')!;
  expect(pack).toMatchObject({ count: 1, unit: 'pack' });
  expect(pack.sum).toBeCloseTo(10 * USUAL_SHOP.rates.bolt, 9);
});
it('one short rail is cheaper cut to length, a bar’s worth as a whole bar (6 m of 50 × 6 at 2.355 kg/m)', async () => {
  const of = async (parts: FreePart[]) => (await bought(job(parts))).lines.find((l) => l.what.startsWith('flat bar'))!;
  const kg = (0.05 * 0.006 * 7850) as number;
  expect(await of([rail(400, 1)])).toMatchObject({ unit: 'pieces', sum: expect.closeTo(0.4 * kg * 2.5 * 1.6, 6) });
  expect(await of([rail(1900, 3)])).toMatchObject({ unit: 'bar', count: 1, sum: expect.closeTo(6 * kg * 2.5, 6) });
});
it('what lies on the rack costs nothing and is used first', async () => {
  const stock = 'flat bar 50 × 6 mm, Steel S275';
  const shop = { ...USUAL_SHOP, offcuts: [{ stock, length: 700, count: 1 }] };
  const lines = (await bought(job([rail(600, 1)]), shop)).lines.filter((l) => l.what.startsWith(stock));
  expect(lines).toEqual([expect.objectContaining({ what: `${stock}: offcuts on hand`, sum: 0 })]);
  const t = testJob().plate.thickness.v;
  const sheet = {
    stock: `${testJob().plate.metal === 'S275' ? 'Steel S275' : 'Steel S355'}, ${t} mm`,
    length: 600,
    width: 500,
    count: 1,
  };
  const flat = (await bought(job(), { ...USUAL_SHOP, offcuts: [sheet] })).lines.filter((l) => l.group === 'metal');
  expect(flat.some((l) => l.what === `${sheet.stock}: offcuts on hand` && l.sum === 0)).toBe(true);
});
it('a part larger than every sheet is said to be missing, and not left out of the sum unseen', async () => {
  const large = oneFoot(testJob({ fz: 500 }, (j) => ({ ...j, plate: { ...j.plate, x0: -1900, x1: 1900 } })));
  const found = madeOf(large);
  if ('refusals' in found) return expect(found.refusals.length).toBeGreaterThan(0);
  const { missing } = await bought(large);
  expect(missing[0]!.because).toMatch(/larger than every sheet/);
});
it('hire is its least hours at its rate; work is the route’s minutes at the shop’s hour', async () => {
  const whole: WholeJob = { ...job(), making: { hired: { what: 'crane', for: 'lift', perHour: 120, leastHours: 4 } } };
  const { groups } = await bought(whole);
  expect(groups.hire).toBe(480);
  expect(groups.labour).toBeGreaterThan(groups.hire / 10);
  const dear = await bought(whole, { ...USUAL_SHOP, rates: { ...USUAL_SHOP.rates, perHour: 90 } });
  expect(dear.groups.labour).toBeCloseTo(2 * groups.labour, 9);
});
it('money is written as its currency is', () => {
  expect(money(1234.5, 'EUR')).toBe('€1,234.50');
  expect(money(1234.5, 'JPY')).toBe('¥1,235');
});

it('a hired machine is paid by begun hours, and no fewer than its least', () => {
  const h = { what: 'crane', for: 'lift', perHour: 95, leastHours: 3 };
  expect(hireOf(h, 60)).toEqual({ hours: 3, sum: 285 });
  expect(hireOf(h, 185)).toEqual({ hours: 4, sum: 380 });
});
