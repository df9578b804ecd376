import type { ThreadFamily } from './fasteners';

/** AISC 360-16 Tab. J3.4 (inch) and J3.4M: centre of a standard hole to the edge, mm; from memory. */
const J3_4: readonly (readonly [d: number, edge: number])[] = [
  [12.7, 19.05],
  [15.875, 22.225],
  [19.05, 25.4],
  [22.225, 28.575],
  [25.4, 31.75],
];
const J3_4M: readonly (readonly [d: number, edge: number])[] = [
  [16, 22],
  [20, 26],
  [22, 28],
  [24, 30],
];

/** Under the table: 1.5·d, its own ratio at 1/2 in; between rows the next larger bolt; over it 1.25·d, as the table says. */
const UNDER = 1.5;
const OVER = 1.25;

const tableOf = (family: ThreadFamily) => (family === 'inch' ? J3_4 : J3_4M);
const SLACK = 1e-6;

export const inTableJ34 = (d: number, family: ThreadFamily): boolean => d >= tableOf(family)[0]![0] - SLACK;

/** Least edge distance of a bolt by AISC, mm. */
export function edgeAISC(d: number, family: ThreadFamily): number {
  if (!inTableJ34(d, family)) return UNDER * d;
  return tableOf(family).find(([row]) => row >= d - SLACK)?.[1] ?? OVER * d;
}
