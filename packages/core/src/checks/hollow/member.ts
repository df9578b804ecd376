import { rowsOf } from '../../geometry/rows';
import type { Resolved } from '../../job/resolve';
import { refuse, type Refusal } from '../../units/refusal';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { notApplicable, outcome, SHARED_MEMBER, type Check } from '../check';
import { endsFree } from '../demand/panel';
import { sectionOf, type Section } from './section';

const AREA = formula('A', '2·t·(b + h − 2·t) − n·k·d_0·t', 'mm²');
const I = formula('I', '(b·h³ − (b − 2·t)·(h − 2·t)³)/12 − n·k·d_0·t·z²', 'mm⁴');
const W_EL = formula('W', 'I/(h/2)', 'mm³');
const M = formula('M', 'abs(F)·a·c/L + abs(M_0)·max(a, c)/L', 'N·mm');
const SIGMA = formula('σ', 'abs(N)/A + M_v/W_v + M_h/W_h', 'MPa');
const V = formula('V', 'abs(F)·max(a, c)/L + abs(M_0)/L', 'N');
const TAU = formula('τ', 'V_v/(2·h·t) + V_h/(2·b·t) + abs(T)/(2·(b − t)·(h − t)·t)', 'MPa');
const A_ROUND = formula('A', 'π·(D − t)·t − n·k·d_0·t', 'mm²');
const I_ROUND = formula('I', 'π·(D^4 − (D − 2·t)^4)/64 − n·k·d_0·t·z²', 'mm⁴');
const SIGMA_ROUND = formula('σ', 'abs(N)/A + sqrt(M_v² + M_h²)/W', 'MPa');
const TAU_ROUND = formula('τ', '2·sqrt(V_v² + V_h²)/A + 2·abs(T)/(π·(D − t)²·t)', 'MPa');
const F_D = formula('f_d', 'f_y/γ', 'MPa');
const TAU_D = formula('τ_d', 'f_y/(sqrt(3)·γ)', 'MPa');

/** Flat part over wall past which a face buckles before it yields, and outside over wall of a round tube: class 3 of EN 1993-1-1 Tab. 5.2. */
const CLASS_3 = { box: 42, round: 90 } as const;

/** Walls that buckle before they yield. */
function slenderWall(x: Section): Refusal | undefined {
  const ε = Math.sqrt(235 / x.fy);
  const flat = (Math.max(x.b0, x.h0) - 3 * x.t0) / x.t0 / ε;
  const round = x.b0 / x.t0 / ε ** 2;
  if (x.round)
    return round > CLASS_3.round
      ? refuse('skin.wall', `it is ${round.toFixed(0)}·ε² walls across: it buckles before it yields`, `up to ${CLASS_3.round}·ε²`)
      : undefined;
  return flat > CLASS_3.box
    ? refuse(
        'skin.wall',
        `its flat faces are ${flat.toFixed(0)}·ε walls wide: they buckle before they yield`,
        `up to ${CLASS_3.box}·ε`,
      )
    : undefined;
}

/** Most bolt holes that one cut across the section meets. */
const holesAcross = (r: Resolved): number => Math.max(0, ...rowsOf(r.bolts, 'x', r.d).map((row) => row.bolts.length));

/** The hollow section itself, as a beam between its bearers. */
export const member: Check = {
  id: 'member',
  name: 'Member',
  element: 'skin',
  withoutBolts: true,
  says: 'The section itself must carry the load to its ends as a beam.',
  why: 'A plate may sit well on a tube whose walls hold, and the tube still bend away between its ends: the longer the span, the sooner. Holes take metal where it works hardest, at the top and bottom.',
  source:
    'Statics: simply supported beam with the load and its moments where the plate stands, both ways, with push and pull along it; shear and torsion in the walls (Bredt 1896); elastic, EN 1993-1-1 §6.2.1(5), holes taken out of the face they are in',
  range:
    'Hollow section running fore and aft between two bearers, ends taken as turning freely (safe for the middle); sharp corners; walls to class 3 of EN 1993-1-1 Tab. 5.2',
  evaluate(r, s, w) {
    const x = sectionOf(r);
    if (!x) return notApplicable('the skin is not a hollow section');
    const no = endsFree(r, ['aft', 'fore'], 'a section is held at both ends');
    if (no) return no;
    const L = r.panel.x1 - r.panel.x0;
    const a = -r.panel.x0;
    if (a <= 0 || a >= L) return notApplicable('the plate’s middle is over a bearer');
    const slender = slenderWall(x);
    if (slender) return slender;
    const holes = {
      n: holesAcross(r),
      k: x.skin.through === 'one wall' ? 1 : 2,
      d_0: r.skinHole,
      t: x.t0,
      out: Math.max(0, ...r.bolts.map((b) => Math.abs(b.y))),
    };
    const c = s.midSkin;
    if (c.beside) return SHARED_MEMBER;
    const beam = { a, c: L - a, L };
    const M_v = w.of(M, { F: c.fz, M_0: c.my, ...beam }, 'upright: the push or pull of the plate and what it tips');
    const M_h = w.of(M, { F: c.fy, M_0: c.mz, ...beam }, 'sideways');
    const V_v = w.of(V, { F: c.fz, M_0: c.my, ...beam });
    const V_h = w.of(V, { F: c.fy, M_0: c.mz, ...beam });
    const { σ, τ } = (x.round ? roundStress : boxStress)(x, holes, { N: c.fx, T: c.mx, M_v, M_h, V_v, V_h }, w);
    const γ = r.factors.onYield;
    const bent = outcome(σ, w.of(F_D, { f_y: x.fy, γ }), 'MPa', 'bent between its ends', CAUTIONS);
    const sheared = outcome(τ, w.of(TAU_D, { f_y: x.fy, γ }), 'MPa', 'walls sheared to its end', CAUTIONS);
    return bent.utilisation >= sheared.utilisation ? bent : sheared;
  },
};

interface Holes {
  readonly n: number;
  readonly k: number;
  readonly d_0: number;
  readonly t: number;
  /** How far the outermost is from the middle, sideways. */
  readonly out: number;
}
interface Inside {
  readonly N: number;
  readonly T: number;
  readonly M_v: number;
  readonly M_h: number;
  readonly V_v: number;
  readonly V_h: number;
}
const TORSION = 'all of the torsion to one end';

function boxStress(x: Section, { out, ...holes }: Holes, f: Inside, w: Working): { σ: number; τ: number } {
  const upright = { ...holes, b: x.b0, h: x.h0, z: (x.h0 - x.t0) / 2 };
  const A = w.of(AREA, upright);
  const W_v = w.of(W_EL, { I: w.of(I, upright), h: x.h0 });
  const level = { ...holes, b: x.h0, h: x.b0, z: Math.max(out, x.b0 / 4) };
  const W_h = w.of(W_EL, { I: w.of(I, level), h: x.b0 }, 'sideways, every hole as far out as the outermost');
  const σ = w.of(SIGMA, { N: f.N, A, M_v: f.M_v, W_v, M_h: f.M_h, W_h });
  const τ = w.of(TAU, { V_v: f.V_v, V_h: f.V_h, T: f.T, h: x.h0, b: x.b0, t: x.t0 }, TORSION);
  return { σ, τ };
}

/** A round tube is as strong every way but for its holes: taken at its top, where they cost most. */
function roundStress(x: Section, { out: _, ...holes }: Holes, f: Inside, w: Working): { σ: number; τ: number } {
  const tube = { ...holes, D: x.b0 };
  const A = w.of(A_ROUND, tube);
  const W = w.of(W_EL, { I: w.of(I_ROUND, { ...tube, z: (x.b0 - x.t0) / 2 }), h: x.b0 });
  const σ = w.of(SIGMA_ROUND, { N: f.N, A, M_v: f.M_v, M_h: f.M_h, W });
  const τ = w.of(TAU_ROUND, { V_v: f.V_v, V_h: f.V_h, A, T: f.T, D: x.b0, t: x.t0 }, TORSION);
  return { σ, τ };
}

const CAUTIONS = ['what else the section carries is not in it: add that as a load of its own'];
