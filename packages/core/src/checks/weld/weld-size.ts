import { cornersOf } from '../../geometry/polygons';
import { nearestPoint } from '../../geometry/rects';
import { edgeDistance, loopPoints } from '../../geometry/region';
import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { heldThickness } from '../skin-parts';
import { layoutRule, notApplicable, outcome, worst, type Outcome } from '../check';

const LEG = formula('z', 'sqrt(2)·a', 'mm');
const Z_MAX = formula('z_max', 't − 1.6', 'mm');
const LEDGE = formula('e_ledge', '3 + z', 'mm');

/** AISC 360-16 Tab. J2.4, least leg by the thinner part joined, mm (1/8, 3/16, 1/4, 5/16 in). */
export const leastLeg = (t: number): number => (t <= 6.35 ? 3.175 : t <= 12.7 ? 4.7625 : t <= 19.05 ? 6.35 : 7.9375);

interface Seam {
  readonly name: string;
  readonly a: number;
  /** The thinner of the two, and the plate whose edge the fillet runs along; mm. */
  readonly thin: number;
  readonly edge: number;
}

function seams(r: Resolved): Seam[] {
  const { fitting, fittingThroat, doubler, doublerThroat } = r.welds;
  const t = r.plateThickness;
  return [
    ...(fitting === 'none'
      ? []
      : [{ name: 'fitting weld', a: fittingThroat, thin: Math.min(t, r.baseThickness), edge: r.baseThickness }]),
    ...(doubler === 'none' || doubler === 'plugs'
      ? []
      : [{ name: 'doubler weld', a: doublerThroat, thin: Math.min(t, heldThickness(r)), edge: t }]),
  ];
}

function most(edge: number, w: Working): number {
  return edge < 6.35 ? w.found('z_max', edge, 'mm', 'along an edge under 1/4 in: its thickness') : w.of(Z_MAX, { t: edge });
}

/** From the base to the plate's edge where they are nearest, mm. */
function ledgeRound({ base, plate, region, shaped }: Resolved): number {
  if (!shaped) return Math.min(base.x0 - plate.x0, plate.x1 - base.x1, base.y0 - plate.y0, plate.y1 - base.y1);
  const fromBase = cornersOf(base).map((c) => edgeDistance(region, c));
  const fromEdge = [region.outer, ...region.openings].flatMap(loopPoints).map((p) => nearestPoint(base, p).gap);
  return Math.min(...fromBase, ...fromEdge);
}

/** Fillets neither too small to fuse nor too large for the edge they run on. */
export const weldSize = layoutRule({
  id: 'weld-size',
  name: 'Weld size',
  element: 'weld',
  withoutBolts: true,
  says: 'A fillet must be large enough to fuse with the metal and leave the plate’s edge to be seen.',
  why: 'On thick metal a small bead chills before it fuses. On an edge a fillet as tall as the plate melts the corner away, and nobody can measure it any more. So there is a least and a most.',
  source:
    'AISC 360-16 Tab. J2.4 (least leg by the thinner part) and §J2.2b (most: t − 1/16 in along an edge); EN 1993-1-8 §4.5.2: a ≥ 3 mm',
  range: 'Fillets of equal legs along straight edges',
  evaluate(r, w) {
    const all = seams(r);
    if (all.length === 0) return notApplicable('nothing is fillet-welded');
    return worst(all, w, (s, _i, w): Outcome => {
      const z = w.of(LEG, { a: s.a });
      const least = w.found('z_min', leastLeg(s.thin), 'mm', 'AISC Tab. J2.4');
      const up = outcome(least, z, 'mm', `${s.name}: too small to fuse below its least leg`);
      const down = outcome(z, most(s.edge, w), 'mm', `${s.name}: too big for its edge past its most leg`);
      const room = ledgeRound(r);
      const ledge =
        s.name === 'fitting weld'
          ? [outcome(w.of(LEDGE, { z }), Math.max(room, 0), 'mm', 'ledge for the bead (common practice)')]
          : [];
      return [up, down, ...ledge].reduce((a, b) => (b.utilisation > a.utilisation ? b : a));
    });
  },
});
