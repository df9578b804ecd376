import { unknownOf } from './pattern';
import { multiply } from './sparse-matrix';
import { rectAbout } from '../geometry/rects';
import { cellStresses } from './cell-stresses';
import { balanceOf, liftAt, reactionsOf } from './plate-results';
import { isotropic, orthotropic, sandwichPlate, type PlateStiffness } from './plate-element';
import { linesThrough, nearestLine } from './grid';
import { solverOf, type Solver, type StackResult } from './solve-stack';
import type { Layer, Stack, StackLoad, Support } from './stack';

const E = 210_000;
const NU = 0.3;
const T = 5;
const A = 1000;
const D = (E * T ** 3) / (12 * (1 - NU ** 2));

type Edges = 'simple' | 'clamped' | 'free';

/** A square plate a × a about the origin with n cells a side. */
function plate(
  n: number,
  edges: Edges,
  stiffness: PlateStiffness = isotropic(E, NU, T),
  more: Partial<Layer> = {},
  a = A,
): Stack {
  const lines = linesThrough([-a / 2, a / 2], a / n);
  const grid = { x: lines, y: lines };
  const m = lines.length;
  const supports: Support[] = [];
  if (edges !== 'free')
    for (let j = 0; j < m; j++)
      for (let i = 0; i < m; i++) {
        const [endX, endY] = [i === 0 || i === m - 1, j === 0 || j === m - 1];
        if (!endX && !endY) continue;
        const clamped = edges === 'clamped';
        // A simple edge lets the plate turn across it, and holds it along it.
        supports.push({ layer: 0, node: i + j * m, w: true, betaX: clamped || endY, betaY: clamped || endX, of: 'edge' });
      }
  const layer: Layer = { name: 'plate', outline: rectAbout({ x: 0, y: 0 }, a, a), stiffness, thickness: T, ...more };
  return { grid, layers: [layer], contacts: [], bolts: [], supports, springs: [] };
}

function uniform(s: Solver, q: number): StackLoad {
  const { area, nodes } = s.assembly;
  return { forces: Array.from({ length: nodes }, (_, node) => ({ layer: 0, node, fz: q * area[node]! })) };
}
const middle = (st: Stack) => nearestLine(st.grid.x, 0) + nearestLine(st.grid.y, 0) * st.grid.x.length;
const atMiddle = (st: Stack, P: number): StackLoad => ({ forces: [{ layer: 0, node: middle(st), fz: P }] });

function solved(s: Solver, load: StackLoad): StackResult {
  const r = s.solve(load);
  if ('refused' in r) throw new Error(r.because);
  expect(r.residual).toBeLessThan(1e-6);
  expect(balanceOf(s.assembly, r, load)).toBeLessThan(1e-6);
  return r;
}

function centre(st: Stack, load: (s: Solver) => StackLoad): { w: number; r: StackResult; s: Solver } {
  const s = solverOf(st);
  const r = solved(s, load(s));
  return { w: liftAt(s.assembly, r, 0, middle(st)), r, s };
}

const largest = (x: { s: Solver; r: StackResult }) =>
  Math.max(...cellStresses(x.s.assembly, x.r.u, 0).map((m) => Math.abs(m.mx)));

describe('square plates, Timoshenko & Woinowsky-Krieger', () => {
  it('simply supported, uniform: w 0.00406 qa⁴/D, M 0.0479 qa² (Tab. 8)', () => {
    const x = centre(plate(32, 'simple'), (s) => uniform(s, 1e-3));
    expect(Number(((x.w * D) / (1e-3 * A ** 4)).toFixed(5))).toBe(0.00406);
    expect(largest(x) / (1e-3 * A ** 2)).toBeCloseTo(0.0479, 3);
  });
  it('clamped, uniform: w 0.00126 qa⁴/D, M 0.0231 qa² in the middle, −0.0513 qa² at the edge (Tab. 35)', () => {
    const x = centre(plate(40, 'clamped'), (s) => uniform(s, 1e-3));
    // The table cuts 0.001265 off after its third figure.
    expect(Math.abs((x.w * D) / (1e-3 * A ** 4) - 0.00126)).toBeLessThan(1e-5);
    const moments = cellStresses(x.s.assembly, x.r.u, 0);
    const along = moments.filter((m) => m.cell.iy === 20).sort((a, b) => a.cell.ix - b.cell.ix);
    expect(Math.abs(along[20]!.mx) / (1e-3 * A ** 2)).toBeCloseTo(0.0231, 3);
    // Moments live in the middles of cells: carried on to the edge in a straight line.
    const edge = 1.5 * along[0]!.mx - 0.5 * along[1]!.mx;
    expect(Math.abs(edge) / (1e-3 * A ** 2)).toBeCloseTo(0.0513, 2);
  });
  it('central force: w 0.01160 Pa²/D simple (Tab. 23), 0.00560 clamped (Tab. 37)', () => {
    expect((centre(plate(40, 'simple'), () => atMiddle(plate(40, 'simple'), 100)).w * D) / (100 * A ** 2)).toBeCloseTo(0.0116, 4);
    expect((centre(plate(40, 'clamped'), () => atMiddle(plate(40, 'clamped'), 100)).w * D) / (100 * A ** 2)).toBeCloseTo(
      0.0056,
      4,
    );
  });
  it('does not lock: at 1000 : 1 the same figure', () => {
    const thin = isotropic(E, NU, 1);
    const d = thin.D11;
    const x = centre(plate(16, 'simple', thin), (s) => uniform(s, 1e-6));
    expect((x.w * d) / (1e-6 * A ** 4)).toBeCloseTo(0.00406, 4);
  });
});

it('converges with the square of the cell: rate at least 1.8 in w', () => {
  const exact = 0.00406235;
  const off = [8, 16, 32].map((n) =>
    Math.abs((centre(plate(n, 'simple'), (s) => uniform(s, 1e-3)).w * D) / (1e-3 * A ** 4) - exact),
  );
  expect(Math.log2(off[0]! / off[1]!)).toBeGreaterThan(1.8);
});

it('patch test: a curvature that is the same everywhere is held without a force inside, on uneven cells, and its moments are exact', () => {
  const x = Float64Array.from([-500, -380, -120, 60, 240, 500]);
  const y = Float64Array.from([-400, -250, 30, 90, 400]);
  const p = isotropic(E, NU, T);
  const layer: Layer = { name: 'plate', outline: { x0: -500, x1: 500, y0: -400, y1: 400 }, stiffness: p, thickness: T };
  const { assembly: a } = solverOf({ grid: { x, y }, layers: [layer], contacts: [], bolts: [], supports: [], springs: [] });
  // w = x²/2 + y² + xy/2 mm/m², β = −grad w: κ_x −1, κ_y −2, κ_xy −1, no shear.
  const c = 1e-6;
  const u = new Float64Array(a.place.length);
  const put = new Float64Array(a.unknowns);
  for (let j = 0; j < y.length; j++)
    for (let i = 0; i < x.length; i++) {
      const [X, Y] = [x[i]!, y[j]!];
      [X ** 2 / 2 + Y ** 2 + (X * Y) / 2, -(X + Y / 2), -(2 * Y + X / 2)].forEach((v, k) => {
        const at = unknownOf(a.nodes, 0, i + j * x.length, k);
        u[at] = c * v;
        put[a.place[at]!] = c * v;
      });
    }
  const force = multiply(a.matrix, put);
  const scale = Math.max(...force.map(Math.abs));
  for (let j = 1; j < y.length - 1; j++)
    for (let i = 1; i < x.length - 1; i++)
      for (let k = 0; k < 3; k++)
        expect(Math.abs(force[a.place[unknownOf(a.nodes, 0, i + j * x.length, k)]!]!) / scale).toBeLessThan(1e-9);
  for (const m of cellStresses(a, u, 0)) {
    expect(m.mx / c).toBeCloseTo(-(p.D11 + 2 * p.D12), 3);
    expect(m.my / c).toBeCloseTo(-(p.D12 + 2 * p.D22), 3);
    expect(m.mxy / c).toBeCloseTo(-p.D66, 3);
  }
});

it('reactions: a uniform load on a simple square comes back on its edges', () => {
  const x = centre(plate(16, 'simple'), (s) => uniform(s, 1e-3));
  expect(reactionsOf(x.s.assembly, x.r, uniform(x.s, 1e-3))[0]!.fz).toBeCloseTo(-1e-3 * A * A, 3);
});

it('an infinite plate on an elastic bed under a force: w = P/(8·√(k·D)) (Timoshenko & Woinowsky-Krieger §57)', () => {
  const k = 0.05;
  const l = (D / k) ** 0.25;
  const st = plate(60, 'free', isotropic(E, NU, T), { bed: k }, 12 * l);
  const x = centre(st, () => atMiddle(st, 1000));
  expect(x.w / (1000 / (8 * Math.sqrt(k * D)))).toBeCloseTo(1, 1);
});

it('a beam on an elastic bed: w = Pβ/2k′ under the force (Hetényi ch. II)', () => {
  const b = 10;
  const k = 0.02 * b;
  const I = (b * T ** 3) / 12;
  const beta = (k / (4 * E * I)) ** 0.25;
  const L = 10 / beta;
  const x = linesThrough([-L / 2, 0, L / 2], L / 160);
  const y = Float64Array.from([-b / 2, b / 2]);
  // ν 0, so that the strip is a beam.
  const s = solverOf({
    grid: { x, y },
    layers: [
      {
        name: 'beam',
        outline: { x0: -L / 2, x1: L / 2, y0: -b / 2, y1: b / 2 },
        stiffness: isotropic(E, 0, T),
        thickness: T,
        bed: 0.02,
      },
    ],
    contacts: [],
    bolts: [],
    supports: [],
    springs: [],
  });
  const m = nearestLine(x, 0);
  const r = solved(s, { forces: [m, m + x.length].map((node) => ({ layer: 0, node, fz: 50 })) });
  expect(liftAt(s.assembly, r, 0, m) / ((100 * beta) / (2 * k))).toBeCloseTo(1, 2);
});

describe('orthotropic and sandwich plates against series', () => {
  /** Navier's double series for w in the middle of a simple rectangle under q, with shear where there is any (Plantema). */
  function navier(p: PlateStiffness, q: number, shear = false): number {
    let w = 0;
    for (let m = 1; m <= 99; m += 2)
      for (let n = 1; n <= 99; n += 2) {
        const [al, be] = [(m * Math.PI) / A, (n * Math.PI) / A];
        const k = p.D11 * al ** 4 + 2 * (p.D12 + 2 * p.D66) * al ** 2 * be ** 2 + p.D22 * be ** 4;
        const soft = shear ? 1 + k / (p.S1 * (al ** 2 + be ** 2)) : 1;
        w += ((16 * q) / (Math.PI ** 2 * m * n)) * (soft / k) * Math.sin((m * Math.PI) / 2) * Math.sin((n * Math.PI) / 2);
      }
    return w;
  }
  it('plywood-like, E1 three times E2 (Timoshenko & Woinowsky-Krieger §85)', () => {
    const p = orthotropic(9000, 3000, 0.1, 700, 1e6, 18);
    const x = centre(plate(32, 'simple', p), (s) => uniform(s, 1e-3));
    expect(x.w / navier(p, 1e-3)).toBeCloseTo(1, 2);
  });
  it('a sandwich with a soft core bends and shears (Plantema; isotropic faces)', () => {
    const p = sandwichPlate(15_000, 0.3, 3, 3, 25, 24);
    const x = centre(plate(32, 'simple', p), (s) => uniform(s, 1e-3));
    expect(x.w / navier(p, 1e-3, true)).toBeCloseTo(1, 2);
    expect(navier(p, 1e-3, true)).toBeGreaterThan(1.05 * navier(p, 1e-3));
  });
});

it('nothing holds it: refused by the plate’s name', () => {
  const s = solverOf(plate(8, 'free'));
  expect(s.solve(uniform(s, 1))).toMatchObject({
    refused: true,
    because: expect.stringMatching(/the plate can be (lifted|turned) freely/),
  });
});
