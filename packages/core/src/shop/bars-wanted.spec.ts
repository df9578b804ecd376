import { oneFoot } from '../job/at-foot';
import { standingAs } from '../job/feet-edits';
import type { FreePart } from '../job/free-part';
import type { Job } from '../job/schema';
import { testJob, withJoint } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { barsWanted } from './bars-wanted';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const strap = (id: string, count: number, legs: number[], width = 50): FreePart => ({
  id,
  name: `Strap ${id}`,
  use: 'strap',
  metal: 'S275',
  count,
  stock: {
    form: 'flat bar',
    width: mm(width),
    thickness: mm(6),
    legs: legs.map(mm),
    bends: legs.slice(1).map(() => ({ angle: fromSheet(Math.PI / 2, '90°'), radius: mm(6), up: true })),
  },
  holes: [],
});
const wantedOf = (job: Job, feet = 1) => {
  const one = oneFoot(job);
  const found = barsWanted(feet > 1 ? standingAs(one, 'F1', 'row', { along: 400, across: 0, count: feet }) : one);
  if ('refusals' in found) throw new Error(found.refusals.map((r) => r.because).join());
  return found.wanted;
};

it('straps of one section go on one bar, counted over the feet; another section on another; plates on none', () => {
  const job = testJob({ fz: 500 }, (j) => ({
    ...j,
    parts: [strap('a', 2, [300]), strap('b', 1, [450]), strap('c', 1, [200], 40)],
  }));
  const wanted = wantedOf(job, 3);
  expect(wanted.map((w) => w.stock)).toEqual(['flat bar 50 × 6 mm, Steel S275', 'flat bar 40 × 6 mm, Steel S275']);
  expect(wanted[0]!.pieces.map((p) => [p.length, p.count])).toEqual([
    [300, 6],
    [450, 3],
  ]);
  expect(wanted[0]!.bars[0]!.length).toBe(6000);
  expect(wantedOf(testJob({ fz: 500 }))).toEqual([]);
});

it('a bent bar is sawn to its flat length: two legs of 90 outside, t 6, r 6 less what the bend saves', () => {
  const [w] = wantedOf(testJob({ fz: 500 }, (j) => ({ ...j, parts: [strap('a', 1, [90, 90])] })));
  // Legs less the set-back r + t each, and the allowance π/2·(r + K·t), K between 0.33 and 0.5.
  const flat = (K: number) => 2 * (90 - 12) + (Math.PI / 2) * (6 + K * 6);
  expect(w!.pieces[0]!.length).toBeGreaterThan(flat(0.33));
  expect(w!.pieces[0]!.length).toBeLessThan(flat(0.5) + 0.1);
});

it('studding is wanted by its cut length, bolt by bolt; an inch shop buys 20 ft bars and 36 in studding', () => {
  const studs = withJoint({ head: 'studding' });
  const [w] = wantedOf(studs(testJob({ fz: 500 })));
  expect(w).toMatchObject({ stock: 'M10 studding, 8.8', bars: [{ length: 1000 }] });
  expect(w!.pieces.reduce((n, p) => n + p.count, 0)).toBe(4);
  const inch = { ...studs(testJob({ fz: 500 }, (j) => ({ ...j, parts: [strap('a', 1, [300])] }))), units: 'inch' as const };
  expect(wantedOf(inch).map((x) => x.bars[0]!.length)).toEqual([6096, 914.4]);
});
