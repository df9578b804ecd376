import type { Cell } from './assemble';
import { EACH } from './pattern';

/** In-plane stiffness of a plate per width, N/mm: forces (n_x, n_y, n_xy) from strains (ε_x, ε_y, γ_xy). */
export interface PlaneStiffness {
  readonly A11: number;
  readonly A22: number;
  readonly A12: number;
  readonly A66: number;
}

/** A solid isotropic sheet: A = Et/(1 − ν²). */
export function inPlane(E: number, nu: number, t: number): PlaneStiffness {
  const A = (E * t) / (1 - nu * nu);
  return { A11: A, A22: A, A12: nu * A, A66: (A * (1 - nu)) / 2 };
}

/** An orthotropic sheet by its moduli. */
export function inPlaneOrthotropic(E1: number, E2: number, nu12: number, G12: number, t: number): PlaneStiffness {
  const k = t / (1 - (nu12 * nu12 * E2) / E1);
  return { A11: E1 * k, A22: E2 * k, A12: nu12 * E2 * k, A66: G12 * t };
}

const SX = [-1, 1, 1, -1] as const;
const SY = [-1, -1, 1, 1] as const;
const GAUSS = 1 / Math.sqrt(3);

/** Gradients of the four corners' shares at a point of the cell. */
function gradients(c: Cell, xi: number, eta: number): { dx: number[]; dy: number[] } {
  return {
    dx: SX.map((s, n) => (s * (1 + SY[n]! * eta)) / (2 * c.a)),
    dy: SY.map((s, n) => (s * (1 + SX[n]! * xi)) / (2 * c.b)),
  };
}

/** Adds a cell's own in-plane stiffness to its 20 × 20, unknowns w, β_x, β_y, u, v at each corner. Bilinear, 2 × 2 points. */
export function addInPlane(full: Float64Array, c: Cell, p: PlaneStiffness): void {
  const dA = (c.a * c.b * c.part) / 4;
  for (const xi of [-GAUSS, GAUSS])
    for (const eta of [-GAUSS, GAUSS]) {
      const { dx, dy } = gradients(c, xi, eta);
      for (let i = 0; i < 4; i++)
        for (let j = 0; j < 4; j++) {
          const [u, v, q, r] = [EACH * i + 3, EACH * i + 4, EACH * j + 3, EACH * j + 4];
          full[u * 20 + q]! += dA * (p.A11 * dx[i]! * dx[j]! + p.A66 * dy[i]! * dy[j]!);
          full[u * 20 + r]! += dA * (p.A12 * dx[i]! * dy[j]! + p.A66 * dy[i]! * dx[j]!);
          full[v * 20 + q]! += dA * (p.A12 * dy[i]! * dx[j]! + p.A66 * dx[i]! * dy[j]!);
          full[v * 20 + r]! += dA * (p.A22 * dy[i]! * dy[j]! + p.A66 * dx[i]! * dx[j]!);
        }
    }
}

/** Forces of a cell in its plane, per width, N/mm. */
export interface PlaneForces {
  readonly nx: number;
  readonly ny: number;
  readonly nxy: number;
}

/** Slope of w and mean strain in the middle of a cell, from its 20 displacements. */
function middle(c: Cell, d: Float64Array) {
  const { dx, dy } = gradients(c, 0, 0);
  let [wx, wy, ex, ey, g] = [0, 0, 0, 0, 0];
  for (let i = 0; i < 4; i++) {
    const [w, u, v] = [d[EACH * i]!, d[EACH * i + 3]!, d[EACH * i + 4]!];
    wx += dx[i]! * w;
    wy += dy[i]! * w;
    ex += dx[i]! * u;
    ey += dy[i]! * v;
    g += dy[i]! * u + dx[i]! * v;
  }
  return { dx, dy, wx, wy, ex, ey, g };
}

/** von Kármán: ε_x = u,x + w,x²/2, and so on, with the slope in the middle of the cell. */
export function planeForces(c: Cell, d: Float64Array, p: PlaneStiffness): PlaneForces {
  const m = middle(c, d);
  const [ex, ey, g] = [m.ex + m.wx ** 2 / 2, m.ey + m.wy ** 2 / 2, m.g + m.wx * m.wy];
  return {
    nx: c.part * (p.A11 * ex + p.A12 * ey),
    ny: c.part * (p.A12 * ex + p.A22 * ey),
    nxy: c.part * p.A66 * g,
  };
}

/**
 * What the slopes add to a cell's forces over its linear ones, into `force` (20), and to its stiffness, into `stiffness`
 * (20 × 20, symmetric) where that is wanted; `pulled` leaves out the part of squeezed directions, which may make it no longer
 * positive. Consistent with the energy ½·∫ε·A·ε.
 */
export function slopeTerms(
  c: Cell,
  d: Float64Array,
  p: PlaneStiffness,
  force: Float64Array,
  stiffness?: Float64Array,
  pulled = false,
): void {
  const m = middle(c, d);
  const { dx, dy, wx, wy } = m;
  const area = c.a * c.b * c.part;
  const [hx, hy, hg] = [wx ** 2 / 2, wy ** 2 / 2, wx * wy];
  // Forces by the slopes alone, and in all.
  const [sx, sy, sg] = [p.A11 * hx + p.A12 * hy, p.A12 * hx + p.A22 * hy, p.A66 * hg];
  const [nx, ny, ng] = [sx + p.A11 * m.ex + p.A12 * m.ey, sy + p.A12 * m.ex + p.A22 * m.ey, sg + p.A66 * m.g];
  force.fill(0);
  for (let i = 0; i < 4; i++) {
    force[EACH * i + 3] = area * (dx[i]! * sx + dy[i]! * sg);
    force[EACH * i + 4] = area * (dy[i]! * sy + dx[i]! * sg);
    force[EACH * i] = area * ((nx * wx + ng * wy) * dx[i]! + (ny * wy + ng * wx) * dy[i]!);
  }
  if (!stiffness) return;
  stiffness.fill(0);
  const pulls = pulled ? pullOf(nx, ny, ng) : { nx, ny, ng };
  for (let j = 0; j < 4; j++) {
    // Strain by w at corner j, and the forces it makes.
    const [bx, by, bg] = [wx * dx[j]!, wy * dy[j]!, wx * dy[j]! + wy * dx[j]!];
    const [fx, fy, fg] = [p.A11 * bx + p.A12 * by, p.A12 * bx + p.A22 * by, p.A66 * bg];
    for (let i = 0; i < 4; i++) {
      const [iw, iu, iv, jw] = [EACH * i, EACH * i + 3, EACH * i + 4, EACH * j];
      const u = area * (dx[i]! * fx + dy[i]! * fg);
      const v = area * (dy[i]! * fy + dx[i]! * fg);
      stiffness[iu * 20 + jw] = stiffness[jw * 20 + iu] = u;
      stiffness[iv * 20 + jw] = stiffness[jw * 20 + iv] = v;
      stiffness[iw * 20 + jw] =
        area *
        (wx * dx[i]! * fx +
          wy * dy[i]! * fy +
          (wx * dy[i]! + wy * dx[i]!) * fg +
          pulls.nx * dx[i]! * dx[j]! +
          pulls.ny * dy[i]! * dy[j]! +
          pulls.ng * (dx[i]! * dy[j]! + dy[i]! * dx[j]!));
    }
  }
}

/** The pulling part of a state of forces: each principal force where it is a pull, none where it presses. */
function pullOf(nx: number, ny: number, ng: number): { nx: number; ny: number; ng: number } {
  const mean = (nx + ny) / 2;
  const r = Math.hypot((nx - ny) / 2, ng);
  const [n1, n2] = [Math.max(0, mean + r), Math.max(0, mean - r)];
  if (r === 0) return { nx: n1, ny: n1, ng: 0 };
  const [c, s] = [(nx - ny) / (2 * r), ng / r];
  const [m, d] = [(n1 + n2) / 2, (n1 - n2) / 2];
  return { nx: m + d * c, ny: m - d * c, ng: d * s };
}
