import fc from 'fast-check';
import { Working } from '../working/steps';
import type { Side } from '../sharing/t-stub';
import { thicknessAISC, tStubAISC, tStubEN, type TStub } from './prying';

const w = new Working(false);
const inner = (pitch: number): [Side, Side] => [
  { to: 'neighbour', gap: pitch },
  { to: 'neighbour', gap: pitch },
];
const ends = (a: number, b = a): [Side, Side] => [
  { to: 'end', gap: a },
  { to: 'end', gap: b },
];
const stub = (more: Partial<TStub> = {}): TStub => ({
  m: 40,
  e: 35,
  sides: inner(100),
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
    expect(tStubEN(stub(), w).holds).toBeCloseTo(49_500, 3);
    expect(tStubEN(stub({ t: 15 }), w).holds).toBeCloseTo((0.25 * 100 * 225 * 275 + 35 * 90_430) / 75, 3);
  });
  it('30 mm: the bolt breaks first (mode 3)', () => expect(tStubEN(stub({ t: 30 }), w).holds).toBe(90_430));
  it('a lone bolt far from others: l_eff is 4·m + 1.25·e = 203.75, under 2·π·m = 251 (Tab. 6.4)', () => {
    expect(tStubEN(stub({ sides: inner(1000), t: 6 }), w).holds).toBeCloseTo((2 * 0.25 * 203.75 * 36 * 275) / 40, 3);
  });
});

describe('AISC Manual Part 9', () => {
  it('worked by hand: 3/4 in A325-N, b 1.5, a 1.5, p 3 in, t 1/2 in, F_u 65 ksi: Q 0.566, T 16.9 kip of 29.8', () => {
    // b' 1.125, a' 1.875, ρ 0.6, δ 1 − 0.8125/3 = 0.7292, t_c = √(4·29.8·1.125/(0.9·3·65)) = 0.8741, α' = (3.0562 − 1)/(0.7292·1.6) = 1.762 → Q = 0.3272·1.7292 = 0.5658
    const kip = tStubAISC(
      {
        m: 1.5,
        e: 1.5,
        sides: inner(3),
        t: 0.5,
        fy: 50,
        fu: 65,
        d: 0.75,
        d0: 0.8125,
        Ft: 29.8,
        gammaYield: 1,
        gammaBreak: 1 / 0.9,
      },
      w,
    ).holds;
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
          const x = stub({ m, e, sides: inner(p) });
          const t = thicknessAISC(x, share * x.Ft, w);
          expect(tStubAISC({ ...x, t }, w).holds / (share * x.Ft)).toBeCloseTo(1, 6);
        },
      ),
    );
  });
  it('no plate holds more than the bolt', () => expect(thicknessAISC(stub(), 100_000, w)).toBe(Infinity));
});

it('both: thicker never holds less, and a thick plate holds what the bolt does', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 3, max: 40, noNaN: true }),
      fc.double({ min: 0.01, max: 10, noNaN: true }),
      fc.double({ min: 10, max: 90, noNaN: true }),
      (t, more, m) => {
        for (const f of [tStubEN, tStubAISC])
          expect(f(stub({ t: t + more, m }), w).holds).toBeGreaterThanOrEqual(f(stub({ t, m }), w).holds - 1e-6);
      },
    ),
  );
  expect(tStubAISC(stub({ t: 60 }), w).holds).toBeCloseTo(90_430, 6);
});

describe('end rows, EN 1993-1-8 Tab. 6.4: circular 2πm, πm + 2e_1; straight 4m + 1.25e, 2m + 0.625e + e_1', () => {
  // The review’s corner: e_1 20, m = e = 40, t 10 S275, M16 8.8. Straight 80 + 25 + 20 = 125, circular 125.7 + 40 = 165.7: 43.0 kN.
  const corner = (more: Partial<TStub> = {}) =>
    stub({
      m: 40,
      e: 40,
      t: 10,
      sides: [
        { to: 'end', gap: 20 },
        { to: 'neighbour', gap: 1e4 },
      ],
      ...more,
    });
  it('a corner bolt: 43.0 kN where an inner one holds 63.3 (mode 2)', () => {
    expect(tStubEN(corner(), w).holds / 1000).toBeCloseTo(42.97, 2);
    expect(tStubEN(corner({ sides: inner(1e4) }), w).holds / 1000).toBeCloseTo(
      (0.25 * 210 * 100 * 275 + 40 * 90_430) / 80 / 1000,
      3,
    );
  });
  it('a lone bolt between two ends has no more than both: 2·e_1', () =>
    expect(tStubEN(corner({ sides: ends(20) }), w).holds).toBeCloseTo((0.5 * 40 * 100 * 275) / 40, 6));
  it('a small end: circular πm + 2e_1 is shorter than straight where e is large', () => {
    // m 10, e 100, e_1 4: circular 31.4 + 8 = 39.4; straight 20 + 62.5 + 4 = 86.5.
    const one = tStubEN(
      corner({
        m: 10,
        e: 100,
        sides: [
          { to: 'end', gap: 4 },
          { to: 'neighbour', gap: 1e4 },
        ],
        t: 3,
      }),
      w,
    );
    expect(one.holds).toBeCloseTo((0.5 * (10 * Math.PI + 8) * 9 * 275) / 10, 6);
  });
  it('an inner bolt of a group has no more than its pitch', () =>
    expect(tStubEN(stub({ sides: inner(60), t: 6 }), w).holds).toBeCloseTo((0.5 * 60 * 36 * 275) / 40, 6));
  it('AISC counts each side no further than b, half the pitch or the edge', () => {
    // The same length either way is the same strength: end 20 and side capped at b 40 make p 60, as an inner pitch of 60 does.
    const uneven = tStubAISC(
      corner({
        sides: [
          { to: 'end', gap: 20 },
          { to: 'neighbour', gap: 500 },
        ],
      }),
      w,
    ).holds;
    expect(uneven).toBeCloseTo(tStubAISC(corner({ sides: inner(60) }), w).holds, 6);
  });
});

describe('the pull with prying, at the mode that governs', () => {
  it('mode 1: Q = M_pl/n, so (T + Q)/T = 1 + m/(2n)', () => expect(tStubEN(stub(), w).ratio).toBeCloseTo(1 + 40 / 70, 9));
  it('mode 2: the bolt carries F_t.Rd where the plate holds less', () => {
    const { holds, ratio } = tStubEN(stub({ t: 15 }), w);
    expect(holds * ratio).toBeCloseTo(90_430, 6);
  });
  it('mode 3: a thick plate does not pry', () => expect(tStubEN(stub({ t: 30 }), w).ratio).toBe(1));
  it('AISC, plate governs: q = B·δ·ρ·(t/t_c)² beside T = B·(t/t_c)²·(1 + δ) (Part 9)', () => {
    const x = {
      m: 1.5,
      e: 1.5,
      sides: inner(3),
      t: 0.3,
      fy: 50,
      fu: 65,
      d: 0.75,
      d0: 0.8125,
      Ft: 29.8,
      gammaYield: 1,
      gammaBreak: 1 / 0.9,
    };
    // δ 0.7292, ρ 0.6: 1 + 0.7292·0.6/1.7292.
    expect(tStubAISC(x, w).ratio).toBeCloseTo(1.253, 3);
    const { holds, ratio } = tStubAISC({ ...x, t: 0.8 }, w);
    expect(holds * ratio).toBeCloseTo(29.8, 6);
  });
  it('both: never less than the pull itself', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 40 }),
        fc.integer({ min: 8, max: 90 }),
        fc.integer({ min: 8, max: 90 }),
        (t, m, e) => {
          for (const f of [tStubEN, tStubAISC]) expect(f(stub({ t, m, e }), w).ratio).toBeGreaterThanOrEqual(1 - 1e-12);
        },
      ),
    );
  });
});
