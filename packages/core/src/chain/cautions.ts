import type { Family, Job } from '../job/schema';
import { assumedValues } from '../job/values';

export const GENERAL_CAUTION = 'Mast Shoe helps a competent person size and make parts; it does not approve them.';

/** What is likely to decide, by family. Shown with the result and on every printed sheet. */
const DECIDES: Readonly<Record<Family, string>> = {
  winch:
    'Where people stand near the line or a load hangs on it, local lifting and winching rules and a licensed engineer decide.',
  seat: 'Occupant restraint: an approved test decides, likely UN R14/R17 or FMVSS 207/210 and their local equivalents.',
  mast: 'Masts with people aloft or below: the local code and a licensed engineer decide.',
  towing: 'Towing on roads: type approval decides, likely UN R55 or the local equivalent.',
  suspension: 'Steering and suspension parts on roads: the local vehicle inspection and a licensed engineer decide.',
  lifting: 'Lifting: local lifting rules decide, likely EN 13155 or ASME BTH-1, with a proof load before service.',
  ladder: 'Access for people: the local building or vessel rules decide.',
  general: 'Where the work can hurt someone, the local code and a licensed engineer decide.',
};

/** Links of the real load path that these checks do not cover: said, never left out silently. */
export const NOT_COVERED =
  'Not checked here: how the fitting is held to the plate where bolts do not pass through its base (its weld or own bolts), the bearers themselves, preload and fatigue.';

export function cautionsFor(job: Job): string[] {
  const n = assumedValues(job).length;
  return [
    GENERAL_CAUTION,
    DECIDES[job.family],
    NOT_COVERED,
    ...(n > 0 ? [`${n} ${n === 1 ? 'value is' : 'values are'} assumed, not measured.`] : []),
  ];
}

export const SCHOOLS = {
  working: {
    name: 'Working load × safety factor',
    why: 'The load as it comes, against strength divided by a safety factor on yield and on break. Rigging and lifting shops work this way; the factor covers load and strength together.',
  },
  limit: {
    name: 'Limit states',
    why: 'The load multiplied by γ_F, against strength divided by γ_M. Structural codes (EN 1990) work this way; each doubt has its own factor.',
  },
} as const;

/** "load × 1.5, γM0 1.00, γM2 1.25" or "factor 3 on break, 2 on yield". */
export function factorsText(job: Job): string {
  const p = job.practice;
  return p.school === 'working'
    ? `factor ${p.onBreak} on break, ${p.onYield} on yield`
    : `load × ${p.gammaF}, γM0 ${p.gammaM0.toFixed(2)}, γM2 ${p.gammaM2.toFixed(2)}`;
}
