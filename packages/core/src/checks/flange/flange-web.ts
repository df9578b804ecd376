import { widthOf } from '../../geometry/rects';
import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';
import { flangeOf } from './flange';

const F = formula('F', 'abs(F_z) + 6·abs(M_y)/(l_b + 2.5·t_f)', 'N');
const YIELD = formula('R_d', 'f_y·t_w·(2.5·t_f + l_b)/γ', 'N');
const CRIPPLE = formula('R_d', '0.4·t_w²·(1 + 3·(l_b/h)·(t_w/t_f)^1.5)·sqrt(E·f_y·t_f/t_w)/γ', 'N');

/** The web under the plate, or over it where it is pulled. */
export const flangeWeb: Check = {
  id: 'flange-web',
  name: 'Web under it',
  element: 'skin',
  withoutBolts: true,
  says: 'The web under the plate must not be crushed, crippled or torn off its flange.',
  why: 'All that the plate presses or pulls goes from the flange into the thin web on a short length. A longer plate or a stiffener beside the web takes it.',
  source:
    'AISC 360-16 §J10.2 (web yielding) and §J10.3 (crippling), both as at the end of a member (safe), the root counted as thick as the flange alone (safe); M_y as the largest of a straight spread',
  range: 'A flange running fore and aft with one web; the member’s buckling between its ends is not in it',
  evaluate(r, s, w) {
    const x = flangeOf(r);
    if (!x) return notApplicable('the skin is not a flange');
    const c = s.onSkin;
    const l_b = widthOf(r.plate);
    const demand = w.of(F, { F_z: c.fz, M_y: c.my, l_b, t_f: x.tf });
    const yields = w.of(YIELD, { f_y: x.fy, t_w: x.tw, t_f: x.tf, l_b, γ: r.factors.onYield });
    // For l_b/h over 0.2 §J10.3(b) gives no less.
    const cripples = w.of(CRIPPLE, {
      t_w: x.tw,
      l_b: Math.min(l_b, 0.2 * x.h),
      h: x.h,
      t_f: x.tf,
      E: r.skin.E,
      f_y: x.fy,
      γ: Math.max(r.factors.onYield, CRIPPLING),
    });
    return yields <= cripples ? outcome(demand, yields, 'N', 'web yields') : outcome(demand, cripples, 'N', 'web cripples');
  },
};

/** φ 0.75 of §J10.3. */
const CRIPPLING = 1 / 0.75;
