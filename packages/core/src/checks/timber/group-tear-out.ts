import { boundsOf } from '../../geometry/rects';
import { rowsOf } from '../../geometry/rows';
import { formula } from '../../working/formula';
import { notApplicable, outcome, type Check } from '../check';

const A_T = formula('A_net.t', '(w − (n_2 − 1)·d_0)·t', 'mm²');
const A_V = formula('A_net.v', '2·(a_3 + L − (n_1 − 0.5)·d_0)·t', 'mm²');
const F_BS = formula('F_bs.Rk', 'max(1.5·A_net.t·f_t, 0.7·A_net.v·f_v)', 'N');
const F_D = formula('F_bs.Rd', 'F_bs.Rk/γ', 'N');

/** The whole group torn out along the grain. */
export const groupTearOut: Check = {
  id: 'group-tear-out',
  name: 'Group tear-out',
  element: 'skin',
  says: 'The block of timber the bolts stand in must not tear out through the end grain.',
  why: 'Pulled towards the end grain, a group of bolts can take a plug of wood with it: the wood parts across behind the group and shears along its sides. Each bolt may hold and the group still go.',
  source: 'EN 1995-1-1 Annex A: F_bs = max(1.5·A_net,t·f_t0, 0.7·A_net,v·f_v)',
  range: 'Two bolts across the grain at least; force along the grain; the bolts reach through',
  evaluate(r, s, w) {
    const skin = r.substrate;
    const t = r.timber;
    if (!t || skin.kind !== 'timber') return notApplicable('the skin is not timber');
    const along = skin.grain;
    const force = Math.abs(along === 'x' ? s.loadCase.fx : s.loadCase.fy);
    const b = boundsOf(r.bolts);
    const [L, width] = along === 'x' ? [b.x1 - b.x0, b.y1 - b.y0] : [b.y1 - b.y0, b.x1 - b.x0];
    if (force < 1e-9 || width < r.d) return notApplicable('no force along the grain on two bolts across it');
    const rows = rowsOf(r.bolts, along, r.d);
    // The row it parts behind is one of the two ends; the one with more holes leaves less.
    const n_2 = Math.max(rows[0]!.bolts.length, rows.at(-1)!.bolts.length);
    const A_t = w.of(A_T, { w: width, n_2, d_0: r.skinHole, t: r.skinThickness });
    const A_v = w.of(
      A_V,
      { a_3: skin.endGrain, L, n_1: rows.length, d_0: r.skinHole, t: r.skinThickness },
      `${along === 'y' ? 'fore and aft' : 'athwart'} is across the grain`,
    );
    const F = w.of(F_BS, { 'A_net.t': Math.max(0, A_t), 'A_net.v': Math.max(0, A_v), f_t: t.ft0, f_v: t.fv });
    w.found('F_Ed', force, 'N', 'in-plane force along the grain');
    return outcome(force, w.of(F_D, { 'F_bs.Rk': F, γ: r.factors.onSkin }), 'N', 'the group');
  },
};
