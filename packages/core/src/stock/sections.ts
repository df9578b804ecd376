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

/** Round tube EN 10219 and steel pipe ASME B36.10 schedule 40 and 80: outside × wall, and what a pipe is called. */
export const ROUND_TUBES: readonly (readonly [outside: number, wall: number, called?: string])[] = [
  [33.7, 2.6],
  [42.4, 3.2],
  [48.3, 3.2],
  [48.3, 4],
  [60.3, 3.2],
  [60.3, 4],
  [76.1, 3.2],
  [76.1, 5],
  [88.9, 4],
  [88.9, 5],
  [114.3, 4],
  [114.3, 6.3],
  [33.4, 3.38, '1 in schedule 40'],
  [42.2, 3.56, '1¼ in schedule 40'],
  [48.3, 3.68, '1½ in schedule 40'],
  [60.3, 3.91, '2 in schedule 40'],
  [88.9, 5.49, '3 in schedule 40'],
  [48.3, 5.08, '1½ in schedule 80'],
  [60.3, 5.54, '2 in schedule 80'],
];

/** Beams IPE and HEA (EN 10365), channels UPN: depth, flange width, web, flange; mm, from memory. The flange of a UPN is taken at its middle. */
export const BEAMS: readonly (readonly [called: string, depth: number, width: number, web: number, flange: number])[] = [
  ['IPE 80', 80, 46, 3.8, 5.2],
  ['IPE 100', 100, 55, 4.1, 5.7],
  ['IPE 120', 120, 64, 4.4, 6.3],
  ['IPE 140', 140, 73, 4.7, 6.9],
  ['IPE 160', 160, 82, 5, 7.4],
  ['IPE 180', 180, 91, 5.3, 8],
  ['IPE 200', 200, 100, 5.6, 8.5],
  ['IPE 240', 240, 120, 6.2, 9.8],
  ['IPE 300', 300, 150, 7.1, 10.7],
  ['HEA 100', 96, 100, 5, 8],
  ['HEA 120', 114, 120, 5, 8],
  ['HEA 140', 133, 140, 5.5, 8.5],
  ['HEA 160', 152, 160, 6, 9],
  ['HEA 200', 190, 200, 6.5, 10],
];
export const CHANNELS: typeof BEAMS = [
  ['UPN 80', 80, 45, 6, 8],
  ['UPN 100', 100, 50, 6, 8.5],
  ['UPN 120', 120, 55, 7, 9],
  ['UPN 140', 140, 60, 7, 10],
  ['UPN 160', 160, 65, 7.5, 10.5],
  ['UPN 200', 200, 75, 8.5, 11.5],
];

/** "100 × 60 × 5". */
export const sectionWords = (s: readonly number[]): string => s.join(' × ');
