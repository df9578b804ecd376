import { regionOf } from '@core/geometry/outline';
import { pathData, roundedRect } from '@core/geometry/region';
import { outlineOf } from '@core/job/outlines';
import type { Job } from '@core/job/schema';

/** The mounting plate as it is cut, as path data of the plan: y grows to port, which is up on the screen. */
export function cutPath(job: Job): string {
  const { outline, corner } = job.plate;
  const plate = outlineOf(job);
  const half = Math.max(0, Math.min(plate.x1 - plate.x0, plate.y1 - plate.y0) / 2);
  const region = outline ? regionOf(outline) : roundedRect(plate, Math.min(corner, half));
  return pathData(region, (p) => ({ x: p.x, y: -p.y }), true);
}
