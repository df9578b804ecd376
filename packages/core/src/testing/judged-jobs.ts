import fc from 'fast-check';
import { asCounted } from '../chain/evaluate';
import { asked } from '../chain/link';
import { applies } from '../checks/check';
import { loaded, type UnderLoad } from '../checks/demand/loaded';
import { CHECKS } from '../checks/registry';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { casesOf } from '../loads/cases';
import type { Shared } from '../sharing/share';
import { isRefusal } from '../units/refusal';
import { Working } from '../working/steps';
import { anyJob } from './any-job';

/** A case as it is shared, and the pull that comes of it in each bolt, with its prying, N. */
export type Pulled = Shared & { readonly pulls: readonly number[] };

/** A random job that can be judged, and each of its cases on it. */
export interface Judged {
  readonly r: Resolved;
  readonly cases: readonly { readonly under: UnderLoad; readonly s: Pulled }[];
}

const SILENT = new Working(false);

/** Random jobs of any kind that are not refused as a whole, of `n` drawn; each with something else said of it, where asked. */
export const judgedJobs = (n: number, seed: number, change: (j: Job, i: number) => Job = (j) => j): Judged[] =>
  fc.sample(anyJob, { numRuns: n, seed }).flatMap((drawn, i) => {
    const job = change(drawn, i);
    const r = resolve(job);
    if (!isResolved(r)) return [];
    const under = casesOf(job).map((c) => loaded(r, asCounted(c, job.practice)));
    if (under.some(isRefusal)) return [];
    const cases = (under as UnderLoad[]).map((u) => ({
      under: u,
      s: { ...u.s, pulls: r.bolts.map((_, k) => u.s.demand.pull(k, SILENT)) },
    }));
    return [{ r, cases }];
  });

/** A figure somebody else worked out for one case of a job: used over allowed; undefined where the formula is not his to ask. */
export type Reckoning = (r: Resolved, s: Pulled) => number | undefined;

/** Every figure a check has, case by case: used over allowed, of which job. */
export function figuresOf(
  all: readonly Judged[],
  id: string,
): { readonly n: number; readonly k: number; readonly r: Resolved; readonly s: Pulled; readonly used: number }[] {
  const check = CHECKS.find((c) => c.id === id)!;
  return all.flatMap(({ r, cases }, n) =>
    cases.flatMap(({ under, s }, k) => {
      const found = asked(check, under);
      return isRefusal(found) ? [] : [{ n, k, r, s, used: applies(found) ? found.utilisation : NaN }];
    }),
  );
}

/**
 * Puts a check's figures beside somebody else's: how many cases both answered, and each in which they differ by more than `off`, or in
 * which he has a figure and the check says that none is needed.
 */
export function compared(all: readonly Judged[], id: string, reckon: Reckoning, off = 1e-6): { both: number; differ: string[] } {
  const both = figuresOf(all, id).flatMap((f) => {
    const his = reckon(f.r, f.s);
    return his === undefined ? [] : [{ ...f, his }];
  });
  const apart = both.filter(({ used, his }) => !(Math.abs(used - his) <= off * Math.max(1e-3, Math.abs(his))) && used !== his);
  return { both: both.length, differ: apart.map(({ n, k, used, his }) => `job ${n}, case ${k}: ${used} against ${his}`) };
}

/** Expects a check's figures to agree with somebody else's in every case, and in more than so many. */
export function agree(all: readonly Judged[], id: string, least: number, reckon: Reckoning): void {
  const { both, differ } = compared(all, id, reckon);
  expect(differ.slice(0, 3)).toEqual([]);
  expect(both).toBeGreaterThan(least);
}

/** The most over all bolts. */
export const mostOver = (r: Resolved, f: (i: number) => number): number => Math.max(...r.bolts.map((_, i) => f(i)));

/** Divisor on what the skin is made of: wood has k_mod of it left under a short load, 0.9, and 0.7 in the weather (EN 1995-1-1 Tab. 3.1, memory). */
export const onSkinFor = (r: Resolved): number => r.factors.onSkin / (r.skin.wood ? (r.serviceClass === 3 ? 0.7 : 0.9) : 1);

export const isMetalSkin = (r: Resolved): boolean => ['sheet', 'hollow', 'flange'].includes(r.skinKind);
export const isSunk = (r: Resolved): boolean => r.joint.head === 'countersunk';
