import { lengthRange as length, type FieldRange } from '../units/field-range';

/** What each number of a job may be, apart from the loads' own fields. One table for the form, the file and the command line. */
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
  /** A dimension of the as-built log. */
  critical: length('Dimension', 20_000),
  tolerance: length('Tolerance', 500, '0'),
  diagonal: length('Diagonal', 30_000),
  gap: length('Gap under the straightedge', 200, '0'),
  reading: length('Reading', 20_000, '0'),
  clearance: length('Keep clear by', 1000, '0'),
  surveyHole: length('Hole', 200),
  surveySlot: length('Slot length past the hole', 300, '0'),
  existingHole: length('Existing hole', 500),
  nearFace: length('Near face thickness', 50),
  farFace: length('Far face thickness', 50),
  wall: length('Wall thickness', 50),
} as const satisfies Record<string, FieldRange>;

export type RangeName = keyof typeof RANGES;
