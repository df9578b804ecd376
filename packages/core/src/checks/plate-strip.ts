import { holeMost } from '../job/bolt-holes';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { onSpacers } from '../job/stands-at-bolts';
import { Working } from '../working/steps';
import { tensionResistance } from './bolt-strength';
import { stubPlace } from '../sharing/t-stub';
import { tStubAISC, tStubEN, type TStub } from './prying';
import { remembered } from './remembered';

/** The plate round bolt i as half a T-stub; Ft is what the bolt alone holds, N. */
export function stubAt(r: Resolved, i: number, Ft: number): TStub {
  return {
    ...stubPlace(r, i),
    // Loose plates bend each for itself: Σt², as one of t·√n.
    t: r.plateThickness * Math.sqrt(r.plateLayers),
    fy: r.plateMetal.fy,
    fu: r.plateMetal.fu,
    d: r.d,
    d0: holeMost({ plate: r.d0, ...(r.slot ? { slot: r.slot } : {}) }),
    Ft,
    gammaYield: r.factors.onYield,
    gammaBreak: r.factors.school === 'limit' ? 1 / 0.9 : r.factors.onYield,
  };
}

const SILENT = new Working(false);

/** (T + Q)/T at each bolt by the job's rules: 1 for bolts through the base, on spacers, where the plate's edge presses on nothing, and where no strip is. */
export const pryingRatio = remembered((r: Resolved): readonly number[] =>
  r.bolts.map((b, i) => {
    if (b.throughBase || onSpacers(r)) return 1;
    const at = atBolt(r, i);
    // Plate bending refuses the job then.
    if (stubPlace(r, i).broken) return 1;
    return (r.rules === 'EN' ? tStubEN : tStubAISC)(stubAt(at, i, tensionResistance(at, SILENT)), SILENT).ratio;
  }),
);
