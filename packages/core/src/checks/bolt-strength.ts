import type { Resolved } from '../job/resolve';
import type { Shared } from '../sharing/share';
import { headKind, threadedThrough } from '../stock/heads';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { remembered } from './check';

/**
 * Bolt resistances. EN 1993-1-8 Tab. 3.4: k_2 0.9 (0.63 countersunk), α_v with the thread or the shank in the shear plane;
 * less β_Lf for a long joint (§3.8) and β_p for a packer (§3.6.1(12)). AISC 360-16 Tab. J3.2: F_nt 0.75·F_u on the nominal
 * area, F_nv 0.45·F_u with and 0.563·F_u without the thread in the plane; long joints × 0.833 over 965 mm (38 in) are out of reach.
 * γ is γ_M2 in limit states or the safety factor on break with working loads.
 */
const F_TRD = formula('F_t.Rd', 'k_2·f_ub·A_s/γ', 'N');
const F_VRD = formula('F_v.Rd', 'β_Lf·β_p·α_v·f_ub·A/γ', 'N');
const BETA_LF = formula('β_Lf', 'max(0.75, min(1, 1 − (L_j − 15·d)/(200·d)))', '–');
const BETA_P = formula('β_p', 'min(1, 9·d/(8·d + 3·t_p))', '–');
const A_B = formula('A_b', 'π/4·d²', 'mm²');
const R_NT = formula('F_t.Rd', '0.75·F_u·A_b/γ', 'N');
const R_NV = formula('F_v.Rd', 'k_v·F_u·A_b/γ', 'N');

/** Countersunk heads hold 0.63, others 0.9 (EN 1993-1-8 Tab. 3.4). */
export const k2Of = (r: Resolved): number => headKind(r.job.joint.head).k2;

/** Tension resistance of one bolt, N. */
export function tensionResistance(r: Resolved, w: Working): number {
  const γ = r.factors.onBreak;
  if (r.rules === 'AISC' && !headKind(r.job.joint.head).sunk)
    return w.of(R_NT, { F_u: r.grade.fub, A_b: w.of(A_B, { d: r.d }), γ }, 'AISC 360-16 Tab. J3.2');
  return w.of(F_TRD, { k_2: k2Of(r), f_ub: r.grade.fub, A_s: r.As, γ });
}

/**
 * Length L_j of the longest straight row of three bolts or more along the plan's axes, mm; 0 where there is none: two bolts
 * share evenly however far apart.
 */
const jointLength = remembered((r: Resolved) => {
  const span = (axis: 'x' | 'y') => {
    const other = axis === 'x' ? 'y' : 'x';
    return r.bolts.map((b) => {
      const row = r.bolts.filter((o) => Math.abs(o[other] - b[other]) < r.d / 2).map((o) => o[axis]);
      return row.length < 3 ? 0 : Math.max(...row) - Math.min(...row);
    });
  };
  return Math.max(...span('x'), ...span('y'));
});

/** Solid packing that the bolt bends in, mm: none up to d/3 (EN 1993-1-8 §3.6.1(12)). */
const packing = (r: Resolved): number => {
  const { packing: kind, packer } = r.job.joint;
  return kind === 'packer' && packer.v > r.d / 3 ? packer.v : 0;
};

/** Shear resistance of one bolt in one plane, N. */
export function shearResistance(r: Resolved, w: Working): number {
  const γ = r.factors.onBreak;
  // A bolt threaded to its head has no plain shank, whatever the job says.
  const shank = r.job.joint.inPlane === 'shank' && !threadedThrough(r.job.joint.head);
  const t_p = packing(r);
  const β_p = t_p > 0 ? w.of(BETA_P, { d: r.d, t_p }, 'packer thicker than d/3') : 1;
  if (r.rules === 'AISC') {
    const k_v = (shank ? 0.563 : 0.45) * β_p;
    return w.of(R_NV, { k_v, F_u: r.grade.fub, A_b: w.of(A_B, { d: r.d }), γ }, 'AISC 360-16 Tab. J3.2');
  }
  const L_j = jointLength(r);
  const β_Lf = L_j > 15 * r.d ? w.of(BETA_LF, { L_j, d: r.d }, 'a joint longer than 15·d') : 1;
  const A = shank ? w.of(A_B, { d: r.d }) : r.As;
  return w.of(F_VRD, { β_Lf, β_p, α_v: shank ? 0.6 : r.grade.alphaV, f_ub: r.grade.fub, A, γ });
}

/** The other school's figures for one bolt, for the working; N. */
export function otherSchool(r: Resolved, of: 'tension' | 'shear', w: Working): void {
  if (!w.recording) return;
  const EN = r.rules === 'EN';
  const other: Resolved = { ...r, rules: EN ? 'AISC' : 'EN' };
  const v = (of === 'tension' ? tensionResistance : shearResistance)(other, new Working(false));
  w.found(
    of === 'tension' ? 'F_t.Rd' : 'F_v.Rd',
    v,
    'N',
    `for comparison, by ${EN ? 'AISC Tab. J3.2' : 'EN 1993-1-8 Tab. 3.4'}; not used`,
  );
}

/** Tension in bolt i from the neutral axis, N. */
export function pullOn(r: Resolved, s: Shared, i: number, w: Working): number {
  const how = s.solved ? `with its prying, ${s.solved.mesh}` : 'neutral axis found by equilibrium';
  return w.found('F_t.Ed', s.outOfPlane.tensions[i]!, 'N', `pull in ${r.bolts[i]!.id}, ${how}`);
}
