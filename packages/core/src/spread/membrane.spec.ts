import { E, NU, quarterSquare } from '../reference/plates-and-beams';
import { inPlane } from './membrane';
import { linesThrough, nearestLine } from './grid';
import { isotropic } from './plate-element';
import { liftAt } from './plate-results';
import { solverOf } from './solve-stack';
import type { Stack, StackLoad, Support } from './stack';

// Circles, and Roark's squares, are in reference/spread-values.ts.
const T = 2;
const own = { stiffness: isotropic(E, NU, T), thickness: T };
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

it('small loads: with and without membrane action the same; large ones: a good deal less, and never more', () => {
  const ratio = (q: number) =>
    middle(quarterSquare(400, 10, { ...own, membrane: inPlane(E, NU, T) }), q).w / middle(quarterSquare(400, 10, own), q).w;
  expect(ratio(1e-6)).toBeCloseTo(1, 6);
  expect(ratio(0.05)).toBeLessThan(0.5);
  expect(ratio(0.005)).toBeLessThan(ratio(0.002));
});

it('twice the measures under the same pressure gives twice the deflection: nothing in it knows a length', () => {
  const once = middle(quarterSquare(400, 10, { ...own, membrane: inPlane(E, NU, T) }), 0.01).w;
  const twice = middle(
    quarterSquare(800, 10, { stiffness: isotropic(E, NU, 2 * T), thickness: 2 * T, membrane: inPlane(E, NU, 2 * T) }),
    0.01,
  ).w;
  expect(twice / once).toBeCloseTo(2, 6);
});
