import { anticlockwise, outlineBounds, outlineFault, type Outline } from '../geometry/outline';
import type { Rect } from '../geometry/points';
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
