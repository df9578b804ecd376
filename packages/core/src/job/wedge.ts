import type { Point, Rect } from '../geometry/points';
import { cornersOf } from '../geometry/polygons';
import { heightOf, widthOf } from '../geometry/rects';
import type { Surface } from './packers';

/** One wedge under the whole plate, so that it stands level on a leaning surface. mm, rad. */
export interface Wedge {
  /** Heights at the plate's corners, aft starboard first, round by fore. */
  readonly corners: readonly {
    readonly at: 'aft starboard' | 'fore starboard' | 'fore port' | 'aft port';
    readonly height: number;
  }[];
  /** Tilt of the saw along the plate and across it: the two angles it is cut by. */
  readonly along: number;
  readonly across: number;
  /** Steepest slope of its top, and the way it falls, from fore to port. */
  readonly steepest: number;
  readonly falls: number;
}

const NAMES = ['aft starboard', 'fore starboard', 'fore port', 'aft port'] as const;

/** The wedge by two measured angles: along the plate (fore lower is positive) and across it (port lower is positive); least at its thin corner. */
export function wedgeByAngles(plate: Rect, along: number, across: number, least: number): Wedge {
  const [gx, gy] = [Math.tan(along), Math.tan(across)];
  const at = (p: Point) => gx * p.x + gy * p.y;
  const corners = cornersOf(plate);
  const low = Math.min(...corners.map(at));
  return {
    corners: corners.map((p, i) => ({ at: NAMES[i]!, height: at(p) - low + least })),
    along,
    across,
    steepest: Math.atan(Math.hypot(gx, gy)),
    falls: Math.atan2(gy, gx),
  };
}

/** The same by the plane through measured gaps. */
export const wedgeUnder = (plate: Rect, s: Surface, least: number): Wedge => wedgeByAngles(plate, s.trim, s.heel, least);

/** Solid of a wedge, mm³: its area by the mean height, as its top is flat. */
export const wedgeVolume = (plate: Rect, w: Wedge): number =>
  widthOf(plate) * heightOf(plate) * (w.corners.reduce((sum, c) => sum + c.height, 0) / 4);
