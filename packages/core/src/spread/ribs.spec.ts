import { linesThrough } from './grid';
import type { Job } from '../job/schema';
import { USUAL_SPREAD, SpreadRules } from '../job/spread-rules';
import { casesOf } from '../loads/cases';
import { solvedCase } from '../testing/solved-case';
import { resolved, testJob } from '../testing/test-job';
import { stackOf } from './from-job';
import { isotropic, ribbed, turned } from './plate-element';
import { liftAt } from './plate-results';
import { solverOf } from './solve-stack';
import { spreadOf, type SpreadCase } from './spread';
import { viewOf } from './view';
import type { Support } from './stack';

const E = 210_000;

/** Second moment of a T about its own axis, summed over 20,000 slices: flange b × t below, web t_r × h on it. */
function teeBySlices(b: number, t: number, tr: number, h: number): number {
  const n = 20_000;
  const dz = (t + h) / n;
  let [area, first, second] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    const z = (i + 0.5) * dz;
    const dA = (z < t ? b : tr) * dz;
    area += dA;
    first += dA * z;
    second += dA * z * z;
  }
  return second - (first * first) / area;
}

it.each([
  [100, 6, 6, 40],
  [60, 10, 8, 80],
  [200, 12, 10, 25],
])('along its ribs it is the T of flange and web: %d × %d with a rib %d × %d', (b, t, tr, h) => {
  const { D11, D22 } = ribbed(E, 0, t, (tr * h) / b, h);
  expect((D11 * b) / (E * teeBySlices(b, t, tr, h))).toBeCloseTo(1, 3);
  // Across them there is the plate alone (Timoshenko & Woinowsky-Krieger §85).
  expect(D22).toBe(isotropic(E, 0, t).D11);
});

it('a ribbed strip on two supports gives what the T gives: PL³/48EI', () => {
  const [L, B] = [600, 60];
  const grid = { x: linesThrough([-L / 2, 0, L / 2], L / 40), y: Float64Array.from([-B / 2, 0, B / 2]) };
  const nx = grid.x.length;
  const supports = [0, nx - 1].flatMap((i) =>
    [0, 1, 2].map((j): Support => ({ layer: 0, node: i + j * nx, w: true, betaX: false, betaY: true, of: 'end' })),
  );
  const layer = {
    name: 'base',
    outline: { x0: -L / 2, x1: L / 2, y0: -B / 2, y1: B / 2 },
    stiffness: ribbed(E, 0, 8, (6 * 40) / B, 40),
    thickness: 8,
  };
  const s = solverOf({ grid, layers: [layer], contacts: [], bolts: [], supports, springs: [] });
  const m = (nx - 1) / 2;
  const r = s.solve({ forces: [0.25, 0.5, 0.25].map((k, j) => ({ layer: 0, node: m + j * nx, fz: -1000 * k })) });
  if ('refused' in r) throw new Error(r.because);
  const bent = (1000 * L ** 3) / (48 * E * teeBySlices(B, 8, 6, 40));
  // The plate's own shear adds PL/4S to it.
  const sheared = (1000 * L) / (4 * B * layer.stiffness.S1);
  expect(-liftAt(s.assembly, r, 0, m + nx) / (bent + sheared)).toBeCloseTo(1, 2);
});

it('turned, the two directions change over; twist and coupling stay', () => {
  const p = ribbed(E, 0.3, 8, 4, 40);
  expect(turned(p)).toEqual({ ...p, D11: p.D22, D22: p.D11 });
  expect(turned(turned(p))).toEqual(p);
});

const rules =
  (more: Partial<SpreadRules>) =>
  (j: Job): Job => ({ ...j, spread: { ...USUAL_SPREAD, ...more } });
const RIBS = { count: 3, height: 50, thickness: 6, along: 'x' } as const;

function first(more: Partial<SpreadRules>): SpreadCase {
  const job = testJob({ fx: 3000, fz: 2000, z: 120 }, rules(more));
  return solvedCase(job);
}

it('ribs go on the base by their number over its width, the way they run', () => {
  const stiffness = (along: 'x' | 'y') => {
    const made = stackOf(resolved(testJob({}, rules({ ribs: { ...RIBS, along } }))), 'draft');
    if ('refused' in made) throw new Error(made.because);
    return made.stack.layers[0]!.stiffness;
  };
  const t = testJob().base.thickness.v;
  // Base 120 fore and aft, 100 across.
  expect(stiffness('x').D11).toBeCloseTo(ribbed(E, 0.3, t, (3 * 50 * 6) / 100, 50).D11, 3);
  expect(stiffness('y').D22).toBeCloseTo(ribbed(E, 0.3, t, (3 * 50 * 6) / 120, 50).D11, 3);
  expect(stiffness('x').D22).toBe(isotropic(E, 0.3, t).D22);
});

it('a ribbed base bends less than a plain one and no less than a rigid one', () => {
  const bow = (c: SpreadCase) => {
    const { x, y } = c.assembly.stack.grid;
    const at = (px: number) => {
      const i = [...x].findIndex((v) => Math.abs(v - px) < 1e-6);
      const j = [...y].findIndex((v) => v >= 0);
      return liftAt(c.assembly, c.result, 0, i + j * x.length);
    };
    const middle = [...x].reduce((a, v) => (Math.abs(v) < Math.abs(a) ? v : a));
    const straight = at(-60) + ((at(60) - at(-60)) * (middle + 60)) / 120;
    return Math.abs(at(middle) - straight);
  };
  const [plain, ribs, rigid] = [bow(first({})), bow(first({ ribs: RIBS })), bow(first({ base: 'rigid' }))];
  expect(ribs).toBeLessThan(plain);
  expect(rigid).toBeLessThan(ribs);
});

it('the stress of a base that stands for more than a plate is not read', () => {
  const job = testJob({ fx: 3000, fz: 2000, z: 120 }, rules({ ribs: RIBS }));
  const s = spreadOf(resolved(job), casesOf(job), 'draft');
  if ('refused' in s) throw new Error(s.because);
  const [base, plate] = viewOf(resolved(job), s, s.cases[0]!.caseId)!.layers;
  expect(base!.top.every(Number.isNaN)).toBe(true);
  expect(plate!.top.some((v) => v > 0)).toBe(true);
});

it.each([
  [{ ribs: { ...RIBS, count: 0 } }, /Ribs: allowed 1 to 20/],
  [{ ribs: { ...RIBS, count: 2.5 } }, /Ribs: allowed 1 to 20/],
  [{ ribs: { ...RIBS, height: 301 } }, /Rib height: allowed 1 to 300 mm/],
  [{ ribs: { ...RIBS, thickness: 0 } }, /Rib thickness: allowed 1 to 50 mm/],
  [{ taper: { width: 600, to: 0.5 } }, /Taper width: allowed 1 to 500 mm/],
  [{ taper: { width: 30, to: 0 } }, /Taper: allowed 0.1 to 1/],
])('%j is refused by its name and range', (more, words) => {
  const read = SpreadRules.safeParse({ ...USUAL_SPREAD, ...more });
  expect(read.success ? '' : read.error.issues[0]!.message).toMatch(words);
});
