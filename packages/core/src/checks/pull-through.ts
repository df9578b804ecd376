import { formula } from '../working/formula';
import { type BoltCheck, capacitiesOf, everyBolt, notApplicable, onSkin, worstBolt } from './check';
import { farDiameter } from './far-bearing';
import { heldThickness, metalSkin } from './skin-parts';

const B_METAL = formula('B_p.Rd', '0.6·π·d_m·t·f_u/γ', 'N');
const B_SOFT = formula('B_p.Rd', 'π·d_m·t·f_v/γ', 'N');

const pulledThrough: BoltCheck = {
  demand: (_r, s, i, w) => s.demand.pull(i, w),
  capacity(r, i, w) {
    const d_m = farDiameter(r, r.bolts[i]!, w);
    const t = heldThickness(r);
    return metalSkin(r)
      ? w.of(B_METAL, { d_m, t, f_u: r.skin.fu, γ: r.factors.onBreak })
      : w.of(B_SOFT, { d_m, t, f_v: r.skin.punch, γ: r.factors.onSkin });
  },
};
const capacities = capacitiesOf(pulledThrough);

/** The nut, its washer or the backing plate pulled up through the skin. */
export const pullThrough = onSkin({
  id: 'pull-through',
  name: 'Pull-through',
  element: 'far side',
  says: 'The nut with its washer, or the backing plate, must not be pulled through the skin.',
  why: 'The nut with its washer is pulled up through the skin, cutting out a disc as wide as the washer. A wider washer or a plate makes the cut longer, and so stronger.',
  source:
    'Metal: punching, EN 1993-1-8 Tab. 3.4. Laminate, plywood, timber and the far face of a sandwich: through-thickness shear on the perimeter (statics). Spread of a backing plate: EN 1993-1-8 §6.2.5(4)',
  range: 'Skin thinner than the washer is wide',
  evaluate(r, s, w) {
    if (r.joint.holding === 'lag screw') return notApplicable('lag screws end in the timber: see Lag withdrawal');
    return worstBolt(everyBolt(r), r, s, w, pulledThrough, capacities(r));
  },
});
