import { heightOf, widthOf } from '../geometry/rects';
import { rayToEdge } from '../geometry/region';
import { rowsOf } from '../geometry/rows';
import { holeAcross } from '../job/bolt-holes';
import { atBolt } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import { WORN_EDGE } from './block-tearing';
import { notApplicable, outcome, remembered, worst, type Check } from './check';
import type { Loaded } from './demand/demand';
import { brittle } from './metal-rules';

const A_NET = formula('A_net', '(b − Σd_n + Σs)·t', 'mm²');
const N_U = formula('N_u.Rd', '0.9·A_net·f_u/γ', 'N');
const N_U_AISC = formula('N_u.Rd', 'A_net·f_u/γ', 'N');
const N_PL = formula('N_pl.Rd', 'b·t·f_y/γ_y', 'N');
const N_T = formula('N_t.Rd', 'min(N_u.Rd, N_pl.Rd)', 'N');

/** A cut across the plate through holes, straight or stepping from row to row, and the bolts in its innermost row and beyond. */
interface Line {
  readonly axis: 'x' | 'y';
  readonly at: number;
  /** Holes it goes through. */
  readonly holes: readonly number[];
  /** What stepping from row to row gives back: Σ s²/4p, mm. */
  readonly steps: number;
  /** Width of plate there, mm. */
  readonly b: number;
  readonly outer: readonly number[];
}

/** Rows beyond the base carry what is beyond them; under the base the load may come in on either side. */
const lines = remembered((r: Resolved): readonly Line[] =>
  (['x', 'y'] as const).flatMap((axis) => {
    const rows = rowsOf(r.bolts, axis, r.d);
    const [low, high] = axis === 'x' ? [r.base.x0, r.base.x1] : [r.base.y0, r.base.y1];
    return rows.flatMap((row, k): Line[] => {
      const cut = (outer: readonly number[]): Line => {
        const { holes, steps, b } = weakestCut(r, axis, row.bolts, outer);
        return { axis, at: row.at, holes, steps, b, outer };
      };
      const beyond = (list: typeof rows) => list.flatMap((x) => x.bolts);
      return [
        ...(row.at >= low ? [cut(beyond(rows.slice(k)))] : []),
        ...(row.at <= high ? [cut(beyond(rows.slice(0, k + 1)))] : []),
      ];
    });
  }),
);

/**
 * Of all cuts from side to side that go through a hole of the innermost row and through holes beyond it, the one that takes most
 * metal: Σd_0 less s²/4p for each step (EN 1993-1-1 §6.2.2.2(4), AISC 360-16 §B4.3b); of those that take as much, the one in the
 * narrowest plate.
 */
function weakestCut(r: Resolved, axis: 'x' | 'y', innermost: readonly number[], outer: readonly number[]) {
  const across = axis === 'x' ? 'y' : 'x';
  const order = [...outer].sort((i, j) => r.bolts[i]![across] - r.bolts[j]![across]);
  interface Cut {
    readonly taken: number;
    readonly steps: number;
    readonly holes: readonly number[];
    /** Least width of plate through its holes, mm. */
    readonly b: number;
  }
  const more = (a: Cut | undefined, b: Cut): Cut => {
    if (!a) return b;
    const by = a.taken - b.taken;
    return by > SAME_CUT || (by >= -SAME_CUT && a.b <= b.b) ? a : b;
  };
  /** The best cut that ends at each hole, and the best of those that have met the innermost row. */
  const ending: { any: Cut; met: Cut | undefined }[] = [];
  let best: Cut | undefined;
  order.forEach((j, n) => {
    const mine = innermost.includes(j);
    const d = holeIn(r, j, across);
    const wide = widthThrough(r, axis, j);
    const alone: Cut = { taken: d, steps: 0, holes: [j], b: wide };
    let any = alone;
    let met = mine ? alone : undefined;
    for (let k = 0; k < n; k++) {
      const i = order[k]!;
      const p = r.bolts[j]![across] - r.bolts[i]![across];
      if (p < 1e-6) continue;
      const step = (r.bolts[j]![axis] - r.bolts[i]![axis]) ** 2 / (4 * p);
      const onwards = (c: Cut): Cut => ({
        taken: c.taken + d - step,
        steps: c.steps + step,
        holes: [...c.holes, j],
        b: Math.min(c.b, wide),
      });
      const from = ending[k]!;
      const next = onwards(from.any);
      any = more(any, next);
      if (mine) met = more(met, next);
      if (from.met) met = more(met, onwards(from.met));
    }
    ending.push({ any, met });
    if (met) best = more(best, met);
  });
  return best!;
}

/** What the hole of bolt i takes out of a cut across the plate, mm: of a slot, as far as it reaches that way. */
function holeIn(r: Resolved, i: number, across: 'x' | 'y'): number {
  const { d0, slot } = atBolt(r, i);
  return holeAcross({ plate: d0, ...(slot ? { slot } : {}) }, across);
}

/** Metal taken out by which two cuts are told apart, mm. */
const SAME_CUT = 1e-9;

/** The plate's width across through the bolt, mm. */
function widthThrough(r: Resolved, axis: 'x' | 'y', i: number): number {
  const u = axis === 'x' ? { x: 0, y: 1 } : { x: 1, y: 0 };
  const whole = axis === 'x' ? heightOf(r.plate) : widthOf(r.plate);
  const b = r.bolts[i]!;
  return Math.min(whole, rayToEdge(r.region, b, u) + rayToEdge(r.region, b, { x: -u.x, y: -u.y }));
}

/** In-plane force the plate carries past a line of holes to the bolts outside it, N. */
const carried = (s: Loaded, l: Line): number => Math.abs(l.outer.reduce((sum, i) => sum + s.inPlane.shears[i]![l.axis], 0));

/** The plate torn across a line of holes. */
export const netSection: Check = {
  id: 'net-section',
  name: 'Net section',
  element: 'plate',
  says: 'Between the holes of a row the plate must not tear across.',
  why: 'Every hole takes metal out of the line across the plate. What is left between them carries all that goes to the bolts beyond. It tears like a perforated stamp, so few wide rows are better than one crowded one.',
  source:
    'EN 1993-1-1 §6.2.3: N_u.Rd = 0.9·A_net·f_u/γ_M2, N_pl.Rd = A·f_y/γ_M0; or AISC 360-16 §J4.1 with holes 1/16 in wider (§B4.3b); in-plane forces by the elastic group',
  range: 'Cuts along or across the plate, straight or stepping from row to row; welds and base taken as stiff; metals that yield',
  evaluate(r, s, w) {
    const all = lines(r);
    if (all.every((l) => carried(s, l) < 1e-9)) return notApplicable('no force in the plane of the plate in this case');
    const no = brittle(r.plateMetal, 'plate.metal', 'a row of holes torn through');
    if (no) return no;
    const t = r.plateThickness * r.plateLayers;
    const EN = r.rules === 'EN';
    return worst(all, w, (l, _i, w) => {
      const N = w.found('N_Ed', carried(s, l), 'N', `to the bolts outside ${l.axis} ${l.at.toFixed(0)} mm`);
      const holes = l.holes.reduce((sum, i) => sum + holeIn(r, i, l.axis === 'x' ? 'y' : 'x') + (EN ? 0 : WORN_EDGE), 0);
      const words = `${l.holes.length} ${l.holes.length === 1 ? 'hole' : 'holes'}${EN ? '' : ', each 1/16 in wider'}`;
      const stepped = l.steps > 0 ? '; Σs is s²/4p of each step of the cut' : '';
      const A_net = Math.max(0, w.of(A_NET, { b: l.b, Σd_n: holes, Σs: l.steps, t }, `${words}${stepped}`));
      const N_u = w.of(EN ? N_U : N_U_AISC, { A_net, f_u: r.plateMetal.fu, γ: r.factors.onBreak });
      const N_pl = w.of(N_PL, { b: l.b, t, f_y: r.plateMetal.fy, γ_y: r.factors.onYield });
      return outcome(N, w.of(N_T, { 'N_u.Rd': N_u, 'N_pl.Rd': N_pl }), 'N', `row at ${l.axis} ${l.at.toFixed(0)} mm`);
    });
  },
};
