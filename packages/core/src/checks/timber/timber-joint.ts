import { lagAt } from '../../job/lag';
import type { Resolved } from '../../job/resolve';
import type { TimberRow } from '../../stock/timber';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { shearOn } from '../bolt-shear';
import { everyBolt, isLag, notApplicable, outcome, worst, type Check } from '../check';
import type { Loaded } from '../demand/demand';
import { badLag, classWords } from './lag-in-wood';
import { leftInRow } from './timber-row';

const F_H0 = formula('f_h.0', '0.082·(1 − 0.01·d)·ρ_k', 'MPa');
const F_HA = formula('f_h', 'f_h.0/(k_90·sin(α)^2 + cos(α)^2)', 'MPa');
const M_Y = formula('M_y', '0.3·f_ub·d^2.6', 'N·mm');
const THIN_A = formula('F_a', '0.4·f_h·t·d', 'N');
const THIN_B = formula('F_b', '1.15·sqrt(2·M_y·f_h·d)', 'N');
const THICK_C = formula('F_c', 'f_h·t·d', 'N');
const THICK_D = formula('F_d', 'f_h·t·d·(sqrt(2 + 4·M_y/(f_h·d·t²)) − 1)', 'N');
const THICK_E = formula('F_e', '2.3·sqrt(M_y·f_h·d)', 'N');
const F_RK = formula('F_v.Rk', 'F_thin + (F_thick − F_thin)·max(0, min(1, (t_s/d − 0.5)/0.5))', 'N');
const F_RD = formula('F_v.Rd', 'k_row·F_v.Rk/γ', 'N');
const K_ROW = formula('k_row', 'n_r + (1 − n_r)·α/90', '–');

export interface TimberJoint {
  /** Of the bolt, or what a screw counts as; and its outside, by which a plate is thin or thick. */
  readonly d: number;
  readonly outside?: number;
  /** Timber thickness or penetration of the bolt, and of the steel plate; mm. */
  readonly t: number;
  readonly ts: number;
  readonly fub: number;
  /** Between the force and the grain, degrees. */
  readonly alpha: number;
  readonly timber: Pick<TimberRow, 'rhoK' | 'hardwood'>;
}

/** EN 1995-1-1 eq. 8.9 (thin) and 8.10 (thick steel plate), single shear, rope effect left out (safe); N, characteristic. */
export function steelToTimber(x: TimberJoint, w: Working): number {
  const d = x.d;
  const f0 = w.of(F_H0, { d, ρ_k: x.timber.rhoK });
  const k_90 = (x.timber.hardwood ? 0.9 : 1.35) + 0.015 * d;
  const f_h = w.of(F_HA, { 'f_h.0': f0, k_90, α: x.alpha }, 'EN 1995-1-1 eq. 8.31 and 8.33');
  const M_y = w.of(M_Y, { f_ub: x.fub, d });
  const put = { f_h, t: x.t, d, M_y };
  const thin = Math.min(w.of(THIN_A, put), w.of(THIN_B, put));
  const thick = Math.min(w.of(THICK_C, put), w.of(THICK_D, put), w.of(THICK_E, put));
  return w.of(
    F_RK,
    { F_thin: thin, F_thick: thick, t_s: x.ts, d: x.outside ?? d },
    'between thin (t ≤ 0.5·d) and thick (t ≥ d) in a straight line',
  );
}

/** Angle between a shear and the grain, degrees. */
export function grainAngle(r: Resolved, v: { x: number; y: number; total: number }): number {
  const skin = r.substrate;
  if (skin.kind !== 'timber' || v.total === 0) return 0;
  const along = Math.abs(skin.grain === 'x' ? v.x : v.y) / v.total;
  return (Math.acos(Math.min(1, along)) * 180) / Math.PI;
}

const SHORT = 'less than 4·d of plain shank is in the timber: 1.1 times the root of its thread, EN 1995-1-1 §8.7.1';

/** Design strength of bolt i sideways in its row, N. A row weakens only what goes along the grain. */
export function sidewaysStrength(r: Resolved, s: Loaded, i: number, w: Working): number {
  const alpha = grainAngle(r, s.shears[i]!);
  const lag = isLag(r) ? lagAt(r, i) : undefined;
  const d = lag ? w.found('d_ef', lag.d_ef, 'mm', lag.d_ef < r.d ? SHORT : 'its shank reaches 4·d into the timber') : r.d;
  const F_v = steelToTimber(
    {
      d,
      outside: r.d,
      t: lag ? lag.depth - lag.tip : r.skinThickness,
      ts: r.plateThickness * r.plateLayers,
      fub: r.grade.fub,
      alpha,
      timber: r.timber!,
    },
    w,
  );
  const n_r = leftInRow(r, w);
  const k_row =
    n_r < 1
      ? w.of(
          K_ROW,
          { n_r, α: alpha },
          'n_ef/n along the grain, 1 across it, between them in a straight line: EN 1995-1-1 §8.5.1.1(4)',
        )
      : 1;
  return w.of(F_RD, { k_row, 'F_v.Rk': F_v, γ: r.factors.onSkin }, 'γ is γ_M/k_mod by how long the load lasts');
}

/** A bolt or lag screw sideways in timber: the wood gives way round it and the bolt bends. */
export const timberJoint: Check = {
  id: 'timber-joint',
  name: 'Timber joint',
  element: 'skin',
  says: 'Sideways the bolt must not bed into the timber, nor bend in it.',
  why: 'Wood gives way round a bolt and the bolt bends in the soft hole like a nail. Across the grain wood holds less than along it, and bolts in line along the grain start one split between them. A thick steel plate grips the bolt’s head end and makes it stronger; a fatter bolt helps more than a stronger one.',
  source:
    'EN 1995-1-1 §8.2.3 eq. 8.9 and 8.10 (European yield model), embedment §8.5.1.1, rows along the grain eq. 8.34, k_mod Tab. 3.1; rope effect left out (safe)',
  range: 'Bolts and lag screws up to 30 mm in EN 338 timber, one shear plane, steel plate on the outside',
  evaluate(r, s, w) {
    if (!r.timber) return notApplicable('the skin is not timber');
    const no = isLag(r) ? badLag(r) : undefined;
    if (no) return no;
    return worst(everyBolt(r), w, (i, _k, w) =>
      outcome(shearOn(r, s, i, w), sidewaysStrength(r, s, i, w), 'N', r.bolts[i]!.id, classWords(r)),
    );
  },
};
