import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';
import { brittle } from '../metal-rules';
import { onPin } from './lug-parts';

const A = formula('A', 'w·t', 'mm²');
const LAMBDA = formula('λ', 'L·sqrt(12)/(t·π·sqrt(E/f_y))', '–');
const PHI = formula('Φ', '0.5·(1 + 0.49·(λ − 0.2) + λ²)', '–');
const CHI = formula('χ', 'min(1, 1/(Φ + sqrt(max(0, Φ² − λ²))))', '–');
const N_RD = formula('N_b.Rd', 'χ·A·f_y/γ', 'N');

/** A link between its pins, pulled or pushed. */
export const linkBody: Check = {
  id: 'link-body',
  name: 'Link body',
  element: 'lug',
  withoutBolts: true,
  says: 'Between its pins a link must neither stretch nor, when it is pushed, bow out sideways.',
  why: 'A link that only pulls is as good as its narrowest section. But when the load turns round, a flat bar on two pins bows out over its thin side long before it yields: twice as long, a quarter of the push. Thicker helps most, or a spacer between two links of a pair.',
  source:
    'EN 1993-1-1 §6.2.3 and §6.3.1, curve c, over the thin side with both ends turning freely; every case taken as a push too (safe)',
  range: 'Straight links of one section; pins in line with its middle',
  evaluate(r, s, w) {
    const { eye } = r;
    if (!eye || eye.foot) return notApplicable('no link is among the parts');
    const no = brittle(eye.metal, 'parts', 'a link');
    if (no) return no;
    const area = w.of(A, { w: eye.width, t: eye.thickness });
    const λ = w.of(LAMBDA, { L: eye.long, t: eye.thickness, E: eye.metal.E, f_y: eye.metal.fy });
    const χ = λ <= 0.2 ? 1 : w.of(CHI, { Φ: w.of(PHI, { λ }), λ });
    return outcome(onPin(s, w), w.of(N_RD, { χ, A: area, f_y: eye.metal.fy, γ: r.factors.onYield }), 'N', 'between its pins');
  },
};
