import { preloadFades } from '../../job/preload-lasts';
import type { Resolved } from '../../job/resolve';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { type BoltCheck, capacitiesOf, everyBolt, notApplicable, worstBolt, type Check } from '../check';
import { clampOf } from '../grip';
import { preloadOf } from './preload';

const C_B = formula('c_b', 'E_b·A_s/(l + 0.9·d)', 'N/mm');
/** Frusta of 30° under washers of 1.5·d. */
const C_M = formula('c_m', '0.5774·π·E·d', 'N/mm');
const LN = formula('λ', '5·(0.5774·l + 0.5·d)/(0.5774·l + 2.5·d)', '–');
const PHI = formula('Φ', 'c_b/(c_b + c_m)', '–');
const F_Z = formula('F_Z', 'f_z·c_b·c_m/(c_b + c_m)', 'N');
const F_SEP = formula('F_sep', '(F_V − F_Z)/((1 − Φ)·γ)', 'N');

/** Stiffness of the clamped parts by two frusta of 30°, N/mm: 0.5774πEd/(2 ln λ), Shigley eq. 8-22. */
export function memberStiffness(E: number, d: number, l: number, w: Working): number {
  return w.of(C_M, { E, d }) / (2 * Math.log(w.of(LN, { l, d })));
}

/** Settling of thread, both faces and one more face, mm (VDI 2230 Tab. 5.4/1, Rz under 10 µm, axial: 3 + 2·2.5 + 1.5 µm; memory). */
const SETTLING = 0.0095;

/** Modulus of what is clamped: plate, skin and backing in series by their thickness. */
function clampedModulus(r: Resolved): number {
  const parts: [number, number][] = [
    [r.plateThickness * r.plateLayers, r.plateMetal.E],
    [r.skinThickness, r.skin.E],
    ...(r.far.kind === 'plate' ? ([[r.far.height, r.far.metal.E]] as [number, number][]) : []),
  ];
  const t = parts.reduce((a, [x]) => a + x, 0);
  return t / parts.reduce((a, [x, E]) => a + x / E, 0);
}

const opened: BoltCheck = {
  demand: (_r, s, i, w) => s.demand.pull(i, w),
  capacity(r, i, w) {
    const l = clampOf(r, i);
    const E = clampedModulus(r);
    const c_m = w.found('c_m', memberStiffness(E, r.d, l, w), 'N/mm', '0.5774·π·E·d/(2·ln λ), two frusta of 30°');
    const c_b = w.of(C_B, { E_b: r.grade.E, A_s: r.As, l, d: r.d });
    const Φ = w.of(PHI, { c_b, c_m }, 'part of the pull the bolt feels');
    const loss = w.of(F_Z, { f_z: SETTLING, c_b, c_m }, 'settling, VDI 2230 Tab. 5.4/1 (memory)');
    return Math.max(0, w.of(F_SEP, { F_V: preloadOf(r, w), F_Z: loss, Φ, γ: r.factors.onYield }));
  },
};
const capacities = capacitiesOf(opened);

/** The pull that takes the last clamping off the joint. */
export const jointOpens: Check = {
  id: 'joint-opens',
  name: 'Joint opens',
  element: 'fastener',
  says: 'A bolt tightened to torque must keep the faces pressed together.',
  why: 'A tight bolt works like a spring: as long as the faces stay pressed the bolt hardly feels the load coming and going. Once they part it takes every pull in full, works loose and tires.',
  source: 'Joint diagram: Shigley §8-4 to 8-8 (frusta of 30°), settling VDI 2230 Tab. 5.4/1 (memory)',
  range: 'Metal grips tightened to torque; soft grips creep and keep no preload',
  evaluate(r, s, w) {
    if (r.joint.tightening === 'snug') return notApplicable('the bolts are snug: no preload is counted on');
    const fades = preloadFades(r);
    if (fades && r.skinKind === 'hollow')
      return refuse('joint.sleeve', `${fades}: no preload lasts`, 'a sleeve round each bolt, or snug bolts');
    if (fades) return notApplicable(`${fades}: no preload is counted on, and bolts are judged without it`);
    return worstBolt(everyBolt(r), r, s, w, opened, capacities(r));
  },
};
