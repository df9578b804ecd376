import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';
import { brittle } from '../metal-rules';
import { onPin } from './lug-parts';

const LAMBDA = formula('λ', 'L/(i·π)·sqrt(f_y/E)', '–');
const PHI = formula('Φ', '0.5·(1 + 0.49·(λ − 0.2) + λ²)', '–');
const CHI = formula('χ', 'min(1, 1/(Φ + sqrt(max(0, Φ² − λ²))))', '–');
const N_RD = formula('N_Rd', 'min(χ·A·f_y/γ_y, 0.9·A·f_u/γ)', 'N');
const N_E = formula('N_e.Rd', 'f_y/(γ·(1/A + e/W))', 'N');

/** Middle off the line that counts as none, mm. */
const STRAIGHT = 0.01;

/** A link between its pins, pulled or pushed. */
export const linkBody: Check = {
  id: 'link-body',
  name: 'Link body',
  element: 'lug',
  withoutBolts: true,
  says: 'Between its pins a link must neither stretch nor, when it is pushed, bow out sideways.',
  why: 'A link that only pulls is as good as its narrowest section. But when the load turns round, a flat bar on two pins bows out over its thin side long before it yields: twice as long, a quarter of the push. Thicker helps most, or a spacer between two links of a pair.',
  source:
    'EN 1993-1-1 §6.2.3 and §6.3.1, curve c, over the thin side with both ends turning freely and the least section anywhere between the pins; where the outline stands off their line, N/A + N·e/W; every case taken as a push too (safe)',
  range: 'Links straight between their pins, drawn whichever way; from its own pin to the hole farthest from it',
  evaluate(r, s, w) {
    const { eye } = r;
    if (!eye || eye.foot) return notApplicable('no link is among the parts');
    const no = brittle(eye.metal, 'parts', 'a link');
    if (no) return no;
    if (!eye.strut)
      return refuse(
        'parts',
        'the straight line between its pins leaves it: a bowed link is not judged',
        'a link with metal all along that line',
      );
    const { L, i, A, lopsided } = eye.strut;
    const { E, fy: f_y, fu: f_u } = eye.metal;
    const λ = w.of(LAMBDA, { L, i, E, f_y });
    const χ = λ <= 0.2 ? 1 : w.of(CHI, { Φ: w.of(PHI, { λ }), λ });
    const straight = w.of(
      N_RD,
      { χ, A, f_y, γ_y: r.factors.onYield, f_u, γ: r.factors.onBreak },
      'its least section between its pins',
    );
    const bent =
      lopsided.e > STRAIGHT
        ? w.of(
            N_E,
            { f_y, γ: r.factors.onYield, ...lopsided },
            'its outline stands off the line of its pins, and is bent in its plane',
          )
        : Infinity;
    return outcome(onPin(s, w), Math.min(straight, bent), 'N', 'between its pins');
  },
};
