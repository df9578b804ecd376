import { centreOf, heightOf, widthOf } from '../../geometry/rects';
import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import { notApplicable, outcome, SHARED_MEMBER, type Check } from '../check';
import { endsFree, loadedPatch } from '../demand/panel';

const M = formula('M', 'abs(F_z)·a·b/L + abs(M_0)·max(a, b)/L', 'N·mm');
const SIGMA = formula('σ', '6·M/(w·t²)', 'MPa');
const F_D = formula('f_m.d', 'f_m/γ', 'MPa');

/** Panel and patch along the grain, from the bearer behind. */
function alongGrain(r: Resolved, grain: 'x' | 'y') {
  const patch = loadedPatch(r);
  const c = centreOf(patch);
  return grain === 'x'
    ? { L: widthOf(r.panel), a: c.x - r.panel.x0, w: heightOf(patch) }
    : { L: heightOf(r.panel), a: c.y - r.panel.y0, w: widthOf(patch) };
}

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
    const skin = r.substrate;
    const t = r.timber;
    if (!t || skin.kind !== 'timber') return notApplicable('the skin is not timber');
    const no = endsFree(r, skin.grain === 'x' ? ['aft', 'fore'] : ['starboard', 'port'], 'a plank is held at both ends');
    if (no) return no;
    const beam = alongGrain(r, skin.grain);
    if (beam.a <= 0 || beam.a >= beam.L) return notApplicable('the plate’s middle is over a bearer');
    const c = s.midSkin;
    if (c.beside) return SHARED_MEMBER;
    const moment = w.of(M, { F_z: c.fz, a: beam.a, b: beam.L - beam.a, L: beam.L, M_0: skin.grain === 'x' ? c.my : c.mx });
    const σ = w.of(SIGMA, { M: moment, w: beam.w, t: r.skinThickness });
    return outcome(σ, w.of(F_D, { f_m: t.fm, γ: r.factors.onSkin }), 'MPa', 'timber between bearers');
  },
};
