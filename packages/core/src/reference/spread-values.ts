import { inPlane } from '../spread/membrane';
import { cellStresses } from '../spread/cell-stresses';
import { liftAt } from '../spread/plate-results';
import { isotropic, orthotropic, sandwichPlate, type PlateStiffness } from '../spread/plate-element';
import type { ReferenceValue } from './jobs';
import {
  A,
  beamOnBed,
  D,
  E,
  loosePlates,
  middleOf,
  middleUnder,
  momentsAlong,
  NU,
  quarterCircle,
  quarterSquare,
  solved,
  square,
  T,
  uniform,
} from './plates-and-beams';

const Q = 1e-3;
const TW = 'Timoshenko & Woinowsky-Krieger';
const row = (what: string, source: string, expected: number, within: number, got: () => number): ReferenceValue => ({
  of: 'spread',
  what,
  source,
  expected,
  within,
  got,
});

/** Half of the last digit of a printed figure, relative. */
const digits = (v: number, last: number) => (0.5 * last) / v;

const onMoments = (edge: boolean): number => {
  const m = momentsAlong(square(40, 'clamped'), Q).map((v) => Math.abs(v) / (Q * A ** 2));
  // Moments live in the middles of cells: carried on to the edge in a straight line.
  return edge ? 1.5 * m[0]! - 0.5 * m[1]! : m[20]!;
};

/** Navier's double series for w in the middle of a simple square under q, with shear where there is any (Plantema). */
export function navier(p: PlateStiffness, q: number, shear: boolean): number {
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

const PLY = orthotropic(9000, 3000, 0.1, 700, 1e6, 18);
const CORED = sandwichPlate(15_000, 0.3, 3, 3, 25, 24);

function beam(what: 'w' | 'M'): number {
  const { stack, beta, bed } = beamOnBed(0.02);
  const m = middleOf(stack);
  const nx = stack.grid.x.length;
  const P = 100;
  const { s, r } = solved(stack, () => ({ forces: [m % nx, (m % nx) + nx].map((node) => ({ layer: 0, node, fz: P / 2 })) }));
  if (what === 'w') return r.u[5 * (m % nx)]! / ((P * beta) / (2 * bed));
  // The moment has a peak under the force: carried there from the two cells beside it.
  const all = cellStresses(s.assembly, r.u, 0).filter((c) => c.cell.iy === 0);
  const i = m % nx;
  return Math.abs(1.5 * all[i]!.mx - 0.5 * all[i + 1]!.mx) / (P / (4 * beta) / 10);
}

const thin = { membrane: inPlane(E, NU, T) };
const R = 500;
const large = (k: number) =>
  middleUnder(quarterCircle(20, 'clamped', R, thin), { q: ((k * T * 64 * D) / R ** 4) * (1 + 0.488 * k ** 2) }) / T;
const ROARK = 0.316;
const roark = (k: number) =>
  middleUnder(quarterSquare(A, 14, { stiffness: isotropic(E, ROARK, T), membrane: inPlane(E, ROARK, T) }), {
    q: (k * E * T ** 4) / A ** 4,
  }) / T;

const exactSquare = 0.00406235;
/** log2 of the errors in w of 8 and 16 cells a side. */
const rate = () => {
  const off = (n: number) => Math.abs((middleUnder(square(n, 'simple'), { q: Q }) * D) / (Q * A ** 4) - exactSquare);
  return Math.log2(off(8) / off(16));
};
const k = 0.05;
const bedLength = (D / k) ** 0.25;

/** The plates, beams and stacks the spread solver is held to, each with what it comes to. */
export const spreadValues: readonly ReferenceValue[] = [
  row(
    'square, simple, uniform: w·D/qa⁴',
    `${TW} Tab. 8`,
    0.00406,
    digits(0.00406, 1e-5),
    () => (middleUnder(square(32, 'simple'), { q: Q }) * D) / (Q * A ** 4),
  ),
  row(
    'square, simple, uniform: M/qa²',
    `${TW} Tab. 8`,
    0.0479,
    0.003,
    () => Math.abs(momentsAlong(square(33, 'simple'), Q)[16]!) / (Q * A ** 2),
  ),
  row(
    'square, clamped, uniform: w·D/qa⁴',
    `${TW} Tab. 35, which cuts 0.001265 off`,
    0.00126,
    0.008,
    () => (middleUnder(square(40, 'clamped'), { q: Q }) * D) / (Q * A ** 4),
  ),
  row('square, clamped, uniform: M/qa² in the middle', `${TW} Tab. 35`, 0.0231, 0.012, () => onMoments(false)),
  row('square, clamped, uniform: M/qa² at the edge', `${TW} Tab. 35`, 0.0513, 0.01, () => onMoments(true)),
  row(
    'square, simple, central force: w·D/Pa²',
    `${TW} Tab. 23`,
    0.0116,
    0.006,
    () => (middleUnder(square(40, 'simple'), { P: 100 }) * D) / (100 * A ** 2),
  ),
  row(
    'square, clamped, central force: w·D/Pa²',
    `${TW} Tab. 37`,
    0.0056,
    0.01,
    () => (middleUnder(square(40, 'clamped'), { P: 100 }) * D) / (100 * A ** 2),
  ),
  row(
    'circle, clamped, central force: w·16πD/PR²',
    `${TW} §19`,
    1,
    0.01,
    () => (middleUnder(quarterCircle(24, 'clamped', R), { P: 25 }) * 16 * Math.PI * D) / (100 * R * R),
  ),
  row(
    'circle, simple, central force: w·16πD/PR²',
    `${TW} §19: (3 + ν)/(1 + ν)`,
    3.3 / 1.3,
    0.005,
    () => (middleUnder(quarterCircle(24, 'simple', R), { P: 25 }) * 16 * Math.PI * D) / (100 * R * R),
  ),
  row('ring clamped outside, free inside at R/5, uniform: w·Et³/qR⁴ inside', `${TW} Tab. 3 (memory)`, 0.175, 0.025, () => {
    const ring = quarterCircle(40, 'clamped', R, {}, R / 5);
    const { s, r } = solved(ring, (s) => uniform(s, Q));
    // The hole's edge lies between two lines: carried there from the next two outside it, in a straight line.
    const i = ring.grid.x.findIndex((x) => x > R / 5);
    const [x0, x1] = [ring.grid.x[i]!, ring.grid.x[i + 1]!];
    const [w0, w1] = [liftAt(s.assembly, r, 0, i), liftAt(s.assembly, r, 0, i + 1)];
    return ((w0 + ((w1 - w0) * (R / 5 - x0)) / (x1 - x0)) * E * T ** 3) / (Q * R ** 4);
  }),
  row(
    'infinite plate on an elastic bed, force: w·8√(kD)/P',
    `${TW} §57 (Hertz)`,
    1,
    0.02,
    () =>
      (middleUnder(square(48, 'free', isotropic(E, NU, T), { bed: k }, 12 * bedLength), { P: 1000 }) * 8 * Math.sqrt(k * D)) /
      1000,
  ),
  row('beam on an elastic bed, force: w·2k′/Pβ', 'Hetényi ch. II', 1, 0.005, () => beam('w')),
  row('beam on an elastic bed, force: M·4β/P', 'Hetényi ch. II', 1, 0.01, () => beam('M')),
  row(
    'two loose plates of t against one of 2·t: deflection',
    '2·t³ against 8·t³, statics',
    4,
    0.01,
    () => pressed(true) / pressed(false),
  ),
  row(
    'plywood-like square, E1 = 3·E2: w against the series',
    `Navier, ${TW} §85`,
    1,
    0.005,
    () => middleUnder(square(24, 'simple', PLY), { q: Q }) / navier(PLY, Q, false),
  ),
  row(
    'sandwich square with a soft core: w against the series',
    'Plantema',
    1,
    0.005,
    () => middleUnder(square(24, 'simple', CORED), { q: Q }) / navier(CORED, Q, true),
  ),
  row('circle, clamped and held, large deflection: w0/t 0.5', `${TW} §97, itself an approximation`, 0.5, 0.02, () => large(0.5)),
  row('circle, clamped and held, large deflection: w0/t 1', `${TW} §97, itself an approximation`, 1, 0.02, () => large(1)),
  row('circle, clamped and held, large deflection: w0/t 1.5', `${TW} §97, itself an approximation`, 1.5, 0.04, () => large(1.5)),
  row('square, clamped and held, q·b⁴/Et⁴ 12.5: w/t', 'Roark, large deflections, ν 0.316 (memory)', 0.165, 0.03, () =>
    roark(12.5),
  ),
  row('square, clamped and held, q·b⁴/Et⁴ 50: w/t', 'Roark, large deflections, ν 0.316 (memory)', 0.59, 0.03, () => roark(50)),
  row('square, clamped and held, q·b⁴/Et⁴ 100: w/t', 'Roark, large deflections, ν 0.316 (memory)', 0.95, 0.03, () => roark(100)),
  row('square, clamped and held, q·b⁴/Et⁴ 250: w/t', 'Roark, large deflections, ν 0.316 (memory)', 1.54, 0.03, () => roark(250)),
  row('rate of convergence of w, 8 to 16 cells a side', 'square of the cell: 2 (Bathe & Dvorkin 1985)', 2, 0.1, rate),
];

function pressed(loose: boolean): number {
  const st = loosePlates(loose);
  const m = middleOf(st);
  const nx = st.grid.x.length;
  const { s, r } = solved(st, () => ({
    forces: [-nx, 0, nx].map((step, i) => ({ layer: 0, node: m + step, fz: i === 1 ? -50 : -25 })),
  }));
  return r.u[5 * ((s.assembly.stack.layers.length - 1) * s.assembly.nodes + m)]!;
}
