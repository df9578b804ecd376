import { distance, type Point } from '../geometry/points';
import { cornersOf } from '../geometry/polygons';
import { outlineFault } from '../geometry/outline';
import { contains, heightOf, nearestEdge, nearestPoint, upright, widthOf } from '../geometry/rects';
import { loopPoints, edgeDistance } from '../geometry/region';
import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { bearerRefusals } from './bearer-refusals';
import { flangeRefusals } from './flange';
import { longBaseRefusals } from './long-base';
import { madeHoleRefusals } from './made-hole-refusals';
import { atBolt, eachKind } from './of-kind';
import { onePanelRefusals } from './one-panel';
import { ownHoleRefusals } from './own-hole-refusals';
import { apart, edgeOf } from './placed-holes';
import { spreadRulesOf } from './spread-rules';
import { stripRows } from './strips';
import { edgeLength, edgeName, plateCorners } from './weld-lines';
import { weldedAlongEdges, type Resolved } from './resolved';
import type { Job } from './schema';

/** How far a point is from the middle line of a base hole or slot; 0 on it. */
function offHole(job: Job, h: Point, p: Point): number {
  const run = job.base.slot.v / 2;
  const [sx, sy] = job.base.slotAlong === 'x' ? [run, 0] : [0, run];
  return Math.hypot(Math.max(0, Math.abs(p.x - h.x) - sx), Math.max(0, Math.abs(p.y - h.y) - sy));
}

/** Diameter of a base hole, or width of its slot, mm. */
const wide = (job: Job, h: Job['base']['holes'][number]): number => (h.d ?? job.base.hole).v;

/** The base hole or slot a bolt goes through, if any: its centre within the slot's range plus the clearance. */
export function baseHoleFor(job: Job, bolt: Point, d: number): Job['base']['holes'][number] | undefined {
  return job.base.holes.find((h) => offHole(job, h, bolt) <= (wide(job, h) - d) / 2 + 1e-6);
}

/** Lengths in a refusal read in the job's own unit. */
const lengthsOf = (job: Job) => (v: number) => formatQuantity(v, 'length', job.units);

/** What cannot be made of skin, plate, base and bolts, each by its field with what is allowed. */
export function layoutRefusals(r: Resolved): Refusal[] {
  const mm = lengthsOf(r.job);
  const no = [
    ...longBaseRefusals(r.job),
    ...onePanelRefusals(r),
    ...skinRefusals(r),
    ...plateRefusals(r),
    ...madeHoleRefusals(r.plateHoles, r.outline, 'plate.holes', mm, 'the plate'),
    ...r.bolts.flatMap((_, i) => boltRefusals(r, i)),
  ];
  // What is off its plate, or is no plate, need not be told that it fouls a bearer besides.
  return no.length > 0 ? no : bearerRefusals(r);
}

function skinRefusals(r: Resolved): Refusal[] {
  const mm = lengthsOf(r.job);
  const s = r.substrate;
  const no: Refusal[] = [];
  if (s.kind === 'sandwich' && s.nearFace + s.farFace >= s.thickness)
    no.push(
      refuse(
        'skin.nearFace',
        `the faces together, ${mm(s.nearFace + s.farFace)}, leave no core in ${mm(s.thickness)}`,
        `faces of under ${mm(s.thickness)} together`,
      ),
    );
  if (s.kind === 'hollow' && (2 * s.wall >= s.thickness || 2 * s.wall >= s.width))
    no.push(refuse('skin.wall', `two walls of ${mm(s.wall)} fill the section`, 'a wall under half the depth and the width'));
  if (s.kind === 'hollow' && s.form === 'round' && Math.abs(s.width - s.thickness) > 1e-6)
    no.push(
      refuse(
        'skin.width',
        `a round tube ${mm(s.thickness)} deep is no ${mm(s.width)} wide`,
        'the same as its depth: the outside diameter',
      ),
    );
  no.push(...flangeRefusals(r));
  if (!contains(r.panel, { x: 0, y: 0 }))
    no.push(refuse('skin.aft', 'the base centre is not between the bearers', 'bearer distances under the clear spans'));
  return no;
}

function plateRefusals(r: Resolved): Refusal[] {
  const { job, plate, base } = r;
  const mm = lengthsOf(job);
  if (r.shaped) return shapeRefusals(r);
  const no: Refusal[] = [];
  const half = Math.min(widthOf(plate), heightOf(plate)) / 2;
  if (half <= 0) no.push(refuse('plate', 'the outline has no area', 'x1 over x0 and y1 over y0'));
  else if (job.plate.corner > half)
    no.push(refuse('plate.corner', `${mm(job.plate.corner)} is more than half the plate`, `0 to ${mm(half)}`));
  if (heldByNothing(r)) no.push(NO_BOLTS);
  const over = Math.max(plate.x0 - base.x0, base.x1 - plate.x1, plate.y0 - base.y0, base.y1 - plate.y1);
  const cut = Math.max(...cornersOf(base).map((c) => -edgeDistance(r.outline, c)));
  if (over > 1e-6)
    no.push(refuse('plate', `the base hangs over the plate edge by ${mm(over)}`, 'a plate at least as large as the base'));
  else if (no.length === 0 && cut > 1e-6)
    no.push(
      refuse(
        'plate.corner',
        `the base hangs over the plate’s rounded corner by ${mm(cut)}`,
        'a smaller radius, or a larger plate',
      ),
    );
  return [...no, ...behindRefusals(r)];
}

const NO_BOLTS = refuse(
  'bolts.items',
  'there are no bolts',
  '1 to 60 bolts, or the plate welded to a metal skin along its edges',
);

/** Nothing holds the plate: no bolt, and no weld along an edge. */
const heldByNothing = (r: Resolved): boolean => r.bolts.length === 0 && !weldedAlongEdges(r);

/** What cannot be said of weld lines. */
function weldRefusals({ job }: Resolved): Refusal[] {
  const { doubler, lines = [] } = job.welds;
  if (doubler !== 'lines') return [];
  if (lines.length === 0) return [refuse('welds.lines', 'no edge is welded', 'at least one edge of the plate')];
  const mm = lengthsOf(job);
  const edges = plateCorners(job).length;
  return lines.flatMap((l, i) => {
    const field = `welds.lines.${i}`;
    if (l.edge >= edges) return [refuse(field, `the plate has no edge ${l.edge + 1}`, `1 to ${edges}`)];
    const long = edgeLength(job, l.edge);
    return l.start + l.end > long - 1
      ? [
          refuse(
            field,
            `${mm(l.start + l.end)} is left bare of the ${edgeName(job, l.edge)}, which is ${mm(long)} long`,
            `under ${mm(Math.max(0, long - 1))}`,
          ),
        ]
      : [];
  });
}

/** What cannot be made of a plate that is no rectangle. */
function shapeRefusals(r: Resolved): Refusal[] {
  const { job, base } = r;
  const mm = lengthsOf(job);
  const outline = job.plate.outline!;
  const fault = outlineFault(outline);
  if (fault)
    return [
      refuse('plate.outline', fault, 'a closed outline, anticlockwise, whose corners and openings leave metal between them'),
    ];
  const no: Refusal[] = [];
  if (heldByNothing(r)) no.push(NO_BOLTS);
  const hangs = Math.max(...cornersOf(base).map((c) => -edgeDistance(r.outline, c)));
  // An edge or an opening may run in under the base between its corners.
  const into = Math.max(0, ...[r.outline.outer, ...r.outline.openings].flatMap(loopPoints).map((p) => nearestEdge(base, p)));
  const off = Math.max(hangs, into);
  if (off > 1e-6)
    no.push(refuse('plate.outline', `the base hangs over the plate’s edge by ${mm(off)}`, 'metal under all of the base'));
  if (job.plate.fold)
    no.push(refuse('plate.fold', 'a bent edge on a plate that is no rectangle', 'a rectangle, or no bent edge'));
  if (spreadRulesOf(job).taper)
    no.push(refuse('spread.taper', 'a taper on a plate that is no rectangle', 'a rectangle, or no taper'));
  return [...no, ...behindRefusals(r)];
}

/** What cannot be made on the far side. */
function behindRefusals(r: Resolved): Refusal[] {
  const { job } = r;
  const mm = lengthsOf(job);
  const no: Refusal[] = weldRefusals(r);
  if (r.bolts.length === 0 && weldedAlongEdges(r) && 'metal' in job.far)
    no.push(
      refuse('far.kind', 'there is no bolt to hold what is on the far side', 'washers, where the plate is held by its welds'),
    );
  if (job.far.kind === 'strips') {
    const spread = Math.max(0, ...stripRows(job).map((s) => s.to - s.from));
    const need = spread + Math.max(...eachKind(r).map((k) => k.d0));
    if (spread > 0 && need > job.far.width.v + 1e-6)
      no.push(
        refuse(
          'far.width',
          `rows ${mm(spread)} apart do not lie under one strip ${mm(job.far.width.v)} wide, and two would overlap`,
          `over ${mm(need)}, or under the least distance of two rows`,
        ),
      );
  }
  return no;
}

/** What cannot be made at one bolt. */
function boltRefusals(r: Resolved, i: number): Refusal[] {
  const { job, bolts, d0, base, size } = atBolt(r, i);
  const mm = lengthsOf(job);
  const b = bolts[i]!;
  const field = `bolts.items.${i} (${b.id})`;
  const no: Refusal[] = [];
  if (bolts.findIndex((o) => o.id === b.id) < i) no.push(refuse(field, 'two bolts have this name', 'each bolt its own name'));
  const under = job.bolts.items[i]!.packed?.v ?? 0;
  if (under > 0 && job.joint.packing === 'none')
    no.push(
      refuse(
        field,
        `${mm(under)} is written to stand under the plate at it, and the joint has no packing`,
        'a packer or spacers, or nothing there',
      ),
    );
  no.push(...ownHoleRefusals(r, i));
  const edge = edgeOf(r, i);
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
  bolts.slice(i + 1).forEach((c, k) => {
    const need = (d0 + atBolt(r, i + 1 + k).d0) / 2;
    const gap = apart(r, i, i + 1 + k);
    if (gap < need)
      no.push(
        refuse(field, `its hole overlaps that of ${c.id} (${mm(gap)} between centres)`, `over ${mm(need)} between centres`),
      );
  });
  if (b.throughBase) {
    if (!baseHoleFor(job, b, size.d)) no.push(underBase(job, b, field, size.d));
    return no;
  }
  const gap = nearestPoint(base, b).gap;
  const need = size.washer.outside / 2;
  if (gap < need - 1e-6)
    no.push(
      refuse(field, `its washer fouls the base edge (${mm(gap)} from centre to base)`, `at least ${mm(need)} clear of the base`),
    );
  return no;
}

/** A cavity that this bolt may cross: by a hatch all may, by sleeve or plug those that have it. */
const crossedAt = (h: Job['survey']['hidden'][number], sleeve: Job['joint']['sleeve']): boolean =>
  h.what === 'cavity of unknown depth' && h.crossed !== undefined && (h.crossed === 'hatch' || h.crossed === sleeve);

/** Bolts in what must not be drilled: hidden things with their clearance, and existing holes to stay clear of or filled. */
export function keptOut(r: Resolved): Refusal[] {
  const { job } = r;
  const mm = lengthsOf(job);
  return r.bolts.flatMap((b, i) => {
    const { d0, joint } = atBolt(r, i);
    const field = `bolts.items.${i} (${b.id})`;
    const hidden = job.survey.hidden.flatMap((h) => {
      if (crossedAt(h, joint.sleeve)) return [];
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
  const near = job.base.holes.find((h) => offHole(job, h, bolt) <= wide(job, h));
  if (near && wide(job, near) < d) {
    const what = job.base.slot.v > 0 ? 'slot' : 'hole';
    return refuse(
      'base.hole',
      `the ${what} is ${mm(wide(job, near))} wide, narrower than the ${mm(d)} bolt ${field.replace(/.*\((.*)\)/, '$1')}`,
      `at least ${mm(d)}`,
    );
  }
  return refuse(field, 'stands under the base where the base has no hole', 'on a hole of the base, or clear of the base');
}
