import type { Resolved } from '../../job/resolve';
import { slotRun } from '../../job/bolt-holes';
import { holeKind, slipFactor } from '../../stock/hole-kinds';
import { preloadFades } from '../../job/preload-lasts';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { shearOn } from '../bolt-shear';
import { everyBolt, notApplicable, outcome, worst, type Check } from '../check';
import type { Loaded } from '../demand/demand';
import { plateHoleKind } from '../wide-holes';
import { preloadOf } from './preload';

/** EN 1993-1-8 §3.9.2 turned round: F_v ≤ k_s·n·μ·(F_p − 0.8·F_t)/γ_M3 asks for this much preload. It grows in proportion to the load. */
const F_NEED = formula('F_p.req', 'F_v.Ed·γ/(k_s·n·μ) + 0.8·F_t.Ed', 'N');

/** Preload one bolt needs against slip with its pull, N; one faying face. */
export const preloadNeeded = (r: Resolved, k_s: number, Fv: number, Ft: number, w: Working): number =>
  w.of(
    F_NEED,
    { k_s, n: 1, μ: r.joint.friction, 'F_v.Ed': Fv, 'F_t.Ed': Ft, γ: r.factors.onBreak },
    'EN 1993-1-8 §3.9.2; γ stands for γ_M3',
  );

/** k_s at bolt i (Tab. 3.6): the plate's own hole, and that of the base where the bolt goes through it, whichever holds less. */
function holesAt(r: Resolved, s: Loaded, i: number, w: Working): number {
  const inPlate = plateHoleKind(r);
  const run = slotRun({ plate: r.d0, ...(r.slot ? { slot: r.slot } : {}) });
  const v = s.shears[i]!;
  // Along a slot as soon as the force leans more that way than across it.
  const lies = Math.abs(v.x * run.x + v.y * run.y) >= Math.abs(v.x * run.y - v.y * run.x);
  const own = Math.min(slipFactor(inPlate, lies), slipFactor(holeKind(r.size, r.skinHole), false));
  if (!r.bolts[i]!.throughBase) return w.found('k_s', own, '–', `${inPlate} hole, EN 1993-1-8 Tab. 3.6`);
  const { slot, along } = r.baseHole;
  const d = r.bolts[i]!.baseHole;
  const inBase = holeKind(r.size, d, d + slot);
  const lengthwise = along === 'x' ? Math.abs(v.x) >= Math.abs(v.y) : Math.abs(v.y) >= Math.abs(v.x);
  const base = slipFactor(inBase, lengthwise);
  return w.found(
    'k_s',
    Math.min(own, base),
    '–',
    `${base < own ? `base, ${inBase}` : `plate, ${inPlate} hole`}, EN 1993-1-8 Tab. 3.6`,
  );
}

/** Faces held by friction alone. */
export const slip: Check = {
  id: 'slip',
  name: 'Slip',
  element: 'fastener',
  says: 'Where friction is counted on, the clamped faces must not slide.',
  why: 'Clamped faces hold by friction before any bolt touches its hole. Paint, oil and zinc take most of it away, and a pull on the bolt takes off clamping just when it is needed. Wide holes and slots leave less face under the head. Once they slide, the play of the holes is the movement you feel.',
  source:
    'EN 1993-1-8 §3.9 (F_s.Rd as the preload it needs; Tab. 3.6 k_s by hole and slot; Tab. 3.7: μ 0.5 blasted to 0.2 as rolled)',
  range: 'Joints said to be slip resistant; metal faces; classes 8.8 and up',
  evaluate(r, s, w) {
    if (r.joint.tightening !== 'slip resistant')
      return notApplicable('the job does not count on friction: the bolts bear on their holes');
    const fades = preloadFades(r);
    if (fades)
      return refuse('joint.tightening', `${fades}: friction does not last on it`, 'snug or to torque, judged in bearing');
    if (r.grade.fub < 800)
      return refuse('bolts.class', `class ${r.grade.id} is not for slip-resistant joints`, '8.8, 10.9, A325, A490 or Gr 5, Gr 8');
    return worst(everyBolt(r), w, (i, _k, w) => {
      const Ft = s.demand.pull(i, w);
      return outcome(preloadNeeded(r, holesAt(r, s, i, w), shearOn(r, s, i, w), Ft, w), preloadOf(r, w), 'N', r.bolts[i]!.id);
    });
  },
};
