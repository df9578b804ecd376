import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import type { StubPlace } from '../sharing/t-stub';

type Place = Omit<StubPlace, 'broken'>;

/**
 * A plate bent between the base edge and one bolt outside it: half a T-stub, per bolt.
 * m (EN) = b (AISC): bolt centre to base edge. n (EN), a (AISC): bolt centre to plate edge, limited to 1.25·m, 1.25·b.
 */
export interface TStub extends Place {
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

/** What a T-stub holds, and how much more than its pull the bolt then carries: (T + Q)/T at failure by the mode that governs. */
export interface Pried {
  readonly holds: number;
  readonly ratio: number;
}

const N_EN = formula('n', 'min(e, 1.25·m)', 'mm');
/** Circular and non-circular patterns, side by side: a neighbour at p, or the end at e_1 (Tab. 6.4, inner and end rows). */
const L_CP = formula('l_eff.cp', 'min(π·m, c_1) + min(π·m, c_2)', 'mm');
const L_NC = formula('l_eff.nc', 'min(2·m + 0.625·e, n_1) + min(2·m + 0.625·e, n_2)', 'mm');
const L1 = formula('l_eff.1', 'min(l_eff.cp, l_eff.nc)', 'mm');
const MPL1 = formula('M_pl.1', '0.25·l_eff.1·t²·f_y/γ_M0', 'N·mm');
const MPL2 = formula('M_pl.2', '0.25·l_eff.nc·t²·f_y/γ_M0', 'N·mm');
const MODE1 = formula('F_T.1', '2·M_pl.1/m', 'N');
const MODE2 = formula('F_T.2', '(M_pl.2 + n·F_t.Rd)/(m + n)', 'N');
const F_T = formula('F_T.Rd', 'min(F_T.1, F_T.2, F_t.Rd)', 'N');

/**
 * EN 1993-1-8 §6.2.4 Tab. 6.2, modes 1 (plate yields), 2 (plate and bolt) and 3 (bolt), halved for one bolt; l_eff of Tab. 6.4
 * with end rows: a neighbour's side counts πm or p (circular) and 2m + 0.625e or p/2, an end's πm or 2e_1 and 2m + 0.625e or e_1.
 */
export function tStubEN(x: TStub, w: Working): Pried {
  const put = { m: x.m, e: x.e, t: x.t, f_y: x.fy, γ_M0: x.gammaYield, 'F_t.Rd': x.Ft };
  const n = w.of(N_EN, put);
  const lengths = lengthsEN(x, w);
  const M1 = w.of(MPL1, { ...put, 'l_eff.1': w.of(L1, lengths) });
  const M2 = w.of(MPL2, { ...put, 'l_eff.nc': lengths['l_eff.nc'] });
  const F1 = w.of(MODE1, { 'M_pl.1': M1, m: x.m }, 'mode 1, plate yields at the base and at the bolt');
  const F2 = w.of(MODE2, { ...put, 'M_pl.2': M2, n }, 'mode 2, plate yields and the bolt breaks');
  const holds = w.of(F_T, { 'F_T.1': F1, 'F_T.2': F2, 'F_t.Rd': x.Ft });
  const ratio = F1 <= F2 && F1 <= x.Ft ? 1 + M1 / n / F1 : F2 <= x.Ft ? x.Ft / F2 : 1;
  return { holds, ratio };
}

const F_LONE = formula('F_T.1-2', 'M_pl.1/m', 'N');

/**
 * The same where nothing presses beyond the bolt, so that none pries and no hinge forms at it: EN 1993-1-8 §6.2.4 Tab. 6.2, modes 1
 * and 2 without prying forces, F = 2·M_pl.1/m for a pair. Holds for a push as for a pull.
 */
export function withoutPryingEN(x: TStub, w: Working): number {
  const put = { m: x.m, e: x.e, t: x.t, f_y: x.fy, γ_M0: x.gammaYield };
  const l = w.of(L1, lengthsEN(x, w));
  return w.of(F_LONE, { 'M_pl.1': w.of(MPL1, { ...put, 'l_eff.1': l }), m: x.m }, 'no prying forces: one hinge, at the base');
}

/** Circular and non-circular lengths of Tab. 6.4. */
function lengthsEN(x: TStub, w: Working): { 'l_eff.cp': number; 'l_eff.nc': number } {
  const [one, two] = x.sides;
  const circular = (s: typeof one) => (s.to === 'neighbour' ? s.gap : 2 * s.gap);
  const straight = (s: typeof one) => (s.to === 'neighbour' ? s.gap / 2 : s.gap);
  const put = { m: x.m, e: x.e };
  return {
    'l_eff.cp': w.of(L_CP, { ...put, c_1: circular(one), c_2: circular(two) }, sideWords(x)),
    'l_eff.nc': w.of(L_NC, { ...put, n_1: straight(one), n_2: straight(two) }),
  };
}

const sideWords = (x: Place): string =>
  x.sides.map((s) => (s.to === 'neighbour' ? `pitch ${s.gap.toFixed(0)}` : `end ${s.gap.toFixed(0)}`)).join(', ');

const B1 = formula("b'", 'b − d/2', 'mm');
const A1 = formula("a'", 'min(a, 1.25·b) + d/2', 'mm');
const RHO = formula('ρ', "b'/a'", '–');
const DELTA = formula('δ', '1 − d_0/p', '–');
const TC = formula('t_c', "sqrt(4·B·b'·γ_b/(p·f_u))", 'mm');
const ALPHA = formula("α'", '((t_c/t)² − 1)/(δ·(1 + ρ))', '–');
const Q_MID = formula('Q', "(t/t_c)²·(1 + δ·α')", '–');
const Q_THIN = formula('Q', '(t/t_c)²·(1 + δ)', '–');
const T_AVAIL = formula('T_avail', 'B·Q', 'N');

/** p counted in prying: each side no more than b, half the pitch, or to the edge (AISC Manual Part 9). */
const P_AISC = formula('p', 'min(b, p_1) + min(b, p_2)', 'mm');

const lengthAISC = (x: Place, w: Working): number => {
  const own = (s: StubPlace['sides'][number]) => (s.to === 'neighbour' ? s.gap / 2 : s.gap);
  return w.of(P_AISC, { b: x.m, p_1: own(x.sides[0]), p_2: own(x.sides[1]) }, sideWords(x));
};

/**
 * AISC Manual Part 9, prying action: available tension T_avail = B·Q per bolt (14th ed., F_u form).
 * γ_b = 1/φ = 1/0.9 in limit states, the safety factor on yield with working loads (Ω_b 1.67 in ASD).
 */
export function tStubAISC(x: TStub, w: Working): Pried {
  const p = lengthAISC(x, w);
  const put = { b: x.m, a: x.e, d: x.d, d_0: x.d0, t: x.t, f_u: x.fu, B: x.Ft, γ_b: x.gammaBreak, p };
  const b1 = w.of(B1, put);
  const ρ = w.of(RHO, { "b'": b1, "a'": w.of(A1, put) });
  const δ = Math.max(0, w.of(DELTA, put));
  const t_c = w.of(TC, { ...put, "b'": b1 });
  const α = w.of(ALPHA, { t_c, t: x.t, δ, ρ });
  const q = { t: x.t, t_c, δ, "α'": α };
  const Q = α < 0 ? w.found('Q', 1, '–', 'α′ under 0: the plate is stiff enough, no prying') : w.of(α <= 1 ? Q_MID : Q_THIN, q);
  const holds = w.of(T_AVAIL, { B: x.Ft, Q });
  // While the plate governs, the bolt carries q = B·δ·ρ·(t/t_c)² besides (α 1); where the bolt does, it carries B.
  return { holds, ratio: α > 1 ? 1 + (δ * ρ) / (1 + δ) : 1 / Q };
}

const T_LONE = formula('T_avail', "p·f_u·t²/(4·b'·γ_b)", 'N');

/** AISC Manual Part 9 where nothing pries: t = √(4·T·b′/(φ·p·F_u)) turned round. */
export function withoutPryingAISC(x: TStub, w: Working): number {
  const p = lengthAISC(x, w);
  const b1 = w.of(B1, { b: x.m, d: x.d });
  return w.of(T_LONE, { p, f_u: x.fu, t: x.t, "b'": b1, γ_b: x.gammaBreak }, 'no prying: one hinge, at the base');
}

const BETA = formula('β', '(B/T − 1)/ρ', '–');
const T_MIN = formula('t_min', "sqrt(4·T·b'·γ_b/(p·f_u·(1 + δ·α')))", 'mm');

/** AISC Manual Part 9, thickness needed for tension T per bolt, mm; Infinity where T is over B. */
export function thicknessAISC(x: TStub, T: number, w: Working): number {
  const put = { b: x.m, a: x.e, d: x.d, d_0: x.d0, p: lengthAISC(x, w), f_u: x.fu, B: x.Ft, T, γ_b: x.gammaBreak };
  const b1 = B1.of(put);
  const rho = RHO.of({ "b'": b1, "a'": A1.of(put) });
  const delta = DELTA.of(put);
  const beta = BETA.of({ ...put, ρ: rho });
  if (beta < 0) return Infinity;
  const alpha = beta >= 1 ? 1 : Math.min(1, beta / (1 - beta) / delta);
  return T_MIN.of({ ...put, "b'": b1, δ: delta, "α'": alpha });
}
