import { heightOf, widthOf } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import type { Shared } from '../sharing/share';
import type { Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { notApplicable, onSkin, outcome, type NotApplicable } from './check';
import { panelIn, panelStiffness, panelUnder } from './skin-bending';

const W = formula('w', 'wD/D', 'mm');
const LIMIT = formula('w_max', 'L/ρ', 'mm');

function byHand(r: Resolved, s: Shared, w: Working): number | NotApplicable | Refusal {
  const on = panelUnder(r);
  if ('applies' in on || 'refused' in on) return on;
  const { wD } = panelIn(r, on, s.loadCase);
  return w.of(W, { wD, D: panelStiffness(r, w) }, 'series of 48 × 48 terms');
}

/** How far the panel gives, against the job's own limit. */
export const deflection = onSkin({
  id: 'deflection',
  name: 'Deflection',
  element: 'skin',
  says: 'The panel must not give more than the job allows.',
  why: 'A floor can be strong enough and still feel soft, rattle, or let a hatch jam. The limit is the job’s own: a length, or the span over a number.',
  source: 'Navier’s series (Timoshenko & Woinowsky-Krieger §28–34); limits set by the job: L/250 to L/500 is common practice',
  range: 'As skin bending; under the load as the job’s school counts it (safe in limit states)',
  evaluate(r, s, w) {
    const { deflection: own, ratio } = r.job.limits;
    if (own.v <= 0 && ratio.v <= 0) return notApplicable('the job sets no limit of deflection');
    const most = s.solved ? w.found('w', s.solved.deflection.value, 'mm', s.solved.mesh) : byHand(r, s, w);
    if (typeof most !== 'number') return most;
    const L = Math.min(widthOf(r.panel), heightOf(r.panel));
    const bySpan = ratio.v > 0 ? w.of(LIMIT, { L, ρ: ratio.v }) : Infinity;
    const limit = Math.min(bySpan, own.v > 0 ? own.v : Infinity);
    return outcome(most, limit, 'mm', 'panel between bearers');
  },
});
