import { formula } from '../working/formula';
import { notApplicable, outcome, type Check } from './check';

const F_CD = formula('f_c.d', 'f_c/γ', 'MPa');

/** Largest pressure under the rigid base against the crushing strength of the skin. */
export const baseBearing: Check = {
  id: 'base-bearing',
  name: 'Base bearing',
  element: 'base',
  says: 'The pressed side of the base must not crush the skin under it.',
  why: 'A base that is pulled on one side presses on the other. All of that press goes through a strip along the pressed edge, and a soft skin dents there before anything breaks. A wider base spreads the press. A stiffer or larger plate does too, but by hand that is not counted: have the job solved to see it.',
  source:
    'Equilibrium with no tension in the bed; elastic base plate, Blodgett §3.3 (memory). Spread through the mounting plate not counted (safe).',
  range: 'Rigid base on an even bed, the plate between them; spacers press by themselves: see Spacer',
  evaluate(r, s, w) {
    if (r.skinKind === 'hollow') return notApplicable('a section’s wall bends before it crushes: see Wall face');
    if (r.joint.packing === 'spacers') return notApplicable('the plate stands on spacers: see Spacer');
    const p = s.demand.pressure(w);
    if ('applies' in p) return p;
    return outcome(p.value, w.of(F_CD, { f_c: r.skin.crush, γ: r.factors.onSkin }), 'MPa', p.where);
  },
};
