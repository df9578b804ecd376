import type { Point } from '../geometry/points';

interface Read {
  readonly value: number;
  readonly at: Point;
}

/** What the spread solver found of one factored case, where the job has its checks judged by it. N, mm, MPa. */
export interface Solved {
  /** Mesh and unknowns, for the working. */
  readonly mesh: string;
  /** Pull in each bolt, with its prying. */
  readonly tensions: readonly number[];
  /** Push down what stands round each bolt. */
  readonly pushes: readonly number[];
  /** Mean over a washer's width. */
  readonly plateStress: Read;
  /** In the plate behind the skin, mean over a washer's width; 0 where there is none. */
  readonly farStress: Read;
  /** In the skin, mean over one thickness beside the plate's edge. */
  readonly edgeStress: Read;
  readonly deflection: Read;
  /** Pressure of the plate on the skin, mean over one skin thickness. */
  readonly pressure: Read;
  /** How hard the plate presses on the skin in all, N. */
  readonly press: number;
  /** Shear across the skin per width, N/mm. */
  readonly skinShear: Read;
  /** Solved with membrane action: it does not go in proportion. */
  readonly membrane: boolean;
  /** Past half the thickness without membrane action, which the job's rules leave out: nothing to judge by. */
  readonly tooThin: boolean;
  readonly overThickness: number;
}
