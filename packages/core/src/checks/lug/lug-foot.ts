import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';
import { brittle } from '../metal-rules';
import { lugOf } from './lug-parts';

const A = formula('A', 'w·t', 'mm²');
const W_Y = formula('W_y', 't·w²/6', 'mm³');
const W_Z = formula('W_z', 'w·t²/6', 'mm³');
const NORMAL = formula('σ', 'abs(N)/A + abs(M_y)/W_y + abs(M_z)/W_z', 'MPa');
/** Only what bends a section goes on past its first yield: pull and shear have no more to give. */
const PLASTIC = formula('σ', 'abs(N)/A + (abs(M_y)/W_y + abs(M_z)/W_z)/k', 'MPa');
const TAU = formula('τ', 'V/A', 'MPa');
const TOGETHER = formula('σ_v', 'sqrt(σ² + 3·τ²)', 'MPa');
const F_D = formula('f_d', 'F_y/γ', 'MPa');

/** The lug where it stands on its base: pulled, bent edge on and bent over, all at once. */
export const lugFoot: Check = {
  id: 'lug-foot',
  name: 'Lug foot',
  element: 'lug',
  withoutBolts: true,
  says: 'At its foot the lug must hold the pull, and what bends it edge on and sideways.',
  why: 'The foot carries all that the pin brings, with the pin’s height as a lever. A lug is a blade: strong edge on, weak sideways. A tall narrow one bends in its own plane; a sling that does not hang in line bends it over. A lower pin, a wider foot or gussets hold it.',
  source:
    'Statics: N/A + M_y/W_y + M_z/W_z at the foot with the case’s moments at the plate, elastic (EN 1993-1-1 §6.2.9.2), or bending plastic with the parts added up (§6.2.1(7)); shear by von Mises (EN 1993-1-1 §6.2.1(5))',
  range: 'Foot as wide as the lug, cheek plates not reaching it; twisting not counted',
  evaluate(r, s, w) {
    if (r.eye) return notApplicable('a link hangs between its pins, and a tab is in Tab foot');
    const x = lugOf(r);
    if (!x) return notApplicable('the fitting has no lug');
    const no = brittle(r.lugMetal!, 'lug.metal', 'a lug');
    if (no) return no;
    const c = s.loadCase;
    const t = x.lug.thickness;
    const put = { w: x.w, t };
    // Edge on is about the axis across the lug's face; over its weak side is about the one along it.
    const [M_y, M_z] = x.lug.along === 'x' ? [c.my, c.mx] : [c.mx, c.my];
    const area = w.of(A, put);
    const by = { N: c.fz, A: area, M_y, W_y: w.of(W_Y, put), M_z, W_z: w.of(W_Z, put) };
    const k = r.factors.plastic;
    const σ =
      k > 1
        ? w.of(PLASTIC, { ...by, k }, 'M_y edge on, M_z sideways; k what the rules let bending go past yield')
        : w.of(NORMAL, by, 'M_y edge on, M_z sideways');
    const τ = w.of(TAU, { V: Math.hypot(c.fx, c.fy), A: area });
    const σ_v = w.of(TOGETHER, { σ, τ });
    return outcome(σ_v, w.of(F_D, { F_y: x.Fy, γ: r.factors.onYield }), 'MPa', 'foot of the lug');
  },
};
