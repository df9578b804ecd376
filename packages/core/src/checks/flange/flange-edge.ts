import { formula } from '../../working/formula';
import { everyBolt, layoutRule, notApplicable, outcome, worst } from '../check';
import { flangeOf } from './flange';

const E_2 = formula('e_2', 'b/2 − abs(y)', 'mm');
const LEAST = formula('e_min', '1.2·d_0', 'mm');

/** The bolt from the flange's toe. */
export const flangeEdge = layoutRule({
  id: 'flange-edge',
  name: 'Flange edge',
  element: 'skin',
  says: 'A hole must keep its distance from the toe of the flange.',
  why: 'Between hole and toe a strip of flange is left. Too thin a strip tears out, and cannot be drilled clean.',
  source: 'EN 1993-1-8 Tab. 3.3',
  range: 'Bolts through the flange',
  evaluate(r, w) {
    const x = flangeOf(r);
    if (!x) return notApplicable('the skin is not a flange');
    return worst(everyBolt(r), w, (i, _k, w) => {
      const e = w.of(E_2, { b: x.b, y: r.bolts[i]!.y });
      return outcome(w.of(LEAST, { d_0: r.skinHole }), e, 'mm', r.bolts[i]!.id);
    });
  },
});
