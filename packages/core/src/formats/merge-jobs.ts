import equal from 'fast-deep-equal';
import type { WholeJob } from '../job/whole-job';

/** A field both sides changed, each its own way. */
export interface Conflict {
  readonly path: string;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merge {
  /** Conflicts take mine; the caller shows them. */
  readonly job: WholeJob;
  readonly conflicts: readonly Conflict[];
  /** Fields taken from theirs. */
  readonly taken: number;
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

const MISSING = Symbol('missing');
type Slot = Json | typeof MISSING;

const same = (a: Slot, b: Slot) => equal(a, b);
const isObject = (v: Slot): v is { [key: string]: Json } => typeof v === 'object' && v !== null && !Array.isArray(v);
/** A measured quantity changes as one: its number, text and provenance belong together. */
const isQuantity = (v: Slot) => isObject(v) && 'v' in v && 'from' in v;
const isNamed = (v: Slot): v is { id: string }[] =>
  Array.isArray(v) && v.every((x) => isObject(x) && typeof x['id'] === 'string');

/** Three-way merge by field; lists of things with an id (bolts, holes, loads) by id. */
export function mergeJobs(base: WholeJob, mine: WholeJob, theirs: WholeJob): Merge {
  const conflicts: Conflict[] = [];
  let taken = 0;

  const merge = (path: string, b: Slot, m: Slot, t: Slot): Slot => {
    if (same(m, t) || same(b, t)) return m;
    if (same(b, m)) {
      taken++;
      return t;
    }
    if (isObject(b) && isObject(m) && isObject(t) && !isQuantity(b) && sameKind(b, m, t)) return mergeObjects(path, b, m, t);
    if (isNamed(b) && isNamed(m) && isNamed(t)) return mergeLists(path, b, m, t);
    conflicts.push({ path, mine: m === MISSING ? 'removed' : m, theirs: t === MISSING ? 'removed' : t });
    return m;
  };

  const mergeObjects = (path: string, b: { [k: string]: Json }, m: { [k: string]: Json }, t: { [k: string]: Json }): Json => {
    const out: { [k: string]: Json } = {};
    for (const key of new Set([...Object.keys(m), ...Object.keys(t)])) {
      const v = merge(path ? `${path}.${key}` : key, b[key] ?? MISSING, m[key] ?? MISSING, t[key] ?? MISSING);
      if (v !== MISSING) out[key] = v;
    }
    return out;
  };

  const mergeLists = (path: string, b: { id: string }[], m: { id: string }[], t: { id: string }[]): Json => {
    const find = (list: { id: string }[], id: string): Slot => (list.find((x) => x.id === id) as Json | undefined) ?? MISSING;
    const ids = new Set([...m, ...t].map((x) => x.id));
    return [...ids]
      .map((id) => merge(`${path}.${id}`, find(b, id), find(m, id), find(t, id)))
      .filter((x): x is Json => x !== MISSING);
  };

  const job = merge('', base as unknown as Json, mine as unknown as Json, theirs as unknown as Json) as unknown as WholeJob;
  return { job, conflicts, taken };
}

/** Variants of a union (skin, far side) merge inside only while they are of one kind. */
const sameKind = (...v: { [key: string]: Json }[]) => v.every((x) => x['kind'] === v[0]!['kind']);
