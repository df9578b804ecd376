import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { Working, type Step } from '../working/steps';
import { atDatum, factored, mirrored, type Action, type LoadCase } from './load-case';
import { putOf } from './put';
import { builderOf } from './registry';
import type { Combination, Load } from './schema';

/** Most cases a job is judged on. */
export const MAX_CASES = 200;

/** What of a job the cases rest on. */
export interface Loaded {
  readonly loads: readonly Load[];
  readonly combinations: readonly Combination[];
  readonly practice: { readonly school: string; readonly gammaG: number; readonly gammaQ: number };
}

/** γ on a load by how it counts: limit states only; working loads and proof take the load as it comes. */
export function loadFactor(practice: Loaded['practice'], action: LoadCase['action']): number {
  if (practice.school !== 'limit' || action === 'combined' || action === 'accidental') return 1;
  return action === 'permanent' ? practice.gammaG : practice.gammaQ;
}

/** The cases of one load at the datum, before the school's factor. A load that refuses has none. */
export function casesOfLoad(load: Load, recording = true): LoadCase[] {
  const b = builderOf(load.kind);
  const put = putOf(load);
  if (b.refuses?.(put)) return [];
  return b.cases(put).map((c, i) => {
    const w = new Working(recording);
    const p = c.of(w);
    const one: LoadCase = {
      id: `${load.id}-${i + 1}`,
      name: c.name ? `${load.name}: ${c.name}` : load.name,
      loadId: load.id,
      action: c.action,
      at: p.at,
      ...atDatum(p, w),
      steps: w.steps,
    };
    return load.mirrored ? mirrored(one) : one;
  });
}

/** Every choice of one case from each list. */
const product = <T>(lists: readonly (readonly T[])[]): T[][] =>
  lists.reduce<T[][]>((all, list) => all.flatMap((chosen) => list.map((x) => [...chosen, x])), [[]]);

function combined(c: Combination, chosen: readonly LoadCase[], i: number, loaded: Loaded, recording: boolean): LoadCase {
  const steps: Step[] = [];
  const sum = { fx: 0, fy: 0, fz: 0, mx: 0, my: 0, mz: 0 };
  const at = { x: 0, y: 0, z: 0 };
  let weight = 0;
  chosen.forEach((one, k) => {
    const own = c.parts[k]!.factor;
    const factor = own ?? loadFactor(loaded.practice, one.action);
    const f = factored(one, factor);
    for (const key of ['fx', 'fy', 'fz', 'mx', 'my', 'mz'] as const) sum[key] += f[key];
    const size = Math.hypot(f.fx, f.fy, f.fz);
    weight += size;
    for (const key of ['x', 'y', 'z'] as const) at[key] += one.at[key] * size;
    if (recording)
      steps.push({
        symbol: 'γ',
        text: `${one.name}${own === null ? `, ${one.action}` : ', own factor'}`,
        inputs: {},
        value: factor,
        unit: '×',
        note:
          own === null
            ? `the job’s factor in ${loaded.practice.school === 'limit' ? 'limit states' : 'its school'}`
            : 'overridden',
      });
  });
  if (recording)
    for (const key of ['fx', 'fy', 'fz', 'mx', 'my', 'mz'] as const)
      steps.push({
        symbol: `${key[0]!.toUpperCase()}_${key[1]}`,
        text: 'sum of the loads, each with its factor',
        inputs: {},
        value: sum[key],
        unit: key[0] === 'f' ? 'N' : 'N·mm',
      });
  const mean = (v: number) => (weight > 0 ? v / weight : 0);
  const words = chosen.map((x) => x.name).join(' + ');
  return {
    id: `${c.id}-${i + 1}`,
    name: `${c.name}: ${words}`,
    loadId: c.id,
    action: 'combined',
    ...sum,
    at: { x: mean(at.x), y: mean(at.y), z: mean(at.z) },
    steps,
  };
}

/** Everything about the loads that cannot be computed: a builder that refuses, a combination of what is not there, too many. */
export function loadRefusals(loaded: Loaded): Refusal[] {
  const no: Refusal[] = [];
  for (const l of loaded.loads) {
    const r = builderOf(l.kind).refuses?.(putOf(l));
    if (isRefusal(r)) no.push({ ...r, field: `${l.name}: ${r.field}` });
  }
  const known = new Set(loaded.loads.map((l) => l.id));
  for (const c of loaded.combinations) {
    const missing = c.parts.filter((p) => !known.has(p.load));
    if (missing.length > 0)
      no.push(refuse(c.name, `it combines "${missing[0]!.load}", which is no longer there`, 'loads of this job'));
  }
  if (no.length > 0) return no;
  const lists = loaded.loads.map((l) => [l.id, builderOf(l.kind).cases(putOf(l)).length] as const);
  const count = new Map(lists);
  const total =
    loaded.loads.filter((l) => l.alone).reduce((n, l) => n + count.get(l.id)!, 0) +
    loaded.combinations.reduce((n, c) => n + c.parts.reduce((k, p) => k * count.get(p.load)!, c.parts.length > 0 ? 1 : 0), 0);
  if (total > MAX_CASES)
    no.push(refuse('loads', `they make ${total} cases`, `up to ${MAX_CASES}: fewer directions, or combine fewer loads`));
  return no;
}

/** All cases of a job, in the order of its loads and then its combinations; none where `loadRefusals` has any. */
export function casesOf(loaded: Loaded, recording = false): LoadCase[] {
  if (loadRefusals(loaded).length > 0) return [];
  const byLoad = new Map(loaded.loads.map((l) => [l.id, casesOfLoad(l, recording)]));
  const out = loaded.loads.flatMap((l) => (l.alone ? byLoad.get(l.id)! : []));
  for (const c of loaded.combinations) {
    if (c.parts.length === 0) continue;
    const all = product(c.parts.map((p) => byLoad.get(p.load)!));
    all.forEach((chosen, i) => out.push(combined(c, chosen, i, loaded, recording)));
  }
  return out;
}

/** How each action reads on a case. */
export const ACTION_WORDS: Readonly<Record<Action | 'combined', string>> = {
  permanent: 'permanent',
  variable: 'variable',
  accidental: 'accidental',
  combined: 'factors inside',
};
