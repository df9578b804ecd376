import { gaugeRange, gaugeThickness, type GaugeTable } from './gauges';
import { refuse, type Refusal } from './refusal';
import { INCH, UNITS, unitOf, type Dimension } from './unit-table';

/** What a person typed, read into the units used inside (mm, N, N·mm, kg, rad, MPa). */
export interface ParsedQuantity {
  readonly value: number;
  readonly text: string;
  /** The unit it was read in, as written back. */
  readonly unit: string;
}

export interface ReadingRules {
  readonly field: string;
  readonly dimension: Dimension;
  /** Unit of a bare number, e.g. "mm" or "in". */
  readonly bareUnit: string;
  /** Inclusive limits in the inside unit; `above` and `below` are exclusive ones. */
  readonly min?: number;
  readonly max?: number;
  readonly above?: number;
  /** The limits as words, e.g. "over 0 up to 60 mm". */
  readonly allowed: string;
  readonly gauges?: GaugeTable;
}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

const NUMBER = String.raw`(?:\d+(?:\.\d+)?|\.\d+)`;
const FRACTION = String.raw`\d+\s*/\s*\d+`;
const MIXED = String.raw`(?:\d+(?:\s+|\s*-\s*)${FRACTION}|${FRACTION}|${NUMBER})`;
const FEET_INCHES = new RegExp(
  String.raw`^(${NUMBER})\s*(?:'|′|’|ft\.?|feet|foot)\s*-?\s*(${MIXED})\s*(?:"|″|”|''|in\.?|inch|inches)?$`,
  'i',
);
const PLAIN = new RegExp(String.raw`^(${MIXED})\s*(.*)$`, 'i');
const GAUGE = /^(\d+)\s*(ga|ga\.|gauge|swg|#)$/i;

function readMixed(s: string): number {
  const t = s.trim();
  const m = /^(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)$/.exec(t);
  if (!m) return Number(t);
  const denominator = Number(m[3]);
  return denominator === 0 ? NaN : Number(m[1] ?? 0) + Number(m[2]) / denominator;
}

/**
 * Reads what people write: `3/16`, `1 1/2"`, `4' 2-3/8"`, `10 ga`, `0.5 in`, `12,5 mm`, `600 lb`, `38 Nm`.
 * A bare fraction of a length is inches. A comma is a decimal comma; `1,250` is refused, since half of those who
 * write it mean 1250 and half 1.25. Never clamps.
 */
export function parseQuantity(text: string, rules: ReadingRules): ParsedQuantity | Refusal {
  const shown = text.trim();
  const no = (because: string) => refuse(rules.field, because, rules.allowed);
  if (shown === '') return no('nothing was typed');
  if (shown.length > 60) return no('that is longer than 60 characters');
  let s = shown
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (c) => ` ${VULGAR[c]}`)
    .replace(/[−–]/g, '-')
    .trim();
  if (/^[-+]?\d{1,3},\d{3}(?!\d)/.test(s)) {
    return no(`"${shown}" can be read two ways; write ${s.replace(',', '')} or ${s.replace(',', '.')}`);
  }
  s = s.replace(/(\d),(\d)/g, '$1.$2');
  let sign = 1;
  if (/^[-+]/.test(s)) {
    sign = s.startsWith('-') ? -1 : 1;
    s = s.slice(1).trim();
  }
  const read = readUnsigned(s, rules);
  if (typeof read === 'string') return no(read.replace('%', `"${shown}"`));
  const value = sign * read.value;
  if (!Number.isFinite(value)) return no(`"${shown}" is not a number`);
  const low = (rules.min !== undefined && value < rules.min) || (rules.above !== undefined && value <= rules.above);
  if (low) return no(`${shown} is too small`);
  if (rules.max !== undefined && value > rules.max) return no(`${shown} is too large`);
  return { value, text: shown, unit: read.unit };
}

function readUnsigned(s: string, rules: ReadingRules): { value: number; unit: string } | string {
  if (rules.dimension === 'length') {
    const gauge = GAUGE.exec(s);
    if (gauge) {
      const table = gauge[2]!.toLowerCase() === 'swg' ? 'British wire gauge' : rules.gauges;
      if (!table) return '% is a gauge, and the metal it belongs to is not known here; type the thickness';
      const value = gaugeThickness(table, Number(gauge[1]));
      return value === undefined ? `% is not in the ${table} table (${gaugeRange(table)})` : { value, unit: 'ga' };
    }
    const feet = FEET_INCHES.exec(s);
    if (feet) return { value: (12 * Number(feet[1]) + readMixed(feet[2]!)) * INCH, unit: 'in' };
  }
  const plain = PLAIN.exec(s);
  if (!plain) return '% is not a number with a unit';
  const number = readMixed(plain[1]!);
  const spelt = plain[2]!.trim();
  const bareFraction = spelt === '' && rules.dimension === 'length' && plain[1]!.includes('/');
  const unit = unitOf(rules.dimension, spelt === '' ? (bareFraction ? 'in' : rules.bareUnit) : spelt);
  if (!unit) {
    const known = UNITS[rules.dimension]
      .map((u) => u.show)
      .filter(Boolean)
      .join(', ');
    return `% has a unit that is not read here (${known || 'no unit'})`;
  }
  return { value: number * unit.factor, unit: unit.show };
}
