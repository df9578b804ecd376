import { Matrix, solve } from 'ml-matrix';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { casesOf } from '../loads/cases';
import { D, E, NU, quarterCircle, solved, T, uniform } from '../reference/plates-and-beams';
import { solvedCase } from '../testing/solved-case';
import { resolved, testJob } from '../testing/test-job';
import { SKIN, stackOf } from './from-job';
import { liftAt } from './plate-results';
import { spreadOf, type SpreadCase } from './spread';

const R = 500;
const Q = 1e-3;

/** A quarter of a ring clamped at R and free at b, its hole weighed out of the cells of a grid that knows nothing of it. */
function ring(n: number, b: number): { at: number[]; w: number[] } {
  const plate = quarterCircle(n, 'clamped', R, {}, b);
  const { s, r } = solved(plate, (s) => uniform(s, Q));
  const lines = plate.grid.x;
  const at = [...lines].filter((x) => x > b && x < R);
  return { at, w: at.map((x) => liftAt(s.assembly, r, 0, lines.indexOf(x))) };
}

/**
 * The same by the plate equation in polar coordinates (Timoshenko & Woinowsky-Krieger §16–17): w = C1 + C2·r² + C3·ln r +
 * C4·r²·ln r + qr⁴/64D, clamped at R, without moment or shear at b.
 */
function exactRing(b: number): (r: number) => number {
  const p = Q / (64 * D);
  const w = (r: number) => [1, r * r, Math.log(r), r * r * Math.log(r), p * r ** 4];
  const slope = (r: number) => [0, 2 * r, 1 / r, 2 * r * Math.log(r) + r, 4 * p * r ** 3];
  const curve = (r: number) => [0, 2, -1 / r ** 2, 2 * Math.log(r) + 3, 12 * p * r * r];
  const moment = (r: number) => curve(r).map((v, i) => v + (NU * slope(r)[i]!) / r);
  const shear = (r: number) => [0, 0, 0, 4 / r, 32 * p * r];
  const rows = [w(R), slope(R), moment(b), shear(b)];
  const c = solve(new Matrix(rows.map((x) => x.slice(0, 4))), Matrix.columnVector(rows.map((x) => -x[4]!))).to1DArray();
  return (r) => w(r).reduce((sum, v, i) => sum + v * (c[i] ?? 1), 0);
}

it('a ring clamped outside, free inside: the hole weighed by area comes to the plate equation', () => {
  const off = (n: number) => {
    const { at, w } = ring(n, 100);
    return Math.max(...at.slice(0, 4).map((x, i) => Math.abs(w[i]! / exactRing(100)(x) - 1)));
  };
  const [coarse, fine] = [off(16), off(32)];
  expect(coarse).toBeLessThan(0.035);
  expect(fine).toBeLessThan(0.02);
  // w at a free edge b = R/5 of a clamped ring: 0.175·qR⁴/Et³ (Timoshenko & Woinowsky-Krieger Tab. 3, from memory).
  expect((exactRing(100)(100) * E * T ** 3) / (Q * R ** 4)).toBeCloseTo(0.175, 3);
});

const q = (v: number) => fromSheet(v, `${v} mm`);
const hole = (x: number, y: number, d: number, use: 'stay clear' | 'fill' | 're-use' = 'stay clear') => ({
  id: 'E1',
  x,
  y,
  d: q(d),
  use,
});
const withHoles =
  (...existing: ReturnType<typeof hole>[]) =>
  (j: Job): Job => ({ ...j, survey: { ...j.survey, existing } });

function first(change: (j: Job) => Job = (j) => j): SpreadCase {
  const job = testJob({ fz: -6000 }, change);
  return solvedCase(job);
}

it('an old hole left open takes its own area out of the skin, and the skin gives more; filled or used again it takes nothing', () => {
  const there = (c: SpreadCase) =>
    c.assembly.cells.filter((k) => k.layer === SKIN).reduce((sum, k) => sum + k.a * k.b * k.part, 0);
  const whole = first();
  const open = first(withHoles(hole(150, 0, 60)));
  expect((there(whole) - there(open)) / ((Math.PI / 4) * 60 ** 2)).toBeCloseTo(1, 1);
  expect(open.deflection.value).toBeGreaterThan(whole.deflection.value);
  expect(open.balance).toBeLessThan(1e-6);
  for (const use of ['fill', 're-use'] as const)
    expect(first(withHoles(hole(150, 0, 60, use))).deflection.value).toBe(whole.deflection.value);
});

it('the grid has lines at the hole’s edges', () => {
  const made = stackOf(resolved(testJob({ fz: 1000 }, withHoles(hole(150, 40, 60)))), 'draft');
  if ('refused' in made) throw new Error(made.because);
  for (const x of [120, 180]) expect([...made.stack.grid.x]).toContain(x);
  for (const y of [10, 70]) expect([...made.stack.grid.y]).toContain(y);
});

it('an opening that leaves the plate nothing to stand on: refused by the name of what falls through', () => {
  // A pressed plate over a hole wider than itself; no bolt has skin to hold it.
  const job = testJob({ fz: -6000 }, (j) => ({ ...withHoles(hole(0, 0, 400))(j), bolts: { ...j.bolts, items: [] } }));
  const r = resolved({ ...job, bolts: testJob().bolts, survey: testJob().survey });
  const s = spreadOf({ ...r, bolts: [], job }, casesOf(job), 'draft');
  const c = 'refused' in s ? s : s.cases[0]!;
  expect(c).toMatchObject({ refused: true, because: expect.stringMatching(/freely: nothing holds it|held by nothing/) });
});

it('slots take their length out of the base, but not under the heads that bridge them; round holes are filled by their bolts', () => {
  const base = (slot: number): Job['base'] => {
    const j = testJob();
    const holes = [40, -40].map((x, i) => ({ id: `H${i + 1}`, x, y: 0 }));
    return { ...j.base, hole: q(11), slot: q(slot), slotAlong: 'y', holes };
  };
  const area = (slot: number) => {
    const made = stackOf(resolved(testJob({ fz: 1000 }, (j) => ({ ...j, base: base(slot) }))), 'fine');
    if ('refused' in made) throw new Error(made.because);
    const { mask, outline } = made.stack.layers[0]!;
    if (!mask) return undefined;
    const { x, y } = made.stack.grid;
    let sum = 0;
    for (let j = 0; j < y.length - 1; j++)
      for (let i = 0; i < x.length - 1; i++)
        if (x[i]! >= outline.x0 && x[i + 1]! <= outline.x1 && y[j]! >= outline.y0 && y[j + 1]! <= outline.y1)
          sum += mask[i + j * (x.length - 1)]! * (x[i + 1]! - x[i]!) * (y[j + 1]! - y[j]!);
    return sum;
  };
  expect(area(0)).toBeUndefined();
  const lost = 2 * (30 * 11 + (Math.PI / 4) * 11 ** 2);
  expect((120 * 100 - area(30)!) / lost).toBeGreaterThan(0.85);
  expect((120 * 100 - area(30)!) / lost).toBeLessThan(1.15);
});
