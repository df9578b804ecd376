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
  const xOf = (a: typeof coarse, node: number) => a.stack.grid.x[node % a.stack.grid.x.length]!;
  /** The upper plate turned about athwart a line, the lower flat: what is fore of it presses; the bolt slack. */
  const turnedAbout = (a: typeof coarse, line: number) => {
    const u = new Float64Array(a.place.length);
    for (let n = 0; n < a.nodes; n++) u[unknownOf(a.nodes, 0, n, 0)] = 1e-3 * (line - xOf(a, n));
    return { u, state: Uint8Array.from(a.links, (l) => (l.kind === 'contact' && xOf(a, l.node) > line ? 1 : 0)) };
  };

  it.each([5, 13, 37])('contact to the line where the plates part, x = %p, between nodes too; a bolt by its name', (line) => {
    const carried = carryState(coarse, turnedAbout(coarse, line), fine);
    fine.links.forEach((l, i) => expect(carried[i]).toBe(l.kind === 'contact' && xOf(fine, l.node) > line ? 1 : 0));
  });
  it('a gap before the load is taken off', () => {
    const gapped = assemble({ ...stack(7), contacts: [{ ...stack(7).contacts[0]!, gap: 0.02 }] });
    const carried = carryState(coarse, turnedAbout(coarse, 5), gapped);
    gapped.links.forEach((l, i) => l.kind === 'contact' && expect(carried[i]).toBe(xOf(gapped, l.node) > 25 ? 1 : 0));
  });
  it('where the other had no plates on each other, as the nearest that had', () => {
    const short = stack(20);
    const narrow = assemble({
      ...short,
      layers: [{ ...short.layers[0]!, outline: { x0: -100, x1: 60, y0: -60, y1: 60 } }, short.layers[1]!],
    });
    const carried = carryState(narrow, turnedAbout(narrow, 5), coarse);
    coarse.links.forEach((l, i) => l.kind === 'contact' && expect(carried[i]).toBe(xOf(coarse, l.node) > 5 ? 1 : 0));
  });
  it('to itself it is itself; what was not there before acts', () => {
    const was = turnedAbout(coarse, 5);
    expect(carryState(coarse, was, coarse)).toEqual(was.state);
    const renamed = assemble({ ...stack(20), bolts: [{ ...stack(20).bolts[0]!, id: 'B9' }] });
    expect(carryState(coarse, was, renamed)[renamed.links.findIndex((l) => l.kind === 'bolt')]).toBe(1);
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
