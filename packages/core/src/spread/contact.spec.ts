import fc from 'fast-check';
import { balanceOf, liftAt } from './plate-results';
import { isotropic } from './plate-element';
import { linesThrough, nearestLine } from './grid';
import { retightened, solverOf, type Solver, type StackResult } from './solve-stack';
import type { Contact, Layer, Stack, StackLoad, Support } from './stack';

const E = 210_000;
const L = 400;
const B = 40;

/** A strip along x, ν 0 so that it is a beam; n cells along it. */
const lines = (n: number) => ({ x: linesThrough([-L / 2, 0, L / 2], L / n), y: Float64Array.from([-B / 2, 0, B / 2]) });
const strip = (name: string, t: number, half = L / 2, bed?: number): Layer => ({
  name,
  outline: { x0: -half, x1: half, y0: -B / 2, y1: B / 2 },
  stiffness: isotropic(E, 0, t),
  thickness: t,
  ...(bed ? { bed } : {}),
});
const on = (upper: number, lower: number, modulus = 1e5, gap = 0): Contact => ({ upper, lower, modulus, tied: false, gap });

/** Both ends of a layer on simple supports. */
function ends(grid: Stack['grid'], layer: number): Support[] {
  const nx = grid.x.length;
  return [0, nx - 1].flatMap((i) =>
    [0, 1, 2].map((j) => ({ layer, node: i + j * nx, w: true, betaX: false, betaY: true, of: i === 0 ? 'aft' : 'fore' })),
  );
}
const across = (grid: Stack['grid'], x: number, layer: number, fz: number): StackLoad['forces'] => {
  const i = nearestLine(grid.x, x);
  // Half in the middle, a quarter on each side: an even line across the strip.
  return [0.25, 0.5, 0.25].map((k, j) => ({ layer, node: i + j * grid.x.length, fz: fz * k }));
};
const mid = (grid: Stack['grid'], x = 0) => nearestLine(grid.x, x) + grid.x.length;

function solved(s: Solver, load: StackLoad): StackResult {
  const r = s.solve(load);
  if ('refused' in r) throw new Error(r.because);
  expect(balanceOf(s.assembly, r, load)).toBeLessThan(1e-6);
  for (const p of r.pressure) expect(p).toBeGreaterThanOrEqual(0);
  for (const b of r.bolts) expect(b).toBeGreaterThanOrEqual(0);
  return r;
}

it('two loose plates of t give four times what one of 2·t gives: 2·t³ against 8·t³', () => {
  const grid = lines(32);
  const nx = grid.x.length;
  const hold = (layer: number) => ends(grid, layer);
  const both = solverOf({
    grid,
    layers: [strip('upper', 6), strip('lower', 6)],
    contacts: [on(0, 1)],
    bolts: [],
    supports: [...hold(0), ...hold(1)],
    springs: [],
  });
  const one = solverOf({ grid, layers: [strip('solid', 12)], contacts: [], bolts: [], supports: hold(0), springs: [] });
  const load = (): StackLoad => ({ forces: across(grid, 0, 0, -100) });
  const ratio =
    liftAt(both.assembly, solved(both, load()), 1, mid(grid)) / liftAt(one.assembly, solved(one, load()), 0, mid(grid));
  expect(nx).toBeGreaterThan(30);
  expect(ratio).toBeCloseTo(4, 1);
});

it('a gap: the lower plate stays at rest until it is closed', () => {
  const grid = lines(32);
  const make = (gap: number) =>
    solverOf({
      grid,
      layers: [strip('upper', 6), strip('lower', 6)],
      contacts: [on(0, 1, 1e5, gap)],
      bolts: [],
      supports: [...ends(grid, 0), ...ends(grid, 1)],
      springs: [],
    });
  const load: StackLoad = { forces: across(grid, 0, 0, -100) };
  const alone = (100 * L ** 3) / (48 * E * ((B * 6 ** 3) / 12));
  const open = make(alone * 1.2);
  const r = solved(open, load);
  expect(Math.abs(liftAt(open.assembly, r, 1, mid(grid)))).toBeLessThan(1e-3 * alone);
  expect(liftAt(open.assembly, r, 0, mid(grid)) / -alone).toBeCloseTo(1, 2);
  const shut = make(alone * 0.5);
  expect(liftAt(shut.assembly, solved(shut, load), 1, mid(grid))).toBeLessThan(-0.1 * alone);
});

it('a strip pressed in its middle on a bed that only pushes lifts off at βx = π/2·… : its ends are in the air, and Hetényi’s finite beam is left', () => {
  // The bed is a stiff plate's stand-in: the strip lies on a held block through contact of modulus k, N/mm³.
  const k = 0.3;
  const t = 4;
  const I = (B * t ** 3) / 12;
  const beta = ((k * B) / (4 * E * I)) ** 0.25;
  const grid = lines(80);
  const block: Layer = strip('block', 200);
  const held: Support[] = Array.from({ length: grid.x.length * 3 }, (_, node) => ({
    layer: 1,
    node,
    w: true,
    betaX: true,
    betaY: true,
    of: 'bed',
  }));
  const s = solverOf({
    grid,
    layers: [strip('strip', t), block],
    contacts: [on(0, 1, k)],
    bolts: [],
    supports: held,
    springs: [],
  });
  const load: StackLoad = { forces: across(grid, 0, 0, -500) };
  const r = solved(s, load);
  const touching = (node: number) => r.pressure[node]! > 0;
  // A weightless beam lifts where an infinite one would pull: within βx of about π/2 to 3π/4 of the force.
  const edge = Math.max(...[...grid.x].filter((_, i) => touching(i + grid.x.length)));
  expect(beta * edge).toBeGreaterThan(Math.PI / 2 - 0.1);
  expect(beta * edge).toBeLessThan((3 * Math.PI) / 4);
  expect(liftAt(s.assembly, r, 0, mid(grid, L / 2))).toBeGreaterThan(0);
});

/**
 * Half of the strip below, apart from the program: Hermite beam elements from the middle (no turn there, P/2 up) to the tip at
 * 130, a bolt at 100 that only pulls, and bedding of 1e4 N/mm³ that only pushes, at every node.
 */
function halfBeam(t: number, P: number, K: number): { bolt: number } {
  const [h, count] = [2, 65];
  const n = 2 * (count + 1);
  const EI = E * ((B * t ** 3) / 12);
  const beam = [
    [12, 6 * h, -12, 6 * h],
    [6 * h, 4 * h * h, -6 * h, 2 * h * h],
    [-12, -6 * h, 12, -6 * h],
    [6 * h, 2 * h * h, -6 * h, 4 * h * h],
  ].map((row) => row.map((v) => (v * EI) / h ** 3));
  let touching: boolean[] = Array.from({ length: count + 1 }, () => true);
  for (let round = 0; round < 60; round++) {
    const A = Array.from({ length: n }, () => new Float64Array(n + 1));
    for (let e = 0; e < count; e++)
      for (let p = 0; p < 4; p++) for (let q = 0; q < 4; q++) A[2 * e + p]![2 * e + q]! += beam[p]![q]!;
    touching.forEach((on, i) => {
      const share = i === 0 || i === count ? 0.5 : 1;
      if (on) A[2 * i]![2 * i]! += 1e4 * B * h * share;
    });
    A[100]![100]! += K;
    A[0]![n] = P / 2;
    // No turn in the middle.
    A[1]!.fill(0);
    A[1]![1] = 1;
    const w = eliminated(A);
    const next = touching.map((_, i) => w[2 * i]! < 0);
    if (next.every((v, i) => v === touching[i])) return { bolt: K * w[100]! };
    touching = next;
  }
  throw new Error('the beam apart does not settle');
}

/** Gauss with pivots, on n rows of n + 1. */
function eliminated(A: Float64Array[]): number[] {
  const n = A.length;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(A[i]![k]!) > Math.abs(A[best]![k]!)) best = i;
    [A[k], A[best]] = [A[best]!, A[k]!];
    for (let i = k + 1; i < n; i++) {
      const f = A[i]![k]! / A[k]![k]!;
      if (f !== 0) for (let j = k; j <= n; j++) A[i]![j]! -= f * A[k]![j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = A[i]![n]!;
    for (let j = i + 1; j < n; j++) sum -= A[i]![j]! * x[j]!;
    x[i] = sum / A[i]![i]!;
  }
  return x;
}

/** A strip of plate pulled up by its middle, held by two bolts, on a stiff skin: prying against the T-stub, by an independent sum. */
describe('a two-bolt bracket pulled in its middle', () => {
  const K = 2e5;
  const grid = { x: linesThrough([-L / 2, -130, -100, 0, 100, 130, L / 2], 4), y: Float64Array.from([-B / 2, 0, B / 2]) };
  const make = (t: number, preload = 0): Solver => {
    const held: Support[] = Array.from({ length: grid.x.length * 3 }, (_, node) => ({
      layer: 1,
      node,
      w: true,
      betaX: true,
      betaY: true,
      of: 'skin',
    }));
    return solverOf({
      grid,
      layers: [strip('plate', t, 130), strip('skin', 100)],
      contacts: [on(0, 1, 1e4)],
      bolts: [-100, 100].map((x, i) => ({ id: `B${i + 1}`, node: mid(grid, x), upper: 0, lower: 1, stiffness: K, preload })),
      supports: held,
      springs: [],
    });
  };
  const pull: StackLoad = { forces: across(grid, 0, 0, 1000) };

  it('a thick plate pries nothing: each bolt takes half', () => {
    const r = solved(make(60), pull);
    expect(r.bolts[0]! / 500).toBeCloseTo(1, 2);
  });
  it('a thin one pries: bolts take more than the load, and the edges press; never more than the T-stub’s m/n', () => {
    const r = solved(make(8), pull);
    const sum = r.bolts[0]! + r.bolts[1]!;
    expect(sum).toBeGreaterThan(1010);
    // Elastic prying of a strip clamped by symmetry in its middle, over m 100 and n 30: Q/F at most m/(2n) for a stiff bolt.
    expect(sum).toBeLessThan(1000 * (1 + 100 / (2 * 30)));
  });
  it('agrees with an Euler beam on one-way springs worked out apart, by dense elimination', () => {
    // A beam knows no width: each bolt as a line of three across the strip.
    const beam = make(8);
    const lines = solverOf({
      ...beam.assembly.stack,
      bolts: beam.assembly.stack.bolts.flatMap((b) =>
        [0.25, 0.5, 0.25].map((k, row) => ({
          ...b,
          id: `${b.id}.${row}`,
          node: b.node + (row - 1) * grid.x.length,
          stiffness: K * k,
        })),
      ),
    });
    const r = solved(lines, pull);
    const bolt = r.bolts[0]! + r.bolts[1]! + r.bolts[2]!;
    expect(Math.abs(bolt / halfBeam(8, 1000, K).bolt - 1)).toBeLessThan(0.02);
  });
  it('preload keeps the joint shut: the bolt feels little of the pull', () => {
    const tight = solved(make(20, 3000), pull);
    const loose = solved(make(20, 0), pull);
    expect(
      tight.bolts[0]! - solved(make(20, 3000), { forces: [{ layer: 0, node: 0, fz: 0 }, ...across(grid, 0, 0, -50)] }).bolts[0]!,
    ).toBeLessThan(0.9 * loose.bolts[0]!);
  });
  it('tightened otherwise, on the same equations, it gives what a bracket made so gives', () => {
    const loose = make(20);
    solved(loose, pull);
    const { bolts } = loose.assembly.stack;
    for (const preload of [3000, 500, 0]) {
      const made = solved(make(20, preload), pull);
      const turned = solved(
        retightened(
          loose,
          bolts.map((b) => ({ ...b, preload })),
        ),
        pull,
      );
      made.bolts.forEach((v, i) => expect(turned.bolts[i]! / v).toBeCloseTo(1, 9));
      expect(turned.state).toEqual(made.state);
    }
  });
});

it('whatever pulls or pushes, nothing between the plates pulls and no bolt pushes, and all is in balance', () => {
  const grid = { x: linesThrough([-200, -80, 80, 200], 40), y: linesThrough([-200, -60, 60, 200], 40) };
  const nx = grid.x.length;
  const rim: Support[] = [];
  for (let j = 0; j < grid.y.length; j++)
    for (let i = 0; i < nx; i++)
      if (i === 0 || j === 0 || i === nx - 1 || j === grid.y.length - 1)
        rim.push({ layer: 1, node: i + j * nx, w: true, betaX: false, betaY: false, of: 'bearers' });
  const at = (x: number, y: number) => nearestLine(grid.x, x) + nearestLine(grid.y, y) * nx;
  const flat = (name: string, half: number, t: number): Layer => ({
    name,
    outline: { x0: -half, x1: half, y0: -half, y1: half },
    stiffness: isotropic(70_000, 0.3, t),
    thickness: t,
  });
  const s = solverOf({
    grid,
    layers: [flat('plate', 120, 10), flat('skin', 200, 5), flat('backing', 120, 4)],
    contacts: [on(0, 1, 500), on(1, 2, 500)],
    bolts: [
      [-80, -60],
      [80, -60],
      [80, 60],
      [-80, 60],
    ].map(([x, y], i) => ({ id: `B${i + 1}`, node: at(x!, y!), upper: 0, lower: 2, stiffness: 3e5, preload: 0 })),
    supports: rim,
    springs: [],
  });
  fc.assert(
    fc.property(
      fc.integer({ min: -2000, max: 2000 }),
      fc.integer({ min: -2000, max: 2000 }),
      fc.integer({ min: 100, max: 2000 }),
      (a, b, c) => {
        const load: StackLoad = {
          forces: [
            { layer: 0, node: at(0, 0), fz: c },
            { layer: 0, node: at(40, 40), fz: a },
            { layer: 0, node: at(-40, 0), fz: b },
          ],
        };
        solved(s, load);
      },
    ),
    { numRuns: 12 },
  );
});
