import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { shearOn } from './bolt-shear';
import { shearResistance, tensionResistance } from './bolt-strength';
import { everyBolt, outcome, remembered, worst, type Check } from './check';

const ETA = formula('η', 'F_v.Ed/F_v.Rd + F_t.Ed/(1.4·F_t.Rd)', '–');

const ETA_AISC = formula('η', 'max(F_t.Ed/F_t.Rd, (F_v.Ed/F_v.Rd + F_t.Ed/F_t.Rd)/1.3)', '–');

const strengths = (r: Resolved, i: number, w: Working) => ({ Fv: shearResistance(r, i, w), Ft: tensionResistance(r, w) });
const known = remembered((r) => r.bolts.map((_, i) => strengths(atBolt(r, i), i, new Working(false))));

/** Shear and tension together in one bolt. */
export const boltCombined: Check = {
  id: 'bolt-combined',
  name: 'Bolt, both',
  element: 'fastener',
  says: 'A bolt that is pulled and sheared at once holds less of each.',
  why: 'A bolt that is already pulled has less left for being cut. The two are added as parts of what it could take alone, with a little in hand because the worst of each is not in the same place.',
  source: 'EN 1993-1-8 Tab. 3.4, combined shear and tension; or AISC 360-16 §J3.7, F′_nt = 1.3·F_nt − F_nt·f_rv/(φ·F_nv)',
  range: 'As bolt tension and bolt shear',
  evaluate(r, s, w) {
    return worst(everyBolt(r), w, (i, _k, w) => {
      const demands = { v: shearOn(r, s, i, w), t: s.demand.pull(i, w) };
      const { Fv, Ft } = w.recording ? strengths(r, i, w) : known(r)[i]!;
      return outcome(
        w.of(r.rules === 'EN' ? ETA : ETA_AISC, { 'F_v.Ed': demands.v, 'F_t.Ed': demands.t, 'F_v.Rd': Fv, 'F_t.Rd': Ft }),
        1,
        '–',
        r.bolts[i]!.id,
      );
    });
  },
};
