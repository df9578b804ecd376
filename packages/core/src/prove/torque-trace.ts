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
/** Steeper and shallower than this against the springs is another thing than stretching a bolt (common practice: friction alone makes half and double). */
export const STEEP = 2.2;
export const SHALLOW = 0.45;
/** Where the slope falls to this part of its steepest the bolt, its thread or what it clamps gives (common practice: half). */
const GIVES = 0.5;
/** A fall from the highest torque by this part, still turning, is a thread that has gone. */
const FALLS = 0.2;
/** Torque that falls off by itself without turning: the wrench came off. */
const DROPS = 0.6;
/** Degrees without which a fall is no turn. */
const STILL = 1.5;

/** Reads torque over angle: what the bolt did, by its shape against what its springs promise. Angles go up; at least one point. */
export function readTrace(trace: readonly TracePoint[], { target, slope: expected }: Expected, lost = false): TraceRead {
  const most = trace.reduce((m, [, T]) => Math.max(m, T), 0);
  const end = trace.at(-1)!;
  const snugAt = trace.find(([, T]) => T >= SNUG * target)?.[0] ?? end[0];
  const fromSnug = end[0] - snugAt;
  const slope = steepest(trace, target);
  const base = { torque: most, fromSnug, slope };
  const as = (reads: Signature, because: string): TraceRead => ({ reads, because, ...base });
  const times = slope === undefined ? undefined : slope / expected;
  if (lost) return as('link lost', 'the wrench was not heard to its end: tighten to the torque again');
  if (slipped(trace, target))
    return as('wrench slipped', 'the torque was gone at once without the bolt turning: the wrench came off; set it again');
  const stripped = fall(trace, target);
  if (stripped) return as('stripped', stripped);
  if (times !== undefined && times > STEEP)
    return as(
      'cross thread',
      `${times.toFixed(1)} × as steep as bolt and plates are: the thread binds, crossed or at its end, and the torque does not stretch the bolt`,
    );
  const given = gives(trace, target, slope, end);
  if (given) return as('yield', given);
  if (times !== undefined && times < SHALLOW)
    return as(
      'soft joint',
      `${times.toFixed(2)} × as steep as bolt and plates are: a gap, packing or skin is being squeezed; look under the plate`,
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

/** By least squares; undefined where nothing turned. */
export function slopeOf(points: readonly TracePoint[]): number | undefined {
  const n = points.length;
  const mx = points.reduce((s, [a]) => s + a, 0) / n;
  const my = points.reduce((s, [, T]) => s + T, 0) / n;
  const xx = points.reduce((s, [a]) => s + (a - mx) ** 2, 0);
  const xy = points.reduce((s, [a, T]) => s + (a - mx) * (T - my), 0);
  return xx < 1e-9 ? undefined : xy / xx;
}

/** Torque that falls while the bolt still turns, below the target: threads shear. */
function fall(trace: readonly TracePoint[], target: number): string | undefined {
  let top = trace[0]!;
  for (const p of trace) {
    if (p[1] > top[1]) top = p;
    const down = top[1] - p[1];
    if (top[1] > SNUG * target && down > FALLS * top[1] && p[0] - top[0] > STILL)
      return `it fell from ${percent(top[1] / target)} to ${percent(p[1] / target)} of the target while it turned ${Math.round(p[0] - top[0])}°: the thread strips; another bolt and nut`;
  }
  return undefined;
}

/** Torque gone between two points that are no turn apart, before the target is met. */
const slipped = (trace: readonly TracePoint[], target: number): boolean =>
  trace.some(([a, T], i) => {
    const next = trace[i + 1];
    return next !== undefined && T > 0.2 * target && T < (1 - WRENCH) * target && T - next[1] > DROPS * T && next[0] - a < STILL;
  });

/** The rise bends over before its end: least squares over a quarter of what it should have turned, against the middle. */
function gives(trace: readonly TracePoint[], target: number, slope: number | undefined, end: TracePoint): string | undefined {
  if (!slope || slope <= 0) return undefined;
  const wide = Math.max(6, (end[1] - trace[0]![1]) / slope / 4);
  const last = trace.filter(([a, T]) => a >= end[0] - wide && T > 0.3 * target);
  if (last.length < 4) return undefined;
  const now = slopeOf(last);
  if (now === undefined || now > GIVES * slope) return undefined;
  return `it bends over: ${percent(Math.max(0, now / slope))} as steep at the end as before: the bolt, its thread or what it clamps gives; take it out`;
}
