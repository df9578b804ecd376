import { formatQuantity } from '../units/format-quantity';
import { parseQuantity } from '../units/parse-quantity';
import type { Quantity } from '../units/quantity';
import { isRefusal } from '../units/refusal';
import { INCH } from '../units/unit-table';
import type { Job } from './schema';
import type { Pattern, Side, Survey } from './survey';

const flipY = <T extends { y: number }>(p: T): T => ({ ...p, y: p.y === 0 ? 0 : -p.y });
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
    hidden: s.hidden.map((h) => ({ ...h, y0: -h.y1 || 0, y1: -h.y0 || 0 })),
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

/** Left for right, so that the pair of a part is one key away: every y changes sign, and whatever names a side names the other. */
export function mirrored(job: Job): Job {
  const { fold, ...plate } = job.plate;
  const { skin, spread } = job;
  return {
    ...job,
    loads: job.loads.map((l) => ({ ...l, mirrored: !l.mirrored })),
    survey: mirroredSurvey(job.survey),
    base: { ...job.base, holes: job.base.holes.map(flipY) },
    bolts: { ...job.bolts, items: job.bolts.items.map(flipY) },
    plate: {
      ...plate,
      y0: -plate.y1 || 0,
      y1: -plate.y0 || 0,
      ...(fold ? { fold: { ...fold, edge: OTHER_EDGE[fold.edge] } } : {}),
    },
    skin: { ...skin, starboard: restOf(skin.spanY, skin.starboard, job.units) },
    ...(spread ? { spread: { ...spread, edges: swapped(spread.edges, 'port', 'starboard') } } : {}),
  };
}
