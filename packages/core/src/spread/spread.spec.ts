import { asCounted, evaluate } from '../chain/evaluate';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { casesOf } from '../loads/cases';
import { fromSheet } from '../job/values';
import { readJobData } from '../formats/read-job';
import { USUAL_SPREAD, type SpreadRules } from '../job/spread-rules';
import { proofOf } from '../stock/bolt-proof';
import { isotropic } from './plate-element';
import { plateThickness, testJob } from '../testing/test-job';
import { stackOf, type Mesh } from './from-job';
import { spreadOf, spreadSteps, type Spread, type SpreadCase } from './spread';

const resolved = (job: Job): Resolved => {
  const r = resolve(job);
  if (!isResolved(r)) throw new Error(r.map((x) => x.because).join('; '));
  return r;
};

function run(job: Job, mesh: Mesh = 'draft', before?: Spread): { spread: Spread; first: SpreadCase } {
  const spread = spreadOf(
    resolved(job),
    casesOf(job).map((c) => asCounted(c, job.practice)),
    mesh,
    before,
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
])('%s is refused by name', (_n, change, why) => {
  expect(stackOf(resolved(testJob(PULL, change)), 'draft')).toMatchObject({
    refused: true,
    field: 'skin.kind',
    because: expect.stringMatching(why),
  });
});

describe('by the job’s own rules', () => {
  const rules =
    (more: Partial<SpreadRules>) =>
    (j: Job): Job => ({ ...j, spread: { ...USUAL_SPREAD, ...more } });
  const gives = (more: Partial<SpreadRules>) => run(testJob({ fz: 4000 }, rules(more))).first;
  const usual = run(testJob({ fz: 4000 })).first;
  const all = (e: 'simple' | 'clamped' | 'free') => ({ aft: e, fore: e, starboard: e, port: e });

  it('clamped bearers give less than ones that let it turn; without two of them it gives more', () => {
    expect(gives({ edges: all('clamped') }).deflection.value).toBeLessThan(0.8 * usual.deflection.value);
    const two = gives({ edges: { ...all('simple'), starboard: 'free', port: 'free' } });
    expect(two.deflection.value).toBeGreaterThan(usual.deflection.value);
    expect(two.reactions.map((r) => r.of).sort()).toEqual(['aft', 'fore']);
  });
  it('bearers given as springs push what held ones would, and give by it', () => {
    const stiff = gives({ given: { bearer: 1e6 } });
    expect(stiff.deflection.value / usual.deflection.value).toBeCloseTo(1, 2);
    const soft = gives({ given: { bearer: 2 } });
    expect(sum(soft.reactions.map((r) => r.fz))).toBeCloseTo(-4000, 1);
    expect(soft.balance).toBeLessThan(1e-6);
    // 4 kN on the springs of all four sides: F/(k·l) and the panel's own on top.
    expect(soft.deflection.value).toBeGreaterThan(usual.deflection.value + 0.5);
  });
  it('bolts and bedding given outright are what is solved with', () => {
    const { spread } = run(testJob({ fz: 4000 }, rules({ given: { bolt: 12_345, bedding: 67 } })));
    const c = spread.cases[0]!;
    if ('refused' in c) throw new Error(c.because);
    expect(c.assembly.stack.bolts.map((b) => b.stiffness)).toEqual([12_345, 12_345, 12_345, 12_345]);
    expect(c.assembly.stack.contacts.map((k) => k.modulus)).toEqual([67, 67, 67]);
  });
  it('a rigid base bends less of the plate', () => {
    expect(gives({ base: 'rigid' }).plateStress.value).not.toBeCloseTo(usual.plateStress.value, 1);
    expect(gives({ base: 'rigid' }).deflection.value).toBeLessThan(usual.deflection.value);
  });
  it('tightened bolts start from their preload', () => {
    const job = testJob({ fz: 400 }, (j) =>
      rules({ preload: 'as tightened' })({ ...j, joint: { ...j.joint, tightening: 'to torque' } }),
    );
    const r = resolved(job);
    const preload = job.joint.preload.v * proofOf(r.grade.id, r.d) * r.As;
    for (const b of run(job).first.bolts) expect(Math.abs(b.tension / preload - 1)).toBeLessThan(0.05);
  });
  it('a tapered edge is softer, and bends the skin beside it less sharply', () => {
    const stiffPlate = (more: Partial<SpreadRules>) =>
      run(
        testJob({ fz: -6000 }, (j) => rules(more)(plateThickness(16)(j))),
        'draft',
      ).first;
    const plain = stiffPlate({});
    const tapered = stiffPlate({ taper: { width: 40, to: 0.2 } });
    expect(tapered.edgeStress.value).toBeLessThan(plain.edgeStress.value);
    const soft = stiffPlate({ given: { bedding: 2 } });
    expect(soft.edgeStress.value).toBeLessThan(plain.edgeStress.value);
  });
  it('while the glue holds, plate and skin bend as one: less than when they lie loose; let go, they lie loose', () => {
    const bonded = testJob({ fz: -4000 }, (j) => ({ ...j, joint: { ...j.joint, bedding: 'bonded' } }));
    const loose = run(testJob({ fz: -4000 })).first;
    const held = spreadOf({ ...resolved(bonded), glueHolds: true }, casesOf(bonded), 'draft');
    if ('refused' in held || 'refused' in held.cases[0]!) throw new Error('refused');
    expect(held.cases[0]!.deflection.value).toBeLessThan(loose.deflection.value);
    expect(held.cases[0]!.bolts).toEqual([]);
    expect(run(bonded).first.deflection.value).toBeCloseTo(loose.deflection.value, 9);
  });
});

it('two alike plates bonded are as stiff as one of twice the thickness: D·8', () => {
  const job = testJob(PULL, (j) => ({
    ...j,
    plate: { ...j.plate, metal: 'S275', thickness: q(5) },
    skin: { ...j.skin, kind: 'sheet', metal: 'S275', thickness: q(5) } as Job['skin'],
    joint: { ...j.joint, bedding: 'bonded' },
  }));
  const made = stackOf({ ...resolved(job), glueHolds: true }, 'draft');
  if ('refused' in made) throw new Error(made.because);
  const [, plate, skin] = made.stack.layers;
  const one = isotropic(210_000, 0.3, 10).D11;
  expect((plate!.stiffness.D11 + skin!.stiffness.D11) / one).toBeCloseTo(1, 6);
  // The outer face of the whole: 6·m/(2t)² of all the moment.
  const share = plate!.stiffness.D11 / (plate!.stiffness.D11 + skin!.stiffness.D11);
  expect(share / plate!.section!.top / (6 / 10 ** 2)).toBeCloseTo(1, 6);
});

it('a thin sheet is solved with membrane action, unless the job says never; it gives less, and pulls at the bearers', () => {
  const thin = (more: Partial<SpreadRules>) =>
    run(testJob({ fz: 4000 }, (j) => ({ ...j, spread: { ...USUAL_SPREAD, ...more }, skin: { ...j.skin, thickness: q(1.5) } })))
      .first;
  const [curved, never, sliding] = [thin({}), thin({ membrane: 'never' }), thin({ inPlane: 'sliding' })];
  expect([curved.membrane, never.membrane]).toEqual([true, false]);
  expect(curved.overThickness).toBeLessThan(0.5 * never.overThickness);
  expect(curved.linearOverThickness).toBeCloseTo(never.overThickness, 6);
  expect(sliding.overThickness).toBeGreaterThan(curved.overThickness);
  const aft = curved.reactions.find((r) => r.of === 'aft')!;
  expect(Math.abs(aft.fx)).toBeGreaterThan(100);
  // Opposite bearers pull against each other; nothing pulls along the plate from outside.
  expect(sum(curved.reactions.map((r) => r.fx)) / aft.fx).toBeCloseTo(0, 3);
  expect(curved.balance).toBeLessThan(1e-6);
});

it('started from another answer it finds the same one: the same mesh, a coarser one, another layout', () => {
  const job = testJob(PULL);
  const nudged = testJob(PULL, (j) => ({
    ...j,
    bolts: { ...j.bolts, items: j.bolts.items.map((b, i) => (i === 0 ? { ...b, x: b.x + 3 } : b)) },
  }));
  const cases = casesOf(job).map((c) => asCounted(c, job.practice));
  const solve = (j: Job, mesh: Mesh, before?: Spread) => {
    const s = spreadOf(resolved(j), cases, mesh, before);
    if ('refused' in s || 'refused' in s.cases[0]!) throw new Error('refused');
    return { s, c: s.cases[0] as SpreadCase };
  };
  const fresh = solve(nudged, 'draft').c;
  const fine = solve(job, 'fine').s;
  const draft = solve(job, 'draft', fine).s;
  const again = solve(nudged, 'draft', draft).c;
  expect(again.deflection.value / fresh.deflection.value).toBeCloseTo(1, 2);
  fresh.bolts.forEach((b, i) => expect(Math.abs(again.bolts[i]!.tension - b.tension)).toBeLessThan(0.03 * PULL.fz));
});

it('the edge figure stands still from mesh to mesh: draft, fine, proof; it is read beside the plate’s edge', () => {
  let before: Spread | undefined;
  const [draft, fine, proof] = (['draft', 'fine', 'proof'] as const).map((mesh) => {
    const { spread, first } = run(testJob({ fz: 4000 }), mesh, before);
    before = spread;
    return first.edgeStress.value;
  }) as [number, number, number];
  expect(Math.abs(proof - fine)).toBeLessThan(Math.max(Math.abs(fine - draft), 0.01 * fine));
  expect(Math.abs(proof / fine - 1)).toBeLessThan(0.03);
  expect(Math.abs(fine / draft - 1)).toBeLessThan(0.08);
  const c = before!.cases[0] as SpreadCase;
  expect(Math.max(Math.abs(c.edgeStress.at.x) - 115, Math.abs(c.edgeStress.at.y) - 105)).toBeCloseTo(4, 6);
});

it('no bearer, no stiffness: refused by name; more bolts than can be, by the file', () => {
  const free = { aft: 'free', fore: 'free', starboard: 'free', port: 'free' } as const;
  const refusal = (change: (j: Job) => Job) => stackOf(resolved(testJob(PULL, change)), 'draft');
  expect(refusal((j) => ({ ...j, spread: { ...USUAL_SPREAD, edges: free } }))).toMatchObject({ field: 'spread.edges' });
  const r = resolved(testJob(PULL));
  expect(stackOf({ ...r, skin: { ...r.skin, E: 0 } }, 'draft')).toMatchObject({ because: 'the skin has no stiffness' });
  const many = Array.from({ length: 5000 }, (_, i) => ({ id: `B${i + 1}`, x: 0, y: i }));
  const read = readJobData({ ...testJob(PULL), version: 3, bolts: { ...testJob(PULL).bolts, items: many } });
  expect('refusals' in read && read.refusals[0]).toMatchObject({ field: 'bolts.items', allowed: 'up to 60 bolts' });
});

it.each<[string, (j: Job) => Job, string, RegExp]>([
  ['a plate off the skin', (j) => ({ ...j, skin: { ...j.skin, aft: q(-50) } }), 'skin.aft', /not between the bearers/],
  [
    'a hole bigger than the plate has room for',
    (j) => ({ ...j, bolts: { ...j.bolts, size: 'M24' }, plate: { ...j.plate, x0: -92, x1: 92 } }),
    'bolts.items.0 (B1)',
    /breaks through the plate edge/,
  ],
  [
    'a bolt over nothing',
    (j) => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.map((b, i) => (i === 0 ? { ...b, x: 900 } : b)) } }),
    'bolts.items.0 (B1)',
    /outside the plate/,
  ],
])('%s never comes to the solver: refused by name', (_n, change, field, why) => {
  const r = resolve(testJob(PULL, change));
  expect(isResolved(r) ? [] : r).toContainEqual(
    expect.objectContaining({ refused: true, field, because: expect.stringMatching(why) }),
  );
});

describe('a finer mesh starts from what touched on the coarser one', () => {
  const job = testJob({ fz: 2500, fx: 3000, z: 120 });
  const cases = casesOf(job);
  const on = (mesh: Mesh, before?: Spread, near?: Spread) => {
    const s = spreadOf(resolved(job), cases, mesh, before, near);
    if ('refused' in s) throw new Error(s.because);
    return s;
  };
  const only = (s: Spread) => s.cases[0] as SpreadCase;

  it('told where, or finding it by itself, the answer is the same; the coarser one is only read, and goes on giving what it gave', () => {
    const alone = only(on('fine'));
    const draft = on('draft');
    const before = only(draft).result.u.slice();
    const told = only(on('fine', undefined, draft));
    expect(told.deflection.value / alone.deflection.value).toBeCloseTo(1, 6);
    told.bolts.forEach((b, i) => expect(b.tension).toBeCloseTo(alone.bolts[i]!.tension, 3));
    expect(only(draft).result.u).toEqual(before);
    expect(only(on('draft', draft)).deflection.value).toBeCloseTo(only(draft).deflection.value, 6);
  });
  it('it is told case by case on each mesh in turn, and on a finer one where a pull is still on the move', () => {
    const steps = spreadSteps(resolved(job), cases, 'fine');
    const told: { done: number; of: number }[] = [];
    for (let next = steps.next(); !next.done; next = steps.next()) told.push(next.value);
    expect(told).toEqual([
      { done: 0, of: 1 },
      { done: 0, of: 1 },
      { done: 0, of: 1 },
    ]);
  });
});
