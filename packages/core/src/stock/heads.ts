import type { FastenerSize } from './fasteners';

/**
 * Heads of bolts. k_2 of EN 1993-1-8 Tab. 3.4 (0.63 countersunk, else 0.9); height over d (ISO 4014, 4762, 8677, 10642; memory),
 * `sunk` the part of the head's depth that lies in the plate.
 */
export interface HeadKind {
  readonly id: string;
  readonly name: string;
  readonly k2: number;
  /** Height that stands out, over the nominal diameter; the size's own hexagon head or nut where undefined. */
  readonly height?: number;
  readonly sunk: boolean;
}

export const HEADS = [
  { id: 'hexagon', name: 'hexagon bolt', k2: 0.9, sunk: false },
  { id: 'set screw', name: 'hexagon set screw, threaded to the head', k2: 0.9, sunk: false },
  { id: 'socket', name: 'socket cap', k2: 0.9, height: 1, sunk: false },
  { id: 'carriage', name: 'carriage, square neck', k2: 0.9, height: 0.55, sunk: false },
  { id: 'countersunk', name: 'countersunk', k2: 0.63, height: 0, sunk: true },
  { id: 'studding', name: 'studding, nut on both ends', k2: 0.9, sunk: false },
] as const satisfies readonly HeadKind[];

export const HEAD_IDS = ['hexagon', 'set screw', 'socket', 'carriage', 'countersunk', 'studding'] as const;
export const headKind = (id: string): HeadKind => HEADS.find((h) => h.id === id)!;

/**
 * Depth of a countersunk head, mm: ISO 10642 k, M5 to M20 (over it 0.51·d as at M20); inch flat sockets ASME B18.3 (memory).
 */
const SUNK: Readonly<Record<number, number>> = { 5: 3.1, 6: 3.72, 8: 4.96, 10: 6.2, 12: 7.44, 14: 8.4, 16: 8.8, 20: 10.16 };

/** How deep a head lies in what it is let into, mm; 0 for one that stands on it. */
export const headDepth = (id: string, size: Pick<FastenerSize, 'd' | 'family'>): number => {
  if (!headKind(id).sunk) return 0;
  return size.family === 'metric' ? (SUNK[size.d] ?? 0.51 * size.d) : INCH_SUNK * size.d;
};
/** The largest of the inch series over its diameter (1/4 in: 0.161 of 0.250), taken for all (safe). */
const INCH_SUNK = 0.644;

/** Threaded all along: no plain shank to stand in the shear plane. */
export const threadedThrough = (id: string): boolean => id === 'set screw' || id === 'studding';
