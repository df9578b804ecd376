import type { Resolved } from '../../job/resolve';
import type { Metal } from '../../stock/metals';
import { cornerWords, lineForces, runsAround, type LineForce } from '../../sharing/weld-group';
import { refuse } from '../../units/refusal';
import { Working } from '../../working/steps';
import { notApplicable, outcome, worst, type Check, type Outcome } from '../check';
import { filletAISC, filletDirectional, filletSimplified } from './fillet';

/** Steel and stainless: other metals lose strength beside the weld that these rules do not know. */
export const weldable = (m: Metal | undefined): boolean => m?.group === 'steel' || m?.group === 'stainless';

/** A fillet's throat, mm, and the strength of the weaker part it joins, MPa (EN 1993-1-8 §4.5.3.2(6)). */
export interface Fillet {
  readonly a: number;
  readonly fu: number;
}

/** The weld judged at one point by the job's rules, the other school's figure beside it. */
function judged(r: Resolved, q: LineForce, { a, fu }: Fillet, at: string, w: Working): Outcome {
  const γ = r.factors.onBreak;
  const filler = r.welds.filler;
  w.found('q_p', q.along, 'N/mm', `along the run, at the ${at}`);
  w.found('q_h', q.across, 'N/mm', 'across it in the plane');
  w.found('q_v', q.out, 'N/mm', 'out of the plane');
  const silent = new Working(false);
  const EN = r.rules === 'EN';
  const en = filletDirectional(q, { a, fu, γ }, EN ? w : silent);
  const us = filletAISC(q, { a, filler, γ }, EN ? silent : w);
  const o = EN ? outcome(en.demand, en.capacity, 'MPa', at) : outcome(us.demand, us.capacity, 'N/mm', at);
  const other = EN ? us : en;
  w.found('q_Rd', filletSimplified({ a, fu, γ }, silent), 'N/mm', 'for comparison, EN §4.5.3.3 simplified; not used');
  w.found('η', other.demand / other.capacity, '–', `for comparison, by ${EN ? 'AISC §J2.4' : 'EN 1993-1-8 §4.5.3.2'}; not used`);
  return o;
}

/** Judges a group of fillets at every end of every run. */
export function judgeGroup(r: Resolved, at: readonly LineForce[], x: Fillet, around: Resolved['base'], w: Working): Outcome {
  return worst(at, w, (q, _i, w) => judged(r, q, x, cornerWords(around, q.at), w));
}

/** The fitting's base welded to the mounting plate. */
export const fittingWeld: Check = {
  id: 'fitting-weld',
  name: 'Fitting weld',
  element: 'weld',
  says: 'The weld between the fitting and the plate must carry all that the fitting brings.',
  why: 'Welds round a base share the load like bolts do: the far corner of the group takes most when the load twists or tips it. A weld pulled across its run is stronger than one pulled along it, but bends less before it tears.',
  source:
    'Elastic line group (Blodgett; AISC Manual Part 8); EN 1993-1-8 §4.5.3.2 directional, or AISC 360-16 §J2.4 with filler F_EXX',
  range:
    'Fillets along whole sides of the base, steel or stainless; contact of base on plate not counted (safe); not shared with bolts',
  evaluate(r, s, w) {
    const { fitting, fittingThroat } = r.welds;
    if (fitting === 'none') return notApplicable('the fitting is not welded to the plate');
    if (![r.plateMetal, r.baseMetal].every(weldable))
      return refuse(
        'welds.fitting',
        `welds in ${(weldable(r.plateMetal) ? r.baseMetal : r.plateMetal).name.toLowerCase()} lose strength this check does not know`,
        'base and plate of steel or stainless',
      );
    const runs = runsAround(r.base, fitting);
    const fu = Math.min(r.plateMetal.fu, r.baseMetal.fu);
    return judgeGroup(r, lineForces(runs, s.loadCase), { a: fittingThroat, fu }, r.base, w);
  },
};
