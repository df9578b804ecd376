import type { Metal } from './metals';

/** Anodic index against gold, V (MIL-STD-889 / MIL-F-14072, memory): the larger is eaten first. Carbon stands near the noble end. */
const GROUP: Readonly<Record<Metal['group'], number>> = {
  steel: 0.85,
  stainless: 0.5,
  aluminium: 0.9,
  titanium: 0.3,
  bronze: 0.4,
  laminate: 0.9,
};

export const potentialOf = (m: Pick<Metal, 'id' | 'group'>): number => (m.id === 'CFRP' ? 0.1 : GROUP[m.group]);
/** Plain and zinc-plated steel bolts count as steel once the zinc is gone; stainless ones as stainless. */
export const boltPotential = (stainless: boolean): number => (stainless ? GROUP.stainless : GROUP.steel);

/** What two metals in contact may differ by, V (same sources; salt 0.15, weather 0.25, dry 0.50). */
export const ALLOWED = { 'dry inside': 0.5, weather: 0.25, salt: 0.15 } as const;
/** Glass laminate does not conduct. */
export const conducts = (m: Pick<Metal, 'id' | 'group'>): boolean => m.group !== 'laminate' || m.id === 'CFRP';
