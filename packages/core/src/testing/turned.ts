import { slotTurned } from '../job/mirrored';
import { holesAt } from '../job/bolt-holes';
import type { Job } from '../job/schema';
import { fromSheet, type Quantity } from '../units/quantity';

/** A quarter turn about z, forward to port: (x, y) becomes (−y, x). */
const point = <T extends { x: number; y: number }>(p: T): T => ({ ...p, x: -p.y || 0, y: p.x });
const other = (way: 'x' | 'y') => (way === 'x' ? 'y' : 'x');
const EDGE = { fore: 'port', port: 'aft', aft: 'starboard', starboard: 'fore' } as const;
const WELDED = {
  none: 'none',
  'all round': 'all round',
  'fore and aft edges': 'side edges',
  'side edges': 'fore and aft edges',
} as const;
const minus = (q: Quantity): Quantity => fromSheet(-q.v || 0, '');
const rest = (span: Quantity, q: Quantity): Quantity => fromSheet(span.v - q.v, '');

/** The same job laid out a quarter turn round, free loads with it. For jobs of free loads whose skins are alike both ways, or say which way they run. */
export function turned(job: Job): Job {
  const { plate, base, skin, far, spread, lug } = job;
  const fold = plate.fold && { ...plate.fold, edge: EDGE[plate.fold.edge] };
  return {
    ...job,
    loads: job.loads.map((l) => {
      const v = l.values;
      const values = {
        ...v,
        fx: minus(v['fy']!),
        fy: v['fx']!,
        mx: minus(v['my']!),
        my: v['mx']!,
        x: minus(v['y']!),
        y: v['x']!,
      };
      return { ...l, values };
    }),
    base: { ...base, length: base.width, width: base.length, slotAlong: other(base.slotAlong), holes: base.holes.map(point) },
    plate: {
      ...plate,
      x0: -plate.y1,
      x1: -plate.y0,
      y0: plate.x0,
      y1: plate.x1,
      ...(fold ? { fold } : {}),
      ...(plate.holes
        ? { holes: plate.holes.map(point).map((h) => (h.turn === undefined ? h : { ...h, turn: h.turn + Math.PI / 2 })) }
        : {}),
      ...(plate.outline
        ? {
            outline: {
              corners: plate.outline.corners.map(point),
              openings: plate.outline.openings.map((ring) => ring.map(point)),
            },
          }
        : {}),
    },
    bolts: { ...job.bolts, items: job.bolts.items.map(point).map(slotTurned((turn) => turn + Math.PI / 2)) },
    welds: {
      ...job.welds,
      fitting: WELDED[job.welds.fitting],
      // A rectangle's edges are counted from starboard round.
      ...(job.welds.lines
        ? { lines: job.welds.lines.map((l) => ({ ...l, edge: plate.outline ? l.edge : (l.edge + 1) % 4 })) }
        : {}),
    },
    skin: {
      ...skin,
      spanX: skin.spanY,
      spanY: skin.spanX,
      aft: rest(skin.spanY, skin.starboard),
      starboard: skin.aft,
      ...(skin.kind === 'timber' ? { grain: other(skin.grain) } : {}),
    } as Job['skin'],
    far: far.kind === 'strips' ? { ...far, along: other(far.along) } : far,
    ...(lug ? { lug: { ...lug, along: other(lug.along) } } : {}),
    ...(job.parts
      ? { parts: job.parts.map((p) => (p.eye?.along ? { ...p, eye: { ...p.eye, along: other(p.eye.along) } } : p)) }
      : {}),
    ...(spread
      ? {
          spread: {
            ...spread,
            edges: { port: spread.edges.fore, aft: spread.edges.port, starboard: spread.edges.aft, fore: spread.edges.starboard },
          },
        }
      : {}),
    survey: { ...job.survey, shims: job.survey.shims.map(point) },
  };
}

/** Every other one first, backwards. */
const shuffled = <T>(all: readonly T[]): T[] =>
  [...all.filter((_, i) => i % 2 === 0), ...all.filter((_, i) => i % 2 === 1)].reverse();

/** The same job with its bolts, holes and loads written down in another order. */
export const reordered = (job: Job): Job => ({
  ...job,
  bolts: { ...job.bolts, items: shuffled(job.bolts.items) },
  base: { ...job.base, holes: [...job.base.holes].reverse() },
  loads: [...job.loads].reverse(),
});

/** The same job with every other bolt said to be a kind of its own, in holes that are what they were. */
export function inTwoKinds(job: Job): Job {
  const items = job.bolts.items.map((b, i) => {
    if (i % 2) return b;
    const { plate } = holesAt(job, b);
    return { ...b, holes: { ...b.holes, plate: fromSheet(plate, `${plate} mm`) } };
  });
  return { ...job, bolts: { ...job.bolts, items } };
}
