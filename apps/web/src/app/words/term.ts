import type { Stroke } from '../load-path/strokes';

/** A word of the trade: what the standards call it, what the shop says, two sentences and a small drawing. */
export interface Term {
  readonly id: string;
  /** As in the standards. */
  readonly term: string;
  /** As at the bench; empty where both say the same. */
  readonly shop: string;
  /** Two sentences. */
  readonly says: string;
  /** Words of the screen that mean it, small letters. */
  readonly known: readonly string[];
  /** On a sheet of 160 × 84. */
  readonly draws: readonly Stroke[];
}

export const term = (
  id: string,
  [standard, shop]: readonly [standard: string, shop: string],
  says: string,
  known: readonly string[],
  draws: readonly Stroke[],
): Term => ({ id, term: standard, shop, says, known, draws });
