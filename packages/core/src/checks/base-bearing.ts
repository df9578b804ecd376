import type { Resolved } from '../job/resolve';
import { onSpacers, postArea, standsAtBolts } from '../job/stands-at-bolts';
import { formula } from '../working/formula';
import { Working } from '../working/steps';
import { everyBolt, notApplicable, outcome, worst, type Check, type NotApplicable, type Outcome } from './check';
import type { Loaded } from './demand/demand';

const F_CD = formula('f_c.d', 'f_c/γ', 'MPa');

const P_POST = formula('p', 'N_Ed/A', 'MPa');

/** What stands round the bolts, pressed on the skin: a spacer's ring, a packer as wide as its washer. */
function atBolts(r: Resolved, s: Loaded, w: Working): Outcome {
  const A = postArea(r);
  return worst(everyBolt(r), w, (i, _k, w) => {
    const p = w.of(P_POST, { N_Ed: s.demand.push(i, w), A }, 'on what stands round the bolt alone');
    return outcome(p, w.of(F_CD, { f_c: r.skin.crush, γ: r.factors.onSkin }), 'MPa', `under ${r.bolts[i]!.id}`);
  });
}

/** Largest pressure under the rigid base against the crushing strength of the skin. */
export const baseBearing: Check = {
  id: 'base-bearing',
  name: 'Base bearing',
  element: 'base',
  says: 'The pressed side of the base must not crush the skin under it.',
  why: 'A base that is pulled on one side presses on the other. All of that press goes through a strip along the pressed edge, and a soft skin dents there before anything breaks. A wider base spreads the press. A stiffer or larger plate does too, but by hand that is not counted: have the job solved to see it.',
  source:
    'Equilibrium with no tension in the bed; elastic base plate, Blodgett §3.3 (memory). Spread through the mounting plate not counted (safe).',
  range:
    'Rigid base on an even bed, the plate between them; where the plate stands on spacers or packers at its bolts, those on the skin',
  evaluate(r, s, w) {
    if (r.skinKind === 'hollow') return notApplicable('a section’s wall bends before it crushes: see Wall face');
    if (onSpacers(r)) return atBolts(r, s, w);
    const even = onBed(r, s, new Working(false));
    const packed = standsAtBolts(r) ? atBolts(r, s, new Working(false)) : undefined;
    if (packed && !('refused' in packed) && (!('utilisation' in even) || packed.utilisation > even.utilisation))
      return w.recording ? atBolts(r, s, w) : packed;
    return w.recording ? onBed(r, s, w) : even;
  },
};

/** The base all over on an even bed. */
function onBed(r: Resolved, s: Loaded, w: Working): Outcome | NotApplicable {
  const p = s.demand.pressure(w);
  if ('applies' in p) return p;
  return outcome(p.value, w.of(F_CD, { f_c: r.skin.crush, γ: r.factors.onSkin }), 'MPa', p.where);
}
