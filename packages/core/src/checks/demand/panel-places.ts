import type { Point, Rect } from '../../geometry/points';

/** Points of a panel that are looked at, each at the crossing of one of `xs` with one of `ys`. */
export interface Places {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  /** Which of them, point by point. */
  readonly at: readonly (readonly [i: number, j: number])[];
  readonly points: readonly Point[];
  /** What they are told apart by. */
  readonly key: string;
}

/** Pieces a patch is looked at in each way, and what is left of the panel on each side of it. */
const IN_PATCH = 16;
const BESIDE = 6;

const pieces = (from: number, to: number, n: number): number[] =>
  to - from < 1e-6 ? [] : Array.from({ length: n }, (_, k) => from + ((to - from) * k) / n);

/** From edge to edge of a panel, closer in the patch; alike from either end. */
const along = (p0: number, p1: number, from: number, to: number): number[] => [
  ...pieces(p0, from, BESIDE),
  ...pieces(from, to, IN_PATCH),
  ...pieces(to, p1, BESIDE),
  p1,
];

/** All over a panel, closer where a patch of it is loaded. */
export function allOver(panel: Rect, patch: Rect): Places {
  const xs = along(panel.x0, panel.x1, patch.x0, patch.x1);
  const ys = along(panel.y0, panel.y1, patch.y0, patch.y1);
  const at = xs.flatMap((_, i) => ys.map((_y, j) => [i, j] as const));
  const { x0, x1, y0, y1 } = patch;
  return { xs, ys, at, points: at.map(([i, j]) => ({ x: xs[i]!, y: ys[j]! })), key: `over ${x0} ${x1} ${y0} ${y1}` };
}

/** At the points given. */
export const onlyAt = (points: readonly Point[]): Places => ({
  xs: points.map((p) => p.x),
  ys: points.map((p) => p.y),
  at: points.map((_, k) => [k, k] as const),
  points,
  key: points.map((p) => `${p.x} ${p.y}`).join(' '),
});

/** Place and height of the top of the parabola through three points, the middle one the highest; itself where it stands at the end. */
function top(x: readonly number[], f: readonly number[]): { at: number; over: number } {
  const [xa = NaN, xb = NaN, xc = NaN] = x;
  const [fa = NaN, fb = NaN, fc = NaN] = f;
  const [l, r] = [xb - xa, xc - xb];
  const [sl, sr] = [(fb - fa) / l, (fc - fb) / r];
  const curve = (sr - sl) / (l + r);
  if (!(curve < 0)) return { at: xb, over: 0 };
  const slope = (sl * r + sr * l) / (l + r);
  const step = Math.min(r, Math.max(-l, -slope / (2 * curve)));
  return { at: xb + step, over: Math.max(0, slope * step + curve * step ** 2) };
}

/** The peak of a figure known all over: the highest point, and what a parabola each way through it and its neighbours stands over it. */
export function peakOf({ xs, ys, points }: Places, figure: Float64Array): { value: number; at: Point } {
  let k = 0;
  for (let n = 1; n < points.length; n++) if (figure[n]! > figure[k]!) k = n;
  const [i, j] = [Math.floor(k / ys.length), k % ys.length];
  const X =
    i > 0 && i < xs.length - 1
      ? top(
          xs.slice(i - 1, i + 2),
          [k - ys.length, k, k + ys.length].map((n) => figure[n]!),
        )
      : undefined;
  const Y =
    j > 0 && j < ys.length - 1
      ? top(
          ys.slice(j - 1, j + 2),
          [k - 1, k, k + 1].map((n) => figure[n]!),
        )
      : undefined;
  return {
    value: figure[k]! + (X?.over ?? 0) + (Y?.over ?? 0),
    at: { x: X?.at ?? points[k]!.x, y: Y?.at ?? points[k]!.y },
  };
}
