import { formula } from '../working/formula';
import { type BoltCheck, capacitiesOf, everyBolt, notApplicable, onSkin, worstBolt } from './check';
import { metalSkin } from './skin-parts';

const C = formula('c', '(d_w − s)/2', 'mm');
const A_W = formula('A_w', 'π/4·(d_w² − d_0²)', 'mm²');
/** Cantilever strip of the washer from the nut's flats under even pressure: q·c²/2 = t²·f_y/6. */
const F_W = formula('F_w.Rd', 'A_w·t²·f_y/(3·c²·γ_y)', 'N');

const dished: BoltCheck = {
  demand: (_r, s, i, w) => s.demand.pull(i, w),
  capacity(r, _i, w) {
    if (r.far.kind !== 'washer') return Infinity;
    const c = w.of(C, { d_w: r.far.outside, s: r.size.acrossFlats });
    if (c <= 0) return Infinity;
    const A_w = w.of(A_W, { d_w: r.far.outside, d_0: r.skinHole });
    return w.of(
      F_W,
      { A_w, t: r.far.thickness, f_y: r.far.fy, c, γ_y: r.factors.onYield },
      'yield of the washer; plain ones 200 HV (common practice)',
    );
  },
};
const capacities = capacitiesOf(dished);

/** A wide thin washer bends up round the nut and stops spreading the load. */
export const washerDishing = onSkin({
  id: 'washer-dishing',
  name: 'Washer dishing',
  element: 'far side',
  says: 'A washer on a soft skin must stay flat, or it stops spreading the load.',
  why: 'A washer spreads the nut’s pull only while it stays flat. A wide thin one dishes: its rim lifts, all the pull comes in under the nut, and the skin crushes though the washer looked wide enough. Thick washers or a plate stay flat.',
  source:
    'Statics: strip of the washer as a cantilever from the nut’s flats under even pressure (safe against the ring of Roark Tab. 11.2)',
  range: 'Washers on laminate, sandwich, plywood and timber; a plate spreads by its own rule',
  evaluate(r, s, w) {
    if (r.far.kind === 'plate') return notApplicable('a backing plate lies under the nuts: its spread is in Washer crush');
    if (metalSkin(r)) return notApplicable('a metal skin bears under the nut itself: the washer need not spread');
    return worstBolt(everyBolt(r), r, s, w, dished, capacities(r));
  },
});
