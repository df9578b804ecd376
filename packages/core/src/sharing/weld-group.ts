import type { Point, Rect } from '../geometry/points';
import { centreOf } from '../geometry/rects';
import type { Vector } from '../geometry/vector';
import { refuse, type Refusal } from '../units/refusal';

/** A straight run of fillet weld on the plan, its effective part of its length (1 for unbroken). */
export interface Run {
  readonly from: Point;
  readonly to: Point;
  readonly part: number;
}

/** Force per length on a weld at a point: along its run, across it in the plane, and out of the plane; N/mm. */
export interface LineForce {
  readonly along: number;
  readonly across: number;
  readonly out: number;
  readonly at: Point;
}

export const WELD_SIDES = ['all round', 'fore and aft edges', 'side edges'] as const;

/** Runs along the sides of a rectangle. */
export function runsAround(r: Rect, which: (typeof WELD_SIDES)[number], part = 1): Run[] {
  const [a, b, c, d] = [
    { x: r.x0, y: r.y0 },
    { x: r.x1, y: r.y0 },
    { x: r.x1, y: r.y1 },
    { x: r.x0, y: r.y1 },
  ];
  const ends: Run[] = [
    { from: b, to: c, part },
    { from: d, to: a, part },
  ];
  const sides: Run[] = [
    { from: a, to: b, part },
    { from: c, to: d, part },
  ];
  return which === 'all round' ? [...ends, ...sides] : which === 'side edges' ? sides : ends;
}

/** Runs along a ring, arcs by their chords. */
export const runsAlong = (ring: readonly Point[], part = 1): Run[] =>
  ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length]!, part }));

/** Runs along lines that end, arcs by their chords. */
export const runsOn = (lines: readonly (readonly Point[])[]): Run[] =>
  lines.flatMap((line) => line.slice(1).map((to, i) => ({ from: line[i]!, to, part: 1 })));

/** Length, second moments (∫y², ∫x², ∫xy about its centre) and centre of the group treated as lines; mm, mm³. */
export interface LineGroup {
  readonly length: number;
  readonly centre: Point;
  readonly Ix: number;
  readonly Iy: number;
  readonly Ixy: number;
}

export function lineGroup(runs: readonly Run[]): LineGroup {
  let length = 0;
  const m = { x: 0, y: 0 };
  for (const { from, to, part } of runs) {
    const l = part * Math.hypot(to.x - from.x, to.y - from.y);
    length += l;
    m.x += (l * (from.x + to.x)) / 2;
    m.y += (l * (from.y + to.y)) / 2;
  }
  const centre = { x: m.x / length, y: m.y / length };
  let [Ix, Iy, Ixy] = [0, 0, 0];
  for (const { from, to, part } of runs) {
    const l = part * Math.hypot(to.x - from.x, to.y - from.y);
    const [cx, cy] = [(from.x + to.x) / 2 - centre.x, (from.y + to.y) / 2 - centre.y];
    Ix += l * (cy * cy + (to.y - from.y) ** 2 / 12);
    Iy += l * (cx * cx + (to.x - from.x) ** 2 / 12);
    Ixy += l * (cx * cy + ((to.x - from.x) * (to.y - from.y)) / 12);
  }
  return { length, centre, Ix, Iy, Ixy };
}

/** A group whose second moments leave less than this of their square is one straight line. */
const ONE_LINE = 1e-9;

/** How the force out of the plane grows along x and y under moments about the group's own axes; nothing where one line is turned about itself. */
function slopes(g: LineGroup, mx: number, my: number): Point | undefined {
  const J = g.Ix + g.Iy;
  const det = g.Ix * g.Iy - g.Ixy ** 2;
  if (det > ONE_LINE * J ** 2) return { x: -(my * g.Ix + mx * g.Ixy) / det, y: (mx * g.Iy + my * g.Ixy) / det };
  // Along its own direction u the line takes the moment square to it.
  const angle = Math.atan2(2 * g.Ixy, g.Iy - g.Ix) / 2;
  const u = { x: Math.cos(angle), y: Math.sin(angle) };
  if (Math.abs(mx * u.x + my * u.y) > 1e-6 * Math.hypot(mx, my) + ROUNDING) return undefined;
  const along = (mx * u.y - my * u.x) / J;
  return { x: along * u.x, y: along * u.y };
}

/** What is left of a moment that is none, N·mm. */
const ROUNDING = 1e-3;

/**
 * Elastic weld group (Blodgett; AISC Manual Part 8): q = F/L and M·r/I at both ends of every run, with the product of inertia
 * where the group is not alike on both sides (unsymmetrical bending). Moments about the datum are brought to the group's own
 * centre; part-length runs count their length only. Refused where a single line would be turned about itself.
 */
export function lineForces(runs: readonly Run[], load: Vector): LineForce[] | Refusal {
  const g = lineGroup(runs);
  const { x: gx, y: gy } = g.centre;
  const mx = load.mx - gy * load.fz;
  const my = load.my + gx * load.fz;
  const mz = load.mz - (gx * load.fy - gy * load.fx);
  const J = g.Ix + g.Iy;
  const slope = slopes(g, mx, my);
  if (!slope)
    return refuse(
      'welds.lines',
      'all the weld is in one line, and this case turns the plate about it: a hinge',
      'weld on another edge too',
    );
  return runs.flatMap(({ from, to }) => {
    const l = Math.hypot(to.x - from.x, to.y - from.y);
    const u = { x: (to.x - from.x) / l, y: (to.y - from.y) / l };
    return [from, to].map((at) => {
      const [rx, ry] = [at.x - gx, at.y - gy];
      const qx = load.fx / g.length - (mz * ry) / J;
      const qy = load.fy / g.length + (mz * rx) / J;
      const qz = load.fz / g.length + slope.x * rx + slope.y * ry;
      return { along: qx * u.x + qy * u.y, across: -qx * u.y + qy * u.x, out: qz, at };
    });
  });
}

/** Middle of a rectangle's welds, for words. */
export const cornerWords = (r: Rect, at: Point): string => {
  const c = centreOf(r);
  return `${at.x >= c.x ? 'fore' : 'aft'} ${at.y >= c.y ? 'port' : 'starboard'} corner`;
};
