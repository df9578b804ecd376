import { INCH, UNITS, type Dimension } from './unit-table';

/** The two ways a shop reads its own job. */
export type UnitSystem = 'mm' | 'inch';

interface Shown {
  readonly unit: string;
  readonly decimals: number;
}

/** Honest precision for each dimension: 0.1 mm, 0.001 in, 0.01 kN, 1 N·m, 0.1°, 0.1 m/s. */
const SHOWN: Readonly<Record<UnitSystem, Readonly<Record<Dimension, Shown>>>> = {
  mm: {
    length: { unit: 'mm', decimals: 1 },
    force: { unit: 'kN', decimals: 2 },
    moment: { unit: 'N·m', decimals: 0 },
    mass: { unit: 'kg', decimals: 2 },
    angle: { unit: '°', decimals: 1 },
    stress: { unit: 'MPa', decimals: 1 },
    ratio: { unit: '', decimals: 2 },
    speed: { unit: 'm/s', decimals: 1 },
    area: { unit: 'm²', decimals: 2 },
    count: { unit: '', decimals: 0 },
  },
  inch: {
    length: { unit: 'in', decimals: 3 },
    force: { unit: 'lb', decimals: 0 },
    moment: { unit: 'lb·ft', decimals: 0 },
    mass: { unit: 'lb', decimals: 2 },
    angle: { unit: '°', decimals: 1 },
    stress: { unit: 'ksi', decimals: 2 },
    ratio: { unit: '', decimals: 2 },
    speed: { unit: 'mph', decimals: 1 },
    area: { unit: 'ft²', decimals: 1 },
    count: { unit: '', decimals: 0 },
  },
};

export function shownUnit(dimension: Dimension, system: UnitSystem): string {
  return SHOWN[system][dimension].unit;
}

/** The coarser of the steps in which the two systems show a dimension, in the inside unit. */
export const shownStep = (dimension: Dimension): number =>
  Math.max(
    ...(['mm', 'inch'] as const).map((system) => {
      const { unit, decimals } = SHOWN[system][dimension];
      return UNITS[dimension].find((u) => u.show === unit)!.factor * 10 ** -decimals;
    }),
  );

/** The number alone, in the system's unit; lengths and angles drop trailing zeros (6, 6.5), the rest keep theirs. */
export function formatNumber(value: number, dimension: Dimension, system: UnitSystem): string {
  const { unit, decimals } = SHOWN[system][dimension];
  const factor = UNITS[dimension].find((u) => u.show === unit)!.factor;
  const fixed = (value / factor).toFixed(decimals);
  const trims = (dimension === 'length' || dimension === 'angle') && fixed.includes('.');
  const tidy = trims ? fixed.replace(/\.?0+$/, '') : fixed;
  return tidy.replace(/^-(0(\.0+)?)$/, '$1');
}

export function formatQuantity(value: number, dimension: Dimension, system: UnitSystem): string {
  if (!Number.isFinite(value)) return '—';
  if (dimension === 'length' && system === 'inch') {
    const fraction = exactFraction(value);
    if (fraction) return fraction;
  }
  const unit = shownUnit(dimension, system);
  const gap = unit === '°' || unit === '' ? '' : ' ';
  return `${formatNumber(value, dimension, system)}${gap}${unit}`;
}

/** A length that is a number of 64ths, as a rule and a drill index have them: 180.975 mm is "7 1/8 in". */
function exactFraction(mm: number): string | undefined {
  const near = inchFraction(Math.abs(mm), 0.002);
  return near && mm < 0 ? `-${near}` : near;
}

/** The nearest 1/64 in where the length is within 0.1 mm of it, else undefined: 4.7625 mm → "3/16 in". */
export function inchFraction(mm: number, within = 0.1): string | undefined {
  const sixtyFourths = Math.round((mm / INCH) * 64);
  if (sixtyFourths <= 0 || Math.abs((sixtyFourths / 64) * INCH - mm) > within) return undefined;
  const whole = Math.floor(sixtyFourths / 64);
  let top = sixtyFourths % 64;
  let bottom = 64;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const fraction = top === 0 ? '' : `${top}/${bottom}`;
  return `${[whole || '', fraction].filter(Boolean).join(' ')} in`;
}

/** The same length in the other system, for a tooltip. */
export function otherSystem(value: number, dimension: Dimension, system: UnitSystem): string {
  const other: UnitSystem = system === 'mm' ? 'inch' : 'mm';
  const plain = formatQuantity(value, dimension, other);
  const fraction = dimension === 'length' && other === 'inch' && !plain.includes('/') ? inchFraction(value) : undefined;
  return fraction ? `${plain} (≈ ${fraction})` : plain;
}
