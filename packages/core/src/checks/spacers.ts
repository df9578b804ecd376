import type { Resolved } from '../job/resolve';
import { onSpacers } from '../job/stands-at-bolts';
import { formula } from '../working/formula';
import { shearResistance, tensionResistance } from './bolt-strength';
import { shearOn } from './bolt-shear';
import { everyBolt, isHeldByThread, isLag, notApplicable, outcome, worst, type Check } from './check';
import { preloadOf } from './preload/preload';
import { metalSkin } from './skin-parts';

const D_S = formula('d_s', 'sqrt(4·A_s/π)', 'mm');
const M_GUIDED = formula('M_Ed', 'F_v.Ed·h/2', 'N·mm');
const M_FREE = formula('M_Ed', 'F_v.Ed·h', 'N·mm');
const M_RD = formula('M_Rd', 'π·d_s³/32·f_yb/γ_y', 'N·mm');
const SUM = formula('η', 'F_t.Ed/F_t.Rd + F_v.Ed/F_v.Rd + M_Ed/M_Rd', '–');

const none = notApplicable('there are no spacers: the parts lie on each other');

/** BS 5950-1 §6.3.2.2: β_p speaks for packers up to 4d/3; over it, and wherever air is round the bolt, the bolt is a post. */
const standsFree = (r: Resolved, i: number): boolean => {
  const h = r.bolts[i]!.packed;
  return onSpacers(r) ? h > 0 : h > (4 / 3) * r.d;
};

/** The far end is held upright between two faces of metal; in a soft skin, or in a thread through one wall, it turns. */
const farEndTurns = (r: Resolved): boolean =>
  isHeldByThread(r) || isLag(r) || !(metalSkin(r) || r.far.kind === 'plate' || r.joint.sleeve !== 'none');

/** Bolts that stand through spacers or a high packer bend between plate and skin. */
export const boltBending: Check = {
  id: 'bolt-bending',
  name: 'Bolt bending',
  element: 'fastener',
  says: 'Through a spacer or a high packer a sheared bolt also bends, and must not yield.',
  why: 'Between plates that touch, a bolt is cut. With height between them it is a small post that the sideways load bends: at twice the height, twice as much. A loose packer does not hold it upright. A fatter bolt helps by the cube of its diameter; a packer welded or bonded to be one with the plate takes the bending away.',
  source:
    'Statics: M = V·h/2 between two clamped faces, V·h where the far end turns; elastic, pull and shear added in a straight line (common practice). Packers up to 4·d/3 are in Bolt shear by β_p (BS 5950-1 §6.3.2.2)',
  range: 'Loose packers and spacer tubes; friction on their ends not counted (safe)',
  evaluate(r, s, w) {
    const among = everyBolt(r).filter((i) => standsFree(r, i));
    if (among.length === 0) return notApplicable('nothing stands between the parts that a bolt would bend in');
    const turns = farEndTurns(r);
    return worst(among, w, (i, _k, w) => {
      const d_s = w.of(D_S, { A_s: r.As });
      const V = shearOn(r, s, i, w);
      const put = { 'F_v.Ed': V, h: r.bolts[i]!.packed };
      const M_Ed = w.of(turns ? M_FREE : M_GUIDED, put, turns ? 'the far end turns' : 'both ends held upright');
      const M_Rd = w.of(M_RD, { d_s, f_yb: r.grade.fyb, γ_y: r.factors.onYield });
      const pull = { 'F_t.Ed': s.demand.pull(i, w), 'F_t.Rd': tensionResistance(r, w) };
      const η = w.of(SUM, { ...pull, 'F_v.Ed': V, 'F_v.Rd': shearResistance(r, i, w), M_Ed, M_Rd });
      return outcome(η, 1, '–', r.bolts[i]!.id);
    });
  },
};

const A_T = formula('A', 'π·(D_t − t_t)·t_t', 'mm²');
const I_T = formula('I', 'π/64·(D_t^4 − (D_t − 2·t_t)^4)', 'mm⁴');
const N_CR = formula('N_cr', 'π²·E·I/(1.2·h)²', 'N');
const LAMBDA = formula('λ', 'sqrt(A·f_y/N_cr)', '–');
const N_RD = formula('N_b.Rd', 'χ·A·f_y/γ_y', 'N');
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
    const { tubeOutside, tubeWall, tightening } = r.joint;
    const among = everyBolt(r).filter((i) => r.bolts[i]!.packed > 0);
    if (among.length === 0) return none;
    const t_t = Math.min(tubeWall, tubeOutside / 2);
    return worst(among, w, (i, _k, w) => {
      const b = r.bolts[i]!;
      const A = w.of(A_T, { D_t: tubeOutside, t_t });
      const I = w.of(I_T, { D_t: tubeOutside, t_t });
      const N_cr = w.of(N_CR, { E: E_STEEL, I, h: b.packed });
      const χ = w.found('χ', chiC(w.of(LAMBDA, { A, f_y: FY, N_cr })), '–', 'EN 1993-1-1 §6.3.1.2, curve c');
      const capacity = w.of(N_RD, { χ, A, f_y: FY, γ_y: r.factors.onYield });
      if (tightening === 'snug') return outcome(s.demand.push(i, w), capacity, 'N', b.id);
      // The clamping itself does not grow with the load: it is taken off what the tube holds.
      const F_V = preloadOf(r, w);
      if (F_V >= capacity) return { ...outcome(F_V, capacity, 'N', `${b.id}, clamping alone`), loadFree: true };
      return outcome(s.demand.push(i, w), w.of(LEFT, { 'N_b.Rd': capacity, F_V }), 'N', b.id);
    });
  },
};
