import { mirroredOutline } from '../geometry/outline';
import { formatQuantity } from '../units/format-quantity';
import { parseQuantity } from '../units/parse-quantity';
import type { Quantity } from '../units/quantity';
import { isRefusal } from '../units/refusal';
import { INCH } from '../units/unit-table';
import type { FreePart } from './free-part';
import type { WeldLine } from './joint';
import type { Job } from './schema';
import type { Pattern, Side, Survey } from './survey';
import type { Foot, WholeJob } from './whole-job';

const flipY = <T extends { y: number }>(p: T): T => ({ ...p, y: p.y === 0 ? 0 : -p.y });
const turnedBack = <H extends { turn?: number | undefined }>(h: H): H =>
  h.turn === undefined ? h : { ...h, turn: -h.turn || 0 };

/** A bolt whose slot, if it has one, is turned. */
export const slotTurned =
  (f: (turn: number) => number) =>
  <B extends Job['bolts']['items'][number]>(b: B): B =>
    b.holes?.turn === undefined ? b : { ...b, holes: { ...b.holes, turn: f(b.holes.turn) } };

const flipBox = <B extends { y0: number; y1: number }>(b: B): B => ({ ...b, y0: -b.y1 || 0, y1: -b.y0 || 0 });
const OTHER_EDGE = { fore: 'fore', aft: 'aft', port: 'starboard', starboard: 'port' } as const;
const OTHER_SIDE = { left: 'right', right: 'left' } as const satisfies Record<Side, Side>;

/** Swaps two keys that may be absent. */
function swapped<T extends object, A extends keyof T, B extends keyof T>(x: T, a: A, b: B): T {
  const { [a]: first, [b]: second, ...rest } = x;
  return { ...rest, ...(second === undefined ? {} : { [a]: second }), ...(first === undefined ? {} : { [b]: first }) } as T;
}

/** A measured pattern of the other side: places flipped, and each reading of a y with its place. */
function mirroredPattern(p: Pattern): Pattern {
  const side = OTHER_SIDE[p.side];
  return {
    ...p,
    id: `${p.of}-${side}`,
    side,
    holes: p.holes.map(flipY).map((h) => {
      const y = h.taken?.y;
      if (!y?.readings) return h;
      return { ...h, taken: { ...h.taken, y: { ...y, readings: y.readings.map((v) => -v || 0) } } };
    }),
  };
}

/** What was measured, seen in the same mirror: what lies to port comes to starboard, and each side's readings change sides. */
function mirroredSurvey(s: Survey): Survey {
  return {
    ...s,
    patterns: s.patterns.map(mirroredPattern),
    log: s.log.map((c) => swapped(c, 'left', 'right')),
    diagonals: swapped(s.diagonals, 'rising', 'falling'),
    shims: s.shims.map(flipY),
    hidden: s.hidden.map(flipBox),
    ...(s.zones ? { zones: s.zones.map(flipBox) } : {}),
    existing: s.existing.map(flipY),
    bearers: s.bearers.map((b) => ({ ...b, edge: OTHER_EDGE[b.edge] })),
  };
}

/** To the last figure anybody could have written, so that there and back is where it was. */
const NINE = 9;
const tidy = (v: number): number => Number(v.toFixed(NINE));

/** A length as exact text in the job's own unit. */
function exactText(mm: number, units: Job['units']): string {
  const shown = formatQuantity(mm, 'length', units);
  const read = parseQuantity(shown, { field: '', dimension: 'length', bareUnit: 'mm', allowed: '' });
  if (!isRefusal(read) && Math.abs(read.value - mm) < 10 ** -NINE) return shown;
  return units === 'inch' ? `${tidy(mm / INCH)} in` : `${tidy(mm)} mm`;
}

/** What is left of a span past a distance, with every reading of it. */
function restOf(span: Quantity, q: Quantity, units: Job['units']): Quantity {
  const v = tidy(span.v - q.v);
  const readings = q.readings?.map((r) => tidy(span.v - r));
  return { ...q, v, text: exactText(v, units), ...(readings ? { readings } : {}) };
}

const flippedOutline = (o: NonNullable<Job['plate']['outline']>): NonNullable<Job['plate']['outline']> => {
  const { corners, openings } = mirroredOutline(o);
  return { corners: [...corners], openings: openings.map((ring) => [...ring]) };
};

/** A part of the other hand: every y changes sign; its bends go up as before. */
const mirroredPart = (p: FreePart): FreePart => ({
  ...p,
  holes: p.holes.map(flipY).map(turnedBack),
  stock: p.stock.form === 'plate' ? { ...p.stock, outline: flippedOutline(p.stock.outline) } : p.stock,
});

/** Edges of the outline seen in the mirror: it runs the other way round then, and what was bare at one end is bare at the other. */
function mirroredLines({ plate, welds }: Pick<Job, 'plate' | 'welds'>): WeldLine[] {
  const n = plate.outline?.corners.length ?? 4;
  return welds.lines!.map(({ edge, start, end }) => ({ edge: (2 * n - 2 - edge) % n, start: end, end: start }));
}

/** A foot's design for the other hand: every y changes sign, and whatever names a side names the other. */
export function mirroredDesign<D extends Pick<Job, 'base' | 'bolts' | 'plate' | 'spread' | 'welds' | 'parts'>>(design: D): D {
  const { fold, outline, holes, ...plate } = design.plate;
  const { spread } = design;
  return {
    ...design,
    base: { ...design.base, holes: design.base.holes.map(flipY) },
    bolts: { ...design.bolts, items: design.bolts.items.map(flipY).map(slotTurned((turn) => -turn || 0)) },
    plate: {
      ...plate,
      y0: -plate.y1 || 0,
      y1: -plate.y0 || 0,
      ...(fold ? { fold: { ...fold, edge: OTHER_EDGE[fold.edge] } } : {}),
      ...(outline ? { outline: flippedOutline(outline) } : {}),
      ...(holes ? { holes: holes.map(flipY).map(turnedBack) } : {}),
    },
    ...(design.parts ? { parts: design.parts.map(mirroredPart) } : {}),
    ...(design.welds.lines ? { welds: { ...design.welds, lines: mirroredLines(design) } } : {}),
    ...(spread ? { spread: { ...spread, edges: swapped(spread.edges, 'port', 'starboard') } } : {}),
  };
}

/** What is under a foot and what was measured there, in the same mirror. */
const mirroredPlace = ({ skin, survey }: Pick<Foot, 'skin' | 'survey'>, units: Job['units']): Pick<Foot, 'skin' | 'survey'> => ({
  skin: {
    ...skin,
    starboard: restOf(skin.spanY, skin.starboard, units),
    ...(skin.kind === 'flange' ? { webAt: OTHER_EDGE[skin.webAt] as 'port' | 'starboard' } : {}),
  } as Foot['skin'],
  survey: mirroredSurvey(survey),
});

/** A job at one foot, left for right. */
export const mirrored = (job: Job): Job => ({
  ...mirroredDesign(job),
  ...mirroredPlace(job, job.units),
  loads: job.loads.map((l) => ({ ...l, mirrored: !l.mirrored })),
});

/** The whole job left for right, so that the pair of a fitting is one key away: its loads, where its feet stand, and each of them. */
export const mirroredWhole = (whole: WholeJob): WholeJob => ({
  ...whole,
  loads: whole.loads.map((l) => ({ ...l, mirrored: !l.mirrored })),
  feet: whole.feet.map((f) => ({
    ...f,
    y: -f.y || 0,
    turn: -f.turn || 0,
    ...(f.design ? { design: mirroredDesign(f.design) } : {}),
    ...mirroredPlace(f, whole.units),
  })),
});
