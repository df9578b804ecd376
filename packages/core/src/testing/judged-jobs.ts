import fc from 'fast-check';
import { evaluate, type SharedCase, type Verdict } from '../chain/evaluate';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { anyJob } from './any-job';

/** A random job that is judged: what it is made of, and what was said of it. */
export interface Judged {
  readonly job: Job;
  readonly r: Resolved;
  readonly v: Verdict;
}

/** Random jobs of any kind that are not refused as a whole, of `n` drawn; each with something else said of it, where asked. */
export const judgedJobs = (n: number, seed: number, change: (j: Job, i: number) => Job = (j) => j): Judged[] =>
  fc.sample(anyJob, { numRuns: n, seed }).flatMap((drawn, i) => {
    const job = change(drawn, i);
    const r = resolve(job);
    if (!isResolved(r)) return [];
    const v = evaluate(job, undefined, 1, r);
    return v.refusals.length > 0 ? [] : [{ job, r, v }];
  });

/** A figure somebody else worked out for one case of a job: used over allowed; undefined where the formula is not his to ask. */
export type Reckoning = (r: Resolved, s: SharedCase) => number | undefined;

/**
 * Puts a link's figures beside somebody else's: how many cases both answered, and each in which they differ by more than `off`, or in
 * which he has a figure and the link says that none is needed.
 */
export function compared(all: readonly Judged[], id: string, reckon: Reckoning, off = 1e-6): { both: number; differ: string[] } {
  let both = 0;
  const differ: string[] = [];
  for (const [n, { r, v }] of all.entries()) {
    const link = v.links.find((l) => l.id === id)!;
    for (const [k, s] of v.shared.entries()) {
      const his = reckon(r, s);
      const ours = link.perCase[k]!;
      if (his === undefined || link.refusedIn.includes(s.loadCase.id)) continue;
      both++;
      if (!(Math.abs(ours - his) <= off * Math.max(1e-3, Math.abs(his))) && ours !== his)
        differ.push(`job ${n}, case ${k}: ${ours} against ${his}`);
    }
  }
  return { both, differ };
}
