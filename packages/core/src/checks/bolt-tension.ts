import { otherSchool, tensionResistance } from './bolt-strength';
import { capacitiesOf, everyBolt, worstBolt, type BoltCheck, type Check } from './check';

const inTension: BoltCheck = {
  demand: (_r, s, i, w) => s.demand.pull(i, w),
  capacity: (r, _i, w) => tensionResistance(r, w),
};
const capacities = capacitiesOf(inTension);

/** Tension in the hardest-pulled bolt, from the biaxial neutral axis, with the prying of the plate. */
export const boltTension: Check = {
  id: 'bolt-tension',
  name: 'Bolt tension',
  element: 'fastener',
  says: 'The hardest-pulled bolt must not break in its thread.',
  why: 'A bolt breaks where it is thinnest, in the first turn of thread past the nut. The bolt farthest from the pressed edge is pulled hardest, because it has the longest reach, and a plate that bends pries on it besides. Setting bolts wider apart lowers the pull more than another bolt beside them.',
  source:
    'EN 1993-1-8 §3.6.1, Tab. 3.4, or AISC 360-16 Tab. J3.2 as the job’s rules say; tension from equilibrium of a rigid base with tension-only bolts, with the prying of Plate bending',
  range: 'M5–M24, 1/4–1 in; k_2 0.9, countersunk 0.63',
  evaluate(r, s, w) {
    const o = worstBolt(everyBolt(r), r, s, w, inTension, capacities(r));
    otherSchool(r, 'tension', 0, w);
    return o;
  },
};
