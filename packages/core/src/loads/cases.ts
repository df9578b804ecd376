import { eachWay } from '../geometry/vector';
import { DURATIONS } from '../stock/load-duration';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { Working, type Step } from '../working/steps';
import { atDatum, factored, mirrored, usualDuration, type Action, type LoadCase } from './load-case';
import { putOf } from './put';
import { builderOf } from './registry';
import { takesPart } from './put';
import type { Combination, Load } from './schema';
import type { Stands } from '../standing/stands';
import { atFoot, footRefusals, setsIn } from './at-foot';

/** Most cases a job is judged on. */
export const MAX_CASES = 200;

/** What of a job the cases rest on. */
export interface Loaded {
  readonly loads: readonly Load[];
  readonly combinations: readonly Combination[];
  /** How the fitting stands, where it stands on several feet: the cases are then those of one foot. */
  readonly stands?: Stands | undefined;
  readonly practice: {
    readonly school: string;
    readonly gammaG: number;
    readonly gammaQ: number;
    readonly gammaGInf?: number | undefined;
  };
}

/** On what lasts and helps: EN 1990 Tab. A1.2(A), ASCE 7 §2.3. */
export const USUAL_GAMMA_INF = 0.9;

/** The two factors on what lasts, in limit states: where it is against you and where it helps. */
function envelopeOf({ school, gammaG, gammaGInf = USUAL_GAMMA_INF }: Loaded['practice']): readonly number[] {
  if (school !== 'limit') return [];
  return gammaG === gammaGInf ? [gammaG] : [gammaG, gammaGInf];
}

/** γ on a load by how it counts: limit states only; working loads and proof take the load as it comes. */
export function loadFactor(practice: Loaded['practice'], action: LoadCase['action']): number {
  if (practice.school !== 'limit' || action === 'combined' || action === 'accidental') return 1;
  return action === 'permanent' ? practice.gammaG : practice.gammaQ;
}

const SILENT = new Working(false);

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
      ...(load.duration ? { duration: load.duration } : {}),
      ...(c.wind ? { wind: true as const } : {}),
      at: p.at,
      ...atDatum(p, w),
      ...(p.weight ? { weight: atDatum({ ...p.weight, at: p.at }, SILENT) } : {}),
      steps: w.steps,
    };
    return load.mirrored ? mirrored(one) : one;
  });
}

/** The case once for each factor on its weight; as it is where it has none, or a crash counts everything once. */
function withWeightFactors(c: LoadCase, practice: Loaded['practice']): LoadCase[] {
  const both = c.weight && c.action === 'variable' ? envelopeOf(practice) : [];
  if (both.length === 0) return [c];
  return both.map((onWeight) => ({
    ...c,
    id: onWeight === practice.gammaG ? c.id : `${c.id}-g`,
    name: `${c.name}, weight × ${onWeight}`,
    onWeight,
  }));
}

/** Every choice of one case from each list. */
const product = <T>(lists: readonly (readonly T[])[]): T[][] =>
  lists.reduce<T[][]>((all, list) => all.flatMap((chosen) => list.map((x) => [...chosen, x])), [[]]);

/** What lasts in a case of a combination by itself. */
const lastsIn = (c: LoadCase): boolean => c.action === 'permanent' || (c.weight !== undefined && c.action === 'variable');

/** The longest a set of loads together lasts is the shortest of them (EN 1995-1-1 §3.1.3(2)). */
const shortest = (cases: readonly LoadCase[]) =>
  cases.map((c) => c.duration ?? usualDuration(c.action)).reduce((a, b) => (DURATIONS.indexOf(b) > DURATIONS.indexOf(a) ? b : a));

function combined(c: Combination, chosen: readonly LoadCase[], i: number, loaded: Loaded, recording: boolean): LoadCase[] {
  const lasts = chosen.some((one, k) => c.parts[k]!.factor === null && lastsIn(one));
  const both = lasts ? envelopeOf(loaded.practice) : [];
  if (both.length === 0) return [combinedWith(c, chosen, `${c.id}-${i + 1}`, loaded, recording)];
  return both.map((on) =>
    combinedWith(c, chosen, `${c.id}-${i + 1}${on === loaded.practice.gammaG ? '' : '-g'}`, loaded, recording, on),
  );
}

/** One combination; `onLasting` is the factor on all that lasts in it, as it comes from one source. */
function combinedWith(
  c: Combination,
  chosen: readonly LoadCase[],
  id: string,
  loaded: Loaded,
  recording: boolean,
  onLasting?: number,
): LoadCase {
  const steps: Step[] = [];
  let sum = eachWay(() => 0);
  const at = { x: 0, y: 0, z: 0 };
  let size = 0;
  chosen.forEach((one, k) => {
    const own = c.parts[k]!.factor;
    const usual = one.action === 'permanent' && onLasting !== undefined ? onLasting : loadFactor(loaded.practice, one.action);
    const factor = own ?? usual;
    const onWeight = own === null && one.action === 'variable' ? onLasting : undefined;
    const f = factored(onWeight === undefined ? one : { ...one, onWeight }, factor);
    const before = sum;
    sum = eachWay((key) => before[key] + f[key]);
    const part = Math.hypot(f.fx, f.fy, f.fz);
    size += part;
    for (const key of ['x', 'y', 'z'] as const) at[key] += one.at[key] * part;
    if (!recording) return;
    const how = loaded.practice.school === 'limit' ? 'limit states' : 'its school';
    const note = own === null ? `the job’s factor in ${how}` : 'overridden';
    const said = own === null ? `, ${one.action}` : ', own factor';
    steps.push({ symbol: 'γ', text: `${one.name}${said}`, inputs: {}, value: factor, unit: '×', note });
    if (one.weight && onWeight !== undefined)
      steps.push({ symbol: 'γ_G', text: `${one.name}, its weight`, inputs: {}, value: onWeight, unit: '×', note });
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
  const mean = (v: number) => (size > 0 ? v / size : 0);
  const words = chosen.map((x) => x.name).join(' + ');
  return {
    id,
    name: `${c.name}: ${words}${onLasting === undefined ? '' : `, weight × ${onLasting}`}`,
    loadId: c.id,
    action: 'combined',
    duration: shortest(chosen),
    ...(chosen.some((x) => x.wind) ? { wind: true as const } : {}),
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
  const byLoad = new Map(loaded.loads.map((l) => [l.id, casesOfLoad(l, false)]));
  const sides = Math.max(1, envelopeOf(loaded.practice).length);
  const alone = loaded.loads
    .filter((l) => l.alone)
    .reduce((n, l) => n + byLoad.get(l.id)!.reduce((k, c) => k + (c.weight && c.action === 'variable' ? sides : 1), 0), 0);
  const together = (c: Combination) => {
    if (c.parts.length === 0) return 0;
    const lasts = c.parts.some((p) => p.factor === null && byLoad.get(p.load)!.some(lastsIn));
    return c.parts.reduce((k, p) => k * byLoad.get(p.load)!.length, lasts ? sides : 1);
  };
  const total = alone + loaded.combinations.reduce((n, c) => n + together(c), 0);
  const { stands } = loaded;
  const sets = stands ? setsIn(stands) : 1;
  if (total * sets > MAX_CASES)
    no.push(refuse('loads', `they make ${total * sets} cases`, `up to ${MAX_CASES}: fewer directions, or combine fewer loads`));
  return stands && no.length === 0
    ? [...sharedTwice(loaded.loads), ...footRefusals(ofFitting(loaded, false), stands, counts(loaded))]
    : no;
}

/** A load that says which part of it this plate takes, where the feet share it already. */
const sharedTwice = (loads: readonly Load[]): Refusal[] =>
  loads.flatMap((l) => {
    const share = takesPart(l) ? l.values['share']! : undefined;
    return share && share.v !== 1
      ? [refuse(`${l.name}: Share taken by this plate`, share.text, '100 %: the feet share the load here')]
      : [];
  });

const counts =
  ({ practice }: Loaded) =>
  (c: LoadCase): number =>
    loadFactor(practice, c.action);

/** All cases of a job, in the order of its loads and then its combinations; none where `loadRefusals` has any. At one foot where it stands on several. */
export function casesOf(loaded: Loaded, recording = false): LoadCase[] {
  if (loadRefusals(loaded).length > 0) return [];
  const all = ofFitting(loaded, recording);
  return loaded.stands ? atFoot(all, loaded.stands, counts(loaded), recording) : all;
}

/** Kept without their working while the loads stay as they are: every foot asks, and a drag of a bolt changes none of them. */
const known = new WeakMap<readonly Load[], Pick<Loaded, 'combinations' | 'practice'> & { readonly cases: LoadCase[] }>();

/** The cases of the fitting, at its own datum. */
function ofFitting(loaded: Loaded, recording: boolean): LoadCase[] {
  if (recording) return madeOf(loaded, true);
  const { loads, combinations, practice } = loaded;
  const before = known.get(loads);
  if (before?.combinations === combinations && before.practice === practice) return before.cases;
  const cases = madeOf(loaded, false);
  known.set(loads, { combinations, practice, cases });
  return cases;
}

function madeOf(loaded: Loaded, recording: boolean): LoadCase[] {
  const byLoad = new Map(loaded.loads.map((l) => [l.id, casesOfLoad(l, recording)]));
  const { practice } = loaded;
  const out = loaded.loads.flatMap((l) => (l.alone ? byLoad.get(l.id)!.flatMap((c) => withWeightFactors(c, practice)) : []));
  for (const c of loaded.combinations) {
    if (c.parts.length === 0) continue;
    const all = product(c.parts.map((p) => byLoad.get(p.load)!));
    all.forEach((chosen, i) => out.push(...combined(c, chosen, i, loaded, recording)));
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
