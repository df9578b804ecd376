import type { UnitSystem } from '../units/format-quantity';

/** Lengths that bars and studding are sold in, mm (common practice: 6 m and 20 ft bars, 1 m and 36 in studding). */
export const BAR_LENGTHS: Readonly<Record<'bar' | 'studding', Readonly<Record<UnitSystem, number>>>> = {
  bar: { mm: 6000, inch: 6096 },
  studding: { mm: 1000, inch: 914.4 },
};

/** Width of a cut and what is cut off a bar’s end first, mm: a band or cold saw (common practice). */
export const USUAL_SAW = { kerf: 3, endWaste: 10 } as const;
