/**
 * Sections a steel stockholder keeps. Cold-formed square and rectangular hollow sections EN 10219, width × depth × wall;
 * equal angles EN 10056, leg × thickness; flat bar, width × thickness (common practice). mm, from memory.
 */
export const HOLLOW_SECTIONS: readonly (readonly [width: number, depth: number, wall: number])[] = [
  [40, 40, 3],
  [50, 50, 3],
  [50, 50, 5],
  [60, 60, 4],
  [80, 80, 4],
  [80, 80, 6],
  [100, 100, 5],
  [100, 100, 6],
  [100, 100, 8],
  [120, 120, 6],
  [150, 150, 6],
  [150, 150, 8],
  [60, 40, 3],
  [80, 40, 3],
  [100, 50, 4],
  [100, 60, 5],
  [120, 60, 5],
  [120, 80, 6],
  [150, 100, 6],
  [200, 100, 6],
  [200, 120, 8],
];

export const ANGLES: readonly (readonly [leg: number, thickness: number])[] = [
  [25, 3],
  [30, 3],
  [40, 4],
  [50, 5],
  [60, 6],
  [70, 7],
  [80, 8],
  [100, 10],
];

export const FLAT_BARS: readonly (readonly [width: number, thicknesses: readonly number[]])[] = [
  [20, [3, 5, 6]],
  [25, [3, 5, 6, 8]],
  [30, [5, 6, 8, 10]],
  [40, [5, 6, 8, 10, 12]],
  [50, [5, 6, 8, 10, 12, 15]],
  [60, [6, 8, 10, 12, 15]],
  [80, [6, 8, 10, 12, 15, 20]],
  [100, [6, 8, 10, 12, 15, 20]],
];

/** "100 × 60 × 5". */
export const sectionWords = (s: readonly number[]): string => s.join(' × ');
