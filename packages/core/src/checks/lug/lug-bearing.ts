import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { notApplicable, outcome, type Check } from '../check';
import { lugOf, onPin, type LugParts } from './lug-parts';

const P_P = formula('P_p', '1.25·F_y/N_d·D_p·t', 'N');
const F_B = formula('F_b.Rd', '1.5·t·D_p·f_y/γ', 'N');

/** Bearing of the pin: BTH-1 §3-3.3.4 or EN 1993-1-8 Tab. 3.10; N. */
export const pinBearing = (x: LugParts, γ: number, rules: 'BTH-1' | 'EN', w: Working): number =>
  rules === 'BTH-1' ? w.of(P_P, { F_y: x.Fy, N_d: x.lug.Nd, D_p: x.Dp, t: x.t }) : w.of(F_B, { t: x.t, D_p: x.Dp, f_y: x.Fy, γ });

/** The pin against its hole in the lug. */
export const lugBearing: Check = {
  id: 'lug-bearing',
  name: 'Lug bearing',
  element: 'lug',
  withoutBolts: true,
  says: 'The pin must not wear the lug’s hole long.',
  why: 'A pin presses only on the front of its hole. If it yields there the hole grows, the pin hammers, and it grows faster. Cheek plates give the pin more to bear on.',
  source: 'ASME BTH-1 §3-3.3.4: 1.25·F_y/N_d·D_p·t; EN 1993-1-8 Tab. 3.10: 1.5·t·d·f_y/γ_M0',
  range: 'Pins that turn seldom; cheek plates welded on counted whole',
  evaluate(r, s, w) {
    const x = lugOf(r);
    if (!x) return notApplicable('the fitting has no lug');
    return outcome(onPin(s, w), pinBearing(x, r.factors.onYield, x.lug.rules, w), 'N', 'the pin’s hole');
  },
};
