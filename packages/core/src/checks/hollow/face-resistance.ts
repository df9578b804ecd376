import type { Rect } from '../../geometry/points';
import { heightOf, widthOf } from '../../geometry/rects';
import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import type { Section } from './section';

const N_FACE = formula('N_1.Rd', 'f_y·t_0²/(1 − β)·(2·η + 4·sqrt(1 − β))/γ', 'N');
/** Round a patch too narrow for the row above the yield lines close to a fan: 4·π·m_pl for a point between clamped sides, not 16·m_pl. */
const N_FAN = formula('N_1.Rd', 'k·π·f_y·t_0²/(1 − β)·(sqrt(1 − β) + 2·η/π)/γ', 'N');
const K_FAN = formula('k', 'min(1, 0.7 + 0.6·(β + η))', '–');
const M_IP = formula('M_ip.Rd', 'f_y·t_0²·h_1·(1/(2·η) + 2/sqrt(1 − β) + η/(1 − β))/γ', 'N·mm');
const M_OP = formula('M_op.Rd', 'f_y·t_0²·(h_1·(1 + β)/(2·(1 − β)) + sqrt(2·b_0·b_1·(1 + β)/(1 − β)))/γ', 'N·mm');
const K_1 = formula('k_1', 'N_1.Rd/N', '–');
const LAMBDA = formula('λ', '3.46·(h_0/t_0 − 2)/(π·sqrt(E/f_y))', '–');
const N_SIDE = formula('N_1.Rd', 'χ·f_y·t_0·(2·h_1 + 10·t_0)/γ', 'N');

const N_ROUND = formula('N_1.Rd', 'f_y·t_0²·(4 + 20·β²)·(1 + 0.25·η)/γ', 'N');
/** A longitudinal plate: what the row above comes to at β 0.22, and no less for what is narrower than its range. */
const N_LONGITUDINAL = formula('N_1.Rd', '5·f_y·t_0²·(1 + 0.25·η)/γ', 'N');
const M_IP_ROUND = formula('M_ip.Rd', 'h_1·N_1.Rd/(1 + 0.25·η)', 'N·mm');
const M_OP_ROUND = formula('M_op.Rd', '0.5·b_1·N_1.Rd', 'N·mm');

/** What a face carries of a push or pull, of a moment along the section and of one across it. */
export interface FaceResistance {
  readonly N: number;
  readonly Mip: number;
  readonly Mop: number;
}

/** Range of Tab. 7.8: what is narrower is carried by a fan of yield lines. */
const NARROW = 0.25;
interface Patch {
  readonly fy: number;
  readonly t0: number;
  readonly β: number;
  readonly η: number;
  readonly γ: number;
}

/**
 * A patch punched out of the middle of a face by circular yield lines, N: Gomes, Jaspart & Maquoi 1996, local mechanism (memory); k what
 * their tests leave of a small patch. `k` 1 is the upper bound by itself, 4·π·m_pl for a point (Johansen).
 */
export const fanResistance = ({ fy, t0, β, η, γ }: Patch, k: number, w: Working): number =>
  w.of(N_FAN, { k, f_y: fy, t_0: t0, β, η, γ }, 'narrower than a quarter of the face: yield lines close round it');

/** Axial strength of a flat face, EN 1993-1-8 Tab. 7.11, k_n 1; β up to 0.85, under 0.25 by the fan where that is less. N. */
export function faceResistance(x: Patch, w: Working): number {
  const straight = w.of(N_FACE, { f_y: x.fy, t_0: x.t0, β: x.β, η: x.η, γ: x.γ });
  if (x.β >= NARROW) return straight;
  return Math.min(straight, fanResistance(x, w.of(K_FAN, { β: x.β, η: x.η }), w));
}

/** Range of Tab. 7.3: narrower is a longitudinal plate, and what is longer counts as this long. */
const ROUND = { narrow: 0.4, long: 4 } as const;

/** Axial strength of a round tube's wall under a patch, EN 1993-1-8 Tab. 7.3 (memory), X joints, k_p 1. N. */
export function roundResistance(x: { fy: number; t0: number; β: number; η: number; γ: number }, w: Working): number {
  const put = { f_y: x.fy, t_0: x.t0, η: Math.min(x.η, ROUND.long), γ: x.γ };
  return x.β < ROUND.narrow ? w.of(N_LONGITUDINAL, put) : w.of(N_ROUND, { ...put, β: Math.min(1, x.β) });
}

/** Flexural buckling by curve a (hot-finished, α 0.21; EN 1993-1-1 §6.3.1.2). */
export function chiA(lambda: number): number {
  if (lambda <= 0.2) return 1;
  const phi = 0.5 * (1 + 0.21 * (lambda - 0.2) + lambda ** 2);
  return 1 / (phi + Math.sqrt(phi ** 2 - lambda ** 2));
}

/** Resistances of the face under a patch h_1 along the section and b_1 across it. */
export function resistances(r: Resolved, x: Section, patch: Rect, w: Working): FaceResistance {
  const γ = r.factors.onYield;
  const [h_1, b_1] = [widthOf(patch), heightOf(patch)];
  const β = Math.min(1, b_1 / x.b0);
  if (x.round) {
    const η = h_1 / x.b0;
    const N = roundResistance({ fy: x.fy, t0: x.t0, β, η, γ }, w);
    const long = Math.min(η, ROUND.long);
    const Mip = w.of(M_IP_ROUND, { h_1: long * x.b0, 'N_1.Rd': N, η: long });
    return { N, Mip, Mop: w.of(M_OP_ROUND, { b_1: β * x.b0, 'N_1.Rd': N }) };
  }
  const low = Math.min(β, 0.85);
  const put = { f_y: x.fy, t_0: x.t0, β: low, η: h_1 / x.b0, γ, h_1, b_1: low * x.b0, b_0: x.b0 };
  const N_1 = faceResistance({ fy: x.fy, t0: x.t0, β: low, η: put.η, γ }, w);
  // Out of the table's range the moments are taken down as the push is.
  const k_1 = β < NARROW ? w.of(K_1, { 'N_1.Rd': N_1, N: N_FACE.of(put) }, 'the moments as the push') : 1;
  const face = { N: N_1, Mip: k_1 * w.of(M_IP, put), Mop: k_1 * w.of(M_OP, put) };
  if (β <= 0.85) return face;
  const λ = w.of(LAMBDA, { h_0: x.h0, t_0: x.t0, E: r.skin.E, f_y: x.fy });
  const χ = w.found('χ', chiA(λ), '–', 'EN 1993-1-1 §6.3.1.2, curve a');
  const N = w.of(N_SIDE, { χ, f_y: x.fy, t_0: x.t0, h_1, γ }, 'β 1: the side walls take it');
  const part = (β - 0.85) / 0.15;
  // Tab. 7.11: between β 0.85 and 1 in a straight line; moments by the side walls as a couple over the plate (statics).
  const between = (a: number, b: number) => a + part * (b - a);
  return { N: between(face.N, N), Mip: between(face.Mip, (N * h_1) / 4), Mop: between(face.Mop, (N * x.b0) / 2) };
}
