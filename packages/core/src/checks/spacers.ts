import type { Resolved } from '../job/resolve';
import { principalSums } from '../sharing/axial';
import type { Shared } from '../sharing/share';
import { formula } from '../working/formula';
import type { Working } from '../working/steps';
import { pullOn, tensionResistance } from './bolt-strength';
import { shearOn } from './bolt-shear';
import { notApplicable, outcome, worst, type Check } from './check';
import { preloadOf } from './preload/preload';

const D_S = formula('d_s', 'sqrt(4·A_s/π)', 'mm');
const M_ED = formula('M_Ed', 'F_v.Ed·h/2', 'N·mm');
const M_RD = formula('M_Rd', 'π·d_s³/32·f_yb/γ_y', 'N·mm');
const SUM = formula('η', 'F_t.Ed/F_t.Rd + M_Ed/M_Rd', '–');

const onSpacers = (r: Resolved) => r.job.joint.packing === 'spacers';
const none = notApplicable('there are no spacers: the parts lie on each other');

/** Bolts that stand through spacers bend between plate and skin. */
export const boltBending: Check = {
  id: 'bolt-bending',
  name: 'Bolt bending',
  element: 'fastener',
  says: 'Through a spacer a sheared bolt also bends, and must not yield.',
  why: 'Between plates that touch, a bolt is cut. With a gap it is a small post that the sideways load bends: at twice the height, twice as much. A fatter bolt helps by the cube of its diameter.',
  source: 'Statics: both ends held, M = V·h/2; elastic with the tension added (common practice)',
  range: 'Spacer tubes; friction on the spacer ends not counted (safe)',
  evaluate(r, s, w) {
    if (!onSpacers(r)) return none;
    return worst(r.bolts, w, (b, i, w) => {
      const d_s = w.of(D_S, { A_s: r.As });
      const M_Ed = w.of(M_ED, { 'F_v.Ed': shearOn(r, s, i, w), h: r.job.joint.packer.v });
      const M_Rd = w.of(M_RD, { d_s, f_yb: r.grade.fyb, γ_y: r.factors.onYield });
      const η = w.of(SUM, { 'F_t.Ed': pullOn(r, s, i, w), 'F_t.Rd': tensionResistance(r, w), M_Ed, M_Rd });
      return outcome(η, 1, '–', b.id);
    });
  },
};

const A_T = formula('A', 'π·(D_t − t_t)·t_t', 'mm²');
const I_T = formula('I', 'π/64·(D_t^4 − (D_t − 2·t_t)^4)', 'mm⁴');
const N_CR = formula('N_cr', 'π²·E·I/(1.2·h)²', 'N');
const LAMBDA = formula('λ', 'sqrt(A·f_y/N_cr)', '–');
const N_RD = formula('N_b.Rd', 'χ·A·f_y/γ_y', 'N');
const PUSH = formula('N_Ed', '−F_z/n − M_x·y/I_x + M_y·x/I_y', 'N');
const LEFT = formula('N_Rd', 'N_b.Rd − F_V', 'N');
/** Spacers are cut from plain steel tube (common practice). */
const FY = 235;
const E_STEEL = 210_000;

/** Flexural buckling, EN 1993-1-1 §6.3.1.2, curve c (cold-formed tube, α 0.49). */
export function chiC(lambda: number): number {
  if (lambda <= 0.2) return 1;
  const phi = 0.5 * (1 + 0.49 * (lambda - 0.2) + lambda ** 2);
  return 1 / (phi + Math.sqrt(phi ** 2 - lambda ** 2));
}

function pushOn(r: Resolved, s: Shared, i: number, w: Working): number {
  const { centre, xx, yy } = principalSums(r);
  const c = s.loadCase;
  const b = r.bolts[i]!;
  const put = {
    F_z: c.fz,
    n: r.bolts.length,
    M_x: c.mx - centre.y * c.fz,
    y: b.y - centre.y,
    I_x: yy || Infinity,
    M_y: c.my + centre.x * c.fz,
    x: b.x - centre.x,
    I_y: xx || Infinity,
  };
  return Math.max(0, w.of(PUSH, put, 'elastic, all spacers alike'));
}

/** A spacer tube pressed short or bent out. */
export const spacer: Check = {
  id: 'spacer',
  name: 'Spacer',
  element: 'plate',
  says: 'A spacer on the pressed side must neither crush nor buckle.',
  why: 'What one side pulls the other side presses. On spacers all of that press goes down a few small tubes; a thin one folds, a long one leans out.',
  source: 'EN 1993-1-1 §6.3.1, buckling curve c, length 1.2·h (one end free to sway a little: common practice)',
  range: 'Round steel tube, S235; all spacers of one kind',
  evaluate(r, s, w) {
    if (!onSpacers(r)) return none;
    const { tubeOutside, tubeWall, packer, tightening } = r.job.joint;
    const t_t = Math.min(tubeWall.v, tubeOutside.v / 2);
    return worst(r.bolts, w, (b, i, w) => {
      const A = w.of(A_T, { D_t: tubeOutside.v, t_t });
      const I = w.of(I_T, { D_t: tubeOutside.v, t_t });
      const N_cr = w.of(N_CR, { E: E_STEEL, I, h: packer.v });
      const χ = w.found('χ', chiC(w.of(LAMBDA, { A, f_y: FY, N_cr })), '–', 'EN 1993-1-1 §6.3.1.2, curve c');
      const capacity = w.of(N_RD, { χ, A, f_y: FY, γ_y: r.factors.onYield });
      if (tightening === 'snug') return outcome(pushOn(r, s, i, w), capacity, 'N', b.id);
      // The clamping itself does not grow with the load: it is taken off what the tube holds.
      const F_V = preloadOf(r, w);
      if (F_V >= capacity) return { ...outcome(F_V, capacity, 'N', `${b.id}, clamping alone`), loadFree: true };
      return outcome(pushOn(r, s, i, w), w.of(LEFT, { 'N_b.Rd': capacity, F_V }), 'N', b.id);
    });
  },
};
