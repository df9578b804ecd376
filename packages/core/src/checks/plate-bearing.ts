import { headKind } from '../stock/heads';
import { bearingAISC, bearingEN, bearingPlace } from './bearing';
import { shearOn } from './bolt-shear';
import type { Resolved } from '../job/resolve';
import { outcome, worst, type Check } from './check';

/** All loose plates bear; half the countersink does not (EN 1993-1-8 Tab. 3.4 note). */
const bearingThickness = (r: Resolved): number => {
  const t = r.plateThickness * r.plateLayers;
  return headKind(r.job.joint.head).sunk ? Math.max(0, t - r.d / 4) : t;
};

/** The bolt against its hole in the mounting plate: bearing and tear-out towards the edge behind it. */
export const plateBearing: Check = {
  id: 'plate-bearing',
  name: 'Plate bearing',
  element: 'plate',
  readsPlateThickness: true,
  says: 'The bolt must not crush the plate behind its hole, nor tear a slug out of the edge.',
  why: 'The bolt presses one side of its hole. A thin plate wrinkles there and the hole grows long; near an edge the bolt pushes a plug of metal out in front of it.',
  source: 'EN 1993-1-8 Tab. 3.4, or AISC 360-16 §J3.10; the job’s rules say which',
  range: 'Round clearance holes, e ≥ 1.2·d_0 by EN Tab. 3.3 (see Edge and pitch)',
  evaluate(r, s, w) {
    const parts = { d: r.d, d0: r.d0, t: bearingThickness(r), fu: r.plateMetal.fu, fub: r.grade.fub, gamma: r.factors.onBreak };
    return worst(r.bolts, w, (b, i, w) => {
      const v = s.inPlane.shears[i]!;
      const demand = shearOn(r, s, i, w);
      // The plate is carried with the load, so the bolt presses the metal behind the hole.
      const u = v.total > 0 ? { x: -v.x / v.total, y: -v.y / v.total } : { x: 1, y: 0 };
      const place = bearingPlace(r, b, u, true);
      const capacity = r.rules === 'EN' ? bearingEN(place, parts, w) : bearingAISC(place, parts, w);
      return outcome(demand, demand === 0 ? Math.max(capacity, 1) : capacity, 'N', b.id);
    });
  },
};
