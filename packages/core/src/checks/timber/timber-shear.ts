import { formula } from '../../working/formula';
import { outcome, type Check } from '../check';
import { grainOf, timberBeam } from './timber-beam';

const V = formula('V', 'abs(F_z)·max(a, b)/L + abs(M_0)/L', 'N');
const TAU = formula('τ', '1.5·V/(k_cr·w·t)', 'MPa');
const F_VD = formula('f_v.d', 'f_v/γ', 'MPa');

/** What drying cracks leave of solid timber in shear (EN 1995-1-1 §6.1.7(2)). */
const K_CR = 0.67;

/** Timber sheared along its grain between the plate and the bearer next to it. */
export const timberShear: Check = {
  id: 'timber-shear',
  name: 'Timber shear',
  element: 'skin',
  says: 'Next to its bearer the timber must not shear along its grain.',
  why: 'A short way from plate to bearer bends a plank little and shears it much: its upper half slides on its lower one along the grain, where drying cracks run already. Timber shears at a tenth of what it bends at, so the load next to a bearer is the bad one.',
  source: 'EN 1995-1-1 §6.1.7 with k_cr 0.67; strength EN 338 (memory); statics: simply supported beam',
  range:
    'Bearers across the grain; width of the plate only (safe); a load within its depth of the bearer counts in full (safe); between bearers',
  evaluate(r, s, w) {
    const beam = timberBeam(r, s);
    if (!('L' in beam)) return beam;
    const { L, a } = beam;
    const c = s.midSkin;
    const force = w.of(V, { F_z: c.fz, a, b: L - a, L, M_0: grainOf(r) === 'x' ? c.my : c.mx }, 'to the nearer bearer');
    const τ = w.of(TAU, { V: force, k_cr: K_CR, w: beam.w, t: r.skinThickness }, 'cracks of solid timber');
    return outcome(τ, w.of(F_VD, { f_v: r.timber!.fv, γ: r.factors.onSkin }), 'MPa', 'timber next to its bearer');
  },
};
