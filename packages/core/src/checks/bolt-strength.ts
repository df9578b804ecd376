import { rowsOf } from '../geometry/rows';
import type { Resolved } from '../job/resolve';
import { headKind, threadedThrough } from '../stock/heads';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { pliesOf } from './grip';
import { remembered } from './remembered';

/**
 * Bolt resistances. EN 1993-1-8 Tab. 3.4: k_2 0.9 (0.63 countersunk), α_v with the thread or the shank in the shear plane;
 * less β_Lf for a long joint (§3.8), and the lesser of β_p for a packer (§3.6.1(12)) and β_g for a long grip (BS 5950-1 §6.3.2.2).
 * AISC 360-16 Tab. J3.2: F_nt 0.75·F_u on the nominal area, F_nv 0.45·F_u with and 0.563·F_u without the thread in the plane; long
 * joints × 0.833 over 965 mm (38 in) are out of reach. γ is γ_M2, 1/0.75 under AISC, or the safety factor on break with working loads.
 */
const F_TRD = formula('F_t.Rd', 'k_2·f_ub·A_s/γ', 'N');
const F_VRD = formula('F_v.Rd', 'β_Lf·β_p·α_v·f_ub·A/γ', 'N');
const BETA_LF = formula('β_Lf', 'max(0.75, min(1, 1 − (L_j − 15·d)/(200·d)))', '–');
const BETA_P = formula('β_p', 'min(1, 9·d/(8·d + 3·t_p))', '–');
const BETA_G = formula('β_g', 'min(1, 8·d/(3·d + T_g))', '–');
const A_B = formula('A_b', 'π/4·d²', 'mm²');
const R_NT = formula('F_t.Rd', '0.75·F_u·A_b/γ', 'N');
const R_NV = formula('F_v.Rd', 'k_v·F_u·A_b/γ', 'N');

/** Countersunk heads hold 0.63, others 0.9 (EN 1993-1-8 Tab. 3.4). */
export const k2Of = (r: Resolved): number => headKind(r.joint.head).k2;

/** Tension resistance of one bolt, N. */
export function tensionResistance(r: Resolved, w: Working): number {
  const γ = r.factors.onBreak;
  if (r.rules === 'AISC' && !headKind(r.joint.head).sunk)
    return w.of(R_NT, { F_u: r.grade.fub, A_b: w.of(A_B, { d: r.d }), γ }, 'AISC 360-16 Tab. J3.2');
  return w.of(F_TRD, { k_2: k2Of(r), f_ub: r.grade.fub, A_s: r.As, γ });
}

/**
 * Length L_j of the longest straight row of three bolts or more along the plan's axes, mm; 0 where there is none: two bolts
 * share evenly however far apart.
 */
const jointLength = remembered((r: Resolved) => {
  const span = (across: 'x' | 'y', along: 'x' | 'y') =>
    rowsOf(r.bolts, across, r.d / 2)
      .filter((row) => row.bolts.length >= 3)
      .map((row) => row.bolts.map((i) => r.bolts[i]![along]))
      .map((at) => Math.max(...at) - Math.min(...at));
  return Math.max(0, ...span('x', 'y'), ...span('y', 'x'));
});

/** What the packer and a long grip leave of bolt i's shear: the lesser of the two rules. */
function byGrip(r: Resolved, i: number, w: Working): number {
  const { d } = r;
  const t_p = r.bolts[i]!.packed;
  const T_g = pliesOf(r, i);
  const β_p = t_p > d / 3 ? w.of(BETA_P, { d, t_p }, 'packer thicker than d/3') : 1;
  const β_g = T_g > 5 * d ? w.of(BETA_G, { d, T_g }, 'grip over 5·d, BS 5950-1 §6.3.2.2') : 1;
  return Math.min(β_p, β_g);
}

/** Shear resistance of bolt i in one plane, N. */
export function shearResistance(r: Resolved, i: number, w: Working): number {
  const γ = r.factors.onBreak;
  // A bolt threaded to its head has no plain shank, whatever the job says.
  const shank = r.joint.inPlane === 'shank' && !threadedThrough(r.joint.head);
  const β_p = byGrip(r, i, w);
  if (r.rules === 'AISC') {
    const k_v = (shank ? 0.563 : 0.45) * β_p;
    return w.of(R_NV, { k_v, F_u: r.grade.fub, A_b: w.of(A_B, { d: r.d }), γ }, 'AISC 360-16 Tab. J3.2');
  }
  const L_j = jointLength(r);
  const β_Lf = L_j > 15 * r.d ? w.of(BETA_LF, { L_j, d: r.d }, 'a joint longer than 15·d') : 1;
  const A = shank ? w.of(A_B, { d: r.d }) : r.As;
  return w.of(F_VRD, { β_Lf, β_p, α_v: shank ? 0.6 : r.grade.alphaV, f_ub: r.grade.fub, A, γ });
}

/** The other school's figures for bolt i, for the working; N. */
export function otherSchool(r: Resolved, of: 'tension' | 'shear', i: number, w: Working): void {
  if (!w.recording) return;
  const EN = r.rules === 'EN';
  const other: Resolved = { ...r, rules: EN ? 'AISC' : 'EN' };
  const silent = new Working(false);
  const v = of === 'tension' ? tensionResistance(other, silent) : shearResistance(other, i, silent);
  w.found(
    of === 'tension' ? 'F_t.Rd' : 'F_v.Rd',
    v,
    'N',
    `for comparison, by ${EN ? 'AISC Tab. J3.2' : 'EN 1993-1-8 Tab. 3.4'} with the same γ; not used`,
  );
}
