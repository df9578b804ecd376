import { formula } from '../../working/formula';
import { layoutRule, notApplicable, outcome } from '../check';
import { preloadOf } from '../preload/preload';

const T = formula('T', 'K·d·F_p', 'N·mm');
const T_GLUE = formula('T_Rd', 'τ·π·(D^4 − d^4)/(16·D)/γ', 'N·mm');
const ETA = formula('η', 'T/T_Rd', '–');
/** Dry, as delivered (common practice). */
const K = 0.2;

/** Heads that are glued against turning, and tightened to torque from the other side. */
export const gluedHead = layoutRule({
  id: 'glued-head',
  name: 'Glued head',
  element: 'joint',
  says: 'A head that is glued down must hold against the torque its nut is tightened with.',
  why: 'Where nobody can hold the head, a disc of glue does, and only as long as the nut turns easily. Past the strength of the ring of glue the bolt spins and cannot be tightened or undone.',
  source: 'Statics: ring of glue in torsion, its full strength at the rim alone (safe); T = K·d·F, K 0.2 (common practice)',
  range: 'Joints tightened to torque, heads glued on a flat ring; the glue’s shear strength as given',
  evaluate(r, w) {
    const D = r.joint.gluedHead;
    if (!D) return notApplicable('no head is glued');
    if (r.joint.tightening === 'snug') return notApplicable('the joint is not tightened to torque');
    const torque = w.of(T, { K, d: r.d, F_p: preloadOf(r, w) });
    const holds = w.of(T_GLUE, { τ: r.joint.bondShear, D, d: r.d, γ: r.factors.onGlue });
    return outcome(w.of(ETA, { T: torque, T_Rd: Math.max(holds, 1e-9) }), 1, '–', 'the glued heads');
  },
});
