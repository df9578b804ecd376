import type { Point, Rect } from './points';
import { cornersOf } from './polygons';
import { boundsOf } from './rects';

/** A corner of an outline, and how the edge to the next runs: `bulge` is tan(θ/4) of its arc, positive anticlockwise; 0 straight. */
export interface Vertex extends Point {
  readonly bulge: number;
}

/** A closed ring, anticlockwise. */
export type Loop = readonly Vertex[];

/** A flat part: its outline and what is cut out of it. mm. */
export interface Region {
  readonly outer: Loop;
  readonly openings: readonly Loop[];
}

/** Bulge of a quarter circle, tan(90°/4). */
const QUARTER = Math.tan(Math.PI / 8);

/** A rectangle with all corners rounded alike; sharp where the radius is 0. */
export function roundedRect(r: Rect, radius: number): Region {
  if (radius <= 0) return { outer: cornersOf(r).map((p) => ({ ...p, bulge: 0 })), openings: [] };
  const { x0, x1, y0, y1 } = r;
  const c = radius;
  const outer: Vertex[] = [
    { x: x0 + c, y: y0, bulge: 0 },
    { x: x1 - c, y: y0, bulge: QUARTER },
    { x: x1, y: y0 + c, bulge: 0 },
    { x: x1, y: y1 - c, bulge: QUARTER },
    { x: x1 - c, y: y1, bulge: 0 },
    { x: x0 + c, y: y1, bulge: QUARTER },
    { x: x0, y: y1 - c, bulge: 0 },
    { x: x0, y: y0 + c, bulge: QUARTER },
  ];
  // Straights that the arcs have eaten up would be edges of no length.
  return { outer: outer.filter((v, i) => v.bulge !== 0 || distanceTo(v, outer[(i + 1) % outer.length]!) > 1e-9), openings: [] };
}

const distanceTo = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** An edge of a loop: straight, or an arc about a centre from angle `from` on over `sweep` (positive anticlockwise). */
type Edge =
  | { readonly kind: 'line'; readonly a: Point; readonly b: Point }
  | {
      readonly kind: 'arc';
      readonly a: Point;
      readonly b: Point;
      readonly c: Point;
      readonly radius: number;
      readonly from: number;
      readonly sweep: number;
    };

function edgeOf(a: Vertex, b: Point): Edge {
  if (a.bulge === 0) return { kind: 'line', a, b };
  const chord = distanceTo(a, b);
  const k = (1 - a.bulge ** 2) / (4 * a.bulge);
  // To the left of the chord for a bulge under a half circle anticlockwise.
  const c = { x: (a.x + b.x) / 2 - (b.y - a.y) * k, y: (a.y + b.y) / 2 + (b.x - a.x) * k };
  return {
    kind: 'arc',
    a,
    b,
    c,
    radius: (chord * (1 + a.bulge ** 2)) / (4 * Math.abs(a.bulge)),
    from: Math.atan2(a.y - c.y, a.x - c.x),
    sweep: 4 * Math.atan(a.bulge),
  };
}

const edgesOf = (l: Loop): Edge[] => l.map((v, i) => edgeOf(v, l[(i + 1) % l.length]!));

/** Chords an arc is seen as where only straight lines are understood; a half circle is 0.5 % short of its area so. */
const CHORDS = 36;

/** The loop as straight lines: arcs by chords, each end on the arc. */
export function loopPoints(l: Loop): Point[] {
  return l.flatMap((v, i) => {
    const e = edgeOf(v, l[(i + 1) % l.length]!);
    if (e.kind === 'line') return [{ x: v.x, y: v.y }];
    const n = Math.max(1, Math.ceil((Math.abs(e.sweep) / Math.PI) * CHORDS));
    return Array.from({ length: n }, (_, k) => (k === 0 ? { x: v.x, y: v.y } : arcPoint(e, k / n)));
  });
}

/** What a loop reaches to, its arcs where they stand out furthest. */
export const loopBounds = (l: Loop): Rect =>
  boundsOf(
    edgesOf(l).flatMap((e) => {
      if (e.kind === 'line') return [e.a, e.b];
      const out = [0, 1, 2, 3].map((k) => (k * Math.PI) / 2).filter((angle) => onArc(e, angle));
      return [
        arcPoint(e, 0),
        arcPoint(e, 1),
        ...out.map((a) => ({ x: e.c.x + e.radius * Math.cos(a), y: e.c.y + e.radius * Math.sin(a) })),
      ];
    }),
  );

const known = new WeakMap<Region, readonly Edge[]>();
/** All edges of a region, worked out once. */
function allEdges(r: Region): readonly Edge[] {
  let edges = known.get(r);
  if (!edges) known.set(r, (edges = [r.outer, ...r.openings].flatMap(edgesOf)));
  return edges;
}

/** Part of an arc's sweep at which an angle stands, 0 to 1 on it. */
const along = (e: Extract<Edge, { kind: 'arc' }>, angle: number): number => {
  const turn = 2 * Math.PI;
  const off = ((((angle - e.from) * Math.sign(e.sweep)) % turn) + turn) % turn;
  return off / Math.abs(e.sweep);
};

const onArc = (e: Extract<Edge, { kind: 'arc' }>, angle: number): boolean => along(e, angle) <= 1 + 1e-12;
const arcPoint = (e: Extract<Edge, { kind: 'arc' }>, part: number): Point => {
  const a = e.from + part * e.sweep;
  return { x: e.c.x + e.radius * Math.cos(a), y: e.c.y + e.radius * Math.sin(a) };
};

function distanceToEdge(e: Edge, p: Point): number {
  if (e.kind === 'line') {
    const [dx, dy] = [e.b.x - e.a.x, e.b.y - e.a.y];
    const t = Math.min(1, Math.max(0, ((p.x - e.a.x) * dx + (p.y - e.a.y) * dy) / (dx * dx + dy * dy)));
    return Math.hypot(p.x - e.a.x - t * dx, p.y - e.a.y - t * dy);
  }
  const off = distanceTo(e.c, p);
  if (off < 1e-12) return e.radius;
  if (onArc(e, Math.atan2(p.y - e.c.y, p.x - e.c.x))) return Math.abs(off - e.radius);
  return Math.min(distanceTo(p, arcPoint(e, 0)), distanceTo(p, arcPoint(e, 1)));
}

/** How far along unit direction u from p the edge is first met; infinite where it is not. Nothing is allocated: it is asked many times a frame. */
function firstMet(e: Edge, p: Point, u: Point): number {
  if (e.kind === 'line') {
    const dx = e.b.x - e.a.x;
    const dy = e.b.y - e.a.y;
    const det = u.x * dy - u.y * dx;
    if (Math.abs(det) < 1e-14 * Math.hypot(dx, dy)) return Infinity;
    const qx = e.a.x - p.x;
    const qy = e.a.y - p.y;
    const t = (qx * dy - qy * dx) / det;
    const s = (qx * u.y - qy * u.x) / det;
    return t >= -1e-9 && s >= -1e-9 && s <= 1 + 1e-9 ? Math.max(0, t) : Infinity;
  }
  const qx = p.x - e.c.x;
  const qy = p.y - e.c.y;
  const b = qx * u.x + qy * u.y;
  const disc = b * b - (qx * qx + qy * qy - e.radius * e.radius);
  if (disc < 0) return Infinity;
  const half = Math.sqrt(disc);
  const near = -b - half;
  if (near >= -1e-9 && onArc(e, Math.atan2(qy + near * u.y, qx + near * u.x))) return near;
  const far = -b + half;
  return far >= -1e-9 && onArc(e, Math.atan2(qy + far * u.y, qx + far * u.x)) ? far : Infinity;
}

/** Pieces of an arc that only rise or only fall: parts of its sweep, in order. */
function monotone(e: Extract<Edge, { kind: 'arc' }>): number[] {
  const cuts = [0, 1];
  for (let k = -4; k <= 4; k++) {
    const part = ((Math.PI / 2 + k * Math.PI - e.from) * Math.sign(e.sweep)) / Math.abs(e.sweep);
    if (part > 1e-12 && part < 1 - 1e-12) cuts.push(part);
  }
  return cuts.sort((x, y) => x - y);
}

/** Whether a point lies on the part: how often a line from it towards +x meets an edge, arcs by the pieces that only rise or fall. */
export function isInside(r: Region, p: Point): boolean {
  let odd = false;
  for (const e of allEdges(r)) {
    if (e.kind === 'line') {
      if (e.a.y > p.y !== e.b.y > p.y && p.x < e.a.x + ((p.y - e.a.y) / (e.b.y - e.a.y)) * (e.b.x - e.a.x)) odd = !odd;
      continue;
    }
    if (Math.abs(p.y - e.c.y) > e.radius || p.x > e.c.x + e.radius) continue;
    const cuts = monotone(e);
    const half = Math.sqrt(Math.max(0, e.radius ** 2 - (p.y - e.c.y) ** 2));
    for (let k = 0; k + 1 < cuts.length; k++) {
      // Ends as the neighbours have them, to the last figure, so that none is passed between.
      const from = k === 0 ? e.a : arcPoint(e, cuts[k]!);
      const to = k + 2 === cuts.length ? e.b : arcPoint(e, cuts[k + 1]!);
      if (from.y > p.y === to.y > p.y) continue;
      const right = arcPoint(e, (cuts[k]! + cuts[k + 1]!) / 2).x > e.c.x;
      if (p.x < e.c.x + (right ? half : -half)) odd = !odd;
    }
  }
  return odd;
}

/** Least distance from a point to the outline or an opening, mm; negative off the metal. */
export function edgeDistance(r: Region, p: Point): number {
  const d = allEdges(r).reduce((least, e) => Math.min(least, distanceToEdge(e, p)), Infinity);
  return isInside(r, p) ? d : -d;
}

/** From a point on the metal along unit direction u to the first edge, mm. */
export function rayToEdge(r: Region, p: Point, u: Point): number {
  let least = Infinity;
  for (const e of allEdges(r)) least = Math.min(least, firstMet(e, p, u));
  return least;
}

/** Area of a loop, mm²: its polygon, and the piece between each arc and its chord. */
function loopArea(l: Loop): number {
  return l.reduce((sum, v, i) => {
    const next = l[(i + 1) % l.length]!;
    const chord = (v.x * next.y - next.x * v.y) / 2;
    const e = edgeOf(v, next);
    return sum + chord + (e.kind === 'arc' ? ((e.sweep - Math.sin(e.sweep)) * e.radius ** 2) / 2 : 0);
  }, 0);
}

/** Metal of the part, mm². */
export const regionArea = (r: Region): number =>
  Math.abs(loopArea(r.outer)) - r.openings.reduce((sum, l) => sum + Math.abs(loopArea(l)), 0);

/** First moments of a loop about the origin, mm³: its polygon's, and those of the pieces between arcs and chords at their centroids. */
function loopFirst(l: Loop): Point {
  return l.reduce(
    (sum, v, i) => {
      const next = l[(i + 1) % l.length]!;
      const k = (v.x * next.y - next.x * v.y) / 6;
      const polygon = { x: sum.x + k * (v.x + next.x), y: sum.y + k * (v.y + next.y) };
      const e = edgeOf(v, next);
      if (e.kind === 'line') return polygon;
      const θ = Math.abs(e.sweep);
      const area = ((e.sweep - Math.sin(e.sweep)) * e.radius ** 2) / 2;
      const off = (4 * e.radius * Math.sin(θ / 2) ** 3) / (3 * (θ - Math.sin(θ)));
      const mid = e.from + e.sweep / 2;
      return { x: polygon.x + area * (e.c.x + off * Math.cos(mid)), y: polygon.y + area * (e.c.y + off * Math.sin(mid)) };
    },
    { x: 0, y: 0 },
  );
}

/** Where a part balances, its openings and round holes taken out. */
export function regionCentroid(r: Region, holes: readonly (Point & { readonly d: number })[] = []): Point {
  const pieces = [
    { area: loopArea(r.outer), first: loopFirst(r.outer), k: 1 },
    ...r.openings.map((l) => ({ area: loopArea(l), first: loopFirst(l), k: -1 })),
  ].map(({ area, first, k }) => ({ A: k * Math.abs(area), x: k * Math.sign(area) * first.x, y: k * Math.sign(area) * first.y }));
  for (const h of holes) {
    const A = (Math.PI / 4) * h.d ** 2;
    pieces.push({ A: -A, x: -A * h.x, y: -A * h.y });
  }
  const [A, x, y] = [
    pieces.reduce((s, p) => s + p.A, 0),
    pieces.reduce((s, p) => s + p.x, 0),
    pieces.reduce((s, p) => s + p.y, 0),
  ];
  return { x: x / A, y: y / A };
}

/** What is cut: outline and openings, mm. */
export const cutLength = (r: Region): number =>
  allEdges(r).reduce((sum, e) => sum + (e.kind === 'line' ? distanceTo(e.a, e.b) : Math.abs(e.sweep) * e.radius), 0);

const fixed = (v: number): string => String(Math.round(v * 1e4) / 1e4);

/** The part as SVG path data, through a map of its points; `flips` where that map mirrors. */
export function pathData(r: Region, at: (p: Point) => Point = (p) => p, flips = false): string {
  return [r.outer, ...r.openings]
    .map((l) => {
      const scale = (e: Extract<Edge, { kind: 'arc' }>) => {
        const [o, x] = [at(e.c), at({ x: e.c.x + e.radius, y: e.c.y })];
        return distanceTo(o, x);
      };
      const start = at(l[0]!);
      const steps = l.map((v, i) => {
        const next = l[(i + 1) % l.length]!;
        const e = edgeOf(v, next);
        const to = at(next);
        if (e.kind === 'line') return `L${fixed(to.x)} ${fixed(to.y)}`;
        const wide = Math.abs(e.sweep) > Math.PI ? 1 : 0;
        const sense = e.sweep > 0 !== flips ? 1 : 0;
        const radius = fixed(scale(e));
        return `A${radius} ${radius} 0 ${wide} ${sense} ${fixed(to.x)} ${fixed(to.y)}`;
      });
      return `M${fixed(start.x)} ${fixed(start.y)}${steps.join('')}Z`;
    })
    .join('');
}
