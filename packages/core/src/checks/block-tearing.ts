import { boundsOf, heightOf, widthOf } from '../geometry/rects';
import { rayToEdge } from '../geometry/region';
import { rowsOf } from '../geometry/rows';
import { holeMost } from '../job/bolt-holes';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { notApplicable, outcome, remembered, worst, type Check } from './check';
import { brittle } from './metal-rules';

const A_NT = formula('A_nt', '(w − (n_2 − 1)·d_n)·t', 'mm²');
const A_NV = formula('A_nv', '2·(e_1 + L − (n_1 − 0.5)·d_n)·t', 'mm²');
const A_GV = formula('A_gv', '2·(e_1 + L)·t', 'mm²');
const V_1 = formula('V_eff.1', 'f_u·A_nt/γ + f_y·A_nv/(sqrt(3)·γ_y)', 'N');
const V_2 = formula('V_eff.2', '0.5·f_u·A_nt/γ + f_y·A_nv/(sqrt(3)·γ_y)', 'N');
const R_N = formula('R_n', 'min(0.6·f_u·A_nv, 0.6·f_y·A_gv) + U_bs·f_u·A_nt', 'N');
const R_D = formula('R_d', 'R_n/γ', 'N');

/** What a hole counts for in net areas by AISC 360-16 §B4.3b: 1/16 in more than it is, mm. */
export const WORN_EDGE = 25.4 / 16;

export interface Block {
  /** Width between the outer bolts across the force, length along it, and end distance to the edge it leaves by; mm. */
  readonly w: number;
  readonly L: number;
  readonly e1: number;
  /** Bolts in a row across, rows along. */
  readonly n2: number;
  readonly n1: number;
  readonly d0: number;
  readonly t: number;
}

export interface BlockMetal {
  readonly fy: number;
  readonly fu: number;
  readonly gammaY: number;
  readonly gamma: number;
}

/** EN 1993-1-8 §3.10.2 eq. 3.9 and, for an eccentric load, 3.10; N. */
export function blockEN(b: Block, m: BlockMetal, eccentric: boolean, w: Working): number {
  const A_nt = Math.max(0, w.of(A_NT, { w: b.w, n_2: b.n2, d_n: b.d0, t: b.t }));
  const A_nv = Math.max(0, w.of(A_NV, { e_1: b.e1, L: b.L, n_1: b.n1, d_n: b.d0, t: b.t }));
  return w.of(eccentric ? V_2 : V_1, { A_nt, A_nv, f_u: m.fu, f_y: m.fy, γ: m.gamma, γ_y: m.gammaY });
}

/** AISC 360-16 §J4.3, holes 1/16 in wider (§B4.3b); U_bs 1 for even tension, 0.5 for an eccentric load; N. */
export function blockAISC(b: Block, m: BlockMetal, eccentric: boolean, w: Working): number {
  const d_n = b.d0 + WORN_EDGE;
  const A_nt = Math.max(0, w.of(A_NT, { w: b.w, n_2: b.n2, d_n, t: b.t }, 'hole + 1/16 in'));
  const A_nv = Math.max(0, w.of(A_NV, { e_1: b.e1, L: b.L, n_1: b.n1, d_n, t: b.t }));
  const A_gv = w.of(A_GV, { e_1: b.e1, L: b.L, t: b.t });
  const R_n = w.of(R_N, { A_nt, A_nv, A_gv, f_u: m.fu, f_y: m.fy, U_bs: eccentric ? 0.5 : 1 });
  return w.of(R_D, { R_n, γ: m.gamma });
}

interface Way {
  readonly name: string;
  readonly axis: 'x' | 'y';
  /** Direction of the force that tears this way: the plate goes with the force, the block stays behind. */
  readonly sign: 1 | -1;
  readonly block: Block;
}

/** The hole of bolt i as wide as it is long (safe). */
function widest(r: Resolved, i: number): number {
  const { d0, slot } = atBolt(r, i);
  return holeMost({ plate: d0, ...(slot ? { slot } : {}) });
}

const ways = remembered((r: Resolved): readonly Way[] => {
  const around = boundsOf(r.bolts);
  const t = r.plateThickness * r.plateLayers;
  const one = (name: string, axis: 'x' | 'y', sign: 1 | -1): Way => {
    const rows = rowsOf(r.bolts, axis, r.d);
    // The row next to the edge it leaves by, and the one behind which it parts.
    const [outer, inner] = sign > 0 ? [rows[0]!, rows.at(-1)!] : [rows.at(-1)!, rows[0]!];
    const u = { x: axis === 'x' ? -sign : 0, y: axis === 'y' ? -sign : 0 };
    return {
      name,
      axis,
      sign,
      block: {
        w: axis === 'x' ? heightOf(around) : widthOf(around),
        L: Math.abs(inner.at - outer.at),
        e1: Math.min(...outer.bolts.map((i) => rayToEdge(r.region, r.bolts[i]!, u))),
        n2: inner.bolts.length,
        n1: rows.length,
        d0: Math.max(...r.bolts.map((_, i) => widest(r, i))),
        t,
      },
    };
  };
  return [one('aft edge', 'x', 1), one('fore edge', 'x', -1), one('starboard edge', 'y', 1), one('port edge', 'y', -1)];
});

/** A block of plate with the whole bolt group in it, torn out through an edge. */
export const blockTearing: Check = {
  id: 'block-tearing',
  name: 'Block tearing',
  element: 'plate',
  says: 'The block of plate that the bolts stand in must not tear out through an edge.',
  why: 'Bolts near an edge can tear out together: the plate shears along both sides of the group and parts behind it, and a piece like a drawer comes out. More end distance or a wider group makes the drawer harder to pull.',
  source: 'EN 1993-1-8 §3.10.2 (V_eff.1, V_eff.2), or AISC 360-16 §J4.3 with §B4.3b; the job’s rules say which',
  range: 'Groups in rows along the plate’s sides; two bolts across at least; metals that yield',
  evaluate(r, s, w) {
    const f = { x: s.loadCase.fx, y: s.loadCase.fy };
    const among = ways(r).filter((v) => f[v.axis] * v.sign > 1e-9 && v.block.n2 >= 2);
    if (among.length === 0) return notApplicable('no force in the plane of the plate, or no two bolts across it');
    const no = brittle(r.plateMetal, 'plate.metal', 'a block torn out of it');
    if (no) return no;
    const eccentric = Math.abs(s.inPlane.torsion) > 1e-6 * Math.hypot(f.x, f.y) * r.d;
    const m = { fy: r.plateMetal.fy, fu: r.plateMetal.fu, gammaY: r.factors.onYield, gamma: r.factors.onBreak };
    return worst(among, w, (v, _i, w) => {
      const EN = r.rules === 'EN';
      const capacity = (EN ? blockEN : blockAISC)(v.block, m, eccentric, w);
      if (w.recording) {
        const other = (EN ? blockAISC : blockEN)(v.block, m, eccentric, new Working(false));
        w.found(EN ? 'R_d' : 'V_eff', other, 'N', `for comparison, by ${EN ? 'AISC §J4.3' : 'EN 1993-1-8 §3.10.2'}; not used`);
      }
      const F = w.found('F_Ed', Math.abs(f[v.axis]), 'N', `in-plane force away from the ${v.name}`);
      return outcome(F, capacity, 'N', v.name);
    });
  },
};
