import { boundsOf, heightOf, widthOf } from '../geometry/rects';
import type { Point, Rect } from '../geometry/points';
import { fastenerSize } from '../stock/fasteners';
import type { Bolt, Job } from '../job/schema';

/** Even patterns round a rectangle: 4 at the corners, then the middles of the longer and of all sides. */
export function ringPattern(n: number, box: Rect): Point[] {
  const { x0, x1, y0, y1 } = box;
  const mx = (x0 + x1) / 2;
  const my = (y0 + y1) / 2;
  const corners = [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
  const alongX = [
    { x: mx, y: y0 },
    { x: mx, y: y1 },
  ];
  const alongY = [
    { x: x0, y: my },
    { x: x1, y: my },
  ];
  if (n === 4) return corners;
  if (n === 6) return [...corners, ...(widthOf(box) >= heightOf(box) ? alongX : alongY)];
  if (n === 8) return [...corners, ...alongX, ...alongY];
  throw new RangeError(`ringPattern: ${n} bolts; allowed: 4, 6, 8`);
}

export const RING_COUNTS = [4, 6, 8] as const;

const named = (points: readonly Point[]): Bolt[] => points.map((p, i) => ({ id: `B${i + 1}`, x: round(p.x), y: round(p.y) }));
const round = (v: number) => Math.round(v * 10) / 10;

/**
 * The job with n bolts at `pitch` times its present spacing, in `sizeId`, and the plate grown or trimmed to keep its
 * present margins (at least 1.5·d0 to every hole, and never inside the base).
 */
export function withPattern(job: Job, n: number, pitch: number, sizeId: string): Job {
  const items = job.bolts.items;
  // No pattern to start from: the layout stays refused for its own reason.
  if (items.length === 0) return { ...job, bolts: { ...job.bolts, size: sizeId } };
  const box = boundsOf(items);
  const c = { x: (box.x0 + box.x1) / 2, y: (box.y0 + box.y1) / 2 };
  const spread = (p: Point): Point => ({ x: c.x + (p.x - c.x) * pitch, y: c.y + (p.y - c.y) * pitch });
  const same = n === items.length;
  const grown = boundsOf([spread({ x: box.x0, y: box.y0 }), spread({ x: box.x1, y: box.y1 })]);
  const bolts = same
    ? items.map((b) => ({ ...b, ...(pitch === 1 ? {} : { x: round(spread(b).x), y: round(spread(b).y) }) }))
    : named(ringPattern(n, grown));
  const d0 = fastenerSize(sizeId)?.hole[job.bolts.fit] ?? 0;
  const least = 1.5 * d0;
  const margin = (have: number) => Math.max(have, least);
  const p = job.plate;
  const half = { x: job.base.length.v / 2, y: job.base.width.v / 2 };
  // What is drawn is kept as drawn.
  if (p.outline) return { ...job, bolts: { ...job.bolts, size: sizeId, items: bolts } };
  const plate = {
    ...p,
    x0: Math.min(round(grown.x0 - margin(box.x0 - p.x0)), -half.x),
    x1: Math.max(round(grown.x1 + margin(p.x1 - box.x1)), half.x),
    y0: Math.min(round(grown.y0 - margin(box.y0 - p.y0)), -half.y),
    y1: Math.max(round(grown.y1 + margin(p.y1 - box.y1)), half.y),
  };
  return { ...job, plate, bolts: { ...job.bolts, size: sizeId, items: bolts } };
}
