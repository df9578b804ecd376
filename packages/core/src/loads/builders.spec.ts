import fc from 'fast-check';
import { isRefusal } from '../units/refusal';
import { fromSheet } from '../units/quantity';
import { casesOfLoad } from './cases';
import { newLoad, workedLoad } from './new-load';
import { putOf } from './put';
import { BUILDERS, builderOf, FAMILIES } from './registry';
import { Load } from './schema';

const degrees = (v: number) => fromSheet((v * Math.PI) / 180, `${v}°`);
const withValues = (kind: string, v: Record<string, number>, more: Partial<Load> = {}): Load => {
  const fresh = newLoad(kind, 'L1');
  const given = Object.fromEntries(Object.entries(v).map(([k, n]) => [k, fromSheet(n, String(n))]));
  return { ...fresh, values: { ...fresh.values, ...given }, ...more };
};
const stepOf = (load: Load, index: number, symbol: string) =>
  casesOfLoad(load)[index]!.steps.find((s) => s.symbol === symbol)!.value;

describe('worked examples, each with its source in the builder', () => {
  const all = BUILDERS.flatMap((b) => b.worked.map((w) => ({ b, w, title: `${b.name}: ${w.title} — ${w.source}` })));
  it.each(all)('$title', ({ b, w }) => {
    const load = workedLoad(b.kind, w, 'L1');
    expect(Load.safeParse(load).success).toBe(true);
    const { caseIndex, symbol, value, within } = w.expect;
    expect(Math.abs(stepOf(load, caseIndex, symbol) - value)).toBeLessThanOrEqual(within);
  });
  it('every builder has one, and every family a builder', () => {
    for (const b of BUILDERS) expect([b.kind, b.worked.length > 0]).toEqual([b.kind, true]);
    expect(new Set(BUILDERS.map((b) => b.family))).toEqual(new Set(FAMILIES));
  });
});

describe('every builder', () => {
  it.each(BUILDERS)('$kind: a fresh one is a valid load with named cases, its own views and a handle on each', (b) => {
    const load = newLoad(b.kind, 'L1');
    expect(Load.safeParse(load).error?.issues).toBeUndefined();
    const cases = casesOfLoad(load);
    expect(cases.length).toBeGreaterThan(0);
    expect(new Set(cases.map((c) => c.name)).size).toBe(cases.length);
    const views = b.sketch(putOf(load));
    expect(views.length).toBeGreaterThan(0);
    for (const view of views) expect(view.handles.length).toBeGreaterThan(0);
  });

  it.each(BUILDERS)('$kind: moments at the datum are r × F by determinants (statics), for any allowed values', (b) => {
    const names = Object.keys(b.fields);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.02, max: 0.98, noNaN: true }), { minLength: names.length, maxLength: names.length }),
        (at) => {
          const v = Object.fromEntries(
            names.map((n, i) => {
              const { min, above, max, dimension } = b.fields[n]!.range;
              const low = min ?? above ?? 0;
              const raw = low + (max - low) * at[i]!;
              return [n, dimension === 'count' ? Math.round(raw) : raw];
            }),
          );
          const load = withValues(b.kind, v);
          const put = putOf(load);
          if (isRefusal(b.refuses?.(put))) return;
          const silent = casesOfLoad(load, false);
          casesOfLoad(load).forEach((c, i) => {
            const free = ['M_x.0', 'M_y.0', 'M_z.0'].map(
              (s) => c.steps.findLast((x) => x.symbol.startsWith(s.slice(0, 3)) && s in x.inputs)?.inputs[s] ?? 0,
            );
            const { x, y, z } = c.at;
            const scale = 1e-9 * (1 + Math.hypot(c.fx, c.fy, c.fz) * Math.hypot(x, y, z));
            expect(Math.abs(c.mx - free[0]! - (y * c.fz - z * c.fy))).toBeLessThanOrEqual(scale);
            expect(Math.abs(c.my - free[1]! - (z * c.fx - x * c.fz))).toBeLessThanOrEqual(scale);
            expect(Math.abs(c.mz - free[2]! - (x * c.fy - y * c.fx))).toBeLessThanOrEqual(scale);
            expect({ ...silent[i], steps: [] }).toEqual({ ...c, steps: [] });
          });
        },
      ),
      { numRuns: 20 },
    );
  });

  it.each(BUILDERS)('$kind: a handle put back where it is changes nothing the file would not hold', (b) => {
    const load = newLoad(b.kind, 'L1');
    const put = putOf(load);
    for (const h of b.sketch(put).flatMap((view) => view.handles)) {
      for (const [key, value] of Object.entries(h.drag(...h.at))) expect(value).toBeCloseTo(put.v[key]!, 6);
    }
  });
});

describe('the figures behind the builders', () => {
  it('R55 D-value is symmetric, and T = R gives half the weight of one (formula by hand: g·T/2)', () => {
    const d = (vehicle: number, trailer: number) => stepOf(withValues('tow-point', { vehicle, trailer }), 0, 'D');
    expect(d(3500, 750)).toBeCloseTo(d(750, 3500), 9);
    expect(d(2000, 2000)).toBeCloseTo(9.80665 * 1000, 6);
  });
  it.each([
    ['M1', 'three', 2 * 13_500, 20],
    ['M2', 'three', 2 * 6750, 10],
    ['M3', 'three', 2 * 4500, 6.6],
    ['M1', 'lap', 22_250, 20],
    ['M2', 'lap', 11_100, 10],
    ['M3', 'lap', 7400, 6.6],
    ['US', 'three', 2 * 13_345, 20],
    ['US', 'lap', 22_241, 20],
  ])('UN R14 §6.4 and FMVSS 210 (memory): %s, %s belt pulls %d N with %d × the seat', (rule, belt, belts, a) => {
    const fresh = withValues('belted-seat', { seatMass: 10, up: 0 });
    const load = { ...fresh, picks: { rule, belt } };
    const c = casesOfLoad(load)[0]!;
    expect(c.fx).toBeCloseTo(belts + a * 10 * 9.80665, 6);
    expect(c.fz).toBeCloseTo(0, 9);
  });
  it('belts and seat at their own heights: moments add (statics by hand)', () => {
    const load = withValues('belted-seat', {
      seatMass: 10,
      up: 0,
      lapHeight: 200,
      shoulderHeight: 800,
      height: 300,
      aft: 0,
      lapBack: 0,
    });
    expect(casesOfLoad(load)[0]!.my).toBeCloseTo(13_500 * 200 + 13_500 * 800 + 20 * 10 * 9.80665 * 300, 3);
  });
  it.each([
    [90, 0.5],
    [60, 0.577],
    [45, 0.707],
    [30, 1.0],
  ])('two-leg sling at %d°: %d of the load in each leg (trigonometric table)', (angle, part) => {
    const fresh = withValues('lifting', { mass: 100 });
    const load = { ...fresh, values: { ...fresh.values, angle: degrees(angle) }, factors: { dynamic: 1 } };
    expect(stepOf(load, 0, 'T') / (100 * 9.80665)).toBeCloseTo(part, 3);
  });
  it('four legs on a rigid load count as two (common practice); 2.1 × one leg by EN 13414-1', () => {
    const four = (picked: string) => ({
      ...withValues('lifting', { mass: 100, legs: 4 }),
      factors: { dynamic: 1 },
      picks: { four: picked },
    });
    const two = withValues('lifting', { mass: 100, legs: 2 });
    expect(stepOf(four('two'), 0, 'T')).toBeCloseTo(stepOf({ ...two, factors: { dynamic: 1 } }, 0, 'T'), 9);
    expect(stepOf(four('all'), 0, 'T')).toBeCloseTo(stepOf(four('two'), 0, 'T') / 2, 9);
    expect(stepOf(four('en'), 0, 'T')).toBeCloseTo((100 * 9.80665) / 2.1, 6);
  });
  it('wind pressure: 0.613 V² in m/s is 0.00256 V² psf in mph to three figures (ASCE 7), at any speed', () => {
    for (const mph of [30, 70, 115]) {
      const load = { ...withValues('mooring', { wind: mph * 0.44704 }), picks: { by: 'wind' } };
      // 1 psf = 47.88026 N/m² (NIST SP 811).
      expect(stepOf(load, 0, 'q') / 47.880_26 / (0.002_56 * mph ** 2)).toBeCloseTo(1, 2);
    }
  });
  it('winch layers: torque is the same on each, by hand P_n·r_n = P_1·r_1', () => {
    for (const layer of [1, 2, 5, 9]) {
      const load = withValues('winch', { pull: 8000, drumRadius: 40, rope: 8, layer });
      expect(stepOf(load, 0, 'P') * (40 + 8 * (layer - 1))).toBeCloseTo(8000 * 40, 6);
    }
  });
  it('a winch fan of three at 30°, lifted 30°: cos² 30° = 0.75 ahead and half the pull up (trigonometric table)', () => {
    const load = { ...withValues('winch', { pull: 10_000 }), picks: { fan: '3' } };
    const cases = casesOfLoad({ ...load, values: { ...load.values, sideAngle: degrees(30), upAngle: degrees(30) } });
    expect(cases.map((c) => c.name.replace(/^.*: /, ''))).toEqual([
      '30° starboard',
      'ahead',
      '30° port',
      '30° starboard, 30° up',
      'ahead, 30° up',
      '30° port, 30° up',
    ]);
    expect(cases[5]!.fx).toBeCloseTo(7500, 6);
    expect(cases[5]!.fz).toBeCloseTo(5000, 6);
  });
  it('gate hinges: the couple holds the moment of weight and person (statics by hand)', () => {
    const [open] = casesOfLoad(withValues('gate', { mass: 100, width: 1000, spacing: 500, person: 0 }));
    expect(open!.fz).toBeCloseTo((100 * 9.80665 * 500) / 500, 6);
    expect(open!.fx).toBeCloseTo(-100 * 9.80665, 6);
  });
  it('roof unit: 0.6 D against uplift (ASCE 7, memory), by hand at 40 m/s', () => {
    const [c] = casesOfLoad(withValues('roof-unit', { mass: 60, face: 1e6, top: 0.5e6, wind: 40 }));
    const q = 0.613 * 1600;
    expect(c!.fx).toBeCloseTo(q * 1.9, 6);
    expect(c!.fz).toBeCloseTo(q * 1.5 * 0.5 - 0.6 * 60 * 9.80665, 6);
  });
  it('a ladder on a wall: gravity runs down the wall, −x, and turns it off by P·offset', () => {
    const [c] = casesOfLoad(withValues('ladder', { person: 1500, offset: 260, along: 0 }));
    expect([c!.fx, c!.fz]).toEqual([-1500, 0]);
    expect(c!.my).toBeCloseTo(-390_000, 6);
  });
});

describe('bad input', () => {
  const bad = (kind: string, key: string, v: number) =>
    Load.safeParse(withValues(kind, { [key]: v }))
      .error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`)
      .join() ?? 'read';
  it.each([
    ['sling angle 0°', 'lifting', 'angle', 0, /values\.angle\.v: Sling angle.*allowed over 0 to 90°/],
    ['R = 0', 'tow-point', 'trailer', 0, /Trailer, R: allowed over 0 up to 100000 kg/],
    ['negative mass', 'cradle', 'mass', -5, /Mass, full: allowed over 0/],
    ['half a leg', 'lifting', 'legs', 1.5, /Sling legs: allowed 1 to 4/],
    ['no wind', 'roof-unit', 'wind', 0, /Design wind speed: allowed over 0 up to 100 m\/s/],
  ] as const)('%s names the field and the range', (_t, kind, key, v, said) => expect(bad(kind, key, v)).toMatch(said));

  it('an unknown kind, a factor out of range and a pick not offered are refused', () => {
    const load = newLoad('cradle', 'L1');
    expect(Load.safeParse({ ...load, kind: 'rocket' }).success).toBe(false);
    expect(Load.safeParse({ ...load, factors: { ...load.factors, down: 99 } }).error!.issues[0]!.message).toBe(
      'Down, × g: allowed 1 to 20',
    );
    expect(Load.safeParse({ ...newLoad('winch', 'W'), picks: { fan: '4' } }).success).toBe(false);
    expect(() => builderOf('rocket')).toThrow('no builder of kind "rocket"');
  });

  it('EN 13414-1’s 2.1 is refused under 45°, with the range', () => {
    const fresh = { ...withValues('lifting', { legs: 4 }), picks: { four: 'en' } };
    const low = { ...fresh, values: { ...fresh.values, angle: degrees(40) } };
    expect(casesOfLoad(low)).toEqual([]);
    expect(builderOf('lifting').refuses!(putOf(low))).toMatchObject({
      because: '40.0° with 2.1 × one leg',
      allowed: expect.stringContaining('45° to 90°'),
    });
  });
});
