import { refuse } from '../../units/refusal';
import { areaOf, heightOf, widthOf } from '../../geometry/rects';
import { eachKind } from '../../job/of-kind';
import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';
import { sandwichParts } from '../skin-parts';

const A = formula('A', 'A_p − n·π/4·d_0²', 'mm²');
const TAU = formula('τ_m', 'V/A + abs(M_z)·r/I_p', 'MPa');
const PEEL = formula('σ', 'max(0, F_z)/A + 6·abs(M_x)/(b·l_p²) + 6·abs(M_y)/(l_b·b_p²)', 'MPa');
const LAMBDA = formula('λ', 'sqrt(G_a/t_a·(1/(E_1·t_1) + 1/(E_2·t_2)))', '1/mm');
const PEAK = formula('τ', 'τ_m·max(1, λ·l/2/tanh(λ·l/2))', 'MPa');
const ETA = formula('η', 'sqrt((τ/τ_d)² + (σ/σ_d)²)', '–');

/** The bond under the plate, should it be meant to last. */
export const bond: Check = {
  id: 'bond',
  name: 'Bond',
  element: 'joint',
  says: 'A bonded plate’s glue line must not shear off nor peel.',
  why: 'Glue is strong when it is sheared all over and weak when one edge is peeled up. Sheared, it works hardest at the ends of the plate, the more so the stiffer the glue and the thinner its line. The bolts are reckoned without it; but if the bond cracks, water gets in and the joint starts to work.',
  source:
    'Statics: mean shear with torsion, times the peak at the end of the overlap (Volkersen 1938); peel as edge stress of a rectangle; together by their squares; strengths by the maker (generic: common practice)',
  range:
    'Whole plate bonded; all of the load on the bond alone, and all of it on the bolts alone. Bedded (sealant) adds no strength',
  evaluate(r, s, w) {
    const { bedding, bondShear, bondPeel } = r.joint;
    if (bedding === 'dry') return notApplicable('the joint is dry: it slips at μ and holds by its bolts');
    if (bedding === 'bedded') return notApplicable('sealant keeps water out and adds no strength');
    if (r.shaped)
      return refuse(
        'plate.outline',
        'the glue under a plate that is no rectangle',
        'a rectangle; or bolts alone, with the joint dry',
      );
    const c = s.onSkin;
    const [l, b] = [widthOf(r.plate), heightOf(r.plate)];
    const area = w.of(A, {
      A_p: areaOf(r.plate),
      n: r.bolts.length,
      d_0: Math.max(...eachKind(r).map((k) => Math.max(k.slot?.long ?? 0, k.d0, k.skinHole))),
    });
    const V = Math.hypot(c.fx, c.fy);
    const mean = w.of(TAU, { V, A: area, M_z: c.mz, r: Math.hypot(l, b) / 2, I_p: (l * b * (l * l + b * b)) / 12 });
    const λ = w.of(
      LAMBDA,
      {
        G_a: r.bond.modulus,
        t_a: r.bond.line,
        E_1: r.plateMetal.E,
        t_1: r.plateThickness * r.plateLayers,
        E_2: r.skin.E,
        t_2: sandwichParts(r)?.near ?? r.skinThickness,
      },
      'stiffness of the glue line against that of plate and skin',
    );
    const along = V > 0 ? (Math.abs(c.fx) * l + Math.abs(c.fy) * b) / V : Math.max(l, b);
    const τ = w.of(PEAK, { τ_m: mean, λ, l: along }, 'peak at the end of the overlap, Volkersen');
    const σ = w.of(PEEL, { F_z: c.fz, A: area, M_x: c.mx, M_y: c.my, b: l, l_p: b, l_b: b, b_p: l });
    const γ = r.factors.onGlue;
    return outcome(w.of(ETA, { τ, τ_d: bondShear / γ, σ, σ_d: bondPeel / γ }), 1, '–', 'glue line', [
      'glue and bolts never share a pull: each is judged with the whole of it',
    ]);
  },
};
