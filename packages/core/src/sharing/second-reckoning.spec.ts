import type { Point } from '../geometry/points';
import { judgedJobs } from '../testing/judged-jobs';
import { resolved, testJob } from '../testing/test-job';
import { huth, sharesAlongRow, swift, type Lap } from './row';
import { rowVariants } from './row-variants';
import { shareInPlane } from './in-plane';
import { groupCoefficient } from './instantaneous-centre';
import { isRefusal } from '../units/refusal';
import { shareOutOfPlane, type OutOfPlane } from './out-of-plane';
import { leftByPlate } from './t-stub';

/** The sharing once more: a stiff base on small springs that only press and bolts that only pull, its least energy sought by itself. */

interface Spring extends Point {
  readonly k: number;
  /** A bolt takes what goes up, the bed what goes down. */
  readonly sign: 1 | -1;
}

/** Lift and slopes of least energy under F_z, M_x, M_y: Newton on ½·Σk·⟨lift⟩² − load, with halved steps. */
function settled(springs: readonly Spring[], load: readonly number[]): number[] | undefined {
  const rows = springs.map((s) => [1, s.y, -s.x]);
  const lift = (u: readonly number[], i: number) => rows[i]!.reduce((a, v, k) => a + v * u[k]!, 0);
  const acts = (u: readonly number[], i: number) => springs[i]!.sign * lift(u, i) > 0;
  const energy = (u: readonly number[]) =>
    springs.reduce((e, s, i) => e + (acts(u, i) ? (s.k * lift(u, i) ** 2) / 2 : 0), 0) -
    load.reduce((e, f, k) => e + f * u[k]!, 0);
  let u = [0, 0, 0];
  let before = Infinity;
  for (let round = 0; round < 200; round++) {
    const K = [0, 0, 0].map(() => [0, 0, 0]);
    const g = load.map((f) => -f);
    springs.forEach((s, i) => {
      const on = round === 0 || acts(u, i);
      const v = lift(u, i);
      rows[i]!.forEach((a, p) => {
        if (acts(u, i)) g[p]! += s.k * v * a;
        rows[i]!.forEach((b, q) => (K[p]![q]! += (on ? 1 : 1e-6) * s.k * a * b));
      });
    });
    const d = cramer(
      K,
      g.map((v) => -v),
    );
    let t = 1;
    const here = energy(u);
    while (t > 1e-9 && energy(u.map((v, k) => v + t * d[k]!)) > here) t /= 2;
    u = u.map((v, k) => v + t * d[k]!);
    if (Math.abs(before - here) < 1e-13 * Math.abs(here)) return u;
    before = here;
  }
  return undefined;
}

function cramer(K: readonly (readonly number[])[], f: readonly number[]): number[] {
  const det = (m: readonly (readonly number[])[]) =>
    m[0]![0]! * (m[1]![1]! * m[2]![2]! - m[1]![2]! * m[2]![1]!) -
    m[0]![1]! * (m[1]![0]! * m[2]![2]! - m[1]![2]! * m[2]![0]!) +
    m[0]![2]! * (m[1]![0]! * m[2]![1]! - m[1]![1]! * m[2]![0]!);
  const D = det(K);
  return [0, 1, 2].map((c) => det(K.map((row, r) => row.map((v, k) => (k === c ? f[r]! : v)))) / D);
}

it('pulls of random joints: of a stiff plate and of one that gives strip by strip, the more at each bolt, within 2 %', () => {
  const N = 32;
  let asked = 0;
  for (const { r, cases } of judgedJobs(170, 40)) {
    const own = r.bolts.filter((b) => b.throughBase).length;
    const mixed = r.welds.fitting === 'none' && own > 0 && own < r.bolts.length;
    if (mixed || r.joint.packing === 'spacers' || new Set(r.bolts.map((b) => b.packed)).size > 1) continue;
    const { x0, x1, y0, y1 } = r.base;
    const [dx, dy] = [(x1 - x0) / N, (y1 - y0) / N];
    const bed: Spring[] = Array.from({ length: N * N }, (_, i) => ({
      x: x0 + ((i % N) + 0.5) * dx,
      y: y0 + (Math.floor(i / N) + 0.5) * dy,
      k: r.bedModulus * dx * dy,
      sign: -1,
    }));
    const left = leftByPlate(r);
    for (const { s } of cases) {
      const { fz, mx, my } = s.onSkin;
      const pulls = [1, 0].map((stiff) => {
        const bolts = r.bolts.map((b, i): Spring => ({ x: b.x, y: b.y, k: r.grade.E * r.As * (stiff ? 1 : left[i]!), sign: 1 }));
        const u = settled([...bolts, ...bed], [fz, mx, my]);
        return u && bolts.map((b) => b.k * Math.max(0, u[0]! + u[1]! * b.y - u[2]! * b.x));
      });
      const [stiff, bends] = pulls;
      if (!stiff || !bends) continue;
      const his = stiff.map((v, i) => Math.max(v, bends[i]!));
      const most = Math.max(...his);
      // Where next to nothing is pulled the grid decides.
      if (most < 50) continue;
      asked++;
      const off = Math.max(...his.map((v, i) => Math.abs(v - s.outOfPlane.tensions[i]!)));
      expect([asked, off / most < 0.02]).toEqual([asked, true]);
    }
  }
  expect(asked).toBeGreaterThan(40);
});

it('what a strip of plate leaves of its bolt, worked by hand', () => {
  // M10 at ±90, ±80 beside a base of 120 × 100, plate 230 × 210 × 8 of S275 on 8 of steel with 5 of backing behind.
  const r = resolved(
    testJob({}, (j) => ({
      ...j,
      base: { ...j.base, holes: [], length: { ...j.base.length, v: 120 }, width: { ...j.base.width, v: 100 } },
    })),
  );
  const m = Math.hypot(90 - 60, 80 - 50);
  // Along the line square to the way out, 45°: neighbours stand further off than the strip is long, so each side ends at the plate's edge.
  const end = Math.min(115 - 90, 105 - 80) * Math.SQRT2;
  const wide = 2 * Math.min(end, 2 * m);
  const strip = (6 * 210_000 * ((wide * 8 ** 3) / 12)) / m ** 3;
  const bolt = (210_000 * r.As) / (8 + 8 + 5 + 0.9 * 10);
  for (const left of leftByPlate(r)) expect(left).toBeCloseTo(strip / (strip + bolt), 6);
});

describe('rows', () => {
  const LAP: Lap = { t1: 6, t2: 4, E1: 210_000, E2: 70_000, d: 10, Ef: 200_000 };
  const x = { pitches: [40, 50, 60, 40], lap: LAP, width: 30, laminate: false };
  const EA = [210_000 * 6 * 30, 70_000 * 4 * 30] as const;
  const by = (C: number, one: readonly number[], two: readonly number[], pitches = x.pitches) =>
    sharesAlongRow({ pitches, EA1: one.map((k) => k * EA[0]), EA2: two.map((k) => k * EA[1]), C: Array<number>(5).fill(C) });
  const whole = [1, 1, 1, 1];

  it('Huth: ((t_1 + t_2)/2d)^⅔·b·(Σ1/tE + Σ1/2tE_f); Swift 5/(d·E_f) + 0.8·Σ1/tE', () => {
    const soft = 1 / (6 * 210_000) + 1 / (4 * 70_000);
    const bolts = 1 / (2 * 6 * 200_000) + 1 / (2 * 4 * 200_000);
    expect(huth(LAP, false)).toBeCloseTo(0.5 ** (2 / 3) * 3 * (soft + bolts), 12);
    expect(huth(LAP, true) / huth(LAP, false)).toBeCloseTo(4.2 / 3, 9);
    expect(swift(LAP)).toBeCloseTo(5 / (10 * 200_000) + 0.8 * soft, 12);
  });
  it('each way of building it: a plate half as thick again, straps thinned to half at their free ends, ends half as far again', () => {
    const of = (start: string) => rowVariants(x).find((v) => v.name.startsWith(start))!.shares;
    const close = (shares: readonly number[]) => shares.map((v) => expect.closeTo(v, 9));
    const C = huth(LAP, false);
    expect(of('as it is, Huth')).toEqual(close(by(C, whole, whole)));
    expect(of('as it is, Swift')).toEqual(close(by(swift(LAP), whole, whole)));
    const thin = [1, 5 / 6, 4 / 6, 0.5];
    expect(of('straps tapered')).toEqual(close(by(C, thin, [...thin].reverse())));
    expect(of('end pitches')).toEqual(close(by(C, whole, whole, [60, 50, 60, 60])));
    const stiffer = rowVariants(x).find((v) => v.name.includes('half as thick'))!;
    expect(stiffer.shares).toEqual(close(by(huth({ ...LAP, t1: 9 }, false), [1.5, 1.5, 1.5, 1.5], whole)));
  });
});

it('a group at its strength carries more than the elastic group says, never more than all its bolts together', () => {
  for (const { r, cases } of judgedJobs(120, 41)) {
    for (const { s } of cases) {
      const { fx, fy, mz } = s.loadCase;
      const elastic = shareInPlane(r.bolts, fx, fy, mz);
      if ('refused' in elastic || Math.hypot(fx, fy) < 1 || r.bolts.length < 3) continue;
      const C = groupCoefficient(r.bolts, fx, fy, mz);
      if (C === undefined) continue;
      const worst = Math.max(...elastic.shears.map((v) => v.total));
      expect(C).toBeLessThanOrEqual(r.bolts.length * (1 + 1e-6));
      // The hardest-worked bolt is at (1 − e^(−10·0.34))^0.55 of its strength there (AISC Manual Part 7).
      expect(C * worst).toBeGreaterThanOrEqual(Math.hypot(fx, fy) * (1 - Math.exp(-3.4)) ** 0.55);
    }
  }
});

describe('posts in one line, however it leans: each takes its part of a force on the line, and nothing holds one beside it (statics)', () => {
  const along = [-70, 10, 90];
  const mean = (-70 + 10 + 90) / 3;
  const spread = along.reduce((sum, t) => sum + (t - mean) ** 2, 0);
  const at = (angle: number, t: number, off = 0) => ({
    x: 35 + t * Math.cos(angle) - off * Math.sin(angle),
    y: -20 + t * Math.sin(angle) + off * Math.cos(angle),
  });
  const share = (angle: number, ts: readonly number[], p: Point, F: number) =>
    shareOutOfPlane(
      {
        base: { x0: -60, x1: 60, y0: -40, y1: 40 },
        bolts: ts.map((t) => at(angle, t)),
        boltStiffness: 2e7,
        bedModulus: 20_000,
        inLine: true,
        stands: 'at bolts',
      },
      F,
      F * p.y,
      -F * p.x,
    );
  it.each([0, 0.4, 1.2, Math.PI / 2, 2.5])('at %d rad', (angle) => {
    for (const t of [-30, 60, 130]) {
      const o = share(angle, along, at(angle, t), 900);
      if (isRefusal(o)) throw new Error(o.because);
      along.forEach((ti, i) => {
        const F = 900 / 3 + (900 * (t - mean) * (ti - mean)) / spread;
        expect([o.tensions[i], o.pushes[i]]).toEqual([expect.closeTo(Math.max(0, F), 2), expect.closeTo(Math.max(0, -F), 2)]);
      });
      expect(o.push).toBeCloseTo(
        o.pushes.reduce((a, b) => a + b, 0),
        9,
      );
      const beside = share(angle, along, at(angle, t, 5), 900);
      expect(isRefusal(beside) && beside.because).toMatch(/all bolts stand in one line.*\([45] N·m\)/);
    }
    expect((share(angle, [20], at(angle, 20), 700) as OutOfPlane).tensions).toEqual([expect.closeTo(700, 2)]);
    const lone = share(angle, [20], at(angle, 26), 700);
    expect(isRefusal(lone) && lone.because).toContain('there is one bolt');
  });
});

it('the instantaneous centre knows lengths, not how large the force is, nor which way it is seen', () => {
  const group = [
    { x: 0, y: 0 },
    { x: 76.2, y: 10 },
    { x: 20, y: 76.2 },
    { x: 90, y: 80 },
  ];
  const C = (fx: number, fy: number, mz: number, bolts: readonly Point[] = group) => groupCoefficient(bolts, fx, fy, mz)!;
  const once = C(300, 1000, 90_000);
  expect(C(3000, 10_000, 900_000)).toBeCloseTo(once, 6);
  expect(C(0.3, 1, 90)).toBeCloseTo(once, 6);
  expect(
    C(
      -1000,
      300,
      90_000,
      group.map(({ x, y }) => ({ x: -y, y: x })),
    ),
  ).toBeCloseTo(once, 6);
  expect(
    C(
      300,
      -1000,
      -90_000,
      group.map(({ x, y }) => ({ x, y: -y })),
    ),
  ).toBeCloseTo(once, 6);
  expect(once).toBeLessThan(4);
  expect(once).toBeGreaterThan(1);
});
