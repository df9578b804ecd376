import type { Signature } from './log-entry';

/** A point of a trace: degrees turned, N·mm. */
export type TracePoint = readonly [angle: number, torque: number];

/** What a bolt should show when it is turned. */
export interface Expected {
  /** N·mm. */
  readonly target: number;
  /** N·mm for a degree, from the springs of bolt and plates. */
  readonly slope: number;
}

export interface TraceRead {
  readonly reads: Signature;
  /** In words, with the figures. */
  readonly because: string;
  /** Highest torque, N·mm, and degrees from snug to the end. */
  readonly torque: number;
  readonly fromSnug: number;
  /** Steepest part, N·mm for a degree; undefined where the trace is too short to tell. */
  readonly slope: number | undefined;
}

/** A click wrench is within ±4 % of what it is set to (ISO 6789-1, from memory). */
export const WRENCH = 0.04;
/** More than this over the target is too much (common practice). */
export const OVER = 1.1;
/** A joint is snug at this part of the target (common practice). */
export const SNUG = 0.1;
/** Steeper and shallower than this against the springs is another thing than stretching a bolt (common practice: friction alone makes a quarter either way). */
export const STEEP = 2.2;
export const SHALLOW = 0.45;
/** Turned by less than this part of what the springs ask from snug, and by more: it did not stretch so far, or something closed first (common practice). */
const SHORT = 0.6;
const LONG = 2.2;
/** Where the rise turns steeper or shallower by this it is two rises, and not one with noise (common practice). */
const KNEE = 1.8;
/** Up to this part of the target a joint beds in, and gets steeper for that (common practice). */
const TOE = 0.25;
const GIVES = 0.5;
/** How much better two lines must be than one, by what they leave over for each degree of freedom (F of their squares; common practice). */
const CLEARER = 15;
/** Each of the two covers at least this part of the rise. */
const LEAST_PART = 0.12;
/** A fall from the highest torque by this part, still turning, is a thread that has gone; it does not come back. */
const FALLS = 0.2;
const BACK = 0.9;
/** Torque that falls off by itself without turning: the wrench came off. */
const DROPS = 0.6;
/** Degrees without which a fall is no turn. */
const STILL = 1.5;

/** Reads torque over angle: what the bolt did, by its shape against what its springs promise. Angles go up; at least one point. */
export function readTrace(trace: readonly TracePoint[], { target, slope: expected }: Expected, lost = false): TraceRead {
  const most = trace.reduce((m, [, T]) => Math.max(m, T), 0);
  const rise = riseOf(trace, target);
  const slope = steepest(rise, target);
  const turned = fromSnug(rise, target);
  const base = { torque: most, fromSnug: turned.degrees, slope };
  const as = (reads: Signature, because: string): TraceRead => ({ reads, because, ...base });
  const times = slope === undefined ? undefined : slope / expected;
  if (lost) return as('link lost', 'the wrench was not heard to its end: tighten to the torque again');
  if (slipped(trace, target))
    return as('wrench slipped', 'the torque was gone at once without the bolt turning: the wrench came off; set it again');
  const stripped = fall(trace, target);
  if (stripped) return as('stripped', stripped);
  const bent = kneeOf(rise, trace.at(-1)!);
  if (bent && bent.after < GIVES * bent.before && bent.before > SHALLOW * expected)
    return as(
      'yield',
      `it bends over at ${percent(bent.at / target)}: ${percent(Math.max(0, bent.after / bent.before))} as steep from there: the bolt, its thread or what it clamps gives; take it out`,
    );
  if (bent && bent.at > TOE * target && bent.after > KNEE * bent.before && bent.before > SHALLOW * expected)
    return as(
      'cross thread',
      `at ${percent(bent.at / target)} it gets ${(bent.after / bent.before).toFixed(1)} × as steep: the thread binds there, crossed or at its end, and the torque does not stretch the bolt`,
    );
  if (times !== undefined && times > STEEP)
    return as(
      'cross thread',
      `${times.toFixed(1)} × as steep as bolt and plates are: the thread binds, crossed or at its end, and the torque does not stretch the bolt`,
    );
  const part = turned.torque / expected > 2 * STILL ? turned.degrees / (turned.torque / expected) : undefined;
  if (part !== undefined && part < SHORT)
    return as(
      'cross thread',
      `it turned ${Math.round(turned.degrees)}° from snug, where ${Math.round(turned.torque / expected)}° stretch the bolt so far: the thread binds, and the torque is not in the bolt`,
    );
  if (times !== undefined && times < SHALLOW)
    return as(
      'soft joint',
      `${times.toFixed(2)} × as steep as bolt and plates are: a gap, packing or skin is being squeezed; look under the plate`,
    );
  if (part !== undefined && part > LONG)
    return as(
      'soft joint',
      `it turned ${Math.round(turned.degrees)}° from snug, where ${Math.round(turned.torque / expected)}° are reckoned: a gap was drawn together, or something sinks in; look under the plate`,
    );
  if (most < (1 - WRENCH) * target) return as('not reached', `${percent(most / target)} of the target: turn on until it clicks`);
  if (most > OVER * target)
    return as('over', `${percent(most / target)} of the target: slacken, look at the bolt, tighten again`);
  return as(
    'good',
    times === undefined
      ? 'at the target; too few points to tell more'
      : `at the target, ${times.toFixed(2)} × as steep as reckoned`,
  );
}

const percent = (v: number): string => `${Math.round(v * 100)} %`;

/** From where the torque goes up for good: what a nut with a ring runs at, and its breakaway, lie before. */
function riseOf(trace: readonly TracePoint[], target: number): readonly TracePoint[] {
  const top = trace.reduce((m, p, i) => (p[1] > trace[m]![1] ? i : m), 0);
  // The last point at or under what it ran at just before.
  const ran = Math.max(
    trace[0]![1],
    ...trace
      .slice(0, top)
      .filter(([, T], i) => dips(trace, i, T))
      .map(([, T]) => T),
  );
  const low = Math.min(Math.max(ran, 0.02 * target), 0.6 * trace[top]![1]);
  if (Math.min(...trace.map(([, T]) => T)) >= SNUG * target) return trace;
  let from = 0;
  for (let i = 0; i <= top; i++) if (trace[i]![1] <= low) from = i;
  return trace.slice(from);
}

/** Torque that is less a tenth further on: not yet the rise. */
const dips = (trace: readonly TracePoint[], i: number, T: number): boolean =>
  T > 0 && trace.slice(i + 1, i + 9).some(([, later]) => later < 0.9 * T);

/** Degrees from snug to the top, and the torque that came in over them. */
function fromSnug(rise: readonly TracePoint[], target: number): { degrees: number; torque: number } {
  const top = rise.reduce((m, p) => (p[1] > m[1] ? p : m), rise[0]!);
  const snug = rise.find(([, T]) => T >= SNUG * target) ?? top;
  return { degrees: Math.max(0, top[0] - snug[0]), torque: Math.max(0, top[1] - snug[1]) };
}

/** The middle of the rise, from 30 to 70 % of it, by least squares; undefined where nothing tells. */
function steepest(trace: readonly TracePoint[], target: number): number | undefined {
  const most = Math.min(target, Math.max(...trace.map(([, T]) => T)));
  const from = trace[0]![1];
  const rise = trace.slice(0, trace.findIndex(([, T]) => T >= most) + 1);
  const at = (part: number) => from + part * (most - from);
  const part = rise.filter(([, T]) => T >= at(0.3) && T <= at(0.7));
  if (part.length >= 3) return slopeOf(part);
  // Too few points in the middle: from where it became snug to its top, where that is a good part of the torque.
  const [first, top] = [rise.find(([, T]) => T >= SNUG * target), rise.at(-1)];
  if (!first || !top || top[1] - first[1] < 0.4 * target || top[0] <= first[0]) return undefined;
  return (top[1] - first[1]) / (top[0] - first[0]);
}

interface Line {
  readonly slope: number;
  /** Squares left over. */
  readonly left: number;
}

function lineThrough(points: readonly TracePoint[]): Line | undefined {
  const slope = slopeOf(points);
  if (slope === undefined) return undefined;
  const n = points.length;
  const mx = points.reduce((s, [a]) => s + a, 0) / n;
  const my = points.reduce((s, [, T]) => s + T, 0) / n;
  return { slope, left: points.reduce((s, [a, T]) => s + (T - my - slope * (a - mx)) ** 2, 0) };
}

/** By least squares; undefined where nothing turned. */
export function slopeOf(points: readonly TracePoint[]): number | undefined {
  const n = points.length;
  const mx = points.reduce((s, [a]) => s + a, 0) / n;
  const my = points.reduce((s, [, T]) => s + T, 0) / n;
  const xx = points.reduce((s, [a]) => s + (a - mx) ** 2, 0);
  const xy = points.reduce((s, [a, T]) => s + (a - mx) * (T - my), 0);
  return xx < 1e-9 ? undefined : xy / xx;
}

interface Knee {
  readonly before: number;
  readonly after: number;
  /** N·mm where they meet. */
  readonly at: number;
}

/** Where one line becomes another: the split that leaves least over, where it leaves much less than one line through all. */
function kneeOf(rise: readonly TracePoint[], end: TracePoint): Knee | undefined {
  const points = rise.filter(([a]) => a <= end[0]);
  const one = lineThrough(points);
  if (!one || points.length < 8) return undefined;
  const [low, high] = [points[0]!, points.reduce((m, p) => (p[1] > m[1] ? p : m), points[0]!)];
  const wide = Math.max(high[1] - low[1], 1e-9);
  const long = points.at(-1)![0] - low[0];
  let best: (Knee & { readonly left: number }) | undefined;
  for (let i = 4; i <= points.length - 4; i++) {
    const [a, b] = [points.slice(0, i), points.slice(i)];
    const covers = (p: readonly TracePoint[]) =>
      (p.at(-1)![1] - p[0]![1]) / wide > LEAST_PART || (p.at(-1)![0] - p[0]![0]) / long > 2 * LEAST_PART;
    if (!covers(a) || !covers(b)) continue;
    const [before, after] = [lineThrough(a), lineThrough(b)];
    if (!before || !after) continue;
    const left = before.left + after.left;
    if (left < (best?.left ?? Infinity)) best = { before: before.slope, after: after.slope, at: points[i]![1], left };
  }
  if (!best) return undefined;
  const F = (one.left - best.left) / 2 / Math.max(best.left / (points.length - 4), 1e-9);
  return F > CLEARER ? best : undefined;
}

/** Torque that falls while the bolt still turns, below the target, and does not come back: threads shear. */
function fall(trace: readonly TracePoint[], target: number): string | undefined {
  const highest = trace.reduce((m, p, i) => (p[1] > trace[m]![1] ? i : m), 0);
  const top = trace[highest]!;
  const after = trace.slice(highest + 1);
  const down = after.filter(([a, T]) => T < (1 - FALLS) * top[1] && a - top[0] > STILL);
  const end = after.at(-1);
  if (top[1] <= SNUG * target || down.length < 2 || !end || end[1] > BACK * top[1]) return undefined;
  return `it fell from ${percent(top[1] / target)} to ${percent(end[1] / target)} of the target while it turned ${Math.round(end[0] - top[0])}°: the thread strips; another bolt and nut`;
}

/** Torque gone between two points that are no turn apart, before the target is met, and not had again: a nut's breakaway comes back. */
const slipped = (trace: readonly TracePoint[], target: number): boolean =>
  trace.some(([a, T], i) => {
    const next = trace[i + 1];
    if (next === undefined || T <= 0.2 * target || T >= (1 - WRENCH) * target) return false;
    return T - next[1] > DROPS * T && next[0] - a < STILL && trace.slice(i + 1).every(([, later]) => later < BACK * T);
  });
