import { assemble } from './assemble';
import { carryShape, carryState } from './carry-state';
import { lineAt, linesThrough, nearestLine, nodesOf } from './grid';
import { isotropic } from './plate-element';
import { unknownOf } from './pattern';
import type { Stack } from './stack';

/** Two plates on each other with a bolt at the origin, cells of at most `h`. */
function stack(h: number): Stack {
  const grid = { x: linesThrough([-100, 0, 100], h), y: linesThrough([-60, 0, 60], h) };
  const layer = (name: string) => ({
    name,
    outline: { x0: -100, x1: 100, y0: -60, y1: 60 },
    stiffness: isotropic(210_000, 0.3, 6),
    thickness: 6,
  });
  const node = lineAt(grid.x, 0) + lineAt(grid.y, 0) * grid.x.length;
  return {
    grid,
    layers: [layer('upper'), layer('lower')],
    contacts: [{ upper: 0, lower: 1, modulus: 100, tied: false, gap: 0 }],
    bolts: [{ id: 'B1', node, upper: 0, lower: 1, stiffness: 1e5, preload: 0 }],
    supports: [],
    springs: [],
  };
}

describe('lines of a grid', () => {
  it('pass through every wanted place, no wider apart than asked, each place once', () => {
    const lines = linesThrough([100, 0, 30, 30, 30 + 1e-9], 15);
    expect([...lines]).toEqual([0, 15, 30, 44, 58, 72, 86, 100]);
    for (const v of [0, 30, 100]) expect(lineAt(lines, v)).toBeGreaterThanOrEqual(0);
    expect(lineAt(lines, 31)).toBe(-1);
    expect(lineAt(Float64Array.from([]), 3)).toBe(-1);
    expect(nearestLine(lines, 37.4)).toBe(3);
    expect(nearestLine(lines, -50)).toBe(0);
  });
});

describe('what acts, carried to another mesh', () => {
  const [coarse, fine] = [assemble(stack(20)), assemble(stack(7))];
  /** Contacts that press fore of the middle, the bolt slack. */
  const state = Uint8Array.from(coarse.links, (l) =>
    l.kind === 'contact' && coarse.stack.grid.x[l.node % coarse.stack.grid.x.length]! > 5 ? 1 : 0,
  );

  it('each link as its nearest in place; a bolt by its name', () => {
    const carried = carryState(coarse, state, fine);
    fine.links.forEach((l, i) => {
      if (l.kind === 'bolt') return expect(carried[i]).toBe(0);
      const x = fine.stack.grid.x[l.node % fine.stack.grid.x.length]!;
      if (Math.abs(x - 10) > 4) expect(carried[i]).toBe(x > 10 ? 1 : 0);
    });
  });
  it('to itself it is itself; what was not there before acts', () => {
    expect(carryState(coarse, state, coarse)).toEqual(state);
    const renamed = assemble({ ...stack(20), bolts: [{ ...stack(20).bolts[0]!, id: 'B9' }] });
    expect(carryState(coarse, state, renamed)[renamed.links.findIndex((l) => l.kind === 'bolt')]).toBe(1);
  });
});

describe('a shape carried to another mesh', () => {
  const [coarse, fine] = [assemble(stack(20)), assemble(stack(7))];
  const shapeOn = (a: typeof coarse, f: (x: number, y: number) => number) => {
    const u = new Float64Array(a.place.length);
    const nx = a.stack.grid.x.length;
    for (let layer = 0; layer < 2; layer++)
      for (let n = 0; n < nodesOf(a.stack.grid); n++)
        u[unknownOf(a.nodes, layer, n, 0)] = (layer + 1) * f(a.stack.grid.x[n % nx]!, a.stack.grid.y[Math.floor(n / nx)]!);
    return u;
  };
  it('keeps a plane and a twist exactly, layer by layer', () => {
    const f = (x: number, y: number) => 0.3 + 0.01 * x - 0.02 * y + 1e-4 * x * y;
    const carried = carryShape(coarse, shapeOn(coarse, f), fine);
    const wanted = shapeOn(fine, f);
    carried.forEach((v, i) => expect(v).toBeCloseTo(wanted[i]!, 12));
  });
  it('a curve to the square of its cells: h²/8 of its curvature at most', () => {
    const f = (x: number) => 1e-3 * x * x;
    const carried = carryShape(coarse, shapeOn(coarse, f), fine);
    const wanted = shapeOn(fine, f);
    const off = carried.reduce((most, v, i) => Math.max(most, Math.abs(v - wanted[i]!)), 0);
    expect(off).toBeLessThanOrEqual(2 * ((20 ** 2 / 8) * 2e-3) + 1e-12);
    expect(off).toBeGreaterThan(0);
  });
});
