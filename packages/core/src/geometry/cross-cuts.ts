import type { Point } from './points';
import { loopPoints, type Loop, type Region } from './region';
import type { MiddleLine } from './slots';

/** A stretch of a line, mm. */
export type Stretch = readonly [from: number, to: number];

/** A flat part cut square to a line along it. */
export interface CrossCut {
  /** How far along the line, mm. */
  readonly s: number;
  /** Edge to edge of the part there, openings and holes left out of account, from the line (left of it positive). */
  readonly whole: Stretch;
  /** What of that is metal. */
  readonly metal: readonly Stretch[];
}

export const lengthOf = ([from, to]: Stretch): number => to - from;
export const metalOf = ({ metal }: Pick<CrossCut, 'metal'>): number => metal.reduce((sum, m) => sum + lengthOf(m), 0);

/** A ring in a line's own axes: s along it, y to its left. */
export interface AlongLine {
  readonly s: number;
  readonly y: number;
}
export type Ring = readonly AlongLine[];

/** Where a ring crosses the cut at s, from right to left. */
export function crossings(ring: Ring, s: number): number[] {
  const out: number[] = [];
  for (let k = 0; k < ring.length; k++) {
    const a = ring[k]!;
    const b = ring[(k + 1) % ring.length]!;
    if (a.s < s !== b.s < s) out.push(a.y + ((s - a.s) / (b.s - a.s)) * (b.y - a.y));
  }
  return out.sort((a, b) => a - b);
}

export const pairs = (ys: readonly number[]): Stretch[] => ys.flatMap((y, k) => (k % 2 === 1 ? [[ys[k - 1]!, y] as const] : []));

/** A stretch without what is cut out of it. */
export function without(whole: Stretch, voids: readonly Stretch[]): Stretch[] {
  const out: Stretch[] = [];
  const end = whole[1];
  let at = whole[0];
  for (const [from, to] of [...voids].sort((a, b) => a[0] - b[0])) {
    if (from >= end) break;
    if (from > at + 1e-9) out.push([at, from]);
    at = Math.max(at, to);
  }
  if (at < end - 1e-9) out.push([at, end]);
  return out;
}

/** Beside a corner of the outline, mm: the part is as wide there as just before it, and as just after it. */
export const BESIDE = 1e-5;
/** Chords a round hole is seen as, widest where it is widest. */
const CHORDS = 72;

/** A hole or a slot. */
export interface Void {
  readonly ends: MiddleLine;
  readonly d: number;
}

/** Points as they stand along a line from a point, and to its left. */
export type See = (p: Point) => AlongLine;
export const seenAlong =
  (from: Point, u: Point): See =>
  (p) => {
    const [x, y] = [p.x - from.x, p.y - from.y];
    return { s: x * u.x + y * u.y, y: y * u.x - x * u.y };
  };
export const ringSeen = (l: Loop, see: See): Ring => loopPoints(l).map(see);

/** Seen with a corner where it is widest across the line, whichever way that runs. */
export function holeRing({ ends: [a, b], d }: Void, see: See): Ring {
  const [p, q] = [see(a), see(b)];
  const step = (2 * Math.PI) / CHORDS;
  const arc = (c: AlongLine, from: number, to: number) =>
    [
      from,
      ...Array.from({ length: CHORDS }, (_, k) => (Math.floor(from / step) + 1 + k) * step).filter((t) => t < to - 1e-9),
      to,
    ].map((t) => ({
      s: c.s + (d / 2) * Math.cos(t),
      y: c.y + (d / 2) * Math.sin(t),
    }));
  const φ = Math.atan2(q.y - p.y, q.s - p.s);
  const quarter = Math.PI / 2;
  return [...arc(q, φ - quarter, φ + quarter), ...arc(p, φ + quarter, φ + 3 * quarter)];
}

/**
 * Every cut of a part square to the line from one point to another at which it may be narrowest: with arcs seen as chords its width runs
 * straight from corner to corner, so those are at corners. Nothing where the line leaves the part between its ends. The stretch counts that the
 * line is in: what stands beside it past the part's own edge carries nothing along it.
 */
export function crossCuts(part: Region, holes: readonly Void[], from: Point, to: Point): readonly CrossCut[] | undefined {
  const L = Math.hypot(to.x - from.x, to.y - from.y);
  const u = { x: (to.x - from.x) / L, y: (to.y - from.y) / L };
  const see = seenAlong(from, u);
  const outer = ringSeen(part.outer, see);
  const inner = [...part.openings.map((l) => ringSeen(l, see)), ...holes.map((h) => holeRing(h, see))];
  const corners = [outer, ...inner].flat().flatMap(({ s }) => [s - BESIDE, s, s + BESIDE]);
  const at = [0, L, ...corners.filter((s) => s > 0 && s < L)].sort((a, b) => a - b);
  const cuts: CrossCut[] = [];
  for (const s of at) {
    const whole = pairs(crossings(outer, s)).find(([a, b]) => a <= 1e-6 && b >= -1e-6);
    if (!whole) return undefined;
    cuts.push({
      s,
      whole,
      metal: without(
        whole,
        inner.flatMap((ring) => pairs(crossings(ring, s))),
      ),
    });
  }
  return cuts;
}
