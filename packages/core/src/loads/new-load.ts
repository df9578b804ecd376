import { assumed, fromSheet, type Quantity } from '../units/quantity';
import type { Worked } from './builder';
import { builderOf } from './registry';
import type { Load } from './schema';

const each = <A, B>(of: Readonly<Record<string, A>>, f: (a: A, key: string) => B): Record<string, B> =>
  Object.fromEntries(Object.entries(of).map(([k, a]) => [k, f(a, k)]));

/** A load nobody has said anything about yet: every value assumed and marked, every factor its usual one. */
export function newLoad(kind: string, id: string, name?: string): Load {
  const b = builderOf(kind);
  return {
    kind,
    id,
    name: name ?? b.name,
    values: each(b.fields, (f): Quantity => (f.assume[0] === 0 ? fromSheet(...f.assume) : assumed(...f.assume))),
    factors: each(b.factors, (f) => f.usual),
    picks: each(b.picks, (p) => p.options[0]!.value),
    mirrored: false,
    alone: true,
    parts: [],
  };
}

/** The load with the numbers of a worked example in it, so that anyone can see the expected figure come out. */
export function workedLoad(kind: string, w: Worked, id: string): Load {
  const fresh = newLoad(kind, id, w.title.slice(0, 80));
  return {
    ...fresh,
    values: { ...fresh.values, ...each((w.v ?? {}) as Record<string, readonly [number, string]>, (v) => fromSheet(...v)) },
    factors: { ...fresh.factors, ...(w.k as Record<string, number> | undefined) },
    picks: { ...fresh.picks, ...(w.pick as Record<string, string> | undefined) },
  };
}
