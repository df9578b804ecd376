import type { Resolved } from './resolved';

/** Every view of one joint that was made, by kind, so that what is remembered of a view is worked out once. */
const families = new WeakMap<Resolved, Map<number, Resolved>>();

/** The joint as bolts of one kind see it: size, class, hole and head are theirs; the bolts are all there. */
export function ofKind(r: Resolved, kind: number): Resolved {
  if (r.kind === kind) return r;
  let family = families.get(r);
  if (!family) families.set(r, (family = new Map([[r.kind, r]])));
  let view = family.get(kind);
  if (!view) {
    const { slot: _, ...plain } = r;
    view = { ...plain, ...r.kinds[kind]!, kind };
    family.set(kind, view);
    families.set(view, family);
  }
  return view;
}

/** The joint as bolt i sees it. */
export const atBolt = (r: Resolved, i: number): Resolved => ofKind(r, r.bolts[i]!.kind);

/** One view for each kind of fastener in the joint. */
export const eachKind = (r: Resolved): readonly Resolved[] => r.kinds.map((_, kind) => ofKind(r, kind));

/** Places of the bolts that are of the kind in hand. */
export const ofThisKind = (r: Resolved): readonly number[] => r.bolts.flatMap((b, i) => (b.kind === r.kind ? [i] : []));
