/** Median of some readings and how far apart the farthest two are. Throws on an empty list. */
export function medianAndSpread(readings: readonly number[]): { median: number; spread: number } {
  if (readings.length === 0) throw new RangeError('no readings');
  const sorted = [...readings].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  const median = sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
  return { median, spread: sorted.at(-1)! - sorted[0]! };
}
