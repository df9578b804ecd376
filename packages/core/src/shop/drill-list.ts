import type { Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { baseHoleFor } from '../job/resolve';

/** One hole of the drill list. x and y in mm from the plate's aft starboard corner, as marked out with a square and rule. */
export interface DrillRow {
  readonly hole: string;
  readonly x: number;
  readonly y: number;
  readonly diameter: number;
  readonly fastener: string;
  readonly note: string;
}

const round2 = (v: number) => Math.round(v * 100) / 100;

export function drillList(job: Job, r: Resolved): DrillRow[] {
  return job.bolts.items.map((b) => {
    const hole = baseHoleFor(job, b, r.d);
    const inBase = r.bolts.find((p) => p.id === b.id)!.throughBase;
    return {
      hole: b.id,
      x: round2(b.x - job.plate.x0),
      y: round2(b.y - job.plate.y0),
      diameter: round2(r.d0),
      fastener: `${r.size.id} ${r.grade.id}`,
      note: inBase && hole ? `through base hole ${hole.id}` : job.far.kind === 'plate' ? 'stack-drill with backing plate' : '',
    };
  });
}
