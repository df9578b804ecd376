import type { Resolved } from '../job/resolve';
import type { Shared } from '../sharing/share';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';

/**
 * Bolt resistances, EN 1993-1-8 Tab. 3.4. k_2 0.9 (not countersunk); α_v with the threads in the shear plane.
 * γ is γ_M2 in limit states or the safety factor on break with working loads.
 */
const F_TRD = formula('F_t.Rd', 'k_2·f_ub·A_s/γ', 'N');
const F_VRD = formula('F_v.Rd', 'α_v·f_ub·A_s/γ', 'N');

/** Tension resistance of one bolt, N. */
export function tensionResistance(r: Resolved, w: Working): number {
  return w.of(F_TRD, { k_2: 0.9, f_ub: r.grade.fub, A_s: r.As, γ: r.factors.onBreak });
}

/** Shear resistance of one bolt in one plane through the thread, N. */
export function shearResistance(r: Resolved, w: Working): number {
  return w.of(F_VRD, { α_v: r.grade.alphaV, f_ub: r.grade.fub, A_s: r.As, γ: r.factors.onBreak });
}

/** Tension in bolt i from the neutral axis, N. */
export function pullOn(r: Resolved, s: Shared, i: number, w: Working): number {
  return w.found('F_t.Ed', s.outOfPlane.tensions[i]!, 'N', `pull in ${r.bolts[i]!.id}, neutral axis found by equilibrium`);
}
