import { formula } from '../working/formula';
import { isHeldByThread, isLag, layoutRule, notApplicable, outcome } from './check';

const NEEDED = formula('f_ub', 'f_ub.bolt', 'MPa');
const ALLOWED = formula('f_ub.max', 'f_ub.nut', 'MPa');

/** A nut too weak for its bolt strips its thread before the bolt breaks, without warning. A nut that fits needs no link. */
export const nutClassCheck = layoutRule({
  id: 'nut-class',
  name: 'Nut class',
  element: 'fastener',
  says: 'The nut must be of a class that may go with the bolt: a weaker one strips without warning.',
  why: 'A bolt breaks with a bang and can be seen; a nut that is too weak peels its thread turn by turn and looks sound until it is off. So the nut is always made as strong as the bolt, by its number.',
  source: 'ISO 898-2 Tab. 1; ISO 3506-2; SAE J995: nut class at least the bolt’s',
  range: 'Hexagon nuts of full height, style 1; thin nuts not covered',
  evaluate(r, w) {
    if (isLag(r) || isHeldByThread(r)) return notApplicable(`held by a ${r.joint.holding}, without a nut`);
    const demand = w.of(NEEDED, { 'f_ub.bolt': r.grade.fub }, `bolt class ${r.grade.id}`);
    const capacity = w.of(
      ALLOWED,
      { 'f_ub.nut': r.nut.fub },
      `strongest bolt a class ${r.nut.id} nut may go with; ${r.nut.source}`,
    );
    if (demand <= capacity) return notApplicable(`class ${r.nut.id} nuts may go with ${r.grade.id} bolts`);
    return outcome(demand, capacity, 'MPa', 'every nut', [
      `a class ${r.nut.id} nut strips on a ${r.grade.id} bolt before the bolt breaks`,
    ]);
  },
});
