import { evaluate, TIGHT, type Link, type Verdict } from '../chain/evaluate';
import { goodFor } from '../chain/multiple';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { massOf, roughCost, roughMinutes } from '../shop/weight-and-cost';
import { changesOf, type Change } from './changes';

/** A change that clears a link, with what it does to everything else. */
export interface Clearing extends Change {
  /** Of the link it clears. */
  readonly utilisation: number;
  readonly weakest: string;
  readonly weakestUtilisation: number;
  /** Good for so many times the load, with the factors kept; 0 where that is not known. */
  readonly goodFor: number;
  /** Against the job as it is: kg, the shop's money, minutes. */
  readonly mass: number;
  readonly cost: number;
  readonly minutes: number;
}

/** Most that are offered for one link. */
const OFFERED = 4;

const failing = (v: Verdict) => new Map(v.links.filter((l) => l.state === 'fails').map((l) => [l.id, l.utilisation]));
const refused = (v: Verdict) => new Set(v.links.filter((l) => l.state === 'refused').map((l) => l.id));

/** True where nothing else lets go that held before, nothing that failed fails worse, and nothing new is refused. */
function movesNothing(before: Verdict, now: Verdict, target: string): boolean {
  const failed = failing(before);
  for (const [id, u] of failing(now)) if (id === target || u > (failed.get(id) ?? 0) + 1e-9) return false;
  const known = refused(before);
  return [...refused(now)].every((id) => known.has(id));
}

const costs = (r: Resolved) => ({
  mass: massOf(r),
  cost: roughCost(r),
  minutes: roughMinutes(r),
});

function judged(c: Change, target: Link, before: Verdict, was: ReturnType<typeof costs>): Clearing | undefined {
  const r = resolve(c.job);
  if (!isResolved(r)) return undefined;
  const now = evaluate(c.job);
  const link = now.links.find((l) => l.id === target.id);
  const weakest = now.links.find((l) => l.id === now.weakest);
  if (now.refusals.length > 0 || !link || !weakest || link.state === 'refused') return undefined;
  if (link.utilisation > (target.state === 'tight' ? TIGHT : 1) || !movesNothing(before, now, target.id)) return undefined;
  const is = costs(r);
  return {
    ...c,
    utilisation: link.utilisation,
    weakest: weakest.name,
    weakestUtilisation: weakest.utilisation,
    goodFor: 0,
    mass: is.mass - was.mass,
    cost: is.cost - was.cost,
    minutes: is.minutes - was.minutes,
  };
}

/**
 * Up to four smallest changes that clear a failing, tight or refused link, cheapest first, each evaluated on the whole path.
 * Of each kind of change only the smallest that does it; one that only moves the failure to another link is not offered.
 * Empty where the link is sound or not needed, or nothing small clears it.
 */
export function whatClears(job: Job, linkId: string): Clearing[] {
  const before = evaluate(job);
  const target = before.links.find((l) => l.id === linkId);
  const r = resolve(job);
  if (!target || target.state === 'sound' || target.state === 'not needed' || !isResolved(r)) return [];
  const was = costs(r);
  const found = new Map<string, Clearing>();
  for (const c of changesOf(job)) {
    if (found.has(c.kind)) continue;
    const ok = judged(c, target, before, was);
    if (ok) found.set(c.kind, ok);
  }
  return [...found.values()]
    .sort((a, b) => a.cost - b.cost || a.mass - b.mass)
    .slice(0, OFFERED)
    .map((c) => {
      const m = goodFor(c.job, evaluate(c.job));
      return { ...c, goodFor: m.known ? m.at : 0 };
    });
}

/** The job with a clearing taken: only what it changes, so that whatever else was changed meanwhile stays. */
export const withClearing = (job: Job, c: Pick<Clearing, 'job'>): Job => ({
  ...job,
  plate: c.job.plate,
  bolts: c.job.bolts,
  far: c.job.far,
  joint: c.job.joint,
  welds: c.job.welds,
  ...(c.job.lug ? { lug: c.job.lug } : {}),
});
