import type { Assembly, Cell } from './assemble';
import { planeForcesOf } from './energy';
import { cornersOf, unknownOf } from './pattern';
import type { Layer, Section } from './stack';

/** Moments, shears and forces per width in the middle of a cell, and the stress they make in the layer's faces, MPa. */
export interface CellStress {
  readonly cell: Cell;
  /** N·mm/mm. */
  readonly mx: number;
  readonly my: number;
  readonly mxy: number;
  /** N/mm, across the thickness. */
  readonly qx: number;
  readonly qy: number;
  /** N/mm, in the plane; 0 without membrane action. */
  readonly nx: number;
  readonly ny: number;
  readonly nxy: number;
  /** Von Mises stress in the upper and the lower face. */
  readonly top: number;
  readonly bottom: number;
}

const sectionOf = (l: Layer): Section =>
  l.section ?? { top: l.thickness ** 2 / 6, bottom: l.thickness ** 2 / 6, area: l.thickness };

const vonMises = (x: number, y: number, xy: number): number => Math.sqrt(x * x - x * y + y * y + 3 * xy * xy);

/** Stresses of every cell of a layer, from the displacements `u` (index as in `unknownOf`). */
export function cellStresses(a: Assembly, u: Float64Array, layer: number): CellStress[] {
  const l = a.stack.layers[layer]!;
  const p = l.stiffness;
  const s = sectionOf(l);
  const columns = a.stack.grid.x.length;
  const out: CellStress[] = [];
  for (const cell of a.cells) {
    if (cell.layer !== layer) continue;
    const [n0, n1, n2, n3] = cornersOf(cell, columns);
    const at = (n: number, k: number) => u[unknownOf(a.nodes, layer, n, k)]!;
    // Differences along x and along y of an unknown, means over the cell.
    const dx = (k: number) => (at(n1, k) + at(n2, k) - at(n0, k) - at(n3, k)) / (2 * cell.a);
    const dy = (k: number) => (at(n2, k) + at(n3, k) - at(n0, k) - at(n1, k)) / (2 * cell.b);
    const mean = (k: number) => (at(n0, k) + at(n1, k) + at(n2, k) + at(n3, k)) / 4;
    const [kx, ky, kxy] = [dx(1), dy(2), dy(1) + dx(2)];
    const mx = cell.stiff * (p.D11 * kx + p.D12 * ky);
    const my = cell.stiff * (p.D12 * kx + p.D22 * ky);
    const mxy = cell.stiff * p.D66 * kxy;
    const qx = cell.stiff * p.S1 * (dx(0) + mean(1));
    const qy = cell.stiff * p.S2 * (dy(0) + mean(2));
    const { nx, ny, nxy } = planeForcesOf(a, u, cell) ?? { nx: 0, ny: 0, nxy: 0 };
    // Moments are of what is there of the cell; a taper has lost section modulus with the square of its thickness.
    const there = cell.part * (cell.stiff / cell.part) ** (2 / 3);
    const A = s.area * cell.part;
    const face = (W: number) => {
      const own = W * there;
      return vonMises(mx / own + nx / A, my / own + ny / A, mxy / own + nxy / A);
    };
    out.push({ cell, mx, my, mxy, qx, qy, nx, ny, nxy, top: face(s.top), bottom: face(-s.bottom) });
  }
  return out;
}
