import { areaOf, heightOf, widthOf } from '../../geometry/rects';
import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';

const A = formula('A', 'A_p − n·π/4·d_0²', 'mm²');
const TAU = formula('τ', 'V/A + abs(M_z)·r/I_p', 'MPa');
const PEEL = formula('σ', 'max(0, F_z)/A + 6·abs(M_x)/(b·l_p²) + 6·abs(M_y)/(l_b·b_p²)', 'MPa');
const ETA = formula('η', 'max(τ/τ_d, σ/σ_d)', '–');

/** The bond under the plate, should it be meant to last. */
export const bond: Check = {
  id: 'bond',
  name: 'Bond',
  element: 'joint',
  says: 'A bonded plate’s glue line must not shear off nor peel.',
  why: 'Glue is strong when it is sheared all over and weak when one edge is peeled up. The bolts are reckoned without it; but if the bond cracks, water gets in and the joint starts to work.',
  source:
    'Statics: mean shear with torsion, peel as edge stress of a rectangle; strengths by the maker (generic: common practice)',
  range: 'Whole plate bonded; bolts not counted in the bond nor the bond in the bolts. Bedded (sealant) adds no strength',
  evaluate(r, s, w) {
    const { bedding, bondShear, bondPeel } = r.job.joint;
    if (bedding === 'dry') return notApplicable('the joint is dry: it slips at μ and holds by its bolts');
    if (bedding === 'bedded') return notApplicable('sealant keeps water out and adds no strength');
    const c = s.loadCase;
    const [l, b] = [widthOf(r.plate), heightOf(r.plate)];
    const area = w.of(A, { A_p: areaOf(r.plate), n: r.bolts.length, d_0: r.d0 });
    const τ = w.of(TAU, {
      V: Math.hypot(c.fx, c.fy),
      A: area,
      M_z: c.mz,
      r: Math.hypot(l, b) / 2,
      I_p: (l * b * (l * l + b * b)) / 12,
    });
    const σ = w.of(PEEL, { F_z: c.fz, A: area, M_x: c.mx, M_y: c.my, b: l, l_p: b, l_b: b, b_p: l });
    const γ = r.factors.onBreak;
    return outcome(w.of(ETA, { τ, τ_d: bondShear.v / γ, σ, σ_d: bondPeel.v / γ }), 1, '–', 'glue line');
  },
};
