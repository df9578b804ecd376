import type { Resolved } from '../job/resolved';

/**
 * The bolts that hold the base itself, in the order of the joint: those that go through it, where no weld does. All that the fitting
 * brings goes through these; the bolts beside the base hold the plate alone.
 */
export function baseBolts(r: Resolved): readonly number[] {
  let found = known.get(r);
  if (!found) {
    found = r.welds.fitting === 'none' ? r.bolts.flatMap((b, i) => (b.throughBase ? [i] : [])) : [];
    known.set(r, found);
  }
  return found;
}
const known = new WeakMap<Resolved, readonly number[]>();
