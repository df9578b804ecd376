import type { Resolved } from '../job/resolve';

/** A value that depends on the resolved job alone, computed once for it and kept while it lives. */
export function remembered<T>(f: (r: Resolved) => T): (r: Resolved) => T {
  const known = new WeakMap<Resolved, { readonly value: T }>();
  return (r) => {
    let kept = known.get(r);
    if (!kept) known.set(r, (kept = { value: f(r) }));
    return kept.value;
  };
}
