import { anticlockwise, outlineFault, sharp, type Corner, type Outline } from '../geometry/outline';
import { distance, type Point } from '../geometry/points';
import { isInside, regionArea, type Region } from '../geometry/region';
import { loopOf } from '../geometry/outline';
import { MAX_CORNERS } from '../job/drawn-outline';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { readDxf, type Entity } from './read-dxf';

/** The outline of a drawing, its openings, and what was left out, in words. mm. */
export interface DxfOutline {
  readonly outline: Outline;
  readonly said: readonly string[];
}

/** Ends nearer than this meet, mm. */
const MEET = 0.01;
/** Curves that are no arcs: what is cut of them is not what is drawn. */
const CURVES = new Set(['SPLINE', 'ELLIPSE']);

interface Ring {
  readonly layer: string;
  readonly corners: readonly Corner[];
}
/** A path with two ends: its corners, the last without an edge after it. */
interface Open {
  readonly layer: string;
  readonly corners: readonly Corner[];
}

const place = (p: Point): string => `${p.x.toFixed(2)}, ${p.y.toFixed(2)} mm`;
const regionOfRing = (corners: readonly Corner[]): Region => ({ outer: loopOf(corners), openings: [] });

const cornersOf = (vertices: NonNullable<Entity['vertices']>, per: number): Corner[] =>
  vertices.map((v) => sharp(v.x * per, v.y * per, v.bulge));

/** Lines, arcs and polylines that are not closed, as paths. */
function pathOf(e: Entity, per: number): Open | undefined {
  const { layer } = e;
  if (e.vertices) return e.vertices.length > 1 ? { layer, corners: cornersOf(e.vertices, per) } : undefined;
  if (e.type !== 'ARC' || !e.center || !e.radius) return undefined;
  const [from, to] = [e.startAngle ?? 0, e.endAngle ?? 0];
  const sweep = (((to - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  const at = (a: number, bulge: number) =>
    sharp((e.center!.x + e.radius! * Math.cos(a)) * per, (e.center!.y + e.radius! * Math.sin(a)) * per, bulge);
  return { layer, corners: [at(from, Math.tan(sweep / 4)), at(to, 0)] };
}

/** The path the other way: each edge keeps its arc. */
const backwards = ({ layer, corners }: Open): Open => {
  const n = corners.length;
  return {
    layer,
    corners: corners.map((_c, k) => ({ ...corners[n - 1 - k]!, bulge: k === n - 1 ? 0 : -corners[n - 2 - k]!.bulge || 0 })),
  };
};

const meets = (a: Point, b: Point) => distance(a, b) < MEET;

/** Where paths end, in squares: an end is looked for near it and nowhere else. */
class Ends {
  private readonly squares = new Map<string, Set<number>>();

  constructor(private readonly paths: readonly Open[]) {
    paths.forEach((path, i) => {
      for (const p of ends(path)) this.square(p).add(i);
    });
  }

  /** The first path, of those not taken, that ends at a point of a layer. */
  at(p: Point, layer: string): number | undefined {
    const near: number[] = [];
    for (const i of [-1, 0, 1])
      for (const j of [-1, 0, 1]) near.push(...(this.squares.get(key(across(p.x) + i, across(p.y) + j)) ?? []));
    const met = near.filter((i) => this.paths[i]!.layer === layer && ends(this.paths[i]!).some((e) => meets(e, p)));
    return met.length > 0 ? Math.min(...met) : undefined;
  }

  take(i: number): void {
    for (const p of ends(this.paths[i]!)) this.square(p).delete(i);
  }

  private square(p: Point): Set<number> {
    const at = key(across(p.x), across(p.y));
    const there = this.squares.get(at) ?? new Set();
    this.squares.set(at, there);
    return there;
  }
}

/** Twice as wide as ends may lie apart, so that rounding puts no two that meet into squares that do not touch. */
const across = (x: number): number => Math.floor(x / (2 * MEET));
const key = (i: number, j: number): string => `${i} ${j}`;
const ends = ({ corners }: Open): readonly [Corner, Corner] => [corners[0]!, corners.at(-1)!];

/** Paths put end to end where they meet, and those that close; what stays open is handed back. */
function chained(paths: readonly Open[]): { rings: Ring[]; open: Open[] } {
  const rings: Ring[] = [];
  const open: Open[] = [];
  const left = new Ends(paths);
  const taken = new Set<number>();
  const take = (i: number): Open => {
    left.take(i);
    taken.add(i);
    return paths[i]!;
  };
  for (let i = 0; i < paths.length; i++) {
    if (taken.has(i)) continue;
    const { layer, corners: first } = take(i);
    const corners = [...first];
    for (;;) {
      const end = corners.at(-1)!;
      if (corners.length > 2 && meets(end, corners[0]!)) {
        rings.push({ layer, corners: corners.slice(0, -1) });
        break;
      }
      const at = left.at(end, layer);
      if (at === undefined) {
        open.push({ layer, corners });
        break;
      }
      const next = take(at);
      corners.pop();
      for (const c of meets(next.corners[0]!, end) ? next.corners : backwards(next).corners) corners.push(c);
    }
  }
  return { rings, open };
}

/** The largest closed contour of a DXF as a plate's outline, what lies inside it on its layer as openings. Arcs stay arcs; lines and arcs that meet are put together. */
export function readOutlineDxf(text: string, plain: number): DxfOutline | Refusal {
  const drawing = readDxf(text, plain);
  if (isRefusal(drawing)) return drawing;
  const { entities, per } = drawing;
  const curve = entities.find((e) => CURVES.has(e.type));
  if (curve)
    return refuse(
      'file',
      `it has a ${curve.type.toLowerCase()} on layer ${curve.layer}`,
      'lines and arcs: turn curves into arcs where they were drawn',
    );
  const isClosed = (e: Entity) => e.closed === true && (e.vertices?.length ?? 0) > 1;
  const closed = entities.filter(isClosed).map((e): Ring => ({ layer: e.layer, corners: cornersOf(e.vertices!, per) }));
  const { rings, open } = chained(entities.filter((e) => !isClosed(e)).flatMap((e) => pathOf(e, per) ?? []));
  const all = [...closed, ...rings].map((ring) => ({ ...ring, corners: anticlockwise(ring.corners) }));
  if (all.length === 0) {
    const [first] = open;
    if (!first)
      return refuse('file', `it has no contour among its ${entities.length} parts`, 'an outline drawn as a closed contour');
    return refuse(
      'file',
      `the contour from ${place(first.corners[0]!)} to ${place(first.corners.at(-1)!)} is open`,
      'a closed contour: ends that meet within 0.01 mm',
    );
  }
  const area = (ring: Ring) => regionArea(regionOfRing(ring.corners));
  const outer = all.reduce((a, b) => (area(b) > area(a) ? b : a));
  const region = regionOfRing(outer.corners);
  const others = all.filter((ring) => ring !== outer);
  const openings = others.filter((ring) => ring.layer === outer.layer && ring.corners.every((c) => isInside(region, c)));
  const most = Math.max(outer.corners.length, ...openings.map((o) => o.corners.length));
  if (most > MAX_CORNERS)
    return refuse('file', `a contour has ${most} corners`, `up to ${MAX_CORNERS}: arcs as arcs, not as chords`);
  const outline: Outline = { corners: outer.corners, openings: openings.map((o) => o.corners) };
  const fault = outlineFault(outline);
  if (fault) return refuse('file', fault, 'a closed outline that does not cross itself');
  const said = [...drawing.said];
  const circles = entities.filter((e) => e.type === 'CIRCLE').length;
  if (circles > 0)
    said.push(`${circles} ${circles === 1 ? 'circle is' : 'circles are'} left out: holes come in as a pattern on Measure.`);
  const blocks = entities.filter((e) => e.type === 'INSERT').length;
  if (blocks > 0)
    said.push(`${blocks} ${blocks === 1 ? 'block is' : 'blocks are'} left out: break them up where they were drawn.`);
  const apart = others.length - openings.length;
  if (apart > 0) said.push(`${apart} other closed ${apart === 1 ? 'contour is' : 'contours are'} left out.`);
  if (open.length > 0) said.push(`${open.length} open ${open.length === 1 ? 'line is' : 'lines are'} left out.`);
  return { outline, said };
}
