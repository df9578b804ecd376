import { evaluate, workingOf } from '../chain/evaluate';
import { testJob } from '../testing/test-job';

const link = (job: ReturnType<typeof testJob>) => evaluate(job).links.find((l) => l.id === 'bolt-shear')!;

it('elastic group worked by hand: four bolts at (±90, ±80), 4 kN across and 1.16 kN·m of twist', () => {
  // Σr² = 4·(90² + 80²) = 58 000; M/Σr² = 20 N/mm; at (90, y): V_y = 4000/4 + 20·90 = 2800, V_x = ∓20·80 = 1600; √(2800² + 1600²) = 3225
  const l = link(testJob({ fy: 4000, mz: 1_160_000 }));
  expect(l.demand).toBeCloseTo(3224.9, 1);
  expect(['B1', 'B4']).toContain(l.at);
});

it('without twist every bolt takes F/n', () => expect(link(testJob({ fx: 3000, fy: 4000 })).demand).toBeCloseTo(1250, 9));

it('the force off the group’s own centroid twists it, though the datum sees none', () => {
  const job = testJob({ fy: 4000 }, (j) => ({
    ...j,
    plate: { ...j.plate, x1: 165 },
    bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, x: b.x > 0 ? 140 : b.x })) },
  }));
  // centroid at x 25: M = −25·4000 = −100 kN·mm; Σr² = 4·(115² + 80²) = 78 500; worst V_y = 1000 + 1.274·115, V_x = 101.9
  const k = 100_000 / 78_500;
  expect(link(job).demand).toBeCloseTo(Math.hypot(1000 + k * 115, k * 80), 1);
});

it('its working ends in the same force as the sharing', () => {
  const job = testJob({ fx: 1000, fy: 4000, mz: 500_000 });
  const l = link(job);
  const steps = workingOf(job, 'bolt-shear', l.caseId)!.steps;
  const found = steps.find((s) => s.symbol === 'F_v.Ed')!;
  expect(found.value).toBeCloseTo(l.demand, 6);
  expect(steps.map((s) => s.symbol)).toEqual(['V_x', 'V_y', 'F_v.Ed', 'F_v.Rd', 'F_v.Ed', 'F_v.Rd']);
});
