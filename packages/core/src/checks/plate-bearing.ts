import { headDepth } from '../stock/heads';
import { bearingOf } from '../stock/hole-kinds';
import type { Resolved } from '../job/resolve';
import { bearingBothWays } from './bearing';
import { everyBolt, worst, type Check } from './check';
import { brittle } from './metal-rules';
import { bearsNot, plateHoleKind } from './wide-holes';

/** All loose plates bear; of the one the head is sunk in, only what lies below the head. */
const bearingThickness = (r: Resolved, i: number): number =>
  Math.max(0, r.plateThickness * r.plateLayers - (r.bolts[i]!.throughBase ? 0 : headDepth(r.joint.head, r.size)));

/** The bolt against its hole in the mounting plate: bearing and tear-out towards the edge behind it. */
export const plateBearing: Check = {
  id: 'plate-bearing',
  name: 'Plate bearing',
  element: 'plate',
  says: 'The bolt must not crush the plate behind its hole, nor tear a slug out of the edge.',
  why: 'The bolt presses one side of its hole. A thin plate wrinkles there and the hole grows long; near an edge the bolt pushes a plug of metal out in front of it.',
  source: 'EN 1993-1-8 Tab. 3.4 with its notes 1 and 3, or AISC 360-16 §J3.10; the job’s rules say which',
  range: 'Clearance holes, e ≥ 1.2·d_0 by EN Tab. 3.3 (see Edge and pitch); metals that yield',
  evaluate(r, s, w) {
    const no = brittle(r.plateMetal, 'plate.metal', 'a bolt bearing on its hole') ?? bearsNot(r, s, 'plate');
    if (no) return no;
    const hole = bearingOf(plateHoleKind(r));
    const parts = { d: r.d, d0: r.d0, fu: r.plateMetal.fu, fub: r.grade.fub, gamma: r.factors.onBreak, hole };
    // The plate is carried with the load, so the bolt presses the metal behind the hole.
    const { rules, bolts, region } = r;
    return worst(everyBolt(r), w, (i, _k, w) => {
      const bolt = bolts[i]!;
      const force = s.shears[i]!;
      return bearingBothWays(
        { rules, bolts, bolt, force, pressed: -1, region, parts: { ...parts, t: bearingThickness(r, i) } },
        w,
      );
    });
  },
};
