import type { Point, Rect } from './points';
import { distance } from './points';
import { loopBounds, loopPoints, type Loop, type Region, type Vertex } from './region';

export const CORNERS = ['sharp', 'round', 'clip'] as const;

/** A corner of an outline as it is marked out: sharp, rounded by a radius or clipped by a leg, mm; `bulge` of the edge to the next (0 straight). */
export interface Corner extends Point {
  readonly make: (typeof CORNERS)[number];
  readonly size: number;
  readonly bulge: number;
}

/** A part's outline, anticlockwise, and what is cut out of it. */
export interface Outline {
  readonly corners: readonly Corner[];
  readonly openings: readonly (readonly Corner[])[];
}

export const sharp = (x: number, y: number, bulge = 0): Corner => ({ x, y, make: 'sharp', size: 0, bulge });

/** What a rounded or clipped corner takes off the edges beside it, mm; and the vertices that come of it. */
interface Made {
  readonly taken: number;
  readonly vertices: readonly Vertex[];
}

/** Both edges at it are straight, so that it can be rounded or clipped. */
const straight = (ring: readonly Corner[], i: number): boolean =>
  ring[i]!.bulge === 0 && ring[(i + ring.length - 1) % ring.length]!.bulge === 0;

function made(ring: readonly Corner[], i: number): Made {
  const c = ring[i]!;
  const plain = { taken: 0, vertices: [{ x: c.x, y: c.y, bulge: c.bulge }] };
  if (c.make === 'sharp' || c.size <= 0 || !straight(ring, i)) return plain;
  const [p, n] = [ring[(i + ring.length - 1) % ring.length]!, ring[(i + 1) % ring.length]!];
  const [a, b] = [distance(c, p), distance(c, n)];
  if (a === 0 || b === 0) return plain;
  const [u, v] = [
    { x: (p.x - c.x) / a, y: (p.y - c.y) / a },
    { x: (n.x - c.x) / b, y: (n.y - c.y) / b },
  ];
  const φ = Math.acos(Math.max(-1, Math.min(1, u.x * v.x + u.y * v.y)));
  // A corner on a straight edge has nothing to round.
  if (Math.PI - φ < 1e-9) return plain;
  const taken = c.make === 'clip' ? c.size : c.size / Math.tan(φ / 2);
  // Left turn on an anticlockwise ring: metal inside the corner.
  const turn = Math.sign(v.x * u.y - v.y * u.x);
  const bulge = c.make === 'clip' ? 0 : turn * Math.tan((Math.PI - φ) / 4);
  return {
    taken,
    vertices: [
      { x: c.x + u.x * taken, y: c.y + u.y * taken, bulge },
      { x: c.x + v.x * taken, y: c.y + v.y * taken, bulge: 0 },
    ],
  };
}

/** The ring with its corners made. */
export function loopOf(ring: readonly Corner[]): Loop {
  const all = ring.flatMap((_c, i) => made(ring, i).vertices);
  // Edges that two corners have eaten up are edges of no length.
  return all.filter((v, i) => v.bulge !== 0 || distance(v, all[(i + 1) % all.length]!) > 1e-9);
}

/** Edge i of a ring from the end of its corner to the beginning of the next one's, an arc by its chords. */
export function edgeLine(ring: readonly Corner[], i: number): Point[] {
  const from = made(ring, i).vertices.at(-1)!;
  const to = made(ring, (i + 1) % ring.length).vertices[0]!;
  return loopPoints([from, { x: to.x, y: to.y, bulge: 0 }]);
}

/** A rectangle's corners, rounded alike: its edges are starboard, fore, port and aft, in this order. */
export const cornersOfRect = ({ x0, x1, y0, y1 }: Rect, radius: number): Corner[] =>
  [sharp(x0, y0), sharp(x1, y0), sharp(x1, y1), sharp(x0, y1)].map((c) =>
    radius > 0 ? { ...c, make: 'round' as const, size: radius } : c,
  );

export const regionOf = ({ corners, openings }: Outline): Region => ({ outer: loopOf(corners), openings: openings.map(loopOf) });

export const outlineBounds = ({ corners }: Outline): Rect => loopBounds(loopOf(corners));

/** Twice the signed area of a ring's corners; arcs are counted by their chord. */
const turning = (ring: readonly Point[]): number =>
  ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    return sum + p.x * q.y - q.x * p.y;
  }, 0);

/** The ring the other way round: each edge keeps its arc. */
export function reversed(ring: readonly Corner[]): Corner[] {
  const n = ring.length;
  return ring.map((_c, k) => {
    const at = n - 1 - k;
    return { ...ring[at]!, bulge: -ring[(at + n - 1) % n]!.bulge || 0 };
  });
}

/** Anticlockwise, whichever way it was drawn. */
export const anticlockwise = (ring: readonly Corner[]): readonly Corner[] => {
  const area = turning(loopPoints(loopOf(ring)));
  return area < 0 ? reversed(ring) : ring;
};

const flipped = (ring: readonly Corner[]): Corner[] => reversed(ring.map((c) => ({ ...c, y: -c.y || 0, bulge: -c.bulge || 0 })));

/** Seen in the mirror: every y turned, and still anticlockwise. */
export const mirroredOutline = (o: Outline): Outline => ({ corners: flipped(o.corners), openings: o.openings.map(flipped) });

export const movedOutline = (o: Outline, dx: number, dy: number): Outline => {
  const move = (c: Corner): Corner => ({ ...c, x: c.x + dx, y: c.y + dy });
  return { corners: o.corners.map(move), openings: o.openings.map((ring) => ring.map(move)) };
};

/** Two edges meet: cross, touch, or lie on each other. */
function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point) => {
    const v = (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
    return Math.abs(v) < 1e-9 * (1 + distance(p, q) * distance(p, r)) ? 0 : Math.sign(v);
  };
  const [s1, s2, s3, s4] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  if (s1 !== 0 || s2 !== 0 || s3 !== 0 || s4 !== 0) return s1 * s2 <= 0 && s3 * s4 <= 0;
  const along = (p: Point) => (p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y);
  const [low, high] = [Math.min(along(c), along(d)), Math.max(along(c), along(d))];
  return high > 1e-9 && low < along(b) - 1e-9;
}

/** Nearer than this two edges may touch, mm. */
const TOUCH = 1e-6;

/** Where two of the rings' edges cross, by the corner each edge starts at; nothing where none do. */
function crossing(rings: readonly (readonly Point[])[]): Point | undefined {
  // In the order they begin along x, an edge is held only against those that begin before it ends.
  const edges = rings
    .flatMap((ring) =>
      ring.map((a, i) => {
        const b = ring[(i + 1) % ring.length]!;
        return { a, b, from: Math.min(a.x, b.x), to: Math.max(a.x, b.x), low: Math.min(a.y, b.y), high: Math.max(a.y, b.y) };
      }),
    )
    .sort((e, f) => e.from - f.from);
  for (let i = 0; i < edges.length; i++)
    for (let j = i + 1; j < edges.length && edges[j]!.from <= edges[i]!.to + TOUCH; j++) {
      const [e, f] = [edges[i]!, edges[j]!];
      if (f.low > e.high + TOUCH || f.high < e.low - TOUCH) continue;
      const [a, b, c, d] = [e.a, e.b, f.a, f.b];
      // Edges that follow each other share a corner.
      if (b === c || d === a) continue;
      if (meet(a, b, c, d)) return { x: (a.x + b.x + c.x + d.x) / 4, y: (a.y + b.y + c.y + d.y) / 4 };
    }
  return undefined;
}

const known = new WeakMap<Outline, string>();

/** Why an outline cannot be cut, by its place; empty where it can. */
export function outlineFault(o: Outline): string {
  let fault = known.get(o);
  if (fault === undefined) known.set(o, (fault = faultOf(o)));
  return fault;
}

const place = (p: Point): string => `${p.x.toFixed(1)}, ${p.y.toFixed(1)} mm`;

function faultOf(o: Outline): string {
  for (const ring of [o.corners, ...o.openings]) {
    for (let i = 0; i < ring.length; i++) {
      const c = ring[i]!;
      const next = (i + 1) % ring.length;
      const long = distance(c, ring[next]!);
      if (long < 1e-6) return `two corners stand in one place, ${place(c)}`;
      const [mine, theirs] = [made(ring, i).taken, made(ring, next).taken];
      if (mine + theirs > long + 1e-6)
        return `the corner at ${place(c)} and the next take ${(mine + theirs).toFixed(1)} mm of an edge of ${long.toFixed(1)} mm`;
      if (c.make !== 'sharp' && c.size > 0 && !straight(ring, i))
        return `the corner at ${place(c)} lies on an arc and cannot be made ${c.make}`;
    }
  }
  const rings = [o.corners, ...o.openings].map((ring) => loopPoints(loopOf(ring)));
  const at = crossing(rings);
  if (at) return `it crosses itself near ${place(at)}`;
  if (turning(rings[0]!) <= 0) return 'it runs clockwise';
  return '';
}
