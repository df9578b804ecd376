import { fromSheet } from '../../units/quantity';
import { Working } from '../../working/steps';
import { casesOfLoad } from '../cases';
import { together, type LoadCase } from '../load-case';
import { newLoad } from '../new-load';

/** Whole force vectors of every case, statics by hand: a mass thrown one way goes no other way. */
const G = 9.80665;

function cases(kind: string, v: Record<string, number>): LoadCase[] {
  const fresh = newLoad(kind, 'L1', '');
  const given = Object.fromEntries(Object.entries(v).map(([k, n]) => [k, fromSheet(n, String(n))]));
  return casesOfLoad({ ...fresh, values: { ...fresh.values, ...given } });
}
/** Forces with the moment about the base centre, N and N·mm, rounded to a tenth; r × F of a force at its own point. */
const vectors = (list: readonly LoadCase[]) =>
  Object.fromEntries(
    list.map((c) => [c.name.replace(/^.*: /, ''), [c.fx, c.fy, c.fz, c.mx, c.my, c.mz].map((x) => Math.round(x * 10) / 10 || 0)]),
  );
const at = (x: number, y: number, z: number, fx: number, fy: number, fz: number) =>
  [fx, fy, fz, y * fz - z * fy, z * fx - x * fz, x * fy - y * fx].map((v) => Math.round(v * 10) / 10 || 0);

it('competition seat: 15 g fore and aft, 12 g sideways, 8 g up (common practice), half of it on this plate', () => {
  const m = 0.5 * 110 * G;
  expect(vectors(cases('competition-seat', { seatMass: 14, driver: 96, height: 230, share: 0.5 }))).toEqual({
    forward: at(0, 0, 230, 15 * m, 0, 0),
    aft: at(0, 0, 230, -15 * m, 0, 0),
    'to port': at(0, 0, 230, 0, 12 * m, 0),
    'to starboard': at(0, 0, 230, 0, -12 * m, 0),
    'roll-over': at(0, 0, 230, 0, 0, 8 * m),
  });
});

it('cradle: 3 g down, 1.5 g sideways, forward and aft with its weight on it, 1 g up (common practice)', () => {
  const m = 70 * G;
  const [x, y, z] = [40, -25, 310];
  expect(vectors(cases('cradle', { mass: 70, ahead: x, toPort: y, height: z, share: 1 }))).toEqual({
    down: at(x, y, z, 0, 0, -3 * m),
    'to port': at(x, y, z, 0, 1.5 * m, -m),
    'to starboard': at(x, y, z, 0, -1.5 * m, -m),
    forward: at(x, y, z, 1.5 * m, 0, -m),
    aft: at(x, y, z, -1.5 * m, 0, -m),
    up: at(x, y, z, 0, 0, m),
  });
});

it('mast foot: what it holds of a moment goes the way it leans, F_h·z with it', () => {
  const all = cases('mast-foot', { stay: 0, halyard: 0, mass: 0, tilt: 0, shear: 400, moment: 90_000, height: 120 });
  const one = (name: string) => vectors(all)[name];
  expect(one('heeled to port')).toEqual([0, 400, 0, -90_000 - 400 * 120, 0, 0]);
  expect(one('heeled to starboard')).toEqual([0, -400, 0, 90_000 + 400 * 120, 0, 0]);
  expect(one('leaning ahead')).toEqual([400, 0, 0, 0, 90_000 + 400 * 120, 0]);
  expect(one('leaning aft')).toEqual([-400, 0, 0, 0, -90_000 - 400 * 120, 0]);
});

it('forces together: at their mean point by size, with the moment that is left over', () => {
  const f = [
    { f: { x: 30, y: 0, z: 40 }, at: { x: 10, y: -4, z: 2 } },
    { f: { x: 0, y: -120, z: 50 }, at: { x: -6, y: 8, z: 20 } },
  ];
  // 50 and 130 of 180.
  const mean = { x: (50 * 10 - 130 * 6) / 180, y: (-50 * 4 + 130 * 8) / 180, z: (50 * 2 + 130 * 20) / 180 };
  const p = together(f, new Working(false));
  expect(p.at).toEqual({ x: expect.closeTo(mean.x, 9), y: expect.closeTo(mean.y, 9), z: expect.closeTo(mean.z, 9) });
  expect([p.fx, p.fy, p.fz]).toEqual([30, -120, 90]);
  // About the origin: Σ r × F, by hand.
  const whole = [-4 * 40 - 0 + (8 * 50 + 20 * 120), 2 * 30 - 10 * 40 + (0 + 6 * 50), 0 + 4 * 30 + 6 * 120];
  const carried = [mean.y * 90 + mean.z * 120, mean.z * 30 - mean.x * 90, -mean.x * 120 - mean.y * 30];
  expect([p.mx, p.my, p.mz]).toEqual(whole.map((v, k) => expect.closeTo(v - carried[k]!, 6)));
});

it('winch: a pull to the side and up at once, P·cos β·cos θ, P·cos β·sin θ and P·sin β (statics)', () => {
  const r = (v: number) => (v * Math.PI) / 180;
  const all = cases('winch', {
    pull: 7000,
    drumHeight: 150,
    drumRadius: 40,
    rope: 8,
    layer: 1,
    sideAngle: r(35),
    upAngle: r(25),
    brake: 0,
  });
  const P = 7000;
  for (const [side, up] of [
    [35, 25],
    [-35, 25],
    [35, 0],
    [-35, 0],
    [0, 0],
  ] as const) {
    const want = at(
      0,
      0,
      150,
      P * Math.cos(r(up)) * Math.cos(r(side)),
      P * Math.cos(r(up)) * Math.sin(r(side)),
      P * Math.sin(r(up)),
    );
    const near = all.filter((c) => [c.fx, c.fy, c.fz].every((v, k) => Math.abs(v - want[k]!) < 1));
    expect([side, up, near.length]).toEqual([side, up, 1]);
  }
});

it('seat thrown sideways goes neither forward nor up; belts pull where they are made fast', () => {
  const m = 20 * G;
  const seat = vectors(cases('seat', { seatMass: 20, person: 80, height: 300, ahead: 0, share: 1 }));
  expect(seat['to port']).toEqual(at(0, 0, 300, 0, 8 * m, 0));
  expect(seat['to starboard']).toEqual(at(0, 0, 300, 0, -8 * m, 0));
  const belted = cases('belted-seat', {
    seatMass: 20,
    height: 300,
    lapHeight: 250,
    shoulderHeight: 800,
    aft: 100,
    up: 0,
    lapBack: 0,
    share: 1,
  });
  // Level pulls and a mass thrown forward: nothing sideways, nothing that turns the seat about its own height.
  for (const c of belted) expect([c.fy, c.mx, c.mz].map((v) => Math.round(v) || 0)).toEqual([0, 0, 0]);
});

it('slings: one leg and two carry along the leg; four count as two on a rigid load, or 2.1 of one leg to 45° (EN 13414-1)', () => {
  const r = (v: number) => (v * Math.PI) / 180;
  const T = (legs: number, angle: number, pick?: Record<string, string>) => {
    const fresh = newLoad('lifting', 'L1', '');
    const v = { mass: 1000, legs, angle: r(angle), swing: 0, height: 50 };
    const values = Object.fromEntries(Object.entries(v).map(([k, n]) => [k, fromSheet(n, String(n))]));
    const [c] = casesOfLoad({
      ...fresh,
      values: { ...fresh.values, ...values },
      picks: { ...fresh.picks, ...pick },
      factors: { ...fresh.factors, dynamic: 1 },
    });
    return Math.hypot(c!.fx, c!.fy, c!.fz);
  };
  const W = 1000 * G;
  expect(T(2, 60)).toBeCloseTo(W / (2 * Math.sin(r(60))), 3);
  expect(T(4, 60)).toBeCloseTo(W / (2 * Math.sin(r(60))), 3);
  expect(T(4, 60, { four: 'en' })).toBeCloseTo(W / 2.1, 3);
  expect(T(2, 60, { four: 'en' })).toBeCloseTo(T(2, 60), 6);
});
