import type { Rect } from '@core/geometry/points';
import { outlineOf } from '@core/job/outlines';
import type { Job } from '@core/job/schema';

/** The leg of a bent edge from above: as far past the edge as its radius and thickness take it. */
export function legOf(job: Job): Rect | undefined {
  const { fold, x0, x1, y0, y1, thickness } = job.plate;
  if (!fold) return undefined;
  const past = fold.radius.v + thickness.v;
  return {
    fore: { x0: x1, x1: x1 + past, y0, y1 },
    aft: { x0: x0 - past, x1: x0, y0, y1 },
    port: { x0, x1, y0: y1, y1: y1 + past },
    starboard: { x0, x1, y0: y0 - past, y1: y0 },
  }[fold.edge];
}

/** The plate as it stands when it is bent. */
export function withLeg(job: Job): Rect {
  const [o, l] = [outlineOf(job), legOf(job)];
  return l ? { x0: Math.min(o.x0, l.x0), x1: Math.max(o.x1, l.x1), y0: Math.min(o.y0, l.y0), y1: Math.max(o.y1, l.y1) } : o;
}

/** The plate runs square into its bend: no corner is round there. As SVG path data. */
export function rootOf(job: Job): string {
  const { fold, x0, x1, y0, y1, corner: c } = job.plate;
  // Open on the plate's side, so that no line shows where it meets the plate.
  const ways = {
    fore: `M${x1 - c} ${-y1}H${x1}V${-y0}H${x1 - c}`,
    aft: `M${x0 + c} ${-y1}H${x0}V${-y0}H${x0 + c}`,
    port: `M${x0} ${c - y1}V${-y1}H${x1}V${c - y1}`,
    starboard: `M${x0} ${-c - y0}V${-y0}H${x1}V${-c - y0}`,
  };
  return fold ? ways[fold.edge] : '';
}
