import { Matrix, solve } from 'ml-matrix';
import { isRefusal } from '../units/refusal';
import { cornerWords, lineForces, lineGroup, runsAround, type LineForce, type Run } from './weld-group';

/** A weld treated as a line, about its own centre: Blodgett, Design of Welded Structures, §7.4 Table 5 (from memory). b along x, d along y. */
const [b, d] = [120, 80];
const rect = { x0: -b / 2, x1: b / 2, y0: -d / 2, y1: d / 2 };
/** Forces of a group that holds. */
function held(runs: readonly Run[], load: typeof pure): LineForce[] {
  const f = lineForces(runs, load);
  if (isRefusal(f)) throw new Error(f.because);
  return f;
}
const pure = { fx: 0, fy: 0, fz: 0, mx: 0, my: 0, mz: 0 };

describe('properties of the line against the table', () => {
  it('all round: S_x = bd + d²/3, J = (b + d)³/6', () => {
    const g = lineGroup(runsAround(rect, 'all round'));
    expect(g.length).toBe(2 * (b + d));
    expect(g.Ix / (d / 2)).toBeCloseTo(b * d + d ** 2 / 3, 6);
    expect(g.Iy / (b / 2)).toBeCloseTo(b * d + b ** 2 / 3, 6);
    expect(g.Ix + g.Iy).toBeCloseTo((b + d) ** 3 / 6, 6);
  });
  it('two runs of b, d apart: S_x = bd, J = b(3d² + b²)/6', () => {
    const g = lineGroup(runsAround(rect, 'side edges'));
    expect(g.Ix / (d / 2)).toBeCloseTo(b * d, 6);
    expect(g.Ix + g.Iy).toBeCloseTo((b * (3 * d ** 2 + b ** 2)) / 6, 6);
  });
  it('two runs of d, b apart: S_x = d²/3, J = d(3b² + d²)/6', () => {
    const g = lineGroup(runsAround(rect, 'fore and aft edges'));
    expect(g.Ix / (d / 2)).toBeCloseTo(d ** 2 / 3, 6);
    expect(g.Ix + g.Iy).toBeCloseTo((d * (3 * b ** 2 + d ** 2)) / 6, 6);
  });
  it('an L of b and d: its centre b²/2(b + d), d²/2(b + d) from the corner', () => {
    const g = lineGroup([
      { from: { x: 0, y: 0 }, to: { x: b, y: 0 }, part: 1 },
      { from: { x: 0, y: 0 }, to: { x: 0, y: d }, part: 1 },
    ]);
    expect(g.centre.x).toBeCloseTo(b ** 2 / (2 * (b + d)), 9);
    expect(g.centre.y).toBeCloseTo(d ** 2 / (2 * (b + d)), 9);
    // J = ((b + d)⁴ − 6b²d²)/12(b + d).
    expect(g.Ix + g.Iy).toBeCloseTo(((b + d) ** 4 - 6 * b ** 2 * d ** 2) / (12 * (b + d)), 6);
  });
});

describe('forces on it', () => {
  const runs = runsAround(rect, 'all round');
  const most = (load: Partial<typeof pure>, of: 'along' | 'across' | 'out') =>
    Math.max(...held(runs, { ...pure, ...load }).map((f) => Math.abs(f[of])));

  it('a pull is F/L everywhere; a moment M/S at the far runs', () => {
    for (const f of held(runs, { ...pure, fz: 8000 })) expect(f.out).toBeCloseTo(8000 / 400, 9);
    expect(most({ mx: 1e6 }, 'out')).toBeCloseTo(1e6 / (b * d + d ** 2 / 3), 6);
    expect(most({ my: 1e6 }, 'out')).toBeCloseTo(1e6 / (b * d + b ** 2 / 3), 6);
  });
  it('a twist is T·c/J at the corners, square to their arm', () => {
    const J = (b + d) ** 3 / 6;
    for (const f of held(runs, { ...pure, mz: 1e6 })) {
      const r = Math.hypot(f.at.x, f.at.y);
      expect(Math.hypot(f.along, f.across)).toBeCloseTo((1e6 * r) / J, 6);
    }
  });
  it('added up over the runs they are the load again: forces and moments', () => {
    const load = { fx: 1200, fy: -700, fz: 3000, mx: 2e5, my: -4e5, mz: 3e5 };
    const off = { x0: 20, x1: 140, y0: -10, y1: 70 };
    const around = runsAround(off, 'all round');
    const ends = held(around, load);
    const sum = { ...pure };
    around.forEach(({ from, to }, i) => {
      const [p, q] = [ends[2 * i]!, ends[2 * i + 1]!];
      const l = Math.hypot(to.x - from.x, to.y - from.y);
      const u = { x: (to.x - from.x) / l, y: (to.y - from.y) / l };
      // q changes in a straight line: Simpson is exact for force and moment.
      for (const [s, w] of [
        [0, l / 6],
        [0.5, (4 * l) / 6],
        [1, l / 6],
      ] as const) {
        const mix = (k: 'along' | 'across' | 'out') => p[k] + s * (q[k] - p[k]);
        const at = { x: from.x + s * (to.x - from.x), y: from.y + s * (to.y - from.y) };
        const fx = mix('along') * u.x - mix('across') * u.y;
        const fy = mix('along') * u.y + mix('across') * u.x;
        sum.fx += w * fx;
        sum.fy += w * fy;
        sum.fz += w * mix('out');
        sum.mx += w * at.y * mix('out');
        sum.my -= w * at.x * mix('out');
        sum.mz += w * (at.x * fy - at.y * fx);
      }
    });
    for (const k of ['fx', 'fy', 'fz', 'mx', 'my', 'mz'] as const) expect(sum[k] / load[k]).toBeCloseTo(1, 9);
  });
  it('a stitched run counts its length only: half of it, twice the force', () => {
    const half = held(runsAround(rect, 'all round', 0.5), { ...pure, fz: 8000 });
    expect(half[0]!.out).toBeCloseTo(40, 9);
  });
});

describe('a group that is not alike on both sides', () => {
  /** An L and an open, leaning line of three runs. */
  const groups: Run[][] = [
    [
      { from: { x: 0, y: 0 }, to: { x: b, y: 0 }, part: 1 },
      { from: { x: 0, y: 0 }, to: { x: 0, y: d }, part: 1 },
    ],
    [
      { from: { x: -10, y: 5 }, to: { x: 90, y: 35 }, part: 1 },
      { from: { x: 90, y: 35 }, to: { x: 70, y: 95 }, part: 0.5 },
      { from: { x: -10, y: 5 }, to: { x: -30, y: -20 }, part: 1 },
    ],
  ];
  const load = { fx: 500, fy: 900, fz: 2000, mx: 4e5, my: -1e5, mz: 2e5 };

  it('as many small springs under a stiff plate (statics, a 3 × 3 solve of their own)', () => {
    for (const runs of groups) {
      const n = 4000;
      const dots = runs.flatMap(({ from, to, part }) => {
        const l = Math.hypot(to.x - from.x, to.y - from.y);
        return Array.from({ length: n }, (_, i) => {
          const s = (i + 0.5) / n;
          return { x: from.x + s * (to.x - from.x), y: from.y + s * (to.y - from.y), k: (part * l) / n };
        });
      });
      const K = Matrix.zeros(3, 3);
      for (const { x, y, k } of dots) {
        const v = [1, y, -x];
        for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) K.set(i, j, K.get(i, j) + k * v[i]! * v[j]!);
      }
      const [w0, θx, θy] = solve(K, Matrix.columnVector([load.fz, load.mx, load.my])).to1DArray();
      for (const f of held(runs, load)) expect(f.out / (w0! + θx! * f.at.y - θy! * f.at.x)).toBeCloseTo(1, 5);
    }
  });
  it('turned by any angle it carries the same', () => {
    const turn = 0.7;
    const to = ({ x, y }: { x: number; y: number }) => ({
      x: x * Math.cos(turn) - y * Math.sin(turn),
      y: x * Math.sin(turn) + y * Math.cos(turn),
    });
    const [f, m] = [to({ x: load.fx, y: load.fy }), to({ x: load.mx, y: load.my })];
    const turned = { ...load, fx: f.x, fy: f.y, mx: m.x, my: m.y };
    for (const runs of groups) {
      const there = held(
        runs.map((r) => ({ ...r, from: to(r.from), to: to(r.to) })),
        turned,
      );
      held(runs, load).forEach((q, i) =>
        (['along', 'across', 'out'] as const).forEach((k) => expect(there[i]![k]).toBeCloseTo(q[k], 9)),
      );
    }
  });
  it('a single line takes the moment along it, S = l²/6, and is a hinge to one about it, however it leans', () => {
    const line: Run[] = [{ from: { x: 20, y: 10 }, to: { x: 80, y: 90 }, part: 1 }];
    const centred = line.map((r) => ({ ...r, from: { x: -30, y: -40 }, to: { x: 30, y: 40 } }));
    const q = held(centred, { ...pure, mx: 0.8 * 1e5, my: -0.6 * 1e5 });
    expect(Math.abs(q[0]!.out)).toBeCloseTo(1e5 / (100 ** 2 / 6), 9);
    const about = lineForces(centred, { ...pure, mx: 0.6 * 1e5, my: 0.8 * 1e5 });
    expect(about).toMatchObject({ refused: true, because: expect.stringContaining('a hinge') as string });
    expect(isRefusal(lineForces(line, { ...pure, fz: 1000 }))).toBe(true);
  });
});

it('corners by name', () => {
  expect(cornerWords(rect, { x: 60, y: 40 })).toBe('fore port corner');
  expect(cornerWords(rect, { x: -60, y: -40 })).toBe('aft starboard corner');
});
