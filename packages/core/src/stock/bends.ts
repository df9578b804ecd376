import type { Metal } from './metals';

/**
 * Least inside bend radius over thickness, for bends across the rolling direction (common practice; maker's tables go first),
 * and the K-factor of the neutral line for air bending (common practice).
 */
const STEEL = 1;
const STRONG_STEEL = 2.5;
const RADII: Readonly<Record<string, number>> = {
  S420: 1.5,
  S460: 2,
  S690: STRONG_STEEL,
  '5052-H32': 1,
  '5083-H111': 1.5,
  '6061-T6': 3,
  '6082-T6': 3.5,
  'Ti-2': 2,
  'Ti-5': 4.5,
};

export const leastBend = (m: Pick<Metal, 'id' | 'group'>): number =>
  RADII[m.id] ?? (m.group === 'aluminium' ? 3 : m.group === 'titanium' ? 4.5 : m.group === 'bronze' ? 1.5 : STEEL);

/** Laminates do not bend cold. */
export const bends = (m: Pick<Metal, 'group'>): boolean => m.group !== 'laminate';

/** K-factor by r/t (common practice): tighter bends pull the neutral line in. */
export const kFactor = (r: number, t: number): number => (r < t ? 0.33 : r < 3 * t ? 0.4 : 0.5);

/** The arc of the neutral line round a bend, mm: θ·(r + K·t). */
export const allowanceOf = (theta: number, r: number, t: number, K: number): number => theta * (r + K * t);

/** From the start of a bend to where its outsides would meet, mm: tan(θ/2)·(r + t). */
export const setback = (theta: number, r: number, t: number): number => Math.tan(theta / 2) * (r + t);
