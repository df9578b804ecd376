import { INCH } from '../units/unit-table';
import type { FastenerSize } from './fasteners';

/** The limits at which threads hold least: bolt at its smallest, hole at its largest; mm. */
export interface ThreadLimits {
  /** Least major and pitch diameter of the bolt. */
  readonly dMin: number;
  readonly d2Min: number;
  /** Largest minor and pitch diameter of the hole. */
  readonly D1Max: number;
  readonly D2Max: number;
}

/**
 * ISO 965-1 (memory), 6g bolt in a 6H hole, µm: by pitch the allowance es of g, tolerance T_d of the bolt's major and T_D1 of the
 * hole's minor diameter.
 */
const BY_PITCH: Readonly<Record<number, readonly [es: number, Td: number, TD1: number]>> = {
  0.8: [24, 150, 200],
  1: [26, 180, 236],
  1.25: [28, 212, 265],
  1.5: [32, 236, 300],
  1.75: [34, 265, 335],
  2: [38, 280, 375],
  2.5: [42, 335, 450],
  3: [48, 375, 500],
};

/** The same standard's pitch diameter tolerances T_d2 and T_D2, µm, by diameter up to and pitch. */
const BY_DIAMETER: readonly (readonly [upTo: number, rows: Readonly<Record<number, readonly [Td2: number, TD2: number]>>])[] = [
  [5.6, { 0.8: [95, 125] }],
  [11.2, { 1: [112, 150], 1.25: [118, 160], 1.5: [132, 180] }],
  [22.4, { 1: [118, 160], 1.25: [132, 180], 1.5: [140, 190], 1.75: [150, 200], 2: [160, 212], 2.5: [170, 224] }],
  [45, { 1: [125, 170], 1.5: [150, 200], 2: [170, 224], 3: [200, 265] }],
];

const minor = (d: number, P: number) => d - 1.0825 * P;
const pitchDiameter = (d: number, P: number) => d - 0.6495 * P;

function metric(d: number, P: number): ThreadLimits {
  const [es, Td, TD1] = BY_PITCH[P]!;
  const [Td2, TD2] = BY_DIAMETER.find(([upTo]) => d <= upTo)![1][P]!;
  const d2 = pitchDiameter(d, P);
  return {
    dMin: d - (es + Td) / 1000,
    d2Min: d2 - (es + Td2) / 1000,
    D1Max: minor(d, P) + TD1 / 1000,
    D2Max: d2 + TD2 / 1000,
  };
}

/** ASME B1.1 classes 2A and 2B by its formulas, inches inside; length of engagement one diameter. */
function unified(dMm: number, pMm: number): ThreadLimits {
  const [D, P] = [dMm / INCH, pMm / INCH];
  const Td2 = 0.0015 * Math.cbrt(D) + 0.0015 * Math.sqrt(D) + 0.015 * Math.cbrt(P * P);
  const allowance = 0.3 * Td2;
  const mm = (v: number) => v * INCH;
  return {
    dMin: mm(D - allowance - 0.06 * Math.cbrt(P * P)),
    d2Min: mm(pitchDiameter(D, P) - allowance - Td2),
    D1Max: mm(minor(D, P) + 0.25 * P - 0.4 * P * P),
    D2Max: mm(pitchDiameter(D, P) + 1.3 * Td2),
  };
}

export const threadLimits = (s: Pick<FastenerSize, 'family' | 'd' | 'pitch'>): ThreadLimits =>
  s.family === 'metric' ? metric(s.d, s.pitch) : unified(s.d, s.pitch);
