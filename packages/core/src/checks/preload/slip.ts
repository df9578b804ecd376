import type { Resolved } from '../../job/resolve';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { shearOn } from '../bolt-shear';
import { notApplicable, outcome, worst, type Check } from '../check';
import { metalSkin } from '../skin-parts';
import { preloadOf } from './preload';

/** EN 1993-1-8 §3.9.2 turned round: F_v ≤ k_s·n·μ·(F_p − 0.8·F_t)/γ_M3 asks for this much preload. It grows in proportion to the load. */
const F_NEED = formula('F_p.req', 'F_v.Ed·γ/(k_s·n·μ) + 0.8·F_t.Ed', 'N');

/** Preload one bolt needs against slip with its pull, N; k_s 1.0 in normal holes, one faying face. */
export const preloadNeeded = (r: Resolved, Fv: number, Ft: number, w: Working): number =>
  w.of(
    F_NEED,
    { k_s: 1, n: 1, μ: r.job.joint.friction.v, 'F_v.Ed': Fv, 'F_t.Ed': Ft, γ: r.factors.onBreak },
    'EN 1993-1-8 §3.9.2; γ stands for γ_M3',
  );

/** Faces held by friction alone. */
export const slip: Check = {
  id: 'slip',
  name: 'Slip',
  element: 'fastener',
  says: 'Where friction is counted on, the clamped faces must not slide.',
  why: 'Clamped faces hold by friction before any bolt touches its hole. Paint, oil and zinc take most of it away, and a pull on the bolt takes off clamping just when it is needed. Once they slide, the play of the holes is the movement you feel.',
  source: 'EN 1993-1-8 §3.9 (F_s.Rd as the preload it needs; Tab. 3.6 and 3.7: μ 0.5 blasted to 0.2 as rolled)',
  range: 'Joints said to be slip resistant; metal faces; classes 8.8 and up',
  evaluate(r, s, w) {
    if (r.job.joint.tightening !== 'slip resistant')
      return notApplicable('the job does not count on friction: the bolts bear on their holes');
    if (!metalSkin(r)) return notApplicable('a soft skin creeps under the clamping: friction does not last on it');
    if (r.grade.fub < 800)
      return refuse('bolts.class', `class ${r.grade.id} is not for slip-resistant joints`, '8.8, 10.9, A325, A490 or Gr 5, Gr 8');
    return worst(r.bolts, w, (b, i, w) => {
      const Ft = w.found('F_t.Ed', s.outOfPlane.tensions[i]!, 'N', `pull in ${b.id}`);
      return outcome(preloadNeeded(r, shearOn(r, s, i, w), Ft, w), preloadOf(r, w), 'N', b.id);
    });
  },
};
