import type { Dimension } from './unit-table';

/** What a number of a job may be: one row for the form, the file and the command line. Inside units. */
export interface FieldRange {
  readonly label: string;
  readonly dimension: Dimension;
  readonly min?: number;
  readonly above?: number;
  readonly max: number;
  readonly allowed: string;
  /** What such a value mostly is; outside it a mixed-up unit is looked for and said, never corrected. */
  readonly usual?: readonly [number, number];
}

type Low = 'over 0' | '0' | 'minus';

/** A range from `from` up to `max`, where `show` names the limit in a unit people read: ('force', 1e6, '1000 kN'). */
function range(label: string, dimension: Dimension, max: number, show: string, from: Low): FieldRange {
  return {
    label,
    dimension,
    max,
    ...(from === 'over 0' ? { above: 0 } : { min: from === '0' ? 0 : -max }),
    allowed: from === 'minus' ? `−${show.replace(/ .*/, '')} to ${show}` : `${from === 'over 0' ? 'over 0' : '0'} up to ${show}`,
  };
}

const degrees = Math.PI / 180;

export const lengthRange = (label: string, max: number, from: Low = 'over 0', usual?: FieldRange['usual']): FieldRange => ({
  ...range(label, 'length', max, `${max} mm`, from),
  ...(usual ? { usual } : {}),
});
/** Up to 1000 kN. */
export const forceRange = (label: string, from: Low = 'over 0'): FieldRange => range(label, 'force', 1e6, '1000 kN', from);
/** Up to 1000 kN·m. */
export const momentRange = (label: string, from: Low = 'over 0'): FieldRange => range(label, 'moment', 1e9, '1000 kN·m', from);
/** Up to 100 t. */
export const massRange = (label: string, from: Low = 'over 0'): FieldRange => range(label, 'mass', 1e5, '100000 kg', from);
export const speedRange = (label: string): FieldRange => range(label, 'speed', 100, '100 m/s', 'over 0');
export const areaRange = (label: string, from: Low = 'over 0'): FieldRange => range(label, 'area', 1e9, '1000 m²', from);

/** Both limits in degrees; `above` leaves the lower one out. */
export const angleRange = (label: string, low: number, high: number, above = false): FieldRange => ({
  label,
  dimension: 'angle',
  ...(above ? { above: low * degrees } : { min: low * degrees }),
  max: high * degrees,
  allowed: `${above ? `over ${low}` : `${low}`.replace('-', '−')} to ${high}°`,
});

export const ratioRange = (label: string, low: number, high: number, above = false): FieldRange => ({
  label,
  dimension: 'ratio',
  ...(above ? { above: low } : { min: low }),
  max: high,
  allowed: above ? `over ${low} to ${high}` : `${low} to ${high}`.replace('-', '−'),
});

export const countRange = (label: string, low: number, high: number): FieldRange => ({
  label,
  dimension: 'count',
  min: low,
  max: high,
  allowed: `${low} to ${high}`,
});
