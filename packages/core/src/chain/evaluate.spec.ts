import fc from 'fast-check';
import { CHECKS } from '../checks/registry';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { freeLoad, testJob, withJoint } from '../testing/test-job';
import { casesOf } from '../loads/cases';
import { factored } from '../loads/load-case';
import { newLoad } from '../loads/new-load';
import { cautionsFor, overriddenFactors } from './cautions';
import { asCounted, evaluate, workingOf } from './evaluate';
import { goodFor } from './multiple';

const thickness = (j: Job, t: number): Job => ({ ...j, plate: { ...j.plate, thickness: fromSheet(t, `${t} mm`) } });
const bolts = (j: Job, items: Job['bolts']['items']): Job => ({ ...j, bolts: { ...j.bolts, items } });
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

it('names one weakest link, its case and place, and the multiple it lets go at', () => {
  const v = evaluate(testJob());
  const weakest = v.links.find((l) => l.id === v.weakest)!;
  expect(v.links).toHaveLength(CHECKS.length);
  for (const l of v.links.filter((x) => !x.loadFree)) expect(l.utilisation).toBeLessThanOrEqual(weakest.utilisation);
  expect(weakest.caseName).toBe('Case L1');
  const means = goodFor(testJob(), v);
  expect(means.known && means.at).toBeCloseTo(1 / weakest.utilisation, 6);
  expect(means.known && means.link).toBe(weakest.name);
});

it('lets go exactly at that multiple: the load scaled by it puts the weakest link at 1.00', () => {
  const job = testJob({ fx: 1000, fz: 700, z: 120 });
  const v = evaluate(job);
  const means = goodFor(job, v);
  const k = means.known ? means.at : NaN;
  const scaled = evaluate(testJob({ fx: 1000 * k, fz: 700 * k, z: 120 }));
  const at = scaled.links.find((l) => l.id === v.weakest)!;
  expect(at.state === 'refused' ? 1 : at.utilisation).toBeCloseTo(1, 6);
});

it('the working written down ends in the numbers of the chain, for every link', () => {
  const job = testJob();
  const v = evaluate(job);
  for (const l of v.links.filter((x) => x.state !== 'refused' && x.state !== 'not needed')) {
    const w = workingOf(job, l.id, l.caseId)!;
    expect(w.check.source).not.toBe('');
    const values = w.steps.map((s) => s.value);
    const near = (x: number) => values.some((y) => Math.abs(y / x - 1) < 1e-9);
    expect([l.id, near(l.demand)]).toEqual([l.id, true]);
    expect([l.id, near(l.capacity) || l.capacity === 1]).toEqual([l.id, true]);
  }
});

describe('properties', () => {
  const load = fc.record({
    fx: fc.integer({ min: -6000, max: 6000 }),
    fy: fc.integer({ min: -6000, max: 6000 }),
    fz: fc.integer({ min: -6000, max: 6000 }),
    mz: fc.integer({ min: -2e5, max: 2e5 }),
  });

  it('a thicker plate never holds less', () => {
    fc.assert(
      fc.property(
        load,
        fc.constantFrom('EN' as const, 'AISC' as const),
        fc.integer({ min: 3, max: 20 }),
        fc.integer({ min: 1, max: 10 }),
        (v, rules, t, more) => {
          const job = testJob({ ...v, z: 100 }, (j) => ({ ...j, practice: { ...j.practice, rules } }));
          const [thin, thick] = [thickness(job, t), thickness(job, t + more)];
          expect(link(thick, 'plate-bending').capacity).toBeGreaterThanOrEqual(link(thin, 'plate-bending').capacity - 1e-6);
          // Bearing has a capacity for each way the bolt presses: which of them governs may change, how much is used only falls.
          expect(link(thick, 'plate-bearing').utilisation).toBeLessThanOrEqual(link(thin, 'plate-bearing').utilisation + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('mirrored to the other side, every link is the same', () => {
    fc.assert(
      fc.property(load, (v) => {
        const job = testJob({ ...v, z: 100 }, (j) =>
          bolts(
            j,
            j.bolts.items.map((b, i) => ({ ...b, y: b.y + (i === 0 ? -7 : 0) })),
          ),
        );
        const mirrored = bolts(
          { ...job, loads: [freeLoad({ ...v, fy: -v.fy, mz: -v.mz, z: 100 })] },
          job.bolts.items.map((b) => ({ ...b, y: -b.y })),
        );
        const flipped = {
          ...mirrored,
          plate: { ...mirrored.plate, y0: -job.plate.y1, y1: -job.plate.y0 },
          skin: { ...mirrored.skin, starboard: { ...job.skin.starboard, v: job.skin.spanY.v - job.skin.starboard.v } },
        };
        const [a, b] = [evaluate(job), evaluate(flipped)];
        a.links.forEach((l, i) => expect(b.links[i]!.utilisation).toBeCloseTo(l.utilisation, 6));
      }),
      { numRuns: 60 },
    );
  });
});

describe('what cannot be made or computed is refused by field and range; nothing is computed from it', () => {
  const refusals = (j: Job) =>
    evaluate(j)
      .refusals.map((r) => `${r.field}: ${r.because}; ${r.allowed}`)
      .join('\n');
  const at = (x: number, y: number, id = 'B1') => ({ id, x, y });
  it.each<[string, (j: Job) => Job, RegExp]>([
    ['no load', (j) => ({ ...j, loads: [] }), /loads: there is no load case/],
    ['no bolts', (j) => bolts(j, []), /bolts.items: there are no bolts; 1 to 60/],
    ['bolt outside the plate', (j) => bolts(j, [at(140, 0), ...j.bolts.items.slice(1)]), /\(B1\): lies 25 mm outside the plate/],
    [
      'hole through the edge',
      (j) => bolts(j, [at(112, 80), ...j.bolts.items.slice(1)]),
      /breaks through the plate edge .* at least 5.5 mm/,
    ],
    ['overlapping holes', (j) => bolts(j, [...j.bolts.items, at(95, 80, 'B5')]), /overlaps that of B5 \(5 mm between centres\)/],
    [
      'bolt under the base, no hole',
      (j) => bolts(j, [...j.bolts.items, at(10, 10, 'B5')]),
      /under the base where the base has no hole/,
    ],
    [
      'slot narrower than the bolt',
      (j) => ({
        ...bolts(j, [at(45, 35), ...j.bolts.items.slice(1)]),
        base: { ...j.base, hole: fromSheet(9, '9'), slot: fromSheet(20, '20') },
      }),
      /base.hole: the slot is 9 mm wide, narrower than the 10 mm bolt B1; at least 10 mm/,
    ],
    ['washer on the base edge', (j) => bolts(j, [at(65, 0), ...j.bolts.items.slice(1)]), /washer fouls the base edge/],
    ['base over the plate edge', (j) => ({ ...j, plate: { ...j.plate, x1: 55 } }), /base hangs over the plate edge by 5 mm/],
    [
      'base not between bearers',
      (j) => ({ ...j, skin: { ...j.skin, aft: fromSheet(900, '900') } }),
      /skin.aft: the base centre is not between/,
    ],
    ['class not made in the size', (j) => ({ ...j, bolts: { ...j.bolts, class: 'Gr 5' } }), /class Gr 5 is not made in M10/],
    ['unknown metal', (j) => ({ ...j, plate: { ...j.plate, metal: 'wood' } }), /plate.metal: "wood"/],
    [
      'spacers in line under a moment about the line',
      (j) => withJoint({ packing: 'spacers' })(bolts(j, [at(90, 0), at(-90, 0, 'B2')])),
      /one line, and this case turns the base about it/,
    ],
  ])('%s', (_name, change, text) => {
    const v = evaluate(testJob({ fx: 1000, fy: 800, z: 150 }, change));
    expect(v.state).toBe('refused');
    expect(v.links).toEqual([]);
    expect(refusals(testJob({ fx: 1000, fy: 800, z: 150 }, change))).toMatch(text);
  });

  it('in an inch job the lengths are said in inches', () => {
    const j = testJob({ fx: 1000, z: 150 }, (x) => ({ ...bolts(x, [at(140.4, 0), ...x.bolts.items.slice(1)]), units: 'inch' }));
    expect(refusals(j)).toContain('lies 1 in outside the plate; at least 0.217 in from every edge');
  });

  it('a method outside its range refuses its link only, and the job is then not sound', () => {
    const v = evaluate(testJob({ fz: 9000 }, (j) => ({ ...j, skin: { ...j.skin, thickness: fromSheet(3, '3 mm') } })));
    const l = v.links.find((x) => x.id === 'skin-bending')!;
    expect(l.state).toBe('refused');
    expect(l.because).toMatch(/deflect .* its thickness.*allowed: deflection up to 0.5/);
    expect(v.state).not.toBe('sound');
  });
});

it('cautions are always said, with the family’s own and the count of assumed values', () => {
  const text = cautionsFor({ ...testJob(), family: 'lifting' }).join(' ');
  expect(text).toMatch(/does not approve/);
  expect(text).toMatch(/BTH-1/);
  expect(text).toMatch(/\d+ values are assumed/);
});

it('factors set to other than the usual are counted, and each is named with the usual one', () => {
  const winch = newLoad('winch', 'W1');
  const usual = { ...testJob(), loads: [winch] };
  const set = { ...usual, loads: [{ ...winch, factors: { ...winch.factors, stall: 1.4 } }] };
  expect(cautionsFor(usual).join()).not.toContain('load factor');
  expect(cautionsFor(set)).toContain('1 load factor is not the usual one.');
  expect(overriddenFactors(set)).toEqual(['Winch: Stall pull over rated 1.4 (usual 1)']);
});

it('a part of a counted case is that part of all of it, of its weight too: what a tab or a link carries', () => {
  const [as] = casesOf(testJob({ fx: 900, fz: 2000, z: 50 }));
  const zero = { fx: 0, fy: 0, fz: 0, mx: 0, my: 0, mz: 0 };
  const c = { ...as!, weight: { ...zero, fz: -600 }, onWeight: 0.9 };
  const practice = { ...testJob().practice, school: 'limit' as const, gammaQ: 1.5 };
  const whole = asCounted(c, practice);
  // 1.5 on what comes and goes, 0.9 on the weight in it.
  expect(whole.fz).toBeCloseTo(1.5 * 2600 - 0.9 * 600, 9);
  expect(factored(whole, 0.4).fz).toBeCloseTo(0.4 * whole.fz, 9);
  expect(asCounted(c, practice, 3).fz).toBeCloseTo(3 * whole.fz, 9);
});
