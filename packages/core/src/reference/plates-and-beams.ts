import type { Rect } from '../geometry/points';
import { cellStresses } from '../spread/cell-stresses';
import { linesThrough, nearestLine } from '../spread/grid';
import { isotropic, type PlateStiffness } from '../spread/plate-element';
import { liftAt } from '../spread/plate-results';
import { solverOf, type Solver, type StackResult } from '../spread/solve-stack';
import type { Layer, Stack, StackLoad, Support } from '../spread/stack';

/** Plates and beams of the textbooks, as stacks for the spread solver. Steel, N, mm, MPa. */
export const E = 210_000;
export const NU = 0.3;
export const T = 5;
export const A = 1000;
export const D = (E * T ** 3) / (12 * (1 - NU ** 2));

export type Edges = 'simple' | 'clamped' | 'free';

const alone = (grid: Stack['grid'], layer: Layer, supports: Support[] = []): Stack => ({
  grid,
  layers: [layer],
  contacts: [],
  bolts: [],
  supports,
  springs: [],
});

const about = (x: number, y: number): Rect => ({ x0: -x / 2, x1: x / 2, y0: -y / 2, y1: y / 2 });

/** A square plate a × a about the origin with n cells a side. */
export function square(
  n: number,
  edges: Edges,
  stiffness: PlateStiffness = isotropic(E, NU, T),
  more: Partial<Layer> = {},
  a = A,
): Stack {
  const lines = linesThrough([-a / 2, a / 2], a / n);
  const m = lines.length;
  const supports: Support[] = [];
  for (let node = 0; edges !== 'free' && node < m * m; node++) {
    const [i, j] = [node % m, Math.floor(node / m)];
    const [endX, endY] = [i === 0 || i === m - 1, j === 0 || j === m - 1];
    if (!endX && !endY) continue;
    const clamped = edges === 'clamped';
    // A simple edge lets the plate turn across it, and holds it along it.
    supports.push({ layer: 0, node, w: true, betaX: clamped || endY, betaY: clamped || endX, of: 'edge' });
  }
  return alone({ x: lines, y: lines }, { name: 'plate', outline: about(a, a), stiffness, thickness: T, ...more }, supports);
}

/**
 * A quarter of a circle of radius R: lines at R·sin θ, so that nodes lie on the circle, and cells counted by the part of them
 * within it, outside a round hole in its middle. A clamped edge is held from the circle on out; a simple one on the circle alone, beyond which cut cells turn with it.
 */
export function quarterCircle(n: number, edge: 'clamped' | 'simple', R: number, more: Partial<Layer> = {}, hole = 0): Stack {
  const lines = Float64Array.from({ length: n + 1 }, (_, i) => R * Math.sin((i * Math.PI) / (2 * n)));
  const supports: Support[] = [];
  const mask = new Float64Array(n * n);
  for (let node = 0; node < (n + 1) ** 2; node++) {
    const [i, j] = [node % (n + 1), Math.floor(node / (n + 1))];
    const r = Math.hypot(lines[i]!, lines[j]!);
    const out = edge === 'clamped' ? r >= R - 1e-6 : Math.abs(r - R) < 1e-6;
    const turned = out && edge === 'clamped';
    supports.push({
      layer: 0,
      node,
      w: out,
      betaX: turned || i === 0,
      betaY: turned || j === 0,
      u: out || i === 0,
      v: out || j === 0,
      of: 'edge',
    });
    if (i === n || j === n) continue;
    const part = withinCircle(lines, i, j, R) - withinCircle(lines, i, j, hole);
    const cut = edge === 'simple' || Math.hypot(lines[i]!, lines[j]!) < hole;
    mask[i + j * n] = !cut && part > 0 ? 1 : part;
  }
  const outline = { x0: 0, x1: R, y0: 0, y1: R };
  return alone(
    { x: lines, y: lines },
    { name: 'plate', outline, stiffness: isotropic(E, NU, T), thickness: T, mask, ...more },
    supports,
  );
}

function withinCircle(lines: Float64Array, i: number, j: number, R: number): number {
  let inside = 0;
  for (let k = 0; k < 400; k++) {
    const x = lines[i]! + ((0.5 + (k % 20)) / 20) * (lines[i + 1]! - lines[i]!);
    const y = lines[j]! + ((0.5 + Math.floor(k / 20)) / 20) * (lines[j + 1]! - lines[j]!);
    if (x * x + y * y < R * R) inside++;
  }
  return inside / 400;
}

/** A quarter of a square a × a, by symmetry, its two outer edges clamped and held in their plane. */
export function quarterSquare(a: number, n: number, more: Partial<Layer>): Stack {
  const lines = linesThrough([0, a / 2], a / 2 / n);
  const m = lines.length;
  const supports = Array.from({ length: m * m }, (_, node): Support => {
    const [i, j] = [node % m, Math.floor(node / m)];
    const out = i === m - 1 || j === m - 1;
    return {
      layer: 0,
      node,
      w: out,
      betaX: out || i === 0,
      betaY: out || j === 0,
      u: out || i === 0,
      v: out || j === 0,
      of: 'edge',
    };
  });
  const outline = { x0: 0, x1: a / 2, y0: 0, y1: a / 2 };
  return alone(
    { x: lines, y: lines },
    { name: 'plate', outline, stiffness: isotropic(E, NU, T), thickness: T, ...more },
    supports,
  );
}

/** A beam of width 10 on an elastic bed of k N/mm³, ν 0, long on both sides of its middle. */
export function beamOnBed(k: number): { stack: Stack; beta: number; bed: number } {
  const b = 10;
  const bed = k * b;
  const beta = (bed / (4 * E * ((b * T ** 3) / 12))) ** 0.25;
  const L = 10 / beta;
  const grid = { x: linesThrough([-L / 2, 0, L / 2], L / 160), y: Float64Array.from([-b / 2, b / 2]) };
  return {
    stack: alone(grid, { name: 'beam', outline: about(L, b), stiffness: isotropic(E, 0, T), thickness: T, bed: k }),
    beta,
    bed,
  };
}

/** Two loose plates of t on supports at their ends, one over the other, or one of 2·t; pressed in the middle, ν 0. */
export function loosePlates(loose: boolean): Stack {
  const [L, B, t] = [400, 40, 6];
  const grid = { x: linesThrough([-L / 2, 0, L / 2], L / 32), y: Float64Array.from([-B / 2, 0, B / 2]) };
  const strip = (name: string, thickness: number): Layer => ({
    name,
    outline: about(L, B),
    stiffness: isotropic(E, 0, thickness),
    thickness,
  });
  const nx = grid.x.length;
  const ends = (layer: number): Support[] =>
    [0, nx - 1].flatMap((i) =>
      [0, 1, 2].map((j) => ({ layer, node: i + j * nx, w: true, betaX: false, betaY: true, of: 'end' })),
    );
  return loose
    ? {
        ...alone(grid, strip('upper', t), [...ends(0), ...ends(1)]),
        layers: [strip('upper', t), strip('lower', t)],
        contacts: [{ upper: 0, lower: 1, modulus: 1e5, tied: false, gap: 0 }],
      }
    : alone(grid, strip('solid', 2 * t), ends(0));
}

export const middleOf = (st: Stack) => nearestLine(st.grid.x, 0) + nearestLine(st.grid.y, 0) * st.grid.x.length;

export function uniform(s: Solver, q: number): StackLoad {
  const { area, nodes } = s.assembly;
  return { forces: Array.from({ length: nodes }, (_, node) => ({ layer: 0, node, fz: q * area[node]! })) };
}

export function solved(st: Stack, load: (s: Solver) => StackLoad): { s: Solver; r: StackResult } {
  const s = solverOf(st);
  const r = s.solve(load(s));
  if ('refused' in r) throw new Error(r.because);
  return { s, r };
}

/** w in the middle under a uniform q, or under a force there. */
export function middleUnder(st: Stack, load: { q: number } | { P: number }): number {
  const { s, r } = solved(st, (s) =>
    'q' in load ? uniform(s, load.q) : { forces: [{ layer: 0, node: middleOf(st), fz: load.P }] },
  );
  return liftAt(s.assembly, r, s.assembly.stack.layers.length - 1, middleOf(st));
}

/** m_x along the middle line of a square, cell after cell from its edge, under q. */
export function momentsAlong(st: Stack, q: number): number[] {
  const { s, r } = solved(st, (s) => uniform(s, q));
  const row = Math.floor((st.grid.y.length - 1) / 2);
  return cellStresses(s.assembly, r.u, 0)
    .filter((m) => m.cell.iy === row)
    .sort((a, b) => a.cell.ix - b.cell.ix)
    .map((m) => m.mx);
}
