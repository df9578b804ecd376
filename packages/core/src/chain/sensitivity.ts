import type { Job } from '../job/schema';
import { assumedValues, withQuantity, type NamedValue } from '../job/values';
import { evaluate, type Verdict } from './evaluate';

/** How much one assumed value moves the weakest link when it alone is wrong. */
export interface Sensitivity {
  readonly path: string;
  readonly label: string;
  readonly stage: NamedValue['stage'];
  /** The weakest utilisation with the value lower and higher by `by`; NaN where the job can then not be computed. */
  readonly lower: number;
  readonly higher: number;
  /** The larger change of the weakest utilisation; Infinity where one side cannot be computed. */
  readonly moves: number;
  /** What was tried, in words: "± 10 %", "± 5°". */
  readonly by: string;
}

const degrees = Math.PI / 180;

/** How wrong an assumed value is taken to be (common practice: a tenth; angles five degrees; hole centres a millimetre). */
function spread(n: NamedValue): { readonly by: string; readonly low: number; readonly high: number } | undefined {
  const { v } = n.value;
  const { dimension } = n.range;
  const raw: readonly [number, number, string] =
    dimension === 'angle'
      ? [v - 5 * degrees, v + 5 * degrees, '± 5°']
      : dimension === 'count'
        ? [v - 1, v + 1, '± 1']
        : [v * 0.9, v * 1.1, '± 10 %'];
  if (v === 0 && dimension !== 'angle' && dimension !== 'count') return undefined;
  const least = n.range.min ?? n.range.above ?? -Infinity;
  const inside = (x: number) => x <= n.range.max && (n.range.above === undefined ? x >= least : x > least);
  return { low: inside(raw[0]) ? raw[0] : v, high: inside(raw[1]) ? raw[1] : v, by: raw[2] };
}

/** The largest utilisation that the load enters; NaN where the job, or any of its links, cannot be computed. */
function weakestOf(v: Verdict, asBefore: Verdict): number {
  const refused = (x: Verdict) =>
    x.links
      .filter((l) => l.state === 'refused')
      .map((l) => l.id)
      .join();
  // A link that is refused with or without the change says nothing about this value.
  if (v.links.length === 0 || refused(v) !== refused(asBefore)) return NaN;
  return v.links.reduce((w, l) => (l.loadFree ? w : Math.max(w, l.utilisation)), 0);
}

/**
 * Every assumed value, the one that moves the weakest link most first: what to measure next. One at a time, each lower
 * and higher by the stated spread, the whole path evaluated anew. The base's hole pattern has no size to vary and is
 * left out here: the layout refuses where bolts and holes do not meet.
 */
export function whatToMeasure(job: Job): Sensitivity[] {
  const before = evaluate(job);
  const now = weakestOf(before, before);
  if (before.refusals.length > 0) return [];
  return assumedValues(job)
    .filter((n) => n.path !== 'base.holes')
    .flatMap((n): Sensitivity[] => {
      const s = spread(n);
      if (!s) return [];
      const at = (v: number) =>
        v === n.value.v ? now : weakestOf(evaluate(withQuantity(job, n.path, { ...n.value, v })), before);
      const [lower, higher] = [at(s.low), at(s.high)];
      const moves =
        Number.isNaN(lower) || Number.isNaN(higher) ? Infinity : Math.max(Math.abs(lower - now), Math.abs(higher - now));
      return [{ path: n.path, label: n.label, stage: n.stage, lower, higher, moves, by: s.by }];
    })
    .sort((a, b) => b.moves - a.moves || a.label.localeCompare(b.label));
}
