import { distance, type Point, type Rect } from '../geometry/points';
import { contains, heightOf, nearestEdge, nearestPoint, upright, widthOf } from '../geometry/rects';
import type { FastenerSize } from '../stock/fasteners';
import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { outlineOf, roomBehind } from './outlines';
import type { Job } from './schema';

/** How far a point is from the middle line of a base hole or slot; 0 on it. */
function offHole(job: Job, h: Point, p: Point): number {
  const run = job.base.slot.v / 2;
  const [sx, sy] = job.base.slotAlong === 'x' ? [run, 0] : [0, run];
  return Math.hypot(Math.max(0, Math.abs(p.x - h.x) - sx), Math.max(0, Math.abs(p.y - h.y) - sy));
}

/** The base hole or slot a bolt goes through, if any: its centre within the slot's range plus the clearance. */
export function baseHoleFor(job: Job, bolt: Point, d: number): Job['base']['holes'][number] | undefined {
  if (job.base.hole.v < d) return undefined;
  const play = (job.base.hole.v - d) / 2 + 1e-6;
  return job.base.holes.find((h) => offHole(job, h, bolt) <= play);
}

/** Lengths in a refusal read in the job's own unit. */
const lengthsOf = (job: Job) => (v: number) => formatQuantity(v, 'length', job.units);

/** What cannot be made of plate, base and bolts, each by its field with what is allowed. */
export function layoutRefusals(job: Job, d0: number, size: FastenerSize, base: Rect, panel: Rect): Refusal[] {
  const no: Refusal[] = [];
  const mm = lengthsOf(job);
  const plate = outlineOf(job);
  const items = job.bolts.items;
  if (widthOf(plate) <= 0 || heightOf(plate) <= 0)
    no.push(refuse('plate', 'the outline has no area', 'x1 over x0 and y1 over y0'));
  else if (job.plate.corner > Math.min(widthOf(plate), heightOf(plate)) / 2)
    no.push(
      refuse(
        'plate.corner',
        `${mm(job.plate.corner)} is more than half the plate`,
        `0 to ${mm(Math.min(widthOf(plate), heightOf(plate)) / 2)}`,
      ),
    );
  if (items.length === 0) no.push(refuse('bolts.items', 'there are no bolts', `1 to 60 bolts`));
  const over = Math.max(plate.x0 - base.x0, base.x1 - plate.x1, plate.y0 - base.y0, base.y1 - plate.y1);
  if (over > 1e-6)
    no.push(refuse('plate', `the base hangs over the plate edge by ${mm(over)}`, 'a plate at least as large as the base'));
  if (!contains(panel, { x: 0, y: 0 }))
    no.push(refuse('skin.aft', 'the base centre is not between the bearers', 'bearer distances under the clear spans'));
  if (job.far.kind === 'plate' && (job.far.past ?? 0) > 0) {
    const room = roomBehind(job);
    if (job.far.past! > room + 1e-6)
      no.push(
        refuse(
          'far.past',
          `the backing plate would run into a bearer: ${mm(job.far.past!)} past the plate`,
          `0 to ${mm(Math.max(0, room))}`,
        ),
      );
  }
  const ids = new Set<string>();
  items.forEach((b, i) => {
    const field = `bolts.items.${i} (${b.id})`;
    if (ids.has(b.id)) no.push(refuse(field, 'two bolts have this name', 'each bolt its own name'));
    ids.add(b.id);
    const edge = nearestEdge(plate, b);
    if (edge < d0 / 2)
      no.push(
        refuse(
          field,
          edge < 0
            ? `lies ${mm(-edge)} outside the plate`
            : `its hole breaks through the plate edge (${mm(edge)} from centre to edge)`,
          `at least ${mm(d0 / 2)} from every edge`,
        ),
      );
    items.slice(i + 1).forEach((c) => {
      if (distance(b, c) < d0)
        no.push(
          refuse(
            field,
            `its hole overlaps that of ${c.id} (${mm(distance(b, c))} between centres)`,
            `over ${mm(d0)} between centres`,
          ),
        );
    });
    if (contains(base, b)) {
      if (!baseHoleFor(job, b, size.d)) no.push(underBase(job, b, field, size.d));
    } else {
      const gap = nearestPoint(base, b).gap;
      const need = size.washer.outside / 2;
      if (gap < need - 1e-6)
        no.push(
          refuse(
            field,
            `its washer fouls the base edge (${mm(gap)} from centre to base)`,
            `at least ${mm(need)} clear of the base`,
          ),
        );
    }
  });
  return no;
}

/** Bolts in what must not be drilled: hidden things with their clearance, and existing holes to stay clear of or filled. */
export function keptOut(job: Job, d0: number): Refusal[] {
  const mm = lengthsOf(job);
  return job.bolts.items.flatMap((b, i) => {
    const field = `bolts.items.${i} (${b.id})`;
    const hidden = job.survey.hidden.flatMap((h) => {
      const gap = nearestPoint(upright(h), b).gap;
      const into = h.clear.v + d0 / 2 - gap;
      const what = `${h.what}${h.note ? ` (${h.note})` : ''}`;
      return into > 1e-6
        ? [
            refuse(
              field,
              `its hole is ${mm(into)} into the keep-out zone of the ${what}`,
              `at least ${mm(h.clear.v)} clear of it`,
            ),
          ]
        : [];
    });
    const holes = job.survey.existing.flatMap((h) => {
      if (h.use === 're-use') return [];
      const gap = distance(b, h) - (d0 + h.d.v) / 2;
      return gap < 0 && (h.use === 'stay clear' || distance(b, h) > 1e-6)
        ? [
            refuse(
              field,
              `its hole runs ${mm(-gap)} into existing hole ${h.id}`,
              h.use === 'fill' ? 'clear of it, or on its centre to re-use it' : 'clear of it',
            ),
          ]
        : [];
    });
    return [...hidden, ...holes];
  });
}

function underBase(job: Job, bolt: Point, field: string, d: number): Refusal {
  const mm = lengthsOf(job);
  const near = job.base.holes.find((h) => offHole(job, h, bolt) <= job.base.hole.v);
  if (near && job.base.hole.v < d) {
    const what = job.base.slot.v > 0 ? 'slot' : 'hole';
    return refuse(
      'base.hole',
      `the ${what} is ${mm(job.base.hole.v)} wide, narrower than the ${mm(d)} bolt ${field.replace(/.*\((.*)\)/, '$1')}`,
      `at least ${mm(d)}`,
    );
  }
  return refuse(field, 'stands under the base where the base has no hole', 'on a hole of the base, or clear of the base');
}
