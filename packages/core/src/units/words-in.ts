import { formatQuantity, type UnitSystem } from './format-quantity';

const NUMBER = String.raw`-?\d+(?:\.\d+)?`;
/** What stands between numbers that share the unit behind the last: "280 × 240 mm", "6 to 12 mm", "x 10, y 20 mm". */
const BETWEEN = String.raw`\s?(?:×|to|and|or|by|–|up to|, y)\s?`;
const measures = (unit: string) => new RegExp(String.raw`(?<![\w.])${NUMBER}(?:${BETWEEN}${NUMBER})*\s${unit}(?![\w/·²³])`, 'g');

const LENGTHS = measures('mm');
const FORCES: readonly (readonly [RegExp, number])[] = [
  [measures('kN'), 1000],
  [measures('N'), 1],
];
const STRESSES = measures('MPa');

/** Words of the core, which measures in mm, N and MPa, as the job's system reads them. In mm they stay as they are. */
export function wordsIn(words: string, system: UnitSystem): string {
  if (system === 'mm') return words;
  const told = (found: string, say: (v: number) => string, unit: RegExp) =>
    found.replace(unit, '').replace(new RegExp(NUMBER, 'g'), (n) => say(Number(n)));
  let out = words.replace(LENGTHS, (m) => told(m, (v) => formatQuantity(v, 'length', 'inch'), /\smm$/));
  for (const [measure, factor] of FORCES)
    out = out.replace(measure, (m) => told(m, (v) => formatQuantity(v * factor, 'force', 'inch'), /\sk?N$/));
  return out.replace(STRESSES, (m) => told(m, (v) => formatQuantity(v, 'stress', 'inch'), /\sMPa$/));
}
