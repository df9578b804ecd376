import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { pullOn } from './bolt-strength';
import { type BoltCheck, capacitiesOf, everyBolt, notApplicable, onSkin, worstBolt } from './check';
import { farDiameter } from './far-bearing';

const AREA = formula('A_w', 'π/4·(d_m² − d_0²)', 'mm²');
const F_CRUSH = formula('F_c.Rd', 'f_c·A_w/γ', 'N');

/** What the skin under the washer or backing plate of bolt i takes before it crushes, N. */
export function crushResistance(r: Resolved, i: number, w: Working): number {
  const A_w = w.of(AREA, { d_m: farDiameter(r, r.bolts[i]!, w), d_0: r.d0 });
  return w.of(F_CRUSH, { f_c: r.skin.crush, A_w, γ: r.factors.onSkin });
}

const crushed: BoltCheck = { demand: pullOn, capacity: crushResistance };
const capacities = capacitiesOf(crushed);

/** The skin crushed under the washer or backing plate that pulls against it. */
export const washerCrush = onSkin({
  id: 'washer-crush',
  name: 'Washer crush',
  element: 'far side',
  says: 'Where the washer or backing plate pulls up on it, the skin must not crush.',
  why: 'Under a small washer a soft skin is squeezed until its fibres crush; the bolt then goes slack and every further pull works the hole. Area is what counts: twice the width is four times the area.',
  source:
    'Plywood: 3·f_c,90 on the washer area, EN 1995-1-1 §8.5.2(2). Laminate: compressive strength (common practice). Spread of a backing plate: EN 1993-1-8 §6.2.5(4)',
  range: 'Laminate and plywood; a metal sheet punches before it crushes',
  evaluate(r, s, w) {
    if (r.skinKind === 'sheet') return notApplicable('a metal sheet is punched through before it crushes: see Pull-through');
    return worstBolt(everyBolt(r), r, s, w, crushed, capacities(r));
  },
});
