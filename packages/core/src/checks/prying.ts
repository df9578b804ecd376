import { formula } from '../working/formula';
import type { Working } from '../working/steps';

/**
 * A plate bent between the base edge and one bolt outside it: half a T-stub, per bolt.
 * m (EN) = b (AISC): bolt centre to base edge. n (EN), a (AISC): bolt centre to plate edge, limited to 1.25·m, 1.25·b.
 * p: length of plate that goes with the bolt.
 */
export interface TStub {
  readonly m: number;
  readonly e: number;
  readonly p: number;
  readonly t: number;
  readonly fy: number;
  readonly fu: number;
  readonly d: number;
  readonly d0: number;
  /** Tension resistance of the bolt alone, N, already divided by its factor. */
  readonly Ft: number;
  readonly gammaYield: number;
  readonly gammaBreak: number;
}

const N_EN = formula('n', 'min(e, 1.25·m)', 'mm');
const L1 = formula('l_eff.1', 'min(2·π·m, 4·m + 1.25·e, p)', 'mm');
const L2 = formula('l_eff.2', 'min(4·m + 1.25·e, p)', 'mm');
const MPL1 = formula('M_pl.1', '0.25·l_eff.1·t²·f_y/γ_M0', 'N·mm');
const MPL2 = formula('M_pl.2', '0.25·l_eff.2·t²·f_y/γ_M0', 'N·mm');
const MODE1 = formula('F_T.1', '2·M_pl.1/m', 'N');
const MODE2 = formula('F_T.2', '(M_pl.2 + n·F_t.Rd)/(m + n)', 'N');
const F_T = formula('F_T.Rd', 'min(F_T.1, F_T.2, F_t.Rd)', 'N');

/**
 * EN 1993-1-8 §6.2.4 Tab. 6.2, modes 1 (plate yields), 2 (plate and bolt) and 3 (bolt), halved for one bolt;
 * l_eff circular and non-circular of Tab. 6.4, no longer than the plate that goes with the bolt.
 */
export function tStubEN(x: TStub, w: Working): number {
  const s = {
    m: x.m,
    e: x.e,
    p: x.p,
    t: x.t,
    f_y: x.fy,
    γ_M0: x.gammaYield,
    'F_t.Rd': x.Ft,
    n: 0,
    'l_eff.1': 0,
    'l_eff.2': 0,
    'M_pl.1': 0,
    'M_pl.2': 0,
    'F_T.1': 0,
    'F_T.2': 0,
  };
  s.n = w.of(N_EN, s);
  s['l_eff.1'] = w.of(L1, s);
  s['l_eff.2'] = w.of(L2, s);
  s['M_pl.1'] = w.of(MPL1, s);
  s['M_pl.2'] = w.of(MPL2, s);
  s['F_T.1'] = w.of(MODE1, s, 'mode 1, plate yields at the base and at the bolt');
  s['F_T.2'] = w.of(MODE2, s, 'mode 2, plate yields and the bolt breaks');
  return w.of(F_T, s);
}

const B1 = formula("b'", 'b − d/2', 'mm');
const A1 = formula("a'", 'min(a, 1.25·b) + d/2', 'mm');
const RHO = formula('ρ', "b'/a'", '–');
const DELTA = formula('δ', '1 − d_0/p', '–');
const TC = formula('t_c', "sqrt(4·B·b'·γ_b/(p·f_u))", 'mm');
const ALPHA = formula("α'", '((t_c/t)² − 1)/(δ·(1 + ρ))', '–');
const Q_MID = formula('Q', "(t/t_c)²·(1 + δ·α')", '–');
const Q_THIN = formula('Q', '(t/t_c)²·(1 + δ)', '–');
const T_AVAIL = formula('T_avail', 'B·Q', 'N');

/** p counted in prying: no more than 2·b a bolt (AISC Manual Part 9). */
const P_AISC = formula('p', 'min(p_0, 2·b)', 'mm');

/**
 * AISC Manual Part 9, prying action: available tension T_avail = B·Q per bolt (14th ed., F_u form).
 * γ_b = 1/φ = 1/0.9 in limit states, the safety factor on yield with working loads (Ω_b 1.67 in ASD).
 */
export function tStubAISC(x: TStub, w: Working): number {
  const s = {
    p_0: x.p,
    p: 0,
    b: x.m,
    a: x.e,
    d: x.d,
    d_0: x.d0,
    t: x.t,
    f_u: x.fu,
    B: x.Ft,
    γ_b: x.gammaBreak,
    "b'": 0,
    "a'": 0,
    ρ: 0,
    δ: 0,
    t_c: 0,
    "α'": 0,
    Q: 1,
  };
  s.p = w.of(P_AISC, s);
  s["b'"] = w.of(B1, s);
  s["a'"] = w.of(A1, s);
  s['ρ'] = w.of(RHO, s);
  s['δ'] = w.of(DELTA, s);
  s.t_c = w.of(TC, s);
  s["α'"] = w.of(ALPHA, s);
  if (s["α'"] < 0) w.found('Q', 1, '–', 'α′ under 0: the plate is stiff enough, no prying');
  else s.Q = w.of(s["α'"] <= 1 ? Q_MID : Q_THIN, s);
  return w.of(T_AVAIL, s);
}

const BETA = formula('β', '(B/T − 1)/ρ', '–');
const T_MIN = formula('t_min', "sqrt(4·T·b'·γ_b/(p·f_u·(1 + δ·α')))", 'mm');

/** AISC Manual Part 9, thickness needed for tension T per bolt, mm; Infinity where T is over B. */
export function thicknessAISC(x: TStub, T: number): number {
  const p = Math.min(x.p, 2 * x.m);
  const put = { b: x.m, a: x.e, d: x.d, d_0: x.d0, p, f_u: x.fu, B: x.Ft, T, γ_b: x.gammaBreak };
  const b1 = B1.of(put);
  const rho = RHO.of({ "b'": b1, "a'": A1.of(put) });
  const delta = DELTA.of(put);
  const beta = BETA.of({ ...put, ρ: rho });
  if (beta < 0) return Infinity;
  const alpha = beta >= 1 ? 1 : Math.min(1, beta / (1 - beta) / delta);
  return T_MIN.of({ ...put, "b'": b1, δ: delta, "α'": alpha });
}
