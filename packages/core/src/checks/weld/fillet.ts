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

const S_W = formula('σ_w', 'max(sqrt(σ_n² + 3·(τ_n² + τ_p²)), sqrt(τ_n² + 3·(σ_n² + τ_p²)))', 'MPa');
const F_WD = formula('f_w.d', 'f_w/γ', 'MPa');
/** On the leg that lies against a part, √2·a wide: what pulls it off, and what slides along it. */
const S_HAZ = formula('σ_haz', 'sqrt(max(abs(q_h), abs(q_v))² + 3·(min(abs(q_h), abs(q_v))² + q_p²))/(sqrt(2)·a)', 'MPa');
const S_HAZ_2 = formula('σ_haz', 'sqrt(min(abs(q_h), abs(q_v))² + 3·(max(abs(q_h), abs(q_v))² + q_p²))/(sqrt(2)·a)', 'MPa');
const F_HAZ = formula('f_haz.d', 'f_u.haz/γ', 'MPa');

/**
 * A fillet in aluminium, EN 1999-1-1 §8.6.3.3: √(σ⊥² + 3(τ⊥² + τ∥²)) ≤ f_w/γ_Mw on the throat, the worse pair of signs; and the
 * softened metal it lies against by its leg, §8.6.3.4: √(σ² + 3τ²) ≤ f_u,haz/γ_Mw. The worse of the two.
 */
export function filletAluminium(
  q: LineForce,
  x: { a: number; fw: number; fuHaz: number; γ: number },
  w: Working,
): { demand: number; capacity: number } {
  const put = { q_p: q.along, q_h: q.across, q_v: q.out, a: x.a };
  const [σ_n, τ_n, τ_p] = [w.of(S_PERP, put), w.of(T_PERP, put), w.of(T_PAR, put)];
  const inWeld = w.of(S_W, { σ_n, τ_n, τ_p });
  const f_w = w.of(F_WD, { f_w: x.fw, γ: x.γ }, 'weld metal with filler 5356, EN 1999-1-1 Tab. 8.8 (memory)');
  const beside = Math.max(w.of(S_HAZ, put), w.of(S_HAZ_2, put, 'against the other part'));
  const f_h = w.of(F_HAZ, { 'f_u.haz': x.fuHaz, γ: x.γ }, 'beside the weld, EN 1999-1-1 Tab. 3.2b (memory)');
  return inWeld * f_h >= beside * f_w ? { demand: inWeld, capacity: f_w } : { demand: beside, capacity: f_h };
}

/**
 * AISC 360-16 §J2.4: 0.60·F_EXX on the throat, and (1 + 0.5·sin^1.5 θ) of it, θ between force and run, only for a linear group pulled
 * through its centre, §J2.4(b): in others some runs give before the strong ones have turned up their strength. N/mm.
 */
export function filletAISC(
  q: LineForce,
  x: { a: number; filler: number; γ: number; straight: boolean },
  w: Working,
): { demand: number; capacity: number } {
  const demand = w.of(RESULTANT, { q_p: q.along, q_h: q.across, q_v: q.out });
  const θ = demand > 0 ? (Math.acos(Math.min(1, Math.abs(q.along) / demand)) * 180) / Math.PI : 0;
  const k = x.straight
    ? w.of(K_DIR, { θ }, 'θ between the force and the run')
    : w.found('k_θ', 1, '–', 'runs that go several ways, or a load past their middle: not counted, §J2.4');
  return { demand, capacity: w.of(Q_AISC, { F_EXX: x.filler, k_θ: k, a: x.a, γ: x.γ }) };
}
