import { atEachFoot } from '../job/at-foot';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import type { WholeJob } from '../job/whole-job';
import type { Refusal } from '../units/refusal';
import { handsOf, partList, type ListedPart } from './part-list';

/** Each foot of a job ready to be made. */
export interface MadeFoot {
  readonly id: string;
  /** Empty of a job on one foot. */
  readonly name: string;
  readonly job: Job;
  readonly r: Resolved;
  /** 2 of a left and right pair: all but what is marked out is done twice. */
  readonly hands: 1 | 2;
}

/** A job as the bench has it: every part once, every foot resolved. */
export interface MadeOf {
  readonly whole: WholeJob;
  readonly parts: readonly ListedPart[];
  readonly feet: readonly MadeFoot[];
}

const made = new WeakMap<WholeJob, MadeOf | { readonly refusals: readonly Refusal[] }>();

/** The job laid out for making, worked out once for a document; refused with the foot’s name where one of them cannot be made. */
export function madeOf(whole: WholeJob): MadeOf | { readonly refusals: readonly Refusal[] } {
  let found = made.get(whole);
  if (!found) made.set(whole, (found = find(whole)));
  return found;
}

function find(whole: WholeJob): MadeOf | { readonly refusals: readonly Refusal[] } {
  const list = partList(whole);
  if ('refusals' in list) return list;
  const several = whole.feet.length > 1;
  const feet: MadeFoot[] = [];
  for (const { foot, job } of atEachFoot(whole)) {
    const r = resolve(job);
    if (!isResolved(r)) return { refusals: r.map((x) => (several ? { ...x, field: `${foot.name}: ${x.field}` } : x)) };
    feet.push({ id: foot.id, name: several ? foot.name : '', job, r, hands: handsOf(whole, job) });
  }
  return { whole, parts: list.parts, feet };
}
