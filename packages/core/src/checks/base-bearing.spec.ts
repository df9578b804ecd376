import { evaluate } from '../chain/evaluate';
import { fromSheet } from '../job/values';
import { testJob } from '../testing/test-job';

const link = (job: ReturnType<typeof testJob>) => evaluate(job).links.find((l) => l.id === 'base-bearing')!;

it('a plain push: N/A of the base (statics), 24 kN on 120 × 100 mm is 2.00 MPa against 235/2', () => {
  const l = link(testJob({ fz: -24_000 }));
  expect(l.demand).toBeCloseTo(2, 9);
  expect(l.capacity).toBe(117.5);
  expect(l.unit).toBe('MPa');
});

it('a push within the kern: N/A·(1 + 6e/L) (statics), e 10 mm on 120 mm makes 3.00 MPa', () => {
  const l = link(testJob({ fz: -24_000, my: 24_000 * 10 }));
  expect(l.demand).toBeCloseTo(3, 9);
});

it('under a clear lift nothing presses, and it says so', () => {
  const l = link(testJob({ fz: 5000 }));
  expect(l.state).toBe('not needed');
  expect(l.because).toContain('lifts clear');
});

it('plywood takes 3·f_c,90 (EN 1995-1-1 §8.5.2) over γ_M/k_mod: birch 15/(1.2/0.9) = 11.25 MPa in limit states', () => {
  const job = testJob({ fz: -24_000 });
  const { thickness, spanX, spanY, aft, starboard, bedModulus } = job.skin;
  const l = link({
    ...job,
    practice: { ...job.practice, school: 'limit', gammaQ: 1 },
    skin: { kind: 'plywood', grade: 'birch', thickness, spanX, spanY, aft, starboard, bedModulus },
  });
  expect(l.capacity).toBeCloseTo(11.25, 9);
});

it('a softer bed presses over more of the base, and less hard', () => {
  const at = (modulus: number) =>
    link(testJob({ fx: 3000, z: 150 }, (j) => ({ ...j, skin: { ...j.skin, bedModulus: fromSheet(modulus, `${modulus}`) } })));
  expect(at(500).demand).toBeLessThan(at(30_000).demand);
});
