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

const NUMBER = String.raw`(?:(?:\d+(?:\.\d*)?|\.\d+)(?:e[-+]?\d{1,2})?)`;
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
 * Reads what people write: `3/16`, `1 1/2"`, `4' 2-3/8"`, `10 ga`, `0.5 in`, `12,5 mm`, `600 lb`, `38 Nm`, `1.2e3 N`, `1 250 N`,
 * `1,250.5 lb`, sums as `12+6` or `3/8 in + 2 mm`. A bare fraction of a length is inches. A comma is a decimal comma; `1,250` is
 * refused, since half of those who write it mean 1250 and half 1.25, and so is a sum with a unit on some of its parts where it
 * matters which unit the others have. Never clamps.
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
  s = withoutThousands(s);
  if (/(?<![\d.,])\d{1,3},\d{3}(?!\d)/.test(s)) {
    return no(`"${shown}" can be read two ways; write ${s.replace(',', '')} or ${s.replace(',', '.')}`);
  }
  s = s.replace(/(\d),(\d)/g, '$1.$2');
  let sign = 1;
  if (/^[-+]/.test(s)) {
    sign = s.startsWith('-') ? -1 : 1;
    s = s.slice(1).trim();
  }
  const read = readSum(s, sign, rules);
  if (typeof read === 'string') return no(read.replace('%', `"${shown}"`));
  const { value } = read;
  if (!Number.isFinite(value)) return no(`"${shown}" is not a number`);
  const low = (rules.min !== undefined && value < rules.min) || (rules.above !== undefined && value <= rules.above);
  if (low) return no(`${shown} is too small`);
  if (rules.max !== undefined && value > rules.max) return no(`${shown} is too large`);
  return { value, text: shown, unit: read.unit };
}

/** Thousands set apart, where nothing else can be meant: `1 250`, `12 500.5`, `1,250.5`, `1.250,5`, `1,250,000`. */
function withoutThousands(s: string): string {
  return s
    .replace(/(?<![\d.,/])\d{1,3}(?:[ \u00a0\u2009\u202f]\d{3})+(?![\d/]|\s*\/)/g, (n) => n.replace(/\D/g, ''))
    .replace(/(?<![\d.,])\d{1,3}(?:,\d{3})+\.\d+/g, (n) => n.replaceAll(',', ''))
    .replace(/(?<![\d.,])\d{1,3}(?:\.\d{3})+,\d+/g, (n) => n.replaceAll('.', '').replace(',', '.'))
    .replace(/(?<![\d.,])\d{1,3}(?:,\d{3}){2,}(?![\d.,])/g, (n) => n.replaceAll(',', ''));
}

interface Term {
  readonly value: number;
  readonly unit: string;
  /** It came without a unit of its own. */
  readonly bare: boolean;
}

/** One quantity, or a sum of them; words with % for what was typed where it is neither. */
function readSum(s: string, sign: number, rules: ReadingRules): { value: number; unit: string } | string {
  const whole = readUnsigned(s, rules);
  if (typeof whole !== 'string') return { value: sign * whole.value, unit: whole.unit };
  // Signs between terms, not those of an exponent nor of a mixed number.
  const parts = s.split(/(?<![\deE.]e)\s*([-+])\s*(?!\d+\s*\/)|\s*(\+)\s*/i).filter((p) => p !== undefined);
  if (parts.length < 3 || parts.length > 15 || parts.length % 2 === 0) return whole;
  const terms: Term[] = [];
  for (let i = 0; i < parts.length; i += 2) {
    const term = readUnsigned(parts[i]!.trim(), rules);
    if (typeof term === 'string') return i === 0 || parts[i] === '' ? whole : term.replace('%', `"${parts[i]!}" in %`);
    terms.push({ ...term, value: term.value * (i === 0 ? sign : parts[i - 1] === '-' ? -1 : 1) });
  }
  const named = terms.filter((t) => !t.bare).map((t) => t.unit);
  const other = named.find((u) => u !== rules.bareUnit);
  if (other !== undefined && terms.some((t) => t.bare))
    return `% can be read two ways; write ${rules.bareUnit} or ${other} at each of its parts`;
  return { value: terms.reduce((a, t) => a + t.value, 0), unit: named[0] ?? terms[0]!.unit };
}

function readUnsigned(s: string, rules: ReadingRules): Term | string {
  if (rules.dimension === 'length') {
    const gauge = GAUGE.exec(s);
    if (gauge) {
      const table = gauge[2]!.toLowerCase() === 'swg' ? 'British wire gauge' : rules.gauges;
      if (!table) return '% is a gauge, and the metal it belongs to is not known here; type the thickness';
      const value = gaugeThickness(table, Number(gauge[1]));
      return value === undefined ? `% is not in the ${table} table (${gaugeRange(table)})` : { value, unit: 'ga', bare: false };
    }
    const feet = FEET_INCHES.exec(s);
    if (feet) return { value: (12 * Number(feet[1]) + readMixed(feet[2]!)) * INCH, unit: 'in', bare: false };
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
  return { value: number * unit.factor, unit: unit.show, bare: spelt === '' && !bareFraction };
}
