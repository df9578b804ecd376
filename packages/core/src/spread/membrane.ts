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

/** Slope of w and mean strain in the middle of a cell, from its 20 displacements; filled anew by each call. */
const m = { wx: 0, wy: 0, ex: 0, ey: 0, g: 0 };

function middle(c: Cell, d: Float64Array): void {
  const [p, q] = [1 / (2 * c.a), 1 / (2 * c.b)];
  const alongX = (k: number) => p * (d[EACH + k]! + d[2 * EACH + k]! - d[k]! - d[3 * EACH + k]!);
  const alongY = (k: number) => q * (d[2 * EACH + k]! + d[3 * EACH + k]! - d[k]! - d[EACH + k]!);
  m.wx = alongX(0);
  m.wy = alongY(0);
  m.ex = alongX(3);
  m.ey = alongY(4);
  m.g = alongY(3) + alongX(4);
}

/** von Kármán: ε_x = u,x + w,x²/2, and so on, with the slope in the middle of the cell. */
export function planeForces(c: Cell, d: Float64Array, p: PlaneStiffness): PlaneForces {
  middle(c, d);
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
  middle(c, d);
  const { wx, wy } = m;
  const area = c.a * c.b * c.part;
  const [px, py] = [1 / (2 * c.a), 1 / (2 * c.b)];
  const [hx, hy, hg] = [(wx * wx) / 2, (wy * wy) / 2, wx * wy];
  // Forces by the slopes alone, and in all.
  const sx = p.A11 * hx + p.A12 * hy;
  const sy = p.A12 * hx + p.A22 * hy;
  const sg = p.A66 * hg;
  const nx = sx + p.A11 * m.ex + p.A12 * m.ey;
  const ny = sy + p.A12 * m.ex + p.A22 * m.ey;
  const ng = sg + p.A66 * m.g;
  force.fill(0);
  for (let i = 0; i < 4; i++) {
    const [dx, dy] = [px * SX[i]!, py * SY[i]!];
    force[EACH * i + 3] = area * (dx * sx + dy * sg);
    force[EACH * i + 4] = area * (dy * sy + dx * sg);
    force[EACH * i] = area * ((nx * wx + ng * wy) * dx + (ny * wy + ng * wx) * dy);
  }
  if (!stiffness) return;
  stiffness.fill(0);
  const pulls = pulled ? pullOf(nx, ny, ng) : { nx, ny, ng };
  for (let j = 0; j < 4; j++) {
    const [ax, ay] = [px * SX[j]!, py * SY[j]!];
    // Strain by w at corner j, and the forces it makes.
    const [bx, by, bg] = [wx * ax, wy * ay, wx * ay + wy * ax];
    const fx = p.A11 * bx + p.A12 * by;
    const fy = p.A12 * bx + p.A22 * by;
    const fg = p.A66 * bg;
    const jw = EACH * j;
    for (let i = 0; i < 4; i++) {
      const [dx, dy] = [px * SX[i]!, py * SY[i]!];
      const [iw, iu, iv] = [EACH * i, EACH * i + 3, EACH * i + 4];
      stiffness[iu * 20 + jw] = stiffness[jw * 20 + iu] = area * (dx * fx + dy * fg);
      stiffness[iv * 20 + jw] = stiffness[jw * 20 + iv] = area * (dy * fy + dx * fg);
      stiffness[iw * 20 + jw] =
        area *
        (wx * dx * fx +
          wy * dy * fy +
          (wx * dy + wy * dx) * fg +
          pulls.nx * dx * ax +
          pulls.ny * dy * ay +
          pulls.ng * (dx * ay + dy * ax));
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
