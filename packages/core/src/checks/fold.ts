import { holeEnds } from '../job/placed-holes';
import { weldedOnly, type Resolved } from '../job/resolve';
import { bends, leastBend } from '../stock/bends';
import { refuse } from '../units/refusal';
import { formula } from '../working/formula';
import { everyBolt, layoutRule, notApplicable, outcome, worst, type Outcome } from './check';

const R_MIN = formula('r_min', 'k·t', 'mm');
const C_MIN = formula('c_min', '2.5·t + r', 'mm');

/** From the edge of bolt i's hole to the start of the bend, mm. */
function holeToBend(r: Resolved, i: number): number {
  const fold = r.fold!;
  const gaps = holeEnds(r, i).map(
    (b) => ({ fore: r.plate.x1 - b.x, aft: b.x - r.plate.x0, port: r.plate.y1 - b.y, starboard: b.y - r.plate.y0 })[fold.edge],
  );
  return Math.min(...gaps) - r.d0 / 2;
}

/** A bent edge: not tighter than the metal bears, and no hole drawn out of round by it. */
export const fold = layoutRule({
  id: 'fold',
  name: 'Bend',
  element: 'plate',
  withoutBolts: true,
  says: 'A bent edge must not crack, nor pull the holes beside it out of round.',
  why: 'Bending stretches the outside of the metal; too tight and it cracks along the bend, strong alloys soonest. A hole too near is drawn into an egg. Metal springs back a little: bend past the angle and check it with a square.',
  source: 'Least radius by metal and thickness, hole to bend 2.5·t + r: common practice',
  range: 'One edge bent cold across the rolling direction; the plate’s edge is the bend’s start',
  evaluate(r, w) {
    const f = r.fold;
    if (!f) return notApplicable('no edge of the plate is bent');
    if (!bends(r.plateMetal)) return refuse('plate.metal', `${r.plateMetal.name} does not bend cold`, 'a metal, or a flat plate');
    const t = r.plateThickness;
    const need = w.of(R_MIN, { k: leastBend(r.plateMetal), t }, `${r.plateMetal.name}: common practice`);
    const radius = outcome(need, f.radius, 'mm', `bend at the ${f.edge} edge`, ['springback: bend past, then check']);
    if (weldedOnly(r)) return radius;
    const holes = worst(everyBolt(r), w, (i, _k, w): Outcome => {
      const c = Math.max(holeToBend(r, i), 0);
      return outcome(w.of(C_MIN, { t, r: f.radius }), c, 'mm', `${r.bolts[i]!.id} to the bend`);
    });
    return holes.utilisation > radius.utilisation ? holes : radius;
  },
});
