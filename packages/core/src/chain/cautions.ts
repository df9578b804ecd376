import type { Job } from '../job/schema';
import { builderOf, BUILDERS, FAMILIES, type Family } from '../loads/registry';
import { unusualPractice } from '../job/usual-practice';
import { USUAL_GAMMA_INF } from '../loads/cases';
import { assumedValues } from '../job/values';
import { notJudged } from './ways-to-fail';

export const GENERAL_CAUTION = 'Mast Shoe helps a competent person size and make parts; it does not approve them.';

/** What is likely to decide where nothing but the family is known. */
const DECIDES: ReadonlyMap<Family, string> = new Map(FAMILIES.map((f) => [f, BUILDERS.find((b) => b.family === f)!.decides]));

/** Which code or approval is likely to decide, for the job's family and every load on it, each once. */
export function decidesFor(job: Job): string[] {
  return [...new Set([DECIDES.get(job.family)!, ...job.loads.map((l) => builderOf(l.kind).decides)])];
}

/** Reminders that go with the builders in the job, each once. */
export const remindersFor = (job: Job): string[] => [...new Set(job.loads.flatMap((l) => builderOf(l.kind).cautions))];

/** Factors of the builders that somebody set to other than the usual. */
export const overriddenFactors = (job: Job): string[] =>
  job.loads.flatMap((l) =>
    Object.entries(builderOf(l.kind).factors)
      .filter(([key, f]) => l.factors[key] !== f.usual)
      .map(([key, f]) => `${l.name}: ${f.label} ${l.factors[key]} (usual ${f.usual})`),
  );

export function cautionsFor(job: Job): string[] {
  const n = assumedValues(job).length;
  const unusual = unusualPractice(job);
  const other = overriddenFactors(job).length;
  return [
    GENERAL_CAUTION,
    ...decidesFor(job),
    `Not judged here: ${notJudged(job).join('; ')}.`,
    ...(unusual ? [unusual.says] : []),
    ...(n > 0 ? [`${n} ${n === 1 ? 'value is' : 'values are'} assumed, not measured.`] : []),
    ...(other > 0
      ? [`${other} ${other === 1 ? 'load factor is not the usual one' : 'load factors are not the usual ones'}.`]
      : []),
  ];
}

export const SCHOOLS = {
  working: {
    name: 'Working load × safety factor',
    short: 'Working load',
    why: 'The load as it comes, against strength divided by a safety factor on yield and on break. Rigging, lifting and marine shops work this way: one factor covers load and strength together, 3 on break for structure, 5 for lifting accessories, 4 for shackles.',
  },
  limit: {
    name: 'Limit states',
    short: 'Limit states',
    why: 'Each load multiplied by its own γ, lasting and passing loads apart, against strength divided by γM. Structural codes work this way (EN 1990 1.35 and 1.5, ASCE 7 1.2 and 1.6); use it where a building or vessel code will be asked for.',
  },
  ultimate: {
    name: 'Crash as the last load',
    short: 'Crash',
    why: 'A crash load taken as the last one: factor 1 on the load and on strength, flat plates may bend plastically and stay bent, and nothing may let go. Seat and belt anchorages are tested this way; never use it for a load that comes back.',
  },
} as const;

const usualInf = (p: Job['practice']) => p.gammaGInf ?? USUAL_GAMMA_INF;

/** "permanent × 1.35, variable × 1.5, γM0 1.00, γM2 1.25", "factor 3 on break, 2 on yield" or "load × 1, nothing lets go". */
export function factorsText(job: Job): string {
  const p = job.practice;
  if (p.school === 'working') return `factor ${p.onBreak} on break, ${p.onYield} on yield`;
  if (p.school === 'ultimate') return 'load × 1, strength ÷ 1, plates may bend plastically';
  const lasts = `permanent × ${p.gammaG}${p.gammaG > usualInf(p) ? `, ${usualInf(p)} where it helps` : ''}`;
  const resists =
    p.rules === 'AISC' ? 'φ 0.90 on yield, φ 0.75 on break' : `γM0 ${p.gammaM0.toFixed(2)}, γM2 ${p.gammaM2.toFixed(2)}`;
  return `${lasts}, variable × ${p.gammaQ}, accidental × 1, ${resists}`;
}
