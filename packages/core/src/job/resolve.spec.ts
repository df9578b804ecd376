import { testJob } from '../testing/test-job';
import { baseHoleFor } from './layout-refusals';
import { farHeightOf, farOutlineOf, panelOf, roomBehind } from './outlines';
import { isResolved, resolve } from './resolve';
import type { Job } from './schema';
import { emptySurvey } from './survey';
import { fromSheet } from './values';

const q = (v: number) => fromSheet(v, `${v} mm`);
const refusals = (change: (j: Job) => Job) => {
  const r = resolve(testJob({ fz: 1000 }, change));
  return isResolved(r) ? [] : r.map(({ field, because, allowed }) => `${field}: ${because} [${allowed}]`);
};
const resolved = (change: (j: Job) => Job = (j) => j) => {
  const r = resolve(testJob({ fz: 1000 }, change));
  if (!isResolved(r)) throw new Error(r.map((x) => x.because).join('; '));
  return r;
};
const bolts =
  (...at: [number, number][]) =>
  (j: Job): Job => ({ ...j, bolts: { ...j.bolts, items: at.map(([x, y], i) => ({ id: `B${i + 1}`, x, y })) } });

describe('names that are not in stock are refused by field, with what is', () => {
  it.each<[string, (j: Job) => Job, RegExp]>([
    ['a size', (j) => ({ ...j, bolts: { ...j.bolts, size: 'M9' } }), /^bolts.size: "M9" is not in the stock list \[M5 to M24/],
    ['a class', (j) => ({ ...j, bolts: { ...j.bolts, class: '9.9' } }), /^bolts.class: "9.9" .*\[4.6, /],
    ['a nut', (j) => ({ ...j, bolts: { ...j.bolts, nut: '11' } }), /^bolts.nut: "11" .*\[5, 8/],
    ['the plate’s metal', (j) => ({ ...j, plate: { ...j.plate, metal: 'cheese' } }), /^plate.metal: "cheese"/],
    ['the backing’s', (j) => ({ ...j, far: { kind: 'plate', metal: 'tin', thickness: q(5) } }), /^far.metal: "tin"/],
    ['the skin’s', (j) => ({ ...j, skin: { ...j.skin, kind: 'sheet', metal: 'foil' } as Job['skin'] }), /^skin.metal: "foil"/],
  ])('%s', (_n, change, words) => {
    expect(refusals(change)).toEqual([expect.stringMatching(words)]);
  });
  it('all at once, not only the first', () => {
    const all = refusals((j) => ({ ...j, bolts: { ...j.bolts, size: 'M9', nut: '11' }, plate: { ...j.plate, metal: 'x' } }));
    expect(all.map((w) => w.split(':')[0])).toEqual(['bolts.size', 'bolts.nut', 'plate.metal']);
  });
  it('inch classes and nuts do not go with metric bolts, nor the other way', () => {
    expect(refusals((j) => ({ ...j, bolts: { ...j.bolts, class: 'Gr 5' } }))[0]).toMatch(/class Gr 5 is not made in M10/);
    expect(refusals((j) => ({ ...j, bolts: { ...j.bolts, nut: 'Gr 8' } }))[0]).toMatch(/a class Gr 8 nut is not made in M10/);
    const inch = refusals((j) => ({ ...j, bolts: { ...j.bolts, size: '3/8-16' } }));
    expect(inch.join()).toMatch(/class 8.8 is not made in 3\/8.*F593 with inch bolts/);
  });
});

describe('layouts that cannot be made', () => {
  it('a bolt whose hole breaks through the edge; the least distance is half its hole', () => {
    // Plate to x = 115; a medium M10 hole is 11 (EN ISO 273, medium), so 109.5 is the last that does.
    expect(refusals(bolts([110, 80]))[0]).toMatch(/breaks through the plate edge \(5 mm.*at least 5.5 mm/);
    expect(refusals(bolts([109.5, 80]))).toEqual([]);
  });
  it('two holes that overlap; two names alike', () => {
    expect(refusals(bolts([90, 80], [99, 80]))[0]).toMatch(/B1.*overlaps that of B2 \(9 mm.*over 11 mm/);
    const twins = (j: Job): Job => ({
      ...j,
      bolts: { ...j.bolts, items: [...j.bolts.items.slice(0, 1), { id: 'B1', x: -90, y: 80 }] },
    });
    expect(refusals(twins)[0]).toMatch(/two bolts have this name/);
  });
  it('a washer that fouls the base’s edge, by how much is missing', () => {
    // Base to x = 60, washer of M10 20 wide (ISO 7089).
    expect(refusals(bolts([65, 0]))[0]).toMatch(/washer fouls the base edge \(5 mm.*at least 10 mm clear/);
    expect(refusals(bolts([70, 0]))).toEqual([]);
  });
  it('a bolt under the base where that has no hole, or one too narrow for it', () => {
    expect(refusals(bolts([20, 0]))[0]).toMatch(/stands under the base where the base has no hole/);
    const narrow = (j: Job): Job => ({ ...bolts([45, 35])(j), base: { ...j.base, hole: q(9) } });
    expect(refusals(narrow)[0]).toMatch(/^base.hole: the hole is 9 mm wide, narrower than the 10 mm bolt/);
  });
  it('a plate without area, smaller than the base, or rounder than itself', () => {
    expect(refusals((j) => ({ ...j, plate: { ...j.plate, x1: j.plate.x0 } })).join()).toMatch(/plate: the outline has no area/);
    expect(refusals((j) => ({ ...bolts([55, 80])(j), plate: { ...j.plate, x0: -58, x1: 110 } })).join()).toMatch(
      /the base hangs over the plate edge by 2 mm/,
    );
    expect(refusals((j) => ({ ...j, plate: { ...j.plate, corner: 110 } }))[0]).toMatch(/more than half the plate \[0 to 105 mm/);
  });
  it('no bolts at all', () => expect(refusals(bolts())).toEqual([expect.stringMatching(/there are no bolts \[1 to 60 bolts/)]));
  it('in inches where the job is', () => {
    expect(refusals((j) => ({ ...bolts([110, 80])(j), units: 'inch' }))[0]).toMatch(/in from centre to edge/);
  });
});

describe('what must not be drilled', () => {
  const surveyed =
    (more: Partial<Job['survey']>) =>
    (j: Job): Job => ({ ...j, survey: { ...emptySurvey(), ...more } });
  const hole = (x: number, use: 'stay clear' | 'fill' | 're-use') => ({ id: 'E1', x, y: 80, d: q(12), use });

  it.each([
    ['stay clear', 95, /runs 6.5 mm into existing hole E1 \[clear of it\]/],
    ['stay clear', 90, /into existing hole E1/],
    ['fill', 95, /into existing hole E1 \[clear of it, or on its centre to re-use it\]/],
  ] as const)('an old hole to %s at x %d', (use, x, words) => {
    expect(refusals(surveyed({ existing: [hole(x, use)] }))[0]).toMatch(words);
  });
  it('filled and drilled anew on its centre, used again, or 12 mm away: allowed', () => {
    for (const [x, use] of [
      [90, 'fill'],
      [95, 're-use'],
      [102, 'stay clear'],
    ] as const)
      expect(refusals(surveyed({ existing: [hole(x, use)] }))).toEqual([]);
  });
  it('something hidden, with the room it needs', () => {
    const pipe = { id: 'Z1', what: 'pipe', note: 'fuel', x0: 70, x1: 80, y0: -200, y1: 200, clear: q(10) } as never;
    const all = refusals(surveyed({ hidden: [pipe] }));
    // 10 mm to its side at 80, 10 asked and 5.5 of the hole's own: 5.5 into it.
    expect(all[0]).toMatch(/B1.*its hole is 5.5 mm into the keep-out zone of the pipe \(fuel\) \[at least 10 mm clear/);
    expect(all).toHaveLength(2);
  });
});

describe('what is found', () => {
  it('the panel between its bearers, in plate axes', () => {
    expect(panelOf(testJob())).toEqual({ x0: -250, x1: 250, y0: -200, y1: 200 });
  });
  it('bolts through the base clamp it: within a slot as far as it runs, and its play beside', () => {
    const slotted = (j: Job): Job => ({ ...j, base: { ...j.base, slot: q(10), slotAlong: 'x' } });
    const job = testJob({}, slotted);
    expect(baseHoleFor(job, { x: 50, y: 35 }, 10)?.id).toBe('H1');
    expect(baseHoleFor(job, { x: 50.6, y: 35 }, 10)).toBeUndefined();
    expect(baseHoleFor(job, { x: 45, y: 35.5 }, 10)?.id).toBe('H1');
    expect(baseHoleFor(job, { x: 45, y: 36 }, 10)).toBeUndefined();
    expect(resolved((j) => bolts([50, 35], [-90, 0])(slotted(j))).bolts.map((b) => b.throughBase)).toEqual([true, false]);
  });
  it('the divisors of each school', () => {
    const of = (school: Job['practice']['school']) => resolved((j) => ({ ...j, practice: { ...j.practice, school } })).factors;
    expect(of('working')).toMatchObject({ onYield: 2, onBreak: 3, plastic: 1 });
    expect(of('limit')).toMatchObject({ onYield: 1, onBreak: 1.25, plastic: 1 });
    // A flat plate bent right through: 1.5 times its elastic modulus.
    expect(of('ultimate')).toMatchObject({ onYield: 1, onBreak: 1, onSkin: 1, plastic: 1.5 });
  });
  it('what lies behind: washers by their own measure, plates by their outline and height', () => {
    const far = (f: Job['far']) => resolved((j) => ({ ...j, far: f })).far;
    // M10: 20 × 2 (ISO 7089), large 30 × 2.5 (ISO 7093).
    expect(far({ kind: 'washer' })).toMatchObject({ kind: 'washer', outside: 20, thickness: 2, height: 2 });
    expect(far({ kind: 'large washer' })).toMatchObject({ outside: 30, thickness: 2.5 });
    expect(far({ kind: 'plate washer', metal: 'S275', thickness: q(6), outside: q(50) })).toMatchObject({
      outside: 50,
      height: 6,
    });
    expect(far({ kind: 'plate', metal: 'S275', thickness: q(5), layers: 3, past: 20 })).toMatchObject({
      layers: 3,
      height: 15,
      outline: { x0: -135, x1: 135, y0: -125, y1: 125 },
    });
    expect(far({ kind: 'strips', metal: 'S275', thickness: q(5), width: q(40), along: 'y' })).toMatchObject({
      strips: { width: 40, along: 'y' },
      height: 5,
    });
  });
  it('room behind is to the nearest bearer, and none where the plate lies over one already', () => {
    expect(roomBehind(testJob())).toBe(95);
    const over = testJob({}, (j) => ({ ...j, plate: { ...j.plate, y0: -210, y1: 210 } }));
    expect(roomBehind(over)).toBe(-10);
    expect(farHeightOf({ kind: 'washer' })).toBe(0);
    expect(farOutlineOf(testJob({}, (j) => ({ ...j, far: { kind: 'washer' } })))).toEqual({
      x0: -115,
      x1: 115,
      y0: -105,
      y1: 105,
    });
  });
});
