import type { Verdict } from './evaluate';
import type { Multiple } from './multiple';

/** By hand a job holds, and a draft of the solver says it is good for clearly less. */
export interface SolveIt {
  readonly byHand: number;
  readonly asSolved: number;
  readonly link: string;
}

/** A hand figure this much over the solver's is not left standing by itself. */
export const CLEARLY = 1.1;

/** How a job fares as solved: whether it holds at a multiple of its load, and the multiple it is good for. */
export interface AsSolved {
  holdsAt(times: number): boolean;
  goodFor(): Multiple;
}

/** Whether to say "solve it": asked only where the hand says the job holds, as nobody builds on the other answer. */
export function solveIt(v: Verdict, kept: Multiple, asSolved: () => AsSolved): SolveIt | undefined {
  if (v.state === 'fails' || v.state === 'refused' || !kept.known) return undefined;
  const solved = asSolved();
  if (solved.holdsAt(kept.at / CLEARLY)) return undefined;
  const found = solved.goodFor();
  return found.known ? { byHand: kept.at, asSolved: found.at, link: found.link } : undefined;
}
