import { asCounted, evaluate } from '../chain/evaluate';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { casesOf } from '../loads/cases';
import { fromSheet } from '../job/values';
import { plateThickness, testJob } from '../testing/test-job';
import { stackOf, type Mesh } from './from-job';
import { spreadOf, type Spread, type SpreadCase } from './spread';

const resolved = (job: Job): Resolved => {
  const r = resolve(job);
  if (!isResolved(r)) throw new Error(r.map((x) => x.because).join('; '));
  return r;
};

function run(job: Job, mesh: Mesh = 'draft'): { spread: Spread; first: SpreadCase } {
  const spread = spreadOf(
    resolved(job),
    casesOf(job).map((c) => asCounted(c, job.practice)),
    mesh,
  );
  if ('refused' in spread) throw new Error(spread.because);
  const first = spread.cases[0]!;
  if ('refused' in first) throw new Error(first.because);
  return { spread, first };
}

const q = (v: number) => fromSheet(v, String(v));
const PULL = { fx: 3000, fz: 2000, z: 120 };
const sum = (xs: readonly number[]) => xs.reduce((a, b) => a + b, 0);

it('balances to a millionth: load against bearers, at every bearer by name', () => {
  const { spread, first } = run(testJob(PULL));
  expect(first.balance).toBeLessThan(1e-6);
  expect(first.reactions.map((r) => r.of).sort()).toEqual(['aft', 'fore', 'port', 'starboard']);
  expect(sum(first.reactions.map((r) => r.fz))).toBeCloseTo(-2000, 3);
  expect(spread.unknowns).toBeGreaterThan(1000);
  expect(spread.unknowns).toBeLessThan(3000);
});

it('a straight pull is shared by symmetry, and each bolt takes a quarter and its prying', () => {
  const { first } = run(testJob({ fz: 4000 }));
  const t = first.bolts.map((b) => b.tension);
  for (const x of t) expect(x / t[0]!).toBeCloseTo(1, 6);
  expect(sum(t)).toBeGreaterThan(4000 - 1e-6);
  expect(sum(t)).toBeLessThan(4 * 1000 * 2.2);
});

it('agrees with the rigid-base figure where base and plate are stiff: pulls within a quarter', () => {
  const job = testJob({ fx: 3000, fz: 2000, z: 120 }, (j) => ({
    ...j,
    base: { ...j.base, thickness: q(40) },
    plate: { ...j.plate, thickness: q(40) },
    skin: { ...j.skin, thickness: q(12) },
  }));
  const hand = evaluate(job).shared[0]!.outOfPlane.tensions;
  const { first } = run(job);
  const most = Math.max(...hand);
  const same = first.bolts[hand.indexOf(most)]!.tension;
  expect(same / most).toBeGreaterThan(0.75);
  expect(same / most).toBeLessThan(1.25);
});

it('a thicker plate gives less, and a stiff one pressed down bears on its rim where a soft one bears in its middle', () => {
  const at = (t: number) => run(testJob({ fz: -6000 }, plateThickness(t))).first;
  const [thin, thick] = [at(4), at(16)];
  expect(thick.deflection.value).toBeLessThan(thin.deflection.value);
  const out = (c: SpreadCase) => Math.max(Math.abs(c.pressure.at.x) / 115, Math.abs(c.pressure.at.y) / 105);
  expect(out(thick)).toBeGreaterThan(0.85);
  expect(out(thin)).toBeLessThan(0.8);
});

it('the edge figure stands still when the mesh is made finer; it is read beside the plate’s edge', () => {
  const job = testJob({ fz: 4000 });
  const [draft, fine] = [run(job, 'draft').first, run(job, 'fine').first];
  expect(fine.edgeStress.value / draft.edgeStress.value).toBeGreaterThan(0.92);
  expect(fine.edgeStress.value / draft.edgeStress.value).toBeLessThan(1.08);
  const { x, y } = fine.edgeStress.at;
  expect(Math.max(Math.abs(x) - 115, Math.abs(y) - 105)).toBeCloseTo(4, 6);
  expect(fine.deflection.value / draft.deflection.value).toBeCloseTo(1, 1);
});

it('loose strips in place of one backing plate: the skin gives more', () => {
  const far = (x: Job['far']) => run(testJob({ fz: 6000 }, (j) => ({ ...j, far: x }))).first.deflection.value;
  const one = far({ kind: 'plate', metal: 'S275', thickness: q(8) });
  const strips = far({ kind: 'strips', metal: 'S275', thickness: q(8), width: q(40), along: 'x' });
  expect(strips).toBeGreaterThan(one);
});

it('washers only: the skin gives more than with a backing plate', () => {
  const far = (x: Job['far']) => run(testJob({ fz: 6000 }, (j) => ({ ...j, far: x }))).first.deflection.value;
  expect(far({ kind: 'washer' })).toBeGreaterThan(far({ kind: 'plate', metal: 'S275', thickness: q(8) }));
});

it.each<[string, (j: Job) => Job, RegExp]>([
  [
    'a hollow section',
    (j) => ({
      ...j,
      skin: {
        kind: 'hollow',
        metal: 'S355',
        wall: q(6),
        width: q(300),
        through: 'both walls',
        thickness: q(100),
        spanX: j.skin.spanX,
        spanY: j.skin.spanY,
        aft: j.skin.aft,
        starboard: j.skin.starboard,
        bedModulus: j.skin.bedModulus,
      },
    }),
    /hollow section is not a panel/,
  ],
  [
    'a solid bed',
    (j) => ({
      ...j,
      skin: {
        kind: 'bed',
        strength: q(20),
        thickness: q(100),
        spanX: j.skin.spanX,
        spanY: j.skin.spanY,
        aft: j.skin.aft,
        starboard: j.skin.starboard,
        bedModulus: j.skin.bedModulus,
      },
    }),
    /does not bend/,
  ],
])('%s is refused by name', (_n, change, why) => {
  expect(stackOf(resolved(testJob(PULL, change)), 'draft')).toMatchObject({
    refused: true,
    field: 'skin.kind',
    because: expect.stringMatching(why),
  });
});
