import { fromSheet } from '../job/values';
import { USUAL_SPREAD } from '../job/spread-rules';
import type { Job } from '../job/schema';
import type { Spread } from '../spread/spread';
import { testJob } from '../testing/test-job';
import { evaluate, workingOf } from './evaluate';
import { judge as judged } from './judge';

// The draft mesh says the same things sooner.
const judge = (job: Job, before?: Spread) => judged(job, { before, mesh: 'draft' });

const q = (v: number) => fromSheet(v, `${v} mm`);
const PULL = { fz: 5000, fx: 1500, z: 120 };
const solvedJob = (change: (j: Job) => Job = (j) => j): Job =>
  testJob(PULL, (j) => change({ ...j, spread: { ...USUAL_SPREAD, checks: 'solver' } }));
const link = (v: ReturnType<typeof evaluate>, id: string) => v.links.find((l) => l.id === id)!;

it('by hand it is the chain as it always was; as solved it is judged on the fine mesh', () => {
  const job = testJob(PULL);
  expect(judge(job).verdict).toEqual(evaluate(job));
  expect(judge(job).solved).toBeUndefined();
  expect([...judged(solvedJob()).solved!.values()][0]!.mesh).toMatch(/fine mesh/);
});

it('as solved, bolts are judged with their prying, the plate and skin by their solved stress; capacities stay', () => {
  const job = solvedJob();
  const { verdict, solved } = judge(job);
  const hand = evaluate(testJob(PULL));
  const of = [...solved!.values()][0]!;
  expect(link(verdict, 'bolt-tension').demand).toBeCloseTo(Math.max(...of.tensions), 6);
  expect(link(verdict, 'bolt-tension').capacity).toBeCloseTo(link(hand, 'bolt-tension').capacity, 6);
  expect(of.tensions.reduce((a, b) => a + b, 0)).toBeGreaterThan(5000 - 1e-6);
  expect(link(verdict, 'plate-bending')).toMatchObject({ unit: 'MPa', demand: of.plateStress.value });
  expect(link(verdict, 'skin-bending')).toMatchObject({ unit: 'MPa', demand: of.edgeStress.value });
});

it('the working says which solver, mesh and measure', () => {
  const job = solvedJob();
  const { verdict, solved } = judge(job);
  const texts = (id: string) =>
    workingOf(job, id, verdict.cases[0]!.id, solved)!
      .steps.map((s) => JSON.stringify(s))
      .join(' ');
  expect(texts('skin-bending')).toMatch(/one thickness beside the plate’s edge, spread solver, draft mesh, \d+ unknowns/);
  expect(texts('plate-bending')).toMatch(/mean over a washer’s width/);
  expect(texts('bolt-tension')).toMatch(/with its prying/);
});

it('a skin that gives over half its thickness is refused by hand, judged with membrane action as solved, refused where that is left out', () => {
  const thin = (j: Job): Job => ({ ...j, skin: { ...j.skin, thickness: q(1.5) } });
  expect(link(evaluate(solvedJob(thin)), 'skin-bending').state).toBe('refused');
  const curved = link(judge(solvedJob(thin)).verdict, 'skin-bending');
  expect(['sound', 'tight', 'fails']).toContain(curved.state);
  const never = solvedJob((j) => thin({ ...j, spread: { ...j.spread!, membrane: 'never' } }));
  expect(link(judge(never).verdict, 'skin-bending').because).toMatch(/× its thickness/);
});

it('what cannot be solved is refused as a whole, with the reason; no figure is made up', () => {
  const free = solvedJob((j) => ({
    ...j,
    spread: { ...j.spread!, edges: { aft: 'free', fore: 'free', starboard: 'free', port: 'free' } },
  }));
  const { verdict } = judge(free);
  expect(verdict).toMatchObject({ state: 'refused', links: [] });
  expect(verdict.refusals[0]!.because).toBe('no bearer holds the skin');
});

it('started from the answer before, it says the same', () => {
  const job = solvedJob();
  const moved = solvedJob((j) => ({
    ...j,
    bolts: { ...j.bolts, items: j.bolts.items.map((b, i) => (i === 0 ? { ...b, x: b.x - 4 } : b)) },
  }));
  const first = judge(job);
  const next = judge(moved, first.spread);
  const fresh = judge(moved);
  for (const l of fresh.verdict.links)
    expect(link(next.verdict, l.id).utilisation).toBeCloseTo(l.utilisation, l.utilisation > 10 ? 0 : 2);
});
