import { lagAt } from '../../job/lag';
import type { Resolved } from '../../job/resolve';
import { C_D, C_M, type Duration } from '../../stock/load-duration';
import { ovenDryG } from '../../stock/timber';
import { refuse, type Refusal } from '../../units/refusal';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { shearOn } from '../bolt-shear';
import { everyBolt, isLag, notApplicable, outcome, worst, type Check, type NotApplicable } from '../check';
import type { Loaded } from '../demand/demand';
import { badLag, lagWords, lagsOf } from './lag-in-wood';
import { sidewaysStrength } from './timber-joint';

/** EN 1995-1-1 eq. 8.38–8.40 for screws of 6 to 12 mm; one screw, across the grain. */
const F_AX = formula('f_ax.k', '0.52·d^(−0.5)·l_ef^(−0.1)·ρ_k^0.8', 'MPa');
const F_EN = formula('F_ax.Rk', 'f_ax.k·d·l_ef·min(d/8, 1)', 'N');
/** Thread in the wood: tip and plain shank off. */
const L_EF = formula('l_ef', 'l_t − l_tip', 'mm');
/** A group drawn together holds n^0.9 of one, eq. 8.41. */
const K_N = formula('k_n', 'n^0.9/n', '–');
const F_EN_D = formula('F_ax.Rd', 'k_n·F_ax.Rk/γ', 'N');
/** NDS 12.2-1: W = 1800·G^1.5·D^0.75, lb per inch of thread, allowable for ten years’ load. */
const W_NDS = formula('W', '1800·G^1.5·(d/25.4)^0.75·4.448222/25.4', 'N/mm');
const F_NDS = formula('F_w', 'W·l_ef·C_D·C_M', 'N');

/** NDS reference withdrawal of a lag screw in side grain, N per mm of thread; G oven-dry, d in mm. */
export const withdrawalNDS = (G: number, d: number, w: Working): number => w.of(W_NDS, { G, d });

/** EN characteristic withdrawal of one screw, N. */
export function withdrawalEN(d: number, l_ef: number, rhoK: number, w: Working): number {
  const f = w.of(F_AX, { d, l_ef, ρ_k: rhoK });
  return w.of(F_EN, { 'f_ax.k': f, d, l_ef });
}

const byNDS = (r: Resolved) => r.packs.includes('timber-NDS');

/** Ten years, the duration NDS tabulates for, until somebody says of a load that comes and goes how long it stays; wind is ten minutes (NDS Tab. 2.3.2). */
function durationOf({ loadCase: c }: Loaded): Duration {
  if (c.wind && (c.duration === undefined || c.duration === 'short')) return 'instantaneous';
  return c.duration ?? (c.action === 'permanent' ? 'permanent' : c.action === 'accidental' ? 'instantaneous' : 'long');
}

/** Screws that the case draws, of all sizes. */
const drawn = (r: Resolved, s: Loaded) => lagsOf(r).filter((i) => s.outOfPlane.tensions[i]! > 1e-9).length;

/** What lag screw i holds of those that are drawn, N. */
function holds(r: Resolved, s: Loaded, i: number, w: Working): number {
  const { thread, tip } = lagAt(r, i);
  const l_ef = w.of(L_EF, { l_t: thread, l_tip: tip }, 'thread in the timber less its point, ASME B18.2.1 or DIN 571 (memory)');
  const timber = r.timber!;
  const n = Math.max(1, drawn(r, s));
  const nds = (w: Working) => {
    const G = w.found(
      'G',
      ovenDryG(timber.rhoMean),
      '–',
      `oven-dry, from ${timber.rhoMean} kg/m³ at 12 % (NDS Supplement §3.1.3)`,
    );
    const put = { W: withdrawalNDS(G, r.d, w), l_ef, C_D: C_D[durationOf(s)], C_M: C_M[r.serviceClass] };
    return w.of(F_NDS, put, 'allowable as it stands: the factor is inside it');
  };
  const en = (w: Working) => {
    const F = withdrawalEN(r.d, l_ef, timber.rhoK, w);
    return w.of(F_EN_D, { k_n: w.of(K_N, { n }, `${n} drawn together`), 'F_ax.Rk': F, γ: r.factors.onSkin }, 'γ is γ_M/k_mod');
  };
  const own = byNDS(r) ? nds(w) : en(w);
  if (w.recording) {
    const other = (byNDS(r) ? en : nds)(new Working(false));
    w.found('F', other, 'N', `for comparison, by ${byNDS(r) ? 'EN 1995-1-1 §8.7.2' : 'NDS 12.2'}; not used`);
  }
  return own;
}

/** Why lags cannot be judged here; nothing where they can. */
function outOfRange(r: Resolved): Refusal | NotApplicable | undefined {
  if (!isLag(r)) return notApplicable('the bolts go through and are held by nuts');
  if (!r.timber)
    return refuse('joint.holding', `lag screws hold in timber, not in ${r.skin.name.toLowerCase()}`, 'a timber skin, or nuts');
  if (!byNDS(r) && (r.d < 6 || r.d > 12))
    return refuse('bolts.size', `${r.d.toFixed(1)} mm is outside EN 1995-1-1 §8.7.2`, '6 to 12 mm, or the pack timber-NDS');
  return badLag(r);
}

/** A lag screw pulled out of its timber. */
export const lagWithdrawal: Check = {
  id: 'lag-withdrawal',
  name: 'Lag withdrawal',
  element: 'skin',
  says: 'A lag screw must not be drawn out of its timber.',
  why: 'A lag screw holds only by the wood between its threads. Dense wood holds far more than soft, side grain more than end grain, and only thread past the shank counts. Screws drawn together hold a little less each, and wood under a lasting load less. A bolt right through with a washer holds several times as much.',
  source:
    'EN 1995-1-1 §8.7.2 eq. 8.38–8.41, k_mod Tab. 3.1; or with the pack timber-NDS: NDS 12.2-1, W = 1800·G^1.5·D^0.75, C_D and C_M',
  range: 'Side grain, in one timber; thread less its point, at least 6·d of it; EN for 6 to 12 mm, NDS for 1/4 to 1 in',
  evaluate(r, s, w) {
    const no = outOfRange(r);
    if (no) return no;
    return worst(everyBolt(r), w, (i, _k, w) =>
      outcome(s.demand.pull(i, w), holds(r, s, i, w), 'N', r.bolts[i]!.id, lagWords(r)),
    );
  },
};

const BOTH = formula('η', 'sqrt((F_ax.Ed/F_ax.Rd)² + (F_v.Ed/F_v.Rd)²)', '–');

/** A lag screw pulled and pushed sideways at once. */
export const lagBoth: Check = {
  id: 'lag-both',
  name: 'Lag, both',
  element: 'skin',
  says: 'A lag screw that is drawn and pushed sideways at once holds less of each.',
  why: 'Pushed sideways, the screw crushes the wood beside its threads; that wood no longer holds when it is drawn. The two are added by their squares.',
  source: 'EN 1995-1-1 eq. 8.28, (F_ax/F_ax.Rd)² + (F_v/F_v.Rd)² ≤ 1; the root keeps it in proportion to the load',
  range: 'As lag withdrawal and timber joint',
  evaluate(r, s, w) {
    const no = outOfRange(r);
    if (no) return no;
    return worst(everyBolt(r), w, (i, _k, w) => {
      const put = {
        'F_ax.Ed': s.demand.pull(i, w),
        'F_ax.Rd': holds(r, s, i, w),
        'F_v.Ed': shearOn(r, s, i, w),
        'F_v.Rd': sidewaysStrength(r, s, i, w),
      };
      return outcome(w.of(BOTH, put), 1, '–', r.bolts[i]!.id, lagWords(r));
    });
  },
};
