import { fromSheet } from '../units/quantity';
import type { Duration } from '../stock/load-duration';
import { freeLoad } from '../testing/test-job';
import { casesOf, casesOfLoad, loadFactor, loadRefusals, type Loaded } from './cases';
import { lowered } from '../geometry/vector';
import { directionName, factored, fanAngles } from './load-case';
import { newLoad } from './new-load';
import { fromTakeOff, putOf, unitDoubts } from './put';
import type { Combination } from './schema';
import { takeOff, type Part } from './take-off';

const limit = { school: 'limit', gammaG: 1.35, gammaQ: 1.5 };
const loaded = (loads: Loaded['loads'], combinations: Combination[] = [], practice: Loaded['practice'] = limit): Loaded => ({
  loads,
  combinations,
  practice,
});

it('a free force at a point turns into r × F at the datum', () => {
  const [c] = casesOfLoad(freeLoad({ fx: 100, fy: 200, fz: 300, mx: 7, x: 1, y: 2, z: 3 }));
  // (1,2,3) × (100,200,300) = (2·300 − 3·200, 3·100 − 1·300, 1·200 − 2·100) = (0, 0, 0)
  expect([c!.mx, c!.my, c!.mz]).toEqual([7, 0, 0]);
});

it('the fan is even, and the load factor multiplies everything', () => {
  expect(fanAngles(0.6, 4)).toEqual([-0.6, expect.closeTo(-0.2), expect.closeTo(0.2), 0.6]);
  expect(fanAngles(0.6, 1)).toEqual([0]);
  expect(factored(casesOfLoad(freeLoad({ fx: 10, mz: 4 }))[0]!, 1.5)).toMatchObject({ fx: 15, mz: 6 });
});

it('a mirrored load swaps port and starboard: mirrored twice it is itself (reflection of polar and axial vectors)', () => {
  const load = freeLoad({ fx: 1, fy: 2, fz: 3, mx: 4, my: 5, mz: 6, x: 7, y: 8, z: 9 });
  const [a] = casesOfLoad(load);
  const [b] = casesOfLoad({ ...load, mirrored: true });
  expect([b!.fx, b!.fy, b!.fz, b!.mx, b!.my, b!.mz, b!.at.y]).toEqual([a!.fx, -a!.fy, a!.fz, -a!.mx, a!.my, -a!.mz, -8]);
});

describe('school and action decide the factor (EN 1990 Tab. A1.2(B): 1.35 and 1.5; accidental 1.0)', () => {
  it.each([
    ['limit', 'permanent', 1.35],
    ['limit', 'variable', 1.5],
    ['limit', 'accidental', 1],
    ['working', 'variable', 1],
    ['ultimate', 'permanent', 1],
  ] as const)('%s, %s: %d', (school, action, expected) => expect(loadFactor({ ...limit, school }, action)).toBe(expected));
});

describe('combinations', () => {
  const dead = { ...freeLoad({ fz: -1000 }, 'D'), picks: { action: 'permanent' } };
  const wind = newLoad('roof-unit', 'W');
  const person = freeLoad({ fz: -800, x: 100 }, 'P');
  const all: Combination = {
    id: 'C1',
    name: 'All',
    parts: [
      { load: 'D', factor: null },
      { load: 'W', factor: 0.5 },
      { load: 'P', factor: null },
    ],
  };

  it('dead + wind + person: every direction once, each with its factor, summed by hand', () => {
    const cases = casesOf(loaded([dead, wind, person], [all]), true);
    // Each of the four twice: what lasts by 1.35 and by 0.9.
    expect(cases).toHaveLength(1 + 4 + 1 + 8);
    const c = cases.at(-8)!;
    expect(cases.at(-7)!.fz - c.fz).toBeCloseTo(1000 * (1.35 - 0.9), 9);
    expect(cases.at(-7)!.name).toMatch(/weight × 0.9$/);
    const w = casesOfLoad(wind)[0]!;
    expect(c.fz).toBeCloseTo(-1000 * 1.35 + 0.5 * w.fz - 800 * 1.5, 9);
    expect(c.my).toBeCloseTo(0.5 * w.my + 1.5 * 100 * 800, 6);
    expect(c.steps.filter((s) => s.symbol === 'γ').map((s) => [s.value, s.note])).toEqual([
      [1.35, 'the job’s factor in limit states'],
      [0.5, 'overridden'],
      [1.5, 'the job’s factor in limit states'],
    ]);
    expect(loadFactor(limit, c.action)).toBe(1);
  });
  it('a load marked not alone counts in the combination only', () => {
    expect(casesOf(loaded([{ ...dead, alone: false }, wind, { ...person, alone: false }], [all]))).toHaveLength(4 + 8);
  });
  it('one that names a load taken out is refused by name', () => {
    expect(loadRefusals(loaded([dead, wind], [all]))).toEqual([
      expect.objectContaining({ field: 'All', because: expect.stringContaining('"P"') }),
    ]);
    expect(casesOf(loaded([dead, wind], [all]))).toEqual([]);
  });
  it('too many cases are refused with their number', () => {
    const many: Combination = { ...all, parts: ['W', 'W', 'W', 'W'].map((load) => ({ load, factor: null })) };
    expect(loadRefusals(loaded([wind], [many]))[0]).toMatchObject({ because: 'they make 260 cases' });
  });
});

describe('weight take-off', () => {
  const q = (v: number) => fromSheet(v, String(v));
  const part = (id: string, m: number, x: number, y: number, z: number): Part => ({
    id,
    name: id,
    kind: 'equipment',
    mass: q(m),
    x: q(x),
    y: q(y),
    z: q(z),
  });
  const parts = [part('frame', 42.5, 0, 0, 310), part('motor', 18, 120, -40, 560), part('water', 60, -80, 25, 220)];
  it('total and centroid by an independent sum, moment about one line at a time', () => {
    const t = takeOff(parts)!;
    expect(t.mass).toBeCloseTo(120.5, 12);
    // By hand: (18·120 − 60·80)/120.5, (−18·40 + 60·25)/120.5, (42.5·310 + 18·560 + 60·220)/120.5
    expect(t.centroid.x).toBeCloseTo(-2640 / 120.5, 9);
    expect(t.centroid.y).toBeCloseTo(780 / 120.5, 9);
    expect(t.centroid.z).toBeCloseTo(36_455 / 120.5, 9);
    expect(t.shares.reduce((a, b) => a + b)).toBeCloseTo(1, 12);
    expect(takeOff([])).toBeUndefined();
  });
  it('stands in for the builder’s own mass and centre, and says which', () => {
    const load = { ...newLoad('cradle', 'L1'), parts };
    expect(fromTakeOff(load)).toMatchObject({ mass: 120.5 });
    expect(putOf(load).v['height']).toBeCloseTo(36_455 / 120.5, 9);
    expect(casesOfLoad(load)[0]!.fz).toBeCloseTo(-3 * 120.5 * 9.80665, 6);
    expect(fromTakeOff(newLoad('cradle', 'L1'))).toEqual({});
  });
});

describe('a mixed-up unit is asked about, never changed', () => {
  const at = (mm: number, text: string) => {
    const fresh = newLoad('winch', 'W');
    return unitDoubts({ ...fresh, values: { ...fresh.values, drumHeight: fromSheet(mm, text) } }).map((d) => d.says);
  };
  it('140 typed as inches into a drum height', () =>
    expect(at(140 * 25.4, '140 in')).toEqual([
      expect.stringContaining('140 in is 3556 mm. Was that mm, read as inches? Then it is 140 mm.'),
    ]));
  it('5.5 typed as mm where inches were meant', () =>
    expect(at(5.5, '5.5')).toEqual([expect.stringContaining('Then it is 139.7 mm')]));
  it('nothing is asked of a usual height, nor of one odd in both', () => {
    expect(at(140, '140 mm')).toEqual([]);
    expect(at(1100, '1100 mm')).toEqual([expect.stringContaining('43.3 mm')]);
    expect(at(0, '0')).toEqual([]);
  });
});

describe('what lasts and helps counts 0.9, what lasts and harms 1.35 (EN 1990 Tab. A1.2)', () => {
  const q = (v: number) => fromSheet(v, String(v));
  const cradle = (id: string) => {
    const fresh = newLoad('cradle', id, id);
    return { ...fresh, values: { ...fresh.values, mass: q(100), height: q(200) } };
  };
  const W = 100 * 9.80665;
  const port = (cases: ReturnType<typeof casesOf>) => cases.filter((c) => c.name.includes('to port'));

  it('a load thrown sideways is asked twice, its push by γ_Q both times, its weight by either', () => {
    const two = port(casesOf(loaded([cradle('K')])));
    expect(two.map((c) => [c.id, c.name])).toEqual([
      ['K-2', 'K: to port, weight × 1.35'],
      ['K-2-g', 'K: to port, weight × 0.9'],
    ]);
    const f = two.map((c) => factored(c, 1.5));
    expect(f.map((c) => c.fz)).toEqual([expect.closeTo(-1.35 * W, 6), expect.closeTo(-0.9 * W, 6)]);
    expect(f.map((c) => c.fy)).toEqual([expect.closeTo(1.5 * 1.5 * W, 6), expect.closeTo(1.5 * 1.5 * W, 6)]);
  });
  it('once where both are one, in working loads, and in a crash', () => {
    expect(port(casesOf(loaded([cradle('K')], [], { ...limit, gammaGInf: 1.35 })))).toHaveLength(1);
    expect(port(casesOf(loaded([cradle('K')], [], { ...limit, school: 'working' })))).toHaveLength(1);
    expect(casesOf(loaded([newLoad('seat', 'S')])).filter((c) => c.onWeight !== undefined && c.action !== 'variable')).toEqual(
      [],
    );
  });
  it('in a combination all that lasts turns together; a factor of one’s own is left alone', () => {
    const dead = { ...freeLoad({ fz: -500 }, 'D'), picks: { action: 'permanent' }, alone: false };
    const both = (own: number | null): Combination => ({
      id: 'C',
      name: 'Both',
      parts: [
        { load: 'K', factor: own },
        { load: 'D', factor: null },
      ],
    });
    const asked = port(casesOf(loaded([{ ...cradle('K'), alone: false }, dead], [both(null)]), true));
    expect(asked.map((c) => [c.id, c.fz])).toEqual([
      ['C-2', expect.closeTo(-1.35 * (W + 500), 6)],
      ['C-2-g', expect.closeTo(-0.9 * (W + 500), 6)],
    ]);
    const [, least] = asked;
    expect(least!.steps.filter((s) => s.symbol.startsWith('γ')).map((s) => [s.symbol, s.value])).toEqual([
      ['γ', 1.5],
      ['γ_G', 0.9],
      ['γ', 0.9],
    ]);
    expect(least!.steps.find((s) => s.symbol === 'F_z')).toMatchObject({ unit: 'N', value: least!.fz });
    expect(least!.steps.find((s) => s.symbol === 'M_x')).toMatchObject({ unit: 'N·mm', value: least!.mx });
    // Its own factor is on push and weight alike; only the dead load is asked twice.
    expect(port(casesOf(loaded([{ ...cradle('K'), alone: false }, dead], [both(0.7)]))).map((c) => c.fz)).toEqual([
      expect.closeTo(-0.7 * W - 1.35 * 500, 6),
      expect.closeTo(-0.7 * W - 0.9 * 500, 6),
    ]);
    // Own factors on both: nothing lasting is left to be asked twice.
    const own = { ...both(0.7), parts: both(0.7).parts.map((p) => ({ ...p, factor: 0.7 })) };
    expect(port(casesOf(loaded([{ ...cradle('K'), alone: false }, dead], [own])))).toHaveLength(1);
  });
});

describe('a combination', () => {
  const two = (a: ReturnType<typeof freeLoad>, b: ReturnType<typeof freeLoad>): Combination => ({
    id: 'C',
    name: 'Two',
    parts: [a, b].map((l) => ({ load: l.id, factor: 1 })),
  });
  const at = (a: ReturnType<typeof freeLoad>, b: ReturnType<typeof freeLoad>) => casesOf(loaded([a, b], [two(a, b)])).at(-1)!;

  it('is drawn at the mean point of its loads by their size; nowhere in particular where they are nothing', () => {
    const c = at(freeLoad({ fx: 300, x: 10, y: 20, z: 30 }, 'A'), freeLoad({ fz: -100, x: -50, y: 4, z: 8 }, 'B'));
    expect(c.at).toEqual({ x: (300 * 10 - 100 * 50) / 400, y: (300 * 20 + 400) / 400, z: (300 * 30 + 800) / 400 });
    const nothing = at(freeLoad({ mx: 5, x: 9 }, 'A'), freeLoad({ mz: 5, x: 9 }, 'B'));
    expect([nothing.at, nothing.mx, nothing.mz]).toEqual([{ x: 0, y: 0, z: 0 }, 5, 5]);
  });
  it.each([
    ['short', 'instantaneous', 'instantaneous'],
    ['instantaneous', 'medium', 'instantaneous'],
    ['long', 'medium', 'medium'],
    [undefined, 'long', 'short'],
  ] as const)('of loads that last %s and %s lasts %s (EN 1995-1-1 §3.1.3(2))', (a, b, both) => {
    const last = (id: string, duration: Duration | undefined) => ({
      ...freeLoad({ fx: 1 }, id),
      ...(duration ? { duration } : {}),
    });
    expect(at(last('A', a), last('B', b)).duration).toBe(both);
  });
  it('of nothing makes no case, and up to 200 cases are taken', () => {
    const many = (n: number) => Array.from({ length: n }, (_, i) => freeLoad({ fx: i }, `L${i}`));
    expect(casesOf(loaded(many(2), [{ id: 'C', name: 'None', parts: [] }]))).toHaveLength(2);
    expect(casesOf(loaded(many(200)))).toHaveLength(200);
    expect(loadRefusals(loaded(many(201)))[0]).toMatchObject({ because: 'they make 201 cases' });
    // One cradle: six cases, four of them with a weight that is asked both ways.
    const k = newLoad('cradle', 'K');
    expect(loadRefusals(loaded([...many(190), k]))).toEqual([]);
    expect(loadRefusals(loaded([...many(191), k]))[0]).toMatchObject({ because: 'they make 201 cases' });
  });
});

it('a direction by its words: side first, then up or down', () => {
  const r = (v: number) => (v * Math.PI) / 180;
  expect([directionName(0), directionName(r(30)), directionName(r(-12.5), r(20)), directionName(0, r(-7))]).toEqual([
    'ahead',
    '30° port',
    '12.5° starboard, 20° up',
    'ahead, 7° down',
  ]);
});

it('what pushes along the plate tips a plane below it by V·h more, each way by the right hand', () => {
  const [c] = casesOfLoad(freeLoad({ fx: 30, fy: -20, fz: 50, mx: 1, my: 2, mz: 3 }));
  // (0, 0, 8) × (30, −20, 50) = (0 − 8·(−20), 8·30 − 0, 0).
  expect(lowered(c!, 8)).toMatchObject({ fx: 30, fy: -20, fz: 50, mx: 1 + 160, my: 2 + 240, mz: 3 });
  expect(lowered(c!, 0)).toBe(c);
});
