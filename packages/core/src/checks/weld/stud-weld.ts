import type { Resolved } from '../../job/resolve';
import { asWelded, type Metal } from '../../stock/metals';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { shearOn } from '../bolt-shear';
import { everyBolt, notApplicable, outcome, worst, type Check } from '../check';
import { heldThickness } from '../skin-parts';
import { WELDABLE, weldable } from './judge-weld';

const SIGMA = formula('σ_w', 'sqrt(F_t² + 3·F_v²)/(π/4·d²)', 'MPa');
const F_W = formula('f_w.d', 'min(f_ub, f_u)/γ', 'MPa');
const B_P = formula('B_p.Rd', '0.6·π·d_c·t·f_u/γ', 'N');
const T_MIN = formula('t_min', 'd/4', 'mm');

/** Width of the weld collar round a stud drawn by an arc, over its diameter (common practice). */
export const COLLAR = 1.2;

/** What the studs stand on: the backing plate, else the skin's own metal. */
function under(r: Resolved): { readonly metal: Metal; readonly t: number } | undefined {
  if (r.far.kind === 'plate') return { metal: r.far.metal, t: r.far.thickness };
  return r.skinMetal && { metal: r.skinMetal, t: heldThickness(r) };
}

/** Studs welded to the backing or to a metal skin: the weld at their foot, and the plate it stands on. */
export const studWeld: Check = {
  id: 'stud-weld',
  name: 'Stud weld',
  element: 'weld',
  says: 'A welded stud must not break off at its weld, nor tear a plug out of what it is welded to.',
  why: 'A stud is only as strong as the thin plate under its foot. On a plate under a quarter of its diameter the arc burns through, and a pull tears out a plug as wide as the collar.',
  source:
    'EN ISO 14555: plate at least d/4 for drawn-arc studs, weld as strong as the weaker of stud and plate where bend-tested (memory); plate by punching, EN 1993-1-8 Tab. 3.4, on the collar 1.2·d (common practice)',
  range: 'Drawn-arc studs of steel or stainless on steel or stainless, tested as EN ISO 14555 asks; aluminium studs are refused',
  evaluate(r, s, w) {
    if (r.joint.holding !== 'stud') return notApplicable(`held by a ${r.joint.holding}, not by welded studs`);
    const on = under(r);
    if (!on || !weldable(on.metal, on.metal))
      return refuse('joint.holding', 'a stud is welded to metal: there is none that welds', WELDABLE);
    if (on.metal.group === 'aluminium')
      return refuse('joint.holding', 'studs of aluminium are not known to this check', 'steel or stainless');
    const { fu } = asWelded(on.metal);
    const γ = r.factors.onBreak;
    const thin = w.of(T_MIN, { d: r.d });
    if (on.t < thin - 1e-6) return { ...outcome(thin, on.t, 'mm', 'plate too thin for the arc', TESTED), loadFree: true };
    return worst(everyBolt(r), w, (i, _k, w) => {
      const [F_t, F_v] = [s.demand.pull(i, w), shearOn(r, s, i, w)];
      const at = r.bolts[i]!.id;
      const weld = outcome(
        w.of(SIGMA, { F_t, F_v, d: r.d }),
        w.of(F_W, { f_ub: r.grade.fub, f_u: fu, γ }),
        'MPa',
        `${at}, its weld`,
        TESTED,
      );
      const plug = outcome(F_t, w.of(B_P, { d_c: COLLAR * r.d, t: on.t, f_u: fu, γ }), 'N', `${at}, the plate under it`, TESTED);
      return plug.utilisation > weld.utilisation ? plug : weld;
    });
  },
};
const TESTED = ['bend-test the first studs of a set-up (EN ISO 14555)'];
