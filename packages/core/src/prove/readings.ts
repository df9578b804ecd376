import { medianAndSpread } from '../units/median';

/** Statistics of a few readings of one thing, mm. */
export interface OfReadings {
  readonly median: number;
  readonly mean: number;
  /** Largest less smallest. */
  readonly spread: number;
  /** Standard deviation of the sample (n − 1); undefined of one reading. */
  readonly s: number | undefined;
  readonly count: number;
}

/** Throws RangeError of no reading. */
export function ofReadings(readings: readonly number[]): OfReadings {
  const count = readings.length;
  if (count === 0) throw new RangeError('no reading');
  const mean = readings.reduce((a, b) => a + b, 0) / count;
  const s = count > 1 ? Math.sqrt(readings.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (count - 1)) : undefined;
  return { ...medianAndSpread(readings), mean, s, count };
}
