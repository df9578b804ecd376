import { formula } from '../../working/formula';
import { everyBolt, notApplicable, outcome, worst, type Check } from '../check';
import { farDiameter } from '../far-bearing';
import { sandwichParts } from '../skin-parts';

const F_C = formula('F_c.Rd', 'π·D·d·τ_c/γ', 'N');
const D_P = formula('D', 'max(d_m, D_p)', 'mm');
const V_RD = formula('v_Rd', 'd·τ_c/γ', 'N/mm');

/** The core sheared round a bolt, and round the edge of what the load comes in through. */
export const coreShear: Check = {
  id: 'core-shear',
  name: 'Core shear',
  element: 'skin',
  says: 'Round each bolt and round the plate’s edge the core must not shear.',
  why: 'The faces of a sandwich only work together while the core between them holds. Round the plate’s edge, and round each bolt, the core carries the whole load in shear; it cracks at a slant and the faces go their own ways. A larger plug or a larger plate gives it more to hold by.',
  source:
    'Statics: v = V/(perimeter·d), d between the faces’ middles (sandwich theory, Allen); core values generic (memory), replace by the maker’s',
  range: 'Sandwich skins; plug or washer through which the load comes in at least as wide as the washer',
  evaluate(r, s, w) {
    const parts = sandwichParts(r);
    const skin = r.substrate;
    if (!parts || skin.kind !== 'sandwich') return notApplicable('the skin has no core');
    const τ_c = skin.coreShear;
    const γ = r.factors.onSkin;
    const { sleeve, tubeOutside } = r.joint;
    const bolts = worst(everyBolt(r), w, (i, _k, w) => {
      const d_m = farDiameter(r, r.bolts[i]!, w);
      const D = w.of(D_P, { d_m, D_p: sleeve === 'plug' ? tubeOutside : 0 });
      return outcome(s.demand.pull(i, w), w.of(F_C, { D, d: parts.d, τ_c, γ }), 'N', r.bolts[i]!.id);
    });
    const v = s.demand.edgeShear(w);
    const edge = outcome(v, w.of(V_RD, { d: parts.d, τ_c, γ }), 'N/mm', 'edge of the plate');
    return edge.utilisation > bolts.utilisation ? edge : bolts;
  },
};
