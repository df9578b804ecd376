import type { Resolved } from '../../job/resolve';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { everyBolt, notApplicable, outcome, worst, type Check } from '../check';
import { preloadOf } from '../preload/preload';
import { sectionOf, type Section } from './section';
import { faceResistance, roundResistance } from './face-resistance';

const A_S = formula('A_s', 'π·(D_s − t_s)·t_s', 'mm²');
const N_S = formula('N_s.Rd', 'A_s·f_y/γ', 'N');
const LEFT = formula('F_t.Rd', 'N_Rd − F_V', 'N');
/** Sleeves are cut from plain steel tube (common practice). */
const SLEEVE_FY = 235;

function held(r: Resolved, x: Section, w: Working): number {
  const { sleeve, tubeOutside, tubeWall } = r.joint;
  const γ = r.factors.onYield;
  if (sleeve === 'sleeve') {
    const A_s = w.of(A_S, { D_s: tubeOutside, t_s: Math.min(tubeWall, tubeOutside / 2) });
    return w.of(N_S, { A_s, f_y: SLEEVE_FY, γ }, 'sleeve of steel S235 tube');
  }
  const side = r.far.kind === 'plate' ? r.washerOutside + 2 * r.far.thickness : r.far.outside;
  const β = Math.min(0.85, side / x.b0);
  return (x.round ? roundResistance : faceResistance)({ fy: x.fy, t0: x.t0, β, η: side / x.b0, γ }, w);
}

/** Clamping that squeezes an open section flat. */
export const sectionCrush: Check = {
  id: 'section-crush',
  name: 'Section crush',
  element: 'skin',
  says: 'Tightening must not squeeze the hollow section flat.',
  why: 'A bolt through both walls of a tube squeezes them together: the walls dish in, the bolt never gets tight, and the joint works loose. A sleeve round the bolt, cut a hair longer than the section is deep, carries the clamping straight through.',
  source:
    'Sleeve: A·f_y (statics). Wall without one: face plastification under the washer, EN 1993-1-8 Tab. 7.11, of a round tube Tab. 7.3; under a backing plate 2·t wider (common practice)',
  range: 'Bolts through both walls; through one wall the nut or thread is inside and clamps that wall alone',
  evaluate(r, s, w) {
    const x = sectionOf(r);
    if (!x) return notApplicable('the skin is not a hollow section');
    if (x.skin.through === 'one wall') return notApplicable('bolts clamp one wall only: nothing is squeezed');
    const torqued = r.joint.tightening !== 'snug';
    const caution =
      r.joint.sleeve === 'sleeve' ? [] : ['no sleeve: do not tighten past snug, or fit one (common practice: always a sleeve)'];
    return worst(everyBolt(r), w, (i, _k, w) => {
      const N = held(r, x, w);
      const F_t = s.demand.pull(i, w);
      if (!torqued) return outcome(F_t, N, 'N', r.bolts[i]!.id, caution);
      const F_V = preloadOf(r, w);
      // The clamping itself does not grow with the load: it is taken off what the section holds.
      if (F_V >= N) return { ...outcome(F_V, N, 'N', `${r.bolts[i]!.id}, clamping alone`, caution), loadFree: true };
      return outcome(F_t, w.of(LEFT, { N_Rd: N, F_V }), 'N', r.bolts[i]!.id, caution);
    });
  },
};
