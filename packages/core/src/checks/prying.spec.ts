import fc from 'fast-check';
import { Working } from '../working/steps';
import { thicknessAISC, tStubAISC, tStubEN, type TStub } from './prying';

const w = new Working(false);
const stub = (more: Partial<TStub> = {}): TStub => ({
  m: 40,
  e: 35,
  p: 100,
  t: 12,
  fy: 275,
  fu: 430,
  d: 16,
  d0: 17.5,
  Ft: 90_430,
  gammaYield: 1,
  gammaBreak: 1 / 0.9,
  ...more,
});

describe('EN 1993-1-8 Tab. 6.2, worked by hand for one bolt (half a T-stub): m 40, e 35, p 100, S275, M16 8.8', () => {
  it('12 mm: l_eff 100, M_pl 0.99 kN·m; modes 49.5, 55.4, 90.4 kN', () => {
    // M_pl = 0.25·100·144·275 = 990 000; mode 1 = 2·990 000/40 = 49 500; n = min(35, 50) = 35; mode 2 = (990 000 + 35·90 430)/75 = 55 401
    expect(tStubEN(stub(), w)).toBeCloseTo(49_500, 3);
    expect(tStubEN(stub({ t: 15 }), w)).toBeCloseTo((0.25 * 100 * 225 * 275 + 35 * 90_430) / 75, 3);
  });
  it('30 mm: the bolt breaks first (mode 3)', () => expect(tStubEN(stub({ t: 30 }), w)).toBe(90_430));
  it('a lone bolt far from others: l_eff is 4·m + 1.25·e = 203.75, under 2·π·m = 251 (Tab. 6.4)', () => {
    expect(tStubEN(stub({ p: 1000, t: 6 }), w)).toBeCloseTo((2 * 0.25 * 203.75 * 36 * 275) / 40, 3);
  });
});

describe('AISC Manual Part 9', () => {
  it('worked by hand: 3/4 in A325-N, b 1.5, a 1.5, p 3 in, t 1/2 in, F_u 65 ksi: Q 0.566, T 16.9 kip of 29.8', () => {
    // b' 1.125, a' 1.875, ρ 0.6, δ 1 − 0.8125/3 = 0.7292, t_c = √(4·29.8·1.125/(0.9·3·65)) = 0.8741, α' = (3.0562 − 1)/(0.7292·1.6) = 1.762 → Q = 0.3272·1.7292 = 0.5658
    const kip = tStubAISC(
      { m: 1.5, e: 1.5, p: 3, t: 0.5, fy: 50, fu: 65, d: 0.75, d0: 0.8125, Ft: 29.8, gammaYield: 1, gammaBreak: 1 / 0.9 },
      w,
    );
    expect(kip).toBeCloseTo(29.8 * 0.3272 * 1.7292, 1);
  });
  it('its two published forms agree: the plate that t_min asks for T holds T', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 80, noNaN: true }),
        fc.double({ min: 20, max: 80, noNaN: true }),
        fc.double({ min: 60, max: 160, noNaN: true }),
        fc.double({ min: 0.2, max: 0.98, noNaN: true }),
        (m, e, p, share) => {
          const x = stub({ m, e, p });
          const t = thicknessAISC(x, share * x.Ft);
          expect(tStubAISC({ ...x, t }, w) / (share * x.Ft)).toBeCloseTo(1, 6);
        },
      ),
    );
  });
  it('no plate holds more than the bolt', () => expect(thicknessAISC(stub(), 100_000)).toBe(Infinity));
});

it('both: thicker never holds less, and a thick plate holds what the bolt does', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 3, max: 40, noNaN: true }),
      fc.double({ min: 0.01, max: 10, noNaN: true }),
      fc.double({ min: 10, max: 90, noNaN: true }),
      (t, more, m) => {
        for (const f of [tStubEN, tStubAISC])
          expect(f(stub({ t: t + more, m }), w)).toBeGreaterThanOrEqual(f(stub({ t, m }), w) - 1e-6);
      },
    ),
  );
  expect(tStubAISC(stub({ t: 60 }), w)).toBeCloseTo(90_430, 6);
});
