import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { type BoltCheck, capacitiesOf, everyBolt, notApplicable, onSkin, worstBolt } from './check';
import { PLUG } from '../stock/cores';
import { farDiameter } from './far-bearing';
import { metalSkin } from './skin-parts';

const AREA = formula('A_w', 'π/4·(d_m² − d_0²)', 'mm²');
const F_CRUSH = formula('F_c.Rd', 'f_c·A_w/γ', 'N');

const A_P = formula('A_p', 'π/4·(min(D_p, d_m)² − d_0²)', 'mm²');
const F_PLUG = formula('F_c.Rd', '(f_p·A_p + f_c·max(0, A_w − A_p))/γ', 'N');
const A_S = formula('A_s', 'π/4·(D_s² − (D_s − 2·t_s)²)', 'mm²');
const F_SLEEVE = formula('F_c.Rd', 'f_y·A_s/γ_y + f_c·max(0, A_w − A_s)/γ', 'N');
/** Sleeves are cut from plain steel tube (common practice). */
const SLEEVE_FY = 235;

/** What the skin under the washer or backing plate of bolt i takes before it crushes, N. */
export function crushResistance(r: Resolved, i: number, w: Working): number {
  const d_m = farDiameter(r, r.bolts[i]!, w);
  const A_w = w.of(AREA, { d_m, d_0: r.skinHole });
  const γ = r.factors.onSkin;
  const { sleeve, tubeOutside, tubeWall } = r.joint;
  if (sleeve === 'plug') {
    const A_p = w.of(A_P, { D_p: tubeOutside, d_m, d_0: r.skinHole });
    return w.of(F_PLUG, { f_p: PLUG.crush, A_p, f_c: r.skin.crush, A_w, γ }, 'plug of thickened epoxy (common practice)');
  }
  if (sleeve === 'sleeve') {
    const A_s = w.of(A_S, { D_s: tubeOutside, t_s: Math.min(tubeWall, tubeOutside / 2) });
    return w.of(
      F_SLEEVE,
      { f_y: SLEEVE_FY, A_s, γ_y: r.factors.onYield, f_c: r.skin.crush, A_w, γ },
      'sleeve of steel S235 tube',
    );
  }
  return w.of(F_CRUSH, { f_c: r.skin.crush, A_w, γ: r.factors.onSkin });
}

const crushed: BoltCheck = { demand: (_r, s, i, w) => s.demand.pull(i, w), capacity: crushResistance };
const capacities = capacitiesOf(crushed);

/** The skin crushed under the washer or backing plate that pulls against it. */
export const washerCrush = onSkin({
  id: 'washer-crush',
  name: 'Washer crush',
  element: 'far side',
  says: 'Where the washer or backing plate pulls up on it, the skin must not crush.',
  why: 'Under a small washer a soft skin is squeezed until its fibres crush; the bolt then goes slack and every further pull works the hole. Area is what counts: twice the width is four times the area.',
  source:
    'Plywood: 3·f_c,90 on the washer area, EN 1995-1-1 §8.5.2(2). Timber: the same. Laminate: compressive strength; sandwich: crush strength of the core, with its plug or sleeve (common practice). Spread of a backing plate: EN 1993-1-8 §6.2.5(4)',
  range: 'Laminate, sandwich, plywood and timber; a metal sheet punches before it crushes',
  evaluate(r, s, w) {
    if (r.joint.holding === 'lag screw') return notApplicable('lag screws press on no washer on the far side');
    if (r.skinKind === 'hollow') return notApplicable('a section’s wall bends before it crushes: see Section crush');
    if (metalSkin(r)) return notApplicable('a metal sheet is punched through before it crushes: see Pull-through');
    return worstBolt(everyBolt(r), r, s, w, crushed, capacities(r));
  },
});
