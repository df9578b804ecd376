import { holeAcross, holesAt } from '@core/job/bolt-holes';
import { lagAt, type Lag } from '@core/job/lag';
import { atBolt } from '@core/job/of-kind';
import { packedUnder } from '@core/job/packed-under';
import type { Bolt, Job } from '@core/job/schema';
import { isResolved, resolve } from '@core/job/resolve';
import { lengthFor, nutHeightFor } from '@core/shop/bolt-length';
import type { FastenerSize } from '@core/stock/fasteners';
import { headDepth } from '@core/stock/heads';
import { LAG_PILOT, rivetNutHole, tapDrill, weldNutHole } from '@core/stock/tap-drills';
import { levelsOf, throughBase, type Levels } from './section-levels';

/** A piece of the drawing: SVG path data, mm, and what it is made of. */
export interface Shape {
  readonly of: 'hole' | 'shank' | 'head' | 'nut' | 'washer' | 'weld' | 'insert' | 'plain';
  readonly d: string;
}

/** The bolt cut along its axis. Heights grow downwards from the plate's near face, mm. */
export interface SectionBolt {
  readonly x: number;
  readonly shapes: readonly Shape[];
  readonly thread: string;
  readonly top: number;
  readonly end: number;
}

const box = (x: number, half: number, top: number, bottom: number): string =>
  `M${x - half} ${top}H${x + half}V${bottom}H${x - half}Z`;
/** A ring cut: two boxes beside the shank. */
const ring = (x: number, inner: number, outer: number, top: number, bottom: number): string =>
  `M${x - outer} ${top}H${x - inner}V${bottom}H${x - outer}ZM${x + inner} ${top}H${x + outer}V${bottom}H${x + inner}Z`;

/** What stands on the near face: head with its washer, or nut on studding. */
function headShapes(job: Job, x: number, size: FastenerSize, under: number): { shapes: Shape[]; top: number } {
  // A welded stud has its nut on this side.
  const head = job.joint.holding === 'stud' ? 'studding' : job.joint.head;
  const { d, acrossFlats, headHeight, washer } = size;
  const laid: Shape = { of: 'washer', d: ring(x, d / 2, washer.outside / 2, under - washer.thickness, under) };
  const on = under - washer.thickness;
  const half = acrossFlats / 2;
  switch (head) {
    case 'countersunk': {
      const deep = headDepth(head, size);
      // 90° included: as wide again as it is deep, each side.
      const wide = d / 2 + deep;
      return {
        shapes: [{ of: 'head', d: `M${x - wide} ${under}H${x + wide}L${x + d / 2} ${under + deep}H${x - d / 2}Z` }],
        top: under,
      };
    }
    case 'carriage': {
      const high = 0.55 * d;
      const dome = `M${x - d} ${under}Q${x - d} ${under - high} ${x} ${under - high}Q${x + d} ${under - high} ${x + d} ${under}Z`;
      return { shapes: [{ of: 'head', d: dome }], top: under - high };
    }
    case 'socket':
      return { shapes: [laid, { of: 'head', d: box(x, 0.75 * d, on - d, on) }], top: on - d };
    case 'studding': {
      const high = nutHeightFor(job.joint.nutKind, size);
      const past = on - high - 2 * size.pitch;
      return { shapes: [laid, { of: 'nut', d: box(x, half, on - high, on) }], top: past };
    }
    default:
      return { shapes: [laid, { of: 'head', d: box(x, half, on - headHeight, on) }], top: on - headHeight };
  }
}

/** What holds the bolt at its far end. `end` as drawn, `hole` down to where the clearance hole goes, half widths of what is narrower. */
interface Held {
  readonly shapes: readonly Shape[];
  readonly end: number;
  /** The clearance hole ends here. */
  readonly clear: number;
  /** Past it, the hole of the thread, to here. */
  readonly drilled?: { readonly d: number; readonly to: number };
  readonly threadFrom: number;
  readonly pointed: boolean;
}

function nutted(job: Job, x: number, size: FastenerSize, { far }: Levels): Held {
  const { holding, nutKind } = job.joint;
  const high = nutHeightFor(nutKind, size);
  const half = size.acrossFlats / 2;
  const direct = holding === 'weld nut' || holding === 'captive nut' || holding === 'nut plate';
  const washer =
    job.far.kind === 'plate washer'
      ? { outside: job.far.outside.v, thickness: job.far.thickness.v }
      : job.far.kind === 'large washer'
        ? size.largeWasher
        : size.washer;
  const on = direct ? far : far + washer.thickness;
  const shapes: Shape[] = direct ? [] : [{ of: 'washer', d: ring(x, size.d / 2, washer.outside / 2, far, on) }];
  const nut = on + (nutKind === 'jam' ? 0.5 * size.d : 0);
  if (nut > on) shapes.push({ of: 'nut', d: box(x, half, on, nut) });
  shapes.push({ of: 'nut', d: box(x, half, nut, on + high) });
  const leg = 0.3 * size.d;
  if (holding === 'weld nut')
    shapes.push({
      of: 'weld',
      d: `M${x - half} ${far}h${-leg}l${leg} ${leg}ZM${x + half} ${far}h${leg}l${-leg} ${leg}Z`,
    });
  if (holding === 'nut plate' || holding === 'captive nut')
    shapes.push({ of: 'plain', d: ring(x, half, half + 0.9 * size.d, far, far + 0.15 * size.d) });
  const end = on + high + 2 * size.pitch;
  const collar = holding === 'weld nut' ? weldNutHole(size) : undefined;
  return { shapes, end, clear: far, threadFrom: on, pointed: false, ...(collar ? { drilled: { d: collar, to: far } } : {}) };
}

function heldBy(job: Job, x: number, size: FastenerSize, l: Levels, { out, lag }: Stocked): Held {
  const { holding, engagement } = job.joint;
  const long = engagement.v;
  if (holding === 'stud') {
    // Welded to the near face of the backing, or to the skin's own.
    const from = job.far.kind === 'plate' ? l.under : l.skin;
    const [half, leg] = [size.d / 2, 0.2 * size.d];
    const weld: Shape = {
      of: 'weld',
      d: `M${x - half} ${from}h${-leg}l${leg} ${-leg}ZM${x + half} ${from}h${leg}l${-leg} ${-leg}Z`,
    };
    return { shapes: [weld], end: from, clear: from, threadFrom: from, pointed: false };
  }
  if (holding === 'lag screw') {
    const end = l.skin + lag.depth;
    const threadFrom = l.skin + lag.shank;
    return { shapes: [], end, clear: l.skin, drilled: { d: LAG_PILOT * size.d, to: end }, threadFrom, pointed: true };
  }
  if (holding === 'tapped') {
    const from = job.far.kind === 'plate' ? l.under : l.skin;
    const through = job.far.kind === 'plate' ? from + job.far.thickness.v : l.wall;
    return {
      shapes: [],
      end: Math.max(from + long, through + out),
      clear: from,
      drilled: { d: tapDrill(size).d, to: through },
      threadFrom: from,
      pointed: false,
    };
  }
  if (holding === 'rivet nut') {
    const half = rivetNutHole(size) / 2;
    const flange: Shape = { of: 'insert', d: ring(x, size.d / 2, half + 0.2 * size.d, l.skin - 0.1 * size.d, l.skin) };
    const body: Shape = { of: 'insert', d: ring(x, size.d / 2, half, l.skin, l.skin + Math.max(long, l.wall - l.skin)) };
    const bulge: Shape = { of: 'insert', d: ring(x, half, half + 0.25 * size.d, l.wall, l.wall + 0.5 * size.d) };
    return {
      shapes: [flange, body, bulge],
      end: l.skin + long + 2 * size.pitch,
      clear: l.skin,
      threadFrom: l.skin,
      pointed: false,
    };
  }
  return nutted(job, x, size, l);
}

/** What only the stocked length tells: thread past the metal it is tapped in, or how a lag goes into its timber. As asked for where the job does not resolve. */
interface Stocked {
  readonly out: number;
  readonly lag: Pick<Lag, 'depth' | 'shank'>;
}

function asStocked(job: Job, bolt: Bolt): Stocked {
  const { holding, engagement } = job.joint;
  const asked = { out: 0, lag: { depth: engagement.v, shank: 0 } };
  if (holding !== 'tapped' && holding !== 'lag screw') return asked;
  const r = resolve(job);
  const i = job.bolts.items.findIndex((b) => b.id === bolt.id);
  if (!isResolved(r) || i < 0) return asked;
  return holding === 'tapped'
    ? { ...asked, out: Math.max(0, lengthFor(r, i).protrusion) }
    : { ...asked, lag: lagAt(atBolt(r, i), i) };
}

/** The hole as wide as each layer's own, down to where the clearance hole ends; of a slot, as long as the cut along x shows it. */
function clearance(job: Job, bolt: Bolt, l: Levels, top: number, clear: number): Shape[] {
  const holes = holesAt(job, bolt);
  const layers = [
    { d: holeAcross(holes, 'x'), to: l.plate },
    { d: holes.plate, to: l.skin },
    { d: holes.skin, to: l.under },
    { d: holes.backing, to: clear },
  ];
  const out: { d: number; from: number; to: number }[] = [];
  let from = top;
  for (const { d, to } of layers) {
    const end = Math.min(to, clear);
    const last = out.at(-1);
    if (end <= from + 1e-6) continue;
    if (last?.d === d) last.to = end;
    else out.push({ d, from, to: end });
    from = end;
  }
  return out.map((h) => ({ of: 'hole', d: box(bolt.x, h.d / 2, h.from, h.to) }));
}

/** The bolt as it is: its head, its washers, what holds it, its thread and its holes. */
export function boltInSection(job: Job, bolt: Bolt, size: FastenerSize): SectionBolt {
  const { x } = bolt;
  const l = levelsOf(job, packedUnder(job)(bolt));
  const under = throughBase(job, bolt) ? -job.base.thickness.v : 0;
  const near = headShapes(job, x, size, under);
  const held = heldBy(job, x, size, l, asStocked(job, bolt));
  const half = size.d / 2;
  const tip = held.pointed
    ? `M${x - half} ${under}H${x + half}V${held.end - size.d}L${x} ${held.end}L${x - half} ${held.end - size.d}Z`
    : box(x, half, job.joint.head === 'studding' || job.joint.holding === 'stud' ? near.top : under, held.end);
  const shapes: Shape[] = clearance(job, bolt, l, under, held.clear);
  if (held.drilled)
    shapes.push({
      of: 'hole',
      d: box(x, held.drilled.d / 2, held.clear - (held.drilled.to > held.clear ? 0 : 2), held.drilled.to),
    });
  shapes.push({ of: 'shank', d: tip }, ...near.shapes, ...held.shapes);
  const from = held.threadFrom + 0.6;
  const to = held.end - (held.pointed ? size.d : 0);
  const turns = Math.max(0, Math.floor((to - from) / 0.9));
  const thread = Array.from({ length: turns + 1 }, (_, i) => `M${x - half} ${from + i * 0.9}h${size.d}`).join('');
  return { x, shapes, thread, top: near.top, end: held.end };
}
