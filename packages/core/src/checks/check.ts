import { isHeldByThreadOf } from '../job/joint';
import { atBolt, ofThisKind } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { notApplicable, type Loaded, type NotApplicable } from './demand/demand';
import { refuse, type Refusal } from '../units/refusal';
import { Working } from '../working/steps';
import { remembered } from './remembered';

/** Part of the stack a link belongs to, in section order from fitting to structure. */
export type Element = 'lug' | 'weld' | 'base' | 'fastener' | 'plate' | 'far side' | 'skin' | 'joint';

export interface Outcome {
  readonly demand: number;
  readonly capacity: number;
  readonly unit: 'N' | 'N/mm' | 'MPa' | 'mm' | 'V' | 'mm²' | '–';
  readonly utilisation: number;
  /** Where: a bolt's name, or words. */
  readonly at: string;
  readonly cautions: readonly string[];
  /** Set where this figure does not come from the load, though the check's others do (clamping alone). */
  readonly loadFree?: true;
}

export { notApplicable, remembered, type NotApplicable };

export type CheckResult = Outcome | NotApplicable | Refusal;

/** One link of the load path: a function from the resolved job and one shared case to demand, capacity and working. */
export interface Check {
  readonly id: string;
  /** The link's short trade name, as on the chain. */
  readonly name: string;
  readonly element: Element;
  /** What it says in a sentence. */
  readonly says: string;
  /** Why the link matters, in two or three plain sentences. */
  readonly why: string;
  readonly source: string;
  /** Inputs it is valid for, as words. */
  readonly range: string;
  /** Set where the load does not enter: it can fail, but never names a multiple of the load. */
  readonly loadFree?: true;
  /** Judges a plate that is held by its welds alone too. */
  readonly withoutBolts?: true;
  evaluate(r: Resolved, s: Loaded, w: Working): CheckResult;
}

export const applies = (c: CheckResult): c is Outcome | Refusal => !('applies' in c);

export function outcome(
  demand: number,
  capacity: number,
  unit: Outcome['unit'],
  at: string,
  cautions: readonly string[] = [],
): Outcome {
  return { demand, capacity, unit, utilisation: capacity > 0 ? demand / capacity : Infinity, at, cautions };
}

const SILENT = new Working(false);

/** Demand on and capacity at each bolt; capacities do not depend on the case. */
export interface BoltCheck {
  /** N or –. */
  demand(r: Resolved, s: Loaded, i: number, w: Working): number;
  capacity(r: Resolved, i: number, w: Working): number;
}

/** Judges every bolt of `among`, and writes down the working of the worst. */
export function worstBolt(
  among: readonly number[],
  r: Resolved,
  s: Loaded,
  w: Working,
  check: BoltCheck,
  capacities: readonly number[],
): Outcome {
  let at = among[0]!;
  let most = -1;
  for (const i of among) {
    const u = check.demand(r, s, i, SILENT) / capacities[i]!;
    if (u > most) [most, at] = [u, i];
  }
  const demand = check.demand(r, s, at, w);
  return outcome(demand, w.recording ? check.capacity(r, at, w) : capacities[at]!, 'N', r.bolts[at]!.id);
}

/** Capacities of all bolts, silently, remembered for the job. */
export const capacitiesOf = (check: Pick<BoltCheck, 'capacity'>) =>
  remembered((r) => r.bolts.map((_, i) => check.capacity(atBolt(r, i), i, SILENT)));
/** Every bolt of the kind the joint is seen as; all of them where they are alike. */
export const everyBolt = remembered(ofThisKind);

/** Evaluates every item silently, then the worst once more with its working written down. */
export function worst<T>(items: readonly T[], w: Working, f: (item: T, index: number, w: Working) => Outcome): Outcome {
  let at = 0;
  let found = f(items[0]!, 0, SILENT);
  for (let i = 1; i < items.length; i++) {
    const next = f(items[i]!, i, SILENT);
    if (next.utilisation > found.utilisation) [found, at] = [next, i];
  }
  return w.recording ? f(items[at]!, at, w) : found;
}

/** Several feet on one member bend it together, which is not added up here. */
export const SHARED_MEMBER = refuse(
  'standing.on',
  'the other feet load the same member, which is judged here under one foot alone',
  'feet on members of their own, or the member judged apart',
);

/** A rule of layout: the load does not enter, so it is asked once of a job, whatever the cases and feet. */
export function layoutRule(
  check: Omit<Check, 'evaluate' | 'loadFree'> & { evaluate(r: Resolved, w: Working): CheckResult },
): Check {
  const silently = remembered((r) => check.evaluate(r, SILENT));
  return { ...check, loadFree: true, evaluate: (r, _s, w) => (w.recording ? check.evaluate(r, w) : silently(r)) };
}

/** A check of the skin where bolts go through it: a solid bed has none, its anchors are judged by Anchors in the bed. */
export const onSkin = (check: Check): Check => ({
  ...check,
  evaluate: (r, s, w) =>
    r.skinKind === 'bed' ? notApplicable('bolts end in the bed: see Anchors in the bed') : check.evaluate(r, s, w),
});

/** Held by a thread cut or set into the structure, without a nut of its own. */
export const isHeldByThread = (r: Resolved): boolean => isHeldByThreadOf(r.joint);
export const isLag = (r: Resolved): boolean => r.joint.holding === 'lag screw';
