import { contains, nearestEdge, overlap, upright } from '../geometry/rects';
import type { Point } from '../geometry/points';
import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { atBolt } from './of-kind';
import { outlineOf } from './outlines';
import type { Resolved } from './resolved';
import type { Job, Skin } from './schema';
import type { Zone } from './survey';

/** The zone a place lies in; undefined on the panel's own skin. */
export const zoneAt = (job: Pick<Job, 'survey'>, p: Point): Zone | undefined =>
  job.survey.zones?.find((z) => contains(upright(z), p));

/** The skin of a zone as if all of the panel were of it. */
export function skinOfZone(job: Pick<Job, 'skin'>, zone: Zone): Skin {
  const { spanX, spanY, aft, starboard, bedModulus } = job.skin;
  return { ...zone.skin, spanX, spanY, aft, starboard, bedModulus } as Skin;
}

/** The job as it is at one place: on the skin that is there. */
export function jobAt(job: Job, p: Point): Job {
  const zone = zoneAt(job, p);
  return zone ? { ...job, skin: skinOfZone(job, zone) } : job;
}

/** Zones that a panel cannot have, and bolts that stand across the line of one. */
export function zoneRefusals(r: Resolved): Refusal[] {
  const { job } = r;
  const zones = job.survey.zones ?? [];
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  const no: Refusal[] = [];
  if (zones.length > 0 && (job.skin.kind === 'hollow' || job.skin.kind === 'flange' || job.skin.kind === 'bed'))
    no.push(refuse('survey.zones', `zones of another skin on a ${job.skin.kind}`, 'zones on a panel, or none'));
  zones.forEach((z, i) => {
    const field = `survey.zones.${i} (${z.id})`;
    const s = z.skin;
    if (s.kind === 'sandwich' && s.nearFace.v + s.farFace.v >= s.thickness.v)
      no.push(refuse(field, 'its faces together leave no core', `faces of under ${s.thickness.text} together`));
    for (const o of zones.slice(i + 1))
      if (overlap(upright(z), upright(o))) no.push(refuse(field, `it lies over zone ${o.id}`, 'zones beside each other'));
  });
  r.bolts.forEach((b, i) => {
    const reach = atBolt(r, i).washerOutside / 2;
    const across = zones.find((z) => Math.abs(nearestEdge(upright(z), b)) < reach && nearLine(z, b, reach));
    if (across)
      no.push(
        refuse(
          `bolts.items.${i} (${b.id})`,
          `its washer lies across the line of zone ${across.id}, where the skin changes`,
          `at least ${mm(reach)} from the line`,
        ),
      );
  });
  return no;
}

/** Beside the rectangle itself, not beside the endless lines of its edges. */
function nearLine(z: Zone, p: Point, reach: number): boolean {
  const { x0, x1, y0, y1 } = upright(z);
  return p.x > x0 - reach && p.x < x1 + reach && p.y > y0 - reach && p.y < y1 + reach;
}

/** Whether the skin changes somewhere under the plate. */
export const zonesUnder = (job: Job): boolean =>
  (job.survey.zones ?? []).some((z) => overlap(upright(z), outlineOf(job)) !== undefined);
