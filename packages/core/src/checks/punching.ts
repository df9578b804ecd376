import { headDepth } from '../stock/heads';
import { brittle } from './metal-rules';
import { formula } from '../working/formula';
import { type BoltCheck, capacitiesOf, everyBolt, worstBolt, type Check } from './check';

const D_M = formula('d_m', '(1 + 2/sqrt(3))/2·s', 'mm');
const B_P = formula('B_p.Rd', '0.6·π·d_m·t_p·f_u/γ', 'N');

const punched: BoltCheck = {
  demand: (_r, s, i, w) => s.demand.pull(i, w),
  capacity(r, _i, w) {
    const d_m = w.of(D_M, { s: r.size.acrossFlats }, 'mean of across points and across flats');
    const t = r.plateThickness * r.plateLayers;
    // A countersunk head is cut out of what it would punch: what lies below it is left.
    const t_p = Math.max(0, t - headDepth(r.joint.head, r.size));
    return w.of(B_P, { d_m, t_p, f_u: r.plateMetal.fu, γ: r.factors.onBreak });
  },
};
const capacities = capacitiesOf(punched);

/** The head pulled down through the mounting plate. */
export const punching: Check = {
  id: 'punching',
  name: 'Head punching',
  element: 'plate',
  says: 'A pulled bolt’s head must not punch through the mounting plate.',
  why: 'The head pulls on a ring of plate just round itself and would cut a disc out of it. Only thin or soft plates let it; a washer under the head makes the ring longer.',
  source: 'EN 1993-1-8 Tab. 3.4, punching shear; the washer under the head is not counted (safe)',
  range: 'Hexagon and countersunk heads; under a countersunk head only what lies below it counts; metals that yield',
  evaluate: (r, s, w) =>
    brittle(r.plateMetal, 'plate.metal', 'a head punched through it') ?? worstBolt(everyBolt(r), r, s, w, punched, capacities(r)),
};
