import { inPlane } from './membrane';
import { linesThrough, nearestLine } from './grid';
import { isotropic } from './plate-element';
import { liftAt } from './plate-results';
import { solverOf } from './solve-stack';
import type { Stack, StackLoad, Support } from './stack';

const E = 210_000;
const NU = 0.3;
const T = 2;
const D = (E * T ** 3) / (12 * (1 - NU ** 2));

/** w in the middle, up, of a stack of one skin under a uniform q. */
function middle(st: Stack, q: number, at = 0): { w: number; rounds: number } {
  const s = solverOf(st);
  const { area, nodes } = s.assembly;
  const load: StackLoad = { forces: Array.from({ length: nodes }, (_, node) => ({ layer: 0, node, fz: q * area[node]! })) };
  const r = s.solve(load);
  if ('refused' in r) throw new Error(r.because);
  expect(r.residual).toBeLessThan(1e-6);
  const nx = st.grid.x.length;
  return { w: liftAt(s.assembly, r, 0, nearestLine(st.grid.x, at) + nearestLine(st.grid.y, at) * nx), rounds: r.rounds };
}

const skin = (grid: Stack['grid'], supports: Support[], more: Partial<Stack['layers'][number]>): Stack => ({
  grid,
  layers: [
    {
      name: 'skin',
      outline: { x0: grid.x[0]!, x1: grid.x.at(-1)!, y0: grid.y[0]!, y1: grid.y.at(-1)! },
      stiffness: isotropic(E, NU, T),
      thickness: T,
      ...more,
    },
  ],
  contacts: [],
  bolts: [],
  supports,
  springs: [],
});

/**
 * A quarter of a circle of radius R: lines at R·sin θ, so that nodes lie on the circle; held from there on out, and cells counted
 * by the part of them within it.
 */
function quarterCircle(n: number, edge: 'clamped' | 'simple', membrane: boolean, R = 200): Stack {
  const lines = Float64Array.from({ length: n + 1 }, (_, i) => R * Math.sin((i * Math.PI) / (2 * n)));
  const grid = { x: lines, y: lines };
  const supports: Support[] = [];
  const mask = new Float64Array(n * n);
  for (let j = 0; j <= n; j++)
    for (let i = 0; i <= n; i++) {
      const r = Math.hypot(lines[i]!, lines[j]!);
      // A simple edge is the circle alone: beyond it the cut cells turn with the plate.
      const out = edge === 'clamped' ? r >= R - 1e-6 : Math.abs(r - R) < 1e-6;
      const clamped = out && edge === 'clamped';
      const betaX = clamped || i === 0;
      const betaY = clamped || j === 0;
      supports.push({ layer: 0, node: i + j * (n + 1), w: out, betaX, betaY, u: out || i === 0, v: out || j === 0, of: 'edge' });
      if (i === n || j === n) continue;
      let inside = 0;
      for (let k = 0; k < 400; k++) {
        const x = lines[i]! + ((0.5 + (k % 20)) / 20) * (lines[i + 1]! - lines[i]!);
        const y = lines[j]! + ((0.5 + Math.floor(k / 20)) / 20) * (lines[j + 1]! - lines[j]!);
        if (x * x + y * y < R * R) inside++;
      }
      mask[i + j * n] = edge === 'clamped' && inside > 0 ? 1 : inside / 400;
    }
  return skin(grid, supports, { mask, ...(membrane ? { membrane: inPlane(E, NU, T) } : {}) });
}

describe('a circular plate, Timoshenko & Woinowsky-Krieger', () => {
  const R = 200;
  it.each([
    ['clamped' as const, 1],
    ['simple' as const, (3 + NU) / (1 + NU)],
  ])('%s, a force in the middle: w = P·R²/16πD, (3 + ν)/(1 + ν) times that where simple (§19)', (edge, k) => {
    const st = quarterCircle(28, edge, false);
    const s = solverOf(st);
    const r = s.solve({ forces: [{ layer: 0, node: 0, fz: 25 }] });
    if ('refused' in r) throw new Error(r.because);
    // A quarter of the force on a quarter of the plate.
    expect(Math.abs(liftAt(s.assembly, r, 0, 0) / ((k * 100 * R * R) / (16 * Math.PI * D)) - 1)).toBeLessThan(0.01);
  });
  it.each([
    [0.2, 0.02],
    [0.5, 0.02],
    [1, 0.02],
    [1.5, 0.04],
  ])(
    'clamped and held in its plane, uniform load, w0/t about %d: w0 = (q·a⁴/64D)/(1 + 0.488·w0²/t²) (§97), itself an approximation',
    (k, within) => {
      const q = ((k * T * 64 * D) / R ** 4) * (1 + 0.488 * k ** 2);
      const m = middle(quarterCircle(24, 'clamped', true), q);
      expect(Math.abs(m.w / T / k - 1)).toBeLessThan(within);
      expect(m.rounds).toBeLessThan(20);
    },
  );
});

it('a long plate between edges that do not give, simply supported, bent to a cylinder: the exact sum of bending and pull (§2–3)', () => {
  const l = 400;
  // u² = S·l²/4D; the stretch of S against the curve's own.
  const bent = (u: number, q: number) => {
    const w = (x: number) =>
      ((q * l ** 4) / (16 * u ** 4 * D)) * (Math.cosh(u * (1 - (2 * x) / l)) / Math.cosh(u) - 1) +
      (q * l * l * x * (l - x)) / (8 * u * u * D);
    let longer = 0;
    for (let i = 0; i < 2000; i++) longer += (((w(((i + 1) * l) / 2000) - w((i * l) / 2000)) / (l / 2000)) ** 2 / 2) * (l / 2000);
    return { w: w(l / 2), longer, pull: (4 * u * u * D) / l ** 2 };
  };
  const exact = (q: number) => {
    let [low, high] = [1e-3, 60];
    for (let k = 0; k < 100; k++) {
      const u = (low + high) / 2;
      const b = bent(u, q);
      if ((b.pull * (1 - NU ** 2) * l) / (E * T) < b.longer) low = u;
      else high = u;
    }
    return bent(low, q).w;
  };
  const grid = { x: linesThrough([-l / 2, l / 2], l / 48), y: Float64Array.from([-10, 0, 10]) };
  const nx = grid.x.length;
  const supports: Support[] = Array.from({ length: nx * 3 }, (_, node) => {
    const end = node % nx === 0 || node % nx === nx - 1;
    return { layer: 0, node, w: end, betaX: false, betaY: true, u: end, v: true, of: 'edge' };
  });
  for (const q of [1e-4, 1e-3, 5e-3, 2e-2]) {
    const m = middle(skin(grid, supports, { membrane: inPlane(E, NU, T) }), q);
    expect(Math.abs(m.w / exact(q) - 1)).toBeLessThan(1e-3);
  }
});

/** A quarter of a square a × a, by symmetry, its two outer edges held in every way. */
function quarterSquare(a: number, n: number, more: Partial<Stack['layers'][number]>): Stack {
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
  return skin({ x: lines, y: lines }, supports, more);
}

it('a square plate clamped and held in its plane: w/t by q·b⁴/Et⁴, ν 0.316 (Roark’s table of large deflections, from memory)', () => {
  const a = 400;
  const nu = 0.316;
  const table: [number, number][] = [
    [12.5, 0.165],
    [50, 0.59],
    [100, 0.95],
    [175, 1.28],
    [250, 1.54],
  ];
  for (const [k, w] of table) {
    const st = quarterSquare(a, 14, { stiffness: isotropic(E, nu, T), membrane: inPlane(E, nu, T) });
    expect(Math.abs(middle(st, (k * E * T ** 4) / a ** 4).w / T / w - 1)).toBeLessThan(0.03);
  }
});

it('small loads: with and without membrane action the same; large ones: a good deal less, and never more', () => {
  const ratio = (q: number) =>
    middle(quarterSquare(400, 10, { membrane: inPlane(E, NU, T) }), q).w / middle(quarterSquare(400, 10, {}), q).w;
  expect(ratio(1e-6)).toBeCloseTo(1, 6);
  expect(ratio(0.05)).toBeLessThan(0.5);
  expect(ratio(0.005)).toBeLessThan(ratio(0.002));
});

it('twice the measures under the same pressure gives twice the deflection: nothing in it knows a length', () => {
  const once = middle(quarterSquare(400, 10, { membrane: inPlane(E, NU, T) }), 0.01).w;
  const twice = middle(
    quarterSquare(800, 10, { stiffness: isotropic(E, NU, 2 * T), thickness: 2 * T, membrane: inPlane(E, NU, 2 * T) }),
    0.01,
  ).w;
  expect(twice / once).toBeCloseTo(2, 6);
});
