import { boundsOf, heightOf, widthOf } from '../../geometry/rects';
import { lagAt } from '../../job/lag';
import { atBolt } from '../../job/of-kind';
import type { Resolved } from '../../job/resolve';
import { isRefusal } from '../../units/refusal';
import { formula } from '../../working/formula';
import { Working } from '../../working/steps';
import { notApplicable, outcome, type Check, type Outcome } from '../check';
import type { Loaded } from '../demand/demand';
import { lagsOf } from './lag-in-wood';
import { grainOf, timberBeam, type TimberBeam } from './timber-beam';

const QUIET = new Working(false);
const F_V = formula('F_v.Ed', 'F_90·max(a, b)/L', 'N');
const F_DEEP = formula('F_90.Rk', '14·b_t·sqrt(h_e/(1 − h_e/h))', 'N');
const F_WIDE = formula('F_90.Rk', '14·b_t·sqrt(h_e)', 'N');
const F_D = formula('F_90.Rd', 'F_90.Rk/γ', 'N');
const H_E = formula('h_e', '4·d + u', 'mm');

/** Screws drawn out of the face tear the wood open across its grain at their points. */
function drawn(r: Resolved, s: Loaded, { L, a, w: width }: TimberBeam, w: Working): Outcome | undefined {
  const screws = lagsOf(r);
  const h_e = Math.min(...screws.map((i) => lagAt(atBolt(r, i), i).depth));
  const F = screws.reduce((sum, i) => sum + s.outOfPlane.tensions[i]!, 0);
  if (F < 1e-9 || h_e >= r.skinThickness) return undefined;
  w.found('F_90', F, 'N', 'of all screws that are drawn');
  const F_v = w.of(F_V, { F_90: F, a, b: L - a, L }, 'the larger of the two sides of the joint');
  const k = w.of(F_DEEP, { b_t: width, h_e, h: r.skinThickness }, 'h_e from the face they are drawn to, to their points');
  return outcome(F_v, w.of(F_D, { 'F_90.Rk': k, γ: r.factors.onSkin }), 'N', 'wood over the points of the screws');
}

/** Bolts pushed across the grain split the wood off towards the edge they are pushed to. */
function pushed(r: Resolved, s: Loaded, { L, a }: TimberBeam, w: Working): Outcome | undefined {
  const across = grainOf(r) === 'x' ? 'y' : 'x';
  const F = Math.abs(s.shears.reduce((sum, v) => sum + v[across], 0));
  if (F < 1e-9) return undefined;
  const around = boundsOf(r.bolts);
  const h_e = w.of(
    H_E,
    { d: r.d, u: across === 'x' ? widthOf(around) : heightOf(around) },
    'the edge taken as near as it may be',
  );
  w.found('F_90', F, 'N', 'of all bolts, across the grain');
  const F_v = w.of(F_V, { F_90: F, a, b: L - a, L }, 'the larger of the two sides of the joint');
  const b_t = Math.min(r.skinThickness, ...lagsOf(r).map((i) => lagAt(atBolt(r, i), i).depth));
  const k = w.of(F_WIDE, { b_t, h_e }, 'however wide the timber is past the bolts (safe)');
  return outcome(F_v, w.of(F_D, { 'F_90.Rk': k, γ: r.factors.onSkin }), 'N', 'wood beside the bolts', [
    'side edges of the timber at least 4·d from the bolts: measure',
  ]);
}

/** Timber split along its grain by what pulls across it. */
export const timberSplitting: Check = {
  id: 'timber-splitting',
  name: 'Timber splitting',
  element: 'skin',
  says: 'What pulls across the grain must not split the timber along it.',
  why: 'Wood is weakest when it is pulled apart across its grain. Bolts pushed towards an edge, and screws drawn out of a face, open a crack along the grain at the far end of their hold. Deeper screws, or a row farther from the edge it is pushed to, hold; washers on the back do not split at all.',
  source: 'EN 1995-1-1 §8.1.4 eq. 8.4, F_90.Rk = 14·b·√(h_e/(1 − h_e/h)), softwood; taken for all timber (common practice)',
  range:
    'Joints between two bearers; bolts pushed across the grain with the edge 4·d past them (Tab. 8.4) and no help of the wood’s width (safe); screws drawn out of the face',
  evaluate(r, s, w) {
    const beam = timberBeam(r, s);
    if (!('L' in beam) || isRefusal(beam)) return beam;
    const silent = [drawn, pushed].map((f) => ({ f, o: f(r, s, beam, QUIET) })).filter(({ o }) => o !== undefined);
    if (silent.length === 0) return notApplicable('nothing pulls across the grain in this case');
    const worst = silent.reduce((x, y) => (y.o!.utilisation > x.o!.utilisation ? y : x));
    return w.recording ? worst.f(r, s, beam, w)! : worst.o!;
  },
};
