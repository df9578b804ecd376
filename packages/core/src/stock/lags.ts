import { INCH } from '../units/unit-table';
import type { FastenerSize } from './fasteners';

/** What of a lag screw holds in wood; mm. */
export interface LagShape {
  /** Diameter at the root of the thread, and length of the point, where the thread runs out. */
  readonly root: number;
  readonly tip: number;
}

type InchRow = readonly [d: number, root: number, tip: number];

/** ASME B18.2.1 lag screws, as NDS Appendix L Tab. L2 has them (memory); in. */
const INCHES: readonly InchRow[] = [
  [1 / 4, 0.173, 5 / 32],
  [5 / 16, 0.227, 3 / 16],
  [3 / 8, 0.265, 7 / 32],
  [7 / 16, 0.328, 9 / 32],
  [1 / 2, 0.371, 5 / 16],
  [5 / 8, 0.471, 13 / 32],
  [3 / 4, 0.579, 1 / 2],
  [7 / 8, 0.683, 19 / 32],
  [1, 0.78, 11 / 16],
];

/** Core of DIN 571 (memory), mm. */
const METRIC: Readonly<Record<number, number>> = { 5: 3.5, 6: 4.2, 8: 5.6, 10: 7, 12: 9, 16: 12, 20: 15 };
/** Where no table has a row: root as in the smallest sizes, point as long as the screw is thick (common practice). */
const ROOT = 0.68;

type Size = Pick<FastenerSize, 'd' | 'family'>;

export function lagShape({ d, family }: Size): LagShape {
  const inch = family === 'inch' ? INCHES.find(([v]) => Math.abs(v * INCH - d) < 0.01) : undefined;
  if (inch) return { root: inch[1] * INCH, tip: inch[2] * INCH };
  return { root: METRIC[d] ?? ROOT * d, tip: d };
}

/**
 * Thread of a lag screw so long, point and all, mm: half its length and 1/2 in, from 1/4 in under the head on and no more than 6 in (ASME
 * B18.2.1, memory); metric 0.6 of its length (DIN 571, memory).
 */
export const lagThread = ({ family }: Pick<FastenerSize, 'family'>, length: number): number =>
  family === 'inch' ? Math.max(0, Math.min(length / 2 + INCH / 2, length - INCH / 4, 6 * INCH)) : 0.6 * length;

/** The least length of a lag screw with so much thread, mm; Infinity where none has it. */
export function lagLengthFor({ family }: Pick<FastenerSize, 'family'>, thread: number): number {
  if (family === 'metric') return thread / 0.6;
  return thread > 6 * INCH + 1e-6 ? Infinity : Math.max(2 * thread - INCH, thread + INCH / 4);
}
