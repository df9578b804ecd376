import type { Assembly, Cell } from './assemble';
import { planeForcesOf } from './energy';
import { cornersOf, EACH, unknownOf } from './pattern';
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

const FLAT = { nx: 0, ny: 0, nxy: 0 };

/** Stresses of every cell of a layer, from the displacements `u` (index as in `unknownOf`). */
export function cellStresses(a: Assembly, u: Float64Array, layer: number): CellStress[] {
  const l = a.stack.layers[layer]!;
  const p = l.stiffness;
  const s = sectionOf(l);
  const columns = a.stack.grid.x.length;
  const from = unknownOf(a.nodes, layer, 0, 0);
  const out: CellStress[] = [];
  for (const cell of a.cellsIn[layer]!) {
    const [n0, n1, n2, n3] = cornersOf(cell, columns);
    const [i0, i1, i2, i3] = [from + EACH * n0, from + EACH * n1, from + EACH * n2, from + EACH * n3];
    // Differences over the cell along x and along y, and the mean, of w, β_x and β_y.
    const wx = (u[i1]! + u[i2]! - u[i0]! - u[i3]!) / (2 * cell.a);
    const wy = (u[i2]! + u[i3]! - u[i0]! - u[i1]!) / (2 * cell.b);
    const [x0, x1, x2, x3] = [u[i0 + 1]!, u[i1 + 1]!, u[i2 + 1]!, u[i3 + 1]!];
    const [y0, y1, y2, y3] = [u[i0 + 2]!, u[i1 + 2]!, u[i2 + 2]!, u[i3 + 2]!];
    const kx = (x1 + x2 - x0 - x3) / (2 * cell.a);
    const ky = (y2 + y3 - y0 - y1) / (2 * cell.b);
    const kxy = (x2 + x3 - x0 - x1) / (2 * cell.b) + (y1 + y2 - y0 - y3) / (2 * cell.a);
    const mx = cell.stiff * (p.D11 * kx + p.D12 * ky);
    const my = cell.stiff * (p.D12 * kx + p.D22 * ky);
    const mxy = cell.stiff * p.D66 * kxy;
    const qx = cell.stiff * p.S1 * (wx + (x0 + x1 + x2 + x3) / 4);
    const qy = cell.stiff * p.S2 * (wy + (y0 + y1 + y2 + y3) / 4);
    const { nx, ny, nxy } = planeForcesOf(a, u, cell) ?? FLAT;
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
