import { Working } from '../working/steps';
import { resolved, testJob } from '../testing/test-job';
import { bearingAISC, bearingEN, bearingPlace } from './bearing';

const w = new Working(false);
const far = { e1: Infinity, e2: Infinity, p1: Infinity, p2: Infinity };

describe('EN 1993-1-8 Tab. 3.4, worked by hand: M20 8.8, d0 22, t 10, S275, γ 1.25', () => {
  const parts = { d: 20, d0: 22, t: 10, fu: 430, fub: 800, gamma: 1.25, hole: 1 };
  it('e1 3·d0, e2 1.5·d0 and more: 2.5·430·20·10/1.25 = 172 kN', () =>
    expect(bearingEN({ ...far, e1: 66, e2: 33 }, parts, w)).toBeCloseTo(172_000, 6));
  it('e1 40: α_b 40/66 = 0.606 → 104.2 kN', () =>
    expect(bearingEN({ ...far, e1: 40, e2: 40 }, parts, w)).toBeCloseTo(104_242, 0));
  it('p1 60: 60/66 − 1/4 = 0.659 → 113.4 kN', () => expect(bearingEN({ ...far, p1: 60 }, parts, w)).toBeCloseTo(113_364, 0));
  it('e2 27: k_1 = 2.8·27/22 − 1.7 = 1.736', () =>
    expect(bearingEN({ ...far, e1: 66, e2: 27 }, parts, w)).toBeCloseTo(172_000 * (1.73636 / 2.5), 0));
});

describe('AISC 360-16 §J3.10, Manual Tab. 7-4 and 7-5 (memory): 3/4 in, F_u 58, kip per inch, φ 0.75', () => {
  const parts = { d: 0.75, d0: 0.8125, t: 1, fu: 58, fub: 120, gamma: 1 / 0.75, hole: 1 };
  it('pitch 3 in: 78.3', () => expect(bearingAISC({ ...far, p1: 3 }, parts, w)).toBeCloseTo(78.3, 1));
  it('edge 1 1/4 in: 44.0', () => expect(bearingAISC({ ...far, e1: 1.25 }, parts, w)).toBeCloseTo(44.0, 1));
});

it('finds pitch ahead, gauge aside and the edge behind the force', () => {
  const r = resolved(testJob());
  const b1 = r.bolts[0]!; // (90, 80) on a plate to (115, 105)
  expect(bearingPlace(r.bolts, b1, { x: -1, y: 0 }, r.region)).toEqual({ e1: 205, e2: 25, p1: 180, p2: 160 });
  expect(bearingPlace(r.bolts, b1, { x: 1, y: 0 }, r.region)).toEqual({ e1: 25, e2: 25, p1: Infinity, p2: 160 });
  expect(bearingPlace(r.bolts, b1, { x: 1, y: 0 }).e1).toBe(Infinity);
});
