import type { FieldRange } from './field-range';
import { GAUGE_INCH, type GaugeTable } from './gauges';
import { shownStep, shownUnit } from './format-quantity';
import { medianAndSpread } from './median';
import { parseQuantity } from './parse-quantity';
import { isRefusal } from './refusal';
import { UNITS } from './unit-table';

/** A value as it stands in a file: checked as `v`, printed as `text`. */
interface Written {
  readonly v: number;
  readonly text: string;
  readonly readings?: readonly number[] | undefined;
}

/** Exact but for the last bits of a number that went through text. */
const BITS = 1e-6;

/**
 * What keeps text, readings and value of one quantity from agreeing; undefined where they do. A text may be rounded as values are
 * shown, no further. A bare number is read in the units either system shows, and in the inside unit.
 */
export function disagreement(q: Written, r: FieldRange): { part: 'text' | 'readings'; because: string } | undefined {
  if (q.readings && q.readings.length > 0) {
    const { median } = medianAndSpread(q.readings);
    if (!near(q.v, median, r)) return { part: 'readings', because: `their median is ${short(median)} and v is ${short(q.v)}` };
  }
  if (q.text.trim() === '') return undefined;
  const read = readings(q.text, r);
  if (read.length === 0) return { part: 'text', because: `“${q.text}” is not a value that can be read here` };
  return read.some((v) => near(q.v, v, r))
    ? undefined
    : { part: 'text', because: `“${q.text}” reads as ${short(read[0]!)} and v is ${short(q.v)}` };
}

const short = (v: number): string => String(Number(v.toPrecision(7)));

/** Half of the coarsest step in which values of this kind are shown, and as much as a number loses through text. */
const near = (a: number, b: number, r: FieldRange): boolean =>
  Math.abs(a - b) <= shownStep(r.dimension) / 2 + BITS * Math.max(1, Math.abs(a));

/** Every value a text may stand for: a bare number in several units, a gauge in several metals. */
function readings(text: string, r: FieldRange): number[] {
  const { dimension } = r;
  const inside = UNITS[dimension].find((u) => u.factor === 1)?.show ?? '';
  const units = new Set([shownUnit(dimension, 'mm'), shownUnit(dimension, 'inch'), inside]);
  const tables: (GaugeTable | undefined)[] = [undefined, ...(Object.keys(GAUGE_INCH) as GaugeTable[])];
  const out: number[] = [];
  for (const bareUnit of units)
    for (const gauges of tables) {
      const read = parseQuantity(text, {
        field: r.label,
        dimension,
        bareUnit,
        allowed: r.allowed,
        ...(gauges ? { gauges } : {}),
      });
      if (!isRefusal(read)) out.push(read.value);
    }
  return out;
}
