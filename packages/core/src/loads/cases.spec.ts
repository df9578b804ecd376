import { fromSheet } from '../units/quantity';
import { freeLoad } from '../testing/test-job';
import { casesOf, casesOfLoad, loadFactor, loadRefusals, type Loaded } from './cases';
import { factored, fanAngles } from './load-case';
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
