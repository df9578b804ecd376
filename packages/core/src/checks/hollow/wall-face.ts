import type { Rect } from '../../geometry/points';
import { boundsOf, heightOf, widthOf } from '../../geometry/rects';
import type { Resolved } from '../../job/resolve';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { everyBolt, isHeldByThread, notApplicable, outcome, worst, type Check, type Outcome } from '../check';
import type { Loaded } from '../demand/demand';
import { sectionOf, type Section } from './section';

const N_FACE = formula('N_1.Rd', 'f_y·t_0²/(1 − β)·(2·η + 4·sqrt(1 − β))/γ', 'N');
const M_IP = formula('M_ip.Rd', 'f_y·t_0²·h_1·(1/(2·η) + 2/sqrt(1 − β) + η/(1 − β))/γ', 'N·mm');
const M_OP = formula('M_op.Rd', 'f_y·t_0²·(h_1·(1 + β)/(2·(1 − β)) + sqrt(2·b_0·b_1·(1 + β)/(1 − β)))/γ', 'N·mm');
const LAMBDA = formula('λ', '3.46·(h_0/t_0 − 2)/(π·sqrt(E/f_y))', '–');
const N_SIDE = formula('N_1.Rd', 'χ·f_y·t_0·(2·h_1 + 10·t_0)/γ', 'N');
const SUM = formula('η', 'abs(F_z)/N_1.Rd + abs(M_y)/M_ip.Rd + abs(M_x)/M_op.Rd', '–');

/** Axial strength of the face, EN 1993-1-8 Tab. 7.11, k_n 1; β up to 0.85. N. */
export const faceResistance = (x: { fy: number; t0: number; β: number; η: number; γ: number }, w: Working): number =>
  w.of(N_FACE, { f_y: x.fy, t_0: x.t0, β: x.β, η: x.η, γ: x.γ });

/** Flexural buckling by curve a (hot-finished, α 0.21; EN 1993-1-1 §6.3.1.2). */
export function chiA(lambda: number): number {
  if (lambda <= 0.2) return 1;
  const phi = 0.5 * (1 + 0.21 * (lambda - 0.2) + lambda ** 2);
  return 1 / (phi + Math.sqrt(phi ** 2 - lambda ** 2));
}

/** Resistances of the face under a patch h_1 along the section and b_1 across it. */
function resistances(r: Resolved, x: Section, patch: Rect, w: Working) {
  const γ = r.factors.onYield;
  const [h_1, b_1] = [widthOf(patch), heightOf(patch)];
  const β = Math.min(1, b_1 / x.b0);
  const low = Math.min(β, 0.85);
  const put = { f_y: x.fy, t_0: x.t0, β: low, η: h_1 / x.b0, γ, h_1, b_1: low * x.b0, b_0: x.b0 };
  const face = { N: w.of(N_FACE, put), Mip: w.of(M_IP, put), Mop: w.of(M_OP, put) };
  if (β <= 0.85) return face;
  const λ = w.of(LAMBDA, { h_0: x.h0, t_0: x.t0, E: r.skin.E, f_y: x.fy });
  const χ = w.found('χ', chiA(λ), '–', 'EN 1993-1-1 §6.3.1.2, curve a');
  const N = w.of(N_SIDE, { χ, f_y: x.fy, t_0: x.t0, h_1, γ }, 'β 1: the side walls take it');
  const part = (β - 0.85) / 0.15;
  // Tab. 7.11: between β 0.85 and 1 in a straight line; moments by the side walls as a couple over the plate (statics).
  const between = (a: number, b: number) => a + part * (b - a);
  return { N: between(face.N, N), Mip: between(face.Mip, (N * h_1) / 4), Mop: between(face.Mop, (N * x.b0) / 2) };
}

/** What presses on or pulls at one side of a nut inside the section, mm: its washer, or the thread alone. */
const pulledWidth = (r: Resolved): number => {
  if (isHeldByThread(r)) return r.d;
  if (r.joint.holding === 'weld nut' || r.joint.holding === 'captive nut') return r.size.acrossFlats;
  return r.far.kind === 'washer' ? r.far.outside : r.washerOutside + 2 * r.far.thickness;
};

/** The face under the whole plate, with all of the case: what presses, and bolts through both walls. */
function underPlate(r: Resolved, s: Loaded, x: Section, w: Working): Outcome {
  const res = resistances(r, x, r.plate, w);
  const c = s.onSkin;
  const η = w.of(SUM, { F_z: c.fz, M_x: c.mx, M_y: c.my, 'N_1.Rd': res.N, 'M_ip.Rd': res.Mip, 'M_op.Rd': res.Mop });
  return outcome(η, 1, '–', 'face under the plate', CAUTIONS);
}

/** The face where bolts through one wall pull it out: round all that pull together, and round each by itself. */
function pulledOut(r: Resolved, s: Loaded, x: Section, w: Working): Outcome | undefined {
  const pulling = everyBolt(r).filter((i) => s.demand.pull(i, SILENT) > 1e-9);
  if (pulling.length === 0) return undefined;
  const half = pulledWidth(r) / 2;
  const patches = [pulling, ...pulling.map((i) => [i])].map((among) => ({
    among,
    patch: boundsOf(
      among.map((i) => r.bolts[i]!),
      half,
    ),
  }));
  return worst(patches, w, ({ among, patch }, _k, w) => {
    // What a plate pries it presses on the same wall: together the bolts pull no more than the load does.
    const own = (i: number) => (among.length > 1 ? s.outOfPlane.tensions[i]! : s.demand.pull(i, SILENT));
    const F = among.reduce((sum, i) => sum + own(i), 0);
    const words = among.length > 1 ? `${among.length} bolts that pull` : r.bolts[among[0]!]!.id;
    w.found('F', F, 'N', `pull of ${words}, on ${widthOf(patch).toFixed(0)} × ${heightOf(patch).toFixed(0)} mm of face`);
    const { N } = resistances(r, x, patch, w);
    return outcome(w.of(PART, { F, 'N_1.Rd': N }), 1, '–', `face round ${words}`, CAUTIONS);
  });
}

const PART = formula('η', 'F/N_1.Rd', '–');
const SILENT = new Working(false);
const CAUTIONS = ['load in the section itself (k_n) is not known here: taken as 1'];

/** The face of a hollow section under the plate, pushed in or pulled out. */
export const wallFace: Check = {
  id: 'wall-face',
  name: 'Wall face',
  element: 'skin',
  withoutBolts: true,
  says: 'Under the plate the face of the section must not be pushed in or pulled out.',
  why: 'A box section is strong at its corners and weak in the middle of its faces. A narrow plate in the middle pushes the face in like a drum; one that reaches both side walls hands its load straight to them. Bolts through one wall pull only where their washers are, however large the plate.',
  source:
    'EN 1993-1-8 Tab. 7.11 and 7.14 (face plastification; side walls from β 0.85), k_n 1; moments added. Bolts through one wall: Tab. 7.11 on the patch round those that pull, and round each',
  range: 'Square or rectangular section running fore and aft, plate no wider than its face; b_0/t_0 up to 35',
  evaluate(r, s, w) {
    const x = sectionOf(r);
    if (!x) return notApplicable('the skin is not a hollow section');
    if (r.shaped) return refuse('plate.outline', 'a section’s face under a plate that is no rectangle', 'a rectangle');
    if (heightOf(r.plate) > x.b0 + 1e-6)
      return refuse(
        'plate',
        `the plate is ${heightOf(r.plate).toFixed(0)} mm wide on a ${x.b0.toFixed(0)} mm face`,
        'a plate within the face',
      );
    if (x.b0 / x.t0 > 35 || x.h0 / x.t0 > 35)
      return refuse(
        'skin.wall',
        `width over wall is ${(Math.max(x.b0, x.h0) / x.t0).toFixed(0)}: too thin for Tab. 7.8`,
        'b_0/t_0 and h_0/t_0 up to 35',
      );
    const whole = underPlate(r, s, x, SILENT);
    const pulled = x.skin.through === 'one wall' ? pulledOut(r, s, x, SILENT) : undefined;
    if (pulled && pulled.utilisation > whole.utilisation) return w.recording ? pulledOut(r, s, x, w)! : pulled;
    return w.recording ? underPlate(r, s, x, w) : whole;
  },
};
