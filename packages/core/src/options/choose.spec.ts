import { evaluate } from '../chain/evaluate';
import { resolved, testJob } from '../testing/test-job';
import { massOf } from '../shop/weight-and-cost';
import { applyCombination, axesFor, frontier, totalOf, tryStock, type Tally } from './choose';
import { ringPattern } from './patterns';

const few = () => {
  const job = testJob({ fx: 2500, fz: 1800, z: 120 });
  const axes = { ...axesFor(job), sizes: ['M8', 'M10'], classes: ['8.8', 'A4-70'], pitches: [1, 1.1], counts: [4, 6] };
  return { job, axes };
};

function run(): { job: ReturnType<typeof testJob>; last: Tally; steps: number; total: number } {
  const { job, axes } = few();
  const all = tryStock(job, axes);
  let steps = 0;
  for (;;) {
    const next = all.next();
    if (next.done) return { job, last: next.value, steps, total: totalOf(axes) };
    steps++;
  }
}

it('tries every combination, and each sound one is sound when the whole chain is evaluated on it afresh', () => {
  const { job, last, steps, total } = run();
  expect(last.tried).toBe(total);
  expect(steps).toBeGreaterThan(8);
  expect(last.sound.length).toBeGreaterThan(5);
  for (const o of last.sound) {
    const v = evaluate(applyCombination(job, o));
    expect(['sound', 'tight']).toContain(v.state);
    const weakest = v.links.find((l) => l.id === v.weakest)!;
    expect(weakest.utilisation).toBeCloseTo(o.utilisation, 9);
    expect(weakest.name).toBe(o.weakest);
    expect(weakest.caseName).toBe(o.caseName);
  }
});

it('leaves out nothing sound: those not listed fail or are refused', () => {
  const { job, axes } = few();
  const { last } = run();
  const key = (o: { thickness: { text: string }; size: string; grade: string; count: number; pitch: number }) =>
    [o.thickness.text, o.size, o.grade, o.count, o.pitch].join();
  const sound = new Set(last.sound.map(key));
  for (const thickness of axes.thicknesses)
    for (const size of axes.sizes)
      for (const grade of axes.classes)
        for (const count of axes.counts)
          for (const pitch of axes.pitches) {
            const c = { thickness, size, grade, count, pitch };
            expect([key(c), ['sound', 'tight'].includes(evaluate(applyCombination(job, c)).state)]).toEqual([
              key(c),
              sound.has(key(c)),
            ]);
          }
});

it('the frontier holds those nothing beats in both mass and cost', () => {
  const { last } = run();
  const best = frontier(last.sound);
  for (const b of best) expect(last.sound.some((o) => o.mass < b.mass - 1e-9 && o.cost < b.cost - 1e-9)).toBe(false);
  expect(best[0]!.mass).toBe(Math.min(...last.sound.map((o) => o.mass)));
});

it('mass, worked by hand: plates 230 × 210 × (8 + 5) mm of steel less four 11 mm holes is 4.89 kg, bolts under 0.45 kg', () => {
  const face = 230 * 210 - (4 - Math.PI) * 144 - 4 * 95.033;
  const plates = face * 13 * 7.85e-6;
  const kg = massOf(resolved(testJob()));
  expect(kg).toBeGreaterThan(plates);
  expect(kg - plates).toBeLessThan(0.45);
});

it('rings of 4, 6 and 8 sit on the rectangle', () => {
  const box = { x0: -60, x1: 60, y0: -40, y1: 40 };
  for (const n of [4, 6, 8]) expect(ringPattern(n, box)).toHaveLength(n);
  expect(ringPattern(6, box)).toContainEqual({ x: 0, y: -40 });
  expect(() => ringPattern(5, box)).toThrow('allowed: 4, 6, 8');
});

it('finds nothing to start from where there are no bolts, or one bolt that this load turns about', () => {
  const job = testJob();
  const bolts = (items: typeof job.bolts.items) => ({ ...job, bolts: { ...job.bolts, items } });
  for (const from of [bolts([]), bolts(job.bolts.items.slice(0, 1))]) {
    const all = tryStock(from, { ...axesFor(from), sizes: ['M10'], classes: ['8.8'], pitches: [1, 1.4] });
    let next = all.next();
    while (!next.done) next = all.next();
    expect(next.value.sound).toEqual([]);
    expect(next.value.tried).toBe(next.value.total);
  }
});
