import { unknownOf } from './pattern';
import { multiply } from './sparse-matrix';
import { cellStresses } from './cell-stresses';
import { A, E, middleUnder, NU, solved, square, T, uniform } from '../reference/plates-and-beams';
import { navier } from '../reference/spread-values';
import { balanceOf, reactionsOf } from './plate-results';
import { isotropic, sandwichPlate } from './plate-element';
import { solverOf } from './solve-stack';
import type { Layer } from './stack';

// The tables of Timoshenko, Hetényi, Navier and Plantema are in reference/spread-values.ts.

it('does not lock: at 1000 : 1 the same figure', () => {
  const thin = isotropic(E, NU, 1);
  const d = thin.D11;
  const w = middleUnder(square(16, 'simple', thin), { q: 1e-6 });
  expect((w * d) / (1e-6 * A ** 4)).toBeCloseTo(0.00406, 4);
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
  const { s, r } = solved(square(16, 'simple'), (s) => uniform(s, 1e-3));
  expect(reactionsOf(s.assembly, r, uniform(s, 1e-3))[0]!.fz).toBeCloseTo(-1e-3 * A * A, 3);
  expect(r.residual).toBeLessThan(1e-6);
  expect(balanceOf(s.assembly, r, uniform(s, 1e-3))).toBeLessThan(1e-6);
});

it('the sandwich of the series does shear: without its core’s shear it would give a good deal less', () => {
  const p = sandwichPlate(15_000, 0.3, 3, 3, 25, 24);
  expect(navier(p, 1e-3, true)).toBeGreaterThan(1.05 * navier(p, 1e-3, false));
});

it('nothing holds it: refused by the plate’s name', () => {
  const s = solverOf(square(8, 'free'));
  expect(s.solve(uniform(s, 1))).toMatchObject({
    refused: true,
    because: expect.stringMatching(/the plate can be (lifted|turned) freely/),
  });
});
