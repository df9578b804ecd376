import fc from 'fast-check';
import type { Point } from '../geometry/points';
import { newLug } from '../job/plain-joint';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { fastenerSize } from '../stock/fasteners';
import { randomJob } from './random-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const q = (v: number) => fromSheet(v, '');
const real = (min: number, max: number) => fc.integer({ min: 0, max: 1000 }).map((k) => min + ((max - min) * k) / 1000);
const maybe = <T>(of: fc.Arbitrary<T>, outOf = 2) =>
  fc.option(of, { nil: undefined, freq: outOf - 1 }) as fc.Arbitrary<T | undefined>;

/** What a joint may have besides what `randomJob` draws: each one drawn or left out. */
const more = fc.record({
  skin: fc.constantFrom('as drawn', 'as drawn', 'as drawn', 'as drawn', 'timber', 'timber', 'bed', 'hollow', 'beam'),
  member: fc.tuple(fc.integer({ min: 45, max: 140 }), fc.constantFrom('x' as const, 'y' as const), real(0.3, 0.9)),
  layers: fc.constantFrom(1, 1, 2),
  opening: maybe(fc.tuple(fc.integer({ min: 0, max: 3 }), real(0.15, 0.85), real(0.04, 0.25), real(0.1, 0.7)), 3),
  waist: maybe(fc.tuple(fc.constantFrom('x' as const, 'y' as const), real(0.2, 1), real(0.2, 0.8)), 4),
  packing: fc.constantFrom('none', 'none', 'packer', 'spacers'),
  packer: real(4, 40),
  inner: maybe(fc.constant(true), 3),
  fit: fc.constantFrom('fine', 'medium', 'coarse'),
  slots: maybe(fc.tuple(real(1.2, 2.5), real(-3.1, 3.1)), 6),
  baseSlot: maybe(fc.tuple(real(1, 12), fc.constantFrom('x' as const, 'y' as const)), 6),
  head: fc.constantFrom('hexagon', 'hexagon', 'carriage', 'countersunk'),
  tightening: fc.constantFrom('snug', 'snug', 'to torque', 'slip resistant'),
  bedding: fc.constantFrom('dry', 'dry', 'bonded'),
  doubler: fc.constantFrom('none', 'none', 'all round', 'stitched', 'plugs'),
  fitting: fc.constantFrom('none', 'none', 'all round', 'fore and aft edges', 'side edges'),
  lug: maybe(fc.constantFrom('x' as const, 'y' as const), 3),
  limit: fc.constantFrom(0, 0, 250),
  /** Whether what cannot go together may stand together, and be refused. */
  anyHow: fc.constantFrom(false, false, false, true),
  across: real(0.2, 1.5),
});
type More = typeof more extends fc.Arbitrary<infer T> ? T : never;

function skinOf(job: Job, { skin, member: [deep, way, part] }: More): Job['skin'] {
  const { thickness: _t, ...rest } = job.skin;
  const { spanX, spanY, aft, starboard, bedModulus } = rest;
  const panel = { spanX, spanY, aft, starboard, bedModulus };
  const long = Math.max(job.plate.x1 - job.plate.x0, job.plate.y1 - job.plate.y0);
  const width = mm(Math.ceil((job.plate.y1 - job.plate.y0) / (0.4 + 0.6 * part)));
  switch (skin) {
    case 'timber':
      return { kind: 'timber', grade: 'C24', grain: way, endGrain: mm(600), thickness: mm(deep), ...panel };
    case 'bed':
      return { kind: 'bed', strength: q(25), thickness: mm(3 * deep), ...panel };
    case 'hollow':
      return {
        kind: 'hollow',
        metal: 'S355',
        wall: mm(Math.max(4, Math.ceil(long / 32))),
        width,
        through: way === 'x' ? 'one wall' : 'both walls',
        ...panel,
        thickness: mm(deep),
      };
    case 'beam':
      return {
        kind: 'flange',
        of: 'beam',
        metal: 'S355',
        width,
        web: mm(8),
        depth: mm(2 * deep),
        webAt: 'port',
        ...panel,
        thickness: mm(Math.round(4 + 16 * part)),
      };
    default:
      return job.skin;
  }
}

const corner = (p: Point) => ({ ...p, make: 'sharp' as const, size: 0, bulge: 0 });

/** The plate with a waist on both sides and an opening, where either is drawn. */
function outlineOf(job: Job, { opening, waist }: More): Job['plate']['outline'] {
  if (!opening && !waist) return undefined;
  const { plate, base } = job;
  const { x0, x1, y0, y1 } = plate;
  const corners: Point[] = [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
  if (waist) {
    const [axis, deep, at] = waist;
    const notch = (from: Point, to: Point, inward: Point): Point[] =>
      (
        [
          [-0.1, 0],
          [-0.06, 1],
          [0.06, 1],
          [0.1, 0],
        ] as const
      ).map(([k, part]) => ({
        x: from.x + (to.x - from.x) * (at + k) + part * inward.x,
        y: from.y + (to.y - from.y) * (at + k) + part * inward.y,
      }));
    // As deep as leaves the base on it.
    const [inX, inY] = [
      deep * Math.min(x1 - base.length.v / 2, -x0 - base.length.v / 2),
      deep * Math.min(y1 - base.width.v / 2, -y0 - base.width.v / 2),
    ];
    if (axis === 'x') {
      corners.splice(3, 0, ...notch(corners[2]!, corners[3]!, { x: 0, y: -inY }));
      corners.splice(1, 0, ...notch(corners[0]!, corners[1]!, { x: 0, y: inY }));
    } else {
      corners.splice(4, 0, ...notch(corners[3]!, corners[0]!, { x: inX, y: 0 }));
      corners.splice(2, 0, ...notch(corners[1]!, corners[2]!, { x: -inX, y: 0 }));
    }
  }
  return { corners: corners.map(corner), openings: opening ? [openingOf(job, opening)] : [] };
}

/** A rectangle cut out of the plate beside the base: on which side, where along it, how long and how deep in parts of what is clear. */
function openingOf({ plate, base }: Job, [side, along, long, deep]: NonNullable<More['opening']>) {
  const { x0, x1, y0, y1 } = plate;
  const [X, Y] = [base.length.v / 2, base.width.v / 2];
  const [fore, across] = [
    { low: side === 2 ? x0 : X, high: side === 2 ? -X : x1 },
    { low: side === 3 ? y0 : Y, high: side === 3 ? -Y : y1 },
  ];
  const within = (low: number, high: number, at: number, part: number) => {
    const [mid, half] = [low + at * (high - low), (part * (high - low)) / 2];
    return [mid - half, mid + half] as const;
  };
  const [ax, bx] = side % 2 === 0 ? within(fore.low, fore.high, 0.5, deep) : within(x0, x1, along, long);
  const [ay, by] = side % 2 === 0 ? within(y0, y1, along, long) : within(across.low, across.high, 0.5, deep);
  return [
    { x: ax, y: ay },
    { x: bx, y: ay },
    { x: bx, y: by },
    { x: ax, y: by },
  ].map(corner);
}

/** Bolts of the fitting's own within the pattern, through holes of its base. */
function withInner(job: Job, inner: boolean | undefined): Job {
  if (!inner || job.base.holes.length > 0) return job;
  const [x, y] = [0.3 * job.base.length.v, 0.3 * job.base.width.v];
  const at = [
    { x: -x, y: -y },
    { x, y: -y },
    { x, y },
    { x: -x, y },
  ];
  return {
    ...job,
    base: { ...job.base, holes: at.map((p, i) => ({ id: `H${i + 1}`, ...p })) },
    bolts: { ...job.bolts, items: [...job.bolts.items, ...at.map((p, i) => ({ id: `N${i + 1}`, ...p }))] },
  };
}

const STEEL = ['S235', 'S355'];

/** What the trade would put together: friction in steel with bolts for it, glue under a rectangle, steel welded to steel. */
function together(job: Job, x: More): More {
  const skin = skinOf(job, x);
  const steel = STEEL.includes(job.plate.metal);
  const steelSkin = 'metal' in skin && STEEL.includes(skin.metal);
  const clamped = skin.kind === 'sheet' && ['8.8', '10.9'].includes(job.bolts.class) && x.head === 'hexagon';
  const tightening = x.tightening === 'slip resistant' && !clamped ? 'snug' : x.tightening;
  const slips = tightening !== 'slip resistant';
  const panel = !['timber', 'hollow', 'flange'].includes(skin.kind);
  return {
    ...x,
    tightening: skin.kind === 'hollow' ? 'snug' : tightening,
    bedding: x.opening || x.waist ? 'dry' : x.bedding,
    fitting: steel ? x.fitting : 'none',
    doubler: steel && steelSkin ? x.doubler : 'none',
    slots: slips ? undefined : x.slots,
    baseSlot: slips ? undefined : x.baseSlot,
    limit: panel ? x.limit : 0,
  };
}

function withMore([drawn, given]: readonly [Job, More]): Job {
  const job = withInner(drawn, given.inner);
  const x = given.anyHow ? given : together(job, given);
  const { d } = fastenerSize(job.bolts.size)!;
  const outline = outlineOf(job, x);
  const skin = skinOf(job, x);
  const metalSkin = skin.kind === 'sheet' || skin.kind === 'hollow' || skin.kind === 'flange';
  const held = skin.kind === 'timber' || skin.kind === 'bed' ? 'nut' : job.joint.holding;
  return {
    ...job,
    skin,
    base: { ...job.base, ...(x.baseSlot ? { slot: mm(x.baseSlot[0]), slotAlong: x.baseSlot[1] } : {}) },
    plate: { ...job.plate, layers: x.layers, ...(outline ? { outline, corner: 0 } : {}) },
    bolts: {
      ...job.bolts,
      fit: x.fit as 'fine',
      items: job.bolts.items.map((b, i) =>
        x.slots && i % 2 === 0 ? { ...b, holes: { slot: mm(x.slots[0] * 1.2 * d), turn: x.slots[1] } } : b,
      ),
    },
    joint: {
      ...job.joint,
      holding: held,
      packing: x.packing as 'none',
      packer: mm(x.packer),
      ...(x.packing === 'spacers' ? { tubeOutside: mm(2.2 * d), tubeWall: mm(0.4 * d) } : {}),
      head: x.head as 'hexagon',
      tightening: x.tightening as 'snug',
      bedding: x.bedding as 'dry',
    },
    welds: { ...job.welds, fitting: x.fitting as 'none', doubler: metalSkin ? (x.doubler as 'none') : 'none' },
    ...(x.lug ? { lug: { ...newLug(), along: x.lug } } : {}),
    limits: { ...job.limits, ratio: q(x.limit) },
    loads: job.loads.map((l) => {
      // Along the plan it is pushed as hard as a small fitting is, and twisted.
      const { fx, fy, mz } = l.values;
      const put = { fx: q(x.across * fx!.v), fy: q(x.across * fy!.v), mz: q((mz?.v ?? 0) + 20 * x.across * fx!.v) };
      return { ...l, values: { ...l.values, ...put } };
    }),
  };
}

/**
 * A joint of any skin there is, with what a drawn plate, a fitting with bolts of its own, spacers, slots, welds and a lug bring besides:
 * whole, often unsound, and refused where parts of it contradict each other.
 */
export const anyJob: fc.Arbitrary<Job> = fc.tuple(randomJob, more).map(withMore);

/** Whether it may be turned a quarter round: sections run fore and aft. */
export const runsAnyWay = (job: Job): boolean => job.skin.kind !== 'hollow' && job.skin.kind !== 'flange';
