import type { PartSection, WorkingPart } from '../../job/working-part';
import type { Resolved } from '../../job/resolve';
import { asWelded } from '../../stock/metals';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { notApplicable, outcome, worst, type Check, type Outcome } from '../check';
import type { Loaded } from '../demand/demand';
import { brittle } from '../metal-rules';
import { onPart } from './on-part';

const M = formula('M', 'F·l + M_0', 'N·mm');
const E = formula('e', 'r + t/2 − t/ln((r + t)/r)', 'mm');
/** Inside of a curved bar over a straight one: M·(r_n − r)/(A·e·r) over 6·M/(b·t²). */
const K_I = formula('k_i', '(t/2 − e)·t/(6·e·r)', '–');
const SIGMA = formula('σ', 'F/A + k_i·M/W', 'MPa');
const F_D = formula('f_d', 'f_y/γ', 'MPa');
const SIGMA_W = formula('σ', 'F/(a·b) + 6·M/(a²·b)', 'MPa');
const F_W = formula('f_w', 'f_u/(sqrt(3)·γ)', 'MPa');
const F_W_ALU = formula('f_w', 'min(f_w, f_u.haz)/(sqrt(3)·γ)', 'MPa');

/** What the inside of a curved bar is stressed more than a straight one (Winkler); r its inside radius, t its depth, one unit. */
export function insideOfBend({ r, t }: { readonly r: number; readonly t: number }, w: Working): number {
  const e = w.of(E, { r, t });
  return Math.max(1, w.of(K_I, { t, e, r }, 'a sharp bend is stressed most at its inside (Winkler)'));
}

/** Curved-beam theory where the inside radius is under 5·t. */
const CURVED = 5;

function judged(r: Resolved, s: Loaded, p: WorkingPart, x: PartSection, w: Working): Outcome {
  const at = `${p.name}: ${x.name}`;
  const { F, M: M_0 } = onPart(p, s, w);
  const moment = w.of(M, { F, l: x.arm, M_0 });
  if (x.kerf) {
    const σ = w.of(SIGMA_W, { F, M: moment, a: x.kerf.a, b: x.kerf.b }, 'the weld that closes the kerf holds it alone');
    const welded = asWelded(p.metal).welded;
    const γ = r.factors.onBreak;
    const f_w = welded ? w.of(F_W_ALU, { f_w: welded.fw, 'f_u.haz': welded.fu, γ }) : w.of(F_W, { f_u: p.metal.fu, γ });
    return outcome(σ, f_w, 'MPa', `${at}, its weld`, CAUTIONS);
  }
  const k_i = x.bend && x.bend.r < CURVED * x.bend.t ? insideOfBend(x.bend, w) : 1;
  const σ = w.of(SIGMA, { F, A: x.A, k_i, M: moment, W: x.W });
  return outcome(σ, w.of(F_D, { f_y: p.metal.fy, γ: r.factors.onYield }), 'MPa', at, CAUTIONS);
}

const CAUTIONS = ['its own bolts and welds are not judged: a foot of their own would be'];

/** A bracket, rail or leg that is bent between where the load comes in and where it is fixed. */
export const bracket: Check = {
  id: 'bracket',
  name: 'Bracket',
  element: 'base',
  withoutBolts: true,
  says: 'A bracket must not bend open at its bends, nor off where it is fixed.',
  why: 'A bent bar stands between the load and the structure like an arm: the farther the load from the bend, the harder it opens it. A sharp bend is worst at its inside. Thicker metal helps by its square, a nearer load in proportion.',
  source:
    'Statics: cantilever about its weak side with all of its part of force and moment in the worst direction (safe); Winkler’s curved bar where r < 5·t; a kerf by its weld as a fillet, EN 1993-1-8 §4.5.3.3, aluminium EN 1999-1-1 (memory)',
  range:
    'Parts said to be an arm, flat ones cut all along the line of their holes, drawn whichever way; all of the moment too, unless the job says that only force comes in; elastic; metals that yield',
  evaluate(r, s, w) {
    const arms = r.working.filter((p) => p.works.as === 'arm');
    if (arms.length === 0) return notApplicable('no part is said to be an arm');
    const all = arms.flatMap((p) => p.sections.map((x) => ({ p, x })));
    const no = arms.map((p) => brittle(p.metal, 'parts', 'a bent bar')).find((v) => v !== undefined);
    if (no) return no;
    const nothing = all.find(({ x }) => x.W <= 0 || x.A <= 0);
    if (nothing)
      return refuse(
        'parts',
        `${nothing.p.name}: nothing is left of it at ${nothing.x.name}`,
        'smaller holes, a wider part, or one that is straight between its holes',
      );
    return worst(all, w, ({ p, x }, _k, w) => judged(r, s, p, x, w));
  },
};
