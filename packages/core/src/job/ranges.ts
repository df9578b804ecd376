import type { Dimension } from '../units/unit-table';

/** What each number of a job may be. One table for the form, the file and the command line. Inside units. */
export interface FieldRange {
  readonly label: string;
  readonly dimension: Dimension;
  readonly min?: number;
  readonly above?: number;
  readonly max: number;
  readonly allowed: string;
}

const length = (label: string, max: number, from: 'over 0' | '0' | 'minus' = 'over 0'): FieldRange => ({
  label,
  dimension: 'length',
  max,
  ...(from === 'over 0' ? { above: 0 } : { min: from === '0' ? 0 : -max }),
  allowed: from === 'minus' ? `−${max} to ${max} mm` : `${from === 'over 0' ? 'over 0' : '0'} up to ${max} mm`,
});

const signed = (label: string, dimension: Dimension, max: number, allowed: string): FieldRange => ({
  label,
  dimension,
  min: -max,
  max,
  allowed,
});

const degrees = Math.PI / 180;

export const RANGES = {
  baseLength: length('Base, fore and aft', 3000),
  baseWidth: length('Base, across', 3000),
  baseThickness: length('Base thickness', 100),
  baseHole: length('Base hole (slot width)', 100),
  baseSlot: length('Base slot length past the hole', 200, '0'),
  skinThickness: length('Skin thickness', 200),
  spanX: length('Clear span, fore and aft', 10_000),
  spanY: length('Clear span, across', 10_000),
  aft: length('Aft bearer to base centre', 10_000),
  starboard: length('Starboard bearer to base centre', 10_000),
  glass: { label: 'Glass content by mass', dimension: 'ratio', min: 0.25, max: 0.65, allowed: '25 % to 65 % (0.25 to 0.65)' },
  bedModulus: { label: 'Bed modulus under the base', dimension: 'stress', min: 10, max: 300_000, allowed: '10 to 300 000 MPa' },
  plateThickness: length('Plate thickness', 100),
  backingThickness: length('Backing plate thickness', 100),
  corner: length('Corner radius', 500, '0'),
  position: length('Position', 5000, 'minus'),
  pull: { label: 'Rated pull', dimension: 'force', above: 0, max: 1e6, allowed: 'over 0 up to 1000 kN' },
  drumHeight: length('Drum height above the base', 5000, '0'),
  sideAngle: { label: 'Pull angle to each side', dimension: 'angle', min: 0, max: 90 * degrees, allowed: '0 to 90°' },
  upAngle: { label: 'Pull angle up', dimension: 'angle', min: 0, max: 80 * degrees, allowed: '0 to 80°' },
  force: signed('Force', 'force', 1e6, '−1000 to 1000 kN'),
  moment: signed('Moment', 'moment', 1e9, '−1000 to 1000 kN·m'),
  point: length('Point of application', 10_000, 'minus'),
} as const satisfies Record<string, FieldRange>;

export type RangeName = keyof typeof RANGES;
