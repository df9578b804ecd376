import type { UnitSystem } from '../units/format-quantity';

/** Sheets as they are sold, mm: long side first (common practice: small, medium and large format; 4 × 4, 4 × 8 and 5 × 10 ft). */
export const SHEET_SIZES: Readonly<Record<UnitSystem, readonly (readonly [long: number, wide: number])[]>> = {
  mm: [
    [2000, 1000],
    [2500, 1250],
    [3000, 1500],
  ],
  inch: [
    [1219.2, 1219.2],
    [2438.4, 1219.2],
    [3048, 1524],
  ],
};

/** Between parts, and along the sheet's edges, which are seldom straight, mm: plasma or saw (common practice). */
export const USUAL_SHEET_CUT = { kerf: 3, margin: 10 } as const;
