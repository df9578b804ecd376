import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { notApplicable, outcome, type Check } from '../check';
import { lugOf, onPin, type LugParts } from './lug-parts';

const A = formula('A', 'π/4·D_p²', 'mm²');
const PER_PLANE = formula('F_v.Ed', 'P/n_p', 'N');
const F_V = formula('F_v.Rd', '0.6·A·f_up/γ', 'N');
const W = formula('W', 'π·D_p³/32', 'mm³');
const M_DOUBLE = formula('M_Ed', 'P/8·(b + 4·c + 2·a)', 'N·mm');
const M_SINGLE = formula('M_Ed', 'P·(b/2 + c + a/2)', 'N·mm');
const M_RD = formula('M_Rd', '1.5·W·f_yp/γ', 'N·mm');
/** Tab. 3.10 squares and adds them; the root keeps it in proportion to the load. */
const BOTH = formula('η', 'sqrt((M_Ed/M_Rd)² + (F_v.Ed/F_v.Rd)²)', '–');

/** Moment in a pin: EN 1993-1-8 fig. 3.11, P/8(b + 4c + 2a) held on both sides; P(b/2 + c + a/2) as a cantilever. b lug, a fork leg, c gap. */
export function pinMoment(x: { P: number; a: number; b: number; c: number; double: boolean }, w: Working): number {
  return w.of(x.double ? M_DOUBLE : M_SINGLE, { P: x.P, a: x.a, b: x.b, c: x.c });
}

const bothSides = (x: LugParts) => x.lug.shear !== 'single';

/** Divisors on a pin's yield and break. With BTH-1 its design factor stands for both (break × 1.20). */
function divisors(r: Resolved, x: LugParts): { y: number; b: number } {
  return x.lug.rules === 'BTH-1' ? { y: x.lug.Nd, b: 1.2 * x.lug.Nd } : { y: r.factors.onYield, b: r.factors.onBreak };
}

function shearOf(r: Resolved, x: LugParts, P: number, fup: number, w: Working): { demand: number; capacity: number } {
  const demand = w.of(PER_PLANE, { P, n_p: bothSides(x) ? 2 : 1 }, `${x.lug.shear} shear`);
  return { demand, capacity: w.of(F_V, { A: w.of(A, { D_p: x.Dp }), f_up: fup, γ: divisors(r, x).b }) };
}

/** The pin cut through. */
export const pinShear: Check = {
  id: 'pin-shear',
  name: 'Pin shear',
  element: 'lug',
  withoutBolts: true,
  says: 'The pin must not be cut through.',
  why: 'Held on both sides a pin is cut in two places at once and each carries half. Held on one side it is cut in one place that carries all.',
  source: 'EN 1993-1-8 Tab. 3.10: 0.6·A·f_up/γ_M2; with BTH-1 divided by 1.20·N_d',
  range: 'Round solid pins; one or two planes',
  evaluate(r, s, w) {
    const x = lugOf(r);
    if (!x || !r.pinGrade) return notApplicable('the fitting has no pin');
    const { demand, capacity } = shearOf(r, x, onPin(s, w), r.pinGrade.fub, w);
    return outcome(demand, capacity, 'N', 'the pin');
  },
};

/** The pin bent between what holds it. */
export const pinBending: Check = {
  id: 'pin-bending',
  name: 'Pin bending',
  element: 'lug',
  withoutBolts: true,
  says: 'The pin must not bend; held on one side only, it mostly does that first.',
  why: 'A pin sticking out of one plate is a cantilever: the link’s pull bends it over at the face. A small support tab on its far end makes it a beam held at both ends, and the bending drops to a fraction. Gaps beside the link count more than the link’s thickness.',
  source: 'EN 1993-1-8 §3.13.2, fig. 3.11 and Tab. 3.10: M_Rd = 1.5·W_el·f_yp/γ_M0; single shear by statics',
  range: 'Round solid pins; forks and tabs stiff; shear and bending by their squares',
  evaluate(r, s, w) {
    const x = lugOf(r);
    if (!x || !r.pinGrade) return notApplicable('the fitting has no pin');
    const P = onPin(s, w);
    const put = { P, a: x.lug.fork, b: x.t, c: x.lug.gap };
    const M_Ed = pinMoment({ ...put, double: bothSides(x) }, w);
    const M_Rd = w.of(M_RD, { W: w.of(W, { D_p: x.Dp }), f_yp: r.pinGrade.fyb, γ: divisors(r, x).y });
    const v = shearOf(r, x, P, r.pinGrade.fub, w);
    const η = w.of(BOTH, { M_Ed, M_Rd, 'F_v.Ed': v.demand, 'F_v.Rd': v.capacity });
    if (!bothSides(x)) {
      const held = pinMoment({ ...put, double: true }, w);
      w.found('M_Ed/M_Rd', held / M_Rd, '–', 'for comparison, with a support tab on the far end; not used');
    }
    return outcome(η, 1, '–', 'the pin', bothSides(x) ? [] : ['single shear: a support tab on the far end is the usual cure']);
  },
};
