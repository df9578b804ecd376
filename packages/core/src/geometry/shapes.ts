import { sharp, type Corner, type Outline } from './outline';
import { distance, type Point } from './points';

/** Ready shapes, each about its own middle with its few dimensions in mm: x forward, y to port. */
export interface ShapeSizes {
  readonly length: number;
  readonly width: number;
  /** Leg of a clip, width of the narrow end, or width of a leg. */
  readonly part: number;
}

const ring = (...corners: readonly (readonly [x: number, y: number, bulge?: number])[]): Outline => ({
  corners: corners.map(([x, y, bulge]) => sharp(x, y, bulge)),
  openings: [],
});
const rectangle = (l: number, w: number): Outline => ring([-l / 2, -w / 2], [l / 2, -w / 2], [l / 2, w / 2], [-l / 2, w / 2]);
const all = (o: Outline, make: Corner['make'], size: number): Outline => ({
  ...o,
  corners: o.corners.map((c) => ({ ...c, make, size })),
});

export const SHAPES = [
  {
    id: 'clipped',
    name: 'Clipped rectangle',
    part: 'Clip',
    of: ({ length: l, width: w, part }) => all(rectangle(l, w), 'clip', part),
  },
  {
    id: 'trapezoid',
    name: 'Trapezoid',
    part: 'Width ahead',
    of: ({ length: l, width: w, part }) => ring([-l / 2, -w / 2], [l / 2, -part / 2], [l / 2, part / 2], [-l / 2, w / 2]),
  },
  {
    id: 'gusset',
    name: 'Triangle gusset',
    part: 'Nose',
    of: ({ length: l, width: w, part }) =>
      ring([-l / 2, -w / 2], [l / 2, -w / 2], [l / 2, -w / 2 + part], [-l / 2 + part, w / 2], [-l / 2, w / 2]),
  },
  {
    id: 'L',
    name: 'L',
    part: 'Leg width',
    of: ({ length: l, width: w, part }) =>
      ring(
        [-l / 2, -w / 2],
        [l / 2, -w / 2],
        [l / 2, -w / 2 + part],
        [-l / 2 + part, -w / 2 + part],
        [-l / 2 + part, w / 2],
        [-l / 2, w / 2],
      ),
  },
  {
    id: 'T',
    name: 'T',
    part: 'Leg width',
    of: ({ length: l, width: w, part }) =>
      ring(
        [-l / 2, -part / 2],
        [l / 2 - part, -part / 2],
        [l / 2 - part, -w / 2],
        [l / 2, -w / 2],
        [l / 2, w / 2],
        [l / 2 - part, w / 2],
        [l / 2 - part, part / 2],
        [-l / 2, part / 2],
      ),
  },
  { id: 'disc', name: 'Disc', part: '', of: ({ length: d }) => ring([-d / 2, 0, 1], [d / 2, 0, 1]) },
  {
    id: 'strap',
    name: 'Strap, round ends',
    part: '',
    of: ({ length: l, width: w }) =>
      ring([-(l - w) / 2, -w / 2], [(l - w) / 2, -w / 2, 1], [(l - w) / 2, w / 2], [-(l - w) / 2, w / 2, 1]),
  },
  {
    id: 'lug',
    name: 'Lug, one round end',
    part: '',
    of: ({ length: l, width: w }) => ring([-l / 2, -w / 2], [(l - w) / 2, -w / 2, 1], [(l - w) / 2, w / 2], [-l / 2, w / 2]),
  },
] as const satisfies readonly { id: string; name: string; part: string; of: (s: ShapeSizes) => Outline }[];
export type ShapeId = (typeof SHAPES)[number]['id'];

/** Convex hull, anticlockwise, without corners on a straight edge (Andrew's monotone chain, 1979). */
function hull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (list: readonly Point[]) => {
    const out: Point[] = [];
    for (const p of list) {
      while (out.length >= 2) {
        const [a, b] = [out.at(-2)!, out.at(-1)!];
        if ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x) > 1e-9) break;
        out.pop();
      }
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

/** The hull round places at a margin, mm, with tangent arcs about them: area = hull + perimeter·r + π·r². Nothing round no place. */
export function wrap(places: readonly Point[], margin: number): Outline | undefined {
  const [first] = places;
  if (!first || margin <= 0) return undefined;
  const round = hull(places);
  if (round.length < 2 || round.every((p) => distance(p, round[0]!) < 1e-9))
    return ring([first.x - margin, first.y, 1], [first.x + margin, first.y, 1]);
  const n = round.length;
  const edges = round.map((p, i) => {
    const q = round[(i + 1) % n]!;
    const long = distance(p, q);
    return {
      p,
      q,
      out: { x: ((q.y - p.y) / long) * margin, y: (-(q.x - p.x) / long) * margin },
      along: Math.atan2(q.y - p.y, q.x - p.x),
    };
  });
  const corners = edges.flatMap(({ p, q, out, along }, i) => {
    const turn = (edges[(i + 1) % n]!.along - along + 4 * Math.PI) % (2 * Math.PI);
    return [sharp(p.x + out.x, p.y + out.y), sharp(q.x + out.x, q.y + out.y, Math.tan(turn / 4))];
  });
  return { corners, openings: [] };
}
