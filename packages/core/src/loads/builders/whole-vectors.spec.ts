import { fromSheet } from '../../units/quantity';
import { casesOfLoad } from '../cases';
import { newLoad } from '../new-load';

/** All cases of a load as whole vectors, lopsided on purpose: statics by hand (r × F at the force's own point), the numbers written out. */
const G = 9.80665;
const r = (v: number) => (v * Math.PI) / 180;
type Six = readonly [number, number, number, number, number, number];

function told(kind: string, v: Record<string, number>, pick: Record<string, string> = {}, k: Record<string, number> = {}) {
  const fresh = newLoad(kind, 'L1', '');
  const given = Object.fromEntries(Object.entries(v).map(([key, n]) => [key, fromSheet(n, String(n))]));
  const load = {
    ...fresh,
    values: { ...fresh.values, ...given },
    picks: { ...fresh.picks, ...pick },
    factors: { ...fresh.factors, ...k },
  };
  return Object.fromEntries(
    casesOfLoad(load).map((c) => [
      c.name.replace(/^: /, ''),
      [c.action, ...[c.fx, c.fy, c.fz, c.mx, c.my, c.mz].map((x) => Math.round(x) || 0)],
    ]),
  );
}
const variable = (x: number, y: number, z: number, fx: number, fy: number, fz: number) => {
  const six: Six = [fx, fy, fz, y * fz - z * fy, z * fx - x * fz, x * fy - y * fx];
  return ['variable', ...six.map((n) => Math.round(n) || 0)];
};

it.each([
  ['top', 1],
  ['bottom', -1],
] as const)(
  'gate, %s hinge: the couple (W·w/2 + P·w)/s off or onto the wall open, along it shut; all the weight on one',
  (hinge, way) => {
    const W = 2 * (45 * G);
    const P = 2 * 700;
    const empty = (W * 600) / 350;
    const manned = (W * 600 + P * 1200) / 350;
    expect(told('gate', { mass: 45, width: 1200, spacing: 350, person: 700, pin: 55 }, { hinge }, { dynamic: 2 })).toEqual({
      'open, straight out': variable(0, 0, 55, -W, 0, way * empty),
      'open, person on its end': variable(0, 0, 55, -W - P, 0, way * manned),
      shut: variable(0, 0, 55, -W, way * empty, 0),
      'shut, person on its end': variable(0, 0, 55, -W - P, way * manned, 0),
    });
  },
);

it('roof unit: drag each way, uplift less six tenths of the weight, the plate’s share of each (ASCE 7, memory)', () => {
  const q = 0.613 * 900;
  const F = q * 1.9 * 0.7 * 0.4;
  const U = q * 1.5 * 0.5 * 0.4 - 0.6 * 80 * G * 0.4;
  expect(told('roof-unit', { mass: 80, face: 0.7e6, top: 0.5e6, wind: 30, height: 380, share: 0.4 })).toEqual({
    'wind from aft': variable(0, 0, 380, F, 0, U),
    'wind from ahead': variable(0, 0, 380, -F, 0, U),
    'wind from starboard': variable(0, 0, 380, 0, F, U),
    'wind from port': variable(0, 0, 380, 0, -F, U),
  });
});

it.each([
  ['rolling', 0.5],
  ['wheels', 1],
  ['body', 1.5],
  ['bog', 2],
] as const)('recovery, stuck %s: %d × its weight, dead ahead and 20° to each side (common practice)', (stuck, c) => {
  const P = c * 1.25 * 2400 * G;
  const [X, Y] = [P * Math.cos(r(20)), P * Math.sin(r(20))];
  expect(told('recovery-point', { mass: 2400, height: 35, ahead: 90, offAxis: r(20) }, { stuck }, { snatch: 1.25 })).toEqual({
    '20° starboard': variable(90, 0, 35, X, -Y, 0),
    ahead: variable(90, 0, 35, P, 0, 0),
    '20° port': variable(90, 0, 35, X, Y, 0),
  });
});

it('sling: two legs at 50° from level, in the eye’s plane and swung 15° out of it to each side', () => {
  const T = (1.2 * 800 * G) / (2 * Math.sin(r(50)));
  const [H, V, out] = [T * Math.cos(r(50)), T * Math.sin(r(50)), T * Math.sin(r(15))];
  const v = { mass: 800, legs: 2, angle: r(50), height: 60 };
  expect(told('lifting', { ...v, swing: r(15) })).toEqual({
    'along the leg': variable(0, 0, 60, H, 0, V),
    'swung 15° to port': variable(0, 0, 60, H, out, V),
    'swung 15° to starboard': variable(0, 0, 60, H, -out, V),
  });
  expect(told('lifting', { ...v, swing: 0 })).toEqual({ 'along the leg': variable(0, 0, 60, H, 0, V) });
  // A single leg hangs plumb whatever angle was typed.
  expect(told('lifting', { ...v, legs: 1, swing: 0 })).toEqual({ 'along the leg': variable(0, 0, 60, 0, 0, 1.2 * 800 * G) });
  // Three legs proved equal: a third of it in each.
  const third = (1.2 * 800 * G) / (3 * Math.tan(r(50)));
  expect(told('lifting', { ...v, legs: 3, swing: 0 }, { four: 'all' })).toEqual({
    'along the leg': variable(0, 0, 60, third, 0, (1.2 * 800 * G) / 3),
  });
});

it('davit on a deck and on a wall: the mass hangs at its reach each way it swings; out of plumb it pulls across the arm', () => {
  const F = 1.8 * 70 * G;
  const S = F * Math.sin(r(8));
  const [c, s] = [800 * Math.cos(r(60)), 800 * Math.sin(r(60))];
  const v = { mass: 70, reach: 800, height: 1100, swing: r(60), lead: r(8) };
  const [sin, cos] = [Math.sin(r(60)), Math.cos(r(60))];
  expect(told('cantilever', v, { mount: 'deck' }, { dynamic: 1.8 })).toEqual({
    '60° starboard': variable(c, -s, 1100, 0, 0, -F),
    '60° starboard, out of plumb': variable(c, -s, 1100, sin * S, cos * S, -F),
    ahead: variable(800, 0, 1100, 0, 0, -F),
    'ahead, out of plumb': variable(800, 0, 1100, 0, S, -F),
    '60° port': variable(c, s, 1100, 0, 0, -F),
    '60° port, out of plumb': variable(c, s, 1100, -sin * S, cos * S, -F),
  });
  expect(told('cantilever', { ...v, lead: 0 }, { mount: 'wall' }, { dynamic: 1.8 })).toEqual({
    '60° starboard': variable(1100, -s, c, -F, 0, 0),
    ahead: variable(1100, 0, 800, -F, 0, 0),
    '60° port': variable(1100, s, c, -F, 0, 0),
  });
});

it('cleat: the line to each side, level and led up, 0.8 of what breaks it; by the wind q·A·C_d·k_w', () => {
  const P = 0.8 * 15_000;
  const one = (side: number, up: number, p = P) =>
    variable(0, 0, 42, p * Math.cos(r(up)) * Math.cos(r(side)), p * Math.cos(r(up)) * Math.sin(r(side)), p * Math.sin(r(up)));
  const v = { breaking: 15_000, windage: 6e6, wind: 22, height: 42, sideAngle: r(40), upAngle: r(20) };
  expect(told('mooring', v, { by: 'line' }, { line: 0.8 })).toEqual({
    '40° starboard': one(-40, 0),
    ahead: one(0, 0),
    '40° port': one(40, 0),
    '40° starboard, 20° up': one(-40, 20),
    'ahead, 20° up': one(0, 20),
    '40° port, 20° up': one(40, 20),
  });
  const wind = 1.4 * 1.1 * 0.613 * 484 * 6;
  expect(told('mooring', { ...v, upAngle: 0 }, { by: 'wind' }, { drag: 1.1, gust: 1.4 })).toEqual({
    '40° starboard': one(-40, 0, wind),
    ahead: one(0, 0, wind),
    '40° port': one(40, 0, wind),
  });
});

it('ladder: on a wall the fall is −x and the pull is off the wall; on a deck the fall is −z and the pull is ahead', () => {
  const p = 1.5 * 900 * 0.5;
  const v = { person: 900, offset: 240, along: -350, out: 500, share: 0.5 };
  expect(told('ladder', v, { mount: 'wall' }, { dynamic: 1.5 })).toEqual({
    'on the outer step': variable(-350, 0, 240, -p, 0, 0),
    'swinging out': variable(-350, 0, 240, -p, 0, 250),
  });
  expect(told('ladder', v, { mount: 'deck' }, { dynamic: 1.5 })).toEqual({
    'on the outer step': variable(240, 0, -350, 0, 0, -p),
    'swinging out': variable(240, 0, -350, 250, 0, -p),
  });
  // A hand 900 above the step: 250·900 more about y, off the wall or ahead.
  const turned = (c: ReturnType<typeof variable>, my: number) => c.map((n, i) => (i === 5 ? Number(n) + my : n));
  expect(told('ladder', { ...v, height: 900 }, { mount: 'wall' }, { dynamic: 1.5 })['swinging out']).toEqual(
    turned(variable(-350, 0, 240, -p, 0, 250), -225_000),
  );
  expect(told('ladder', { ...v, height: 900 }, { mount: 'deck' }, { dynamic: 1.5 })['swinging out']).toEqual(
    turned(variable(240, 0, -350, 250, 0, -p), 225_000),
  );
  expect(Object.keys(told('ladder', { ...v, out: 0 }))).toEqual(['on the outer step']);
});
