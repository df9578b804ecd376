import type { Joint, Lug, Welds } from '../job/joint';
import type { Job } from '../job/schema';
import { fromSheet, type Quantity } from '../units/quantity';
import { fastenerSize } from '../stock/fasteners';
import { headKind, threadedThrough } from '../stock/heads';
import { formatQuantity } from '../units/format-quantity';
import type { Change } from './changes';

/** Sizes a shop has plug cutters and tube for, mm (common practice). */
const PLUGS = [20, 25, 30, 40, 50, 60, 80, 100];
const TUBES = [16, 20, 25, 30, 40, 50];
const THROATS = [3, 4, 5, 6, 7, 8, 10];
const PINS = [8, 10, 12, 14, 16, 18, 20, 22, 24, 28, 30, 36, 42];
const LUGS = [6, 8, 10, 12, 15, 20, 25, 30, 40];
const STEPS = 4;
/** A lug is at least so many holes wide (common practice): no pin that leaves less is offered. */
const LEAST_WIDTH = 1.5;

const above = (list: readonly number[], than: number) => list.filter((x) => x > than + 1e-6).slice(0, STEPS);

/** Small changes to how the joint is held together, its welds and its lug. */
export function jointChanges(job: Job): Change[] {
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  const put = (v: number): Quantity => fromSheet(v, mm(v));
  const joint = (kind: string, words: string, x: Partial<Joint>): Change => ({
    kind,
    words,
    job: { ...job, joint: { ...job.joint, ...x } },
  });
  return [...betweenParts(job, joint, put, mm), ...held(job, joint), ...weldChanges(job, put, mm), ...lugChanges(job, put, mm)];
}

type Put = (v: number) => Quantity;
type Words = (v: number) => string;
type OfJoint = (kind: string, words: string, x: Partial<Joint>) => Change;

function betweenParts(job: Job, joint: OfJoint, put: Put, mm: Words): Change[] {
  const { joint: j, skin } = job;
  const d = fastenerSize(job.bolts.size)?.d ?? 0;
  const out: Change[] = [];
  if (skin.kind === 'sandwich') {
    const now = j.sleeve === 'plug' ? j.tubeOutside.v : 2 * d - 1e-3;
    for (const D of PLUGS.filter((x) => x > now))
      out.push(joint('plug', `solid plugs of ${mm(D)} through the core`, { sleeve: 'plug', tubeOutside: put(D) }));
  }
  if (skin.kind === 'hollow' || j.sleeve === 'sleeve') {
    const now = j.sleeve === 'sleeve' ? j.tubeOutside.v : d + 2;
    for (const D of above(TUBES, now))
      out.push(
        joint('sleeve', `a sleeve ${mm(D)} × ${mm(3)} round each bolt`, {
          sleeve: 'sleeve',
          tubeOutside: put(D),
          tubeWall: put(3),
        }),
      );
  }
  if (j.packing === 'spacers') {
    for (const D of above(TUBES, j.tubeOutside.v)) out.push(joint('spacer', `spacers of ${mm(D)}`, { tubeOutside: put(D) }));
    out.push(joint('packing', 'a solid packer instead of spacers', { packing: 'packer' }));
  }
  if (j.packing !== 'spacers' && j.bedding !== 'bonded' && levelled(job))
    out.push(joint('bedding', 'what the packers leave under the plate filled and glued', { bedding: 'bonded' }));
  if (j.place !== 'not said' && !j.isolated)
    out.push(joint('isolate', 'metals kept apart by sleeves and washers that do not conduct', { isolated: true }));
  return out;
}

/** Whether packers level the plate, so that it stands on them and not on all of what is under it. */
const levelled = ({ survey, bolts }: Job): boolean => survey.shims.length > 0 || bolts.items.some((b) => b.packed);

function held(job: Job, joint: OfJoint): Change[] {
  const { joint: j } = job;
  const out: Change[] = [];
  if (j.holding === 'nut' || j.holding === 'U-bolt')
    out.push(joint('captive', 'captive nuts behind', { holding: 'captive nut' }));
  if (j.holding === 'lag screw' || j.holding === 'tapped' || j.holding === 'rivet nut')
    out.push(joint('through', 'bolts right through, with nuts', { holding: 'nut' }));
  if (j.inPlane === 'thread' && !threadedThrough(j.head))
    out.push(joint('shank', 'plain shanks where the parts slide', { inPlane: 'shank' }));
  if (j.tightening !== 'snug') out.push(joint('snug', 'snug bolts that bear on their holes', { tightening: 'snug' }));
  if (headKind(j.head).sunk) out.push(joint('head', 'hexagon heads', { head: 'hexagon' }));
  return out;
}

function weldChanges(job: Job, put: Put, mm: Words): Change[] {
  const { welds: w } = job;
  const change = (kind: string, words: string, x: Partial<Welds>): Change => ({
    kind,
    words,
    job: { ...job, welds: { ...w, ...x } },
  });
  const out: Change[] = [];
  if (w.fitting !== 'none') {
    for (const a of above(THROATS, w.fittingThroat.v))
      out.push(change('throat', `fitting weld a ${mm(a)}`, { fittingThroat: put(a) }));
    if (w.fitting !== 'all round') out.push(change('round', 'fitting welded all round', { fitting: 'all round' }));
    for (const a of THROATS.filter((x) => x < w.fittingThroat.v)
      .reverse()
      .slice(0, 2))
      out.push(change('smaller', `fitting weld a ${mm(a)}`, { fittingThroat: put(a) }));
  }
  if (w.doubler !== 'none' && w.doubler !== 'plugs') {
    for (const a of above(THROATS, w.doublerThroat.v))
      out.push(change('doubler', `doubler weld a ${mm(a)}`, { doublerThroat: put(a) }));
    for (const a of THROATS.filter((x) => x < w.doublerThroat.v)
      .reverse()
      .slice(0, 2))
      out.push(change('smaller', `doubler weld a ${mm(a)}`, { doublerThroat: put(a) }));
    if (w.doubler === 'stitched') out.push(change('unbroken', 'doubler welded all round', { doubler: 'all round' }));
  }
  if (w.doubler === 'plugs') out.push(change('edge weld', 'doubler stitched round its edge', { doubler: 'stitched' }));
  return out;
}

function lugChanges(job: Job, put: Put, mm: Words): Change[] {
  const { lug } = job;
  if (!lug) return [];
  const change = (kind: string, words: string, x: Partial<Lug>): Change => ({
    kind,
    words,
    job: { ...job, lug: { ...lug, ...x } },
  });
  const play = lug.hole.v - lug.pin.v;
  return [
    ...(lug.shear === 'single'
      ? [change('tab', 'a support tab on the far end of the pin', { shear: 'single with support tab' })]
      : []),
    ...above(PINS, lug.pin.v)
      .filter((D) => D + play <= lug.width.v / LEAST_WIDTH)
      .map((D) => change('pin', `pin of ${mm(D)}, hole with it`, { pin: put(D), hole: put(D + play) })),
    ...above(LUGS, lug.thickness.v).map((t) => change('lug', `lug of ${mm(t)}`, { thickness: put(t) })),
    ...[1.25, 1.5, 2].map((k) =>
      change('end', `${mm(Math.ceil(lug.end.v * k))} in front of the hole`, { end: put(Math.ceil(lug.end.v * k)) }),
    ),
    ...[1.25, 1.5, 2].map((k) =>
      change('width', `lug ${mm(Math.ceil(lug.width.v * k))} wide`, { width: put(Math.ceil(lug.width.v * k)) }),
    ),
    ...[3, 4, 6, 8].map((t) => change('cheeks', `cheek plates of ${mm(t)} on both sides`, { cheek: put(t) })),
  ];
}
