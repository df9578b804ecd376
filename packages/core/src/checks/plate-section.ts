import { piecesBeyond } from '../geometry/beyond-cut';
import {
  BESIDE,
  crossings,
  holeRing,
  lengthOf,
  pairs,
  ringSeen,
  seenAlong,
  without,
  type Ring,
  type Stretch,
} from '../geometry/cross-cuts';
import type { Point } from '../geometry/points';
import { endsOf } from '../job/made-hole';
import type { Resolved } from '../job/resolve';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { notApplicable, outcome, remembered, worst, type Check, type Outcome } from './check';
import type { Loaded } from './demand/demand';
import { brittle } from './metal-rules';

const N = formula('N_Ed', 'abs(ΣF)', 'N');
const SIGMA = formula('σ', 'N_Ed/A + M_Ed/W + 6·M_i/(t·h_i²)', 'MPa');
const M_I = formula('M_i', 'V_Ed·v_i·l_o/2', 'N·mm');
const TAU = formula('τ', 'V_Ed/A', 'MPa');
const TOGETHER = formula('σ_v', 'sqrt(σ² + 3·τ²)', 'MPa');
const F_D = formula('f_d', 'f_y/γ', 'MPa');

/** The plate cut square through beside its base: what is left of it there, and the bolts beyond whose force it hands on. mm. */
export interface PlateCut {
  readonly axis: 'x' | 'y';
  readonly at: number;
  /** Bolts beyond, and the metal that joins what they stand in to the rest. */
  readonly outer: readonly number[];
  readonly metal: readonly Stretch[];
  /** Length along the force of the longest opening or hole there; 0 where there is none. */
  readonly opening: number;
  /** From forward, or port, to the cut's own axes. */
  readonly u: Point;
}

/** A void as it is seen along a way: its ring, and how long it counts for what stands beside it. */
interface Void {
  readonly ring: Ring;
  readonly long: number;
}

/** A round hole is as a slot of 0.45·d in what bends beside it (SCI P355, memory). */
const ROUND = 0.45;

const WAYS = [
  ['x', 1],
  ['x', -1],
  ['y', 1],
  ['y', -1],
] as const;

/** Every cut beside the base that openings, holes, waists or the base's own edge may make the weakest, and that some bolt pulls on. */
export const plateCuts = remembered((r: Resolved): readonly PlateCut[] =>
  WAYS.flatMap(([axis, sign]) => {
    const u = axis === 'x' ? { x: sign, y: 0 } : { x: 0, y: sign };
    const see = seenAlong({ x: 0, y: 0 }, u);
    const edge = Math.abs(sign > 0 ? r.base[`${axis}1`] : r.base[`${axis}0`]);
    const outline = ringSeen(r.outline.outer, see);
    const extent = (ring: Ring) => Math.max(...ring.map((p) => p.s)) - Math.min(...ring.map((p) => p.s));
    const voids: Void[] = [
      ...r.outline.openings.map((l) => ringSeen(l, see)).map((ring) => ({ ring, long: extent(ring) })),
      ...r.plateHoles.map((h) => {
        const ring = holeRing({ ends: endsOf(h), d: h.d }, see);
        return { ring, long: extent(ring) - (1 - ROUND) * h.d };
      }),
    ];
    const bolts = r.bolts.map((b, i) => ({ i, at: see(b) })).filter(({ i }) => !r.bolts[i]!.throughBase);
    const corners = [outline, ...voids.map((v) => v.ring)].flat().flatMap(({ s }) => [s - BESIDE, s + BESIDE]);
    const stations = [edge + BESIDE, ...corners].filter((s) => s > edge && bolts.some((b) => b.at.s > s));
    return [...new Set(stations)].flatMap((s): PlateCut[] => {
      const open = voids.map((v) => ({ ...v, across: pairs(crossings(v.ring, s)) }));
      return piecesBeyond(outline, s).flatMap((piece) => {
        const outer = bolts.filter((b) => b.at.s > s && piece.has(b.at)).map((b) => b.i);
        if (outer.length === 0) return [];
        const among = open.filter(({ across }) => across.some((a) => piece.joins.some((j) => a[0] < j[1] && a[1] > j[0])));
        const metal = piece.joins.flatMap((j) =>
          without(
            j,
            among.flatMap((v) => v.across),
          ),
        );
        return [{ axis, at: sign * s, outer, metal, opening: Math.max(0, ...among.map((v) => v.long)), u }];
      });
    });
  }),
);

/** What the bolts beyond a cut bring to it: along, across, and their moment about the middle of its metal. */
function brought(r: Resolved, s: Loaded, cut: PlateCut, middle: number): { along: number; across: number; moment: number } {
  const see = seenAlong({ x: 0, y: 0 }, cut.u);
  const station = Math.abs(cut.at);
  let [along, across, moment] = [0, 0, 0];
  for (const i of cut.outer) {
    const at = see(r.bolts[i]!);
    const f = see(s.inPlane.shears[i]!);
    along += f.s;
    across += f.y;
    moment += (at.s - station) * f.y - (at.y - middle) * f.s;
  }
  return { along, across, moment };
}

/**
 * The metal of a cut pulled, bent in its plane and sheared, elastic: N/A + M/W; beside an opening each piece besides as a beam held at
 * both ends over its length, by its part of the shear as h³ (Vierendeel).
 */
function judged(r: Resolved, s: Loaded, cut: PlateCut, w: Working): Outcome {
  const t = r.plateThickness * r.plateLayers;
  const at = `cut at ${cut.axis} ${cut.at.toFixed(0)} mm${cut.opening > 0 ? ', through an opening' : ''}`;
  const width = cut.metal.reduce((sum, m) => sum + lengthOf(m), 0);
  const f_d = w.of(F_D, { f_y: r.plateMetal.fy, γ: r.factors.onYield });
  if (width <= 1e-6) return outcome(Infinity, f_d, 'MPa', at);
  const middle = cut.metal.reduce((sum, m) => sum + (lengthOf(m) * (m[0] + m[1])) / 2, 0) / width;
  const I = cut.metal.reduce((sum, m) => sum + t * (lengthOf(m) ** 3 / 12 + lengthOf(m) * ((m[0] + m[1]) / 2 - middle) ** 2), 0);
  const far = Math.max(...cut.metal.flatMap((m) => m.map((y) => Math.abs(y - middle))));
  const { along, across, moment } = brought(r, s, cut, middle);
  const A = w.found(
    'A',
    width * t,
    'mm²',
    `${cut.metal.length === 1 ? 'plate' : `${cut.metal.length} pieces of plate`} across, openings and holes taken out`,
  );
  const N_Ed = w.of(N, { ΣF: along }, `of the bolts beyond ${cut.axis} ${cut.at.toFixed(0)} mm`);
  const V_Ed = w.found('V_Ed', Math.abs(across), 'N', 'of the same, across');
  const M_Ed = w.found('M_Ed', Math.abs(moment), 'N·mm', 'of the same, about the middle of the metal');
  const W = w.found('W', I / far, 'mm³', 'of all its pieces together');
  const stiff = cut.metal.reduce((sum, m) => sum + lengthOf(m) ** 3, 0);
  // The piece that its own bending stresses most: M_i as h³, over h², so the widest.
  const h_i = Math.max(...cut.metal.map(lengthOf));
  const M_i = w.of(M_I, { V_Ed, v_i: h_i ** 3 / stiff, l_o: cut.opening }, 'beside an opening as long as that');
  const σ = w.of(SIGMA, { N_Ed, A, M_Ed, W, M_i, t, h_i });
  return outcome(w.of(TOGETHER, { σ, τ: w.of(TAU, { V_Ed, A }) }), f_d, 'MPa', at);
}

/** The plate in its own plane, cut beside its base, at openings and waists. */
export const plateSection: Check = {
  id: 'plate-section',
  name: 'Plate section',
  element: 'plate',
  says: 'Beside its base, and wherever an opening or a waist leaves least of it, the plate must hand on in its own plane what its bolts bring.',
  why: 'What pushes or twists the fitting along the plate goes to the bolts through the plate. A narrow plate with bolts far out bends in its plane like a lever, and beside an opening two strips are left to carry all of it. A wider plate, bolts nearer in, or the opening elsewhere helps.',
  source:
    'Elastic N/A + M/W with shear by von Mises (EN 1993-1-1 §6.2.1(5)); pieces beside an opening as beams held at both ends (Vierendeel), a round hole 0.45·d long (SCI P355, memory); in-plane forces by the elastic group',
  range:
    'Cuts along or across the plate, outside the base; bolt holes are in Net section; a plate held by its welds alone is not cut; metals that yield',
  evaluate(r, s, w) {
    const all = plateCuts(r).filter((c) =>
      c.outer.some((i) => Math.hypot(s.inPlane.shears[i]!.x, s.inPlane.shears[i]!.y) > 1e-9),
    );
    if (all.length === 0) return notApplicable('no bolt outside the base is pushed in the plane of the plate in this case');
    const no = brittle(r.plateMetal, 'plate.metal', 'a section bent in its plane');
    if (no) return no;
    return worst(all, w, (cut, _i, w) => judged(r, s, cut, w));
  },
};
