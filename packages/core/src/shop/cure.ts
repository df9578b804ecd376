import type { CurePoint, Product } from '../stock/products';
import { refuse, type Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

// Arrhenius between two temperatures: h_1·e^(E/R·(1/T − 1/T_1)), its E/R from the second point, written without it.
const S = formula('s', '(1/T_1 − 1/T)/(1/T_1 − 1/T_2)', '–');
const H = formula('h', 'h_1·(h_2/h_1)^s', 'h');
const H_ONE = formula('h', 'h_1·2^((T_1 − T)/10)', 'h');
const KELVIN = 273.15;

/** How long a step takes at a temperature. */
export interface CureTime {
  readonly hours: number;
  readonly steps: readonly Step[];
}

/**
 * Hours at `celsius` from a maker’s one or two points: between and past two by Arrhenius, from one by doubling with every 10 °C less
 * (common practice). Refuses outside the product’s range of use.
 */
export function cureTime(
  product: Pick<Product, 'name' | 'from' | 'to'>,
  points: readonly CurePoint[],
  celsius: number,
): CureTime | Refusal {
  const { name, from, to } = product;
  if (!(celsius >= from && celsius <= to))
    return refuse('temperature', `${name} at ${degrees(celsius)}`, `${degrees(from)} to ${degrees(to)}: warm it, or wait`);
  const [a, b] = points;
  if (!a) return refuse('cure', `${name} has no cure time`, 'hours at one or two temperatures');
  const w = new Working(true);
  if (!b) {
    const hours = w.of(H_ONE, { h_1: a.hours, T_1: a.at, T: celsius }, 'twice as long with every 10 °C less: common practice');
    return { hours, steps: w.steps };
  }
  const T = celsius + KELVIN;
  const s = w.of(S, { T_1: a.at + KELVIN, T_2: b.at + KELVIN, T }, 'temperatures in K');
  return { hours: w.of(H, { h_1: a.hours, h_2: b.hours, s }, 'Arrhenius between the maker’s two points'), steps: w.steps };
}

/** "−5 °C". */
export const degrees = (c: number): string => `${String(Math.round(c * 10) / 10).replace('-', '−')} °C`;

/** Minutes a mix can be worked at a temperature: twice with every 10 °C less (common practice). */
export const potLifeAt = ({ potLife }: Pick<Product, 'potLife'>, celsius: number): number =>
  potLife.minutes * 2 ** ((potLife.at - celsius) / 10);
