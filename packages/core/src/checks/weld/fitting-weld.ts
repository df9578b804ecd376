import type { Resolved } from '../../job/resolve';
import type { Metal } from '../../stock/metals';
import { baseRuns } from '../../sharing/held-edges';
import { cornerWords, lineForces, type LineForce } from '../../sharing/weld-group';
import { isRefusal, refuse } from '../../units/refusal';
import { Working } from '../../working/steps';
import { notApplicable, outcome, worst, type Check, type Outcome } from '../check';
import { filletAISC, filletAluminium, filletDirectional, filletSimplified } from './fillet';

const steel = (m: Metal | undefined): m is Metal => m?.group === 'steel' || m?.group === 'stainless';

/** Steel or stainless on the same, or alloys of which it is known what welding leaves. */
export function weldable(a: Metal | undefined, b: Metal | undefined): readonly [Metal, Metal] | undefined {
  const both = (steel(a) && steel(b)) || (a?.welded !== undefined && b?.welded !== undefined);
  return both ? [a!, b!] : undefined;
}

/** What is allowed of two parts that are welded. */
export const WELDABLE = 'steel or stainless on the same, or 5052-H32, 5083-H111, 6061-T6, 6082-T6 on each other';

/** A fillet: its throat, mm, and the two metals it joins; the weaker counts (EN 1993-1-8 §4.5.3.2(6), EN 1999-1-1 §8.6.2). */
export interface Fillet {
  readonly a: number;
  readonly of: readonly [Metal, Metal];
}

/** The weld judged at one point by the job's rules, the other school's figure beside it. */
function judged(r: Resolved, q: LineForce, { a, of }: Fillet, at: string, w: Working): Outcome {
  const γ = r.factors.onBreak;
  const fu = Math.min(of[0].fu, of[1].fu);
  const filler = r.welds.filler;
  w.found('q_p', q.along, 'N/mm', `along the run, at the ${at}`);
  w.found('q_h', q.across, 'N/mm', 'across it in the plane');
  w.found('q_v', q.out, 'N/mm', 'out of the plane');
  const [one, two] = [of[0].welded, of[1].welded];
  if (one && two) {
    const x = { a, fw: Math.min(one.fw, two.fw), fuHaz: Math.min(one.fu, two.fu), γ };
    const o = filletAluminium(q, x, w);
    return outcome(o.demand, o.capacity, 'MPa', at, ['filler 5356 is taken; heat softens the metal 20 to 30 mm each way']);
  }
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
  withoutBolts: true,
  says: 'The weld between the fitting and the plate must carry all that the fitting brings.',
  why: 'Welds round a base share the load like bolts do: the far corner of the group takes most when the load twists or tips it. A weld pulled across its run is stronger than one pulled along it, but bends less before it tears.',
  source:
    'Elastic line group (Blodgett; AISC Manual Part 8); EN 1993-1-8 §4.5.3.2 directional, or AISC 360-16 §J2.4 with filler F_EXX; aluminium EN 1999-1-1 §8.6.3 (memory), whatever the job’s rules',
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
    const at = lineForces(baseRuns(r), s.loadCase);
    if (isRefusal(at)) return at;
    return judgeGroup(r, at, { a: fittingThroat, of }, r.base, w);
  },
};
