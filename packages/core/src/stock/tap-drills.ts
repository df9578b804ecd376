import { INCH } from '../units/unit-table';
import type { FastenerSize } from './fasteners';

/** A drill by its diameter, mm, and by what is stamped on it. */
export interface Drill {
  readonly d: number;
  readonly text: string;
}

/** Tap drills of metric coarse threads, ISO 2306 (memory); fine ones are d − P. */
const METRIC: Readonly<Record<string, number>> = {
  M5: 4.2,
  M6: 5,
  M8: 6.8,
  M10: 8.5,
  M12: 10.2,
  M14: 12,
  M16: 14,
  M20: 17.5,
  M22: 19.5,
  M24: 21,
};

/** Tap drills of Unified threads for about three quarters of a full thread, ASME B94.11M drills (memory), inches. */
const UNIFIED: Readonly<Record<string, readonly [inches: number, name: string]>> = {
  '1/4-20': [0.201, '#7'],
  '1/4-28': [0.213, '#3'],
  '5/16-18': [0.257, 'F'],
  '5/16-24': [0.272, 'I'],
  '3/8-16': [5 / 16, '5/16'],
  '3/8-24': [0.332, 'Q'],
  '7/16-14': [0.368, 'U'],
  '7/16-20': [25 / 64, '25/64'],
  '1/2-13': [27 / 64, '27/64'],
  '1/2-20': [29 / 64, '29/64'],
  '9/16-12': [31 / 64, '31/64'],
  '9/16-18': [33 / 64, '33/64'],
  '5/8-11': [17 / 32, '17/32'],
  '5/8-18': [37 / 64, '37/64'],
  '3/4-10': [21 / 32, '21/32'],
  '3/4-16': [11 / 16, '11/16'],
  '7/8-9': [49 / 64, '49/64'],
  '7/8-14': [13 / 16, '13/16'],
  '1-8': [7 / 8, '7/8'],
  '1-12': [59 / 64, '59/64'],
};

const tenths = (d: number): string => `${Math.round(d * 100) / 100} mm`;

/** The drill before the tap. */
export function tapDrill(size: Pick<FastenerSize, 'id' | 'd' | 'pitch'>): Drill {
  const inch = UNIFIED[size.id];
  if (inch) {
    const [inches, name] = inch;
    const decimal = `${inches.toFixed(3)} in`;
    return { d: inches * INCH, text: name.includes('/') ? `${name} in` : `${name} (${decimal})` };
  }
  const d = METRIC[size.id] ?? size.d - size.pitch;
  return { d, text: tenths(d) };
}

/** Holes for the collars of weld nuts, DIN 929 (memory), mm. */
const COLLARS: Readonly<Record<number, number>> = { 5: 7, 6: 8, 8: 10.5, 10: 12.5, 12: 14.8, 14: 16.8, 16: 18.8 };
/** What a collar takes past the thread where the table has no row (common practice), mm. */
const COLLAR = 2.8;

/** Hole the collar of a weld nut sits in, mm. */
export const weldNutHole = (size: Pick<FastenerSize, 'd'>): number => COLLARS[size.d] ?? size.d + COLLAR;

/** Holes for the bodies of rivet nuts as most makers have them (common practice), mm. */
const BODIES: Readonly<Record<number, number>> = { 5: 7, 6: 9, 8: 11, 10: 13, 12: 16 };

/** Hole a rivet nut is set in, mm: by its maker where the table has no row. */
export const rivetNutHole = (size: Pick<FastenerSize, 'd'>): number => BODIES[size.d] ?? 1.35 * size.d;

/** Pilot for the thread of a lag screw over its diameter, in softwood of middle density (NDS 12.1.4.2 has 60 to 75 %). */
export const LAG_PILOT = 0.7;
