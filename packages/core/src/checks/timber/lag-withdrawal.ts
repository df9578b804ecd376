import type { Resolved } from '../../job/resolve';
import { timberRow } from '../../stock/timber';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { pullOn } from '../bolt-strength';
import { type BoltCheck, everyBolt, isLag, notApplicable, outcome, worst, type Check } from '../check';

/** EN 1995-1-1 eq. 8.38–8.40 for screws of 6 to 12 mm; one screw, across the grain. */
const F_AX = formula('f_ax.k', '0.52·d^(−0.5)·l_ef^(−0.1)·ρ_k^0.8', 'MPa');
const F_EN = formula('F_ax.Rk', 'f_ax.k·d·l_ef·min(d/8, 1)', 'N');
const F_EN_D = formula('F_ax.Rd', 'F_ax.Rk/γ', 'N');
/** NDS 12.2-1: W = 1800·G^1.5·D^0.75, lb per inch of thread, allowable for ten years’ load. */
const W_NDS = formula('W', '1800·G^1.5·(d/25.4)^0.75·4.448222/25.4', 'N/mm');
const F_NDS = formula('F_w', 'W·l_ef', 'N');

/** NDS reference withdrawal of a lag screw in side grain, N per mm of thread; d in mm. */
export const withdrawalNDS = (G: number, d: number, w: Working): number => w.of(W_NDS, { G, d });

/** EN characteristic withdrawal, N. */
export function withdrawalEN(d: number, l_ef: number, rhoK: number, w: Working): number {
  const f = w.of(F_AX, { d, l_ef, ρ_k: rhoK });
  return w.of(F_EN, { 'f_ax.k': f, d, l_ef });
}

const byNDS = (r: Resolved) => r.job.packs.includes('timber-NDS');

const drawn = (r: Resolved, rhoK: number, rhoMean: number): Pick<BoltCheck, 'capacity'> => ({
  capacity(_r, _i, w) {
    const l_ef = r.job.joint.engagement.v;
    const nds = (w: Working) =>
      w.of(F_NDS, { W: withdrawalNDS(rhoMean / 1000, r.d, w), l_ef }, 'allowable as it stands: the factor is inside it');
    const en = (w: Working) => w.of(F_EN_D, { 'F_ax.Rk': withdrawalEN(r.d, l_ef, rhoK, w), γ: r.factors.onSkin });
    const own = byNDS(r) ? nds(w) : en(w);
    if (w.recording) {
      const other = (byNDS(r) ? en : nds)(new Working(false));
      w.found('F', other, 'N', `for comparison, by ${byNDS(r) ? 'EN 1995-1-1 §8.7.2' : 'NDS 12.2'}; not used`);
    }
    return own;
  },
});

/** A lag screw pulled out of its timber. */
export const lagWithdrawal: Check = {
  id: 'lag-withdrawal',
  name: 'Lag withdrawal',
  element: 'skin',
  says: 'A lag screw must not be drawn out of its timber.',
  why: 'A lag screw holds only by the wood between its threads. Dense wood holds far more than soft, side grain more than end grain, and only thread past the shank counts. A bolt right through with a washer holds several times as much.',
  source: 'EN 1995-1-1 §8.7.2 eq. 8.38–8.40, or with the pack timber-NDS: NDS 12.2-1, W = 1800·G^1.5·D^0.75',
  range: 'Side grain, threads wholly in one timber; EN for 6 to 12 mm, NDS for 1/4 to 1 in; load duration not raised (safe)',
  evaluate(r, s, w) {
    if (!isLag(r)) return notApplicable('the bolts go through and are held by nuts');
    const skin = r.job.skin;
    const timber = skin.kind === 'timber' && timberRow(skin.grade);
    if (!timber)
      return refuse('joint.holding', `lag screws hold in timber, not in ${r.skin.name.toLowerCase()}`, 'a timber skin, or nuts');
    if (!byNDS(r) && (r.d < 6 || r.d > 12))
      return refuse('bolts.size', `${r.d.toFixed(1)} mm is outside EN 1995-1-1 §8.7.2`, '6 to 12 mm, or the pack timber-NDS');
    if (r.job.joint.engagement.v > r.skinThickness)
      return refuse(
        'joint.engagement',
        `${r.job.joint.engagement.v.toFixed(0)} mm of thread does not go into ${r.skinThickness.toFixed(0)} mm of timber`,
        `up to ${r.skinThickness.toFixed(0)} mm`,
      );
    const { capacity } = drawn(r, timber.rhoK, timber.rhoMean);
    return worst(everyBolt(r), w, (i, _k, w) => outcome(pullOn(r, s, i, w), capacity(r, i, w), 'N', r.bolts[i]!.id));
  },
};
