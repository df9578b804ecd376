import { evaluate, workingOf } from '../chain/evaluate';
import { judge } from '../chain/judge';
import type { Job } from '../job/schema';
import { USUAL_SPREAD, type SpreadRules } from '../job/spread-rules';
import { fromSheet } from '../job/values';
import { resolved, testJob } from '../testing/test-job';
import { heldByFriction, lessFriction } from './friction';
import { shareInPlane, type InPlane } from './in-plane';

const counted = (more: Partial<SpreadRules> = {}, change: (j: Job) => Job = (j) => j): Job =>
  testJob({ fx: 6000, fz: -9000, z: 0 }, (j) =>
    change({ ...j, spread: { ...USUAL_SPREAD, checks: 'solver', friction: 'counted', ...more } }),
  );
const shears = (fx: number, mz = 0): InPlane => {
  const s = shareInPlane(resolved(counted()).bolts, fx, 0, mz);
  if ('refused' in s) throw new Error(s.because);
  return s;
};
const link = (v: ReturnType<typeof evaluate>, id: string) => v.links.find((l) => l.id === id)!;

it('takes μ·N/γ off what slides, at every bolt alike; more than slides leaves nothing, and never less', () => {
  const r = resolved(counted());
  const [mu, gamma] = [r.job.joint.friction.v, r.factors.onBreak];
  const f = heldByFriction(r, 9000, shears(6000))!;
  // Coulomb: 6000 − μ·9000/γ is left to four bolts.
  expect(6000 * f.left).toBeCloseTo(6000 - (mu * 9000) / gamma, 6);
  const left = lessFriction(shears(6000), f);
  expect(left.shears.map((v) => v.total)).toEqual(Array(4).fill(expect.closeTo((6000 - (mu * 9000) / gamma) / 4, 6)));
  expect(heldByFriction(r, 1e6, shears(6000))!.left).toBe(0);
  expect(heldByFriction(r, 0, shears(6000))!.left).toBe(1);
});

it('a twist slides at every bolt its own way: Σ|V| is what friction works against, which is never less than the force', () => {
  const r = resolved(counted());
  const twisted = shears(6000, 4e5);
  const f = heldByFriction(r, 9000, twisted)!;
  expect(f.slides).toBeCloseTo(
    twisted.shears.reduce((sum, v) => sum + Math.hypot(v.x, v.y), 0),
    9,
  );
  expect(f.slides).toBeGreaterThan(6000);
  expect(f.left).toBeGreaterThan(heldByFriction(r, 9000, shears(6000))!.left);
});

it.each<[string, Job]>([
  ['left out', counted({ friction: 'left out' })],
  ['not said', testJob({ fx: 6000, fz: -9000 })],
  ['bonded faces', counted({}, (j) => ({ ...j, joint: { ...j.joint, bedding: 'bonded' } }))],
  ['a welded doubler', counted({}, (j) => ({ ...j, welds: { ...j.welds, doubler: 'all round' } }))],
  ['slip judged by its own check', counted({}, (j) => ({ ...j, joint: { ...j.joint, tightening: 'slip resistant' } }))],
])('%s: no friction', (_n, job) => {
  expect(heldByFriction(resolved(job), 9000, shears(6000))).toBeUndefined();
});

it('nothing slides, nothing is held', () => {
  expect(heldByFriction(resolved(counted()), 9000, shears(0))).toBeUndefined();
});

it('in the chain: solved and counted, the bolts shear less, by the press that was solved; the working says so', () => {
  const job = counted();
  const { verdict, solved } = judge(job, { mesh: 'draft' });
  const without = judge(counted({ friction: 'left out' }), { mesh: 'draft' }).verdict;
  const id = verdict.cases[0]!.id;
  const { press } = solved!.get(id)!;
  // All 9 kN press, and what the bolts pull besides.
  expect(press).toBeGreaterThan(9000 - 1e-6);
  const r = resolved(job);
  const left = 1 - (r.job.joint.friction.v * press) / (r.factors.onBreak * 6000);
  expect(link(verdict, 'bolt-shear').demand / link(without, 'bolt-shear').demand).toBeCloseTo(left, 6);
  const steps = workingOf(job, 'bolt-shear', id, solved)!.steps.filter((s) => s.symbol === 'F_v.Ed');
  expect(steps.at(-1)!.text).toBe('F·(1 − μ·N/(γ·ΣV))');
  expect(steps.at(-1)!.value).toBeCloseTo(link(verdict, 'bolt-shear').demand, 6);
});

it('by hand it is never counted: no press is known', () => {
  const hand = (friction: 'counted' | 'left out') => link(evaluate(counted({ checks: 'hand', friction })), 'bolt-shear').demand;
  expect(hand('counted')).toBe(hand('left out'));
});

it('more friction than slides: the bolts are left nothing, and the working says why', () => {
  const job = counted({}, (j) => ({
    ...j,
    loads: j.loads.map((l) => ({ ...l, values: { ...l.values, fx: fromSheet(300, '300') } })),
  }));
  const { verdict, solved } = judge(job, { mesh: 'draft' });
  const steps = workingOf(job, 'bolt-shear', verdict.cases[0]!.id, solved)!.steps;
  expect(steps.some((s) => s.value === 0 && s.text.includes('holds more than slides'))).toBe(true);
});
