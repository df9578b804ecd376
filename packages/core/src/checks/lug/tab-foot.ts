import { asWelded } from '../../stock/metals';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';
import { brittle } from '../metal-rules';
import { filletSimplified } from '../weld/fillet';
import { WELDABLE, weldable } from '../weld/fitting-weld';
import { onPin } from './lug-parts';

const A = formula('A', 'w·t', 'mm²');
const W_EL = formula('W', 't·w²/6', 'mm³');
const M = formula('M', 'P·h', 'N·mm');
const SIGMA = formula('σ', 'P/A + M/W', 'MPa');
const F_D = formula('f_d', 'f_y/γ', 'MPa');
const Q = formula('q', 'P/(2·w) + 3·M/w²', 'N/mm');
const Q_ALU = formula('q_Rd', 'a·min(f_w/sqrt(3), sqrt(2)·f_u.haz/sqrt(3))/γ', 'N/mm');

/** A tab that stands on its own weld and holds the far end of a pin: bent, and held by two fillets. */
export const tabFoot: Check = {
  id: 'tab-foot',
  name: 'Tab foot',
  element: 'lug',
  withoutBolts: true,
  says: 'A tab must not bend at its foot, nor tear off its weld.',
  why: 'A support tab takes half of the pin’s load at the height of the pin, and hands it to its foot as a bending moment. A tab that bends away supports nothing. A lower pin, a wider foot and fillets on both faces make it work.',
  source:
    'Statics: cantilever with all of its part of the load both along and across (safe); fillets on both faces as two lines, EN 1993-1-8 §4.5.3.3 (simplified), aluminium EN 1999-1-1 §8.6.3 (memory)',
  range: 'Flat tabs, edge on to the load; foot at least as wide as the metal round the hole; two fillets of equal throat',
  evaluate(r, s, w) {
    const { eye } = r;
    if (!eye?.foot) return notApplicable('no tab that stands on its weld is among the parts');
    const no = brittle(eye.metal, 'parts', 'a tab');
    if (no) return no;
    if (!weldable(eye.metal, eye.metal))
      return refuse('parts', `a weld of ${eye.metal.name.toLowerCase()} is not known to this check`, WELDABLE);
    const metal = asWelded(eye.metal);
    const { height: h, throat: a } = eye.foot;
    const put = { w: eye.width, t: eye.thickness, h };
    const P = onPin(s, w);
    const moment = w.of(M, { ...put, P });
    const σ = w.of(SIGMA, { P, A: w.of(A, put), M: moment, W: w.of(W_EL, put) });
    const bent = outcome(σ, w.of(F_D, { f_y: metal.fy, γ: r.factors.onYield }), 'MPa', 'bent at its foot');
    const q = w.of(Q, { ...put, P, M: moment }, 'two fillets, one on each face');
    const γ = r.factors.onBreak;
    const q_Rd = metal.welded
      ? w.of(Q_ALU, { a, f_w: metal.welded.fw, 'f_u.haz': metal.welded.fu, γ })
      : filletSimplified({ a, fu: metal.fu, γ }, w);
    const weld = outcome(q, q_Rd, 'N/mm', 'its weld');
    return weld.utilisation > bent.utilisation ? weld : bent;
  },
};
