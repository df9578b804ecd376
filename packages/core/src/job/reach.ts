import { edgeLine, outlineFault, regionOf, sharp, type Corner } from '../geometry/outline';
import { add, distance, dot, scale, sub, type Point } from '../geometry/points';
import { edgeDistance } from '../geometry/region';
import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { fastenerSize } from '../stock/fasteners';
import type { Bolt, Job } from './schema';
import { drawnByCorners, shapedPlate } from './shaped';

/** Foot of an ear over its width at the hole: it grows out of the plate wider than it ends. */
const FOOT = 1.5;
/** Straight of an edge that is left between an ear's foot and a corner, mm. */
const LEFT = 0.5;

interface Straight {
  readonly index: number;
  readonly from: Point;
  readonly to: Point;
  readonly foot: Point;
  readonly off: number;
}

/** The straight edges of the outline by how far the place is from them, nearest first; only those whose outside it lies on. */
function edgesTowards(ring: readonly Corner[], p: Point): Straight[] {
  return ring
    .flatMap((c, index): Straight[] => {
      if (c.bulge !== 0) return [];
      // Where the corners at both ends have been made, the straight is what is left between them.
      const [from, to] = edgeLine(ring, index) as [Point, Point];
      const long = distance(from, to);
      if (long < 1e-6) return [];
      const u = scale(sub(to, from), 1 / long);
      const s = Math.max(0, Math.min(distance(from, to), dot(sub(p, from), u)));
      const foot = add(from, scale(u, s));
      const outside = (p.x - c.x) * u.y - (p.y - c.y) * u.x;
      return outside > 0 ? [{ index, from, to, foot, off: distance(p, foot) }] : [];
    })
    .sort((a, b) => a.off - b.off);
}

/**
 * The plate with an ear to a place outside it: half round about it at a margin, growing out of the nearest straight edge, 1.5 times
 * as wide at its foot. The plate as it is where the place has its margin already; refused where no ear fits.
 */
export function reachedTo(job: Job, to: Point, margin: number): Job | Refusal {
  const drawn = job.plate.outline ? job : drawnByCorners(job);
  const outline = drawn.plate.outline!;
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  const fault = outlineFault(outline);
  if (fault) return refuse('plate.outline', fault, 'an outline that can be cut');
  if (edgeDistance(regionOf(outline), to) >= margin - 1e-6) return job;
  const corners = outline.corners;
  for (const e of edgesTowards(corners, to)) {
    const long = distance(e.from, e.to);
    const half = Math.min(FOOT * margin, long / 2 - LEFT);
    if (half < margin / 2) continue;
    const u = scale(sub(e.to, e.from), 1 / long);
    const s = Math.max(half + LEFT, Math.min(long - half - LEFT, dot(sub(e.foot, e.from), u)));
    const middle = add(e.from, scale(u, s));
    const d = distance(middle, to);
    // Nearer than its own round end an ear has no sides: it is then wide enough at its foot to hold the round.
    const out = d > 1e-6 ? scale(sub(to, middle), 1 / d) : { x: u.y, y: -u.x };
    const side = scale({ x: -out.y, y: out.x }, margin);
    const [a, b] = [sub(middle, scale(u, half)), add(middle, scale(u, half))];
    // Anticlockwise round the plate the ear is met first on the side the edge comes from.
    const first = dot(side, u) < 0 ? side : scale(side, -1);
    const ear = [
      sharp(a.x, a.y),
      { ...sharp(to.x + first.x, to.y + first.y), bulge: 1 },
      sharp(to.x - first.x, to.y - first.y),
      sharp(b.x, b.y),
    ];
    const ring = [...corners.slice(0, e.index + 1), ...ear.map(tidied), ...corners.slice(e.index + 1)];
    const next = { ...outline, corners: ring };
    if (outlineFault(next) !== '') continue;
    if (edgeDistance(regionOf(next), to) < margin - 1e-3) continue;
    return { ...drawn, plate: shapedPlate(drawn.plate, next) };
  }
  return refuse(
    'plate.outline',
    `no ear ${mm(2 * margin)} wide reaches there from a straight edge without crossing the plate`,
    'a smaller margin, or corners drawn by hand',
  );
}

const tidy = (v: number): number => Number(v.toFixed(6)) || 0;
const tidied = (c: Corner): Corner => ({ ...c, x: tidy(c.x), y: tidy(c.y) });

/** An ear to an old hole of the structure, a bolt on it where none stands there yet, and the hole used again as wide as it is. */
export function reachedToOld(job: Job, holeId: string, margin: number): Job | Refusal {
  const old = job.survey.existing.find((h) => h.id === holeId);
  if (!old)
    return refuse(
      'survey.existing',
      `there is no old hole ${holeId}`,
      job.survey.existing.map((h) => h.id).join(', ') || 'none is measured',
    );
  const reached = reachedTo(job, old, margin);
  if ('refused' in reached) return reached;
  const existing = job.survey.existing.map((h) => (h.id === holeId ? { ...h, use: 're-use' as const } : h));
  const there = reached.bolts.items.some((b) => distance(b, old) < 0.5);
  const used = new Set(reached.bolts.items.map((b) => b.id));
  let n = 1;
  while (used.has(`B${n}`)) n++;
  const usual = fastenerSize(job.bolts.size)?.hole[job.bolts.fit] ?? old.d.v;
  const bolt: Bolt = { id: `B${n}`, x: old.x, y: old.y, ...(Math.abs(old.d.v - usual) > 1e-6 ? { holes: { skin: old.d } } : {}) };
  return {
    ...reached,
    survey: { ...reached.survey, existing },
    bolts: { ...reached.bolts, items: there ? reached.bolts.items : [...reached.bolts.items, bolt] },
  };
}
