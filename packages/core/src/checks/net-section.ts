import { heightOf, widthOf } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import type { Shared } from '../sharing/share';
import { formula } from '../working/formula';
import { notApplicable, outcome, remembered, worst, type Check } from './check';

const A_NET = formula('A_net', '(b − n·d_0)·t', 'mm²');
const N_U = formula('N_u.Rd', '0.9·A_net·f_u/γ', 'N');
const N_PL = formula('N_pl.Rd', 'b·t·f_y/γ_y', 'N');
const N_T = formula('N_t.Rd', 'min(N_u.Rd, N_pl.Rd)', 'N');

/** A line of holes across the plate, and the bolts that stand outside it. */
interface Line {
  readonly axis: 'x' | 'y';
  readonly at: number;
  readonly holes: number;
  readonly outer: readonly number[];
}

/** Holes within one diameter of a line count in it. */
const lines = remembered((r: Resolved): readonly Line[] =>
  (['x', 'y'] as const).flatMap((axis) =>
    [...new Set(r.bolts.map((b) => Math.round(b[axis] * 10) / 10))].map((at): Line => {
      const away = (b: { x: number; y: number }) => (at >= 0 ? b[axis] >= at - 0.1 : b[axis] <= at + 0.1);
      return {
        axis,
        at,
        holes: r.bolts.filter((b) => Math.abs(b[axis] - at) < r.d).length,
        outer: r.bolts.flatMap((b, i) => (away(b) ? [i] : [])),
      };
    }),
  ),
);

/** In-plane force the plate carries past a line of holes to the bolts outside it, N. */
const carried = (s: Shared, l: Line): number => Math.abs(l.outer.reduce((sum, i) => sum + s.inPlane.shears[i]![l.axis], 0));

/** The plate torn across a line of holes. */
export const netSection: Check = {
  id: 'net-section',
  name: 'Net section',
  element: 'plate',
  readsPlateThickness: true,
  says: 'Between the holes of a row the plate must not tear across.',
  why: 'Every hole takes metal out of the line across the plate. What is left between them carries all that goes to the bolts beyond. It tears like a perforated stamp, so few wide rows are better than one crowded one.',
  source: 'EN 1993-1-1 §6.2.3: N_u.Rd = 0.9·A_net·f_u/γ_M2, N_pl.Rd = A·f_y/γ_M0; in-plane forces by the elastic group',
  range: 'Straight lines of holes along or across the plate; welds and base taken as stiff',
  evaluate(r, s, w) {
    const all = lines(r);
    if (all.every((l) => carried(s, l) < 1e-9)) return notApplicable('no force in the plane of the plate in this case');
    const t = r.plateThickness * r.plateLayers;
    return worst(all, w, (l, _i, w) => {
      const b = l.axis === 'x' ? heightOf(r.plate) : widthOf(r.plate);
      const N = w.found('N_Ed', carried(s, l), 'N', `to the bolts outside ${l.axis} ${l.at.toFixed(0)} mm`);
      const A_net = w.of(A_NET, { b, n: l.holes, d_0: r.d0, t });
      const N_u = w.of(N_U, { A_net: Math.max(0, A_net), f_u: r.plateMetal.fu, γ: r.factors.onBreak });
      const N_pl = w.of(N_PL, { b, t, f_y: r.plateMetal.fy, γ_y: r.factors.onYield });
      return outcome(N, w.of(N_T, { 'N_u.Rd': N_u, 'N_pl.Rd': N_pl }), 'N', `row at ${l.axis} ${l.at.toFixed(0)} mm`);
    });
  },
};
