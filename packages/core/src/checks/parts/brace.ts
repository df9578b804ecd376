import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { notApplicable, outcome, worst, type Check } from '../check';
import { brittle } from '../metal-rules';
import { onPart } from './on-part';

const LAMBDA = formula('λ', 'L/(i·π)·sqrt(f_y/E)', '–');
const PHI = formula('Φ', '0.5·(1 + 0.49·(λ − 0.2) + λ²)', '–');
const CHI = formula('χ', 'min(1, 1/(Φ + sqrt(Φ² − λ²)))', '–');
const N_B = formula('N_b.Rd', 'χ·A·f_y/γ', 'N');
const N_E = formula('N_e.Rd', 'f_y/(γ·(1/A + e/W))', 'N');
const N_T = formula('N_t.Rd', 'min(A·f_y/γ_y, 0.9·A_net·f_u/γ)', 'N');

/** Middle off the line that counts as none, mm. */
const STRAIGHT = 0.01;
/** Stocky enough not to buckle. */
const STOCKY = 0.2;

/** A brace pushed and pulled between its two holes. */
export const brace: Check = {
  id: 'brace',
  name: 'Brace',
  element: 'base',
  withoutBolts: true,
  says: 'A brace must not buckle when pushed, nor tear at its holes when pulled.',
  why: 'A slender bar pushed at its ends bows out long before it crushes: half the length is four times the push. Pulled, it is as strong as what its holes leave.',
  source:
    'EN 1993-1-1 §6.3.1 curve c, pinned both ends, with the least section anywhere between its holes; §6.2.3 in tension; where a flat one’s outline stands off their line, N/A + N·e/W',
  range:
    'Parts said to be a brace, straight between their holes, drawn whichever way; straight pull and push between their holes, moments not taken; metals that yield',
  evaluate(r, s, w) {
    const braces = r.working.filter((p) => p.works.as === 'brace');
    if (braces.length === 0) return notApplicable('no part is said to be a brace');
    const no = braces.map((p) => brittle(p.metal, 'parts', 'a brace')).find((v) => v !== undefined);
    if (no) return no;
    const bowed = braces.find((p) => !p.strut);
    if (bowed)
      return refuse(
        'parts',
        `${bowed.name}: the straight line between its holes leaves it or goes round a bend`,
        'a brace that is straight between its holes; a bent one is an arm',
      );
    const all = braces.flatMap((p) => (p.strut ? [{ p, strut: p.strut }] : []));
    const nothing = all.find(({ strut }) => strut.net <= 0 || strut.L <= 0);
    if (nothing) return refuse('parts', `${nothing.p.name}: its holes leave nothing`, 'smaller holes, or a wider part');
    return worst(all, w, ({ p, strut }, _k, w) => {
      const { F } = onPart(p, s, w);
      const { L, i, A, net, lopsided } = strut;
      const { fy: f_y, fu: f_u, E } = p.metal;
      const λ = w.of(LAMBDA, { L, i, f_y, E });
      const χ = λ <= STOCKY ? 1 : w.of(CHI, { λ, Φ: w.of(PHI, { λ }) });
      const pushed = w.of(N_B, { χ, A, f_y, γ: r.factors.onYield });
      const pulled = w.of(N_T, { A, f_y, γ_y: r.factors.onYield, A_net: net, f_u, γ: r.factors.onBreak });
      const bent =
        lopsided.e > STRAIGHT
          ? w.of(
              N_E,
              { f_y, γ: r.factors.onYield, ...lopsided },
              'its outline stands off the line of its holes, and is bent in its plane',
            )
          : Infinity;
      const least = Math.min(pushed, pulled, bent);
      const why = least === bent ? 'bent in its plane' : least === pushed ? 'pushed, it buckles' : 'pulled at its narrowest';
      return outcome(F, least, 'N', `${p.name}: ${why}`, [
        'the bolts at its ends are not judged, nor any moment it is asked to take',
      ]);
    });
  },
};
