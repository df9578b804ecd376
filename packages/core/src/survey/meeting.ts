import type { Point } from '../geometry/points';
import type { Along } from '../job/survey';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { fitPattern, moved, type Move, type NamedPoint } from './fit-pattern';

/** One of two hole patterns that a bolt of diameter `d` has to pass through together; mm. */
export interface HolePattern {
  readonly holes: readonly NamedPoint[];
  /** Hole diameter, or slot width. */
  readonly hole: number;
  /** Slot length past the hole; 0 for round holes. */
  readonly slot: number;
  readonly along: Along;
}

/** Where one bolt ends up when the fitting is set as well as it can be. mm, in the structure's axes. */
export interface BoltMeeting {
  readonly id: string;
  /** Fitting hole centre from the structure hole centre, once the fitting is set. */
  readonly dx: number;
  readonly dy: number;
  /** By how much the bolt cannot pass; 0 where it does. */
  readonly miss: number;
  /** Play left where it passes. */
  readonly play: number;
  /** Bolt centre from the middle of the fitting's hole and of the structure's hole: where in each slot to centre it. */
  readonly inFitting: Point;
  readonly inStructure: Point;
}

export interface Meeting {
  /** Sets the fitting's pattern on the structure's. */
  readonly move: Move;
  readonly bolts: readonly BoltMeeting[];
  readonly meets: boolean;
  /** Play left at the tightest bolt; negative: the largest miss. */
  readonly margin: number;
}

/**
 * Room a bolt has in both holes together: how far the two centres may lie apart. Each slot gives its half length along itself, the
 * fitting's turned with it, and both give their clearance all round: a parallelogram with rounded corners.
 */
interface Room {
  /** Half the slot of the fitting as it lies, and of the structure. */
  readonly f: Point;
  readonly s: Point;
  readonly c: number;
}

const half = (p: HolePattern, turn = 0): Point => {
  const to = turn + (p.along === 'x' ? 0 : Math.PI / 2);
  return { x: (p.slot / 2) * Math.cos(to), y: (p.slot / 2) * Math.sin(to) };
};

const roomOf = (fitting: HolePattern, structure: HolePattern, d: number, turn: number): Room => ({
  f: half(fitting, turn),
  s: half(structure),
  c: (fitting.hole - d) / 2 + (structure.hole - d) / 2,
});

const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
const crossOf = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
const within = (v: number, most: number) => Math.min(most, Math.max(-most, v));

/** How much of each slot an offset takes, from −1 to 1, nearest to it; and how far that is from it, negative inside. */
function taken(e: Point, { f, s }: Room): { readonly u: number; readonly w: number; readonly off: number } {
  const [lf, ls] = [Math.hypot(f.x, f.y), Math.hypot(s.x, s.y)];
  const D = crossOf(f, s);
  if (Math.abs(D) <= 1e-9 * lf * ls || lf === 0 || ls === 0) {
    // One line, or a point: what lies along it is taken by each by its length.
    const long = lf + ls;
    if (long === 0) return { u: 0, w: 0, off: Math.hypot(e.x, e.y) };
    const way = lf > 0 ? { x: f.x / lf, y: f.y / lf } : { x: s.x / ls, y: s.y / ls };
    const t = within(dot(e, way), long);
    const same = dot(f, s) < 0 ? -1 : 1;
    return { u: t / long, w: (same * t) / long, off: Math.hypot(e.x - t * way.x, e.y - t * way.y) };
  }
  const [u, w] = [crossOf(e, s) / D, crossOf(f, e) / D];
  if (Math.abs(u) <= 1 && Math.abs(w) <= 1) {
    const height = Math.abs(D);
    return { u, w, off: Math.max(((Math.abs(u) - 1) * height) / ls, ((Math.abs(w) - 1) * height) / lf) };
  }
  // Outside: on the nearest of the four sides.
  const onSide = (fixed: 'u' | 'w', sign: number) => {
    const [held, free] = fixed === 'u' ? [f, s] : [s, f];
    const r = { x: e.x - sign * held.x, y: e.y - sign * held.y };
    const t = within(dot(r, free) / dot(free, free), 1);
    const off = Math.hypot(r.x - t * free.x, r.y - t * free.y);
    return fixed === 'u' ? { u: sign, w: t, off } : { u: t, w: sign, off };
  };
  const sides = [onSide('u', 1), onSide('u', -1), onSide('w', 1), onSide('w', -1)];
  return sides.reduce((a, b) => (b.off < a.off ? b : a));
}

/** Signed distance from e to the room without its clearance, negative inside; convex, so its worst over the bolts has one minimum. */
const outside = (e: Point, room: Room): number => taken(e, room).off;

type Three = [number, number, number];

/** Fitting hole centres turned by θ about their middle and moved, less the structure's: the offsets. */
class Offsets {
  private readonly mid: Point;
  constructor(
    private readonly from: readonly Point[],
    private readonly to: readonly Point[],
  ) {
    this.mid = { x: from.reduce((s, p) => s + p.x, 0) / from.length, y: from.reduce((s, p) => s + p.y, 0) / from.length };
  }
  at([x, y, theta]: Three): Point[] {
    const [c, s] = [Math.cos(theta), Math.sin(theta)];
    return this.from.map((p, i) => {
      const [u, w] = [p.x - this.mid.x, p.y - this.mid.y];
      return { x: this.mid.x + c * u - s * w + x - this.to[i]!.x, y: this.mid.y + s * u + c * w + y - this.to[i]!.y };
    });
  }
  /** The same move written about the origin. */
  asMove([x, y, theta]: Three): Pick<Move, 'theta' | 'x' | 'y'> {
    const [c, s] = [Math.cos(theta), Math.sin(theta)];
    return { theta, x: this.mid.x - c * this.mid.x + s * this.mid.y + x, y: this.mid.y - s * this.mid.x - c * this.mid.y + y };
  }
}

/**
 * Least largest miss over moves and small turns: the maximum is smoothed by log-sum-exp, sharpened step by step to
 * a thousandth of a millimetre, each time by a descent with Barzilai–Borwein steps (1988) and halving.
 */
function leastWorst(offsets: Offsets, roomAt: (theta: number) => Room, scale: number, start: Three): Three {
  const smooth = (q: Three, mu: number) => {
    const room = roomAt(q[2] / scale);
    const g = offsets.at([q[0], q[1], q[2] / scale]).map((e) => outside(e, room));
    const top = Math.max(...g);
    return top + mu * Math.log(g.reduce((s, v) => s + Math.exp((v - top) / mu), 0));
  };
  let q: Three = start;
  for (let mu = 1; mu > 1e-4; mu /= 4) {
    let step = mu;
    let f = smooth(q, mu);
    let before: { q: Three; g: Three } | undefined;
    for (let k = 0; k < 80; k++) {
      const h = mu * 1e-3;
      const slope = (i: number) => {
        const [up, down] = [[...q] as Three, [...q] as Three];
        up[i]! += h;
        down[i]! -= h;
        return (smooth(up, mu) - smooth(down, mu)) / (2 * h);
      };
      const g: Three = [slope(0), slope(1), slope(2)];
      const size = Math.hypot(...g);
      if (size < 1e-5) break;
      if (before) {
        const ds = q.map((v, i) => v - before!.q[i]!);
        const dg = g.map((v, i) => v - before!.g[i]!);
        const sg = ds.reduce((s, v, i) => s + v * dg[i]!, 0);
        step = sg > 0 ? ds.reduce((s, v) => s + v * v, 0) / sg : step * 2;
      }
      before = { q, g };
      let next = q.map((v, i) => v - step * g[i]!) as Three;
      let fn = smooth(next, mu);
      for (let halving = 0; fn > f && halving < 30; halving++) {
        step /= 2;
        next = q.map((v, i) => v - step * g[i]!) as Three;
        fn = smooth(next, mu);
      }
      if (fn >= f) break;
      [q, f] = [next, fn];
    }
  }
  return [q[0], q[1], q[2] / scale];
}

/** One bolt in its two holes: it takes from each its part of the offset. */
function boltIn(id: string, e: Point, fitting: HolePattern, structure: HolePattern, d: number, room: Room): BoltMeeting {
  const { u, w, off } = taken(e, room);
  const gap = off - room.c;
  const [cf, cs] = [(fitting.hole - d) / 2, (structure.hole - d) / 2];
  // What the slots can take they take, each along itself; the rest is split by the clearances round the bolt.
  const rest = { x: e.x - u * room.f.x - w * room.s.x, y: e.y - u * room.f.y - w * room.s.y };
  const long = Math.hypot(rest.x, rest.y);
  const keep = long > 0 ? Math.min(1, room.c / long) * (cf + cs > 0 ? cs / (cf + cs) : 0.5) : 0;
  const inStructure = { x: w * room.s.x + rest.x * keep, y: w * room.s.y + rest.y * keep };
  return {
    id,
    dx: e.x,
    dy: e.y,
    miss: Math.max(0, gap),
    play: Math.max(0, -gap),
    inStructure,
    inFitting: { x: inStructure.x - e.x, y: inStructure.y - e.y },
  };
}

/**
 * Whether two patterns can take the same bolts within slots and clearance, and if not by how much each hole misses.
 * The fitting may be moved and turned; it is set where the worst bolt is best off. Statics of fit: geometry only.
 */
export function meetingOf(fitting: HolePattern, structure: HolePattern, d: number, mirrored = false): Meeting | Refusal {
  const narrow = fitting.hole < d ? 'fitting' : structure.hole < d ? 'structure' : undefined;
  if (narrow)
    return refuse(
      'hole',
      `the ${narrow}’s hole is ${Math.min(fitting.hole, structure.hole).toFixed(1)} mm and the bolt ${d.toFixed(1)} mm`,
      'holes at least as wide as the bolt',
    );
  const fit = fitPattern(fitting.holes, structure.holes, mirrored);
  if (isRefusal(fit)) return fit;
  // In the mirror an upright or level slot is as it was.
  const roomAt = (theta: number) => roomOf(fitting, structure, d, fit.move.theta + theta);
  const set = fitting.holes.map((p) => moved(p, fit.move));
  const names = new Map(structure.holes.map((p) => [p.id, p]));
  const to = fitting.holes.map((p, i) => names.get(p.id) ?? structure.holes[i]!);
  const offsets = new Offsets(set, to);
  const scale = Math.max(1, ...set.map((p) => Math.hypot(p.x - set[0]!.x, p.y - set[0]!.y)));
  const worst = (q: Three) => Math.max(...offsets.at(q).map((e) => outside(e, roomAt(q[2]))));
  // Slots let it turn: from where the holes fit best, and from a little to either side of that.
  const reach = Math.max(fitting.slot, structure.slot, 1);
  const starts = fitting.slot + structure.slot > 0 ? [0, reach / 2, -reach / 2] : [0];
  const found = starts.map((turn) => leastWorst(offsets, roomAt, scale, [0, 0, turn]));
  const q = found.reduce((a, b) => (worst(b) < worst(a) - 1e-9 ? b : a));
  const room = roomAt(q[2]);
  const bolts = offsets.at(q).map((e, i) => boltIn(fitting.holes[i]!.id, e, fitting, structure, d, room));
  const margin = Math.min(...bolts.map((b) => b.play - b.miss));
  const more = offsets.asMove(q);
  const [c, s] = [Math.cos(more.theta), Math.sin(more.theta)];
  const move: Move = {
    theta: fit.move.theta + more.theta,
    x: c * fit.move.x - s * fit.move.y + more.x,
    y: s * fit.move.x + c * fit.move.y + more.y,
    mirrored,
  };
  return { move, bolts, meets: margin >= -1e-3, margin };
}
