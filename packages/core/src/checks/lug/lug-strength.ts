import { refuse, type Refusal } from '../../units/refusal';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { notApplicable, outcome, type Check } from '../check';
import { C_R, lugOf, onPin, type LugParts } from './lug-parts';

const B_E = formula('b_e', '(w − D_h)/2', 'mm');
const B_EFF = formula('b_eff', 'min(b_e, 4·t, b_e·0.6·F_u/F_y·sqrt(D_h/b_e))', 'mm');
const P_T = formula('P_t', 'C_r·F_u/(1.2·N_d)·2·t·b_eff', 'N');
const P_B = formula('P_b', 'C_r·F_u/(1.2·N_d)·(1.13·a + 0.92·b_e/(1 + b_e/D_h))·t', 'N');
const PHI = formula('φ', '55·D_p/D_h', '°');
const A_V = formula('A_v', '2·(a + D_p/2·(1 − cos(φ)))·t', 'mm²');
const P_V = formula('P_v', '0.7·F_u/(1.2·N_d)·A_v', 'N');

/** Pins fit their holes within what BTH-1 was found for. */
function outOfRange(x: LugParts): Refusal | undefined {
  if (x.Dp > x.Dh)
    return refuse(
      'lug.pin',
      `the pin of ${x.Dp.toFixed(1)} mm does not enter its hole of ${x.Dh.toFixed(1)} mm`,
      'a pin no larger than its hole',
    );
  if (x.w <= x.Dh) return refuse('lug.width', 'no metal is left beside the hole', 'a lug wider than its hole');
  return undefined;
}

/** ASME BTH-1 §3-3.3.1: the three ways a lug breaks; N, with the design factor inside. */
export function bth1(x: LugParts, w: Working): { tension: number; fracture: number; shear: number } {
  const put = { w: x.w, D_h: x.Dh, D_p: x.Dp, t: x.t, F_u: x.Fu, F_y: x.Fy, N_d: x.lug.Nd, a: x.a };
  const b_e = w.of(B_E, put);
  const b_eff = w.of(B_EFF, { ...put, b_e });
  const C_r = w.of(C_R, put);
  const φ = w.of(PHI, put);
  return {
    tension: w.of(P_T, { ...put, C_r, b_eff }, 'tension beside the hole'),
    fracture: w.of(P_B, { ...put, C_r, b_e }, 'one crack beyond the hole'),
    shear: w.of(P_V, { ...put, A_v: w.of(A_V, { ...put, φ }) }, 'two planes sheared beyond the hole'),
  };
}

type Way = keyof ReturnType<typeof bth1>;

function lugCheck(way: Way, words: Pick<Check, 'id' | 'name' | 'says' | 'why'>): Check {
  return {
    ...words,
    element: 'lug',
    withoutBolts: true,
    source: 'ASME BTH-1 §3-3.3.1 (design factor N_d 2 or 3); all of the force in line with the lug (safe)',
    range: 'Flat lugs, pin no larger than its hole; working loads: BTH-1 carries its own factor',
    evaluate(r, s, w) {
      const x = lugOf(r);
      if (!x) return notApplicable('the fitting has no lug');
      if (x.lug.rules !== 'BTH-1') return notApplicable('the lug is judged by EN 1993-1-8 Tab. 3.9: see Lug end');
      const no = outOfRange(x);
      if (no) return no;
      const cautions = r.factors.school === 'limit' ? ['BTH-1 counts working loads: the job’s load factor is on top (safe)'] : [];
      return outcome(onPin(s, w), bth1(x, w)[way], 'N', 'the lug', cautions);
    },
  };
}

export const lugTension = lugCheck('tension', {
  id: 'lug-tension',
  name: 'Lug tension',
  says: 'Beside its hole the lug must not tear.',
  why: 'All the pull goes round the hole on two narrow strips. Metal far from the hole hardly helps, so a wide thin lug counts less than its width, and a loose pin makes the strips bend as well.',
});
export const lugFracture = lugCheck('fracture', {
  id: 'lug-fracture',
  name: 'Lug fracture',
  says: 'Beyond the hole the lug must not crack through in line with the pull.',
  why: 'Between the hole and the end of the lug the pin tries to split the metal like a wedge, in one crack straight ahead. A longer end in front of the pin stops it.',
});
export const lugShear = lugCheck('shear', {
  id: 'lug-shear',
  name: 'Lug shear-out',
  says: 'The pin must not shear a slug out of the lug’s end.',
  why: 'With a short end the pin pushes a plug as wide as itself out of the lug, along two lines. End distance is what holds it.',
});

const A_MIN = formula('a_min', 'F·γ/(2·t·f_y) + 2·d_0/3', 'mm');
const C_MIN = formula('c_min', 'F·γ/(2·t·f_y) + d_0/3', 'mm');

/** EN 1993-1-8 Tab. 3.9 type A: end and side distances a pin of given thickness needs, mm. */
export function endsEN(x: { F: number; γ: number; t: number; fy: number; d0: number }, w: Working): { a: number; c: number } {
  const put = { F: x.F, γ: x.γ, t: x.t, f_y: x.fy, d_0: x.d0 };
  return { a: w.of(A_MIN, put), c: w.of(C_MIN, put) };
}

/** The lug's ends by EN. */
export const lugEnd: Check = {
  id: 'lug-end',
  name: 'Lug end',
  element: 'lug',
  withoutBolts: true,
  says: 'The lug needs enough metal in front of its hole and beside it.',
  why: 'The Eurocode asks for metal rather than for a strength: so much in front of the hole and so much beside it, growing with the pull. It comes to much the same as the lifting rules, without their factor.',
  source: 'EN 1993-1-8 §3.13, Tab. 3.9 type A: a ≥ F·γ_M0/(2·t·f_y) + 2·d_0/3, c ≥ F·γ_M0/(2·t·f_y) + d_0/3',
  range: 'Flat lugs with a pin',
  evaluate(r, s, w) {
    const x = lugOf(r);
    if (!x) return notApplicable('the fitting has no lug');
    if (x.lug.rules !== 'EN') return notApplicable('the lug is judged by BTH-1: see Lug tension, fracture and shear-out');
    const no = outOfRange(x);
    if (no) return no;
    const F = onPin(s, w);
    const γ = r.factors.onYield;
    endsEN({ F, γ, t: x.t, fy: x.Fy, d0: x.Dh }, w);
    // As a force, so that it grows in proportion to the load.
    const byEnd = w.of(F_A, { t: x.t, f_y: x.Fy, a: x.a, d_0: x.Dh, γ });
    const bySide = w.of(F_C, { t: x.t, f_y: x.Fy, c: (x.w - x.Dh) / 2, d_0: x.Dh, γ });
    return outcome(F, Math.max(0, Math.min(byEnd, bySide)), 'N', byEnd < bySide ? 'in front of the hole' : 'beside the hole');
  },
};
const F_A = formula('F_a', '2·t·f_y/γ·(a − 2·d_0/3)', 'N');
const F_C = formula('F_c', '2·t·f_y/γ·(c − d_0/3)', 'N');
