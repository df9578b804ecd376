import { heightOf, widthOf } from '../geometry/rects';
import { refuse } from '../units/refusal';
import { formula } from '../working/formula';
import { notApplicable, onSkin, outcome } from './check';

const LIMIT = formula('w_max', 'L/ρ', 'mm');

/** How far the panel gives, against the job's own limit. */
export const deflection = onSkin({
  id: 'deflection',
  name: 'Deflection',
  element: 'skin',
  withoutBolts: true,
  says: 'The panel must not give more than the job allows.',
  why: 'A floor can be strong enough and still feel soft, rattle, or let a hatch jam. The limit is the job’s own: a length, or the span over a number.',
  source: 'Navier’s series (Timoshenko & Woinowsky-Krieger §28–34); limits set by the job: L/250 to L/500 is common practice',
  range:
    'As skin bending; under the load as the job’s school counts it (safe in limit states). A section or a timber as a beam is not judged',
  evaluate(r, s, w) {
    const { deflection: own, ratio } = r.limits;
    if (own <= 0 && ratio <= 0) return notApplicable('the job sets no limit of deflection');
    if (r.skinKind === 'hollow' || r.skinKind === 'flange')
      return refuse('limits.deflection', 'how far the member bends as a beam is not judged here', 'no limit, or a panel');
    const found = s.demand.deflection(w);
    if ('refused' in found) return found;
    if ('applies' in found)
      return refuse('limits.deflection', `how far it gives is not judged: ${found.because}`, 'no limit, or judged as solved');
    const L = Math.min(widthOf(r.panel), heightOf(r.panel));
    const bySpan = ratio > 0 ? w.of(LIMIT, { L, ρ: ratio }) : Infinity;
    return outcome(found.value, Math.min(bySpan, own > 0 ? own : Infinity), 'mm', found.where);
  },
});
