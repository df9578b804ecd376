import { seeded } from '../testing/seeded';
import type { Signature } from './log-entry';
import { readTrace, type TracePoint } from './torque-trace';

/**
 * Synthetic turns whose truth is known: friction a quarter either way, 2 % noise on the torque, a point a degree or one every two
 * degrees; how often each is read as what it is.
 */
const TARGET = 48_000;
const SLOPE = 900;
const NOISE = 0.02;

type Law = (x: number, T0: number, k: number, T: number) => number;
interface Truth {
  readonly law: Law;
  /** Where the wrench is let go, of the target; and how far it is turned at most past snug, degrees. */
  readonly to: number;
  readonly turns?: number;
  /** Degrees run down before, and the torque a nut runs at and breaks away with, of the target. */
  readonly free: number;
  readonly runs: number;
  readonly breaks: number;
  readonly from: number;
}
const straight: Law = (x, T0, k) => T0 + k * x;
const knee =
  (at: number, by: number): Law =>
  (x, T0, k, T) => {
    const bend = Math.max(0, at * T - T0) / k;
    return x <= bend ? T0 + k * x : T0 + k * bend + by * k * (x - bend);
  };

function turned(t: Truth, degrees: number, random: () => number): TracePoint[] {
  const K = SLOPE * (0.75 + 0.5 * random());
  const noisy = (T: number) => Math.max(0, T + (2 * random() - 1) * NOISE * TARGET);
  const points: TracePoint[] = [];
  const T0 = Math.max(t.from, t.runs) * TARGET;
  for (let a = 0; a < t.free; a += degrees) points.push([a, noisy(a < 4 ? t.breaks * TARGET : T0)]);
  for (let x = 0; x < (t.turns ?? 400); x += degrees) {
    const T = t.law(x, T0, K, TARGET);
    points.push([t.free + x, noisy(Math.min(T, t.to * TARGET))]);
    if (T >= t.to * TARGET) break;
  }
  return points;
}

const plain = { free: 20, runs: 0.02, breaks: 0.02, from: 0, to: 1.01 } as const;
const between = (low: number, high: number, r: () => number) => low + (high - low) * r();
const KINDS: Readonly<Record<string, readonly [Signature, (r: () => number) => Truth]>> = {
  good: ['good', () => ({ ...plain, law: straight })],
  'good, a nut with a nylon ring': [
    'good',
    (r) => ({ ...plain, law: straight, free: 40, breaks: between(0.12, 0.2, r), runs: between(0.05, 0.1, r) }),
  ],
  'good, from a round before': ['good', (r) => ({ ...plain, law: straight, free: 0, from: between(0.28, 0.5, r) })],
  'binds on the way': ['cross thread', (r) => ({ ...plain, law: knee(between(0.4, 0.6, r), between(3, 6, r)) })],
  'crossed from the start': ['cross thread', (r) => ({ ...plain, law: knee(0, between(3.2, 4, r)) })],
  'soft joint': ['soft joint', (r) => ({ ...plain, law: (x, T0, k) => T0 + 0.28 * k * x, free: between(10, 30, r) })],
  yield: ['yield', (r) => ({ ...plain, law: knee(between(0.6, 0.85, r), 0.08), turns: 110 })],
  stripped: ['stripped', (r) => ({ ...plain, law: knee(between(0.4, 0.8, r), -1.1), turns: 75 })],
  'not reached': ['not reached', (r) => ({ ...plain, law: straight, to: between(0.6, 0.9, r) })],
  over: ['over', (r) => ({ ...plain, law: straight, to: between(1.16, 1.4, r) })],
};

it.each([1, 2])('500 turns with a point every %d°: one in a hundred is misread, either way', (degrees) => {
  const random = seeded(500 + degrees);
  const kinds = Object.entries(KINDS);
  const rows = kinds.map(([kind, [truth, of]]) => {
    const reads = Array.from({ length: 500 / kinds.length }, () =>
      readTrace(turned(of(random), degrees, random), { target: TARGET, slope: SLOPE }),
    );
    return { kind, truth, reads: reads.map((r) => r.reads) };
  });
  const all = rows.flatMap((r) =>
    r.reads.map((read) => ({
      good: r.truth === 'good',
      as: read === 'good',
      hit: read === r.truth,
      kind: `${r.kind} as ${read}`,
    })),
  );
  const misread = all.filter((a) => !a.hit).map((a) => a.kind);
  expect(misread.length / all.length > 0.01 ? misread : []).toEqual([]);
  // No bad one passes as good, and of the good ones a hundredth at most is turned away.
  expect(all.filter((a) => !a.good && a.as)).toEqual([]);
  const good = all.filter((a) => a.good);
  expect(good.filter((a) => !a.as).length / good.length).toBeLessThanOrEqual(0.01);
});

it('a first round, its torque a third of the whole and the noise that of the whole: 200 good bolts, of which none was stripped', () => {
  const random = seeded(41);
  const round = { target: 0.3 * TARGET, slope: SLOPE };
  const reads = Array.from({ length: 200 }, () => {
    const K = SLOPE * (0.75 + 0.5 * random());
    const noisy = (T: number) => Math.max(0, T + (2 * random() - 1) * 0.01 * TARGET);
    const points: TracePoint[] = [];
    for (let a = 0; a < 20; a++) points.push([a, noisy(0.01 * TARGET)]);
    for (let x = 0; ; x++) {
      const T = 0.01 * TARGET + K * x;
      points.push([20 + x, noisy(Math.min(T, 1.01 * round.target))]);
      if (T >= 1.01 * round.target) break;
    }
    return readTrace(points, round).reads;
  });
  expect(reads.filter((r) => r !== 'good').length).toBeLessThanOrEqual(2);
});
