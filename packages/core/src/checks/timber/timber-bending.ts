import { formula } from '../../working/formula';
import { outcome, type Check } from '../check';
import { grainOf, timberBeam } from './timber-beam';

const M = formula('M', 'abs(F_z)·a·b/L + abs(M_0)·max(a, b)/L', 'N·mm');
const SIGMA = formula('σ', '6·M/(w·t²)', 'MPa');
const F_D = formula('f_m.d', 'f_m/γ', 'MPa');

/** Timber bent between its bearers, as a beam along the grain no wider than the plate. */
export const timberBending: Check = {
  id: 'timber-bending',
  name: 'Timber bending',
  element: 'skin',
  says: 'Between its bearers the timber bends along its grain and must not break.',
  why: 'A plank is strong along its grain and weak across, so it works as a beam from bearer to bearer. Only the wood under the plate is sure to help; planks beside it may not.',
  source: 'Statics: simply supported beam, load and moment at the plate’s middle; strength EN 338 (memory)',
  range: 'Bearers across the grain; width of the plate only (safe); between bearers',
  evaluate(r, s, w) {
    const beam = timberBeam(r, s);
    if (!('L' in beam)) return beam;
    const { L, a } = beam;
    const c = s.midSkin;
    const moment = w.of(M, { F_z: c.fz, a, b: L - a, L, M_0: grainOf(r) === 'x' ? c.my : c.mx });
    const σ = w.of(SIGMA, { M: moment, w: beam.w, t: r.skinThickness });
    return outcome(σ, w.of(F_D, { f_m: r.timber!.fm, γ: r.factors.onSkin }), 'MPa', 'timber between bearers');
  },
};
