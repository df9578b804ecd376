import fc from 'fast-check';
import { isRefusal } from '../units/refusal';
import { G0 } from '../units/unit-table';
import { slung, type Slung } from './slings';

const at = (x: number, y: number, z = 0) => ({ x, y, z });
const lift = (points: ReturnType<typeof at>[], hook: number, kN = 9, centre = at(0, 0)) =>
  slung({ mass: (kN * 1000) / G0, centre, hook, points });
const tensions = (s: ReturnType<typeof slung>) => (s as Slung).legs.map((l) => l.tension / 1000);

describe('sling legs', () => {
  it('three legs not alike: 3.22, 2.82, 4.00 kN (worked example of the engineering sheet)', () => {
    const t = tensions(lift([at(1200, 700), at(-900, 800), at(-300, -1100)], 2500));
    expect(t.map((v) => v.toFixed(2))).toEqual(['3.22', '2.82', '4.00']);
  });
  it('two legs not alike: T_1 = W·cosθ_2/sin(θ_1 + θ_2) (statics)', () => {
    const [a, b] = [Math.atan2(2000, 1500), Math.atan2(2000, 700)];
    const t = tensions(lift([at(-1500, 0), at(700, 0)], 2000));
    expect(t[0]).toBeCloseTo((9 * Math.cos(b)) / Math.sin(a + b), 6);
    expect(t[1]).toBeCloseTo((9 * Math.cos(a)) / Math.sin(a + b), 6);
  });
  it('four alike: any two opposite ones carry all, 0.707 W at 45° and not a quarter each', () => {
    const t = tensions(lift([at(1000, 0), at(0, 1000), at(-1000, 0), at(0, -1000)], 1000));
    for (const v of t) expect(v).toBeCloseTo(9 * Math.SQRT1_2, 6);
  });
  it('one leg carries all', () => expect(tensions(lift([at(0, 0)], 800))).toEqual([expect.closeTo(9, 9)]));
  it('holds the load in balance and turns with it (property)', () => {
    const place = fc.record({
      r: fc.double({ min: 200, max: 900, noNaN: true }),
      a: fc.double({ min: -0.9, max: 0.9, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.tuple(place, place, place), fc.double({ min: 0, max: 6, noNaN: true }), (p, turn) => {
        const points = (by: number) =>
          p.map(({ r, a }, i) => at(r * Math.cos(2.0944 * i + a + by), r * Math.sin(2.0944 * i + a + by), i * 40));
        const s = lift(points(0), 2000);
        if (isRefusal(s)) return;
        const sum = (k: 'x' | 'y' | 'z') => s.legs.reduce((f, l) => f + (l.tension * (s.hook[k] - l.point[k])) / l.length, 0);
        expect(sum('x')).toBeCloseTo(0, 3);
        expect(sum('y')).toBeCloseTo(0, 3);
        expect(sum('z')).toBeCloseTo(9000, 3);
        tensions(lift(points(turn), 2000)).forEach((t, i) => expect(t).toBeCloseTo(s.legs[i]!.tension / 1000, 6));
      }),
      { numRuns: 60 },
    );
  });
  it('refuses what tips, a leg too flat and a hook too low, by name', () => {
    const because = (s: ReturnType<typeof slung>) => (isRefusal(s) ? s.because : '');
    expect(because(lift([at(500, 0), at(900, 100), at(800, -300)], 2000))).toMatch(/would tip/);
    expect(because(lift([at(-1500, 0), at(700, 0)], 500))).toBe('sling 1 is flatter than 30°');
    expect(because(lift([at(0, 0, 900)], 800))).toMatch(/no lower than the hook/);
  });
});
