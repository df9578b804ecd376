import type { Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { baseHoleFor } from '../job/layout-refusals';
import { packersFor, surfaceOf } from '../job/packers';
import { formatQuantity } from '../units/format-quantity';
import { isRefusal } from '../units/refusal';

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

/** Packers under the bolts, where gaps were measured: what the fitter takes along. */
function packerNotes(job: Job): ReadonlyMap<string, string> {
  const { shims } = job.survey;
  const surface = surfaceOf(shims);
  if (isRefusal(surface)) return new Map();
  return new Map(
    packersFor(job.bolts.items, shims, surface)
      .filter((p) => p.thickness >= 0.05)
      .map((p) => [p.id, `packer ${formatQuantity(p.thickness, 'length', job.units)}${p.read ? '' : ' by the plane'}`]),
  );
}

/** What is drilled together with the plate, and where it does not end with it. */
function stackWords({ far, units }: Job): string {
  if (far.kind !== 'plate') return '';
  const n = far.layers ?? 1;
  const past = far.past ?? 0;
  const plates = n > 1 ? `${n} backing plates` : 'backing plate';
  return `stack-drill with ${plates}${past > 0 ? `, ${formatQuantity(past, 'length', units)} past this one all round` : ''}`;
}

export function drillList(job: Job, r: Resolved): DrillRow[] {
  const packers = packerNotes(job);
  const behind = stackWords(job);
  return job.bolts.items.map((b) => {
    const hole = baseHoleFor(job, b, r.d);
    const inBase = r.bolts.find((p) => p.id === b.id)!.throughBase;
    return {
      hole: b.id,
      x: round2(b.x - job.plate.x0),
      y: round2(b.y - job.plate.y0),
      diameter: round2(r.d0),
      fastener: `${r.size.id} ${r.grade.id}`,
      note: [inBase && hole ? `through base hole ${hole.id}` : behind, packers.get(b.id) ?? ''].filter(Boolean).join('; '),
    };
  });
}
