import { refuse, isRefusal, type Refusal } from '../units/refusal';
import { distance, type Point } from './points';
import type { Loop, Region, Vertex } from './region';

/** An edge moved sideways: a straight, or an arc about a centre with its own sense (1 anticlockwise). */
interface Moved {
  from: Point;
  to: Point;
  readonly arc?: { readonly c: Point; readonly radius: number; readonly sense: 1 | -1 };
}

const HAIR = 1e-7;

/** Edge i of an anticlockwise ring, moved outwards by `by` (inwards where negative). */
function moved(a: Vertex, b: Point, by: number): Moved | undefined {
  if (a.bulge === 0) {
    const l = distance(a, b);
    const [nx, ny] = [((b.y - a.y) / l) * by, (-(b.x - a.x) / l) * by];
    return { from: { x: a.x + nx, y: a.y + ny }, to: { x: b.x + nx, y: b.y + ny } };
  }
  const k = (1 - a.bulge ** 2) / (4 * a.bulge);
  const c = { x: (a.x + b.x) / 2 - (b.y - a.y) * k, y: (a.y + b.y) / 2 + (b.x - a.x) * k };
  const radius = distance(a, c);
  const sense = a.bulge > 0 ? 1 : -1;
  const wide = radius + sense * by;
  if (wide < HAIR) return undefined;
  const out = (p: Point): Point => ({ x: c.x + ((p.x - c.x) * wide) / radius, y: c.y + ((p.y - c.y) * wide) / radius });
  return { from: out(a), to: out(b), arc: { c, radius: wide, sense } };
}

/** Direction of travel at an end of a moved edge. */
function heading({ from, to, arc }: Moved, at: Point): Point {
  if (!arc) {
    const l = distance(from, to);
    return { x: (to.x - from.x) / l, y: (to.y - from.y) / l };
  }
  const r = distance(at, arc.c);
  return { x: (-arc.sense * (at.y - arc.c.y)) / r, y: (arc.sense * (at.x - arc.c.x)) / r };
}

/** Where two moved edges meet, nearest to a point; edges go on past their ends. */
function meeting(a: Moved, b: Moved, near: Point): Point | undefined {
  const found = a.arc ? (b.arc ? circles(a.arc, b.arc) : lineCircle(b, a.arc)) : b.arc ? lineCircle(a, b.arc) : lines(a, b);
  return found.length === 0 ? undefined : found.reduce((p, q) => (distance(q, near) < distance(p, near) ? q : p));
}

function lines(a: Moved, b: Moved): Point[] {
  const [u, v] = [heading(a, a.from), heading(b, b.from)];
  const cross = u.x * v.y - u.y * v.x;
  if (Math.abs(cross) < 1e-12) return [];
  const t = ((b.from.x - a.from.x) * v.y - (b.from.y - a.from.y) * v.x) / cross;
  return [{ x: a.from.x + t * u.x, y: a.from.y + t * u.y }];
}

function lineCircle(l: Moved, { c, radius }: { readonly c: Point; readonly radius: number }): Point[] {
  const u = heading(l, l.from);
  const t = (c.x - l.from.x) * u.x + (c.y - l.from.y) * u.y;
  const foot = { x: l.from.x + t * u.x, y: l.from.y + t * u.y };
  const h2 = radius ** 2 - distance(foot, c) ** 2;
  if (h2 < 0) return [];
  return [1, -1].map((s) => ({ x: foot.x + s * Math.sqrt(h2) * u.x, y: foot.y + s * Math.sqrt(h2) * u.y }));
}

type Circle = { readonly c: Point; readonly radius: number };
function circles(a: Circle, b: Circle): Point[] {
  const d = distance(a.c, b.c);
  if (d < HAIR) return [];
  const x = (d * d + a.radius ** 2 - b.radius ** 2) / (2 * d);
  const h2 = a.radius ** 2 - x * x;
  if (h2 < 0) return [];
  const u = { x: (b.c.x - a.c.x) / d, y: (b.c.y - a.c.y) / d };
  return [1, -1].map((s) => ({
    x: a.c.x + x * u.x - s * Math.sqrt(h2) * u.y,
    y: a.c.y + x * u.y + s * Math.sqrt(h2) * u.x,
  }));
}

/** tan(θ/4) of the arc from one end to the other the way it turns. */
function bulgeOf({ from, to, arc }: Moved): number {
  if (!arc) return 0;
  const turn = 2 * Math.PI;
  const angle = (p: Point) => Math.atan2(p.y - arc.c.y, p.x - arc.c.x);
  const sweep = ((((angle(to) - angle(from)) * arc.sense) % turn) + turn) % turn;
  return arc.sense * Math.tan((sweep < HAIR ? turn - HAIR : sweep) / 4);
}

/**
 * An anticlockwise ring moved outwards by `by` mm, or inwards where negative: arcs stay arcs, corners that open are rounded about the
 * old corner, as the middle of a cut goes. Refuses where something is narrower than the move.
 */
export function offsetLoop(ring: Loop, by: number): Loop | Refusal {
  if (by === 0) return ring;
  const no = refuse(
    'kerf',
    `an edge is lost under a cut ${(2 * Math.abs(by)).toFixed(1)} mm wide`,
    'a narrower cut, or wider corners and openings',
  );
  const next = (i: number) => ring[(i + 1) % ring.length]!;
  const edges = ring.map((v, i) => moved(v, next(i), by));
  if (edges.some((e) => !e)) return no;
  const all = edges as Moved[];
  const joins = new Map<number, number>();
  const ends = all.map((e) => ({ from: e.from, to: e.to }));
  for (let i = 0; i < all.length; i++) {
    const [a, b] = [all[i]!, all[(i + 1) % all.length]!];
    if (distance(a.to, b.from) < HAIR) continue;
    const [u, v] = [heading(a, a.to), heading(b, b.from)];
    const turn = Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y);
    if (turn * by > 0) {
      joins.set(i, Math.tan(turn / 4));
      continue;
    }
    const met = meeting(a, b, next(i));
    if (!met) return no;
    ends[i]!.to = met;
    ends[(i + 1) % all.length]!.from = met;
  }
  const out: Vertex[] = [];
  for (let i = 0; i < all.length; i++) {
    const was = all[i]!;
    const now: Moved = { ...ends[i]!, ...(was.arc ? { arc: was.arc } : {}) };
    // Cut away from both ends past its middle, it runs the other way.
    if (!was.arc) {
      const u = heading(was, was.from);
      if ((now.to.x - now.from.x) * u.x + (now.to.y - now.from.y) * u.y < HAIR) return no;
    } else if (Math.abs(bulgeOf(now)) > Math.abs(bulgeOf(was)) + 0.5) return no;
    out.push({ ...now.from, bulge: bulgeOf(now) });
    const join = joins.get(i);
    if (join !== undefined) out.push({ ...now.to, bulge: join });
  }
  return out;
}

/** A part’s outline moved out and its openings in, by half the width of a cut: what a cutter without compensation of its own is given. */
export function grown({ outer, openings }: Region, by: number): Region | Refusal {
  const out = offsetLoop(outer, by);
  if (isRefusal(out)) return out;
  const inner: Loop[] = [];
  for (const o of openings) {
    const moved = offsetLoop(o, -by);
    if (isRefusal(moved)) return moved;
    inner.push(moved);
  }
  return { outer: out, openings: inner };
}
