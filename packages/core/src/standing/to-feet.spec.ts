import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { about, eachWay, inTurnedAxes, type Vector } from '../geometry/vector';
import { isRefusal } from '../units/refusal';
import type { FootPlace, Stands } from './stands';
import { toFeet, type AtFoot } from './to-feet';

const NO_MOMENTS = { mx: false, my: false, mz: false };
const foot = (id: string, x: number, y: number, more: Partial<FootPlace> = {}): FootPlace => ({
  id,
  name: id,
  x,
  y,
  z: 0,
  turn: 0,
  restsOnly: false,
  takes: NO_MOMENTS,
  stiffness: { x: 1, y: 1, z: 1 },
  part: 0,
  length: 100,
  width: 60,
  plate: { x0: -50, x1: 50, y0: -30, y1: 30 },
  height: 10,
  bolts: 4,
  ...more,
});
const stands = (feet: readonly FootPlace[], more: Partial<Stands> = {}): Stands => ({
  rule: 'force only',
  legHeight: 0,
  count: 1,
  feet,
  foot: feet[0]!.id,
  ...more,
});
const load = (v: Partial<Vector>): Vector => ({ ...eachWay(() => 0), ...v });
function shared(s: Stands, v: Partial<Vector>, set = 0): Map<string, AtFoot> {
  const found = toFeet(s, load(v));
  if (isRefusal(found)) throw new Error(found.because);
  return found[set] as Map<string, AtFoot>;
}
const round = (v: Vector) => [v.fx, v.fy, v.fz, v.mx, v.my, v.mz].map((n) => Math.round(n * 1e6) / 1e6 || 0);
const forces = (m: Map<string, AtFoot>) => Object.fromEntries([...m].map(([id, a]) => [id, round(a.load).slice(0, 3)]));

const FOUR = [
  foot('fore port', 200, 150),
  foot('fore starboard', 200, -150),
  foot('aft port', -200, 150),
  foot('aft starboard', -200, -150),
];

it('four equal feet at ±200 × ±150: 10 kN at 300 mm and 1 kN of weight (statics: 10·300/(4·200) ∓ 0.25)', () => {
  const at = forces(shared(stands(FOUR), { fx: 10_000, my: 300 * 10_000, fz: -1000 }));
  expect(at).toEqual({
    'fore port': [2500, 0, -4000],
    'fore starboard': [2500, 0, -4000],
    'aft port': [2500, 0, 3500],
    'aft starboard': [2500, 0, 3500],
  });
});

it('three feet by statics: a weight off the middle goes by its levers, a level push turns about their centre', () => {
  const three = [foot('A', 300, 0), foot('B', -150, 200), foot('C', -150, -200)];
  // 900 N down at x 60, y 40. ΣM_y: 300·A − 150·(B + C) = 60·900; B − C = 40·900/200 = 180.
  const down = forces(shared(stands(three), { fz: -900, mx: -900 * 40, my: 900 * 60 }));
  const A = (60 * 900 + 150 * 900) / 450;
  expect(down['A']![2]).toBeCloseTo(-A, 6);
  expect(down['B']![2]).toBeCloseTo(-((900 - A) / 2 + 90), 6);
  expect(down['C']![2]).toBeCloseTo(-((900 - A) / 2 - 90), 6);
  // A pure turn about z by equal springs: M·r/Σr², across each radius. Σr² = 300² + 2·(150² + 200²).
  const turn = forces(shared(stands(three), { mz: 10_000 }));
  const k = 10_000 / (300 ** 2 + 2 * (150 ** 2 + 200 ** 2));
  expect(turn).toEqual({
    A: [0, expect.closeTo(300 * k, 5), 0],
    B: [expect.closeTo(-200 * k, 5), expect.closeTo(-150 * k, 5), 0],
    C: [expect.closeTo(200 * k, 5), expect.closeTo(-150 * k, 5), 0],
  });
});

it('six unequal feet, two turned, some with moments, against an independent 6 × 6 solve', () => {
  const six = [
    foot('1', 410, 220, { z: 30, stiffness: { x: 1, y: 2, z: 3 } }),
    foot('2', 380, -190, { z: -20, stiffness: { x: 0.5, y: 1, z: 1.5 }, turn: 0.4 }),
    foot('3', 10, 260, { stiffness: { x: 2, y: 1, z: 0.7 }, takes: { mx: true, my: false, mz: false } }),
    foot('4', -30, -240, { z: 80, takes: { mx: true, my: true, mz: true } }),
    foot('5', -400, 150, { stiffness: { x: 1, y: 1, z: 5 }, turn: -1.1, takes: { mx: false, my: true, mz: true } }),
    foot('6', -350, -170, { z: 55, stiffness: { x: 3, y: 0.2, z: 1 } }),
  ];
  const v = load({ fx: 900, fy: -400, fz: -2500, mx: 120_000, my: -310_000, mz: 45_000 });
  // Each foot by the displacement of its own point, written out by components; no matrix of the code under test is used.
  const K = Matrix.zeros(6, 6);
  const parts = six.map((f) => {
    const [c, s] = [Math.cos(f.turn), Math.sin(f.turn)];
    // Local displacement per unit of each of the six movements of the body.
    const rows = [
      [c, s, 0, -s * f.z, c * f.z, -c * f.y + s * f.x],
      [-s, c, 0, -c * f.z, -s * f.z, s * f.y + c * f.x],
      [0, 0, 1, f.y, -f.x, 0],
      [0, 0, 0, c, s, 0],
      [0, 0, 0, -s, c, 0],
      [0, 0, 0, 0, 0, 1],
    ];
    const k = [
      f.stiffness.x,
      f.stiffness.y,
      f.stiffness.z,
      f.takes.mx ? (f.stiffness.z * f.width ** 2) / 12 : 0,
      f.takes.my ? (f.stiffness.z * f.length ** 2) / 12 : 0,
      f.takes.mz ? (f.stiffness.x * f.width ** 2 + f.stiffness.y * f.length ** 2) / 12 : 0,
    ];
    for (let i = 0; i < 6; i++)
      for (let j = 0; j < 6; j++)
        K.set(i, j, K.get(i, j) + k.reduce((sum, stiff, n) => sum + stiff * rows[n]![i]! * rows[n]![j]!, 0));
    return { k, rows };
  });
  const q = solve(K, Matrix.columnVector([v.fx, v.fy, v.fz, v.mx, v.my, v.mz])).to1DArray();
  const found = shared(stands(six, { rule: 'moments' }), v);
  six.forEach((f, n) => {
    const { k, rows } = parts[n]!;
    const want = k.map((stiff, i) => stiff * rows[i]!.reduce((sum, r, j) => sum + r * q[j]!, 0));
    const { load: got } = found.get(f.id)!;
    [got.fx, got.fy, got.fz, got.mx, got.my, got.mz].forEach((g, i) => expect(Math.abs(g - want[i]!)).toBeLessThan(1e-6 * 3e5));
  });
});

it('a rail takes pitch along its length and no roll: two of them hold a moment about y without lifting', () => {
  const rail = { length: 800, width: 40, takes: { mx: false, my: true, mz: false } };
  const rails = [foot('port', 0, 200, rail), foot('starboard', 0, -200, rail)];
  const found = shared(stands(rails, { rule: 'moments' }), { fx: 1000, my: 250_000, mx: -60_000 });
  expect(round(found.get('port')!.load)).toEqual([500, 0, -150, 0, 125_000, 0]);
  expect(round(found.get('starboard')!.load)).toEqual([500, 0, 150, 0, 125_000, 0]);
});

it('legs that bend: no moment at half their height, V·h/2 at the foot (portal method, common practice)', () => {
  const frame = [foot('port', 0, 500), foot('starboard', 0, -500)];
  // 800 N to port at the stiff top, 1200 mm up: each foot takes 400 N, the overturning about half height goes as a couple over 1 m.
  const found = shared(stands(frame, { rule: 'legs', legHeight: 1200 }), { fy: 800, mx: -800 * 1200 });
  expect(round(found.get('port')!.load)).toEqual([0, 400, -480, -400 * 600, 0, 0]);
  expect(round(found.get('starboard')!.load)).toEqual([0, 400, 480, -400 * 600, 0, 0]);
});

it('any one of four idle: each set of three by itself, by statics; a set that cannot hold the load is left out', () => {
  const sets = toFeet(stands(FOUR, { rule: 'some count', count: 3 }), load({ fz: -1200 }));
  if (isRefusal(sets)) throw new Error(sets.because);
  // With one idle its opposite one carries nothing either: the two across hold all of a weight in the middle.
  expect(sets).toHaveLength(4);
  for (const m of sets) {
    const z = [...m.values()].map((a) => Math.round(a.load.fz) || 0).sort((a, b) => a - b);
    expect(z).toEqual([-600, -600, 0]);
    expect([...m.values()][0]!.set.idle).toMatch(/^, (fore|aft) (port|starboard) idle$/);
  }
  // Of two opposite ones only the diagonals hold a weight in the middle.
  const two = toFeet(stands(FOUR, { rule: 'some count', count: 2 }), load({ fz: -1200 }));
  if (isRefusal(two)) throw new Error(two.because);
  expect(two.map((m) => [...m.keys()])).toEqual([
    ['fore port', 'aft starboard'],
    ['fore starboard', 'aft port'],
  ]);
});

it('unlike shares, along the line of the feet: each takes what it is given, whatever its springs are (statics)', () => {
  const feet = [
    foot('A', 200, 0, { part: 0.7, stiffness: { x: 1, y: 1, z: 1 } }),
    foot('B', -200, 0, { part: 0.3, stiffness: { x: 9, y: 1, z: 1 } }),
  ];
  expect(forces(shared(stands(feet, { rule: 'given' }), { fx: 1000 }))).toEqual({ A: [700, 0, 0], B: [300, 0, 0] });
  expect(forces(shared(stands(feet), { fx: 1000 }))).toEqual({ A: [100, 0, 0], B: [900, 0, 0] });
});

it('shares as given, with the moment left over as couples', () => {
  const two = [foot('A', 300, 0, { part: 0.7 }), foot('B', -300, 0, { part: 0.3 })];
  // 0.7 and 0.3 of 1000 N down at the middle: 300·700 − 300·300 of moment is left, a couple of 200 N over 600 mm.
  expect(forces(shared(stands(two, { rule: 'given' }), { fz: -1000 }))).toEqual({ A: [0, 0, -500], B: [0, 0, -500] });
  const at = -0.4 * 300;
  expect(forces(shared(stands(two, { rule: 'given' }), { fz: -1000, my: 1000 * -at }))).toEqual({
    A: [0, 0, -700],
    B: [0, 0, -300],
  });
});

it('any four of eight: all 70 sets are asked, and the order the feet are written in moves nothing', () => {
  const eight = Array.from({ length: 8 }, (_, i) => {
    const at = (k: number) => Math.round(400 * Math.cos(0.1 + (i * Math.PI) / 4 - (k * Math.PI) / 2));
    return foot(`F${i + 1}`, at(0), at(1));
  });
  const v = load({ fz: -16_000, my: 6e6 });
  // F1 pulled most, over every four of the eight by a 3 × 3 solve of its own; a set in line holds nothing and is left out.
  const sets = eight.flatMap((a, i) =>
    eight
      .slice(i + 1)
      .flatMap((b, j) => eight.slice(i + j + 2).flatMap((c, k) => eight.slice(i + j + k + 3).map((d) => [a, b, c, d]))),
  );
  expect(sets).toHaveLength(70);
  const pulls = sets.flatMap((four) => {
    const rows = four.map(({ x, y }) => [1, y, -x]);
    const K = rows.reduce((sum, r) => sum.add(Matrix.columnVector(r).mmul(Matrix.rowVector(r))), Matrix.zeros(3, 3));
    const q = solve(K, Matrix.columnVector([v.fz, 0, v.my])).to1DArray();
    return four.flatMap(({ id }, i) => (id === 'F1' ? [rows[i]!.reduce((sum, r, k) => sum + r * q[k]!, 0)] : []));
  });
  const most = (feet: readonly FootPlace[]) => {
    const found = toFeet(stands(feet, { rule: 'some count', count: 4 }), v);
    if (isRefusal(found)) throw new Error(found.because);
    expect(found).toHaveLength(70);
    return Math.max(...found.map((m) => m.get('F1')?.load.fz ?? -Infinity));
  };
  expect(most(eight)).toBeCloseTo(Math.max(...pulls), 6);
  expect(most([...eight].reverse())).toBeCloseTo(most(eight), 6);
});

describe('feet that only rest', () => {
  const resting = FOUR.map((f) => ({ ...f, restsOnly: true }));
  const some = FOUR.map((f) => ({ ...f, restsOnly: f.x < 0 }));
  it('hold nothing sideways: all of a level push goes to those that are held down (statics: 220/2)', () => {
    const at = shared(stands(some), { fx: 220_000, fz: -1000 });
    expect(forces(at)).toEqual({
      'fore port': [110_000, 0, -250],
      'fore starboard': [110_000, 0, -250],
      'aft port': [0, 0, -250],
      'aft starboard': [0, 0, -250],
    });
    expect(toFeet(stands(resting), load({ fx: 1, fz: -1000 }))).toMatchObject({
      because: 'nothing holds a force along x',
      allowed: expect.stringContaining('only rests holds nothing sideways'),
    });
  });
  it('hold nothing sideways where their share is given either, and take no moment', () => {
    const given = some.map((f) => ({ ...f, part: 0.25, takes: { mx: true, my: true, mz: true } }));
    for (const rule of ['given', 'moments'] as const) {
      const at = shared(stands(given, { rule }), { fx: 1000, fy: 600, fz: -4000 });
      for (const f of given.filter((f) => f.restsOnly)) {
        const { fx, fy, mx, my, mz } = at.get(f.id)!.load;
        expect([fx, fy, mx, my, mz].map((n) => Math.round(n * 1e6) || 0)).toEqual([0, 0, 0, 0, 0]);
      }
    }
  });
  it('press and never pull: a weight past the aft feet’s line is held by nothing', () => {
    const off = toFeet(stands(resting), load({ fz: -1000, my: -1000 * 260 }));
    expect(off).toMatchObject({ field: 'standing' });
  });
  it('let go where they would be pulled, and the others take it all (two fore feet: 800 N at x 150, statics)', () => {
    const aftLoose = FOUR.map((f) => ({ ...f, restsOnly: f.x < 0 }));
    const found = shared(stands(aftLoose), { fz: -800, my: 800 * 200 });
    expect(forces(found)).toMatchObject({ 'fore port': [0, 0, -400], 'fore starboard': [0, 0, -400] });
  });
});

it('two feet in line hold what comes along it and refuse the moment about it, by name', () => {
  const line = [foot('A', 300, 0), foot('B', -300, 0)];
  expect(forces(shared(stands(line), { fz: -600, my: 60_000 }))).toEqual({ A: [0, 0, -400], B: [0, 0, -200] });
  expect(toFeet(stands(line), load({ fy: 100, mx: -100 * 50 }))).toMatchObject({
    field: 'standing',
    because: 'nothing holds a moment about x',
    allowed: expect.stringContaining('feet that hold it'),
  });
  // A foot that takes a moment about the line makes it hold.
  const wide = line.map((f) => ({ ...f, takes: { mx: true, my: false, mz: false } }));
  expect(round(shared(stands(wide, { rule: 'moments' }), { mx: -5000 }).get('A')!.load)).toEqual([0, 0, 0, -2500, 0, 0]);
});

describe('whatever the feet', () => {
  const place = fc.record({
    x: fc.integer({ min: -900, max: 900 }),
    y: fc.integer({ min: -900, max: 900 }),
    z: fc.integer({ min: -200, max: 200 }),
    turn: fc.double({ min: -3, max: 3, noNaN: true }),
    k: fc.double({ min: 0.2, max: 5, noNaN: true }),
  });
  const feetOf = fc
    .array(place, { minLength: 3, maxLength: 7 })
    .map((list) => list.map(({ x, y, z, turn, k }, i) => foot(`F${i}`, x, y, { z, turn, stiffness: { x: k, y: k, z: 2 * k } })));
  const vector = fc
    .array(fc.integer({ min: -5000, max: 5000 }), { minLength: 6, maxLength: 6 })
    .map(([fx, fy, fz, mx, my, mz]) => load({ fx: fx!, fy: fy!, fz: fz!, mx: mx! * 100, my: my! * 100, mz: mz! * 100 }));
  const rules = fc.constantFrom<Stands['rule']>('force only', 'legs', 'given');
  const close = (a: Vector, b: Vector, size: number) => {
    for (const w of ['fx', 'fy', 'fz'] as const) expect(Math.abs(a[w] - b[w])).toBeLessThan(1e-7 * size);
    for (const w of ['mx', 'my', 'mz'] as const) expect(Math.abs(a[w] - b[w])).toBeLessThan(1e-7 * size * 1000);
  };
  const sizeOf = (v: Vector) => 1 + Math.hypot(v.fx, v.fy, v.fz) + Math.hypot(v.mx, v.my, v.mz) / 100;

  it('what comes to them is the load again, about the datum (equilibrium)', () => {
    fc.assert(
      fc.property(feetOf, vector, rules, (feet, v, rule) => {
        const found = toFeet(stands(feet, { rule, legHeight: 600 }), v);
        if (isRefusal(found)) return;
        const sum = feet.reduce((s, f) => {
          const at = found[0]!.get(f.id)!.load;
          const back = about(inTurnedAxes(at, -f.turn), f, { x: 0, y: 0, z: 0 });
          return eachWay((w) => s[w] + back[w]);
        }, load({}));
        close(sum, v, sizeOf(v));
      }),
    );
  });
  it('turning all of it, and mirroring all of it, moves no figure', () => {
    fc.assert(
      fc.property(feetOf, vector, fc.double({ min: -3, max: 3, noNaN: true }), (feet, v, by) => {
        const a = toFeet(stands(feet), v);
        if (isRefusal(a)) return;
        const [c, s] = [Math.cos(by), Math.sin(by)];
        const turned = feet.map((f) => ({ ...f, x: c * f.x - s * f.y, y: s * f.x + c * f.y, turn: f.turn + by }));
        const b = toFeet(stands(turned), inTurnedAxes(v, -by));
        const flipped = feet.map((f) => ({ ...f, y: -f.y, turn: -f.turn }));
        const m = toFeet(stands(flipped), { ...v, fy: -v.fy, mx: -v.mx, mz: -v.mz });
        if (isRefusal(b) || isRefusal(m)) throw new Error('held before');
        for (const f of feet) {
          const one = a[0]!.get(f.id)!.load;
          close(b[0]!.get(f.id)!.load, one, sizeOf(v));
          const other = m[0]!.get(f.id)!.load;
          close({ ...other, fy: -other.fy, mx: -other.mx, mz: -other.mz }, one, sizeOf(v));
        }
      }),
    );
  });
  it('a foot split in two of half the stiffness in one place takes half in each', () => {
    fc.assert(
      fc.property(feetOf, vector, (feet, v) => {
        const [first, ...rest] = feet as [FootPlace, ...FootPlace[]];
        const half = { x: first.stiffness.x / 2, y: first.stiffness.y / 2, z: first.stiffness.z / 2 };
        const a = toFeet(stands(feet), v);
        const b = toFeet(stands([{ ...first, stiffness: half }, { ...first, id: 'twin', stiffness: half }, ...rest]), v);
        if (isRefusal(a) || isRefusal(b)) return expect(isRefusal(a)).toBe(isRefusal(b));
        const one = a[0]!.get(first.id)!.load;
        for (const id of [first.id, 'twin'])
          close(
            b[0]!.get(id)!.load,
            eachWay((w) => one[w] / 2),
            sizeOf(v),
          );
        return undefined;
      }),
    );
  });
});

it('resting feet: of all sets that may touch, the one in which what touches presses and what does not is lifted (each tried, statics)', () => {
  const at = fc.integer({ min: -400, max: 400 });
  const place = fc.tuple(at, at);
  let settled = 0;
  fc.assert(
    fc.property(
      fc.array(place, { minLength: 3, maxLength: 3 }),
      fc.array(place, { minLength: 2, maxLength: 4 }),
      fc.tuple(fc.integer({ min: -9000, max: 3000 }), at, at),
      (held, resting, [fz, ex, ey]) => {
        const [a, b, c] = held as [[number, number], [number, number], [number, number]];
        // Three held feet far from one line hold every load, so that there is one answer.
        fc.pre(Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) > 30_000 && Math.abs(fz) > 500);
        const feet = [
          ...held.map(([x, y], i) => foot(`H${i}`, x, y)),
          ...resting.map(([x, y], i) => foot(`R${i}`, x, y, { restsOnly: true })),
        ];
        const load = { fz, mx: fz * ey, my: -fz * ex };
        const ours = forces(shared(stands(feet), load));
        const right: number[][] = [];
        for (let set = 0; set < 2 ** resting.length; set++) {
          const on = feet.map((f, i) => !f.restsOnly || (set & (2 ** (i - 3))) > 0);
          const rows = feet.map((f) => [1, f.y, -f.x]);
          const K = [0, 1, 2].map((p) => [0, 1, 2].map((q) => rows.reduce((s, r, i) => s + (on[i] ? r[p]! * r[q]! : 0), 0)));
          const u = solve(new Matrix(K), Matrix.columnVector([load.fz, load.mx, load.my])).to1DArray();
          const lift = rows.map((r) => r.reduce((s, v, k) => s + v * u[k]!, 0));
          if (feet.every((f, i) => !f.restsOnly || (on[i] ? lift[i]! <= 1e-9 : lift[i]! >= -1e-9)))
            right.push(lift.map((v, i) => (on[i] ? v : 0)));
        }
        expect(right.length).toBeGreaterThan(0);
        settled++;
        feet.forEach((f, i) => expect(Math.abs((ours[f.id]?.[2] ?? 0) - right[0]![i]!)).toBeLessThan(1e-5 * Math.abs(fz)));
      },
    ),
    { numRuns: 60, seed: 3 },
  );
  expect(settled).toBeGreaterThan(40);
});
