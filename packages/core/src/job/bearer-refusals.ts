import type { Point, Rect } from '../geometry/points';
import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { atBolt } from './of-kind';
import { clearBehind, farOutlineOf, roomBehind } from './outlines';
import type { Resolved } from './resolved';
import { stripsOf } from './strips';

interface Over {
  readonly bearer: string;
  readonly by: number;
}

/** The bearer that a thing on the far side lies over most, and how far; mm. */
function mostOver(thing: Rect, clear: Rect): Over | undefined {
  const all: readonly Over[] = [
    { bearer: 'aft', by: clear.x0 - thing.x0 },
    { bearer: 'fore', by: thing.x1 - clear.x1 },
    { bearer: 'starboard', by: clear.y0 - thing.y0 },
    { bearer: 'port', by: thing.y1 - clear.y1 },
  ];
  const most = all.reduce((a, b) => (b.by > a.by ? b : a));
  return most.by > 1e-6 ? most : undefined;
}

const round = ({ x, y }: Point, half: number): Rect => ({ x0: x - half, x1: x + half, y0: y - half, y1: y + half });

/** What is to lie on the far side where a bearer is: it cannot be put together. */
export function bearerRefusals(r: Resolved): Refusal[] {
  const { job } = r;
  const clear = clearBehind(job);
  if (!clear) return [];
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  return [...backingRefusals(r, clear, mm), ...r.bolts.flatMap((_, i) => boltRefusal(r, i, clear, mm))];
}

type Words = (v: number) => string;

function backingRefusals({ job }: Resolved, clear: Rect, mm: Words): Refusal[] {
  const { far } = job;
  const things = far.kind === 'plate' ? [farOutlineOf(job)] : stripsOf(job);
  const over = things.flatMap((t) => mostOver(t, clear) ?? []);
  if (over.length === 0) return [];
  const { bearer, by } = over.reduce((a, b) => (b.by > a.by ? b : a));
  if (far.kind === 'plate' && (far.past ?? 0) > 0 && roomBehind(job) >= 0)
    return [
      refuse(
        'far.past',
        `the backing plate would run into a bearer: ${mm(far.past!)} past the plate, ${mm(by)} onto the ${bearer} one`,
        `0 to ${mm(roomBehind(job))}`,
      ),
    ];
  const what = far.kind === 'plate' ? 'the backing plate' : 'a backing strip';
  return [
    refuse(
      'far.kind',
      `${what} would lie ${mm(by)} onto the ${bearer} bearer, and not flat on the skin`,
      `a mounting plate that ends ${mm(by)} sooner there, or washers under the nuts; no bearer there: say so under Spread`,
    ),
  ];
}

/** Half of what must be clear of a bearer behind the skin: the washer under a nut, or the hole of what holds in the skin's own back; 0 for what does not come through. */
function needBehind(r: Resolved, i: number): number {
  const { joint, far, skinHole, washerOutside } = atBolt(r, i);
  switch (joint.holding) {
    case 'stud':
    case 'lag screw':
      return 0;
    case 'nut':
    case 'captive nut':
    case 'weld nut':
    case 'nut plate':
      return Math.max(far.kind === 'washer' ? far.outside : washerOutside, skinHole) / 2;
    default:
      return skinHole / 2;
  }
}

function boltRefusal(r: Resolved, i: number, clear: Rect, mm: Words): Refusal[] {
  const b = r.bolts[i]!;
  const half = needBehind(r, i);
  const over = half > 0 ? mostOver(round(b, half), clear) : undefined;
  if (!over) return [];
  const what = over.by >= half ? 'it stands on' : 'what holds it behind the skin fouls';
  return [
    refuse(
      `bolts.items.${i} (${b.id})`,
      `${what} the ${over.bearer} bearer`,
      `at least ${mm(half)} from the bearer’s edge; no bearer there: say so under Spread`,
    ),
  ];
}
