import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import type { LineForce } from '../../sharing/weld-group';

const RESULTANT = formula('q', 'sqrt(q_p² + q_h² + q_v²)', 'N/mm');
const S_PERP = formula('σ_n', '(abs(q_h) + abs(q_v))/(sqrt(2)·a)', 'MPa');
const T_PERP = formula('τ_n', 'abs(abs(q_h) − abs(q_v))/(sqrt(2)·a)', 'MPa');
const T_PAR = formula('τ_p', 'abs(q_p)/a', 'MPa');
const S_EQ = formula('σ_v', 'sqrt(σ_n² + 3·(τ_n² + τ_p²))', 'MPa');
const F_VW = formula('f_vw.d', 'f_u/(sqrt(3)·β_w·γ)', 'MPa');
const Q_RD = formula('q_Rd', 'f_vw.d·a', 'N/mm');
const K_DIR = formula('k_θ', '1 + 0.5·sin(θ)^1.5', '–');
const Q_AISC = formula('q_Rd', '0.6·F_EXX·k_θ·a/γ', 'N/mm');

/** β_w by the parent metal's f_u (EN 1993-1-8 Tab. 4.1: S235 0.80, S275 0.85, S355 0.90, S420 and S460 1.0). */
export const betaW = (fu: number): number => (fu <= 360 ? 0.8 : fu <= 430 ? 0.85 : fu <= 510 ? 0.9 : 1);

/** Resistance of a fillet by EN 1993-1-8 §4.5.3.3 (simplified), N/mm. */
export function filletSimplified(x: { a: number; fu: number; γ: number }, w: Working): number {
  const f = w.of(F_VW, { f_u: x.fu, β_w: betaW(x.fu), γ: x.γ });
  return w.of(Q_RD, { 'f_vw.d': f, a: x.a });
}

/**
 * Utilisation by EN 1993-1-8 §4.5.3.2 (directional): √(σ⊥² + 3(τ⊥² + τ∥²)) ≤ f_u/(β_w·γ) and σ⊥ ≤ 0.9·f_u/γ on the throat at
 * 45°. The signs of the forces across are not known to act together, so the worse pair is taken.
 */
export function filletDirectional(
  q: LineForce,
  x: { a: number; fu: number; γ: number },
  w: Working,
): { demand: number; capacity: number } {
  const put = { q_p: q.along, q_h: q.across, q_v: q.out, a: x.a };
  const σ_n = w.of(S_PERP, put);
  const τ_n = w.of(T_PERP, put);
  const τ_p = w.of(T_PAR, put);
  // With the signs the other way round σ and τ change places: 3τ² then weighs more.
  const [s1, s2] = [w.of(S_EQ, { σ_n, τ_n, τ_p }), w.of(S_EQ, { σ_n: τ_n, τ_n: σ_n, τ_p }, 'signs the other way round')];
  const capacity = x.fu / (betaW(x.fu) * x.γ);
  return { demand: Math.max(s1, s2, (σ_n * capacity) / ((0.9 * x.fu) / x.γ)), capacity };
}

/** AISC 360-16 §J2.4: 0.60·F_EXX·(1 + 0.5·sin^1.5 θ) on the throat; θ between force and run. N/mm. */
export function filletAISC(
  q: LineForce,
  x: { a: number; filler: number; γ: number },
  w: Working,
): { demand: number; capacity: number } {
  const demand = w.of(RESULTANT, { q_p: q.along, q_h: q.across, q_v: q.out });
  const θ = demand > 0 ? (Math.acos(Math.min(1, Math.abs(q.along) / demand)) * 180) / Math.PI : 0;
  const k = w.of(K_DIR, { θ }, 'θ between the force and the run');
  return { demand, capacity: w.of(Q_AISC, { F_EXX: x.filler, k_θ: k, a: x.a, γ: x.γ }) };
}
