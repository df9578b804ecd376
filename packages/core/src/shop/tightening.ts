import { crushResistance } from '../checks/washer-crush';
import { threadAreas, tappedIn } from '../checks/thread-engaged';
import { ofThisKind } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { lasting } from '../job/factors';
import { isRefusal } from '../units/refusal';
import { proofOf, yieldOf } from '../stock/bolt-proof';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

// T = K·d·F at 75 % of proof: joints taken apart again (common practice; Machinery’s Handbook, memory).
const F_75 = formula('F', '0.75·S_p·A_s', 'N');
const T_K = formula('T', 'K·d·F', 'N·mm');
// Assembly preload at 90 % of yield with the thread’s torsion (VDI 2230 Part 1, Tab. A1: plastic torsion, r = d_0/2).
const D_2 = formula('d_2', 'd − 0.6495·P', 'mm');
const D_3 = formula('d_3', 'd − 1.2269·P', 'mm');
const TWIST = formula('τ', '1.5·d_2/d_0·(P/(π·d_2) + 1.155·μ)', '–');
const F_90 = formula('F_M', '0.9·R_p·A_s/sqrt(1 + 3·τ²)', 'N');
// Kellerman & Klein: M = F(0.16P + 0.58·d2·μG + Dkm/2·μK), one μ for thread and head.
const M_A = formula('M_A', 'F_M·(0.16·P + 0.58·d_2·μ + D_km/2·μ)', 'N·mm');
const D_KM = formula('D_km', '(d_w + d_h)/2', 'mm');

export interface Torque {
  /** N. */
  readonly preload: number;
  /** N·mm. */
  readonly torque: number;
  readonly steps: readonly Step[];
}

/** Nut factor K of plain, lightly oiled thread (common practice). */
export const NUT_FACTOR = 0.2;
/** Friction of lightly oiled thread and head (VDI 2230 class B, memory). */
export const FRICTION = 0.12;

/** T = K·d·F, F 75 % of proof. */
export function byNutFactor(r: Resolved, K = NUT_FACTOR): Torque {
  const w = new Working(true);
  const preload = w.of(
    F_75,
    { S_p: proofOf(r.grade.id, r.d), A_s: r.As },
    '75 % of proof, to be taken apart again: common practice',
  );
  return { preload, torque: w.of(T_K, { K, d: r.d, F: preload }, 'K: common practice'), steps: w.steps };
}

/** Friction split between thread and head, at 90 % of yield. Bearing face d_w taken as the width across flats less 1.4 mm (ISO 4014, memory). */
export function byFriction(r: Resolved, μ = FRICTION): Torque {
  const w = new Working(true);
  const P = r.size.pitch;
  const d_2 = w.of(D_2, { d: r.d, P });
  const d_3 = w.of(D_3, { d: r.d, P });
  const τ = w.of(TWIST, { d_2, d_0: (d_2 + d_3) / 2, P, μ }, 'd_0 = (d_2 + d_3)/2, VDI 2230');
  const F_M = w.of(F_90, { R_p: yieldOf(r.grade.id, r.d), A_s: r.As, τ }, 'VDI 2230 Part 1: 90 % of yield');
  const D_km = w.of(D_KM, { d_w: r.size.acrossFlats - 1.4, d_h: r.d0 });
  return { preload: F_M, torque: w.of(M_A, { F_M, P, d_2, μ, D_km }, 'Kellerman & Klein'), steps: w.steps };
}

/** The torque at which the softest skin under a washer crushes, where there is a soft skin; else undefined. It is squeezed for as long as it stands. */
export function crushTorque(fitted: Resolved, K = NUT_FACTOR): Torque | undefined {
  const r = lasting(fitted, 'permanent');
  if (r.skinKind === 'sheet' || r.skinKind === 'hollow' || r.skinKind === 'flange' || r.skinKind === 'bed') return undefined;
  const w = new Working(true);
  const silent = new Working(false);
  const weakest = ofThisKind(r).reduce((at, i) => (crushResistance(r, i, silent) < crushResistance(r, at, silent) ? i : at));
  const preload = crushResistance(r, weakest, w);
  return { preload, torque: w.of(T_K, { K, d: r.d, F: preload }, 'a soft grip takes no more'), steps: w.steps };
}

// What holds the bolt may give before the bolt does: a thread cut in softer metal, an insert.
const F_STRIP = formula('F', '0.75·0.577·f_y·AS_n', 'N');
const F_INSERT = formula('F', 'F_i/γ', 'N');

/** The torque at which a tapped thread or an insert would begin to give; undefined where a nut holds the bolt. */
export function threadTorque(r: Resolved, K = NUT_FACTOR): Torque | undefined {
  const w = new Working(true);
  const { holding, engagement, insert } = r.joint;
  if (holding === 'rivet nut') {
    const preload = w.of(F_INSERT, { F_i: insert, γ: r.factors.onBreak }, 'pull-out by the maker');
    return { preload, torque: w.of(T_K, { K, d: r.d, F: preload }, 'an insert turns before it is tight'), steps: w.steps };
  }
  if (holding !== 'tapped') return undefined;
  const metal = tappedIn(r);
  if (isRefusal(metal)) return undefined;
  const { internal } = threadAreas(r.size, engagement, w);
  const preload = w.of(F_STRIP, { f_y: metal.fy, AS_n: internal }, '75 % of what makes the thread yield (common practice)');
  return { preload, torque: w.of(T_K, { K, d: r.d, F: preload }, 'a soft thread takes no more'), steps: w.steps };
}

const T_GLUE = formula('T', 'τ·π·(D^4 − d^4)/(16·D)/γ', 'N·mm');
const F_OF_T = formula('F', 'T/(K·d)', 'N');

/** The torque at which a head glued against turning would break loose: the ring of glue in torsion, full at its rim; undefined where none is glued. */
export function glueTorque(r: Resolved, K = NUT_FACTOR): Torque | undefined {
  const D = r.joint.gluedHead;
  if (!D) return undefined;
  const w = new Working(true);
  const torque = w.of(T_GLUE, { τ: r.joint.bondShear, D, d: r.d, γ: r.factors.onBreak }, 'the head is held by its glue alone');
  return { preload: w.of(F_OF_T, { T: torque, K, d: r.d }), torque, steps: w.steps };
}

/** What a bolt of this joint is tightened to, and what sets it. */
export interface Tighten {
  readonly torque: Torque | undefined;
  readonly by: 'bolt' | 'skin' | 'thread' | 'glue' | 'lag';
}

/** The least of what bolt, skin and thread take; a lag screw is turned home by feel and has no figure. */
export function tightenTo(r: Resolved): Tighten {
  if (r.joint.holding === 'lag screw') return { torque: undefined, by: 'lag' };
  const all = [
    { torque: byNutFactor(r), by: 'bolt' as const },
    { torque: crushTorque(r), by: 'skin' as const },
    { torque: threadTorque(r), by: 'thread' as const },
    { torque: glueTorque(r), by: 'glue' as const },
  ].filter((t): t is { torque: Torque; by: 'bolt' | 'skin' | 'thread' | 'glue' } => t.torque !== undefined);
  return all.reduce((least, t) => (t.torque.torque < least.torque.torque ? t : least));
}
