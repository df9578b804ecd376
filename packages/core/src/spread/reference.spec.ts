import { isotropic } from './plate-element';
import { lineAt, linesThrough } from './grid';
import { liftAt } from './plate-results';
import { solverOf } from './solve-stack';
import type { StackLoad, Support } from './stack';

/**
 * The same plate by GetFEM 5.4.2, a general-purpose finite-element library from Debian (Kirchhoff plate, Argyris triangles):
 * packages/core/reference/getfem-plates.py made these numbers. 600 × 400 × 5 mm, a pressure of 0.05 MPa on the patch
 * x 120…240, y 80…200 from the lower left corner; w, mm.
 */
const POINTS = [
  [180, 140],
  [300, 200],
  [420, 200],
  [180, 280],
  [480, 80],
] as const;
const GETFEM = {
  simple: [0.48489, 0.41323, 0.22738, 0.33392, 0.08811],
  clamped: [0.19066, 0.12783, 0.04069, 0.09675, 0.00636],
  'simple, one short edge free': [0.49598, 0.44233, 0.28939, 0.34398, 0.14045],
} as const;
const T = 5;
const Q = 0.05;

function plate(edges: keyof typeof GETFEM, cell: number) {
  const grid = { x: linesThrough([0, 120, 240, 600], cell), y: linesThrough([0, 80, 200, 400], cell) };
  const [nx, ny] = [grid.x.length, grid.y.length];
  const supports: Support[] = [];
  for (let node = 0; node < nx * ny; node++) {
    const [i, j] = [node % nx, Math.floor(node / nx)];
    const [endX, endY] = [i === 0 || (i === nx - 1 && edges !== 'simple, one short edge free'), j === 0 || j === ny - 1];
    if (!endX && !endY) continue;
    const clamped = edges === 'clamped';
    supports.push({ layer: 0, node, w: true, betaX: clamped || endY, betaY: clamped || endX, of: 'edge' });
  }
  const s = solverOf({
    grid,
    layers: [{ name: 'plate', outline: { x0: 0, x1: 600, y0: 0, y1: 400 }, stiffness: isotropic(210_000, 0.3, T), thickness: T }],
    contacts: [],
    bolts: [],
    supports,
    springs: [],
  });
  const forces: { layer: number; node: number; fz: number }[] = [];
  for (let j = 0; j < ny - 1; j++)
    for (let i = 0; i < nx - 1; i++) {
      const [x, y] = [(grid.x[i]! + grid.x[i + 1]!) / 2, (grid.y[j]! + grid.y[j + 1]!) / 2];
      if (x < 120 || x > 240 || y < 80 || y > 200) continue;
      const fz = (Q * (grid.x[i + 1]! - grid.x[i]!) * (grid.y[j + 1]! - grid.y[j]!)) / 4;
      for (const n of [0, 1, nx, nx + 1]) forces.push({ layer: 0, node: i + j * nx + n, fz });
    }
  const load: StackLoad = { forces };
  const r = s.solve(load);
  if ('refused' in r) throw new Error(r.because);
  return POINTS.map(([x, y]) => liftAt(s.assembly, r, 0, lineAt(grid.x, x) + lineAt(grid.y, y) * nx));
}

it.each(Object.keys(GETFEM) as (keyof typeof GETFEM)[])('a patch on a 3 : 2 plate, %s: five deflections as GetFEM’s', (edges) => {
  const w = plate(edges, 10);
  // Where it hardly moves, against the largest.
  GETFEM[edges].forEach((g, i) => expect(Math.abs(w[i]! - g)).toBeLessThan(0.006 * Math.max(g, 0.3 * GETFEM[edges][0])));
});

it('and comes nearer with a finer mesh', () => {
  const off = (cell: number) => Math.abs(plate('clamped', cell)[1]! / GETFEM.clamped[1] - 1);
  expect(off(10)).toBeLessThan(off(20));
});
