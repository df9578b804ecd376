import type { ThreadFamily } from './fasteners';

/**
 * Strength classes. f_ub, f_yb in MPa; α_v is the shear factor with threads in the shear plane.
 * Sources: ISO 898-1 and EN 1993-1-8 Tab. 3.1 and 3.4 (4.6, 8.8: α_v 0.6; 5.8, 10.9, 12.9: 0.5); ISO 3506-1 with
 * EN 1993-1-4 §6.2 (stainless, threads in plane 0.5); SAE J429 (grades 2, 5, 8), ASTM F3125, F593, for which α_v 0.5 is
 * taken as for 10.9 since EN gives no value (common practice).
 */
export interface FastenerClass {
  readonly id: string;
  readonly family: ThreadFamily;
  readonly fub: number;
  readonly fyb: number;
  readonly alphaV: number;
  /** Elastic modulus, MPa. */
  readonly E: number;
  readonly stainless: boolean;
  readonly source: string;
  /** Weaker in large sizes: from this diameter on, mm. */
  readonly large?: { readonly from: number; readonly fub: number; readonly fyb: number };
}

const KSI = 6.894757;
/** Gr 2 over 3/4 in (SAE J429 Tab. 1: 60 and 36 ksi) and F593 group 1 CW from 3/4 in on (85 and 45 ksi). */
const LARGE_GR2 = { from: 0.7501 * 25.4, fub: 60 * KSI, fyb: 36 * KSI };
const LARGE_F593 = { from: 0.75 * 25.4 - 1e-6, fub: 85 * KSI, fyb: 45 * KSI };

const carbon = { E: 210_000, stainless: false } as const;
const stainless = { E: 200_000, stainless: true, alphaV: 0.5, source: 'ISO 3506-1; EN 1993-1-4 §6.2' } as const;

export const FASTENER_CLASSES: readonly FastenerClass[] = [
  { id: '4.6', family: 'metric', fub: 400, fyb: 240, alphaV: 0.6, source: 'ISO 898-1; EN 1993-1-8 Tab. 3.1', ...carbon },
  { id: '5.8', family: 'metric', fub: 500, fyb: 400, alphaV: 0.5, source: 'ISO 898-1; EN 1993-1-8 Tab. 3.1', ...carbon },
  { id: '8.8', family: 'metric', fub: 800, fyb: 640, alphaV: 0.6, source: 'ISO 898-1; EN 1993-1-8 Tab. 3.1', ...carbon },
  { id: '10.9', family: 'metric', fub: 1000, fyb: 900, alphaV: 0.5, source: 'ISO 898-1; EN 1993-1-8 Tab. 3.1', ...carbon },
  {
    id: '12.9',
    family: 'metric',
    fub: 1200,
    fyb: 1080,
    alphaV: 0.5,
    source: 'ISO 898-1; hydrogen embrittlement when plated',
    ...carbon,
  },
  { id: 'A2-50', family: 'metric', fub: 500, fyb: 210, ...stainless },
  { id: 'A4-50', family: 'metric', fub: 500, fyb: 210, ...stainless },
  { id: 'A2-70', family: 'metric', fub: 700, fyb: 450, ...stainless },
  { id: 'A4-70', family: 'metric', fub: 700, fyb: 450, ...stainless },
  { id: 'A4-80', family: 'metric', fub: 800, fyb: 600, ...stainless },
  { id: 'Gr 2', family: 'inch', fub: 510, fyb: 393, alphaV: 0.5, source: 'SAE J429', ...carbon, large: LARGE_GR2 },
  { id: 'Gr 5', family: 'inch', fub: 827, fyb: 634, alphaV: 0.5, source: 'SAE J429', ...carbon },
  { id: 'Gr 8', family: 'inch', fub: 1034, fyb: 896, alphaV: 0.5, source: 'SAE J429', ...carbon },
  { id: 'A325', family: 'inch', fub: 827, fyb: 634, alphaV: 0.5, source: 'ASTM F3125 A325: 120 and 92 ksi', ...carbon },
  { id: 'A490', family: 'inch', fub: 1034, fyb: 896, alphaV: 0.5, source: 'ASTM F3125 A490: 150 and 130 ksi', ...carbon },
  {
    id: 'F593',
    family: 'inch',
    fub: 690,
    fyb: 448,
    ...stainless,
    source: 'ASTM F593 group 1 CW: 100 and 65 ksi',
    large: LARGE_F593,
  },
];

export function fastenerClass(id: string): FastenerClass | undefined {
  return FASTENER_CLASSES.find((c) => c.id === id);
}

/** The class as made in a diameter, mm. */
export function classIn(c: FastenerClass, d: number): FastenerClass {
  return c.large && d >= c.large.from ? { ...c, fub: c.large.fub, fyb: c.large.fyb } : c;
}

/** The classes that come in a thread family, in rising strength as stocked. */
export function classesFor(family: ThreadFamily): readonly FastenerClass[] {
  return FASTENER_CLASSES.filter((c) => c.family === family);
}

/** Ordered on purpose, not taken off a small shop's shelf (common practice): 12.9 is brittle when plated, -50 is annealed stainless. */
const SELDOM = new Set(['12.9', 'A2-50', 'A4-50', 'A325', 'A490', 'F593']);

/** The classes any shop has of a family. */
export const commonClasses = (family: ThreadFamily): readonly FastenerClass[] =>
  classesFor(family).filter((c) => !SELDOM.has(c.id));
