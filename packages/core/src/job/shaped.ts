import { anticlockwise, outlineBounds, outlineFault, sharp, type Corner, type Outline } from '../geometry/outline';
import type { Point, Rect } from '../geometry/points';
import { SHAPES, wrap, type ShapeId, type ShapeSizes } from '../geometry/shapes';
import type { Job } from './schema';

type Plate = Job['plate'];

/** The plate with another outline, and what that reaches to; a ring drawn clockwise is turned round. A bent edge goes: it is drawn on a rectangle. */
export function shapedPlate(plate: Plate, outline: Outline): Plate {
  const { fold: _f, ...rest } = plate;
  const corners = [...anticlockwise(outline.corners)];
  const openings = outline.openings.map((ring) => [...anticlockwise(ring)]);
  const drawn = { corners, openings };
  return { ...rest, ...(outlineFault(drawn) === '' ? tidied(outlineBounds(drawn)) : {}), outline: drawn };
}

/** The plate as a rectangle again. */
export function rectanglePlate(plate: Plate, r: Rect): Plate {
  const { outline: _o, ...rest } = plate;
  return { ...rest, ...r };
}

const tidied = (r: Rect): Rect => ({ x0: tidy(r.x0), x1: tidy(r.x1), y0: tidy(r.y0), y1: tidy(r.y1) });
const tidy = (v: number): number => Number(v.toFixed(6)) || 0;

/** Outline and what it is said to reach to may differ by so much, mm. */
const NEAR = 1e-3;

/** Where a plate's outline does not reach to what its file says; nothing where they agree, or where it cannot be cut anyway. */
export function outlineOff({ outline, ...plate }: Plate): { key: keyof Rect; because: string } | undefined {
  if (!outline || outlineFault(outline) !== '') return undefined;
  const bounds = outlineBounds(outline);
  for (const key of ['x0', 'x1', 'y0', 'y1'] as const)
    if (Math.abs(bounds[key] - plate[key]) > NEAR)
      return {
        key,
        because: `${plate[key]} mm, and the outline reaches to ${bounds[key].toFixed(3)} mm; allowed: what it reaches to`,
      };
  return undefined;
}

/** A corner of a drawn outline: of the outer ring, or of an opening by its number. */
export interface CornerAt {
  /** −1 for the outer ring. */
  readonly ring: number;
  readonly index: number;
}

const ringOf = (o: Outline, ring: number): readonly Corner[] => (ring < 0 ? o.corners : (o.openings[ring] ?? []));
export const cornerAt = (plate: Plate, { ring, index }: CornerAt): Corner | undefined =>
  plate.outline && ringOf(plate.outline, ring)[index];

function withRing(o: Outline, ring: number, corners: readonly Corner[]): Outline {
  if (ring < 0) return { ...o, corners };
  return { ...o, openings: o.openings.map((r, i) => (i === ring ? corners : r)) };
}

const redrawn = (job: Job, ring: number, change: (corners: readonly Corner[]) => readonly Corner[]): Job => {
  const { outline } = job.plate;
  return outline ? { ...job, plate: shapedPlate(job.plate, withRing(outline, ring, change(ringOf(outline, ring)))) } : job;
};

/** The job with one corner moved, made otherwise or its edge pulled to an arc. */
export const withCorner = (job: Job, { ring, index }: CornerAt, change: Partial<Corner>): Job =>
  redrawn(job, ring, (corners) => corners.map((c, i) => (i === index ? { ...c, ...change } : c)));

/** A corner more, half way to the next; an arc there becomes two straight edges. */
export const addedCorner = (job: Job, { ring, index }: CornerAt): Job =>
  redrawn(job, ring, (corners) => {
    const [a, b] = [corners[index]!, corners[(index + 1) % corners.length]!];
    const between = sharp(tidy((a.x + b.x) / 2), tidy((a.y + b.y) / 2));
    return [...corners.slice(0, index), { ...a, bulge: 0 }, between, ...corners.slice(index + 1)];
  });

/** One corner less; an opening with too few goes, and the outline keeps three. */
export function withoutCorner(job: Job, { ring, index }: CornerAt): Job {
  const { outline } = job.plate;
  if (!outline) return job;
  const corners = ringOf(outline, ring).filter((_c, i) => i !== index);
  if (corners.length >= 3) return redrawn(job, ring, () => corners);
  if (ring < 0) return job;
  return { ...job, plate: shapedPlate(job.plate, { ...outline, openings: outline.openings.filter((_r, i) => i !== ring) }) };
}

/** Rectangle as an outline whose corners can be made one by one. */
const asOutline = ({ x0, x1, y0, y1, corner, outline }: Plate): Outline =>
  outline ?? {
    corners: [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ].map(([x, y]): Corner => ({ x: x!, y: y!, make: corner > 0 ? 'round' : 'sharp', size: corner, bulge: 0 })),
    openings: [],
  };

export const drawnByCorners = (job: Job): Job => ({ ...job, plate: shapedPlate(job.plate, asOutline(job.plate)) });

/** One of the ready shapes about the base. */
export const drawnAs = (job: Job, shape: ShapeId, sizes: ShapeSizes): Job => ({
  ...job,
  plate: shapedPlate(job.plate, SHAPES.find((s) => s.id === shape)!.of(sizes)),
});

/** The hull round all bolts and the base's corners, at a margin, mm; openings stay. */
export function wrappedRound(job: Job, margin: number): Job {
  const { length, width } = job.base;
  const [l, w] = [length.v / 2, width.v / 2];
  const base = [
    { x: -l, y: -w },
    { x: l, y: -w },
    { x: l, y: w },
    { x: -l, y: w },
  ];
  const outline = wrap([...job.bolts.items, ...base], margin);
  return outline ? { ...job, plate: shapedPlate(job.plate, { ...outline, openings: job.plate.outline?.openings ?? [] }) } : job;
}

/** A square opening more, with rounded corners, about a place. */
export function withOpening(job: Job, at: Point, side: number, radius: number): Job {
  const o = asOutline(job.plate);
  const h = side / 2;
  const ring = (
    [
      [-h, -h],
      [h, -h],
      [h, h],
      [-h, h],
    ] as const
  ).map(([x, y]): Corner => ({ x: at.x + x, y: at.y + y, make: 'round', size: radius, bulge: 0 }));
  return { ...job, plate: shapedPlate(job.plate, { ...o, openings: [...o.openings, ring] }) };
}

/** The rectangle the outline reaches to. */
export const asRectangle = (job: Job): Job => {
  const { x0, x1, y0, y1 } = job.plate;
  return { ...job, plate: rectanglePlate(job.plate, { x0, x1, y0, y1 }) };
};
