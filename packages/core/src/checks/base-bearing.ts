import { formula } from '../working/formula';
import { notApplicable, outcome, type Check } from './check';

const F_CD = formula('f_c.d', 'f_c/γ', 'MPa');

/** Largest pressure under the rigid base against the crushing strength of the skin. */
export const baseBearing: Check = {
  id: 'base-bearing',
  name: 'Base bearing',
  element: 'base',
  says: 'The pressed side of the base must not crush the skin under it.',
  why: 'A base that is pulled on one side presses on the other. All of that press goes through a strip along the pressed edge, and a soft skin dents there before anything breaks. A wider base or a plate under it spreads the press.',
  source:
    'Equilibrium with no tension in the bed; elastic base plate, Blodgett §3.3 (memory). Spread through the mounting plate not counted (safe).',
  range: 'Rigid base on an even bed',
  evaluate(r, s, w) {
    const o = s.outOfPlane;
    if (r.skinKind === 'hollow') return notApplicable('a section’s wall bends before it crushes: see Wall face');
    if (o.pressed.length === 0) return notApplicable('the base lifts clear in this case: nothing presses');
    const capacity = w.of(F_CD, { f_c: r.skin.crush, γ: r.factors.onSkin });
    if (s.solved) {
      const { value, at } = s.solved.pressure;
      const over = r.skinKind === 'bed' ? 'bed, mean over one plate thickness' : 'skin, mean over one skin thickness';
      w.found('p_max', value, 'MPa', `pressure of the plate on the ${over}, ${s.solved.mesh}`);
      return outcome(value, capacity, 'MPa', `x ${at.x.toFixed(0)}, y ${at.y.toFixed(0)} mm`);
    }
    w.found('n', r.grade.E / r.bedModulus, '–', 'E_b/E_c, bolt modulus over bed modulus');
    w.found('N_c', o.push, 'N', 'push of the bed under the base');
    const p = w.found('p_max', o.peak, 'MPa', 'largest pressure, from the neutral axis found by equilibrium');
    return outcome(p, capacity, 'MPa', 'edge of the base');
  },
};
