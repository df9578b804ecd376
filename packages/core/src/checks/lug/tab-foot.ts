import type { PinnedPart } from '../../job/eyes';
import { asWelded } from '../../stock/metals';
import { isRefusal, refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import type { Working } from '../../working/steps';
import { notApplicable, outcome, type Check } from '../check';
import type { Loaded } from '../demand/demand';
import { brittle } from '../metal-rules';
import { judgeWeld, WELDABLE, weldable, type Weld } from '../weld/judge-weld';

const A = formula('A', 'w·t', 'mm²');
const W_Y = formula('W_y', 't·w²/6', 'mm³');
const W_Z = formula('W_z', 'w·t²/6', 'mm³');
const H = formula('V_z', 'sqrt(F_x² + F_y²)', 'N');
const M_Y = formula('M_y', 'abs(V_y)·h', 'N·mm');
const M_Z = formula('M_z', 'abs(V_z)·h', 'N·mm');
const SIGMA = formula('σ', 'abs(N)/A + M_y/W_y + M_z/W_z', 'MPa');
const TAU = formula('τ', 'sqrt(V_y² + V_z²)/A', 'MPa');
const TOGETHER = formula('σ_v', 'sqrt(σ² + 3·τ²)', 'MPa');
const F_D = formula('f_d', 'f_y/γ', 'MPa');

/** What pushes the tab's head, in its own axes: edge on, and across its face, N. Which way it stands is not known: all of it across. */
function pushes(eye: PinnedPart, s: Loaded, w: Working): { edge: number; face: number } {
  const { fx, fy } = s.loadCase;
  if (eye.foot!.along === 'x') return { edge: fx, face: fy };
  if (eye.foot!.along === 'y') return { edge: fy, face: fx };
  return { edge: 0, face: w.of(H, { F_x: fx, F_y: fy }, 'across its face: nobody says which way it stands') };
}

/** Two fillets, one on each face, in the tab's own axes: x along its face. */
function faceFillets(eye: PinnedPart, s: Loaded, push: { edge: number; face: number }): Weld | undefined {
  const { height: h, throat: a } = eye.foot!;
  const of = weldable(eye.metal, eye.metal);
  if (!of) return undefined;
  const [u, v] = [eye.width / 2, eye.thickness / 2];
  return {
    runs: [-v, v].map((y) => ({ from: { x: -u, y }, to: { x: u, y }, part: 1 })),
    load: { fx: push.edge, fy: push.face, fz: s.loadCase.fz, mx: -push.face * h, my: push.edge * h, mz: 0 },
    a,
    of: [asWelded(of[0]), asWelded(of[1])],
    field: 'parts',
    around: { x0: -u, x1: u, y0: -v, y1: v },
  };
}

/** A tab that stands on its own weld and holds the far end of a pin: bent, and held by two fillets. */
export const tabFoot: Check = {
  id: 'tab-foot',
  name: 'Tab foot',
  element: 'lug',
  withoutBolts: true,
  says: 'A tab must not bend at its foot, nor tear off its weld.',
  why: 'A support tab takes its part of the pin’s load at the height of the pin, and hands it to its foot as a bending moment. Edge on a tab is strong; pushed across its face it is a blade that folds. A lower pin, a wider foot, a thicker tab and fillets on both faces make it work.',
  source:
    'Statics: N/A + M_y/W_y + M_z/W_z of a cantilever, shear by von Mises (EN 1993-1-1 §6.2.1(5)); fillets on both faces as an elastic line group, judged as Fitting weld is',
  range:
    'Flat tabs; edge on or across by the way the tab is said to stand, all of the push across its face where that is not said; foot at least as wide as the metal round the hole; two fillets of equal throat',
  evaluate(r, s, w) {
    const { eye } = r;
    if (!eye?.foot) return notApplicable('no tab that stands on its weld is among the parts');
    const no = brittle(eye.metal, 'parts', 'a tab');
    if (no) return no;
    const push = pushes(eye, s, w);
    const fillets = faceFillets(eye, s, push);
    if (!fillets) return refuse('parts', `a weld of ${eye.metal.name.toLowerCase()} is not known to this check`, WELDABLE);
    const put = { w: eye.width, t: eye.thickness, h: eye.foot.height, V_y: push.edge, V_z: push.face };
    const area = w.of(A, put);
    const M_y = w.of(M_Y, put, 'edge on');
    const M_z = w.of(M_Z, put, 'across its face');
    const σ = w.of(SIGMA, { N: s.loadCase.fz, A: area, M_y, W_y: w.of(W_Y, put), M_z, W_z: w.of(W_Z, put) });
    const σ_v = w.of(TOGETHER, { σ, τ: w.of(TAU, { ...put, A: area }) });
    const f_d = w.of(F_D, { f_y: asWelded(eye.metal).fy, γ: r.factors.onYield });
    const bent = outcome(σ_v, f_d, 'MPa', 'bent at its foot', eye.foot.along ? [] : [UNSAID]);
    const weld = judgeWeld(r, fillets, w);
    if (isRefusal(weld)) return weld;
    return weld.utilisation > bent.utilisation ? { ...weld, at: `its weld, ${weld.at}` } : bent;
  },
};

const UNSAID = 'which way the tab’s face runs is not said: all that pushes it is taken across it';
