import { baseRuns } from '../../sharing/held-edges';
import { refuse } from '../../units/refusal';
import { notApplicable, type Check } from '../check';
import { judgeWeld, WELDABLE, weldable } from './judge-weld';

/** The fitting's base welded to the mounting plate. */
export const fittingWeld: Check = {
  id: 'fitting-weld',
  name: 'Fitting weld',
  element: 'weld',
  withoutBolts: true,
  says: 'The weld between the fitting and the plate must carry all that the fitting brings.',
  why: 'Welds round a base share the load like bolts do: the far corner of the group takes most when the load twists or tips it. A weld pulled across its run is stronger than one pulled along it, but bends less before it tears.',
  source:
    'Elastic line group (Blodgett; AISC Manual Part 8) of what counts of its runs, EN 1993-1-8 §4.5.1; §4.5.3.2 directional, or AISC 360-16 §J2.4 with filler F_EXX, its 1 + 0.5·sin^1.5 θ for straight groups pulled through their middle alone; aluminium EN 1999-1-1 §8.6.3 (memory), whatever the job’s rules',
  range:
    'Fillets along whole sides of the base; steel, stainless and four alloys of aluminium; contact of base on plate not counted (safe); not shared with bolts',
  evaluate(r, s, w) {
    const { fitting, fittingThroat } = r.welds;
    if (fitting === 'none') return notApplicable('the fitting is not welded to the plate');
    const of = weldable(r.plateMetal, r.baseMetal);
    if (!of)
      return refuse(
        'welds.fitting',
        `a weld between ${r.baseMetal.name.toLowerCase()} and ${r.plateMetal.name.toLowerCase()} is not known to this check`,
        WELDABLE,
      );
    const weld = { runs: baseRuns(r), load: s.loadCase, a: fittingThroat, of, field: 'welds.fitting', around: r.base };
    return judgeWeld(r, weld, w);
  },
};
