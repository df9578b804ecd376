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

/** Room a bolt has in both holes together: a box of half sides `a`, `b` rounded by `c`. */
interface Room {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

const halves = (p: HolePattern): Point => (p.along === 'x' ? { x: p.slot / 2, y: 0 } : { x: 0, y: p.slot / 2 });

/** The fitting as it lies on the structure: turned by more than an eighth, its slots run the other way. */
const laid = (fitting: HolePattern, theta: number): HolePattern =>
  Math.abs(Math.cos(theta)) >= Math.abs(Math.sin(theta)) ? fitting : { ...fitting, along: fitting.along === 'x' ? 'y' : 'x' };

function roomOf(fitting: HolePattern, structure: HolePattern, d: number): Room {
  const [f, s] = [halves(fitting), halves(structure)];
  return { a: f.x + s.x, b: f.y + s.y, c: (fitting.hole - d) / 2 + (structure.hole - d) / 2 };
}

/** Signed distance from e to the box, negative inside; convex, so its worst over the bolts has one minimum. */
function outside(dx: number, dy: number, { a, b }: Room): number {
  const [u, w] = [Math.abs(dx) - a, Math.abs(dy) - b];
  return u > 0 || w > 0 ? Math.hypot(Math.max(u, 0), Math.max(w, 0)) : Math.max(u, w);
}

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
function leastWorst(offsets: Offsets, room: Room, scale: number): Three {
  const smooth = (q: Three, mu: number) => {
    const g = offsets.at([q[0], q[1], q[2] / scale]).map((e) => outside(e.x, e.y, room));
    const top = Math.max(...g);
    return top + mu * Math.log(g.reduce((s, v) => s + Math.exp((v - top) / mu), 0));
  };
  let q: Three = [0, 0, 0];
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

const within = (v: number, most: number) => Math.min(most, Math.max(-most, v));

/** One bolt in its two holes: it takes from each its part of the offset. */
function boltIn(id: string, e: Point, fitting: HolePattern, structure: HolePattern, d: number, room: Room): BoltMeeting {
  const gap = outside(e.x, e.y, room) - room.c;
  const [f, s] = [halves(fitting), halves(structure)];
  const [cf, cs] = [(fitting.hole - d) / 2, (structure.hole - d) / 2];
  const share = (own: number, other: number) => (own + other > 0 ? own / (own + other) : 0.5);
  // What the slots can take they take, each by its length; the rest is split by the clearances round the bolt.
  const box = { x: within(e.x, room.a), y: within(e.y, room.b) };
  const rest = { x: e.x - box.x, y: e.y - box.y };
  const long = Math.hypot(rest.x, rest.y);
  const keep = long > 0 ? Math.min(1, room.c / long) * share(cs, cf) : 0;
  const inStructure = { x: box.x * share(s.x, f.x) + rest.x * keep, y: box.y * share(s.y, f.y) + rest.y * keep };
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
  const lying = laid(fitting, fit.move.theta);
  const room = roomOf(lying, structure, d);
  const set = fitting.holes.map((p) => moved(p, fit.move));
  const names = new Map(structure.holes.map((p) => [p.id, p]));
  const to = fitting.holes.map((p, i) => names.get(p.id) ?? structure.holes[i]!);
  const offsets = new Offsets(set, to);
  const scale = Math.max(1, ...set.map((p) => Math.hypot(p.x - set[0]!.x, p.y - set[0]!.y)));
  const q = leastWorst(offsets, room, scale);
  const bolts = offsets.at(q).map((e, i) => boltIn(fitting.holes[i]!.id, e, lying, structure, d, room));
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
